import { z } from "zod";
import { documentParts, waveSchema, type Waves } from "../show/schema.ts";
import { count } from "../show/words.ts";
import { type Key, type Keys, keyNamed } from "../sheet/keys.ts";

/**
 * A wave in hand, or that what sways there stops (docs/running.md, Waves). It lies over the show as values in hand do.
 * `since` is when it was taken in hand, milliseconds of the server's clock; its size grows in `fade` seconds after `delay` seconds, at once where
 * they are absent.
 */
export interface HeldWave {
  readonly wave: z.infer<typeof waveSchema>;
  /** Whether it has changed since it was last recorded. */
  readonly fresh: boolean;
  readonly since: number;
  readonly delay?: number | undefined;
  readonly fade?: number | undefined;
}

/** A wave on its way out of the Hand: how it ran, and since when and in how many seconds its size goes to 0. Milliseconds for the moments. */
export interface LeavingWave {
  readonly wave: HeldWave["wave"];
  readonly since: number;
  readonly at: number;
  readonly fade: number;
}

/** How a wave in hand is stored. */
export const heldWaveSchema = z.strictObject({
  wave: waveSchema,
  fresh: z.boolean(),
  since: z.number(),
  delay: z.number().optional(),
  fade: z.number().optional(),
});

/** Waves as they are given to the Hand, by channel and attribute. */
export const givenWaves = documentParts.waves;

const SUFFIX = " wave";

/**
 * The name by which the Hand knows the wave of a key: "12.pan wave", beside "12.pan" for its value.
 * Names with the suffix are no key names, so a caller that looks for values passes them over.
 */
export function waveName(key: string): string {
  return key + SUFFIX;
}

/** The key whose wave a name of the Hand speaks of; undefined for the name of a value, and for a key that the rig does not have. */
export function keyOfWave(keys: Keys, name: string): Key | undefined {
  return name.endsWith(SUFFIX) ? keyNamed(keys, name.slice(0, -SUFFIX.length)) : undefined;
}

/** What a part says of the wave that a name of the Hand speaks of; undefined where it says nothing of it. */
export function waveNamed(waves: Waves | undefined, name: string): HeldWave["wave"] | undefined {
  const key = name.slice(0, -SUFFIX.length);
  const dot = key.indexOf(".");
  return waves?.[key.slice(0, dot)]?.[key.slice(dot + 1)];
}

/**
 * How many values and waves some names of the Hand are, in words: "12 values and 6 waves".
 * "nothing" for no names.
 */
export function heldWords(names: readonly string[]): string {
  const waves = names.filter((name) => name.endsWith(SUFFIX)).length;
  const values = names.length - waves;
  return [...(values > 0 ? [count(values, "value")] : []), ...(waves > 0 ? [count(waves, "wave")] : [])].join(" and ") || "nothing";
}
