import { keyName } from "../show/keyName.ts";
import { cached } from "../show/cached.ts";
import type { Cue, Wave } from "../show/schema.ts";
import { at } from "../show/at.ts";
import { type Key, keyNamed } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";
import { trackedOut } from "./tracking.ts";

/**
 * What of a list waves are read from; a list that is only planned has no more than this.
 * A list that is being edited has no columns yet, and waves are not read from them.
 */
export type WaveRows = Pick<ListSheet, "cues" | "tracking" | "keys">;

/**
 * The wave of a key in the look of a cue, and the row that put it there; `wave` null: it was stopped there.
 * Rows count from 0. A stop is an entry too: it tracks on and ends what ran before.
 */
export interface WaveEntry {
  readonly wave: Wave | null;
  readonly row: number;
  /** The number of the part that holds it. */
  readonly part: number;
}

/**
 * By key that has a wave anywhere in the list: what each row shows of it; null where it shows none. Rows as in the list.
 * Keys without any wave are not in the map, so shows without waves pay nothing.
 */
export const wavesOf: (list: WaveRows) => ReadonlyMap<Key, readonly (WaveEntry | null)[]> = cached((list: WaveRows) => {
  const stored = storedWaves(list);
  return new Map([...stored].map(([key, own]) => [key, trackedWaves(list, key, (row) => own.get(row))]));
});

/** By key, the waves and stops that cues store for it, by row. */
function storedWaves(list: WaveRows): Map<Key, Map<number, WaveEntry>> {
  const found = new Map<Key, Map<number, WaveEntry>>();
  list.cues.forEach((cue, row) => {
    for (const part of cue.parts) {
      for (const [channel, attributes] of Object.entries(part.waves ?? {})) {
        for (const [attribute, spec] of Object.entries(attributes)) {
          const key = keyNamed(list.keys, keyName(channel, attribute));
          if (!key) continue;
          const own = found.get(key) ?? new Map<number, WaveEntry>();
          own.set(row, { wave: "stop" in spec ? null : spec, row, part: part.number });
          found.set(key, own);
        }
      }
    }
  });
  return found;
}

/**
 * Walks one key down the list: waves track as values do (docs/rules.md, Tracking), but for what a cue says of waves alone (docs/running.md, Waves).
 * `ownAt` gives what a row says itself, and is shown what tracks into it.
 * `ownAt` gives undefined where the row says nothing itself. One entry for each row of the list.
 */
export function trackedWaves(
  list: WaveRows,
  key: Key,
  ownAt: (row: number, base: WaveEntry | null) => WaveEntry | undefined,
): (WaveEntry | null)[] {
  let carried: WaveEntry | null = null;
  return list.cues.map((cue, row) => {
    const tracking = at(list.tracking, row);
    const passes = cue.waves === "pass" && key.attribute.family !== "intensity";
    if (cue.waves === "stop") carried = null;
    const base: WaveEntry | null = tracking.wall && !passes ? null : carried;
    const own = ownAt(row, base);
    const shown = own ? (own.wave ? own : null) : base;
    carried = trackedOut(tracking, carried, shown);
    return shown;
  });
}

/**
 * True where a row itself says something of the wave of a key.
 * False for a row that only shows a wave which tracks.
 */
export function storesWave(list: WaveRows, key: Key, row: number): boolean {
  return wavePart(list.cues[row], key) !== undefined;
}

/**
 * The part of a cue that says something of the wave of a key; undefined where none does, and for a cue that is not there.
 * The number of the part, counted from 1.
 */
export function wavePart(cue: Cue | undefined, key: Key): number | undefined {
  return cue?.parts.find(({ waves }) => waves?.[key.channel]?.[key.attribute.id] !== undefined)?.number;
}
