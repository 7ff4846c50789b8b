import { cached } from "../show/cached.ts";
import type { Wave } from "../show/schema.ts";
import { at } from "../show/at.ts";
import { type Key, keyNamed } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";
import { trackedOut } from "./tracking.ts";

/** The wave of a key in the look of a cue, and the row that put it there; `wave` null: it was stopped there. */
export interface WaveEntry {
  readonly wave: Wave | null;
  readonly row: number;
  /** The number of the part that holds it. */
  readonly part: number;
}

/** By key that has a wave anywhere in the list: what each row shows of it; null where it shows none. Rows as in the list. */
export const wavesOf: (list: ListSheet) => ReadonlyMap<Key, readonly (WaveEntry | null)[]> = cached((list: ListSheet) => {
  const stored = storedWaves(list);
  return new Map([...stored].map(([key, own]) => [key, trackedWaves(list, key, own)]));
});

/** By key, the waves and stops that cues store for it, by row. */
function storedWaves(list: ListSheet): Map<Key, Map<number, WaveEntry>> {
  const found = new Map<Key, Map<number, WaveEntry>>();
  list.cues.forEach((cue, row) => {
    for (const part of cue.parts) {
      for (const [channel, attributes] of Object.entries(part.waves ?? {})) {
        for (const [attribute, spec] of Object.entries(attributes)) {
          const key = keyNamed(list.keys, `${channel}.${attribute}`);
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

/** Walks one key down the list: waves track as values do (section 2), but for what a cue says of waves alone (section 10 of the running rules). */
function trackedWaves(list: ListSheet, key: Key, stored: ReadonlyMap<number, WaveEntry>): (WaveEntry | null)[] {
  let carried: WaveEntry | null = null;
  return list.cues.map((cue, row) => {
    const tracking = at(list.tracking, row);
    const passes = cue.waves === "pass" && key.attribute.family !== "intensity";
    const base: WaveEntry | null = cue.waves === "stop" || (tracking.wall && !passes) ? null : carried;
    const own = stored.get(row);
    const shown = own ? (own.wave ? own : null) : base;
    carried = trackedOut<WaveEntry | null>({ ...tracking, carries: tracking.carries || passes }, carried, shown);
    return shown;
  });
}

/** True where a row itself says something of the wave of a key. */
export function storesWave(list: ListSheet, key: Key, row: number): boolean {
  return list.cues[row]?.parts.some(({ waves }) => waves?.[key.channel]?.[key.attribute.id] !== undefined) ?? false;
}

/** The part of a row that says something of the wave of a key; undefined where none does. */
export function wavePart(list: ListSheet, key: Key, row: number): number | undefined {
  return list.cues[row]?.parts.find(({ waves }) => waves?.[key.channel]?.[key.attribute.id] !== undefined)?.number;
}
