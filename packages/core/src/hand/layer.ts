import type { Curve, Wave } from "../show/schema.ts";
import { moveTiming } from "../show/move.ts";
import type { Key, Keys } from "../sheet/keys.ts";
import { keyNamed } from "../sheet/keys.ts";
import { type Palettes, resolve } from "../sheet/palettes.ts";
import { shapeAt, runningWave } from "../mix/waves.ts";
import type { Hand, HeldValue } from "./hand.ts";
import { type HeldWave, keyOfWave } from "./heldWave.ts";
import { comingIn, onTheWayBack } from "./onTheWayBack.ts";

/** A value in hand by its place among the keys. `at` is null for one that is there at once, else the moment it was given; seconds for its times. */
interface LaidValue {
  readonly ordinal: number;
  readonly value: number;
  readonly at: number | null;
  readonly from: number | null;
  readonly delay: number;
  readonly fade: number;
  readonly curve: Curve;
}

/** How far something in hand counts: it grows from `at` on (after `delay`) or, going, shrinks; in `fade` seconds. */
interface Growth {
  readonly ordinal: number;
  readonly at: number;
  readonly delay: number;
  readonly fade: number;
  readonly goes: boolean;
}

/** A wave in hand, or on its way out of it, by the place of its key. */
interface LaidWave extends Growth {
  readonly channel: number;
  readonly min: number;
  readonly max: number;
  readonly size: number;
  readonly shape: number;
  readonly period: number;
  readonly phase: number;
  readonly since: number;
}

/**
 * What is in hand, laid out for drawing: by place among the show's keys, so that a frame costs no look-up. Made once for each Hand.
 * Moments are milliseconds of the server's clock, times seconds.
 */
export interface HandLayer {
  readonly held: readonly LaidValue[];
  /** Values on their way back to the show. */
  readonly leaving: readonly { readonly ordinal: number; readonly from: number; readonly at: number; readonly fade: number }[];
  readonly waves: readonly LaidWave[];
  /** Keys without a value in hand whose wave gives way to what the Hand says of it: what lies under them counts without its waves. */
  readonly stilled: readonly Growth[];
}

/** What the Hand is laid out with: the keys of the rig, the palettes, and the beats a minute of a tempo. */
export interface HandRig {
  readonly keys: Keys;
  readonly palettes: Palettes;
  readonly perMinute?: ((tempo: string) => number | undefined) | undefined;
}

/**
 * Lays out what is in hand. Keys that the rig does not have, and palettes without a value for the light, are left out.
 * Kept by a caller that draws, for as long as Hand and rig stay the same.
 */
export function handLayer(hand: Hand, { keys, palettes, perMinute = () => undefined }: HandRig): HandLayer {
  const held = Object.entries(hand.held).flatMap(([name, each]): LaidValue[] => {
    const key = keyNamed(keys, name);
    return key && "move" in each ? laidValue(key, each, palettes) : [];
  });
  const taken = new Set(held.map(({ ordinal }) => ordinal));
  const leaving = Object.entries(hand.leaving).flatMap(([name, each]) => {
    const ordinal = keyNamed(keys, name)?.ordinal;
    return ordinal === undefined || taken.has(ordinal) || !("from" in each) ? [] : [{ ordinal, ...each }];
  });
  const stilled: Growth[] = [];
  const waves: LaidWave[] = [];
  const lay = (key: Key, wave: HeldWave["wave"], since: number, growth: Omit<Growth, "ordinal">): void => {
    const { ordinal } = key;
    if (!taken.has(ordinal)) stilled.push({ ordinal, ...growth });
    if (!("stop" in wave)) waves.push({ ...laidWave(key, wave, perMinute), since, ...growth });
  };
  for (const [name, each] of Object.entries(hand.leaving)) {
    const key = keyOfWave(keys, name);
    if (key && "wave" in each) lay(key, each.wave, each.since, { at: each.at, delay: 0, fade: each.fade, goes: true });
  }
  for (const [name, each] of Object.entries(hand.held)) {
    const key = keyOfWave(keys, name);
    const { delay = 0, fade = 0 } = "wave" in each ? each : {};
    if (key && "wave" in each) lay(key, each.wave, each.since, { at: each.since, delay, fade, goes: false });
  }
  return { held, leaving, waves, stilled };
}

function laidValue(key: Key, { move, course }: HeldValue, palettes: Palettes): LaidValue[] {
  const value = resolve(move, key, palettes);
  if (Number.isNaN(value)) return [];
  const { delay = 0, fade = 0, curve = "linear" } = moveTiming(move);
  return [{ ordinal: key.ordinal, value, at: course?.at ?? null, from: course?.from ?? null, delay, fade, curve }];
}

function laidWave(key: Key, wave: Wave, perMinute: (tempo: string) => number | undefined) {
  const { min, max } = key.attribute;
  return { ordinal: key.ordinal, channel: key.channel, min, max, size: wave.size, ...runningWave(wave, perMinute) };
}

/**
 * Applies the Hand to a frame: `values` by key ordinal hold what the running list gives, `now` is milliseconds of the server's clock. `still` gives what runs
 * for a key without its waves, for one whose wave the Hand stops.
 * Changes `values` in place and allocates nothing.
 */
export function applyHand(
  { held, leaving, waves, stilled }: HandLayer,
  now: number,
  values: Float64Array,
  still?: (ordinal: number) => number,
): void {
  if (still) for (const each of stilled) values[each.ordinal] = stilling(each, values[each.ordinal] ?? 0, still(each.ordinal), now);
  for (const each of held) {
    const { ordinal, value, at } = each;
    values[ordinal] = at === null ? value : coming(each, at, values[ordinal] ?? value, now);
  }
  for (const { ordinal, from, at, fade } of leaving) values[ordinal] = onTheWayBack(from, values[ordinal] ?? from, at, fade, now);
  for (const wave of waves) {
    const value = (values[wave.ordinal] ?? 0) + sway(wave, now);
    values[wave.ordinal] = Math.min(wave.max, Math.max(wave.min, value));
  }
}

function coming({ value, from, delay, fade, curve }: LaidValue, at: number, under: number, now: number): number {
  return comingIn({ from: from ?? under, value, delay, fade, curve, seconds: (now - at) / 1000 });
}

/** How far something that grows, or goes, counts at a moment: 0 to 1. */
function shareOf({ at, delay, fade, goes }: Growth, now: number): number {
  const gone = (now - at) / 1000 - delay;
  const grown = gone < 0 ? 0 : gone >= fade ? 1 : gone / fade;
  return goes ? 1 - grown : grown;
}

/** What lies under the Hand, less and less of its waves in it. */
function stilling(growth: Growth, under: number, still: number, now: number): number {
  return under + (still - under) * shareOf(growth, now);
}

/** What a wave in hand adds: its size as far as it has grown, or what is left of it, times its shape at its age. */
function sway(wave: LaidWave, now: number): number {
  const share = shareOf(wave, now);
  if (share === 0) return 0;
  const age = (now - wave.since) / 1000 - (wave.goes ? 0 : wave.delay);
  return wave.size * share * shapeAt(wave.shape, age / wave.period + wave.phase, wave.channel);
}
