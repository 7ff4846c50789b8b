import { floatAt } from "../show/at.ts";
import { cached } from "../show/cached.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { followAfter } from "./chain.ts";
import { cueDuration } from "./durations.ts";

/**
 * By row: the row whose Go starts the chain that the cue belongs to, and how long after that Go it fires. Seconds.
 * Two cues of the same press are so many seconds apart; of cues of different presses nobody knows.
 */
export interface ChainClock {
  readonly presses: Int32Array;
  readonly offsets: Float64Array;
}

/**
 * The clock of every chain of a list; only cues that another follows are timed for it.
 * Kept for as long as the list stays the same.
 */
export const chainClock = cached((list: ListSheet): ChainClock => {
  const presses = new Int32Array(list.cues.length);
  const offsets = new Float64Array(list.cues.length);
  list.cues.forEach((cue, row) => {
    presses[row] = row;
    if (row === 0 || cue.trigger?.type !== "follow") return;
    const duration = cue.trigger.from === "complete" ? cueDuration(list, row - 1) : 0;
    presses[row] = presses[row - 1] ?? row;
    offsets[row] = floatAt(offsets, row - 1) + (followAfter(cue, duration) ?? 0);
  });
  return { presses, offsets };
});
