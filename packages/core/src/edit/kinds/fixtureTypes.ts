import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { checkShow } from "../../show/parse.ts";
import { entrySchemas } from "../../show/schema.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { applyEntry } from "../steps/applyEntry.ts";
import { id } from "../plan/fields.ts";
import { planSetEntry, refuseFaults, removal } from "../plan/setEntry.ts";
import { some } from "../plan/storedMoves.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

/**
 * Making a type of light this: its name and its attributes.
 * Refused where cues, palettes or patch would not fit the type any more.
 */
export const setType = defineEdit(z.strictObject({ op: z.literal("setType"), type: entrySchemas.fixtureType }), {
  plan: (sheet, { type }) => planSetEntry(sheet, "fixtureTypes", type.id, type),
  words: ({ type }) => `Fixture type ${type.name || type.id} set`,
});

/** The steps that take a fixture type away. Throws ShowError naming the channels and palettes that are made with it. */
function planRemoveType(sheet: ShowSheet, id: string): Step[] {
  const { show } = sheet;
  const channels = show.channels.filter((channel) => channel.type === id).map((channel) => String(channel.number));
  if (channels.length > 0) throw new ShowError(`Fixture type "${id}" is that of lights ${some(channels)}; change or remove those first`);
  const steps = removal(show, "fixtureTypes", id);
  refuseFaults(checkShow(steps.reduce(applyEntry, show)));
  return steps;
}

/**
 * Taking a type of light away that no light is of.
 * The refusal names the first lights of the type.
 */
export const removeType = defineEdit(z.strictObject({ op: z.literal("removeType"), type: id }), {
  plan: (sheet, { type }) => planRemoveType(sheet, type),
  words: ({ type }) => `Fixture type ${type} removed`,
});
