import { type ListSheet, type Run, cueDuration, transitionAt } from "@zm/core";
import { useMemo } from "react";
import { seconds } from "../shared/words.ts";

const WIDTH = 150;

/** The cue's times drawn to scale: each kind of move as a wedge from its delay to its end. */
export function TimesPicture({ list, row }: { list: ListSheet; row: number }) {
  const bars = useMemo(() => barsOf(transitionAt(list, row)), [list, row]);
  const whole = cueDuration(list, row);
  if (whole === 0 || bars.length === 0) return null;
  const x = (time: number): number => (time / whole) * WIDTH;
  return (
    <div
      role="img"
      aria-label={bars
        .map((bar) => `${bar.name}: ${seconds(bar.fade)} seconds${bar.delay ? ` after ${seconds(bar.delay)}` : ""}`)
        .join("; ")}
    >
      {bars.map((bar) => (
        <div key={bar.name} className="flex h-6 items-center">
          <span className="w-[4.2rem] shrink-0 truncate text-[13px] text-quiet">{bar.name}</span>
          <svg width={WIDTH + 2} height={14} className={bar.rises ? "text-primary" : "text-secondary"}>
            <line x1={0} x2={x(bar.delay)} y1={12.5} y2={12.5} stroke="currentColor" opacity={0.6} />
            <path
              d={
                bar.rises
                  ? `M${x(bar.delay)} 13 L${x(bar.delay + bar.fade) + 1} 2 V13 Z`
                  : `M${x(bar.delay)} 2 L${x(bar.delay + bar.fade) + 1} 13 H${x(bar.delay)} Z`
              }
              fill="currentColor"
              opacity={0.85}
            />
          </svg>
        </div>
      ))}
    </div>
  );
}

interface Bar {
  name: string;
  delay: number;
  fade: number;
  rises: boolean;
}

/** One bar for each part and kind of move: the longest of its keys. */
function barsOf(runs: readonly Run[]): Bar[] {
  const bars = new Map<string, Bar>();
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
