import { entryIndexAt } from "./entry.ts";
import { paletteOf } from "../show/move.ts";
import type { MoveSpec } from "../show/schema.ts";
import { EMPTY_COLUMN, NO_PALETTES, moveIndexAt } from "./column.ts";
import type { ListSheet } from "./sheet.ts";

/** A checkpoint is kept for every so many rows. */
const EVERY = 16;
/** After so many keys have changed since, the checkpoints are made anew when they are next wanted. */
const MOST_STALE = 256;

/** A whole look, by key ordinal. */
export interface LookState {
  /** NaN: unset. */
  readonly values: Float64Array;
  /** The row of the move that is in force; -1: none. */
  readonly origins: Int32Array;
  /** The place among the show's palettes of the one that the move refers to, counted from 1; 0: none. */
  readonly palettes: Int32Array;
}

/** The moves of a list row by row, one behind the other: those of row r lie from `starts[r]` up to `starts[r + 1]`. */
interface RowMoves {
  readonly starts: Int32Array;
  readonly ordinals: Int32Array;
  /** The place of each in its column. */
  readonly moves: Int32Array;
  readonly values: Float64Array;
  readonly palettes: Int32Array;
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
  return { values: new Float64Array(count), origins: new Int32Array(count), palettes: new Int32Array(count) };
}

/** Writes the look of a row into `into`, key by key: from the nearest checkpoint and at most fifteen rows behind it. */
export function stateAt(list: ListSheet, row: number, into: LookState): LookState {
  const { checkpoints, stale } = keptOf(list);
  const block = Math.floor(row / EVERY);
  const from = checkpoints.saved[block];
  if (!from) return cleared(into);
  into.values.set(from.values);
  into.origins.set(from.origins);
  into.palettes.set(from.palettes);
  for (let at = block * EVERY; at < row; at += 1) if (list.tracking[at]?.carries) layOver(list, checkpoints.rows, at, into);
  layOver(list, checkpoints.rows, row, into);
  for (const ordinal of stale) {
    const column = list.columns[ordinal] ?? EMPTY_COLUMN;
    const index = entryIndexAt(list, column, row);
    into.origins[ordinal] = index < 0 ? -1 : (column.rows[index] ?? -1);
    into.values[ordinal] = index < 0 ? Number.NaN : (column.values[index] ?? Number.NaN);
    into.palettes[ordinal] = index < 0 ? 0 : paletteNumber(list, column.specs[index]);
  }
  return into;
}

/** Visits every move that a row stores, by its key's ordinal and its place in that key's column, */
export function eachMoveAt(list: ListSheet, row: number, visit: (ordinal: number, move: number) => void): void {
  const { checkpoints, stale } = keptOf(list);
  const { starts, ordinals, moves } = checkpoints.rows;
  const end = starts[row + 1] ?? 0;
  for (let at = starts[row] ?? 0; at < end; at += 1) {
    const ordinal = ordinals[at] ?? 0;
    if (!stale.has(ordinal)) visit(ordinal, moves[at] ?? 0);
  }
  for (const ordinal of stale) {
    const index = moveIndexAt(list.columns[ordinal] ?? EMPTY_COLUMN, row);
    if (index >= 0) visit(ordinal, index);
  }
}

/** Lets the checkpoints of a list serve the next one, whose rows and palettes are the same and of whose columns only `touched` differ. */
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
    if (row % EVERY === 0) saved.push({ values: state.values.slice(), origins: state.origins.slice(), palettes: state.palettes.slice() });
    if (tracking.carries) layOver(list, rows, row, state);
  });
  return { rows, saved };
}

function cleared(state: LookState): LookState {
  state.values.fill(Number.NaN);
  state.origins.fill(-1);
  state.palettes.fill(0);
  return state;
}

function layOver(list: ListSheet, rows: RowMoves, row: number, state: LookState): void {
  if (list.tracking[row]?.wall) cleared(state);
  const end = rows.starts[row + 1] ?? 0;
  for (let at = rows.starts[row] ?? 0; at < end; at += 1) {
    const ordinal = rows.ordinals[at] ?? 0;
    state.values[ordinal] = rows.values[at] ?? Number.NaN;
    state.origins[ordinal] = row;
    state.palettes[ordinal] = rows.palettes[at] ?? 0;
  }
}

function rowMovesOf(list: ListSheet): RowMoves {
  const count = list.cues.length;
  const starts = new Int32Array(count + 1);
  for (const column of list.columns) for (const row of column.rows) starts[row + 1] = (starts[row + 1] ?? 0) + 1;
  for (let row = 0; row < count; row += 1) starts[row + 1] = (starts[row + 1] ?? 0) + (starts[row] ?? 0);
  const total = starts[count] ?? 0;
  const filled = starts.slice();
  const numbers = (): Int32Array => new Int32Array(total);
  const all = { starts, ordinals: numbers(), moves: numbers(), values: new Float64Array(total), palettes: numbers() };
  list.columns.forEach((column, ordinal) => {
    const { rows, values, specs, palettes } = column;
    for (let index = 0; index < rows.length; index += 1) {
      const row = rows[index] ?? 0;
      const at = filled[row] ?? 0;
      filled[row] = at + 1;
      all.ordinals[at] = ordinal;
      all.moves[at] = index;
      all.values[at] = values[index] ?? Number.NaN;
      const spec = palettes === NO_PALETTES ? 0 : specs[index];
      if (typeof spec === "object") all.palettes[at] = paletteNumber(list, spec);
    }
  });
  return all;
}

function paletteNumber(list: ListSheet, spec: MoveSpec | undefined): number {
  const palette = spec === undefined ? undefined : paletteOf(spec);
  return palette === undefined ? 0 : (list.palettes.numbers.get(palette) ?? 0);
}
