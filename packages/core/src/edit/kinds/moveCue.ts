import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { type ListSheet, cueAt, findRow, rowOf } from "../../sheet/sheet.ts";
import { cueNumber, list } from "../fields.ts";
import { renumberSteps } from "../plan/renumberSteps.ts";
import type { Step } from "../step.ts";
import { defineEdit, listFor } from "./kind.ts";

const schema = z.strictObject({ op: z.literal("moveCue"), list, cue: cueNumber, to: cueNumber });

type MoveCueEdit = z.infer<typeof schema>;

/** The steps that move a cue with all it stores to another place in its list. Later looks follow. Throws ShowError for a number that is taken. */
function planMoveCue(list: ListSheet, edit: MoveCueEdit): Step[] {
  const cue = cueAt(list, rowOf(list, edit.cue));
  if (cue.number === edit.to) return [];
  if (findRow(list, edit.to) >= 0) throw new ShowError(`List "${list.id}" already has a cue ${edit.to}; choose another number`);
  return renumberSteps(list, [{ from: cue.number, to: edit.to }]);
}

/**
 * Moving a cue to another place in its list (SEMANTICS section 6).
 * It keeps what it stores; looks around it change as tracking has it, and the impact tells.
 */
export const moveCue = defineEdit(schema, {
  plan: (sheet, edit) => planMoveCue(listFor(sheet, edit), edit),
  words: ({ cue, to }) => `Cue ${cue} moved to ${to}`,
});
