import { z } from "zod";
import { entrySchemas } from "../../show/schema.ts";
import { id } from "../plan/fields.ts";
import { planSetEntry, removal } from "../plan/setEntry.ts";
import { defineEdit } from "./kind.ts";

/**
 * Making a group this.
 * Lights that the rig does not have are refused. No look changes.
 */
export const setGroup = defineEdit(z.strictObject({ op: z.literal("setGroup"), group: entrySchemas.group }), {
  plan: (sheet, { group }) => planSetEntry(sheet, "groups", group.id, group),
  words: ({ group }) => `Group ${group.label || group.id} set`,
});

/**
 * Taking a group away; no cue can refer to one.
 * The message names the groups that there are where it is missing.
 */
export const removeGroup = defineEdit(z.strictObject({ op: z.literal("removeGroup"), group: id }), {
  plan: ({ show }, { group }) => removal(show, "groups", group),
  words: ({ group }) => `Group ${group} removed`,
});
