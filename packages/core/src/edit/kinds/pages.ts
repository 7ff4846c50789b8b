import { z } from "zod";
import { entrySchemas } from "../../show/schema.ts";
import { entryChange } from "../plan/entryChange.ts";
import { id } from "../plan/fields.ts";
import { removal } from "../plan/setEntry.ts";
import { defineEdit } from "./kind.ts";

/**
 * Making a page of the shelf this: its name, and what stands in its places.
 * What it speaks of need not be there; it is left out of sight then.
 */
export const setPage = defineEdit(z.strictObject({ op: z.literal("setPage"), page: entrySchemas.page }), {
  plan: (sheet, { page }) => entryChange(sheet.show, "pages", page.id, page),
  words: ({ page }) => `Page ${page.label || page.id} of the shelf set`,
});

/**
 * Taking a page of the shelf away.
 * What stood on it stays in the show.
 */
export const removePage = defineEdit(z.strictObject({ op: z.literal("removePage"), page: id }), {
  plan: ({ show }, { page }) => removal(show, "pages", page),
  words: ({ page }) => `Page ${page} of the shelf removed`,
});
