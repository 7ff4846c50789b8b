import { z } from "zod";
import { at } from "../../show/at.ts";
import { ShowError } from "../../show/errors.ts";
import { count } from "../../show/words.ts";
import { makeMove, moveTiming, paletteOf } from "../../show/move.ts";
import { columnOf } from "../../sheet/entry.ts";
import type { Key } from "../../sheet/keys.ts";
import { paletteNamed } from "../plan/paletteNamed.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { storeStep } from "../plan/moveSteps.ts";
import type { Plan } from "../plan/plan.ts";
import { rowsIn } from "../plan/rows.ts";
import { id, list, range } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("swapPalette"),
  list,
  ...range,
  /** One palette, or as many on both sides, in the same order: all at once, so that two may change places. */
  palette: z.union([id, z.array(id).min(1)]),
  as: z.union([id, z.array(id).min(1)]),
  skipMissing: z.boolean().optional(),
});

type SwapPaletteEdit = z.infer<typeof schema>;

/** The steps that swap one palette, or several at once: each move refers to one palette, so what is done for one never meets what is done for another. */
function planSwapPalettes(list: ListSheet, edit: SwapPaletteEdit): Plan {
  const [palettes, others] = [[edit.palette].flat(), [edit.as].flat()];
  if (palettes.length !== others.length)
    throw new ShowError(`${count(palettes.length, "palette")} for ${others.length}: name as many palettes on both sides`);
  const twice = palettes.find((each, index) => palettes.indexOf(each) !== index);
  if (twice !== undefined) throw new ShowError(`Palette "${twice}" is to become two others; name it once`);
  const plans = palettes.map((palette, index) => planSwapPalette(list, edit, palette, at(others, index)));
  return { steps: plans.flatMap(({ steps }) => steps), notes: plans.flatMap(({ notes = [] }) => notes) };
}

/**
 * The steps that make every move of a range that refers to one palette refer to another. Where the other has no value for a
 * light, the move stays as it is when `skipMissing` is given, and is told; else the edit is refused.
 */
function planSwapPalette(list: ListSheet, edit: SwapPaletteEdit, palette: string, as: string): Plan {
  const from = paletteNamed(list.palettes, palette);
  const to = paletteNamed(list.palettes, as);
  if (from.family !== to.family)
    throw new ShowError(`Palette "${from.id}" is for ${from.family} and "${to.id}" for ${to.family}; swap palettes of one family`);
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const users = list.keys.all.filter((key) => rowsUsing(list, key, from.id, first, last).length > 0);
  if (users.length === 0) throw new ShowError(`No move in cues ${edit.from} to ${edit.to} refers to palette "${from.id}"`);
  const missing = users.filter((key) => list.palettes.valueFor(to.id, key) === undefined);
  const notes = missing.map((key) => `Palette "${to.id}" has no ${key.attribute.id} for light ${key.channel}`);
  if (missing.length > 0 && !edit.skipMissing)
    throw new ShowError(`${notes.join("; ")}. Choose another palette, or leave those moves as they are (leave, at the end of the line)`);
  const steps = users
    .filter((key) => !missing.includes(key))
    .flatMap((key) =>
      rowsUsing(list, key, from.id, first, last).flatMap(({ row, index }) => {
        const { specs, parts } = columnOf(list, key);
        const timing = moveTiming(at(specs, index));
        return storeStep(list, key, row, { part: parts[index] ?? 1, move: makeMove({ palette: to.id }, timing) });
      }),
    );
  return { steps, notes };
}

/** The rows of a range in which a key refers to a palette, and the places of those moves in the column. */
function rowsUsing(list: ListSheet, key: Key, palette: string, first: number, last: number): { row: number; index: number }[] {
  const column = columnOf(list, key);
  if (!column.palettes.has(palette)) return [];
  return column.rows.flatMap((row, index) => {
    const spec = column.specs[index];
    return row >= first && row <= last && spec !== undefined && paletteOf(spec) === palette ? [{ row, index }] : [];
  });
}

/**
 * Making the moves of a range that refer to one palette refer to another (docs/rules.md, Edits).
 * Both must be of one family; several may be swapped at once, so that two change places.
 * Lights that the other palette has no value for refuse the edit, or keep what they have with `skipMissing`.
 */
export const swapPalette = defineEdit(schema, {
  plan: (sheet, edit) => planSwapPalettes(listFor(sheet, edit), edit),
  words: (edit) => {
    const others = [edit.as].flat();
    const swaps = [edit.palette].flat().map((palette, index) => `${palette} becomes ${others[index] ?? "?"}`);
    return `${rangeWords(edit)}: ${swaps.join(", ")}`;
  },
});
