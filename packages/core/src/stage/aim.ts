/** A place on or above the stage in metres: x to the right as the audience sees it, y up, z away from the audience. */
export interface Point {
  x: number;
  y: number;
  z: number;
}

/** A degree in radians. */
const DEGREES = Math.PI / 180;

/**
 * Which way a light looks, as a vector of length 1. Tilt 0 is straight down; pan 0 tilts away from the audience. Degrees.
 * `pan` and `tilt` are in degrees as the fixture type has them. The result points from the lens towards the stage.
 */
export function directionOf(pan: number, tilt: number): Point {
  const side = Math.sin(tilt * DEGREES);
  return { x: side * Math.sin(pan * DEGREES), y: -Math.cos(tilt * DEGREES), z: side * Math.cos(pan * DEGREES) };
}

/**
 * The pan and tilt, in degrees, with which a light at `from` looks at `to`.
 * One of the two ways in which a light can look there; `aimNear` picks the one that is in reach.
 * A light that hangs at the very place it looks at gives pan 0 and tilt 0.
 */
export function aimAt(from: Point, to: Point): { pan: number; tilt: number } {
  const dx = to.x - from.x;
  const dz = to.z - from.z;
  const pan = Math.atan2(dx, dz) / DEGREES;
  const tilt = Math.atan2(Math.hypot(dx, dz), from.y - to.y) / DEGREES;
  return { pan, tilt };
}

/**
 * A vector turned as a light hangs that is turned: degrees around x, then y, then z. What is not turned stays as it is.
 * `turnedBack` undoes it.
 */
export function turnedBy({ x, y, z }: Point, turn: Point | undefined): Point {
  if (!turn) return { x, y, z };
  const [a, b, c] = [turn.x * DEGREES, turn.y * DEGREES, turn.z * DEGREES];
  const [y1, z1] = [y * Math.cos(a) - z * Math.sin(a), y * Math.sin(a) + z * Math.cos(a)];
  const [x2, z2] = [x * Math.cos(b) + z1 * Math.sin(b), -x * Math.sin(b) + z1 * Math.cos(b)];
  return { x: x2 * Math.cos(c) - y1 * Math.sin(c), y: x2 * Math.sin(c) + y1 * Math.cos(c), z: z2 };
}

/** A vector as a light that hangs turned sees it: what `turnedBy` turns into that vector. Degrees. */
export function turnedBack({ x, y, z }: Point, turn: Point | undefined): Point {
  if (!turn) return { x, y, z };
  const [a, b, c] = [-turn.x * DEGREES, -turn.y * DEGREES, -turn.z * DEGREES];
  const [x1, y1] = [x * Math.cos(c) - y * Math.sin(c), x * Math.sin(c) + y * Math.cos(c)];
  const [x2, z2] = [x1 * Math.cos(b) + z * Math.sin(b), -x1 * Math.sin(b) + z * Math.cos(b)];
  return { x: x2, y: y1 * Math.cos(a) - z2 * Math.sin(a), z: y1 * Math.sin(a) + z2 * Math.cos(a) };
}

/** The range of a turning axis, degrees. */
export interface Turn {
  min: number;
  max: number;
}

/**
 * The pan and tilt with which a light at `from` looks at `to`, reached from where it stands now by the shortest way that its
 * ranges allow: a light can look at a place by turning further round, or by tipping over. Undefined when it cannot look there.
 * `turn` is how the light hangs, where it hangs turned. Shortest is measured by the axis that has further to go. All angles are degrees, all places metres.
 * Used when somebody drags a landing point on the Stage.
 */
export function aimNear(
  from: Point,
  to: Point,
  now: { pan: number; tilt: number },
  range: { pan: Turn; tilt: Turn },
  turn?: Point,
): { pan: number; tilt: number } | undefined {
  const way = turnedBack({ x: to.x - from.x, y: to.y - from.y, z: to.z - from.z }, turn);
  const { pan, tilt } = aimAt({ x: 0, y: 0, z: 0 }, way);
  let best: { pan: number; tilt: number; far: number } | undefined;
  for (const over of [false, true]) {
    for (let turns = -2; turns <= 2; turns += 1) {
      const candidate = { pan: pan + (over ? 180 : 0) + turns * 360, tilt: over ? -tilt : tilt };
      if (candidate.pan < range.pan.min || candidate.pan > range.pan.max) continue;
      if (candidate.tilt < range.tilt.min || candidate.tilt > range.tilt.max) continue;
      const far = Math.max(Math.abs(candidate.pan - now.pan), Math.abs(candidate.tilt - now.tilt));
      if (!best || far < best.far - 1e-9) best = { ...candidate, far };
    }
  }
  return best && { pan: best.pan, tilt: best.tilt };
}

/**
 * Where a look from `from` meets the floor, or the back wall at depth `back`, or ends after `reach` metres.
 * For drawing only: nothing of it is stored. The back wall is a plane, and things on stage are not known.
 */
export function landing(from: Point, direction: Point, back: number, reach = 16): Point {
  const toFloor = direction.y < -1e-6 ? -from.y / direction.y : Infinity;
  const toWall = direction.z > 1e-6 ? (back - from.z) / direction.z : Infinity;
  const far = Math.min(toFloor, toWall > 0 ? toWall : Infinity, reach);
  return { x: from.x + direction.x * far, y: from.y + direction.y * far, z: from.z + direction.z * far };
}
