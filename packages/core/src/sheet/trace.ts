import { at, floatAt, intAt } from "../show/at.ts";
import { type Column, EMPTY_COLUMN } from "./column.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";
import { TrackingWalk, valueOfMove } from "./tracking.ts";

/**
 * One key down the whole list: its value in every look and the row that put it there.
 * Costs one walk down the list; the Score draws threads and values of a key from it.
 */
export interface Trace {
  /** By row; NaN: unset. */
  readonly values: Float64Array;
  /** By row; -1: unset by nothing. */
  readonly origins: Int32Array;
}

/** Traces by column; each holds for the rows with which it was made. */
const kept = new WeakMap<Column, { tracking: ListSheet["tracking"]; trace: Trace }>();

/**
 * The trace of a key, kept for as long as its column and the rows stay the same.
 * Several views may ask for the same key: it is computed once.
 */
export function traceOf(list: ListSheet, key: Key): Trace {
  const column = list.columns[key.ordinal] ?? EMPTY_COLUMN;
  const known = kept.get(column);
  if (known && known.tracking === list.tracking) return known.trace;
  const trace = sweep(list, column);
  kept.set(column, { tracking: list.tracking, trace });
  return trace;
}

/** Reads a key down the whole list once. */
function sweep(list: ListSheet, column: Column): Trace {
  const rows = list.tracking.length;
  const values = new Float64Array(rows);
  const origins = new Int32Array(rows);
  const walk = new TrackingWalk(list, column);
  while (walk.step()) {
    values.fill(valueOfMove(column, walk.move), walk.from, walk.to);
    origins.fill(walk.move < 0 ? -1 : at(column.rows, walk.move), walk.from, walk.to);
  }
  return { values, origins };
}

/**
 * A run of rows that show one value of a key: the move's own row first, then those into which it tracks.
 * Rows, both ends included. The line that the Score draws from a move to where its value ends.
 */
export interface Thread {
  readonly from: number;
  /** The last row that shows it. */
  readonly to: number;
  /** The row of the move it comes from; before `from` where the value resumes after a cue that kept its moves to itself. */
  readonly origin: number;
  readonly value: number;
}

/**
 * The threads of a key down the list, in order; rows in which the key is unset have none.
 * A move that says the same value again begins a thread of its own.
 */
export function threadsOf(list: ListSheet, key: Key): Thread[] {
  const { values, origins } = traceOf(list, key);
  const threads: Thread[] = [];
  let from = 0;
  for (let row = 1; row <= values.length; row += 1) {
    if (row < values.length && origins[row] === origins[from]) continue;
    const value = floatAt(values, from);
    if (!Number.isNaN(value)) threads.push({ from, to: row - 1, origin: intAt(origins, from), value });
    from = row;
  }
  return threads;
}
