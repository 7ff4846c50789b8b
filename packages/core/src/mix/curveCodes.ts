import { CURVES, type Curve } from "../show/schema.ts";

/**
 * Curves by the number that stands for them in arrays: their place in the document's list of curves.
 * Kept in a byte for each layer.
 */
export function curveCode(curve: Curve): number {
  return CURVES.indexOf(curve);
}

/**
 * How far a fade has come, 0 to 1, when `p` (0 to below 1) of its time has gone: as `curveAt`, by the number of the curve. It is called for
 * every key of every frame, where a look-up by name would leave texts to be compared.
 * `p` of 1 and above is the caller's business: a fade that is over stands at its end.
 */
export function curveByCode(code: number, p: number): number {
  switch (code) {
    case 1:
      return p * p * (3 - 2 * p);
    case 2:
      return p * p;
    case 3:
      return p * (2 - p);
    case 4:
      return 1;
    case 5:
      return 0;
    default:
      return p;
  }
}
