import { type ListSheet, type Run, cueDuration, transitionAt } from "@zm/core";
import { useMemo } from "react";
import { Bar, BarChart, XAxis, YAxis } from "recharts";
import { seconds } from "../shared/words.ts";
import { type Box, barsOver, boxOf, namesAxis, timeAxis } from "./chart.ts";

/** The cue's times drawn to scale: each kind of move as a wedge from its delay to its end. */
export function TimesPicture({ list, row }: { list: ListSheet; row: number }) {
  const bars = useMemo(() => barsOf(transitionAt(list, row)), [list, row]);
  const whole = cueDuration(list, row);
  if (whole === 0 || bars.length === 0) return null;
  return (
    <div
      role="img"
      aria-label={bars
        .map((bar) => `${bar.name}: ${seconds(bar.fade)} seconds${bar.delay ? ` after ${seconds(bar.delay)}` : ""}`)
        .join("; ")}
    >
      <BarChart {...barsOver(bars)}>
        <XAxis {...timeAxis(whole)} />
        <YAxis {...namesAxis("name")} />
        <Bar dataKey="delay" stackId="time" isAnimationActive={false} shape={(bar) => <DelayLine {...boxOf(bar)} />} />
        <Bar
          dataKey="fade"
          stackId="time"
          isAnimationActive={false}
          // A bar that has gone is drawn once more before the chart has caught up.
          shape={(bar) => <Wedge {...boxOf(bar)} rises={bars[bar.index]?.rises ?? true} />}
        />
      </BarChart>
    </div>
  );
}

interface TimesBar {
  name: string;
  delay: number;
  fade: number;
  rises: boolean;
}

/** A delay: a thin line at the foot of its row. */
function DelayLine({ x, y, width, height }: Box) {
  return <line x1={x} x2={x + width} y1={y + height} y2={y + height} className="stroke-base-content" opacity={0.6} />;
}

/** A fade: a wedge that rises or falls, so that it reads without colour. */
function Wedge({ x, y, width, height, rises }: Box & { rises: boolean }) {
  const [end, foot] = [x + width + 1, y + height];
  const path = rises ? `M${x} ${foot} L${end} ${y} V${foot} Z` : `M${x} ${y} L${end} ${foot} H${x} Z`;
  return <path d={path} className={rises ? "fill-primary" : "fill-secondary"} opacity={0.85} />;
}

/** One bar for each part and kind of move: the longest of its keys. */
function barsOf(runs: readonly Run[]): TimesBar[] {
  const bars = new Map<string, TimesBar>();
  const parts = new Set(runs.map((run) => run.part));
  for (const run of runs) {
    const { family } = run.key.attribute;
    const rises = family !== "intensity" || run.to >= run.from;
    const kind = family === "intensity" ? (rises ? "up" : "down") : family;
    const name = parts.size > 1 ? `${run.part} ${kind}` : kind;
    const known = bars.get(name);
    if (!known || run.delay + run.fade > known.delay + known.fade) bars.set(name, { name, delay: run.delay, fade: run.fade, rises });
  }
  const order = ["up", "down", "position", "colour", "beam"];
  const place = (name: string): number => order.indexOf(name.replace(/^\d+ /, "")) + 10 * Number(/^\d+/.exec(name)?.[0] ?? 0);
  return [...bars.values()].sort((a, b) => place(a.name) - place(b.name));
}
