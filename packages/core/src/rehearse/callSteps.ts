import { at, floatAt } from "../show/at.ts";
import type { Show } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { callMoment } from "../script/scriptTime.ts";
import { STANDBY_SECONDS } from "../script/standbys.ts";
import { chainClock } from "../time/chainClock.ts";
import { isPressed, pressMoment } from "./presses.ts";

/** What a stage manager says of one cue: standby, and then go. Moments are seconds of the play at the pace at which it is spoken. */
export interface CallStep {
  readonly row: number;
  readonly cue: string;
  readonly standby: number;
  readonly go: number;
  /** False for a cue that has no place in the script: it comes 8 s after the last. */
  readonly called: boolean;
}

/**
 * What is called from a row of a list to its end, in its order (docs/running.md, Rehearsal): each cue at its call, never before the one before, its standby so many seconds
 * earlier, never before the Go of the cue before. Cues that follow by themselves are not called. Rows count from 0.
 */
export function callSteps(list: ListSheet, script: Show["script"], from = 0): CallStep[] {
  const lead = script?.standby ?? STANDBY_SECONDS;
  const { presses, offsets } = chainClock(list);
  const steps: CallStep[] = [];
  /** When the cue before is expected to have fired, the last of a chain where it leads one. */
  let last: number | null = null;
  list.cues.forEach((cue, row) => {
    if (row < from || !isPressed(list, row)) return;
    const press = steps.at(-1);
    if (press && row > 0) last = press.go + chainLength(presses, offsets, press.row, row - 1);
    const go = pressMoment(list, script, row, last, 1);
    const standby = Math.max(go - lead, last ?? go - lead);
    steps.push({ row, cue: at(list.cues, row).number, standby: Math.min(go, standby), go, called: callMoment(script, cue.call) !== null });
  });
  return steps;
}

/** How long after the press of a row a later one fires that follows in its chain; 0 where it does not. Seconds. */
function chainLength(presses: ArrayLike<number>, offsets: Float64Array, press: number, row: number): number {
  return presses[row] === press ? floatAt(offsets, row) - floatAt(offsets, press) : 0;
}
