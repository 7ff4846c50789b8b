import { marksByChannel, sameMarks } from "../marks/kept.ts";
import type { Mark } from "../marks/mark.ts";
import { columnOf } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { durationOf, transitionAt } from "./transition.ts";

const kept = new WeakMap<ListSheet, Float64Array>();

/** The duration of a cue that is fired in order, kept for as long as nothing it depends on changes. Seconds. */
export function cueDuration(list: ListSheet, row: number): number {
  const known = kept.get(list) ?? new Float64Array(list.cues.length).fill(Number.NaN);
  kept.set(list, known);
  const seconds = known[row] ?? Number.NaN;
  if (!Number.isNaN(seconds)) return seconds;
  const found = durationOf(transitionAt(list, row));
  known[row] = found;
  return found;
}

/** What an edit changed of a list whose rows stayed the same. */
export interface Touched {
  /** The rows of the cues that it changed. */
  readonly rows: Iterable<number>;
  /** The keys of which it changed moves, and in which rows. */
  readonly keys: ReadonlyMap<Key, ReadonlySet<number>>;
  /** The lights whose marks may have changed. */
  readonly lights: Iterable<number>;
}

/** Lets the durations of a list serve the next one, except for the cues whose transition the edit may have changed. */
export function carryDurations(before: ListSheet, after: ListSheet, touched: Touched): void {
  const known = kept.get(before);
  if (!known) return;
  const seconds = known.slice();
  const forget = (row: number): void => void (seconds[row] = Number.NaN);
  for (const row of touched.rows) forget(row);
  const wide = wideRows(after);
  for (const [key, rows] of touched.keys) for (const row of rows) forgetThread(after, key, row, wide, forget);
  const was = marksByChannel(before);
  const is = marksByChannel(after);
  for (const channel of touched.lights) {
    if (sameMarks(was.get(channel), is.get(channel))) continue;
    for (const mark of [...(was.get(channel) ?? []), ...(is.get(channel) ?? [])]) forgetMark(mark, forget);
  }
  kept.set(after, seconds);
}

/** The rows whose transition can hold keys that they do not move: at walls, behind cues that keep their moves, and where a cue asserts. */
function wideRows(list: ListSheet): number[] {
  const rows = new Set<number>();
  for (const row of list.special) {
    rows.add(row);
    rows.add(row + 1);
  }
  list.cues.forEach((cue, row) => {
    if (cue.assert) rows.add(row);
  });
  return [...rows].sort((a, b) => a - b);
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
