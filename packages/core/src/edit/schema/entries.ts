import { z } from "zod";
import { editParts, entrySchemas } from "../../show/schema.ts";
import { channelNumber, id } from "./shared.ts";

/** What becomes of what still uses the thing that is taken away; `refuse` names it. */
const used = z.enum(["refuse", "drop"]).default("refuse");

/** The title of the show, and what new cues start with; null takes that away, what is left out stays. */
export const setShowSchema = z.strictObject({
  op: z.literal("setShow"),
  title: editParts.label.min(1, "is empty; a show has a title").optional(),
  newCue: editParts.newCue.nullable().optional(),
});
export const setPaletteSchema = z.strictObject({ op: z.literal("setPalette"), palette: entrySchemas.palette });
export const setGroupSchema = z.strictObject({ op: z.literal("setGroup"), group: entrySchemas.group });
export const setPaceSchema = z.strictObject({ op: z.literal("setPace"), pace: entrySchemas.pace });
export const setChannelSchema = z.strictObject({ op: z.literal("setChannel"), channel: entrySchemas.channel });
export const setTypeSchema = z.strictObject({ op: z.literal("setType"), type: entrySchemas.fixtureType });
export const setListSchema = z.strictObject({
  op: z.literal("setList"),
  list: entrySchemas.list.extend({ cues: entrySchemas.list.shape.cues.optional() }),
});
export const removePaletteSchema = z.strictObject({
  op: z.literal("removePalette"),
  palette: id,
  used: z.enum(["refuse", "keepLooks", "drop"]).default("refuse"),
});
export const removeGroupSchema = z.strictObject({ op: z.literal("removeGroup"), group: id });
export const removePaceSchema = z.strictObject({ op: z.literal("removePace"), pace: id });
export const removeChannelSchema = z.strictObject({ op: z.literal("removeChannel"), channel: channelNumber, used });
export const renumberChannelSchema = z.strictObject({ op: z.literal("renumberChannel"), channel: channelNumber, to: channelNumber });
export const removeTypeSchema = z.strictObject({ op: z.literal("removeType"), type: id });
export const removeListSchema = z.strictObject({ op: z.literal("removeList"), list: id, used });

export type SetShowEdit = z.infer<typeof setShowSchema>;
export type SetPaletteEdit = z.infer<typeof setPaletteSchema>;
export type SetGroupEdit = z.infer<typeof setGroupSchema>;
export type SetPaceEdit = z.infer<typeof setPaceSchema>;
export type SetChannelEdit = z.infer<typeof setChannelSchema>;
export type SetTypeEdit = z.infer<typeof setTypeSchema>;
export type SetListEdit = z.infer<typeof setListSchema>;
export type RemovePaletteEdit = z.infer<typeof removePaletteSchema>;
export type RemoveChannelEdit = z.infer<typeof removeChannelSchema>;
export type RenumberChannelEdit = z.infer<typeof renumberChannelSchema>;
export type RemoveListEdit = z.infer<typeof removeListSchema>;
