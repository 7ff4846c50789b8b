import { type Column, EMPTY_COLUMN } from "./column.ts";
import type { ListSheet } from "./sheet.ts";
import { TrackingWalk, valueOfMove } from "./tracking.ts";

/**
 * Every value of every look of a list: those of the key with ordinal o lie from `o * rows` on, one for each row; NaN: unset.
 * For a caller that needs every value of a list, such as the Score's picture; one key of a large list is a run of neighbours.
 */
export interface DenseLooks {
  readonly rows: number;
  readonly values: Float64Array;
}

/**
 * All looks of a list at once, key by key. `into` may be given to use its room again.
 * A large list has some 2 million values: ask for them in a worker, not for each keystroke.
 * `into` must have a place for every key of every row.
 */
export function denseLooks(list: ListSheet, into?: Float64Array): DenseLooks {
  const rows = list.cues.length;
  const values = into ?? new Float64Array(rows * list.keys.all.length);
  list.columns.forEach((column, ordinal) => {
    fillColumn(list, column, values, ordinal * rows);
  });
  return { rows, values };
}

/**
 * Writes what one key shows in every row, from `offset` on.
 * Writes as many numbers as the list has rows; the rest of `into` is left as it is.
 */
export function fillColumn(list: ListSheet, column: Column, into: Float64Array, offset: number): void {
  const walk = new TrackingWalk(list, column);
  while (walk.step()) fillSpan(into, offset + walk.from, offset + walk.to, valueOfMove(column, walk.move));
}

/** Spans longer than this are filled by the machine, shorter ones quicker by a loop. */
const LONG = 32;

/** Writes one value into a run of places. */
function fillSpan(into: Float64Array, from: number, to: number, value: number): void {
  if (to - from > LONG) into.fill(value, from, to);
  else for (let row = from; row < to; row += 1) into[row] = value;
}

/**
 * What one key shows in every row. NaN: unset.
 * One number for each row of the list. `into` may be given to use its room again.
 */
export function columnValues(list: ListSheet, ordinal: number, into?: Float64Array): Float64Array {
  const values = into ?? new Float64Array(list.cues.length);
  fillColumn(list, list.columns[ordinal] ?? EMPTY_COLUMN, values, 0);
  return values;
}
