import { z } from "zod";
import { entrySchemas } from "../../show/schema.ts";
import { count } from "../../show/words.ts";
import { entryChange } from "../plan/entryChange.ts";
import { id } from "../plan/fields.ts";
import { removal } from "../plan/setEntry.ts";
import { defineEdit } from "./kind.ts";

/**
 * Bringing a list of colours by numbers, or changing one.
 * Values that were taken from it before do not follow it.
 */
export const setColourList = defineEdit(z.strictObject({ op: z.literal("setColourList"), colourList: entrySchemas.colourList }), {
  plan: (sheet, { colourList }) => entryChange(sheet.show, "colourLists", colourList.id, colourList),
  words: ({ colourList }) => `Colour list ${colourList.label || colourList.id} set, ${count(colourList.colours.length, "colour")}`,
});

/**
 * Taking a list of colours away.
 * Values and palettes that were taken from it stay.
 */
export const removeColourList = defineEdit(z.strictObject({ op: z.literal("removeColourList"), colourList: id }), {
  plan: ({ show }, { colourList }) => removal(show, "colourLists", colourList),
  words: ({ colourList }) => `Colour list ${colourList} removed`,
});
