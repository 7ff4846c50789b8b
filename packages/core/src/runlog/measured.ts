// Times between cues as runs give them.
import { cached } from "../show/cached.ts";
import type { MeasuredTimes } from "../script/expected.ts";
import { type ListSheet, findRow } from "../sheet/sheet.ts";
import type { LogEntry } from "./logEntry.ts";

/** So many of the newest runs that fired all cues between two count for the time between them (docs/running.md, Rehearsal). */
export const RUNS_COUNTED = 10;

/** A run as it was logged: its entries in the order of time, and how many times as fast as it is spoken the play was called. */
export interface LoggedRun {
  readonly id: number;
  readonly name: string;
  /** Milliseconds since 1970 of its first entry. */
  readonly began: number;
  readonly speed: number;
  readonly entries: readonly LogEntry[];
}

/** Cues of a list that a run fired in their order, one behind the other, without a go-to, a hold or a back between them. Rows count from 0; moments in seconds. */
export interface Stretch {
  readonly first: number;
  readonly moments: readonly number[];
}

/**
 * The stretches of a run in which the cues of a list were fired in order. A cue that was gone to or back to begins none: nobody knows when its Go would have come.
 * Empty for a run that was not called at the pace at which it is spoken: its times say nothing.
 */
export function stretchesOf(list: ListSheet, { entries, speed }: LoggedRun): Stretch[] {
  if (speed !== 1) return [];
  const found: { first: number; moments: number[] }[] = [];
  let open: { first: number; moments: number[] } | undefined;
  for (const { at, list: of, cue, how } of entries) {
    if (of !== list.id) continue;
    const row = how === "next" && cue !== null ? findRow(list, cue) : -1;
    if (row < 0) {
      if (how !== "resume") open = undefined;
      continue;
    }
    if (open && row === open.first + open.moments.length) open.moments.push(at / 1000);
    else found.push((open = { first: row, moments: [at / 1000] }));
  }
  return found;
}

/** By list, the stretches of runs, each run computed once. */
const stretchesByList = cached((_list: ListSheet) => new WeakMap<LoggedRun, readonly Stretch[]>());

/** The stretches of a run, from what was computed before where it was. */
function knownStretches(list: ListSheet, run: LoggedRun): readonly Stretch[] {
  const known = stretchesByList(list);
  const stretches = known.get(run) ?? stretchesOf(list, run);
  known.set(run, stretches);
  return stretches;
}

/**
 * The times from the Go of one row to that of a later one in the newest runs that fired all cues between them in order, the newest first; a run that did so more than once
 * counts with its shortest. `runs` come with the newest first. Seconds; empty where no run did.
 */
export function timesInRuns(
  list: ListSheet,
  runs: readonly LoggedRun[],
  from: number,
  to: number,
): { readonly run: LoggedRun; readonly seconds: number }[] {
  const found: { run: LoggedRun; seconds: number }[] = [];
  for (const run of runs) {
    if (found.length === RUNS_COUNTED) break;
    const times = knownStretches(list, run).flatMap(({ first, moments }) => {
      const [start, end] = [moments[from - first], moments[to - first]];
      return start === undefined || end === undefined ? [] : [end - start];
    });
    if (times.length > 0) found.push({ run, seconds: Math.min(...times) });
  }
  return found;
}

/**
 * The measured time between two cues: the shortest in the last ten runs that fired all cues between them in order (docs/running.md, Rehearsal). `runs` come with the newest
 * first. The function that it returns may be asked thousands of times.
 */
export function measuredTimes(list: ListSheet, runs: readonly LoggedRun[]): MeasuredTimes {
  const known = new Map<number, number | null>();
  return (from, to) => {
    const pair = from * list.cues.length + to;
    const before = known.get(pair);
    if (before !== undefined) return before;
    const times = timesInRuns(list, runs, from, to).map(({ seconds }) => seconds);
    const shortest = times.length > 0 ? Math.min(...times) : null;
    known.set(pair, shortest);
    return shortest;
  };
}
