import { toTenth } from "@zm/core";
import { Line, LineChart, XAxis, YAxis } from "recharts";

const AXIS = { axisLine: false, tickLine: false, tick: { fill: "var(--zm-quiet)", fontSize: 12 } } as const;

/** The time between two cues run by run, the oldest at the left. Seconds. */
export function RunsChart({ times, name }: { times: readonly { readonly seconds: number }[]; name: string }) {
  const data = times.map(({ seconds }, index) => ({ run: times.length - index, seconds: toTenth(seconds) })).reverse();
  return (
    <figure className="mt-1">
      <figcaption className="text-[13px] text-quiet">{name}</figcaption>
      <LineChart width={234} height={84} data={data} margin={{ top: 6, right: 6, bottom: 0, left: 0 }} accessibilityLayer={false}>
        <XAxis dataKey="run" hide />
        <YAxis width={30} domain={["auto", "auto"]} {...AXIS} />
        <Line dataKey="seconds" stroke="var(--color-secondary)" strokeWidth={2} dot={{ r: 2 }} isAnimationActive={false} />
      </LineChart>
    </figure>
  );
}
