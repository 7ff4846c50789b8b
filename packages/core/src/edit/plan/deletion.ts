import { carriedAt } from "../../sheet/entry.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import { type Step, invertSteps } from "../step.ts";
import { withWavesKept } from "./keptWaves.ts";
import { restoreFrom } from "./moveSteps.ts";
import { wholeCueSteps } from "./wholeCue.ts";

/**
 * The steps that delete neighbouring cues; with `keepsLooks`, what later cues need of them moves on to the next (section 6), unless the next has a move of its
 * own for the key. Behind the last cue nothing needs to be kept.
 */
export function deletionSteps(sheet: ShowSheet, list: ListSheet, first: number, last: number, keepsLooks: boolean): Step[] {
  const taken = invertSteps(list.cues.slice(first, last + 1).flatMap((cue) => wholeCueSteps(sheet, list, cue)));
  if (!keepsLooks) return taken;
  const kept = list.keys.all.flatMap((key) =>
    restoreFrom(list, key, last + 1, carriedAt(list, key, first - 1), carriedAt(list, key, last)),
  );
  return withWavesKept(sheet, list, [...taken, ...kept]);
}
