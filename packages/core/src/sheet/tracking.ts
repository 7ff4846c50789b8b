import { at } from "../show/at.ts";
import { type Column, countThrough } from "./column.ts";

/** How one cue takes part in tracking (SEMANTICS section 2). */
export interface CueTracking {
  /** Nothing tracks in. */
  readonly wall: boolean;
  /** What it shows tracks on. */
  readonly carries: boolean;
}

/** How the rows of a list track, and which of them are a wall or keep their moves to themselves, rising. */
export interface TrackingRows {
  readonly tracking: readonly CueTracking[];
  readonly trackingBreaks: readonly number[];
}

/** What tracks into a cue, B(k): what the cue before lets out, or `nothing` at a wall. */
export function trackedIn<T>(cue: CueTracking, carried: T, nothing: T): T {
  return cue.wall ? nothing : carried;
}

/** What tracks out of a cue, C(k): what it shows, or what came before it where it keeps that to itself. */
export function trackedOut<T>(cue: CueTracking, carried: T, shown: T): T {
  return cue.carries ? shown : carried;
}

/**
 * One key read down a list in runs of rows that show the same move: the one walk by which looks, traces and comparisons follow
 * what tracks. A move is told by its place in the column; -1: none is in force.
 */
export class TrackingWalk {
  /** The run: from this row up to, and without, that one. */
  from: number;
  to: number;
  /** The move that the run shows. */
  move = -1;
  /** The move that tracks out of the run. */
  carried: number;
  private next: number;
  private turn: number;
  private readonly tracking: readonly CueTracking[];
  private readonly trackingBreaks: readonly number[];
  private readonly moves: readonly number[];
  /** The next row that is trackingBreaks, and the next with a move; the number of rows where there is none. */
  private turnRow: number;
  private moveRow: number;

  /** Begins before a row, with the move that tracks out of the row above it. */
  constructor({ tracking, trackingBreaks }: TrackingRows, { rows }: Column, row = 0, carried = -1) {
    this.tracking = tracking;
    this.trackingBreaks = trackingBreaks;
    this.moves = rows;
    this.from = row;
    this.to = row;
    this.carried = carried;
    this.next = row === 0 ? 0 : countThrough({ rows }, row - 1);
    this.turn = row === 0 ? 0 : countThrough({ rows: trackingBreaks }, row - 1);
    this.turnRow = trackingBreaks[this.turn] ?? tracking.length;
    this.moveRow = rows[this.next] ?? tracking.length;
  }

  /** Goes on to the next run; false behind the last row. */
  step(): boolean {
    const end = this.tracking.length;
    const row = this.to;
    this.from = row;
    if (row >= end) return false;
    const hasMove = this.moveRow === row;
    const own = hasMove ? this.next : -1;
    if (hasMove) {
      this.next += 1;
      this.moveRow = this.moves[this.next] ?? end;
    }
    if (this.turnRow === row) return this.stepAlone(row, own, end);
    if (hasMove) this.carried = own;
    this.move = this.carried;
    this.passTurns(end);
    this.to = this.moveRow < this.turnRow ? this.moveRow : this.turnRow;
    return true;
  }

  /** Passes the trackingBreaks rows that change nothing for this key: without a move of its own only a wall before which something tracks does. */
  private passTurns(end: number): void {
    while (this.turnRow < this.moveRow && (this.carried < 0 || !at(this.tracking, this.turnRow).wall)) {
      this.turn += 1;
      this.turnRow = this.trackingBreaks[this.turn] ?? end;
    }
  }

  /** A cue that is a wall or keeps its moves to itself is a run of its own. */
  private stepAlone(row: number, own: number, end: number): true {
    const cue = at(this.tracking, row);
    this.move = own >= 0 ? own : trackedIn(cue, this.carried, -1);
    this.carried = trackedOut(cue, this.carried, this.move);
    this.turn += 1;
    this.turnRow = this.trackingBreaks[this.turn] ?? end;
    this.to = row + 1;
    return true;
  }
}

/** The number that a move of a column stands for; NaN: unset, or no move at all (-1). Throws RangeError for a move that the column does not have. */
export function valueOfMove({ values }: Column, move: number): number {
  if (move < 0) return Number.NaN;
  const value = values[move];
  if (value === undefined) throw new RangeError(`The column has no move ${move}; it has ${values.length}`);
  return value;
}
