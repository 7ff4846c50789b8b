import { FAN_ENDING } from "../show/fanEnding.ts";

/**
 * A spread of values over lights that are chosen in an order: a number for all, or the points that they pass from the first to the last.
 * Points are in the unit of what is spread; written with `~` between them. "0~5/2" gives two lights at a time the same, "0~5*3" passes the
 * points three times over.
 */
export type Fan = number | string;

/** A fan taken apart: its points, how many lights at a time share a place, and how many times over the points are passed. */
interface FanShape {
  readonly points: readonly number[];
  readonly together: number;
  readonly times: number;
}

/** Takes a fan apart. The text must be one. */
function shapeOf(fan: Fan): FanShape {
  if (typeof fan === "number") return { points: [fan], together: 1, times: 1 };
  const [ending = "", together = "/1", times = "*1"] = FAN_ENDING.exec(fan) ?? [];
  const points = fan
    .slice(0, fan.length - ending.length)
    .split("~")
    .map(Number);
  return { points, together: Number(together.slice(1)), times: Number(times.slice(1)) };
}

/**
 * The points of a fan: "2~5~2" is 2, 5 and 2. A single number is a fan of one point.
 * The text must be a fan: a caller that takes it from outside has checked it with the schema.
 */
export function fanPoints(fan: Fan): readonly number[] {
  return shapeOf(fan).points;
}

/**
 * The place of a light among those that a fan tells apart, and how many these are: lights that share a place are one, and where the points are
 * passed several times over, only those of one passing.
 * `index` counts from 0 and is below `count`.
 */
export function fanPlace(fan: Fan, index: number, count: number): { index: number; count: number } {
  return placeIn(shapeOf(fan), index, count);
}

function placeIn({ together, times }: FanShape, index: number, count: number): { index: number; count: number } {
  const places = Math.ceil(Math.ceil(count / together) / times);
  return { index: Math.floor(index / together) % Math.max(1, places), count: Math.max(1, places) };
}

/**
 * What the light at `index` of `count` gets: equal steps from each point to the next, the first light on the first point and
 * the last on the last. One light alone takes the first point (docs/rules.md, Edits).
 * `index` counts from 0 and is below `count`.
 */
export function fanAt(fan: Fan, index: number, count: number): number {
  if (typeof fan === "number") return fan;
  const shape = shapeOf(fan);
  const place = placeIn(shape, index, count);
  return pointAt(shape.points, place.index, place.count);
}

function pointAt(points: readonly number[], index: number, count: number): number {
  const first = points[0] ?? 0;
  if (points.length === 1 || count <= 1) return first;
  const place = (index / (count - 1)) * (points.length - 1);
  const before = Math.min(Math.floor(place), points.length - 2);
  const from = points[before] ?? first;
  const to = points[before + 1] ?? from;
  return Math.round((from + (to - from) * (place - before)) * 1e6) / 1e6;
}

/**
 * A fan in which lights that belong together share a place, as a point for each light: `sizes` are how many belong together, in their order.
 * "0~10" over groups of 2 and 1 is "0~0~10".
 */
export function fanOverGroups(fan: Fan, sizes: readonly number[]): Fan {
  if (typeof fan === "number") return fan;
  return sizes.flatMap((size, place) => Array<number>(size).fill(fanAt(fan, place, sizes.length))).join("~");
}

/**
 * The delays that let fades of one length end one behind the other, the last of them after `total`: "0~3" for fades of 5 within 8. Undefined where the
 * fade is longer than all of it. Seconds.
 */
export function delaysWithin(fade: number, total: number): Fan | undefined {
  const last = Math.round((total - fade) * 1e6) / 1e6;
  if (last < 0) return undefined;
  return last === 0 ? 0 : `0~${last}`;
}

/**
 * The shortest fan that gives these values in this order; undefined where one of them is missing.
 * Equal values give a single number; equal steps give two points.
 */
export function fanOf(values: readonly (number | undefined)[]): Fan | undefined {
  const known = values.filter((value) => value !== undefined);
  const first = known[0];
  if (first === undefined || known.length < values.length) return undefined;
  if (known.every((value) => value === first)) return first;
  const last = known.at(-1) ?? first;
  const middle = known[(known.length - 1) / 2];
  const tries = [`${first}~${last}`, ...(middle === undefined ? [] : [`${first}~${middle}~${last}`])];
  const fits = (fan: string): boolean => known.every((value, index) => Math.abs(fanAt(fan, index, known.length) - value) < 0.005);
  return tries.find(fits) ?? known.join("~");
}
