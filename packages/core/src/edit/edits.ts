import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import * as cues from "./schema/cues.ts";
import * as entries from "./schema/entries.ts";
import * as times from "./schema/times.ts";
import * as values from "./schema/values.ts";
import { stepSchema } from "./step.ts";

/** Exact changes, such as an inverse is made of. */
const stepsSchema = z.strictObject({ op: z.literal("steps"), steps: z.array(stepSchema) });

const editSchema = z.discriminatedUnion("op", [
  values.recordSchema,
  values.changeSchema,
  values.updateSchema,
  values.recastSchema,
  values.swapPaletteSchema,
  times.setTimesSchema,
  times.setMoveTimesSchema,
  cues.setCueSchema,
  cues.insertCueSchema,
  cues.deleteCueSchema,
  cues.copyCueSchema,
  cues.moveCueSchema,
  cues.renumberSchema,
  cues.splitSchema,
  cues.assignPartSchema,
  cues.blockSchema,
  cues.unblockSchema,
  cues.assertSchema,
  cues.unassertSchema,
  entries.setShowSchema,
  entries.setPaletteSchema,
  entries.setGroupSchema,
  entries.setPaceSchema,
  entries.setChannelSchema,
  entries.setTypeSchema,
  entries.setListSchema,
  entries.removePaletteSchema,
  entries.removeGroupSchema,
  entries.removePaceSchema,
  entries.removeChannelSchema,
  entries.renumberChannelSchema,
  entries.removeTypeSchema,
  entries.removeListSchema,
  stepsSchema,
]);

export type { KeySelection } from "./schema/shared.ts";
export type { ChangeEdit, Operation, RecordEdit } from "./schema/values.ts";
export type { TimesPatch } from "./schema/times.ts";
/** One edit with its defaults filled in. */
export type Edit = z.infer<typeof editSchema>;
/** One edit as it may be written: what has a default may be left out. */
export type EditInput = z.input<typeof editSchema>;
/** The names of all edits. */
export const EDIT_OPS: readonly string[] = editSchema.options.map((option) => option.shape.op.value);

/** Reads edits from plain data, one or an array. Throws ShowError naming the edit and the field that is wrong. */
export function readEdits(raw: unknown): Edit[] {
  const all = Array.isArray(raw) ? raw : [raw];
  return all.map((one: unknown, index) => {
    const place = all.length > 1 ? `Edit ${index + 1}` : "The edit";
    const op = typeof one === "object" && one !== null && "op" in one ? one.op : undefined;
    if (typeof op === "string" && !EDIT_OPS.includes(op))
      throw new ShowError(`${place}: there is no edit "${op}"; the edits are ${EDIT_OPS.join(", ")}`);
    const parsed = editSchema.safeParse(one);
    if (parsed.success) return parsed.data;
    throw new ShowError(faultsOf(parsed.error, one).map((fault) => `${place}: ${fault.replace("the document: ", "")}`));
  });
}
