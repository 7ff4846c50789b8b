/**
 * A spread of values over lights that are chosen in an order: a number for all, or the points that they pass from the first to the last.
 * Points are in the unit of what is spread; written with `~` between them.
 */
export type Fan = number | string;

/**
 * The points of a fan: "2~5~2" is 2, 5 and 2. A single number is a fan of one point.
 * The text must be a fan: a caller that takes it from outside has checked it with the schema.
 */
export function fanPoints(fan: Fan): number[] {
  return typeof fan === "number" ? [fan] : fan.split("~").map(Number);
}

/**
 * What the light at `index` of `count` gets: equal steps from each point to the next, the first light on the first point and
 * the last on the last. One light alone takes the first point (docs/rules.md, Edits).
 * `index` counts from 0 and is below `count`.
 */
export function fanAt(fan: Fan, index: number, count: number): number {
  const points = fanPoints(fan);
  const first = points[0] ?? 0;
  if (points.length === 1 || count <= 1) return first;
  const place = (index / (count - 1)) * (points.length - 1);
  const before = Math.min(Math.floor(place), points.length - 2);
  const from = points[before] ?? first;
  const to = points[before + 1] ?? from;
  return Math.round((from + (to - from) * (place - before)) * 1e6) / 1e6;
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
