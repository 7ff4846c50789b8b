import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { entrySchemas } from "../../show/schema.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { id, used } from "../plan/fields.ts";
import { planRemoveUsed } from "../plan/removeUsed.ts";
import { planSetEntry } from "../plan/setEntry.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

const removeSchema = z.strictObject({ op: z.literal("removeTempo"), tempo: id, used });

/** The steps that take a tempo away. Throws ShowError while a list runs at it: such a list would stand still. */
function planRemoveTempo(sheet: ShowSheet, edit: z.infer<typeof removeSchema>): Step[] {
  const list = sheet.show.lists.find(({ steps }) => steps?.tempo === edit.tempo);
  if (list) throw new ShowError(`Tempo "${edit.tempo}" is what list ${list.label || list.id} steps at; give that list an interval first`);
  return planRemoveUsed(sheet, "tempos", edit.tempo, edit.used, (action) => action.do === "tempo" && action.tempo === edit.tempo);
}

/**
 * Making a tempo this: a beat that several lists share (docs/running.md, Lists).
 * Lists that name it step by it. A tap while the show runs is no edit.
 */
export const setTempo = defineEdit(z.strictObject({ op: z.literal("setTempo"), tempo: entrySchemas.tempo }), {
  plan: (sheet, { tempo }) => planSetEntry(sheet, "tempos", tempo.id, tempo),
  words: ({ tempo }) => `Tempo ${tempo.label || tempo.id} set to ${tempo.perMinute} a minute`,
});

/**
 * Taking a tempo away; cues that set it refuse that, or lose those actions.
 * Refused also while a list steps at it: such a list would stand still.
 */
export const removeTempo = defineEdit(removeSchema, {
  plan: planRemoveTempo,
  words: ({ tempo }) => `Tempo ${tempo} removed`,
});
