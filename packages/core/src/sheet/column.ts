import { at } from "../show/at.ts";
import { firstNotBelow } from "../show/search.ts";
import { paletteOf } from "../show/move.ts";
import type { MoveSpec } from "../show/schema.ts";

/**
 * All moves of one key down a list: the sorted rows that store one, with what they store. `values` are the numbers they
 * stand for, NaN where the move leaves the key unset; `palettes` are those that any of them refers to. A column is never
 * changed, only replaced.
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

/** What a column has whose moves refer to no palette. */
export const NO_PALETTES: ReadonlySet<string> = new Set();

/** A key without any move. */
export const EMPTY_COLUMN: Column = { rows: [], specs: [], parts: [], values: [], palettes: NO_PALETTES };

/** One move of a column. */
export interface ColumnMove {
  readonly spec: MoveSpec;
  readonly part: number;
  /** NaN where it leaves the key unset. */
  readonly value: number;
}

/** The column with only the moves at some places, in their order. */
export function pickMoves(column: Column, places: readonly number[]): Column {
  if (places.length === 0) return EMPTY_COLUMN;
  const picked = <T>(all: readonly T[]): T[] => places.flatMap((place) => all[place] ?? []);
  const specs = picked(column.specs);
  return { rows: picked(column.rows), specs, parts: picked(column.parts), values: picked(column.values), palettes: palettesIn(specs) };
}

/** The palettes that moves refer to. */
export function palettesIn(specs: readonly MoveSpec[]): ReadonlySet<string> {
  let found: Set<string> | undefined;
  for (const spec of specs) {
    const palette = typeof spec === "number" ? undefined : paletteOf(spec);
    if (palette !== undefined) (found ??= new Set()).add(palette);
  }
  return found ?? NO_PALETTES;
}

/** The column with the moves of some rows put in, replaced or (undefined) taken out. */
export function withMoves(column: Column, changes: readonly { readonly row: number; readonly move: ColumnMove | undefined }[]): Column {
  const rows = column.rows.slice();
  const specs = column.specs.slice();
  const parts = column.parts.slice();
  const values = column.values.slice();
  for (const { row, move } of changes) {
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

/** How many of the column's moves stand at or before a row. */
export function countThrough({ rows }: Pick<Column, "rows">, row: number): number {
  return firstNotBelow(rows.length, (place) => at(rows, place), row + 1);
}

/** The place of the move that stands exactly at a row, or -1. */
export function moveIndexAt(column: Column, row: number): number {
  const index = countThrough(column, row) - 1;
  return index >= 0 && column.rows[index] === row ? index : -1;
}
