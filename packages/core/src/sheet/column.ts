import { at } from "../show/at.ts";
import { firstNotBelow } from "../show/search.ts";
import { paletteOf } from "../show/move.ts";
import type { MoveSpec } from "../show/schema.ts";

/**
 * All moves of one key down a list: the sorted rows that store one, with what they store. `values` are the numbers they
 * stand for, NaN where the move leaves the key unset; `palettes` are those that any of them refers to. A column is never
 * changed, only replaced.
 * The moves of a list stand by keys here and by cues in the document: looks are read down a key, edits are written into a cue.
 */
export interface Column {
  /** The rows that store a move, rising. Every other list has the same length and order. */
  readonly rows: readonly number[];
  /** The moves as the document has them. */
  readonly specs: readonly MoveSpec[];
  /** The number of the part that each stands in. */
  readonly parts: readonly number[];
  /** The numbers that the moves stand for; NaN where one leaves the key unset. */
  readonly values: readonly number[];
  /** The palettes that any of them refers to, so that a palette's users are found quickly. */
  readonly palettes: ReadonlySet<string>;
}

/**
 * What a column has whose moves refer to no palette.
 * Shared, so that columns without palettes cost no set of their own.
 */
export const NO_PALETTES: ReadonlySet<string> = new Set();

/**
 * A key without any move.
 * Shared by all keys that a list never touches.
 */
export const EMPTY_COLUMN: Column = { rows: [], specs: [], parts: [], values: [], palettes: NO_PALETTES };

/**
 * One move of a column.
 * The same as one place of all the rows of a `Column` together.
 */
export interface ColumnMove {
  readonly spec: MoveSpec;
  readonly part: number;
  /** NaN where it leaves the key unset. */
  readonly value: number;
}

/**
 * The column with only the moves at some places, in their order.
 * Places count from 0 and rise. Gives a column without moves for no places at all.
 */
export function pickMoves(column: Column, places: readonly number[]): Column {
  if (places.length === 0) return EMPTY_COLUMN;
  const picked = <T>(all: readonly T[]): T[] => places.map((place) => at(all, place));
  const specs = picked(column.specs);
  return { rows: picked(column.rows), specs, parts: picked(column.parts), values: picked(column.values), palettes: palettesIn(specs) };
}

/**
 * The palettes that moves refer to.
 * Gives the shared empty set where none refers to any.
 */
export function palettesIn(specs: readonly MoveSpec[]): ReadonlySet<string> {
  let found: Set<string> | undefined;
  for (const spec of specs) {
    const palette = typeof spec === "number" ? undefined : paletteOf(spec);
    if (palette !== undefined) (found ??= new Set()).add(palette);
  }
  return found ?? NO_PALETTES;
}

/**
 * The column with the moves of some rows put in, replaced or (undefined) taken out.
 * `changes` stand in rising rows, each row once. The column that is passed in stays as it is.
 * Costs one walk over the column, however many moves change.
 */
export function withMoves(column: Column, changes: readonly { readonly row: number; readonly move: ColumnMove | undefined }[]): Column {
  const rows = column.rows.slice();
  const specs = column.specs.slice();
  const parts = column.parts.slice();
  const values = column.values.slice();
  for (const { row, move } of changes) {
    if (move && row > (rows.at(-1) ?? -1)) {
      rows.push(row);
      specs.push(move.spec);
      parts.push(move.part);
      values.push(move.value);
      continue;
    }
    const index = countThrough({ rows }, row);
    // A row that has a move already gives it up; one that has none makes room.
    const stands = rows[index - 1] === row;
    const at = stands ? index - 1 : index;
    const taken = stands ? 1 : 0;
    if (move) {
      rows.splice(at, taken, row);
      specs.splice(at, taken, move.spec);
      parts.splice(at, taken, move.part);
      values.splice(at, taken, move.value);
    } else for (const list of [rows, specs, parts, values]) list.splice(at, taken);
  }
  return rows.length > 0 ? { rows, specs, parts, values, palettes: palettesIn(specs) } : EMPTY_COLUMN;
}

/**
 * How many of the column's moves stand at or before a row.
 * 0 before the first move; found by binary search.
 */
export function countThrough({ rows }: Pick<Column, "rows">, row: number): number {
  return firstNotBelow(rows.length, (place) => at(rows, place), row + 1);
}

/**
 * The place of the move that stands exactly at a row, or -1.
 * A row that only shows a tracked value gives -1: it stores none.
 */
export function moveIndexAt(column: Column, row: number): number {
  const index = countThrough(column, row) - 1;
  return index >= 0 && column.rows[index] === row ? index : -1;
}
