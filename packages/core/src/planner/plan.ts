import { cached } from "../show/cached.ts";
import { floatAt } from "../show/at.ts";
import type { Cue, Show } from "../show/schema.ts";
import { type KnownBy, type KnownTime, type MeasuredTimes, knownTimes } from "../script/expected.ts";
import { columnOf } from "../sheet/entry.ts";
import { intensityOf } from "../sheet/keys.ts";
import { moveIndexAt } from "../sheet/column.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import { chainClock } from "../time/chainClock.ts";
import { timingOf } from "../time/times.ts";
import { firstPart, partNumbered } from "../time/transition.ts";
import { type Mark, markedKeys } from "../marks/mark.ts";
import { marksOf } from "../marks/marks.ts";

/**
 * What is wrong with a mark: it has no time to finish, or the cue that is named for it has the light lit.
 * The codes of Check. A mark whose time nobody knows has no report.
 */
export type MarkReport = "mark-late" | "mark-lit";

/**
 * A mark with the time that it has, seconds; null where that is not known (docs/rules.md, Marks).
 * `mark.needed` is what it is held against. Live marks have neither time nor report of lateness.
 */
export interface PlannedMark {
  readonly mark: Mark;
  readonly available: number | null;
  /** How that is known; null where it is not. */
  readonly known: KnownBy | null;
  readonly report: MarkReport | null;
}

/** Two times that differ by less are the same. Seconds. */
const TIME_EPSILON = 1e-9;

/**
 * Every mark of a list with what it has and what is wrong with it, by the row of the call, then by channel.
 * The time comes from the chain where everything between follows, else from the script (docs/rules.md, Marks).
 */
export function planMarks(list: ListSheet, script: Show["script"], measured?: MeasuredTimes): PlannedMark[] {
  const timeFor = markTimes(list, script, measured);
  return marksOf(list).map((mark) => planMark(mark, timeFor));
}

/**
 * The time that a mark would have if it were made at a row of its window, and how that is known; null where nobody knows.
 * Asked for rows of the mark's dark window; the answer for any other row means nothing.
 */
export type MarkTime = (mark: Mark, row: number) => KnownTime | null;

/**
 * One mark with what it has and what is wrong with it.
 * A sum of decimals that misses by a rounding does not count as late.
 */
export function planMark(mark: Mark, timeFor: MarkTime): PlannedMark {
  const time = mark.markAt === null ? null : timeFor(mark, mark.markAt);
  const available = time?.seconds ?? null;
  return { mark, available, known: time?.by ?? null, report: reportOf(mark, available) };
}

/** What is wrong with a mark, if anything is: it names a cue in which the light is lit, or there is too little time. */
function reportOf(mark: Mark, available: number | null): MarkReport | null {
  if (mark.strayCue !== null) return "mark-lit";
  return available !== null && available < mark.needed - TIME_EPSILON ? "mark-late" : null;
}

/**
 * Tells the time that a mark would have if it were made at a row of its window: from the moment at which the light is dark and
 * that row has fired to the Go of its call; null when neither chain nor script knows.
 * Computes the clock of the list's chains once; the function that it returns may be asked many times.
 */
export function markTimes(list: ListSheet, script: Show["script"], measured?: MeasuredTimes): MarkTime {
  const { presses, offsets } = chainClock(list);
  const between = knownTimes(list, script, measured);
  const darkAfter = (mark: Mark, row: number): number => {
    const first = mark.window?.first ?? row;
    if (first === 0) return 0;
    const pressed = (presses[row] ?? row) > first;
    return pressed ? 0 : fadeOutTime(list, mark.channel, first) - (floatAt(offsets, row) - floatAt(offsets, first));
  };
  return (mark, row) => {
    const whole = between(row, mark.calledAt);
    return whole && { seconds: whole.seconds - Math.max(0, darkAfter(mark, row)), by: whole.by };
  };
}

/** By cue and light; what a fade-out takes depends on nothing outside the cue that makes it. */
const fadeOuts = cached((_cue: Cue) => new Map<number, number>());

/**
 * How long after its Go a cue that takes a light out has it dark: the delay and fade of its intensity. Seconds.
 * As a level that falls is timed in that cue, whatever level it falls from; 0 for a light without a level.
 */
export function fadeOutTime(list: ListSheet, channel: number, row: number): number {
  const cue = cueAt(list, row);
  const known = fadeOuts(cue);
  const seconds = known.get(channel) ?? findFadeOut(list, cue, channel, row);
  known.set(channel, seconds);
  return seconds;
}

/** How long a light takes to go dark in a row. Seconds. */
function findFadeOut(list: ListSheet, cue: Cue, channel: number, row: number): number {
  const key = intensityOf(list.keys, channel);
  if (!key) return 0;
  const column = columnOf(list, key);
  const index = moveIndexAt(column, row);
  const part = index < 0 ? firstPart(cue) : partNumbered(cue, column.parts[index] ?? 1);
  const { delay, fade } = timingOf(key.attribute, column.specs[index], part, key.attribute.max, 0);
  return delay + fade;
}

/**
 * One mark as plain data (FORMAT, `marks`).
 * Cues by their numbers, values in the attribute's own unit, times in seconds.
 */
export interface ReportedMark {
  channel: number;
  calledAt: string;
  window: [string, string] | null;
  markAt: string | null;
  keys: Record<string, { from: number; to: number; fade: number }>;
  needed: number;
  available: number | null;
  report: MarkReport | null;
}

/**
 * All marks of a list as plain data, by cue, then by channel.
 * As `marks` of the headless commands prints them.
 */
export function reportMarks(list: ListSheet, script: Show["script"]): ReportedMark[] {
  const number = (row: number): string => cueAt(list, row).number;
  return planMarks(list, script).map(({ mark, available, report }) => ({
    channel: mark.channel,
    calledAt: number(mark.calledAt),
    window: mark.window && [number(mark.window.first), number(mark.window.last)],
    markAt: mark.markAt === null ? null : number(mark.markAt),
    keys: Object.fromEntries(markedKeys(list, mark).map(({ key, from, to, fade }) => [key.attribute.id, { from, to, fade }])),
    needed: mark.needed,
    available,
    report,
  }));
}
