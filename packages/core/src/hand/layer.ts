import type { Keys } from "../sheet/keys.ts";
import { keyNamed } from "../sheet/keys.ts";
import { type Palettes, resolve } from "../sheet/palettes.ts";
import type { Hand } from "./hand.ts";
import { onTheWayBack } from "./onTheWayBack.ts";

/**
 * What is in hand, laid out for drawing: by place among the show's keys, so that a frame costs no look-up. Made once for each Hand.
 * Everything by ordinal, so that a frame costs no look-up by name.
 */
export interface HandLayer {
  readonly held: readonly { readonly ordinal: number; readonly value: number }[];
  /** Values on their way back to the show; `at` in milliseconds of the server's clock, `fade` in seconds. */
  readonly leaving: readonly { readonly ordinal: number; readonly from: number; readonly at: number; readonly fade: number }[];
}

/**
 * Lays out what is in hand. Keys that the rig does not have, and palettes without a value for the light, are left out.
 * Kept by whoever draws, for as long as Hand and rig stay the same.
 */
export function handLayer(hand: Hand, keys: Keys, palettes: Palettes): HandLayer {
  const held = Object.entries(hand.held).flatMap(([name, { move }]) => {
    const key = keyNamed(keys, name);
    const value = key ? resolve(move, key, palettes) : Number.NaN;
    return key && !Number.isNaN(value) ? [{ ordinal: key.ordinal, value }] : [];
  });
  const taken = new Set(held.map(({ ordinal }) => ordinal));
  const leaving = Object.entries(hand.leaving).flatMap(([name, { from, at, fade }]) => {
    const ordinal = keyNamed(keys, name)?.ordinal;
    return ordinal === undefined || taken.has(ordinal) ? [] : [{ ordinal, from, at, fade }];
  });
  return { held, leaving };
}

/**
 * Lays the Hand over a frame: `values` by key ordinal hold what the running list gives, `now` is milliseconds of the server's clock.
 * Changes `values` in place and allocates nothing.
 */
export function layHandOver({ held, leaving }: HandLayer, now: number, values: Float64Array): void {
  for (const { ordinal, value } of held) values[ordinal] = value;
  for (const { ordinal, from, at, fade } of leaving) values[ordinal] = onTheWayBack(from, values[ordinal] ?? from, at, fade, now);
}
