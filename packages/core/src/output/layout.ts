import { UNIVERSE, patchedChannels, placesOf } from "../rig/addresses.ts";
import type { Show } from "../show/schema.ts";
import { type Keys, keyAt } from "../sheet/keys.ts";

/** Where one key's level goes: which universe (by its place), an address from 0 for each byte, the coarse one first, and how its range is spread over them. */
interface Place {
  readonly key: number;
  readonly universe: number;
  readonly bytes: readonly number[];
  /** The largest number that its bytes hold. */
  readonly most: number;
  readonly min: number;
  readonly range: number;
  /** What is sent of it: less than 1 for a level that does not give all there. */
  readonly share: number;
}

/**
 * The addresses of a rig laid out for sending: made once for each rig, so that a frame only writes numbers.
 * A key of 16 bits takes two bytes, one of 24 three. Universes that nobody is patched to are not sent.
 */
export interface OutputLayout {
  /** The universes in use, rising. */
  readonly universes: readonly number[];
  readonly places: readonly Place[];
}

/**
 * Lays out a patched rig (docs/running.md, Output): a channel takes its attributes' addresses from its patch on, one behind the other or where its type says, coarse before
 * fine. What would run past 512 is left out; Check tells of it.
 * The order of the places is that of the channels. Nothing is laid out for lights without a patch.
 */
export function outputLayout(show: Pick<Show, "channels" | "fixtureTypes">, keys: Keys): OutputLayout {
  const patched = patchedChannels(show);
  const universes = [...new Set(patched.map(({ universe }) => universe))].sort((a, b) => a - b);
  const types = new Map(show.fixtureTypes.map((type) => [type.id, type]));
  const places = patched.flatMap(({ channel, universe, first, under, level }): Place[] => {
    const type = types.get(channel.type);
    return (type ? placesOf(type, under) : []).flatMap(({ attribute, offsets }): Place[] => {
      const key = keyAt(keys, channel.number, attribute.id);
      const bytes = offsets.map((offset) => first - 1 + offset);
      if (!key || bytes.some((address) => address >= UNIVERSE)) return [];
      const { min, max, family } = attribute;
      const share = family === "intensity" ? level / 100 : 1;
      return [
        { key: key.ordinal, universe: universes.indexOf(universe), bytes, most: 256 ** bytes.length - 1, min, range: max - min, share },
      ];
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
  for (const { key, universe, bytes, most, min, range, share } of places) {
    const sent = levels[universe];
    if (!sent) continue;
    const part = range > 0 ? ((values[key] ?? min) - min) / range : 0;
    let level = Math.floor(Math.min(1, Math.max(0, part)) * share * most + 0.5);
    for (let byte = bytes.length - 1; byte >= 0; byte -= 1) {
      const address = bytes[byte] ?? 0;
      if (sent[address] !== (level & 255)) {
        sent[address] = level & 255;
        changed = true;
      }
      level >>= 8;
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
  for (const { key, universe: its, bytes, most, min, range, share } of places) {
    if (its !== own || share === 0) continue;
    let level = 0;
    for (const address of bytes) level = level * 256 + (levels[address] ?? 0);
    into[key] = min + Math.min(1, level / most / share) * range;
  }
}
