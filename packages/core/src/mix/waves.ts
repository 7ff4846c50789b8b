import { WAVE_SHAPES, type Wave } from "../show/schema.ts";
import { curveByCode } from "./curveCodes.ts";

/**
 * A wave that runs: what it is, when it took hold on its list's wave clock, and how its size changes on the list's own clock. Seconds.
 * Its size may be on its way: it grows in the fade of its cue and shrinks in that of the next.
 */
export interface RunningWave {
  /** The number of its shape. */
  readonly shape: number;
  readonly period: number;
  /** In turns. */
  readonly phase: number;
  readonly since: number;
  from: number;
  to: number;
  start: number;
  fade: number;
  curve: number;
}

/**
 * What runs of a wave: its shape, its period by its tempo where it has one, and its phase in turns.
 * `perMinute` gives the beats of a tempo; one that is gone leaves a period of 1 s.
 */
export function runningWave(
  { shape, period = 1, tempo, phase = 0 }: Wave,
  perMinute: (tempo: string) => number | undefined,
): Pick<RunningWave, "shape" | "period" | "phase"> {
  const beats = tempo === undefined ? undefined : perMinute(tempo);
  return { shape: WAVE_SHAPES.indexOf(shape), period: beats === undefined ? period : 60 / beats, phase: phase / 360 };
}

/**
 * The size of a wave at a moment of its list's clock.
 * In the attribute's own unit, 0 or more.
 */
export function sizeAt({ from, to, start, fade, curve }: RunningWave, time: number): number {
  const elapsed = time - start;
  return elapsed >= fade ? to : from + (to - from) * curveByCode(curve, elapsed / fade);
}

/**
 * What a wave adds to its key's value: its size at `time` of the list's clock, its shape at `age` seconds since it took hold.
 * In the attribute's own unit. `age` counts at the list's rate.
 */
export function contribution(wave: RunningWave, time: number, age: number, channel: number): number {
  const size = sizeAt(wave, time);
  return size === 0 ? 0 : size * shapeAt(wave.shape, age / wave.period + wave.phase, channel);
}

/**
 * The height of a shape, -1 to 1, so many turns into it (docs/running.md, Waves); a flicker is another for each channel, and
 * alike every time.
 * The number of a shape is its place in `WAVE_SHAPES`. 32-bit whole numbers make a flicker the same on every machine.
 */
export function shapeAt(shape: number, turns: number, channel: number): number {
  const x = turns - Math.floor(turns);
  switch (shape) {
    case 0:
      return Math.sin(2 * Math.PI * x);
    case 1:
      return x < 0.25 ? 4 * x : x < 0.75 ? 2 - 4 * x : 4 * x - 4;
    case 2:
      return x < 0.5 ? 1 : -1;
    case 3:
      return 2 * x - 1;
    case 4:
      return 1 - 2 * x;
    default: {
      const place = Math.floor(turns);
      const first = noise(place, channel);
      return first + (noise(place + 1, channel) - first) * x * x * (3 - 2 * x);
    }
  }
}

/** A number from -1 to 1 for a place of a flicker, out of whole numbers of 32 bits. */
function noise(place: number, channel: number): number {
  let hash = Math.imul(place ^ Math.imul(channel, 0x9e3779b1), 0x85ebca6b);
  hash ^= hash >>> 13;
  hash = Math.imul(hash, 0xc2b2ae35);
  hash ^= hash >>> 16;
  return (hash >>> 0) / 2147483648 - 1;
}
