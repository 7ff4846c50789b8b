import { z } from "zod";
import { channelNumber, cueNumber, factor, id, keys, label, list, number, partNumber, partTimes, range, rawMoves } from "./shared.ts";

const fan = z.string().regex(/^-?\d+(\.\d+)?(~-?\d+(\.\d+)?)+$/, "is not a fan; write it as -30~30");

export const operation = z.union([
  z.strictObject({ set: z.union([number, fan]) }),
  z.strictObject({ palette: id }),
  z.strictObject({ add: number }),
  z.strictObject({ scale: factor }),
  z.strictObject({ release: z.literal(true) }),
  z.strictObject({ drop: z.literal(true) }),
]);

export const recordSchema = z.strictObject({
  op: z.literal("record"),
  list,
  cue: cueNumber,
  moves: rawMoves,
  mode: z.enum(["merge", "replace", "remove"]).default("merge"),
  scope: z.enum(["track", "cueOnly"]).default("track"),
  part: partNumber.optional(),
  label: label.optional(),
  times: partTimes.optional(),
});
export const changeSchema = z.strictObject({
  op: z.literal("change"),
  list,
  ...range,
  keys,
  do: operation,
  where: z.enum(["look", "moves"]).default("look"),
  after: z.enum(["restore", "track"]).default("track"),
});
export const updateSchema = z.strictObject({
  op: z.literal("update"),
  list,
  cue: cueNumber,
  moves: rawMoves,
  at: z.enum(["here", "atSource", "inPalette"]),
});
export const recastSchema = z.strictObject({
  op: z.literal("recast"),
  list,
  ...range,
  channel: channelNumber,
  as: channelNumber,
  how: z.enum(["replace", "copy", "swap"]).default("replace"),
  skipMissing: z.boolean().optional(),
});
export const swapPaletteSchema = z.strictObject({
  op: z.literal("swapPalette"),
  list,
  ...range,
  palette: id,
  as: id,
  skipMissing: z.boolean().optional(),
});

export type Operation = z.infer<typeof operation>;
export type RecordEdit = z.infer<typeof recordSchema>;
export type ChangeEdit = z.infer<typeof changeSchema>;
export type UpdateEdit = z.infer<typeof updateSchema>;
export type RecastEdit = z.infer<typeof recastSchema>;
export type SwapPaletteEdit = z.infer<typeof swapPaletteSchema>;
