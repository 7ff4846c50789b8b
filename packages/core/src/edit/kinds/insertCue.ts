import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { readCueMoves } from "../../show/parse.ts";
import { rigOf } from "../../show/rig.ts";
import { cueFields, editParts } from "../../show/schema.ts";
import { type ListSheet, type ShowSheet, findRow } from "../../sheet/sheet.ts";
import { cueNumber, list } from "../plan/fields.ts";
import { checkActions, wholeCueSteps } from "../plan/wholeCue.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";

const schema = z.strictObject({ op: z.literal("insertCue"), list, cue: cueNumber, ...cueFields, parts: editParts.parts });

type InsertCueEdit = z.infer<typeof schema>;

/** The steps that insert a cue, with whatever fields and parts it brings. */
function planInsertCue(sheet: ShowSheet, list: ListSheet, edit: InsertCueEdit): Step[] {
  if (findRow(list, edit.cue) >= 0) throw new ShowError(`List "${list.id}" already has a cue ${edit.cue}; choose another number`);
  const { op: _op, list: _list, cue: number, ...fields } = edit;
  const faults: string[] = [];
  const cue = readCueMoves({ number, ...fields }, rigOf(sheet.show), sheet.palettes.byId, `Cue ${number}`, faults);
  if (faults.length > 0) throw new ShowError(faults);
  checkActions(sheet, cue);
  return wholeCueSteps(sheet, list, cue);
}

/**
 * Putting a new cue into a list (docs/rules.md, Edits).
 * The number must be free. The new cue shows what tracks into it until moves are recorded.
 */
export const insertCue = defineEdit(schema, {
  plan: (sheet, edit) => planInsertCue(sheet, listFor(sheet, edit), edit),
  words: ({ cue, label }) => `Cue ${cue} inserted${label ? `, “${label}”` : ""}`,
});
