import type { Curve } from "../show/schema.ts";

/**
 * How far a fade has come, 0 to 1, when `p` (0 to 1) of its time has gone (docs/rules.md, Times).
 * The engine uses `curveByCode`, which has the same numbers without comparing texts.
 */
export function curveAt(curve: Curve, p: number): number {
  switch (curve) {
    case "linear":
      return p;
    case "ease":
      return p * p * (3 - 2 * p);
    case "slowStart":
      return p * p;
    case "slowEnd":
      return 1 - (1 - p) * (1 - p);
    case "atStart":
      return 1;
    case "atEnd":
      return p >= 1 ? 1 : 0;
  }
}
