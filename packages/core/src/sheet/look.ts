import { paletteOf } from "../show/move.ts";
import { emptyState, stateAt } from "./checkpoints.ts";
import { columnOf } from "./entry.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";

/** One value of a look as plain data. */
export interface LookValue {
  value: number;
  origin: string;
  by: "move" | "tracked";
  palette?: string;
}
/** A cue's look as plain data: only the keys that are set. */
export interface Look {
  cue: string;
  values: Record<string, Record<string, LookValue>>;
}

/** The look of a row with the origin of every value. */
export function lookAt(list: ListSheet, row: number): Look {
  const state = stateAt(list, row, emptyState(list));
  const look: Look = { cue: list.cues[row]?.number ?? "", values: {} };
  for (const [channel, keys] of list.keys.byChannel) {
    let values: Record<string, LookValue> | undefined;
    for (const key of keys.values()) {
      const value = state.values[key.ordinal] ?? Number.NaN;
      if (Number.isNaN(value)) continue;
      values ??= look.values[channel] = {};
      values[key.attribute.id] = lookValue(list, key, row, state.moves[key.ordinal] ?? -1, value);
    }
  }
  return look;
}

function lookValue(list: ListSheet, key: Key, row: number, index: number, value: number): LookValue {
  const column = columnOf(list, key);
  const from = column.rows[index] ?? row;
  const origin = list.cues[from]?.number ?? "";
  const by = from === row ? "move" : "tracked";
  const spec = column.specs[index];
  const palette = typeof spec === "object" ? paletteOf(spec) : undefined;
  return palette === undefined ? { value, origin, by } : { value, origin, by, palette };
}

/** The looks of all cues, in order. */
export function allLooks(list: ListSheet): Look[] {
  return list.cues.map((_, row) => lookAt(list, row));
}
