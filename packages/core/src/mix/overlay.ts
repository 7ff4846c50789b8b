import { type Keys, intensityOf, keyNamed } from "../sheet/keys.ts";
import { grandShare } from "./grand.ts";
import type { Mix } from "./mix.ts";

/** A light that is to be found goes on and off so often; seconds for one of the two. */
const FLASH = 0.4;

/**
 * What lies over a frame, laid out for its rig: how much of every level comes out, which levels a solo leaves, which keys are parked at
 * which values, and which lights flash so that they are found.
 * By key ordinal. What rests is empty.
 */
export interface Overlay {
  readonly share: number;
  /** True for levels that come out under a solo; null: no solo. */
  readonly heard: ((ordinal: number) => boolean) | null;
  readonly parked: readonly (readonly [ordinal: number, value: number])[];
  /** The levels of lights that flash, and what they are at just now. */
  readonly flashing: readonly number[];
  readonly flash: number;
  /** What else lights that flash are at, so that they are seen: an open shutter, a wheel out of the way. */
  readonly highlit: readonly (readonly [ordinal: number, value: number])[];
}

/** What lies over the frame of a run at a moment (docs/running.md, Blackout). Seconds of the run's clock. */
export function overlayAt(mix: Mix, now: number): Overlay {
  const { grand, keys } = mix;
  return {
    share: grandShare(grand, now),
    heard: grand.solo === undefined ? null : mix.heardAlone(grand.solo),
    parked: Object.entries(grand.parked ?? {}).flatMap(([name, value]) => {
      const key = keyNamed(keys, name);
      return key ? [[key.ordinal, value] as const] : [];
    }),
    flashing: levelsOf(keys, grand.identify ?? []),
    flash: Math.floor(now / FLASH) % 2 === 0 ? 100 : 0,
    highlit: (grand.identify ?? []).flatMap((channel) => highlightsOf(keys, channel)),
  };
}

function highlightsOf(keys: Keys, channel: number): (readonly [number, number])[] {
  return [...(keys.byChannel.get(channel)?.values() ?? [])].flatMap(({ ordinal, attribute: { family, highlight } }) =>
    highlight === undefined || family === "intensity" ? [] : [[ordinal, highlight] as const],
  );
}

function levelsOf(keys: Keys, channels: readonly number[]): number[] {
  return channels.flatMap((channel) => {
    const own = intensityOf(keys, channel);
    return own ? [own.ordinal] : [];
  });
}

/**
 * Lays an overlay on a frame: `values` by key ordinal hold what runs with the Hand over it, and are changed in place. Levels of lights that
 * stay are touched by nothing but parking and finding; a parked key stays as it is under everything; a light that flashes is seen whatever else holds.
 */
export function applyOverlay(keys: Keys, { share, heard, parked, flashing, flash, highlit }: Overlay, values: Float64Array): void {
  if (share < 1 || heard !== null)
    for (const { ordinal, attribute, house } of keys.all)
      if (attribute.family === "intensity" && !house) {
        const comesOut = heard === null || heard(ordinal) ? share : 0;
        values[ordinal] = (values[ordinal] ?? 0) * comesOut;
      }
  for (const [ordinal, value] of parked) values[ordinal] = value;
  for (const [ordinal, value] of highlit) values[ordinal] = value;
  for (const ordinal of flashing) values[ordinal] = flash;
}
