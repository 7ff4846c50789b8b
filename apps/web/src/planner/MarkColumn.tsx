import { type ListSheet, type MarkPlan, type MarkTime, type PlannedMark, markedKeys, valueWords } from "@zm/core";
import { memo } from "react";
import { AXIS, COLUMN, ROW } from "./grid.ts";
import { Lozenge } from "./Lozenge.tsx";

interface MarkColumnProps {
  list: ListSheet;
  channel: number;
  marks: readonly PlannedMark[];
  proposal: MarkPlan | null;
  /** The time that a mark would have in a row of its window. */
  timeFor: MarkTime;
  /** By row, 1 where the light is lit. */
  lit: Uint8Array;
  x: number;
  /** The rows in view. */
  first: number;
  last: number;
}

/** One light down the list: where it is lit, its dark windows, and the lozenge where it is prepared in each. */
export const MarkColumn = memo(function MarkColumn({ list, channel, marks, proposal, timeFor, lit, x, first, last }: MarkColumnProps) {
  const inView = marks.filter(({ mark }) => mark.calledAt >= first && (mark.window?.first ?? mark.calledAt) <= last);
  return (
    <>
      <svg
        aria-hidden
        className="pointer-events-none absolute"
        style={{ left: x, top: first * ROW }}
        width={COLUMN}
        height={(last - first + 1) * ROW}
      >
        {runsOf(lit, first, last).map(([from, to]) => (
          <line
            key={from}
            x1={AXIS}
            x2={AXIS}
            y1={(from - first) * ROW + 14}
            y2={(to + 1 - first) * ROW + 14}
            className="stroke-quiet"
            strokeWidth={3}
          />
        ))}
        {inView.map(({ mark }) => {
          const from = mark.window?.first ?? mark.calledAt;
          const [top, bottom] = [(from - first) * ROW + 14, (mark.calledAt - first) * ROW + 14];
          return (
            <g key={mark.calledAt}>
              {from < mark.calledAt && (
                <line
                  x1={AXIS}
                  x2={AXIS}
                  y1={top + 6}
                  y2={bottom - 8}
                  className="stroke-secondary"
                  strokeWidth={1.5}
                  strokeDasharray="1.5 4"
                />
              )}
              <path d={`M${AXIS} ${bottom - 6}l6 10h-12z`} className="fill-base-content" />
            </g>
          );
        })}
      </svg>
      {inView.map((planned) => (
        <Lozenge key={planned.mark.calledAt} list={list} planned={planned} proposal={proposal} timeFor={timeFor} x={x} channel={channel} />
      ))}
    </>
  );
});

/** The runs of rows in view in which a light is lit. */
function runsOf(lit: Uint8Array, first: number, last: number): [number, number][] {
  const runs: [number, number][] = [];
  for (let row = first; row <= Math.min(last, lit.length - 1); row += 1) {
    const run = runs.at(-1);
    if (lit[row] !== 1) continue;
    if (run && run[1] === row - 1) run[1] = row;
    else runs.push([row, row]);
  }
  // The thread ends in the cue that takes the light out.
  return runs.map(([from, to]) => [from, to + 1 < lit.length ? to : to - 1]);
}

/** What the keys of a mark do, in words: "pan −40 to 90, tilt 10 to 35". */
export function travelWords(list: ListSheet, mark: PlannedMark["mark"]): string {
  return markedKeys(list, mark)
    .filter(({ from, to }) => valueWords(from) !== valueWords(to))
    .map(({ key, from, to }) => `${key.attribute.name ?? key.attribute.id} ${valueWords(from)} to ${valueWords(to)}`)
    .join(", ");
}
