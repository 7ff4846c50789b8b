import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { makeMove, moveTiming, paletteOf, plainValue } from "../../show/move.ts";
import type { MoveSpec, Palette } from "../../show/schema.ts";
import { entryAt } from "../../sheet/entry.ts";
import type { Key } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt, rowOf } from "../../sheet/sheet.ts";
import type { Step } from "../steps/step.ts";
import { entryChange } from "../plan/entryChange.ts";
import { type KeyMove, checkedMoves } from "../plan/checkedMoves.ts";
import { storeStep, storedMove, targetOfMove } from "../plan/moveSteps.ts";
import { cueNumber, list, rawMoves } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { count } from "../../show/words.ts";

const schema = z.strictObject({
  op: z.literal("update"),
  list,
  cue: cueNumber,
  moves: rawMoves,
  at: z.enum(["here", "atSource", "inPalette"]),
});

type UpdateEdit = z.infer<typeof schema>;

/** The steps that put values where a cue gets them from: into the cue, into the cue they come from, or into the palette (docs/rules.md, Edits). */
function planUpdate(sheet: ShowSheet, list: ListSheet, edit: UpdateEdit): Step[] {
  const row = rowOf(list, edit.cue);
  const moves = checkedMoves(sheet, edit.moves, `Cue ${edit.cue}`);
  if (edit.at === "inPalette") return intoPalettes(sheet, list, row, moves);
  return moves.flatMap(({ key, spec }) => storeAt(list, key, edit.at === "here" ? row : sourceOf(list, key, row), spec));
}

/** The step that stores a value in a row; the move there keeps its part and its times. */
function storeAt(list: ListSheet, key: Key, row: number, spec: MoveSpec): Step[] {
  const before = storedMove(list, key, row);
  const timing = { ...(before ? moveTiming(before.move) : {}), ...moveTiming(spec) };
  const part = before?.part ?? cueAt(list, row).parts[0]?.number ?? 1;
  return storeStep(list, key, row, { part, move: makeMove(targetOfMove(spec), timing) });
}

/** The row that a key's value comes from. Throws ShowError where it is not set. */
function sourceOf(list: ListSheet, key: Key, row: number): number {
  const entry = entryAt(list, key, row);
  if (!Number.isNaN(entry.value)) return entry.row;
  throw new ShowError(`${key.name} is not set in cue ${cueAt(list, row).number}, so it comes from no cue; update it here instead`);
}

/** One value for a palette: the entry that it comes from now, and what it becomes. */
interface Wish {
  readonly key: Key;
  readonly palette: string;
  readonly entry: Palette["values"][number];
  readonly value: number;
}

/** The steps that put values into the palettes they come from, a step for each palette. */
function intoPalettes(sheet: ShowSheet, list: ListSheet, row: number, moves: readonly KeyMove[]): Step[] {
  const wishes = moves.map(({ key, spec }) => wishOf(sheet, list, key, row, spec));
  const ids = [...new Set(wishes.map((wish) => wish.palette))];
  return ids.flatMap((id) => {
    const palette = sheet.palettes.byId.get(id);
    if (!palette) return [];
    const own = wishes.filter((wish) => wish.palette === id);
    return entryChange(sheet.show, "palettes", id, { ...palette, values: withWishes(palette, own) });
  });
}

/** Where in which palette a value belongs. Throws ShowError where the key shows no palette, or no number is given. */
function wishOf(sheet: ShowSheet, list: ListSheet, key: Key, row: number, spec: MoveSpec): Wish {
  const cue = cueAt(list, row).number;
  const value = plainValue(spec);
  if (value === undefined) throw new ShowError(`${key.name}: a palette holds numbers; give a value`);
  const shown = entryAt(list, key, row).spec;
  const palette = shown === undefined ? undefined : paletteOf(shown);
  const entry = palette === undefined ? undefined : sheet.palettes.entryFor(palette, key);
  if (palette === undefined || !entry)
    throw new ShowError(`${key.name} does not come from a palette in cue ${cue}; update it here or at its source`);
  return { key, palette, entry, value };
}

/** The palette's values with the wishes in: where two lights want different values of one entry, each gets its own. */
function withWishes(palette: Palette, wishes: readonly Wish[]): Palette["values"] {
  const divided = (entry: Wish["entry"]): boolean =>
    new Set(wishes.filter((wish) => wish.entry === entry).map((wish) => wish.value)).size > 1;
  const values = palette.values.map((entry) => {
    const wish = wishes.find((each) => each.entry === entry);
    return wish && !divided(entry) ? { ...entry, value: wish.value } : entry;
  });
  const own = wishes.filter((wish) => divided(wish.entry));
  return [...values, ...own.map(({ key, value }) => ({ attribute: key.attribute.id, value, channel: key.channel }))];
}

/** What is said of the three places of an update. */
const PLACE_WORDS = { here: "here", atSource: "at the source", inPalette: "in the palette" } as const;

/**
 * Putting values where a cue gets them from (docs/rules.md, Edits).
 * `here` stores in this cue, `atSource` where the value comes from, `inPalette` in the palette itself, for all who use it.
 */
export const update = defineEdit(schema, {
  plan: (sheet, edit) => planUpdate(sheet, listFor(sheet, edit), edit),
  words: ({ cue, moves, at }) => `Cue ${cue}: ${count(Object.keys(moves).length, "light")} updated ${PLACE_WORDS[at]}`,
});
