import { runToEnd } from "../../show/runToEnd.ts";
import { append } from "../../show/append.ts";
import { carriedAt } from "../../sheet/entry.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import { KEYS_A_PAUSE } from "../steps/pauses.ts";
import { type Step, invertInSlices } from "../steps/step.ts";
import { withWavesKept } from "./keptWaves.ts";
import { restoreFrom } from "./moveSteps.ts";
import { wholeCueSteps } from "./wholeCue.ts";

/**
 * The steps that delete neighbouring cues; with `keepsLooks`, what later cues need of them moves on to the next (docs/rules.md, Edits), unless the next has a move of its
 * own for the key. Behind the last cue nothing needs to be kept.
 */
export function deletionSteps(sheet: ShowSheet, list: ListSheet, first: number, last: number, keepsLooks: boolean): Step[] {
  return runToEnd(deletionInSlices(sheet, list, first, last, keepsLooks));
}

/** As `deletionSteps`, with pauses in between, for a server that has more to do. */
export function* deletionInSlices(
  sheet: ShowSheet,
  list: ListSheet,
  first: number,
  last: number,
  keepsLooks: boolean,
): Generator<undefined, Step[]> {
  const whole: Step[] = [];
  for (const cue of list.cues.slice(first, last + 1)) {
    append(whole, wholeCueSteps(sheet, list, cue));
    yield;
  }
  const taken = yield* invertInSlices(whole);
  if (!keepsLooks) return taken;
  for (const key of list.keys.all) {
    append(taken, restoreFrom(list, key, last + 1, carriedAt(list, key, first - 1), carriedAt(list, key, last)));
    if (key.ordinal % KEYS_A_PAUSE === 0) yield;
  }
  return withWavesKept(sheet, list, taken);
}
