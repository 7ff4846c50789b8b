import { intAt } from "../../show/at.ts";
import { UNSET, columnOf, entryAt } from "../../sheet/entry.ts";
import { EMPTY_COLUMN } from "../../sheet/column.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { trackedIn, trackedOut } from "../../sheet/tracking.ts";
import type { Step } from "../steps/step.ts";
import { type Tracked, aimStep, sameTracked, storedMove, targetOf } from "./moveSteps.ts";

/**
 * The moves that let every cue look as it did where cues have changed places: each says what no longer tracks into it. `pairs` gives by row the row
 * in which the cue stood before. What a cue stores itself it has taken along, so that only what tracks can be another.
 */
export function keptLooksSteps(before: ListSheet, after: ListSheet, pairs: Int32Array): Step[] {
  return after.keys.all.flatMap((key) => {
    if (columnOf(after, key) === EMPTY_COLUMN) return [];
    let carried: Tracked = UNSET;
    return after.tracking.flatMap((cue, row) => {
      const shown = entryAt(before, key, intAt(pairs, row));
      const isSaid = storedMove(after, key, row) !== undefined || sameTracked(trackedIn(cue, carried, UNSET), shown);
      carried = trackedOut(cue, carried, shown);
      return isSaid ? [] : aimStep(after, key, row, targetOf(shown));
    });
  });
}

/** By row of a list whose cues have other numbers: the row in which each stood. `origin` gives by the number afterwards the number before. */
export function rowsBefore(before: ListSheet, after: ListSheet, origin: ReadonlyMap<string, string>): Int32Array {
  const rows = new Map(before.cues.map(({ number }, row) => [number, row]));
  return Int32Array.from(after.cues, (_, row) => {
    const { number } = cueAt(after, row);
    return rows.get(origin.get(number) ?? number) ?? -1;
  });
}
