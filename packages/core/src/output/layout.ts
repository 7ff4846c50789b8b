import { patchedChannels } from "../rig/addresses.ts";
import type { Show } from "../show/schema.ts";
import type { Keys } from "../sheet/keys.ts";

/** Where one key's level goes: which universe (by its place), the address from 0, and how its range is spread over its bits. */
interface Place {
  readonly key: number;
  readonly universe: number;
  readonly address: number;
  readonly bits: 8 | 16;
  readonly min: number;
  readonly range: number;
}

/**
 * The addresses of a rig laid out for sending: made once for each rig, so that a frame only writes numbers.
 * A key of 16 bits takes two places, coarse before fine. Universes that nobody is patched to are not sent.
 */
export interface OutputLayout {
  /** The universes in use, rising. */
  readonly universes: readonly number[];
  readonly places: readonly Place[];
}

/**
 * Lays out a patched rig (docs/running.md, Output): a channel takes its attributes' addresses one behind the other from its patch on, coarse before
 * fine. What would run past 512 is left out; Check tells of it.
 * The order of the places is that of the channels. Nothing is laid out for lights without a patch.
 */
export function outputLayout(show: Pick<Show, "channels" | "fixtureTypes">, keys: Keys): OutputLayout {
  const patched = patchedChannels(show);
  const universes = [...new Set(patched.map(({ universe }) => universe))].sort((a, b) => a - b);
  const places = patched.flatMap(({ channel, universe, first }): Place[] => {
    let address = first - 1;
    return [...(keys.byChannel.get(channel.number)?.values() ?? [])].flatMap(({ ordinal, attribute }): Place[] => {
      const { bits = 8, min, max } = attribute;
      const own = address;
      address += bits / 8;
      return address > 512 ? [] : [{ key: ordinal, universe: universes.indexOf(universe), address: own, bits, min, range: max - min }];
    });
  });
  return { universes, places };
}

/**
 * Empty levels for every universe of a layout, 512 bytes each; what is not patched stays 0.
 * In the order of `universes`. Made once and written over by each frame.
 */
export function emptyLevels({ universes }: OutputLayout): Uint8Array[] {
  return universes.map(() => new Uint8Array(512));
}

/**
 * Writes what every key puts out, by key ordinal, as levels: round((value - min) / (max - min) * (2^bits - 1)), halves up. True where a byte has changed.
 * Allocates nothing: it is called 40 times a second. Values outside their range stop at its ends.
 */
export function writeLevels({ places }: OutputLayout, values: Float64Array, levels: readonly Uint8Array[]): boolean {
  let changed = false;
  for (const { key, universe, address, bits, min, range } of places) {
    const bytes = levels[universe];
    if (!bytes) continue;
    const most = bits === 16 ? 65_535 : 255;
    const share = range > 0 ? ((values[key] ?? min) - min) / range : 0;
    const level = Math.floor(Math.min(1, Math.max(0, share)) * most + 0.5);
    const coarse = bits === 16 ? level >> 8 : level;
    if (bytes[address] !== coarse) {
      bytes[address] = coarse;
      changed = true;
    }
    if (bits === 16 && bytes[address + 1] !== (level & 255)) {
      bytes[address + 1] = level & 255;
      changed = true;
    }
  }
  return changed;
}

/**
 * Reads levels of one universe back into what each key is told, by key ordinal; keys of other universes are left as they are.
 * The reverse of `writeLevels`, as near as the bits allow. It is what the dummy rig reads packets with.
 */
export function readLevels({ universes, places }: OutputLayout, universe: number, levels: ArrayLike<number>, into: Float64Array): void {
  const own = universes.indexOf(universe);
  for (const { key, universe: its, address, bits, min, range } of places) {
    if (its !== own) continue;
    const coarse = levels[address] ?? 0;
    const level = bits === 16 ? coarse * 256 + (levels[address + 1] ?? 0) : coarse;
    into[key] = min + (level / (bits === 16 ? 65_535 : 255)) * range;
  }
}
