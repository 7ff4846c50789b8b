import { floatAt } from "../show/at.ts";
import { marksByChannel, sameMarks } from "../marks/kept.ts";
import type { Mark } from "../marks/mark.ts";
import { columnOf } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { eachRelease, eachTiming } from "./timings.ts";
import { isWide } from "./transition.ts";

const kept = new WeakMap<ListSheet, Float64Array>();
/** Lists whose durations are not worked out yet, but that differ from one whose durations are in a few cues only. */
const waiting = new WeakMap<ListSheet, Waiting>();

/** What edits changed of a list whose rows stayed the same. */
export interface Touched {
  /** The rows of the cues that they changed. */
  readonly rows: ReadonlySet<number>;
  /** The keys of which they changed moves, and in which rows. */
  readonly keys: ReadonlyMap<Key, ReadonlySet<number>>;
}

interface Waiting extends Touched {
  readonly base: ListSheet;
}

/** More changed moves than this are not followed one by one; the durations are then worked out anew when they are wanted. */
const MOST_MOVES = 5000;

/** The duration of a cue that is fired in order, kept for as long as nothing it depends on changes. Seconds. */
export function cueDuration(list: ListSheet, row: number): number {
  const known = kept.get(list) ?? carried(list) ?? new Float64Array(list.cues.length).fill(Number.NaN);
  kept.set(list, known);
  waiting.delete(list);
  const seconds = floatAt(known, row);
  if (!Number.isNaN(seconds)) return seconds;
  let longest = 0;
  const take = (delay: number, fade: number): void => {
    if (delay + fade > longest) longest = delay + fade;
  };
  eachTiming(list, row, (_, delay, fade) => take(delay, fade));
  eachRelease(list, row, take);
  known[row] = longest;
  return longest;
}

/** Lets the durations of a list serve the next one, except for the cues whose transition the edit may have changed. */
export function carryDurations(before: ListSheet, after: ListSheet, touched: Touched): void {
  if (kept.has(before)) {
    waiting.set(after, { base: before, ...touched });
    return;
  }
  const older = waiting.get(before);
  if (!older) return;
  const keys = new Map(older.keys);
  for (const [key, rows] of touched.keys) keys.set(key, new Set([...(keys.get(key) ?? []), ...rows]));
  const moves = [...keys.values()].reduce((sum, rows) => sum + rows.size, 0);
  if (moves <= MOST_MOVES) waiting.set(after, { base: older.base, rows: new Set([...older.rows, ...touched.rows]), keys });
}

function carried(list: ListSheet): Float64Array | undefined {
  const wait = waiting.get(list);
  const seconds = wait && kept.get(wait.base)?.slice();
  if (!seconds) return undefined;
  const forget = (row: number): void => void (seconds[row] = Number.NaN);
  for (const row of wait.rows) forget(row);
  const wide = list.cues.flatMap((_, row) => (isWide(list, row) ? [row] : []));
  for (const [key, rows] of wait.keys) for (const row of rows) forgetThread(list, key, row, wide, forget);
  const was = marksByChannel(wait.base);
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
    if (!list.tracking[at]?.carries) continue;
    end = at;
    break;
  }
  for (const at of wide) if (at > row && at <= end) forget(at);
}

function forgetMark(mark: Mark, forget: (row: number) => void): void {
  if (mark.markAt === null) return;
  for (let row = mark.markAt + 1; row <= mark.calledAt; row += 1) forget(row);
}
