/**
 * The first of `count` places, in rising order, whose value is not below a limit; `count` when all are below. `valueAt` gives the
 * value at a place from 0 up to `count - 1`.
 * Binary search: about log2(count) calls of `valueAt`. The one search of the core, for rows, columns and moments alike.
 * `count` 0 gives 0.
 */
export function firstNotBelow(count: number, valueAt: (place: number) => number, limit: number): number {
  let low = 0;
  let high = count;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (valueAt(middle) < limit) low = middle + 1;
    else high = middle;
  }
  return low;
}
