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

/** The range of a turning axis, degrees. */
export interface Turn {
  min: number;
  max: number;
}

/**
 * The pan and tilt with which a light at `from` looks at `to`, reached from where it stands now by the shortest way that its
 * ranges allow: a light can look at a place by turning further round, or by tipping over. Undefined when it cannot look there.
 * Shortest is measured by the axis that has further to go. All angles are degrees, all places metres.
 * Used when somebody drags a landing point on the Stage.
 */
export function aimNear(
  from: Point,
  to: Point,
  now: { pan: number; tilt: number },
  range: { pan: Turn; tilt: Turn },
): { pan: number; tilt: number } | undefined {
  const { pan, tilt } = aimAt(from, to);
  let best: { pan: number; tilt: number; way: number } | undefined;
  for (const over of [false, true]) {
    for (let turns = -2; turns <= 2; turns += 1) {
      const candidate = { pan: pan + (over ? 180 : 0) + turns * 360, tilt: over ? -tilt : tilt };
      if (candidate.pan < range.pan.min || candidate.pan > range.pan.max) continue;
      if (candidate.tilt < range.tilt.min || candidate.tilt > range.tilt.max) continue;
      const way = Math.max(Math.abs(candidate.pan - now.pan), Math.abs(candidate.tilt - now.tilt));
      if (!best || way < best.way - 1e-9) best = { ...candidate, way };
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
