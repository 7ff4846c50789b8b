import type { BarShapeProps } from "recharts";
import { seconds } from "../shared/words.ts";

/** The width of a picture in the inspector, and of the names at its left; pixels. */
const WIDTH = 236;
/** Room for the last figure under the axis. */
const MARGIN = { top: 2, right: 20, bottom: 0, left: 0 };
const NAMES_WIDTH = 68;
const ROW = 22;
const FOOT = 34;

/** How high a picture with so many bars is, pixels. */
function chartHeight(bars: number): number {
  return bars * ROW + FOOT;
}

/** How the axes look: words alone. */
const AXIS = {
  axisLine: false,
  tickLine: false,
  interval: 0,
  tick: { fill: "var(--zm-quiet)", fontSize: 13 },
} as const;

/** What every picture of bars over time has: as many rows as bars. */
export function barsOver<T>(bars: T[]) {
  return {
    layout: "vertical",
    width: WIDTH,
    height: chartHeight(bars.length),
    data: bars,
    margin: MARGIN,
    accessibilityLayer: false,
  } as const;
}

/** The axis of time, from 0 to where the last bar ends; seconds. */
export function timeAxis(whole: number) {
  return { type: "number", domain: [0, whole], ticks: [0, whole], tickFormatter: (time: number) => `${seconds(time)} s`, ...AXIS } as const;
}

/** The names of the bars at their left. */
export function namesAxis(field: string) {
  return { type: "category", dataKey: field, width: NAMES_WIDTH, ...AXIS } as const;
}

/** Where one bar stands, pixels. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where a bar stands that a chart hands to the shape which paints it. */
export function boxOf({ x, y, width, height }: BarShapeProps): Box {
  return { x: Number(x), y: Number(y), width: Number(width), height: Number(height) };
}
