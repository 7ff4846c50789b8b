import { z } from "zod";
import { type ListSheet, type ShowSheet, rowOf } from "../../sheet/sheet.ts";
import { cueNumber, list } from "../plan/fields.ts";
import { deletionSteps } from "../plan/deletion.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { manyWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("deleteCue"),
  list,
  cue: cueNumber,
  looks: z.enum(["keepLooks", "letGo"]).default("keepLooks"),
});

type DeleteCueEdit = z.infer<typeof schema>;

/**
 * The steps that delete a cue; with keepLooks, what later cues need of it moves on to the next (docs/rules.md, Edits), unless the next has a move of
 * its own for the key. Behind the last cue nothing needs to be kept.
 */
function planDeleteCue(sheet: ShowSheet, list: ListSheet, edit: DeleteCueEdit): Step[] {
  const row = rowOf(list, edit.cue);
  return deletionSteps(sheet, list, row, row, edit.looks === "keepLooks");
}

/** What becomes of what tracked out of the cue, in two words. */
function looksWords({ looks }: DeleteCueEdit): string {
  return looks === "keepLooks" ? "looks kept" : "moves dropped";
}

/** Where some deletions keep later looks and some do not, that is left out. */
function alikeLooks(edits: readonly DeleteCueEdit[]): string {
  const [first] = edits;
  return first && edits.every(({ looks }) => looks === first.looks) ? `, ${looksWords(first)}` : "";
}

/**
 * Taking a cue out of its list (docs/rules.md, Edits).
 * `keepLooks` gives what later cues need on to the next, `letGo` lets later looks follow. The last cue of a list may go too.
 */
export const deleteCue = defineEdit(schema, {
  plan: (sheet, edit) => planDeleteCue(sheet, listFor(sheet, edit), edit),
  words: (edit) => `Cue ${edit.cue} deleted, ${looksWords(edit)}`,
  manyWords: (edits) => `${manyWords(edits, "cues", ({ cue }) => cue)} deleted${alikeLooks(edits)}`,
});
