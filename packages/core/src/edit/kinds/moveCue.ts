import { z } from "zod";
import { cueOrder } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, rowOf } from "../../sheet/sheet.ts";
import { cueNumber, list } from "../plan/fields.ts";
import { movedCueSteps } from "../plan/movedCues.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { manyWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("moveCue"),
  list,
  cue: cueNumber,
  to: cueNumber,
  /** Whether every look stays what it was, that of the cue which moves too, or later looks follow what is stored. */
  looks: z.enum(["keepLooks", "letGo"]).default("letGo"),
});

type MoveCueEdit = z.infer<typeof schema>;

/** The steps that move a cue with all it stores to another place in its list. Throws ShowError for a number that is taken. */
function planMoveCue(sheet: ShowSheet, list: ListSheet, edit: MoveCueEdit): Step[] {
  const cue = cueAt(list, rowOf(list, edit.cue));
  if (cue.number === edit.to) return [];
  if (findRow(list, edit.to) >= 0) throw new ShowError(`List "${list.id}" already has a cue ${edit.to}; choose another number`);
  return movedCueSteps(sheet, list, [{ from: cue.number, to: edit.to }], edit.looks);
}

/**
 * Moving a cue to another place in its list (docs/rules.md, Edits).
 * It stays the same cue and keeps what it stores. With `keepLooks` it takes its whole look along and every other look stays; with `letGo`
 * looks change as tracking has it, and the impact tells.
 */
export const moveCue = defineEdit(schema, {
  plan: (sheet, edit) => planMoveCue(sheet, listFor(sheet, edit), edit),
  words: ({ cue, to, looks }) => `Cue ${cue} moved to ${to}${endWords(looks)}`,
  manyWords: (edits) => {
    // Cues that go towards the end are moved from the last one on.
    const moved = [...edits].sort((a, b) => cueOrder(a.cue) - cueOrder(b.cue));
    const [first] = moved;
    const what = `${manyWords(moved, "cues", ({ cue }) => cue)} moved`;
    return first && moved.every(({ looks }) => looks === first.looks) ? `${what} to ${first.to} on${endWords(first.looks)}` : what;
  },
});

function endWords(looks: MoveCueEdit["looks"]): string {
  return looks === "keepLooks" ? ", looks kept" : "";
}
