import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { sameData } from "../../show/sameData.ts";
import type { PartHead } from "../../show/schema.ts";
import { type ListSheet, cueAt, rowOf } from "../../sheet/sheet.ts";
import { partHeadOf } from "../steps/apply.ts";
import { cueNumber, curve, label, list, partNumber } from "../plan/fields.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { saidWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("setPart"),
  list,
  cue: cueNumber,
  part: partNumber,
  label: label.nullable().optional(),
  curve: curve.nullable().optional(),
});

type SetPartEdit = z.infer<typeof schema>;

/** The step that names a part of a cue or gives it a curve; null forgets one. Throws ShowError for a part that is not there. */
function planSetPart(list: ListSheet, edit: SetPartEdit): Step[] {
  const cue = cueAt(list, rowOf(list, edit.cue));
  const part = cue.parts.find(({ number }) => number === edit.part);
  if (!part) throw noSuchPart(cue.number, edit.part, cue.parts);
  const before = partHeadOf(part);
  const after: PartHead = { ...before };
  for (const name of ["label", "curve"] as const) if (edit[name] === null || edit[name] === "") delete after[name];
  if (edit.label) after.label = edit.label;
  if (edit.curve) after.curve = edit.curve;
  return sameData(before, after) ? [] : [{ at: "part", list: list.id, cue: cue.number, part: part.number, before, after }];
}

/**
 * The refusal of a part that a cue does not have, naming those that it has.
 * To be thrown by the caller.
 */
export function noSuchPart(cue: string, part: number, parts: readonly { readonly number: number }[]): ShowError {
  const numbers = parts.map(({ number }) => number).join(" and ");
  return new ShowError(`Cue ${cue} has no part ${part}; its ${parts.length === 1 ? "only part is" : "parts are"} ${numbers}`);
}

/**
 * Naming a part of a cue, or giving it a curve (docs/rules.md, Edits, parts).
 * A part that the cue does not have is refused: parts are made by giving them moves.
 */
export const setPart = defineEdit(schema, {
  plan: (sheet, edit) => planSetPart(listFor(sheet, edit), edit),
  words: ({ cue, part, label, curve }) =>
    `Cue ${cue}, part ${part}: ${[...(label ? [`“${label}”`] : saidWords("name", label)), ...saidWords("curve", curve)].join(", ") || "unchanged"}`,
});
