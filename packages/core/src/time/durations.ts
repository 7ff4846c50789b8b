import { floatAt } from "../show/at.ts";
import { CarriedCache, union } from "../show/carriedCache.ts";
import { marksByChannel, sameMarks } from "../marks/marksByChannel.ts";
import type { Mark } from "../marks/mark.ts";
import { columnOf } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { eachRelease, eachTiming } from "./timings.ts";
import { isWide } from "./transition.ts";
import { tracksOn } from "../sheet/tracking.ts";

/**
 * What edits changed of a list whose rows stayed the same.
 * The rows themselves, their order and numbers, are as they were.
 */
export interface Touched {
  /** The rows of the cues that they changed. */
  readonly rows: ReadonlySet<number>;
  /** The keys of which they changed moves, and in which rows. */
  readonly keys: ReadonlyMap<Key, ReadonlySet<number>>;
}

/** More changed moves than this are not followed one by one; the durations are then recomputed when they are wanted. */
const MOST_MOVES = 5000;

/** The durations of a list by row, seconds; NaN: not asked for yet. */
const cache = new CarriedCache<ListSheet, Float64Array, Touched>({
  make: (list) => new Float64Array(list.cues.length).fill(Number.NaN),
  renew: renewDurations,
  merge: mergeTouched,
});

/**
 * The duration of a cue that is fired in order, kept for as long as nothing it depends on changes. Seconds.
 * The largest delay + fade of docs/rules.md, Times; 0 for a cue that does nothing.
 */
export function cueDuration(list: ListSheet, row: number): number {
  const known = cache.get(list);
  const seconds = floatAt(known, row);
  if (!Number.isNaN(seconds)) return seconds;
  // A cue is complete when the last of its keys is; what only goes on being let go counts too (docs/rules.md, Times).
  let longest = 0;
  const take = (delay: number, fade: number): void => {
    if (delay + fade > longest) longest = delay + fade;
  };
  eachTiming(list, row, (_, delay, fade) => take(delay, fade));
  eachRelease(list, row, take);
  known[row] = longest;
  return longest;
}

/**
 * Lets the durations of a list serve the next one, except for the cues whose transition the edit may have changed.
 * A changed move can also touch the cue behind it, which starts from another look, and cues behind a cue-only cue.
 */
export function carryDurations(before: ListSheet, after: ListSheet, touched: Touched): void {
  cache.carry(before, after, touched);
}

/** Two changes as one; undefined beyond so many moves. */
function mergeTouched(first: Touched, second: Touched): Touched | undefined {
  const keys = new Map(first.keys);
  for (const [key, rows] of second.keys) keys.set(key, union(keys.get(key) ?? new Set(), rows));
  const moves = [...keys.values()].reduce((sum, rows) => sum + rows.size, 0);
  return moves <= MOST_MOVES ? { rows: union(first.rows, second.rows), keys } : undefined;
}

/** Forgets the duration of every cue in which something may run differently since. */
function renewDurations(list: ListSheet, base: ListSheet, known: Float64Array, touched: Touched): Float64Array {
  const seconds = known.slice();
  const forget = (row: number): void => void (seconds[row] = Number.NaN);
  for (const row of touched.rows) forget(row);
  const wide = list.cues.flatMap((_, row) => (isWide(list, row) ? [row] : []));
  for (const [key, rows] of touched.keys) for (const row of rows) forgetThread(list, key, row, wide, forget);
  const was = marksByChannel(base);
  for (const [channel, marks] of marksByChannel(list)) {
    const before = was.get(channel);
    if (sameMarks(before, marks)) continue;
    for (const mark of [...(before ?? []), ...marks]) forgetMark(mark, forget);
  }
  return seconds;
}

/** Forgets every row in which a key can run differently because its move at `row` is another: down to the next move that tracks on. */
function forgetThread(list: ListSheet, key: Key, row: number, wide: readonly number[], forget: (row: number) => void): void {
  const column = columnOf(list, key);
  let end = list.cues.length;
  for (const at of column.rows) {
    if (at <= row) continue;
    forget(at);
    if (!tracksOn(list, at)) continue;
    end = at;
    break;
  }
  for (const at of wide) if (at > row && at <= end) forget(at);
}

/** A mark is made behind the cue named by it and takes keys out of every cue up to the call; all those may last differently. */
function forgetMark(mark: Mark, forget: (row: number) => void): void {
  if (mark.markAt === null) return;
  for (let row = mark.markAt + 1; row <= mark.calledAt; row += 1) forget(row);
}
