import { z } from "zod";
import { cueNumberAt, cueOrder, isCueNumber } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { renumberSteps } from "../plan/renumberSteps.ts";
import type { Step } from "../steps/step.ts";
import { rowsIn } from "../plan/rows.ts";
import { cueNumber, list, range } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const schema = z
  .strictObject({
    op: z.literal("renumber"),
    list,
    ...range,
    start: cueNumber.optional(),
    step: cueNumber.default("1"),
    /** By old number, the new one; a cue that is not named keeps its own. In place of `start`. */
    numbers: z.record(cueNumber, cueNumber).optional(),
  })
  .refine(({ start, numbers }) => (start === undefined) !== (numbers === undefined), {
    message: "needs either start or numbers: where the numbers begin, or each of them",
  });

type RenumberEdit = z.infer<typeof schema>;

/**
 * The steps that give the cues of a range new numbers: from `start` on in equal steps, or each the one that a table gives it. Their order
 * stays; no step where every number is what it was. Throws ShowError where a number would pass a neighbour, or the table names a cue
 * that is not in the range.
 */
function planRenumber(list: ListSheet, edit: RenumberEdit): Step[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const numbers = list.cues.slice(first, last + 1).map(({ number }) => number);
  const cues = edit.numbers ? fromTable(numbers, edit.numbers) : inSteps(numbers, edit.start ?? edit.from, edit.step);
  refuseCrossing(list, first, last, cues.at(0)?.to ?? edit.from, cues.at(-1)?.to ?? edit.to);
  return renumberSteps(
    list,
    cues.filter(({ from, to }) => from !== to),
  );
}

/** A cue's number before and after. */
interface Renumbered {
  from: string;
  to: string;
}

/** New numbers from a first one on, in equal steps. Throws ShowError for a step of 0. */
function inSteps(numbers: readonly string[], start: string, step: string): Renumbered[] {
  if (cueOrder(step) === 0) throw new ShowError("The step from one number to the next is 0; give one above 0");
  return numbers.map((from, index) => ({ from, to: numberAt(cueOrder(start) + index * cueOrder(step)) }));
}

/** New numbers as a table gives them. Throws ShowError where they do not rise, or a number is no cue of the range. */
function fromTable(numbers: readonly string[], table: Readonly<Record<string, string>>): Renumbered[] {
  const stranger = Object.keys(table).find((number) => !numbers.includes(number));
  if (stranger !== undefined)
    throw new ShowError(`Cue ${stranger} is not among the cues that are renumbered; leave it out or widen the range`);
  const cues = numbers.map((from) => ({ from, to: cueNumberAt(cueOrder(table[from] ?? from)) }));
  cues.forEach(({ from, to }, index) => {
    const before = cues[index - 1];
    if (before && cueOrder(to) <= cueOrder(before.to))
      throw new ShowError(`Cue ${from} would become ${to}, and cue ${before.from} before it ${before.to}; give it a number above that`);
  });
  return cues;
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

/**
 * Giving the cues of a range new numbers (docs/rules.md, Edits).
 * Order never changes: numbers that would pass a neighbour are refused, and the neighbour is named. Marks that name a cue follow it.
 */
export const renumber = defineEdit(schema, {
  plan: (sheet, edit) => planRenumber(listFor(sheet, edit), edit),
  words: (edit) =>
    edit.start === undefined
      ? `${rangeWords(edit)} renumbered by a table`
      : `${rangeWords(edit)} renumbered from ${edit.start} in steps of ${edit.step}`,
});
