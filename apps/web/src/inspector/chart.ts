import type { BarShapeProps } from "recharts";

/** The width of a picture in the inspector, and of the names at its left; pixels. */
export const WIDTH = 236;
/** Room for the last figure under the axis. */
export const MARGIN = { top: 2, right: 20, bottom: 0, left: 0 };
export const NAMES_WIDTH = 68;
const ROW = 22;
const FOOT = 34;

/** How high a picture with so many bars is, pixels. */
export function chartHeight(bars: number): number {
  return bars * ROW + FOOT;
}

/** How the axes look: words alone. */
export const AXIS = {
  axisLine: false,
  tickLine: false,
  interval: 0,
  tick: { fill: "var(--zm-quiet)", fontSize: 13 },
} as const;

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
