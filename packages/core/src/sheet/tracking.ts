import { at } from "../show/at.ts";
import type { Cue } from "../show/schema.ts";
import { type Column, countThrough } from "./column.ts";

/**
 * How one cue takes part in tracking (docs/rules.md, Tracking).
 * A blocked cue is a wall and carries; a cue-only cue is none and does not; an isolated cue is a wall and does not.
 */
export interface CueTracking {
  /** Nothing tracks in. */
  readonly wall: boolean;
  /** What it shows tracks on. */
  readonly carries: boolean;
}

/**
 * How the rows of a list track.
 * All that the tracking rule needs to know of a list. Built once for each state of its cues.
 */
export interface TrackingRows {
  readonly tracking: readonly CueTracking[];
  /** The rows that are a wall or keep their moves to themselves, rising. */
  readonly trackingBreaks: readonly number[];
  /** By row: the last row up to it that stops what tracks through it, or -1. */
  readonly lastWall: readonly number[];
}

/**
 * How the cues of a list track, in their order (docs/rules.md, Tracking).
 * The tables have a place for each cue.
 */
export function trackingOf(cues: readonly Pick<Cue, "block" | "carries">[]): TrackingRows {
  const tracking = cues.map(({ block, carries = "track" }) => ({
    wall: block === true || carries === "isolated",
    carries: carries === "track",
  }));
  let wall = -1;
  const lastWall = tracking.map((cue, row) => {
    if (stopsTracking(cue)) wall = row;
    return wall;
  });
  return { tracking, lastWall, trackingBreaks: tracking.flatMap((cue, row) => (cue.wall || !cue.carries ? [row] : [])) };
}

/**
 * True where nothing tracks into a row; false for a row that is not there.
 * Blocked and isolated cues (docs/rules.md, Tracking).
 */
export function isWall({ tracking }: Pick<TrackingRows, "tracking">, row: number): boolean {
  return tracking[row]?.wall ?? false;
}

/**
 * True where what a row shows tracks on; false where it keeps its moves to itself, and for a row that is not there.
 * False for cue-only and isolated cues (docs/rules.md, Tracking).
 */
export function tracksOn({ tracking }: Pick<TrackingRows, "tracking">, row: number): boolean {
  return tracking[row]?.carries ?? false;
}

/**
 * True for a cue through which nothing tracks: a wall that lets out what it shows. An isolated cue lets pass it by what came before.
 * The last of them above a row is as far up as one has to look for what tracks into it.
 */
export function stopsTracking(cue: CueTracking): boolean {
  return cue.wall && cue.carries;
}

/**
 * True when two cues take part in tracking in the same way.
 * Undefined stands for a row that is not there, and equals itself alone.
 */
export function sameTracking(a: CueTracking | undefined, b: CueTracking | undefined): boolean {
  return a?.wall === b?.wall && a?.carries === b?.carries;
}

/**
 * The place in its column of the move that a row shows, D(k); -1: none is in force. The rule read upward from one row, for those
 * who want one value and not a whole column.
 * Found by binary search from the row upward; the cost does not depend on how long the list is.
 */
export function shownMove(rows: TrackingRows, column: Column, row: number): number {
  const index = countThrough(column, row) - 1;
  if (index < 0 || column.rows[index] === row) return index;
  return isWall(rows, row) ? -1 : carriedFrom(rows, column, index, row - 1);
}

/**
 * The place in its column of the move that tracks out of a row to the next, C(k); -1: none. Row -1 carries nothing.
 * As `shownMove`, looked at behind the row.
 */
export function carriedMove(rows: TrackingRows, column: Column, row: number): number {
  return carriedFrom(rows, column, countThrough(column, row) - 1, row);
}

/** The nearest move from `from` upward that tracks on, if no wall stands between it and the row. */
function carriedFrom(rows: TrackingRows, column: Column, from: number, row: number): number {
  if (from < 0 || row < 0) return -1;
  const wall = at(rows.lastWall, row);
  for (let index = from; index >= 0; index -= 1) {
    const place = at(column.rows, index);
    if (place < wall) return -1;
    if (tracksOn(rows, place)) return index;
  }
  return -1;
}

/**
 * What tracks into a cue, B(k): what the cue before lets out, or `nothing` at a wall.
 * Works for moves, waves and whatever else tracks: `T` is what a row shows of one key.
 */
export function trackedIn<T>(cue: CueTracking, carried: T, nothing: T): T {
  return cue.wall ? nothing : carried;
}

/**
 * What tracks out of a cue, C(k): what it shows, or what came before it where it keeps that to itself.
 * Works for moves, waves and whatever else tracks: `T` is what a row shows of one key.
 */
export function trackedOut<T>(cue: CueTracking, carried: T, shown: T): T {
  return cue.carries ? shown : carried;
}

/**
 * One key read down a list in runs of rows that show the same move: the one walk by which looks, traces and comparisons follow
 * what tracks. A move is told by its place in the column; -1: none is in force.
 * Reads the rule of docs/rules.md, Tracking once for all its readers. Runs come in rising rows and touch each other.
 */
export class TrackingWalk {
  /** The run: from this row up to, and without, that one. */
  from: number;
  to: number;
  /** The move that the run shows. */
  move = -1;
  /** The move that tracks out of the run. */
  carried: number;
  /** The place in the column of the next move. */
  private next: number;
  /** The place among the rows that break tracking of the next of them. */
  private nextBreak: number;
  private readonly tracking: readonly CueTracking[];
  private readonly trackingBreaks: readonly number[];
  /** The rows of the column's moves. */
  private readonly moves: readonly number[];
  /** The next row that breaks tracking, and the next with a move; the number of rows where there is none. */
  private breakRow: number;
  private moveRow: number;

  /** Begins before a row, with the move that tracks out of the row above it. */
  constructor({ tracking, trackingBreaks }: Pick<TrackingRows, "tracking" | "trackingBreaks">, { rows }: Column, row = 0, carried = -1) {
    this.tracking = tracking;
    this.trackingBreaks = trackingBreaks;
    this.moves = rows;
    this.from = row;
    this.to = row;
    this.carried = carried;
    this.next = row === 0 ? 0 : countThrough({ rows }, row - 1);
    this.nextBreak = row === 0 ? 0 : countThrough({ rows: trackingBreaks }, row - 1);
    this.breakRow = trackingBreaks[this.nextBreak] ?? tracking.length;
    this.moveRow = rows[this.next] ?? tracking.length;
  }

  /** Goes on to the next run; false behind the last row. */
  step(): boolean {
    const end = this.tracking.length;
    const row = this.to;
    this.from = row;
    if (row >= end) return false;
    // A row that breaks tracking is a run of its own; any other move starts a run that lasts to the next event.
    const hasMove = this.moveRow === row;
    const own = hasMove ? this.next : -1;
    if (hasMove) {
      this.next += 1;
      this.moveRow = this.moves[this.next] ?? end;
    }
    if (this.breakRow === row) return this.stepAlone(row, own, end);
    if (hasMove) this.carried = own;
    this.move = this.carried;
    this.passBreaks(end);
    this.to = this.moveRow < this.breakRow ? this.moveRow : this.breakRow;
    return true;
  }

  /** Passes the rows that break tracking but change nothing for this key: without a move of its own only a wall before which something tracks does. */
  private passBreaks(end: number): void {
    while (this.breakRow < this.moveRow && (this.carried < 0 || !at(this.tracking, this.breakRow).wall)) {
      this.nextBreak += 1;
      this.breakRow = this.trackingBreaks[this.nextBreak] ?? end;
    }
  }

  /** A cue that is a wall or keeps its moves to itself is a run of its own. */
  private stepAlone(row: number, own: number, end: number): true {
    const cue = at(this.tracking, row);
    this.move = own >= 0 ? own : trackedIn(cue, this.carried, -1);
    this.carried = trackedOut(cue, this.carried, this.move);
    this.nextBreak += 1;
    this.breakRow = this.trackingBreaks[this.nextBreak] ?? end;
    this.to = row + 1;
    return true;
  }
}

/**
 * The number that a move of a column stands for; NaN: unset, or no move at all (-1). Throws RangeError for a move that the column does not
 * have.
 * In the attribute's own unit, palettes resolved.
 */
export function valueOfMove({ values }: Column, move: number): number {
  if (move < 0) return Number.NaN;
  const value = values[move];
  if (value === undefined) throw new RangeError(`The column has no move ${move}; it has ${values.length}`);
  return value;
}
