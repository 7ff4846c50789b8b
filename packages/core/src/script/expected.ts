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

/** How a time between two cues is known: by the chain of follows, by what was measured in runs, or by how long the words take. */
export type KnownBy = "chain" | "measured" | "script";

/** A time between two cues, seconds, and how it is known. */
export interface KnownTime {
  readonly seconds: number;
  readonly by: KnownBy;
}

/** The shortest time measured from the Go of one row to that of a later one, seconds; null where no run says (docs/running.md, Rehearsal). */
export type MeasuredTimes = (from: number, to: number) => number | null;

/**
 * Tells the time from the Go of one row to that of a later one: as their chain gives it, else as it was measured, else as the script estimates it; null when none of
 * them knows (docs/running.md, Rehearsal).
 * Rows count from 0 and `from` comes before `to`. The answer for one pair costs a look-up, so it may be asked for thousands of pairs.
 */
export function knownTimes(
  list: ListSheet,
  script: Show["script"],
  measured: MeasuredTimes = () => null,
): (from: number, to: number) => KnownTime | null {
  const { presses, offsets } = chainClock(list);
  const expected = expectedTimes(list, script);
  return (from, to) => {
    if (from <= to && (presses[to] ?? to) <= from) return { seconds: floatAt(offsets, to) - floatAt(offsets, from), by: "chain" };
    const seconds = measured(from, to);
    if (seconds !== null) return { seconds, by: "measured" };
    const start = expected[from] ?? null;
    const end = expected[to] ?? null;
    return start === null || end === null ? null : { seconds: end - start, by: "script" };
  };
}

/** As `knownTimes` without what was measured, for those to whom it is all one how a time is known. Seconds. */
export function timesBetween(list: ListSheet, script: Show["script"]): (from: number, to: number) => number | null {
  const known = knownTimes(list, script);
  return (from, to) => known(from, to)?.seconds ?? null;
}
