import { type Key, type ListSheet, cached, eachTiming, entryAt, moveTiming } from "@zm/core";
import { seconds, withDelay } from "../shared/words.ts";

/** The times in which the moves of one light run in one cue. */
export interface CellTimes {
  /** As the spine writes them: "3", "3+1" with a delay, "2–5" where the moves differ. */
  readonly text: string;
  /** Some move has a time or delay of its own; otherwise all are the cue's. */
  readonly own: boolean;
}

interface Run {
  readonly fade: number;
  readonly delay: number;
  readonly own: boolean;
}

const timesByRow = cached((_list: ListSheet) => new Map<number, ReadonlyMap<number, CellTimes>>());

/** The times of each light that a cue moves, by channel. */
export function timesInRow(list: ListSheet, row: number): ReadonlyMap<number, CellTimes> {
  const rows = timesByRow(list);
  const known = rows.get(row);
  if (known) return known;
  const runs = new Map<number, Run[]>();
  eachTiming(list, row, (key, delay, fade) => {
    const run = { fade, delay, own: hasOwnTimes(list, key, row) };
    runs.set(key.channel, [...(runs.get(key.channel) ?? []), run]);
  });
  const times = new Map([...runs].map(([channel, own]) => [channel, summed(own)]));
  rows.set(row, times);
  return times;
}

function hasOwnTimes(list: ListSheet, key: Key, row: number): boolean {
  const { spec } = entryAt(list, key, row);
  const timing = spec === undefined ? {} : moveTiming(spec);
  return timing.fade !== undefined || timing.delay !== undefined;
}

function summed(runs: readonly Run[]): CellTimes {
  const words = new Set(runs.map(({ fade, delay }) => withDelay(fade, delay)));
  const [only] = words;
  const fades = runs.map(({ fade }) => fade);
  const text = words.size === 1 && only !== undefined ? only : `${seconds(Math.min(...fades))}–${seconds(Math.max(...fades))}`;
  return { text, own: runs.some(({ own }) => own) };
}
