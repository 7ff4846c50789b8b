import { z } from "zod";
import { editParts } from "../../show/schema.ts";
import { curve, factor, id, keys, list, partNumber, range, seconds } from "./shared.ts";

const familyPatch = z.strictObject({ fade: seconds.nullable().optional(), delay: seconds.nullable().optional() });
const timesPatch = z.strictObject({
  up: seconds.nullable().optional(),
  down: seconds.nullable().optional(),
  upDelay: seconds.nullable().optional(),
  downDelay: seconds.nullable().optional(),
  position: familyPatch.nullable().optional(),
  colour: familyPatch.nullable().optional(),
  beam: familyPatch.nullable().optional(),
});

export const setTimesSchema = z.strictObject({
  op: z.literal("setTimes"),
  list,
  ...range,
  part: partNumber.optional(),
  set: timesPatch.optional(),
  scale: factor.optional(),
});
export const setMoveTimesSchema = z.strictObject({
  op: z.literal("setMoveTimes"),
  list,
  ...range,
  keys,
  fade: editParts.spread.nullable().optional(),
  delay: editParts.spread.nullable().optional(),
  curve: curve.nullable().optional(),
  /** A stored pace to lay on the moves, instead of fade, delay and curve. */
  pace: id.optional(),
});

export type TimesPatch = z.infer<typeof timesPatch>;
export type SetTimesEdit = z.infer<typeof setTimesSchema>;
export type SetMoveTimesEdit = z.infer<typeof setMoveTimesSchema>;
