import { tenths } from "@zm/core";
import { Bar, BarChart, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import { useMemo } from "react";
import type { ListPlan } from "./usePlan.ts";

const WIDTH = 236;
const AXIS = { axisLine: false, tickLine: false, tick: { fill: "var(--zm-quiet)", fontSize: 12 } } as const;

/** How many lights move at once along the show, and what each mark needs against what it has. */
export function PlannerCharts({ plan: { list, marks, moving } }: { plan: ListPlan }) {
  const gaps = useMemo(() => list.cues.map(({ number }, row) => ({ cue: number, lights: moving[row] ?? 0 })), [list, moving]);
  const [good, late] = useMemo(() => {
    const known = marks.flatMap(({ mark, available, report }) =>
      available === null || available <= 0
        ? []
        : [{ needed: Math.max(0.1, mark.needed), available: Math.max(0.1, available), isLate: report !== null }],
    );
    return [known.filter(({ isLate }) => !isLate), known.filter(({ isLate }) => isLate)];
  }, [marks]);
  const most = Math.max(1, ...marks.map(({ mark }) => mark.needed));
  return (
    <section aria-label="Charts" className="flex flex-col gap-3 border-t border-rule pt-3">
      <figure>
        <figcaption className="text-[13px] text-quiet">lights moving at once, cue by cue</figcaption>
        <BarChart
          width={WIDTH}
          height={90}
          data={gaps}
          margin={{ top: 4, right: 4, bottom: 0, left: 0 }}
          barCategoryGap={0}
          accessibilityLayer={false}
        >
          <XAxis dataKey="cue" {...AXIS} interval="preserveStartEnd" minTickGap={40} />
          <YAxis width={26} allowDecimals={false} {...AXIS} />
          <Bar dataKey="lights" fill="var(--color-secondary)" isAnimationActive={false} />
        </BarChart>
      </figure>
      <figure>
        <figcaption className="text-[13px] text-quiet">seconds needed (across) against there (up); below the line is late</figcaption>
        <ScatterChart width={WIDTH} height={140} margin={{ top: 4, right: 8, bottom: 0, left: 0 }} accessibilityLayer={false}>
          {/* Both axes alike, so that the line between them is straight. */}
          <XAxis type="number" dataKey="needed" scale="log" domain={[0.1, Math.ceil(most)]} {...AXIS} tickFormatter={tenths} />
          <YAxis type="number" dataKey="available" scale="log" domain={[0.1, "dataMax"]} width={34} {...AXIS} tickFormatter={tenths} />
          <ReferenceLine
            segment={[
              { x: 0.1, y: 0.1 },
              { x: Math.ceil(most), y: Math.ceil(most) },
            ]}
            stroke="var(--zm-quiet)"
            strokeDasharray="3 3"
          />
          <Scatter data={good} fill="var(--color-secondary)" isAnimationActive={false} shape="circle" />
          <Scatter data={late} fill="var(--color-error)" isAnimationActive={false} shape="diamond" />
        </ScatterChart>
      </figure>
    </section>
  );
}
