import { type TimesPatch, patchedTimes } from "../edit/index.ts";
import { type PartTimes, TIMED_FAMILIES } from "../show/schema.ts";
import { Fault } from "./names.ts";
import type { TypedPartTimes, TypedTime } from "./sentence.ts";

/**
 * The change that typed times make to a part's times; null forgets one, and what was not typed is absent and stays. Seconds.
 * A word and its delay become two fields; a family without any is absent.
 */
export function timesPatchOf({ up, down, ...families }: TypedPartTimes): TimesPatch {
  const patch: TimesPatch = {};
  if (up?.time !== undefined) patch.up = up.time;
  if (up?.delay !== undefined) patch.upDelay = up.delay;
  if (down?.time !== undefined) patch.down = down.time;
  if (down?.delay !== undefined) patch.downDelay = down.delay;
  for (const family of TIMED_FAMILIES) {
    const typed = families[family];
    if (typed) patch[family] = familyPatch(typed);
  }
  return patch;
}

/** A typed time and delay as a change to a family's times. */
function familyPatch({ time, delay }: TypedTime): { fade?: number | null; delay?: number | null } {
  return { ...(time === undefined ? {} : { fade: time }), ...(delay === undefined ? {} : { delay }) };
}

/**
 * The times that a record gives its part, in seconds. Throws Fault for "none": a record gives times and forgets none.
 * The message points at nothing but says which time was taken away.
 */
export function recordTimesOf(typed: TypedPartTimes): PartTimes {
  if (Object.values(typed).some(({ time, delay }) => time === null || delay === null))
    throw new Fault({ message: "A record gives times; to forget one write #12: up none", at: 0, length: "record".length });
  return patchedTimes({}, timesPatchOf(typed));
}
