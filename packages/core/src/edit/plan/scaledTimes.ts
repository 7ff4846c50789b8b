import { PLAIN_TIMES, type Part, type PartTimes, TIMED_FAMILIES } from "../../show/schema.ts";
import type { MoveTiming } from "../../show/move.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../steps/apply.ts";
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
 * The step that gives a part other times; none where they are the same.
 * `times` is all that the part then has.
 */
export function partStep(list: string, cue: string, part: Part, times: PartTimes): Step[] {
  if (sameData(part.times, times)) return [];
  const before = partHeadOf(part);
  return [{ at: "part", list, cue, part: part.number, before, after: { ...before, times } }];
}
