import { at } from "../show/at.ts";
import type { MoveSpec } from "../show/schema.ts";
import { type Column, EMPTY_COLUMN } from "./column.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";
import { carriedMove, isWall, shownMove } from "./tracking.ts";

/**
 * What a list says about one key at one place: its value, and the move it comes from.
 * The origin of docs/rules.md, Tracking: an entry with a row but no value is a key that a release or a palette gap left unset.
 */
export interface Entry {
  /** NaN: the key is unset. */
  readonly value: number;
  /** The row of the move, or -1 when no move is in force. */
  readonly row: number;
  /** The move in force; it may be a release or a palette gap, and then `value` is NaN. */
  readonly spec: MoveSpec | undefined;
}

/**
 * Nothing is said about a key.
 * Shared: compare with `row` rather than by identity.
 */
export const UNSET: Entry = { value: Number.NaN, row: -1, spec: undefined };

/** How near two values are equal, in the unit of their attribute. */
const EQUAL = 1e-6;

/**
 * True when two values of a look are equal: both unset, or set and within 1e-6.
 * The tolerance of docs/rules.md, Tracking, in the attribute's own unit. The one place where values of looks are compared.
 */
export function sameValue(a: number, b: number): boolean {
  return Math.abs(a - b) <= EQUAL || (Number.isNaN(a) && Number.isNaN(b));
}

/**
 * The column of a key.
 * A column without moves where the list never touches the key.
 */
export function columnOf(list: ListSheet, key: Key): Column {
  return list.columns[key.ordinal] ?? EMPTY_COLUMN;
}

/**
 * What key shows in the look of a row, D(k) of docs/rules.md, Tracking.
 * `UNSET` where nothing is in force, and for row -1.
 */
export function entryAt(list: ListSheet, key: Key, row: number): Entry {
  const column = columnOf(list, key);
  return entryOf(column, shownMove(list, column, row));
}

/**
 * What tracks out of a row to the next, C(k) of docs/rules.md, Tracking. Row -1 carries nothing.
 * A cue that keeps its moves to itself lets pass what came before it.
 */
export function carriedAt(list: ListSheet, key: Key, row: number): Entry {
  const column = columnOf(list, key);
  return entryOf(column, carriedMove(list, column, row));
}

/**
 * What tracks into a row, B(k) of docs/rules.md, Tracking.
 * `UNSET` at a wall, in an isolated cue and in the first row.
 */
export function baseAt(list: ListSheet, key: Key, row: number): Entry {
  return isWall(list, row) ? UNSET : carriedAt(list, key, row - 1);
}

/**
 * The number that a key shows in a row; NaN: unset.
 * In the attribute's own unit; a palette has been resolved to the number of this light.
 */
export function valueAt(list: ListSheet, column: Column, row: number): number {
  const index = shownMove(list, column, row);
  return index < 0 ? Number.NaN : at(column.values, index);
}

/** The entry of a move by its place in the column; UNSET for -1. */
function entryOf(column: Column, index: number): Entry {
  const row = index < 0 ? undefined : column.rows[index];
  return row === undefined ? UNSET : { value: at(column.values, index), row, spec: column.specs[index] };
}
