import { type Column, EMPTY_COLUMN } from "./column.ts";
import type { ListSheet } from "./sheet.ts";

/** Every value of every look of a list: those of the key with ordinal o lie from `o * rows` on, one for each row; NaN: unset. */
export interface DenseLooks {
  readonly rows: number;
  readonly values: Float64Array;
}

/** All looks of a list at once, key by key. `into` may be given to use its room again. */
export function denseLooks(list: ListSheet, into?: Float64Array): DenseLooks {
  const rows = list.cues.length;
  const values = into ?? new Float64Array(rows * list.keys.all.length);
  list.columns.forEach((column, ordinal) => {
    fillColumn(list, column, values, ordinal * rows);
  });
  return { rows, values };
}

/** Writes what one key shows in every row, from `offset` on. */
export function fillColumn(list: ListSheet, column: Column, into: Float64Array, offset: number): void {
  const rows = list.cues.length;
  const { special } = list;
  let carried = Number.NaN;
  let at = 0;
  let turn = 0;
  let index = 0;
  while (at < rows) {
    const moveRow = column.rows[index] ?? rows;
    const turnRow = special[turn] ?? rows;
    const next = Math.min(moveRow, turnRow);
    if (next > at) into.fill(carried, offset + at, offset + next);
    if (next >= rows) return;
    const tracking = list.tracking[next];
    let value = tracking?.wall ? Number.NaN : carried;
    if (moveRow === next) {
      value = column.values[index] ?? Number.NaN;
      index += 1;
    }
    if (turnRow === next) turn += 1;
    into[offset + next] = value;
    if (tracking?.carries) carried = value;
    at = next + 1;
  }
}

/** What one key shows in every row. NaN: unset. */
export function columnValues(list: ListSheet, ordinal: number, into?: Float64Array): Float64Array {
  const values = into ?? new Float64Array(list.cues.length);
  fillColumn(list, list.columns[ordinal] ?? EMPTY_COLUMN, values, 0);
  return values;
}
