import { at, floatAt, intAt } from "../show/at.ts";
import { paletteOf } from "../show/move.ts";
import type { MoveSpec } from "../show/schema.ts";
import { type Column, EMPTY_COLUMN, NO_PALETTES, moveIndexAt } from "./column.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { CarriedCache, union } from "../show/carriedCache.ts";
import type { ListSheet } from "./sheet.ts";
import { isWall, shownMove, tracksOn } from "./tracking.ts";

/** A checkpoint is kept for every so many rows. */
const EVERY = 16;
/** After so many keys have changed since, the checkpoints are made anew when they are next wanted. */
const MOST_STALE = 256;

/**
 * A whole look, by key ordinal.
 * Room for it is made once and used again for each row that is read, so that reading looks allocates nothing.
 */
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

/** What whole looks of a list are read from. */
interface Checkpoints {
  readonly rows: RowMoves;
  /** What tracks into rows 0, 16, 32 and so on, from the one before. */
  readonly saved: readonly LookState[];
}

/** Checkpoints of this list or of one before it, with the ordinals of the keys that have changed since. */
interface Kept {
  readonly checkpoints: Checkpoints;
  readonly stale: ReadonlySet<number>;
}

const cache = new CarriedCache<ListSheet, Kept, ReadonlySet<number>>({
  make: (list) => ({ checkpoints: runToEnd(checkpointsInSlices(list)), stale: new Set() }),
  renew: (_list, _base, { checkpoints, stale }, touched) => stillWorth({ checkpoints, stale: union(stale, touched) }),
  merge: union,
});

/**
 * Room for one look of a list.
 * As many places as the rig has keys, all unset.
 */
export function emptyState(list: ListSheet): LookState {
  const count = list.keys.all.length;
  return { values: new Float64Array(count), origins: new Int32Array(count), palettes: new Int32Array(count) };
}

/**
 * Writes the look of a row into `into`, key by key: from the nearest checkpoint and at most fifteen rows behind it.
 * Row -1 is before the first cue: everything is unset. Returns `into`.
 * Use it for a whole look; for one key in one row `entryAt` is cheaper.
 */
export function stateAt(list: ListSheet, row: number, into: LookState): LookState {
  const { checkpoints, stale } = cache.get(list);
  const block = Math.floor(row / EVERY);
  const from = checkpoints.saved[block];
  if (!from) return cleared(into);
  into.values.set(from.values);
  into.origins.set(from.origins);
  into.palettes.set(from.palettes);
  for (let before = block * EVERY; before < row; before += 1) if (tracksOn(list, before)) applyMoves(list, checkpoints.rows, before, into);
  applyMoves(list, checkpoints.rows, row, into);
  for (const ordinal of stale) {
    const column = list.columns[ordinal] ?? EMPTY_COLUMN;
    const index = shownMove(list, column, row);
    into.origins[ordinal] = index < 0 ? -1 : at(column.rows, index);
    into.values[ordinal] = index < 0 ? Number.NaN : at(column.values, index);
    into.palettes[ordinal] = index < 0 ? 0 : paletteNumber(list, column.specs[index]);
  }
  return into;
}

/**
 * Computes what whole looks of a list are read from, so that the first one costs no more than the next; pauses on the way.
 * Nothing is computed where it is known.
 */
export function* looksInSlices(list: ListSheet): Generator<undefined, void> {
  if (!cache.has(list)) cache.keep(list, { checkpoints: yield* checkpointsInSlices(list), stale: new Set() });
}

/**
 * Visits every move that a row stores, by its key's ordinal and its place in that key's column.
 * In no order that means anything. Nothing is visited for a row that stores no move.
 */
export function eachMoveAt(list: ListSheet, row: number, visit: (ordinal: number, move: number) => void): void {
  const { checkpoints, stale } = cache.get(list);
  const { starts, ordinals, moves } = checkpoints.rows;
  const end = intAt(starts, row + 1);
  for (let place = intAt(starts, row); place < end; place += 1) {
    const ordinal = intAt(ordinals, place);
    if (!stale.has(ordinal)) visit(ordinal, intAt(moves, place));
  }
  for (const ordinal of stale) {
    const index = moveIndexAt(list.columns[ordinal] ?? EMPTY_COLUMN, row);
    if (index >= 0) visit(ordinal, index);
  }
}

/**
 * Lets the checkpoints of a list serve the next one, whose rows and palettes are the same and of whose columns only `touched` differ.
 * `touched` holds key ordinals. Nothing is carried where no checkpoint of the list before was ever made.
 */
export function carryCheckpoints(before: ListSheet, after: ListSheet, touched: ReadonlySet<number>): void {
  cache.carry(before, after, touched);
}

/** Beyond so many changed keys reading them one by one costs more than making the checkpoints anew. */
function stillWorth(kept: Kept): Kept | undefined {
  return kept.stale.size <= MOST_STALE ? kept : undefined;
}

/** Walks the list once, row by row, and keeps what tracks into every sixteenth row; pauses at each of these. */
function* checkpointsInSlices(list: ListSheet): Generator<undefined, Checkpoints> {
  const rows = rowMovesOf(list);
  const state = cleared(emptyState(list));
  const saved: LookState[] = [];
  for (const row of list.cues.keys()) {
    if (row % EVERY === 0) {
      yield;
      saved.push({ values: state.values.slice(), origins: state.origins.slice(), palettes: state.palettes.slice() });
    }
    if (tracksOn(list, row)) applyMoves(list, rows, row, state);
  }
  return { rows, saved };
}

/** Forgets everything: the state of a look in which nothing is set. */
function cleared(state: LookState): LookState {
  state.values.fill(Number.NaN);
  state.origins.fill(-1);
  state.palettes.fill(0);
  return state;
}

/** Applies the moves of a row to what tracks into it: D(k) of docs/rules.md, Tracking for all keys at once. */
function applyMoves(list: ListSheet, rows: RowMoves, row: number, state: LookState): void {
  if (isWall(list, row)) cleared(state);
  const end = intAt(rows.starts, row + 1);
  for (let place = intAt(rows.starts, row); place < end; place += 1) {
    const ordinal = intAt(rows.ordinals, place);
    state.values[ordinal] = floatAt(rows.values, place);
    state.origins[ordinal] = row;
    state.palettes[ordinal] = intAt(rows.palettes, place);
  }
}

/** The moves of a list turned from columns into rows. */
function rowMovesOf(list: ListSheet): RowMoves {
  const starts = rowStarts(list);
  const total = intAt(starts, list.cues.length);
  const numbers = (): Int32Array => new Int32Array(total);
  const all = { starts, ordinals: numbers(), moves: numbers(), values: new Float64Array(total), palettes: numbers() };
  const filled = starts.slice();
  for (let ordinal = 0; ordinal < list.columns.length; ordinal += 1) {
    const column = list.columns[ordinal];
    if (column) fillMoves(list, column, ordinal, filled, all);
  }
  return all;
}

/** Where the moves of each row begin: the moves of each row are counted, then the counts added up. */
function rowStarts(list: ListSheet): Int32Array {
  const starts = new Int32Array(list.cues.length + 1);
  for (const { rows } of list.columns) {
    for (let index = 0; index < rows.length; index += 1) {
      const next = at(rows, index) + 1;
      starts[next] = intAt(starts, next) + 1;
    }
  }
  for (let row = 1; row < starts.length; row += 1) starts[row] = intAt(starts, row) + intAt(starts, row - 1);
  return starts;
}

/** Puts the moves of one key where their rows have come to; `filled` is how far each row is filled. */
function fillMoves(list: ListSheet, column: Column, ordinal: number, filled: Int32Array, all: RowMoves): void {
  const { rows, values, specs } = column;
  const { ordinals, moves, values: into, palettes } = all;
  for (let index = 0; index < rows.length; index += 1) {
    const row = at(rows, index);
    const place = intAt(filled, row);
    filled[row] = place + 1;
    ordinals[place] = ordinal;
    moves[place] = index;
    into[place] = at(values, index);
  }
  if (column.palettes === NO_PALETTES) return;
  for (let index = 0; index < rows.length; index += 1) {
    const spec = specs[index];
    if (typeof spec === "object") palettes[intAt(filled, at(rows, index)) - 1] = paletteNumber(list, spec);
  }
}

/** The place of a move's palette among the show's, counted from 1; 0 where it refers to none. */
function paletteNumber(list: ListSheet, spec: MoveSpec | undefined): number {
  const palette = spec === undefined ? undefined : paletteOf(spec);
  return palette === undefined ? 0 : (list.palettes.numbers.get(palette) ?? 0);
}
