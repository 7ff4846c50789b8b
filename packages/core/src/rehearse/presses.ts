import type { Show } from "../show/schema.ts";
import { at } from "../show/at.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { callMoment } from "../script/scriptTime.ts";

/** A cue without a call is taken so long after the one before. Seconds (docs/running.md, Rehearsal). */
export const WITHOUT_CALL = 8;

/**
 * When the cue of a row is pressed that is fired by hand: at its call, never before the one before has fired; `last` is when that was. At a speed of 2 all comes twice as
 * soon. Seconds.
 */
export function pressMoment(list: ListSheet, script: Show["script"], row: number, last: number | null, speed: number): number {
  const called = callMoment(script, at(list.cues, row).call);
  if (called !== null) return Math.max(called / speed, last ?? 0);
  return last === null ? 0 : last + WITHOUT_CALL / speed;
}

/** True for a cue that somebody has to press: the first, and every one that follows nothing. */
export function isPressed(list: ListSheet, row: number): boolean {
  return row === 0 || at(list.cues, row).trigger?.type !== "follow";
}
