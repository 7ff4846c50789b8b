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

/** Spans longer than this are filled by the machine, shorter ones quicker by a loop. */
const LONG = 32;

/** Writes what one key shows in every row, from `offset` on. */
export function fillColumn(list: ListSheet, column: Column, into: Float64Array, offset: number): void {
  const rows = list.cues.length;
  const { special, tracking } = list;
  const { rows: moveRows, values } = column;
  const moves = moveRows.length;
  let carried = Number.NaN;
  let at = 0;
  let turn = 0;
  let turnRow = special.length > 0 ? (special[0] ?? rows) : rows;
  for (let index = 0; index <= moves; index += 1) {
    const moveRow = index < moves ? (moveRows[index] ?? rows) : rows;
    while (turnRow < moveRow) {
      fillSpan(into, offset + at, offset + turnRow, carried);
      if (tracking[turnRow]?.wall) {
        into[offset + turnRow] = Number.NaN;
        if (tracking[turnRow]?.carries) carried = Number.NaN;
      } else into[offset + turnRow] = carried;
      at = turnRow + 1;
      turn += 1;
      turnRow = turn < special.length ? (special[turn] ?? rows) : rows;
    }
    fillSpan(into, offset + at, offset + moveRow, carried);
    if (index === moves) return;
    const value = values[index] ?? Number.NaN;
    into[offset + moveRow] = value;
    if (turnRow !== moveRow) carried = value;
    else {
      if (tracking[moveRow]?.carries) carried = value;
      turn += 1;
      turnRow = turn < special.length ? (special[turn] ?? rows) : rows;
    }
    at = moveRow + 1;
  }
}

function fillSpan(into: Float64Array, from: number, to: number, value: number): void {
  if (to - from > LONG) into.fill(value, from, to);
  else for (let at = from; at < to; at += 1) into[at] = value;
}

/** What one key shows in every row. NaN: unset. */
export function columnValues(list: ListSheet, ordinal: number, into?: Float64Array): Float64Array {
  const values = into ?? new Float64Array(list.cues.length);
  fillColumn(list, list.columns[ordinal] ?? EMPTY_COLUMN, values, 0);
  return values;
}
