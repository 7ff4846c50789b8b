/**
 * What stands at a place of a row of things. Throws RangeError for a place that it does not have: a fault of the caller, which a
 * stand-in value would hide as a wrong row.
 * `place` counts from 0. Use it where the place is known to exist; where it may be missing, index the array and test for undefined.
 * The error names the place and how many things there are.
 */
export function at<T>(things: readonly T[], place: number): T {
  const thing = things[place];
  if (thing === undefined) throw nothingAt(place, things.length);
  return thing;
}

/**
 * As `at`, for numbers in a Float64Array: functions of their own keep each fast, since an engine is slow where it meets many kinds of
 * array.
 * NaN is a value like any other here: it stands for an unset key, not for a missing place.
 * Throws RangeError for a place outside the array.
 */
export function floatAt(numbers: Float64Array, place: number): number {
  const number = numbers[place];
  if (number === undefined) throw nothingAt(place, numbers.length);
  return number;
}

/**
 * As `at`, for whole numbers in an Int32Array.
 * -1 is a value like any other here: many tables use it for "none".
 * Throws RangeError for a place outside the array.
 */
export function intAt(numbers: Int32Array, place: number): number {
  const number = numbers[place];
  if (number === undefined) throw nothingAt(place, numbers.length);
  return number;
}

/** The refusal that `at` and its like throw, naming the place and how many there are. */
function nothingAt(place: number, length: number): RangeError {
  return new RangeError(`There is nothing at place ${place} of ${length}`);
}
