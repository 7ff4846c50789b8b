import type { Mix } from "@zm/core";
import type { Trouble } from "@zm/protocol";
import { create } from "zustand";

/**
 * What runs, as this window has it. `base` stands where the newest thing that it was told left it, `mix` is a copy that goes on with time and with what
 * was pressed here and is not answered yet. The run's clock read 0 at `origin`, milliseconds of the server's clock.
 */
export interface LiveRun {
  readonly show: number;
  readonly version: number;
  readonly origin: number;
  readonly base: Mix;
  readonly mix: Mix;
}

/** What this window hears live: what runs, how far its clock is from the server's, whether server and database are there. */
interface Live {
  /** The show that is open; null before one is. What comes late of another is left alone. */
  show: number | null;
  run: LiveRun | null;
  connected: boolean;
  /** The database does not answer: what is stored waits, what runs goes on. */
  databaseAway: boolean;
  /** What is wrong with the server, for as long as it is. */
  troubles: readonly Trouble[];
  /** Milliseconds to add to this window's clock to have the server's. */
  clockOffset: number;
}

export const useLive = create<Live>(() => ({ show: null, run: null, connected: false, databaseAway: false, troubles: [], clockOffset: 0 }));

/** Whatever the server says next of what runs is taken, however it counts. */
export function forgetRunTurn(): void {
  useLive.setState(({ run }) => ({ run: run && { ...run, version: Number.NEGATIVE_INFINITY } }));
}

/** Milliseconds of this window's clock. */
export function localNow(): number {
  return performance.timeOrigin + performance.now();
}

/** Milliseconds of the server's clock now. */
export function serverNow(clockOffset: number): number {
  return localNow() + clockOffset;
}

/** The run's own time now, seconds; never before what it has come to. */
export function runNow({ origin, mix }: LiveRun): number {
  return Math.max(mix.now, (serverNow(useLive.getState().clockOffset) - origin) / 1000);
}

/** The cue in which a list was fired last, as this window has it; null where nothing of it is on. */
export function cueOnStage(run: LiveRun | null, list: string): string | null {
  return run?.mix.lists.get(list)?.cue ?? null;
}
