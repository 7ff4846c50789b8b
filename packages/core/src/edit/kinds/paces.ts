import { z } from "zod";
import { entrySchemas } from "../../show/schema.ts";
import { id } from "../plan/fields.ts";
import { planSetEntry, removal } from "../plan/setEntry.ts";
import { defineEdit } from "./kind.ts";

/**
 * Making a pace this. What was laid on moves before does not follow it.
 * No stored move changes: a pace is a way of writing times, not a reference.
 */
export const setPace = defineEdit(z.strictObject({ op: z.literal("setPace"), pace: entrySchemas.pace }), {
  plan: (sheet, { pace }) => planSetEntry(sheet, "paces", pace.id, pace),
  words: ({ pace }) => `Pace ${pace.label || pace.id} set`,
});

/**
 * Taking a pace away; no cue can refer to one.
 * Always possible, since nothing depends on it.
 */
export const removePace = defineEdit(z.strictObject({ op: z.literal("removePace"), pace: id }), {
  plan: ({ show }, { pace }) => removal(show, "paces", pace),
  words: ({ pace }) => `Pace ${pace} removed`,
});
