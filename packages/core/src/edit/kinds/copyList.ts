import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { type ShowSheet, listOf } from "../../sheet/sheet.ts";
import { listHeadOf } from "../steps/applyEntry.ts";
import { id, label, list } from "../plan/fields.ts";
import { entryChange } from "../plan/entryChange.ts";
import { wholeCueSteps } from "../plan/wholeCue.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

const schema = z.strictObject({
  op: z.literal("copyList"),
  list,
  /** The id of the new list, which must be free. */
  as: id,
  label: label.optional(),
});

type CopyListEdit = z.infer<typeof schema>;

/** The steps that make a new list with copies of all cues of one, under the same numbers. What the cues say of other lists stays. */
function planCopyList(sheet: ShowSheet, edit: CopyListEdit): Step[] {
  const list = listOf(sheet, edit.list);
  if (sheet.lists.has(edit.as)) throw new ShowError(`There already is a list "${edit.as}"; choose another name for the copy`);
  const head = { ...listHeadOf(list.list), id: edit.as, label: edit.label ?? edit.as };
  const into = { ...list, id: edit.as };
  return [...entryChange(sheet.show, "lists", edit.as, head), ...list.cues.flatMap((cue) => wholeCueSteps(sheet, into, cue))];
}

/**
 * Copying a whole list, its cues keeping their numbers (docs/rules.md, Edits).
 * The id must be free. With its settings; what its cues do to other lists stays as it is.
 */
export const copyList = defineEdit(schema, {
  plan: planCopyList,
  words: ({ list, as, label }) => `List ${list ?? "main"} copied as ${label || as}`,
});
