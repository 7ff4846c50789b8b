import type { Keys } from "../sheet/keys.ts";

/**
 * A rig that moves as its types say: by key ordinal what each key is told, and where it is. Changed in place.
 * Values are in each attribute's own unit.
 */
export interface SimulatedRig {
  readonly target: Float64Array;
  readonly actual: Float64Array;
  /** Units a second; Infinity where a key is there at once. */
  readonly speeds: Float64Array;
  /** The keys that have a speed: all others are where they were told to be. */
  readonly slow: Int32Array;
  /** Room for the keys that are not yet there, and for where they come to. */
  readonly travelling: Int32Array;
  readonly way: Float64Array;
}

/**
 * A rig that stands at home and has been told nothing else (docs/running.md, Output).
 * One entry for each key of the rig, patched or not.
 */
export function simulatedRig(keys: Keys): SimulatedRig {
  const home = Float64Array.from(keys.all, ({ attribute }) => attribute.home);
  const speeds = Float64Array.from(keys.all, ({ attribute }) => attribute.speed ?? Number.POSITIVE_INFINITY);
  const slow = Int32Array.from(keys.all.filter(({ attribute }) => attribute.speed !== undefined).map(({ ordinal }) => ordinal));
  return { target: home.slice(), actual: home, speeds, slow, travelling: new Int32Array(slow.length), way: new Float64Array(slow.length) };
}

/**
 * Lets a rig move for so many seconds towards what it is told. True where something is not yet there.
 * A key moves in a straight line and at full speed, and stops where it was told to be. Changes `is` in place.
 */
export function moveRig({ target, actual, speeds, slow, travelling, way }: SimulatedRig, seconds: number): boolean {
  let late = 0;
  for (let place = 0; place < slow.length; place += 1) {
    const key = slow[place] ?? 0;
    const to = target[key] ?? 0;
    const from = actual[key] ?? 0;
    // Most lights rest most of the time.
    if (to === from) continue;
    const most = (speeds[key] ?? 0) * seconds;
    if (Math.abs(to - from) <= most) continue;
    way[late] = from + Math.sign(to - from) * most;
    travelling[late] = key;
    late += 1;
  }
  actual.set(target);
  for (let place = 0; place < late; place += 1) actual[travelling[place] ?? 0] = way[place] ?? 0;
  return late > 0;
}
