import { keyName } from "../../show/keyName.ts";
import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { makeMove, moveTiming, paletteOf } from "../../show/move.ts";
import { type HeldLook, type MoveSpec, entrySchemas } from "../../show/schema.ts";
import { keyNamed } from "../../sheet/keys.ts";
import { resolve } from "../../sheet/palettes.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { id } from "../plan/fields.ts";
import { entryChange } from "../plan/entryChange.ts";
import { storeStep } from "../plan/moveSteps.ts";
import { planSetEntry, removal } from "../plan/setEntry.ts";
import { cuesOf, paletteUsers } from "../plan/storedMoves.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

/**
 * Making a palette this; every cue that refers to it follows.
 * Values for lights or types that the rig does not have are refused.
 */
export const setPalette = defineEdit(z.strictObject({ op: z.literal("setPalette"), palette: entrySchemas.palette }), {
  plan: (sheet, { palette }) => planSetEntry(sheet, "palettes", palette.id, palette),
  words: ({ palette }) => `Palette ${palette.label || palette.id} set`,
});

const removeSchema = z.strictObject({
  op: z.literal("removePalette"),
  palette: id,
  used: z.enum(["refuse", "keepLooks", "drop"]).default("refuse"),
});

/** The steps that take a palette away: with `keepLooks` its values stay as numbers, with `drop` the moves that refer to it go too. */
function planRemovePalette(sheet: ShowSheet, edit: z.infer<typeof removeSchema>): Step[] {
  const taken = removal(sheet.show, "palettes", edit.palette);
  const users = paletteUsers(sheet, edit.palette);
  const looks = (sheet.show.heldLooks ?? []).filter((look) => refersTo(look, edit.palette));
  const where = [
    ...(users.length > 0 ? [`${users.length} moves in ${cuesOf(users)}`] : []),
    ...looks.map(({ label, id: look }) => `the held look ${label || look}`),
  ];
  if (where.length > 0 && edit.used === "refuse")
    throw new ShowError(
      `Palette "${edit.palette}" is used by ${where.join(" and by ")}; remove it so that they keep its numbers, or with those moves`,
    );
  const moves = users.flatMap(({ list, key, row, part, spec }) => {
    if (edit.used === "drop") return storeStep(list, key, row, undefined);
    const value = resolve(spec, key, sheet.palettes);
    return storeStep(list, key, row, { part, move: makeMove(Number.isNaN(value) ? { release: true } : { value }, moveTiming(spec)) });
  });
  const inLooks = looks.flatMap((look) => entryChange(sheet.show, "heldLooks", look.id, withoutPalette(sheet, look, edit)));
  return [...moves, ...inLooks, ...taken];
}

function refersTo({ values }: HeldLook, palette: string): boolean {
  return Object.values(values).some((own) => Object.values(own).some((spec) => paletteOf(spec) === palette));
}

/** A held look with a palette's values as numbers, or without them. */
function withoutPalette(sheet: ShowSheet, look: HeldLook, { palette, used }: z.infer<typeof removeSchema>): HeldLook {
  const values: HeldLook["values"] = {};
  for (const [channel, own] of Object.entries(look.values)) {
    const left = Object.entries(own).flatMap(([attribute, spec]): [string, MoveSpec][] => {
      if (paletteOf(spec) !== palette) return [[attribute, spec]];
      const key = keyNamed(sheet.keys, keyName(channel, attribute));
      const value = key && used === "keepLooks" ? resolve(spec, key, sheet.palettes) : Number.NaN;
      return Number.isNaN(value) ? [] : [[attribute, value]];
    });
    if (left.length > 0) values[channel] = Object.fromEntries(left);
  }
  return { ...look, values };
}

/**
 * Taking a palette away, and what becomes of the moves that refer to it.
 * Refused while it is used, unless users keep its numbers (`keepLooks`: no look changes) or their moves go with it (`drop`).
 */
export const removePalette = defineEdit(removeSchema, {
  plan: planRemovePalette,
  words: ({ palette }) => `Palette ${palette} removed`,
});
