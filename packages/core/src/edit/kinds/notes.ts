import { z } from "zod";
import { entrySchemas } from "../../show/schema.ts";
import { entryChange } from "../plan/entryChange.ts";
import { id } from "../plan/fields.ts";
import { removal } from "../plan/setEntry.ts";
import { defineEdit } from "./kind.ts";

/**
 * Writing a note of somebody who looks on, or what became of it.
 * A note never changes a look. It stays when what it is pinned to goes.
 */
export const setNote = defineEdit(z.strictObject({ op: z.literal("setNote"), note: entrySchemas.note }), {
  plan: (sheet, { note }) => entryChange(sheet.show, "notes", note.id, note),
  words: ({ note }) => `Note ${note.done ? "ticked off" : "set"}: ${note.text.slice(0, 60)}`,
});

/**
 * Taking a note away.
 * No look changes.
 */
export const removeNote = defineEdit(z.strictObject({ op: z.literal("removeNote"), note: id }), {
  plan: ({ show }, { note }) => removal(show, "notes", note),
  words: ({ note }) => `Note ${note} removed`,
});
