import { floatAt } from "../show/at.ts";
import type { Show } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { chainClock } from "../time/chainClock.ts";
import { callMoment } from "./scriptTime.ts";

/**
 * When each cue of a list is expected, by row, in seconds from the script's first word: a cue that somebody presses at its call,
 * a cue that follows when the chain brings it, counted from the press. Null where neither is known.
 * An estimate: words at a pace. Nobody is held to it; the planner says "script" where it uses one.
 * Kept for as long as list and script stay the same.
 */
export function expectedTimes(list: ListSheet, script: Show["script"]): (number | null)[] {
  const { presses, offsets } = chainClock(list);
  const called = list.cues.map((cue) => callMoment(script, cue.call));
  return list.cues.map((_, row) => {
    const press = presses[row] ?? row;
    const from = called[press] ?? null;
    if (press !== row && from !== null) return from + floatAt(offsets, row);
    return called[row] ?? null;
  });
}

/**
 * Tells the time from the Go of one row to that of a later one: as their chain gives it, else as the script estimates it; null
 * when neither knows. Seconds.
 * Rows count from 0 and `from` comes before `to`. The answer for one pair costs a look-up, so it may be asked for thousands of
 * pairs.
 */
export function timesBetween(list: ListSheet, script: Show["script"]): (from: number, to: number) => number | null {
  const { presses, offsets } = chainClock(list);
  const expected = expectedTimes(list, script);
  return (from, to) => {
    if (from <= to && (presses[to] ?? to) <= from) return floatAt(offsets, to) - floatAt(offsets, from);
    const start = expected[from] ?? null;
    const end = expected[to] ?? null;
    return start === null || end === null ? null : end - start;
  };
}
