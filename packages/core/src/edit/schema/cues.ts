import { z } from "zod";
import { callSchema, cueFields, editParts, markSchema, triggerSchema } from "../../show/schema.ts";
import { cueNumber, id, keys, label, list, partNumber, partTimes, range } from "./shared.ts";

export const setCueSchema = z.strictObject({
  op: z.literal("setCue"),
  list,
  ...range,
  label: label.nullable().optional(),
  note: editParts.text.max(5000).nullable().optional(),
  scene: editParts.text.max(60).nullable().optional(),
  trigger: triggerSchema.nullable().optional(),
  carries: z.enum(["track", "cueOnly", "isolated"]).nullable().optional(),
  mark: markSchema.nullable().optional(),
  call: callSchema.nullable().optional(),
  actions: cueFields.actions.nullable(),
});
export const insertCueSchema = z.strictObject({ op: z.literal("insertCue"), list, cue: cueNumber, ...cueFields, parts: editParts.parts });
export const deleteCueSchema = z.strictObject({
  op: z.literal("deleteCue"),
  list,
  cue: cueNumber,
  looks: z.enum(["keepLooks", "letGo"]).default("keepLooks"),
});
export const copyCueSchema = z.strictObject({
  op: z.literal("copyCue"),
  list,
  cue: cueNumber,
  to: cueNumber,
  /** The list that the copy goes to; left out: the same. */
  toList: id.optional(),
  what: z.enum(["moves", "look"]).default("moves"),
});
export const moveCueSchema = z.strictObject({ op: z.literal("moveCue"), list, cue: cueNumber, to: cueNumber });
export const renumberSchema = z.strictObject({ op: z.literal("renumber"), list, ...range, start: cueNumber, step: cueNumber.default("1") });
export const splitSchema = z.strictObject({ op: z.literal("split"), list, cue: cueNumber, to: cueNumber, keys });
export const assignPartSchema = z.strictObject({
  op: z.literal("assignPart"),
  list,
  cue: cueNumber,
  keys,
  part: partNumber,
  times: partTimes.optional(),
});
const flag = <T extends string>(op: T) => z.strictObject({ op: z.literal(op), list, ...range });
export const blockSchema = flag("block");
export const unblockSchema = flag("unblock");
export const assertSchema = flag("assert");
export const unassertSchema = flag("unassert");

export type SetCueEdit = z.infer<typeof setCueSchema>;
export type InsertCueEdit = z.infer<typeof insertCueSchema>;
export type DeleteCueEdit = z.infer<typeof deleteCueSchema>;
export type CopyCueEdit = z.infer<typeof copyCueSchema>;
export type MoveCueEdit = z.infer<typeof moveCueSchema>;
export type RenumberEdit = z.infer<typeof renumberSchema>;
export type SplitEdit = z.infer<typeof splitSchema>;
export type AssignPartEdit = z.infer<typeof assignPartSchema>;
export type FlagEdit =
  z.infer<typeof blockSchema> | z.infer<typeof unblockSchema> | z.infer<typeof assertSchema> | z.infer<typeof unassertSchema>;
