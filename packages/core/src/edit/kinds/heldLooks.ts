import { z } from "zod";
import { readHeldLook } from "../../show/parse.ts";
import { rigOf } from "../../show/rig.ts";
import { type HeldLook, entrySchemas } from "../../show/schema.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { id, used } from "../plan/fields.ts";
import { entryChange } from "../plan/entryChange.ts";
import { planRemoveUsed } from "../plan/removeUsed.ts";
import { refuseFaults } from "../plan/setEntry.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

/** The steps that make a held look this. Throws ShowError for values that the rig cannot hold, and for times and releases, which a look has not. */
function planSetHeldLook(sheet: ShowSheet, look: HeldLook): Step[] {
  const faults: string[] = [];
  const read = readHeldLook(look, rigOf(sheet.show), sheet.palettes.byId, faults);
  refuseFaults(faults);
  return entryChange(sheet.show, "heldLooks", look.id, read);
}

/**
 * Making a held look this: its values, how its levels count, and how fast its other values take hold (docs/running.md, Lists).
 * Its fader is a matter of the run and is not touched. Values are held against the rig.
 */
export const setHeldLook = defineEdit(z.strictObject({ op: z.literal("setHeldLook"), look: entrySchemas.heldLook }), {
  plan: (sheet, { look }) => planSetHeldLook(sheet, look),
  words: ({ look }) => `Held look ${look.label || look.id} set`,
});

/**
 * Taking a held look away; cues that raise or lower it refuse that, or lose those actions.
 * With `used: drop` those actions are taken out of their cues in the same edit.
 */
export const removeHeldLook = defineEdit(z.strictObject({ op: z.literal("removeHeldLook"), look: id, used }), {
  plan: (sheet, edit) =>
    planRemoveUsed(sheet, "heldLooks", edit.look, edit.used, (action) => action.do === "look" && action.look === edit.look),
  words: ({ look }) => `Held look ${look} removed`,
});
