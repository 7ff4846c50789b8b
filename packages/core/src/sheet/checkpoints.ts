import { entryIndexAt } from "./entry.ts";
import { EMPTY_COLUMN } from "./column.ts";
import type { ListSheet } from "./sheet.ts";

/** A checkpoint is kept for every so many rows. */
const EVERY = 16;
/** After so many keys have changed since, the checkpoints are made anew when they are next wanted. */
const MOST_STALE = 256;

/** A whole look, by key ordinal. */
export interface LookState {
  /** NaN: unset. */
  readonly values: Float64Array;
  /** The place in its column of the move that is in force; -1: none. */
  readonly moves: Int32Array;
}

/** The moves of a list row by row, one behind the other: those of row r lie from `starts[r]` up to `starts[r + 1]`. */
interface RowMoves {
  readonly starts: Int32Array;
  readonly ordinals: Int32Array;
  readonly moves: Int32Array;
  readonly values: Float64Array;
}

interface Checkpoints {
  readonly rows: RowMoves;
  /** What tracks into rows 0, 16, 32 and so on, from the one before. */
  readonly saved: readonly LookState[];
}

/** Checkpoints of this list or of one before it, with the keys that have changed since. */
interface Kept {
  readonly checkpoints: Checkpoints;
  readonly stale: ReadonlySet<number>;
}

const kept = new WeakMap<ListSheet, Kept>();

/** Room for one look of a list. */
export function emptyState(list: ListSheet): LookState {
  const count = list.keys.all.length;
  return { values: new Float64Array(count), moves: new Int32Array(count) };
}

/** Writes the look of a row into `into`, key by key: from the nearest checkpoint and at most fifteen rows behind it. */
export function stateAt(list: ListSheet, row: number, into: LookState): LookState {
  const { checkpoints, stale } = keptOf(list);
  const block = Math.floor(row / EVERY);
  const from = checkpoints.saved[block];
  if (!from) return cleared(into);
  into.values.set(from.values);
  into.moves.set(from.moves);
  for (let at = block * EVERY; at < row; at += 1) if (list.tracking[at]?.carries) layOver(list, checkpoints.rows, at, into);
  layOver(list, checkpoints.rows, row, into);
  for (const ordinal of stale) {
    const column = list.columns[ordinal] ?? EMPTY_COLUMN;
    const index = entryIndexAt(list, column, row);
    into.moves[ordinal] = index;
    into.values[ordinal] = column.values[index] ?? Number.NaN;
  }
  return into;
}

/** Lets the checkpoints of a list serve the next one, whose rows are the same and of whose columns only `touched` differ. */
export function carryCheckpoints(before: ListSheet, after: ListSheet, touched: ReadonlySet<number>): void {
  const known = kept.get(before);
  if (!known) return;
  const stale = new Set([...known.stale, ...touched]);
  if (stale.size <= MOST_STALE) kept.set(after, { checkpoints: known.checkpoints, stale });
}

function keptOf(list: ListSheet): Kept {
  const known = kept.get(list) ?? { checkpoints: checkpointsOf(list), stale: new Set() };
  kept.set(list, known);
  return known;
}

function checkpointsOf(list: ListSheet): Checkpoints {
  const rows = rowMovesOf(list);
  const state = cleared(emptyState(list));
  const saved: LookState[] = [];
  list.tracking.forEach((tracking, row) => {
    if (row % EVERY === 0) saved.push({ values: state.values.slice(), moves: state.moves.slice() });
    if (tracking.carries) layOver(list, rows, row, state);
  });
  return { rows, saved };
}

function cleared(state: LookState): LookState {
  state.values.fill(Number.NaN);
  state.moves.fill(-1);
  return state;
}

function layOver(list: ListSheet, rows: RowMoves, row: number, state: LookState): void {
  if (list.tracking[row]?.wall) cleared(state);
  const end = rows.starts[row + 1] ?? 0;
  for (let at = rows.starts[row] ?? 0; at < end; at += 1) {
    const ordinal = rows.ordinals[at] ?? 0;
    state.values[ordinal] = rows.values[at] ?? Number.NaN;
    state.moves[ordinal] = rows.moves[at] ?? -1;
  }
}

function rowMovesOf(list: ListSheet): RowMoves {
  const count = list.cues.length;
  const starts = new Int32Array(count + 1);
  for (const column of list.columns) for (const row of column.rows) starts[row + 1] = (starts[row + 1] ?? 0) + 1;
  for (let row = 0; row < count; row += 1) starts[row + 1] = (starts[row + 1] ?? 0) + (starts[row] ?? 0);
  const total = starts[count] ?? 0;
  const filled = starts.slice();
  const all = { starts, ordinals: new Int32Array(total), moves: new Int32Array(total), values: new Float64Array(total) };
  list.columns.forEach((column, ordinal) => {
    column.rows.forEach((row, index) => {
      const at = filled[row] ?? 0;
      filled[row] = at + 1;
      all.ordinals[at] = ordinal;
      all.moves[at] = index;
      all.values[at] = column.values[index] ?? Number.NaN;
    });
  });
  return all;
}
