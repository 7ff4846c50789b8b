import type { Curve } from "../show/schema.ts";
import type { Keys } from "../sheet/keys.ts";
import type { Playback } from "./playback.ts";
import { type Track, outputAt } from "./track.ts";

/** Curves by the number that stands for them in the arrays. */
const CODES: readonly Curve[] = ["linear", "ease", "slowStart", "slowEnd", "atStart", "atEnd"];
const [EASE, SLOW_START, SLOW_END, AT_START, AT_END] = [1, 2, 3, 4, 5];

/**
 * A playback laid out for drawing: one row of numbers for all instructions of all keys, so that a frame costs no look-up and
 * makes no garbage. Made once for each thing that is fired.
 */
export interface Frames {
  /** By key ordinal: where its instructions begin; one more entry for the end. */
  readonly starts: Int32Array;
  /** By key ordinal: what it puts out before its first instruction takes hold. */
  readonly rests: Float64Array;
  readonly at: Float64Array;
  readonly fades: Float64Array;
  readonly from: Float64Array;
  readonly to: Float64Array;
  readonly curves: Uint8Array;
}

/** Lays out what every key of the rig was told. */
export function framesOf(playback: Playback, keys: Keys): Frames {
  const tracks = keys.all.map((key): Track => playback.tracks[key.name] ?? { rest: key.attribute.home, instructions: [] });
  const total = tracks.reduce((sum, track) => sum + track.instructions.length, 0);
  const numbers = (): Float64Array => new Float64Array(total);
  const frames: Frames = {
    starts: new Int32Array(tracks.length + 1),
    rests: Float64Array.from(tracks, (track) => track.rest),
    at: numbers(),
    fades: numbers(),
    from: numbers(),
    to: numbers(),
    curves: new Uint8Array(total),
  };
  let place = 0;
  tracks.forEach((track, ordinal) => {
    frames.starts[ordinal] = place;
    track.instructions.forEach((instruction, index) => {
      const before = { rest: track.rest, instructions: track.instructions.slice(0, index) };
      frames.at[place] = instruction.start;
      frames.fades[place] = instruction.fade;
      frames.from[place] = outputAt(before, instruction.start);
      frames.to[place] = instruction.to;
      frames.curves[place] = CODES.indexOf(instruction.curve);
      place += 1;
    });
  });
  frames.starts[tracks.length] = place;
  return frames;
}

/**
 * Writes what every key puts out at a moment into `into`, by key ordinal. The curves stand here once more, written out, because a
 * call for each value would leave numbers behind that have to be cleared away; a test holds them against `curveAt`.
 */
export function frameAt(frames: Frames, time: number, into: Float64Array): void {
  const { starts, rests, at, fades, from, to, curves } = frames;
  let first = 0;
  for (let ordinal = 0; ordinal < rests.length; ordinal += 1) {
    const end = starts[ordinal + 1] ?? 0;
    let place = end - 1;
    while (place >= first && (at[place] ?? 0) > time) place -= 1;
    if (place < first) into[ordinal] = rests[ordinal] ?? 0;
    else {
      const fade = fades[place] ?? 0;
      const target = to[place] ?? 0;
      const elapsed = time - (at[place] ?? 0);
      if (elapsed >= fade) into[ordinal] = target;
      else {
        const start = from[place] ?? 0;
        let p = elapsed / fade;
        const curve = curves[place];
        if (curve === EASE) p = p * p * (3 - 2 * p);
        else if (curve === SLOW_START) p *= p;
        else if (curve === SLOW_END) p = p * (2 - p);
        else if (curve === AT_START) p = 1;
        else if (curve === AT_END) p = 0;
        into[ordinal] = start + (target - start) * p;
      }
    }
    first = end;
  }
}
