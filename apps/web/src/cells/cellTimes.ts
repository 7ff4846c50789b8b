import { type Curve, type Key, type ListSheet, cached, cueDuration, eachTiming, entryAt, moveTiming } from "@zm/core";
import { seconds, withDelay } from "../shared/words.ts";

/** The times in which the moves of one light run in one cue. */
export interface CellTimes {
  /** As the spine writes them: "3", "3+1" with a delay, "2–5" where the moves differ. */
  readonly text: string;
  /** Some move has a time or delay of its own; otherwise all are the cue's. */
  readonly own: boolean;
  /** Seconds after the Go at which the first of them begins, and the last one ends. */
  readonly delay: number;
  readonly end: number;
  /** The curve that all of them run by; null where they differ. */
  readonly curve: Curve | null;
}

interface Run {
  readonly curve: Curve;
  readonly fade: number;
  readonly delay: number;
  readonly own: boolean;
}

/** When the moves of one cue run: by light, and by key as it is named. */
interface RowTimes {
  readonly ofLights: ReadonlyMap<number, CellTimes>;
  readonly ofKeys: ReadonlyMap<string, CellTimes>;
}

const timesByRow = cached((_list: ListSheet) => new Map<number, RowTimes>());

/** The times of each light, and of each of its keys, that a cue moves. */
export function timesInRow(list: ListSheet, row: number): RowTimes {
  const rows = timesByRow(list);
  const known = rows.get(row);
  if (known) return known;
  const runs = new Map<number, Run[]>();
  const ofKeys = new Map<string, CellTimes>();
  eachTiming(list, row, (key, delay, fade, curve) => {
    const run = { fade, delay, curve, own: hasOwnTimes(list, key, row) };
    const others = runs.get(key.channel);
    if (others) others.push(run);
    else runs.set(key.channel, [run]);
    ofKeys.set(key.name, summed([run]));
  });
  const ofLights = new Map([...runs].map(([channel, own]) => [channel, summed(own)]));
  const times = { ofLights, ofKeys };
  rows.set(row, times);
  return times;
}

/** The times of some keys of one light in one cue: of the one key, or of the whole light; undefined where the cue does not move it. */
export function timesOfKeys(list: ListSheet, keys: readonly Key[], row: number): CellTimes | undefined {
  const [key, other] = keys;
  if (!key) return undefined;
  const { ofLights, ofKeys } = timesInRow(list, row);
  return other ? ofLights.get(key.channel) : ofKeys.get(key.name);
}

const SAMPLE = 200;

/** So many seconds are as long as a cell is wide: nine cues in ten of the list end within it. At least 1. */
export const timesScale = cached((list: ListSheet): { readonly seconds: number } => {
  // A sample serves: how long every cue of a long list lasts takes a while to compute.
  const step = Math.ceil(list.cues.length / SAMPLE);
  const lasts = list.cues.flatMap((_, row) => (row % step === 0 ? cueDuration(list, row) : [])).sort((a, b) => a - b);
  return { seconds: Math.max(1, Math.ceil(lasts[Math.floor(lasts.length * 0.9)] ?? 1)) };
});

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
  const delay = Math.min(...runs.map((run) => run.delay));
  const end = Math.max(...runs.map((run) => run.delay + run.fade));
  const [{ curve } = { curve: null }] = runs;
  return { text, own: runs.some(({ own }) => own), delay, end, curve: runs.every((run) => run.curve === curve) ? curve : null };
}
