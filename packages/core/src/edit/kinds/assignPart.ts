import { z } from "zod";
import type { Cue, PartHead } from "../../show/schema.ts";
import { type ListSheet, cueAt, rowOf } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../steps/apply.ts";
import { emptiedParts } from "../plan/emptiedParts.ts";
import type { Step } from "../steps/step.ts";
import { storeStep } from "../plan/moveSteps.ts";
import { selectMoves } from "../plan/selectKeys.ts";
import { cueNumber, keys, list, partNumber, partTimes } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { whoseWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("assignPart"),
  list,
  cue: cueNumber,
  keys,
  part: partNumber,
  times: partTimes.optional(),
});

type AssignPartEdit = z.infer<typeof schema>;

/**
 * The steps that give chosen keys' moves to a part: it is made when missing, and a part left empty is dropped, part 1 never. No look
 * changes, only when things happen. Throws ShowError where the cue stores none of these moves.
 */
function planAssignPart(list: ListSheet, edit: AssignPartEdit): Step[] {
  const row = rowOf(list, edit.cue);
  const cue = cueAt(list, row);
  const chosen = selectMoves(list, row, edit.keys, `give to part ${edit.part}`);
  const leaving = chosen.filter(({ move }) => move.part !== edit.part);
  return [
    ...partHeadSteps(list, cue, edit),
    ...leaving.flatMap(({ key, move }) => storeStep(list, key, row, { part: edit.part, move: move.move })),
    ...emptiedParts(
      list,
      cue,
      leaving.map(({ move }) => move),
    ),
  ];
}

/** The step that makes the part or gives it times; none where it stands with these times already. */
function partHeadSteps(list: ListSheet, cue: Cue, edit: AssignPartEdit): Step[] {
  const part = cue.parts.find((each) => each.number === edit.part);
  const before = part && partHeadOf(part);
  const after: PartHead = { ...before, times: { ...before?.times, ...edit.times } };
  if (before && sameData(before, after)) return [];
  return [{ at: "part", list: list.id, cue: cue.number, part: edit.part, before, after }];
}

/**
 * Giving moves of a cue to one of its parts (docs/rules.md, Edits).
 * A part that is missing is made and one that is emptied goes, but for part 1. No look changes; times do.
 */
export const assignPart = defineEdit(schema, {
  plan: (sheet, edit) => planAssignPart(listFor(sheet, edit), edit),
  words: ({ cue, keys, part }) => `Cue ${cue}: ${whoseWords(keys)} to part ${part}`,
});
