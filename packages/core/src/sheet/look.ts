import { paletteOf } from "../show/move.ts";
import type { MoveSpec } from "../show/schema.ts";
import { type Column, EMPTY_COLUMN, countThrough } from "./column.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";

/** What a list says about one key at one place: its value, and the move it comes from. */
export interface Entry {
  /** NaN: the key is unset. */
  readonly value: number;
  /** The row of the move, or -1 when no move is in force. */
  readonly row: number;
  /** The move in force; it may be a release or a palette gap, and then `value` is NaN. */
  readonly spec: MoveSpec | undefined;
}

/** Nothing is said about a key. */
export const UNSET: Entry = { value: Number.NaN, row: -1, spec: undefined };

const EQUAL = 1e-6;

/** True when two values of a look are equal: both unset, or set and within 1e-6. */
export function sameValue(a: number, b: number): boolean {
  return Math.abs(a - b) <= EQUAL || (Number.isNaN(a) && Number.isNaN(b));
}

/** The column of a key. */
export function columnOf(list: ListSheet, key: Key): Column {
  return list.columns[key.ordinal] ?? EMPTY_COLUMN;
}

/** What key shows in the look of a row, D(k) of SEMANTICS section 2. */
export function entryAt(list: ListSheet, key: Key, row: number): Entry {
  const column = columnOf(list, key);
  const index = countThrough(column, row) - 1;
  if (column.rows[index] === row) return entryOf(column, index);
  return list.tracking[row]?.wall ? UNSET : carriedFrom(list, column, index, row - 1);
}

/** What tracks out of a row to the next, C(k) of SEMANTICS section 2. Row -1 carries nothing. */
export function carriedAt(list: ListSheet, key: Key, row: number): Entry {
  const column = columnOf(list, key);
  return carriedFrom(list, column, countThrough(column, row) - 1, row);
}

/** What tracks into a row, B(k) of SEMANTICS section 2. */
export function baseAt(list: ListSheet, key: Key, row: number): Entry {
  return list.tracking[row]?.wall ? UNSET : carriedAt(list, key, row - 1);
}

function carriedFrom(list: ListSheet, column: Column, from: number, row: number): Entry {
  const wall = list.lastWall[row] ?? -1;
  for (let index = from; index >= 0; index -= 1) {
    const at = column.rows[index] ?? -1;
    if (at < wall) return UNSET;
    if (list.tracking[at]?.carries) return entryOf(column, index);
  }
  return UNSET;
}

function entryOf(column: Column, index: number): Entry {
  return { value: column.values[index] ?? Number.NaN, row: column.rows[index] ?? -1, spec: column.specs[index] };
}

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
  const look: Look = { cue: list.cues[row]?.number ?? "", values: {} };
  for (const key of list.keys.all) {
    const entry = entryAt(list, key, row);
    if (Number.isNaN(entry.value) || entry.spec === undefined) continue;
    const palette = paletteOf(entry.spec);
    const values = (look.values[key.channel] ??= {});
    values[key.attribute.id] = {
      value: entry.value,
      origin: list.cues[entry.row]?.number ?? "",
      by: entry.row === row ? "move" : "tracked",
      ...(palette === undefined ? {} : { palette }),
    };
  }
  return look;
}

/** The looks of all cues, in order. */
export function allLooks(list: ListSheet): Look[] {
  return list.cues.map((_, row) => lookAt(list, row));
}
