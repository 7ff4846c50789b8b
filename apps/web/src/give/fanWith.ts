/** The value in the middle of a row; between two lights half way. */
export function middleOf(values: readonly number[]): number {
  const low = values[Math.floor((values.length - 1) / 2)] ?? 0;
  const high = values[Math.ceil((values.length - 1) / 2)] ?? 0;
  return Math.round(((low + high) / 2) * 10) / 10;
}

interface Points {
  readonly first: number;
  readonly middle: number;
  readonly last: number;
}

/** The fan after one of its three points was moved: dragging an end of a straight row keeps it straight. */
export function fanWith(points: Points, handle: keyof Points, value: number): string {
  const straight = Math.abs((points.first + points.last) / 2 - points.middle) < 0.6;
  const moved = { ...points, [handle]: value };
  return handle !== "middle" && straight ? `${moved.first}~${moved.last}` : `${moved.first}~${moved.middle}~${moved.last}`;
}
