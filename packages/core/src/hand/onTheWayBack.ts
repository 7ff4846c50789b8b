import type { Curve } from "../show/schema.ts";
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

/** A value on its way into the Hand in its own times; seconds since it was given. */
interface ComingIn {
  readonly from: number;
  readonly value: number;
  readonly delay: number;
  readonly fade: number;
  readonly curve: Curve;
  readonly seconds: number;
}

/**
 * Where a value has come that takes hold of its key in its own delay, fade and curve (docs/rules.md, Times).
 * `from` until its delay is over, `value` from its end on.
 */
export function comingIn({ from, value, delay, fade, curve, seconds }: ComingIn): number {
  const gone = seconds - delay;
  if (gone < 0) return from;
  if (gone >= fade) return value;
  return from + (value - from) * curveAt(curve, gone / fade);
}
