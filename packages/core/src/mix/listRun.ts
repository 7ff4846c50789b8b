import type { Action } from "../show/schema.ts";
import type { WaveEntry } from "../sheet/waves.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type Ramp, steady } from "./ramp.ts";
import { ScheduleQueue } from "./scheduledChange.ts";

/**
 * The clock of a list: how it reads at a moment of the engine's clock; it stands while the list is held. All seconds.
 * `seconds` is what it read at the engine's moment `at`.
 */
export interface RunClock {
  readonly at: number;
  readonly seconds: number;
  readonly held: boolean;
}

/**
 * Something that a cue does besides its moves, when it is due on the clock of the cue's list.
 * `sequence` orders those that are due at one moment.
 */
export interface DueAction {
  readonly due: number;
  readonly sequence: number;
  readonly action: Action;
}

/**
 * A list that can run: where it stands, and what waits. It is changed in place; `source` is its number among the sources.
 * Everything that the next frame and the next press depend on, and nothing that can be computed from the show.
 */
export interface ListRun {
  readonly source: number;
  list: ListSheet;
  clock: RunClock;
  /** The clock of its waves, which goes at the rate. */
  waveClock: RunClock;
  /** How many times as fast as usual what is fired from now on runs; what has been fired keeps its times. */
  rate: number;
  master: Ramp;
  /** Of its waves, 0 to 100 %. */
  size: Ramp;
  /** The cue fired last; null before the first, and when the list is let go of. */
  cue: string | null;
  firedAt: number;
  duration: number;
  /** The cue that fires by itself, and when on the list's clock. */
  follow: { readonly cue: string; readonly at: number } | null;
  /** The step of a list that runs by itself, counted over all rounds. */
  step: number;
  /** By key ordinal: the look fired last, NaN where it says nothing. */
  onStage: Float64Array;
  /** By key ordinal: the waves of that look. */
  waves: ReadonlyMap<number, WaveEntry>;
  readonly waiting: ScheduleQueue;
  actions: DueAction[];
  /** Marks that wait for somebody else to let a light go dark. */
  marks: { readonly channel: number; readonly key: number; readonly to: number; readonly fade: number }[];
}

/**
 * The master that a list has of its own, 0 to 100: the one it was given, where its fader is one of levels (docs/running.md, Sources).
 * Full for a list whose fader is its rate or the size of its waves.
 */
export function ownMaster({ list: { fader = "levels", master = 100 } }: ListSheet): number {
  return fader === "levels" ? master : 100;
}

/**
 * A list that stands before its first cue.
 * It holds nothing, at its own master and at rate 1.
 */
export function idleRun(source: number, list: ListSheet): ListRun {
  return {
    source,
    list,
    clock: { at: 0, seconds: 0, held: false },
    waveClock: { at: 0, seconds: 0, held: false },
    rate: 1,
    master: steady(ownMaster(list)),
    size: steady(100),
    cue: null,
    firedAt: 0,
    duration: 0,
    follow: null,
    step: 0,
    onStage: new Float64Array(list.keys.all.length).fill(Number.NaN),
    waves: new Map(),
    waiting: new ScheduleQueue(),
    actions: [],
    marks: [],
  };
}

/**
 * What a list's clock reads at a moment of the engine's.
 * Seconds of the list's own time; rates change what is fired and not this clock.
 */
export function runTime({ at, seconds, held }: RunClock, now: number): number {
  return held ? seconds : seconds + (now - at);
}

/**
 * The moment of the engine's clock at which a list's clock reads so much; Infinity for what a held list does not come to.
 * The reverse of `runTime`.
 */
export function momentOf({ at, seconds, held }: RunClock, time: number): number {
  return held && time > seconds ? Number.POSITIVE_INFINITY : at + (time - seconds);
}

/**
 * What the clock of a list's waves reads at a moment of the engine's.
 * It goes at the list's rate, so that waves go faster at once when the rate is raised.
 */
export function waveTime({ waveClock, rate }: ListRun, now: number): number {
  return waveClock.held ? waveClock.seconds : waveClock.seconds + (now - waveClock.at) * rate;
}

/**
 * A clock that stands from now on, or goes again.
 * What it reads does not jump. Returns a new clock.
 */
export function holdClock(clock: RunClock, now: number, held: boolean): RunClock {
  return { at: now, seconds: runTime(clock, now), held };
}
