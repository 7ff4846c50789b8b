import type { Cue } from "../../show/schema.ts";
import { carriedAt, columnOf, entryAt, sameValue } from "../../sheet/entry.ts";
import { moveIndexAt } from "../../sheet/column.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { headOf } from "../apply.ts";
import { headStep } from "./headStep.ts";
import type { FlagEdit } from "../schema/cues.ts";
import type { Step } from "../step.ts";
import { aimStep, sameTracked, storeStep, targetOf } from "./moveSteps.ts";
import { eachRow } from "./rows.ts";

/** The steps that make walls, take them down, or set and clear assertion over a range; none of them changes a look (SEMANTICS section 2). */
export function planFlag(list: ListSheet, edit: FlagEdit): Step[] {
  return eachRow(list, edit.from, edit.to).flatMap((row) => {
    switch (edit.op) {
      case "block":
        return block(list, row);
      case "unblock":
        return unblock(list, row);
      case "assert":
        return flagStep(list, cueAt(list, row), "assert", true);
      case "unassert":
        return flagStep(list, cueAt(list, row), "assert", false);
    }
  });
}

function flagStep(list: ListSheet, cue: Cue, flag: "block" | "assert", on: boolean): Step[] {
  if ((cue[flag] === true) === on) return [];
  const { [flag]: _was, ...rest } = headOf(cue);
  return [headStep(list, cue, on ? { ...rest, [flag]: true } : rest)];
}

/** Every tracked value of the look becomes a move, so that nothing changes when nothing tracks in. */
function block(list: ListSheet, row: number): Step[] {
  const cue = cueAt(list, row);
  if (cue.block === true) return [];
  const moves = list.keys.all.flatMap((key) => {
    const entry = entryAt(list, key, row);
    if (Number.isNaN(entry.value) || entry.row === row) return [];
    return aimStep(list, key, row, targetOf(entry));
  });
  return [...moves, ...flagStep(list, cue, "block", true)];
}

/** What tracks in anew is let go where the look did not have it, and moves that say no more than that are dropped. */
function unblock(list: ListSheet, row: number): Step[] {
  const cue = cueAt(list, row);
  if (cue.block !== true) return [];
  if (cue.carries === "isolated") return flagStep(list, cue, "block", false);
  const moves = list.keys.all.flatMap((key) => {
    const into = carriedAt(list, key, row - 1);
    const shown = entryAt(list, key, row);
    const stored = moveIndexAt(columnOf(list, key), row) >= 0;
    if (stored && sameTracked(into, shown)) return storeStep(list, key, row, undefined);
    if (stored || sameValue(into.value, shown.value)) return [];
    return aimStep(list, key, row, { release: true });
  });
  return [...moves, ...flagStep(list, cue, "block", false)];
}
