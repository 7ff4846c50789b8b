import { curveAt } from "../time/curve.ts";

/**
 * A value on its way from the Hand back to what lies under it.
 * In a straight line; `at` and `now` in milliseconds, `fade` in seconds. Behind its end it is what lies under it.
 */
export function onTheWayBack(from: number, under: number, at: number, fade: number, now: number): number {
  if (fade <= 0) return under;
  const p = (now - at) / 1000 / fade;
  return p >= 1 ? under : from + (under - from) * curveAt("ease", Math.max(0, p));
}
