import { type Curve, PLAIN_TIMES, type Part, type PartTimes, TIMED_FAMILIES } from "../../show/schema.ts";
import type { MoveTiming } from "../../show/move.ts";
import { sameData } from "../../show/sameData.ts";
import { TIME_COLUMNS, type TimeColumn, familyOfColumn, storedTime } from "../../time/timeColumns.ts";
import { partHeadOf } from "../steps/apply.ts";
import { patchedTimes } from "./patchedTimes.ts";
import type { Step } from "../steps/step.ts";

/**
 * A time multiplied by a factor, to the microsecond: fractions would else pile up over many edits. Seconds.
 * Both are 0 or more.
 */
export function scaledTime(seconds: number, factor: number): number {
  return Math.round(seconds * factor * 1e6) / 1e6;
}

/**
 * The times of a part multiplied by a factor; what it does not say stays unsaid.
 * Delays are scaled with the fades.
 */
export function scaledTimes(times: PartTimes, factor: number): PartTimes {
  const after: PartTimes = {};
  for (const name of PLAIN_TIMES) {
    const own = times[name];
    if (own !== undefined) after[name] = scaledTime(own, factor);
  }
  for (const family of TIMED_FAMILIES) {
    const own = times[family];
    if (own) after[family] = scaledTiming(own, factor);
  }
  return after;
}

/** The time that holds in a column: the part's own, else what it falls back on (docs/rules.md, Times). Seconds. */
function timeInColumn(times: PartTimes, column: TimeColumn): number {
  const { up = 0, upDelay = 0 } = times;
  const found = familyOfColumn(column);
  if (found) return times[found.family]?.[found.time] ?? (found.time === "fade" ? up : upDelay);
  if (column === "down") return times.down ?? up;
  return column === "downDelay" ? (times.downDelay ?? upDelay) : column === "up" ? up : upDelay;
}

/**
 * The times of a part with one column multiplied by a factor, every other time as it runs now: what fell back on a scaled time is written
 * out. A column that the part does not say is scaled from what it falls back on, where `runs` tells that something of it moves.
 */
export function scaledColumn(times: PartTimes, column: TimeColumn, factor: number, runs: (column: TimeColumn) => boolean): PartTimes {
  const write = (into: PartTimes, which: TimeColumn, value: number): PartTimes => {
    const found = familyOfColumn(which);
    return found ? patchedTimes(into, { [found.family]: { [found.time]: value } }) : patchedTimes(into, { [which]: value });
  };
  const said = (which: TimeColumn): boolean => storedTime(times, which) !== undefined;
  const held = timeInColumn(times, column);
  if (!said(column) && (held === 0 || !runs(column))) return times;
  const leaning =
    column === "up" || column === "upDelay" ? TIME_COLUMNS.filter((which) => leansOn(which, column) && !said(which) && runs(which)) : [];
  const scaled = write(times, column, scaledTime(held, factor));
  return leaning.reduce((into, which) => write(into, which, held), scaled);
}

/** True for a column that takes its time from the rising levels where it has none of its own. */
function leansOn(which: TimeColumn, column: "up" | "upDelay"): boolean {
  return which !== column && which.endsWith("Delay") === (column === "upDelay");
}

/**
 * A fade and a delay multiplied by a factor; what is not there stays away, and a curve stays as it is.
 * For a move, a pace or anything else that has both.
 */
export function scaledTiming<T extends MoveTiming>(timing: T, factor: number): T {
  return {
    ...timing,
    ...(timing.fade === undefined ? {} : { fade: scaledTime(timing.fade, factor) }),
    ...(timing.delay === undefined ? {} : { delay: scaledTime(timing.delay, factor) }),
  };
}

/**
 * The step that gives a part other times, and another curve where one is named; none where they are the same.
 * `times` is all that the part then has.
 */
export function partStep(list: string, cue: string, part: Part, times: PartTimes, curve: Curve | null = part.curve ?? null): Step[] {
  if (sameData(part.times, times) && (part.curve ?? null) === curve) return [];
  const before = partHeadOf(part);
  const { curve: _curve, ...others } = before;
  return [{ at: "part", list, cue, part: part.number, before, after: { ...others, times, ...(curve === null ? {} : { curve }) } }];
}
