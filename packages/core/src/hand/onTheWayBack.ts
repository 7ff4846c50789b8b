import { curveAt } from "../time/curve.ts";

/** A value on its way from the Hand back to what lies under it. */
export function onTheWayBack(from: number, under: number, at: number, fade: number, now: number): number {
  if (fade <= 0) return under;
  const p = (now - at) / 1000 / fade;
  return p >= 1 ? under : from + (under - from) * curveAt("ease", Math.max(0, p));
}
