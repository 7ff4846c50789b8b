import { z } from "zod";
import { entrySchemas } from "../../show/schema.ts";
import { entryChange } from "../plan/entryChange.ts";
import { id } from "../plan/fields.ts";
import { removal } from "../plan/setEntry.ts";
import { defineEdit } from "./kind.ts";

/**
 * Keeping a ready movement under a name.
 * Waves that were laid on lights before do not follow it.
 */
export const setMovement = defineEdit(z.strictObject({ op: z.literal("setMovement"), movement: entrySchemas.movement }), {
  plan: (sheet, { movement }) => entryChange(sheet.show, "movements", movement.id, movement),
  words: ({ movement }) => `Movement ${movement.label || movement.id} set`,
});

/**
 * Taking a ready movement away.
 * Waves that were laid on lights stay.
 */
export const removeMovement = defineEdit(z.strictObject({ op: z.literal("removeMovement"), movement: id }), {
  plan: ({ show }, { movement }) => removal(show, "movements", movement),
  words: ({ movement }) => `Movement ${movement} removed`,
});
