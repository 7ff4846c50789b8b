import { z } from "zod";
import { cueNumberAt, cueOrder, isCueNumber } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { renumberSteps } from "../plan/renumberSteps.ts";
import type { Step } from "../step.ts";
import { rowsIn } from "../plan/rows.ts";
import { cueNumber, list, range } from "../fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const schema = z.strictObject({ op: z.literal("renumber"), list, ...range, start: cueNumber, step: cueNumber.default("1") });

type RenumberEdit = z.infer<typeof schema>;

/** The steps that give the cues of a range new numbers from `start` on. Their order stays: a number that would pass a neighbour is refused. */
function planRenumber(list: ListSheet, edit: RenumberEdit): Step[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const step = cueOrder(edit.step);
  if (step === 0) throw new ShowError("The step from one number to the next is 0; give one above 0");
  const start = cueOrder(edit.start);
  const cues = list.cues.slice(first, last + 1).map((cue, index) => ({ from: cue.number, to: numberAt(start + index * step) }));
  refuseCrossing(list, first, last, cues.at(0)?.to ?? edit.start, cues.at(-1)?.to ?? edit.start);
  return renumberSteps(
    list,
    cues.filter(({ from, to }) => from !== to),
  );
}

/** The number at a place in the order. Throws ShowError beyond six digits. */
function numberAt(order: number): string {
  const number = cueNumberAt(order);
  if (isCueNumber(number)) return number;
  throw new ShowError(`${number} is not a cue number; numbers have at most six digits before the point. Start lower or take smaller steps`);
}

/** Throws ShowError where the new numbers would pass a cue that is not renumbered: the order of cues is the order of their numbers. */
function refuseCrossing(list: ListSheet, first: number, last: number, lowest: string, highest: string): void {
  const before = list.cues[first - 1];
  const after = list.cues[last + 1];
  if (before && cueOrder(lowest) <= cueOrder(before.number))
    throw new ShowError(`The cues would begin at ${lowest}, and cue ${before.number} stands before them; start above it`);
  if (after && cueOrder(highest) >= cueOrder(after.number))
    throw new ShowError(
      `The cues would reach ${highest}, and cue ${after.number} stands behind them; start lower, take smaller steps or include it`,
    );
}

/** Giving the cues of a range new numbers (SEMANTICS section 6). */
export const renumber = defineEdit(schema, {
  plan: (sheet, edit) => planRenumber(listFor(sheet, edit), edit),
  words: (edit) => `${rangeWords(edit)} renumbered from ${edit.start} in steps of ${edit.step}`,
});
