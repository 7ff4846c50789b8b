import { type ChainLink, type ListSheet, at } from "@zm/core";
import { useMemo } from "react";
import { Bar, BarChart, XAxis, YAxis } from "recharts";
import { chooseCue } from "../choice/selection.ts";
import { seconds } from "../shared/words.ts";
import { type Box, barsOver, boxOf, namesAxis, timeAxis } from "./chart.ts";

/** The chain that runs by itself around a cue: when each cue starts and ends, counted from the one Go. */
export function ChainPicture({ list, chain, row }: { list: ListSheet; chain: readonly ChainLink[]; row: number }) {
  const bars = useMemo(() => chain.map((link) => barOf(at(list.cues, link.row).number, link, link.row === row)), [list, chain, row]);
  const whole = Math.max(...bars.map(({ start, lasts }) => start + lasts));
  return (
    <div>
      <p className="text-[13px] text-quiet">Runs by itself from one Go</p>
      <ol aria-label="Chain">
        {bars.map(({ cue, start, lasts, chosen }) => (
          <li key={cue}>
            <button
              type="button"
              className={`flex w-full gap-2 text-left hover:underline ${chosen ? "text-secondary" : ""}`}
              onClick={() => chooseCue(cue)}
            >
              <span className="figures w-11 shrink-0 text-right">{cue}</span>
              <span className="figures">at {seconds(start)}</span>
              <span className="figures text-quiet">to {seconds(start + lasts)} s</span>
            </button>
          </li>
        ))}
      </ol>
      {whole > 0 && (
        <div aria-hidden>
          <BarChart {...barsOver(bars)}>
            <XAxis {...timeAxis(whole)} />
            <YAxis {...namesAxis("cue")} />
            <Bar dataKey="start" stackId="time" isAnimationActive={false} fill="none" />
            <Bar
              dataKey="lasts"
              stackId="time"
              isAnimationActive={false}
              // A bar that has gone is drawn once more before the chart has caught up.
              shape={(bar) => <CueBar {...boxOf(bar)} chosen={bars[bar.index]?.chosen ?? false} />}
              onClick={(_bar, index) => {
                const bar = bars[index];
                if (bar) chooseCue(bar.cue);
              }}
            />
          </BarChart>
        </div>
      )}
    </div>
  );
}

/** One cue of the chain: seconds after the Go, and how long it lasts. */
interface ChainBar {
  readonly cue: string;
  readonly start: number;
  readonly lasts: number;
  readonly chosen: boolean;
}

function barOf(cue: string, { start, duration }: ChainLink, chosen: boolean): ChainBar {
  return { cue, start, lasts: duration, chosen };
}

/** A cue: a bar from its start to its end, the chosen one filled. A cue without times is a stroke. */
function CueBar({ x, y, width, height, chosen }: Box & { chosen: boolean }) {
  return (
    <rect
      x={x}
      y={y + 3}
      width={Math.max(2, width)}
      height={height - 6}
      rx={2}
      className={`cursor-pointer ${chosen ? "fill-secondary" : "fill-none stroke-base-content"}`}
    />
  );
}
