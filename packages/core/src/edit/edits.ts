import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { callSchema, cueFields, editParts, FAMILIES, markSchema, triggerSchema, type Moves } from "../show/schema.ts";
import { stepSchema } from "./step.ts";

const { id, seconds, number, channelNumber, cueNumber, partTimes } = editParts;
const list = id.optional();
const range = { from: cueNumber, to: cueNumber };

/** Which keys an edit speaks of; what is left out means all. */
const selection = z.strictObject({
  channels: z.array(channelNumber).optional(),
  attributes: z.array(z.string()).optional(),
  families: z.array(z.enum(FAMILIES)).optional(),
});

const deed = z.union([
  z.strictObject({ set: number }),
  z.strictObject({ palette: id }),
  z.strictObject({ add: number }),
  z.strictObject({ scale: number.min(0, "is a factor below 0") }),
  z.strictObject({ release: z.literal(true) }),
  z.strictObject({ drop: z.literal(true) }),
]);

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
const rawMoves = z.custom<Moves>(
  (value) => typeof value === "object" && value !== null && !Array.isArray(value),
  "is not an object of moves",
);

const recordSchema = z.strictObject({
  op: z.literal("record"),
  list,
  cue: cueNumber,
  moves: rawMoves,
  mode: z.enum(["merge", "replace", "remove"]).default("merge"),
  scope: z.enum(["track", "cueOnly"]).default("track"),
  part: z.number().int().min(1, "is not a part number; parts count from 1").max(99).optional(),
  label: editParts.label.optional(),
  times: partTimes.optional(),
});
const changeSchema = z.strictObject({
  op: z.literal("change"),
  list,
  ...range,
  keys: selection.default(() => ({})),
  do: deed,
  where: z.enum(["look", "moves"]).default("look"),
  after: z.enum(["restore", "track"]).default("track"),
});
const setTimesSchema = z.strictObject({
  op: z.literal("setTimes"),
  list,
  ...range,
  part: z.number().int().min(1).max(99).optional(),
  set: timesPatch.optional(),
  scale: number.min(0, "is a factor below 0").optional(),
});
const setCueSchema = z.strictObject({
  op: z.literal("setCue"),
  list,
  ...range,
  label: editParts.label.nullable().optional(),
  note: z.string().max(5000).nullable().optional(),
  scene: z.string().max(60).nullable().optional(),
  trigger: triggerSchema.nullable().optional(),
  carries: z.enum(["track", "cueOnly", "isolated"]).nullable().optional(),
  mark: markSchema.nullable().optional(),
  call: callSchema.nullable().optional(),
  actions: cueFields.actions.nullable(),
});
const insertCueSchema = z.strictObject({ op: z.literal("insertCue"), list, cue: cueNumber, ...cueFields, parts: editParts.parts });
const deleteCueSchema = z.strictObject({
  op: z.literal("deleteCue"),
  list,
  cue: cueNumber,
  looks: z.enum(["keepLooks", "letGo"]).default("keepLooks"),
});
const stepsSchema = z.strictObject({ op: z.literal("steps"), steps: z.array(stepSchema) });

const editSchema = z.discriminatedUnion("op", [
  recordSchema,
  changeSchema,
  setTimesSchema,
  setCueSchema,
  insertCueSchema,
  deleteCueSchema,
  stepsSchema,
]);

export type KeySelection = z.infer<typeof selection>;
export type Deed = z.infer<typeof deed>;
export type TimesPatch = z.infer<typeof timesPatch>;
export type RecordEdit = z.infer<typeof recordSchema>;
export type ChangeEdit = z.infer<typeof changeSchema>;
export type SetTimesEdit = z.infer<typeof setTimesSchema>;
export type SetCueEdit = z.infer<typeof setCueSchema>;
export type InsertCueEdit = z.infer<typeof insertCueSchema>;
export type DeleteCueEdit = z.infer<typeof deleteCueSchema>;
/** One edit with its defaults filled in. */
export type Edit = z.infer<typeof editSchema>;
/** One edit as it may be written: what has a default may be left out. */
export type EditInput = z.input<typeof editSchema>;

/** Reads edits from plain data, one or an array. Throws ShowError naming the edit and the field that is wrong. */
export function readEdits(raw: unknown): Edit[] {
  const all = Array.isArray(raw) ? raw : [raw];
  return all.map((one, index) => {
    const parsed = editSchema.safeParse(one);
    if (parsed.success) return parsed.data;
    const place = all.length > 1 ? `Edit ${index + 1}` : "The edit";
    throw new ShowError(faultsOf(parsed.error, one).map((fault) => `${place}: ${fault.replace("the document: ", "")}`));
  });
}
