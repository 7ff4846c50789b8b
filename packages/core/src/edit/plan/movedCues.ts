import { type ListSheet, type ShowSheet, listOf } from "../../sheet/sheet.ts";
import type { Step } from "../steps/step.ts";
import { applySteps } from "../steps/applySteps.ts";
import { keptLooksSteps, rowsBefore } from "./keptLooks.ts";
import { withWavesKept } from "./keptWaves.ts";
import { renumberSteps } from "./renumberSteps.ts";

/** A cue's number before and after. */
interface Moved {
  readonly from: string;
  readonly to: string;
}

/**
 * The steps that move cues of a list to other places. With `letGo` looks change as tracking has it; with `keepLooks` every look stays what it was, that
 * of the cues which move too, and so do the waves. The numbers must be free.
 */
export function movedCueSteps(sheet: ShowSheet, list: ListSheet, cues: readonly Moved[], looks: "keepLooks" | "letGo"): Step[] {
  const numbers = renumberSteps(list, [...cues]);
  if (looks === "letGo" || numbers.length === 0) return numbers;
  const moved = listOf(applySteps(sheet, numbers), list.id);
  const pairs = rowsBefore(list, moved, new Map(cues.map(({ from, to }) => [to, from])));
  const named = new Map(cues.map(({ from, to }) => [from, to]));
  return withWavesKept(sheet, list, [...numbers, ...keptLooksSteps(list, moved, pairs)], [], (cue) => named.get(cue) ?? cue);
}
