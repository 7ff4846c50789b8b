import { type ListClock, listTime } from "@zm/core";
import { create } from "zustand";
import type { RunState } from "@zm/protocol";

/** What this window hears live: where the list stands, how far its clock is from the server's, whether server and database are there. */
interface Live {
  /** The show that is open; null before one is. What comes late of another is left alone. */
  show: number | null;
  /** The list that runs the show; the runs of others are left alone. */
  main: string | null;
  run: RunState | null;
  connected: boolean;
  /** The database does not answer: what is stored waits, what runs goes on. */
  databaseAway: boolean;
  /** Milliseconds to add to this window's clock to have the server's. */
  clockOffset: number;
}

export const useLive = create<Live>(() => ({ show: null, main: null, run: null, connected: false, databaseAway: false, clockOffset: 0 }));

/** Takes where a list stands; only the list that runs the open show is kept, and nothing older than what is known. */
export function takeRun(run: RunState): void {
  const { show, main, run: known } = useLive.getState();
  if (run.show !== show) return;
  if (main !== null && run.playback.list !== main) return;
  if (known && run.turn < known.turn) return;
  useLive.setState({ run });
}

/** Milliseconds of this window's clock. */
export function here(): number {
  return performance.timeOrigin + performance.now();
}

/** Milliseconds of the server's clock now. */
export function serverNow(clockOffset: number): number {
  return here() + clockOffset;
}

/** The running list's own time now, in seconds. */
export function listNow(clock: ListClock, clockOffset: number): number {
  return listTime(clock, here() + clockOffset);
}
