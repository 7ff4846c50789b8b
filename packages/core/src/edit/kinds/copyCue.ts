import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import { makeMove } from "../../show/move.ts";
import type { Moves, Part } from "../../show/schema.ts";
import { UNSET, carriedAt, entryAt } from "../../sheet/entry.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, firstRowFrom, listOf, rowOf } from "../../sheet/sheet.ts";
import type { Step } from "../step.ts";
import { storedMove, targetOf } from "../plan/moveSteps.ts";
import { wholeCueSteps } from "../plan/wholeCue.ts";
import { cueNumber, id, list } from "../fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { isWall } from "../../sheet/tracking.ts";

const schema = z.strictObject({
  op: z.literal("copyCue"),
  list,
  cue: cueNumber,
  to: cueNumber,
  /** The list that the copy goes to; left out: the same. */
  toList: id.optional(),
  what: z.enum(["moves", "look"]).default("moves"),
});

type CopyCueEdit = z.infer<typeof schema>;

/**
 * The steps that copy a cue, into the same list or another: with the moves that it stores, or with its whole look, so that the
 * copy looks the same wherever it stands. Later looks follow what the copy lets track on.
 */
function planCopyCue(sheet: ShowSheet, list: ListSheet, edit: CopyCueEdit): Step[] {
  const row = rowOf(list, edit.cue);
  const target = edit.toList === undefined ? list : listOf(sheet, edit.toList);
  if (findRow(target, edit.to) >= 0)
    throw new ShowError(`List "${target.id}" already has a cue ${edit.to}; choose another number for the copy`);
  const cue = cueAt(list, row);
  const parts = edit.what === "look" ? lookParts(list, row, target, edit.to) : cue.parts;
  return wholeCueSteps(sheet, target, { ...cue, number: edit.to, parts });
}

/** The parts of a cue with everything that it shows as moves: what tracks in, and what it must release where it stands now. */
function lookParts(list: ListSheet, row: number, target: ListSheet, to: string): Part[] {
  const cue = cueAt(list, row);
  const tracked: Moves = {};
  const behind = firstRowFrom(target, cueOrder(to)) - 1;
  for (const key of list.keys.all) {
    if (storedMove(list, key, row)) continue;
    const shown = entryAt(list, key, row);
    const into = isWall(list, row) ? UNSET : carriedAt(target, key, behind);
    if (Number.isNaN(shown.value) && Number.isNaN(into.value)) continue;
    (tracked[key.channel] ??= {})[key.attribute.id] = makeMove(targetOf(shown));
  }
  return cue.parts.map((part, index) => (index === 0 ? { ...part, moves: merged(part.moves, tracked) } : part));
}

/** Moves with more moves beside them. */
function merged(moves: Moves, more: Moves): Moves {
  const all: Moves = { ...moves };
  for (const [channel, attributes] of Object.entries(more)) all[channel] = { ...all[channel], ...attributes };
  return all;
}

/** Copying a cue, into the same list or another (SEMANTICS section 6). */
export const copyCue = defineEdit(schema, {
  plan: (sheet, edit) => planCopyCue(sheet, listFor(sheet, edit), edit),
  words: ({ cue, to, what }) => `Cue ${cue} copied to ${to}${what === "look" ? ", its whole look" : ""}`,
});
