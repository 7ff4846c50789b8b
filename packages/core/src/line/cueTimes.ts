import { type TimesPatch, patchedTimes } from "../edit/index.ts";
import type { TimeColumn } from "../time/timeColumns.ts";
import { type Curve, type PartTimes, TIMED_FAMILIES } from "../show/schema.ts";
import { Fault, curveNamed } from "./names.ts";
import type { TypedColumn, TypedPartTimes, TypedTime } from "./sentence.ts";

/**
 * The change that typed times make to a part's times; null forgets one, and what was not typed is absent and stays. Seconds.
 * A word and its delay become two fields; a family without any is absent.
 */
export function timesPatchOf({ up, down, curve: _curve, ...families }: TypedPartTimes): TimesPatch {
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
function familyPatch({ time, delay, curve }: TypedTime): NonNullable<TimesPatch["position"]> {
  return {
    ...(time === undefined ? {} : { fade: time }),
    ...(delay === undefined ? {} : { delay }),
    ...(curve === undefined ? {} : { curve: curve && curveNamed(curve) }),
  };
}

/** What times and a curve as typed set of parts: fields of the edit that sets times. Throws Fault for a curve that there is not. */
export function setTimesOf(typed: TypedPartTimes): { set?: TimesPatch; curve?: Curve | null } {
  const set = timesPatchOf(typed);
  const { curve } = typed;
  return {
    ...(Object.keys(set).length > 0 ? { set } : {}),
    ...(curve === undefined ? {} : { curve: curve && curveNamed(curve) }),
  };
}

/** What new cues start with, as typed: times, and a curve where one is said. Throws Fault. */
export function startOf(typed: TypedPartTimes): { times: PartTimes; curve?: Curve } {
  const times = recordTimesOf(typed);
  return { times, ...(typed.curve ? { curve: curveNamed(typed.curve) } : {}) };
}

/** A typed column of times as an edit names it. */
export function columnOf({ of, delay }: TypedColumn): TimeColumn {
  return delay ? `${of}Delay` : of;
}

/**
 * The times that a record gives its part, in seconds. Throws Fault for "none": a record gives times and forgets none.
 * The message points at nothing but says which time was taken away.
 */
export function recordTimesOf(typed: TypedPartTimes): PartTimes {
  const { curve: own, ...times } = typed;
  if (own === null || Object.values(times).some(({ time, delay, curve }) => time === null || delay === null || curve === null))
    throw new Fault({ message: "A record gives times; to forget one write #12: up none", at: 0, length: "record".length });
  return patchedTimes({}, timesPatchOf(typed));
}
