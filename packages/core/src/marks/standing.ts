import { emptyState, stateAt } from "../sheet/checkpoints.ts";
import { restingAt } from "../sheet/rest.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { markedKeys } from "./mark.ts";
import { marksMadeByGoto } from "./marks.ts";

/**
 * The stage at rest in a row, by key ordinal: its look, what is unset at its resting value (an intensity at 0), and the dark
 * lights where their marks have taken them (docs/rules.md, Playing and Marks). It is the same after running there, after a go-to, and
 * in the blind picture. Row -1 is the stage before the first cue.
 * In the attribute's own unit; every key of the rig has a number, none is NaN.
 */
export function stageAtRest(list: ListSheet, row: number): Float64Array {
  const values = new Float64Array(list.keys.all.length);
  const look = row < 0 ? undefined : stateAt(list, row, emptyState(list)).values;
  for (const key of list.keys.all) {
    const shown = look?.[key.ordinal] ?? Number.NaN;
    if (!Number.isNaN(shown)) values[key.ordinal] = shown;
    else values[key.ordinal] = restingAt(list, key, row);
  }
  if (row < 0) return values;
  for (const mark of marksMadeByGoto(list, row)) {
    for (const { key, to } of markedKeys(list, mark)) values[key.ordinal] = to;
  }
  return values;
}
