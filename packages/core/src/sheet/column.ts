import type { MoveSpec } from "../show/schema.ts";

/**
 * All moves of one key down a list: the sorted rows that store one, with what they store. `values` are the numbers they
 * stand for, NaN where the move leaves the key unset. A column is never changed, only replaced.
 */
export interface Column {
  readonly rows: readonly number[];
  readonly specs: readonly MoveSpec[];
  readonly parts: readonly number[];
  readonly values: readonly number[];
}

/** A key without any move. */
export const EMPTY_COLUMN: Column = { rows: [], specs: [], parts: [], values: [] };

/** How many of the column's moves stand at or before a row. */
export function countThrough(column: Column, row: number): number {
  let low = 0;
  let high = column.rows.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if ((column.rows[middle] ?? 0) <= row) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The place of the move that stands exactly at a row, or -1. */
export function moveIndexAt(column: Column, row: number): number {
  const index = countThrough(column, row) - 1;
  return column.rows[index] === row ? index : -1;
}
