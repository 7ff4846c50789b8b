/**
 * What stands at a place of a row of things. Throws RangeError for a place that it does not have: a fault of the caller, which a
 * stand-in value would hide as a wrong row.
 */
export function at<T>(things: readonly T[], place: number): T {
  const thing = things[place];
  if (thing === undefined) throw nothingAt(place, things.length);
  return thing;
}

/** As `at`, for numbers in a Float64Array: functions of their own keep each fast, since an engine is slow where it meets many kinds of array. */
export function floatAt(numbers: Float64Array, place: number): number {
  const number = numbers[place];
  if (number === undefined) throw nothingAt(place, numbers.length);
  return number;
}

/** As `at`, for whole numbers in an Int32Array. */
export function intAt(numbers: Int32Array, place: number): number {
  const number = numbers[place];
  if (number === undefined) throw nothingAt(place, numbers.length);
  return number;
}

/** The refusal that `at` and its like throw, naming the place and how many there are. */
function nothingAt(place: number, length: number): RangeError {
  return new RangeError(`There is nothing at place ${place} of ${length}`);
}
