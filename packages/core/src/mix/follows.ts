import { cueOrder } from "../show/cueNumber.ts";
import type { Cue } from "../show/schema.ts";
import { type ListSheet, findRow, firstRowFrom } from "../sheet/sheet.ts";
import { followAfter } from "../time/chain.ts";
import type { ListRun } from "./listRun.ts";
import { intervalOf, stepAfter, stepRow } from "./steps.ts";

/**
 * The row that Go fires next, -1 where there is none. A list that runs by itself goes round; no other ever does.
 * In a list that runs by itself the order of its steps decides, in any other the order of its numbers.
 */
export function nextRow(run: ListRun): number {
  const { cues, list, id } = run.list;
  if (cues.length === 0) return -1;
  if (run.cue === null) return 0;
  if (list.steps) {
    const step = stepAfter(list.steps, cues.length, run.step);
    return step < 0 ? -1 : stepRow(id, list.steps.order, cues.length, step);
  }
  const row = firstRowFrom(run.list, cueOrder(run.cue) + 1);
  return row < cues.length ? row : -1;
}

/**
 * The cue in which a list stands, as the list now is: `cue` is the one on stage, or where that is gone, the one before its place.
 * `gone` tells that the cue has been deleted meanwhile: the list then stands behind the one that is named.
 */
export function standingCue(
  { cue }: { readonly cue: string | null },
  list: ListSheet,
): { readonly cue: string | null; readonly gone: boolean } {
  if (cue === null) return { cue: null, gone: false };
  if (findRow(list, cue) >= 0) return { cue, gone: false };
  return { cue: list.cues[firstRowFrom(list, cueOrder(cue)) - 1]?.number ?? null, gone: true };
}

/**
 * The row before the one that a list stands in, or -1.
 * What Back goes to. A list that runs by itself goes back a step.
 */
export function previousRow(run: ListRun): number {
  return run.cue === null ? -1 : firstRowFrom(run.list, cueOrder(run.cue)) - 1;
}

/**
 * What fires by itself behind the cue that a list stands in, and when on its clock: its follow, or the next step; null where a Go is
 * waited for.
 * `perMinute` gives the beats of a tempo; undefined for one that is gone, and then the interval counts.
 */
export function followOf(run: ListRun, perMinute: (tempo: string) => number | undefined): ListRun["follow"] {
  const next = run.cue === null ? undefined : run.list.cues[nextRow(run)];
  if (!next) return null;
  const { steps } = run.list.list;
  const after = afterCue(run, next) ?? (steps ? intervalOf(steps, perMinute) / run.rate : undefined);
  return after === undefined ? null : { cue: next.number, at: run.firedAt + after };
}

/** How long after the cue on stage another one follows by itself, at the list's rate; undefined where it does not. Seconds. */
function afterCue(run: ListRun, next: Cue): number | undefined {
  const wait = followAfter(next, 0);
  if (wait === undefined) return undefined;
  return wait / run.rate + (next.trigger?.type === "follow" && next.trigger.from === "complete" ? run.duration : 0);
}
