// The fields that edits share. An edit is checked here as far as it can be without a show; what it names is looked up when it is planned.
import { z } from "zod";
import { FAN_ENDING } from "../../show/fanEnding.ts";
import { documentParts, editParts, FAMILIES } from "../../show/schema.ts";

/** The fields of the document, as edits have them too. */
export const { id, label, seconds, number, channelNumber, cueNumber, partTimes, curve } = editParts;
/** The list that an edit is about; left out: the show's first. */
export const list = id.optional();
/**
 * Cue numbers, both ends included; they need not exist themselves.
 * Rows are found by `rowsIn`, which refuses a range without a cue.
 */
export const range = { from: cueNumber, to: cueNumber };
/**
 * The number of a part of a cue.
 * Parts count from 1; part 1 is always there.
 */
export const partNumber = number.int("is not a part number").min(1, "is not a part number; parts count from 1").max(99);
/**
 * What times or values are multiplied by.
 * 0 is allowed: it takes times and values to nothing.
 */
export const factor = number.min(0, "is a factor below 0").max(1_000_000, "is a factor above a million");

/**
 * Which keys an edit speaks of; what is left out means all. The order of the channels is the order in which fans spread.
 * Channels, attributes and families narrow each other; families and attributes may stand together.
 */
export const selection = z.strictObject({
  channels: z.array(channelNumber).optional(),
  attributes: z.array(z.string()).optional(),
  families: z.array(z.enum(FAMILIES)).optional(),
});
/** The selection of an edit; left out: every key. */
export const keys = selection.default(() => ({}));

/**
 * A value for each of the chosen lights: a number for all, or a fan such as "-30~30".
 * Points in the attribute's own unit, first to last over the chosen lights.
 */
export const valueFan = z.union([
  number,
  z.string().regex(new RegExp(`^-?\\d+(\\.\\d+)?(~-?\\d+(\\.\\d+)?)+${FAN_ENDING.source}`), "is not a fan; write it as -30~30"),
]);
/**
 * What becomes of what still uses the thing that is taken away; `refuse` names it.
 * `drop` takes the users along, and the impact names them.
 */
export const used = z.enum(["refuse", "drop"]).default("refuse");

/** Moves are checked against the rig when the edit is planned. */
export const rawMoves = documentParts.moves;

/**
 * Which keys are spoken of, in edits and in the Hand.
 * `selectKeys` turns it into keys of a rig.
 */
export type KeySelection = z.infer<typeof selection>;

/** Waves of lights as a part holds them; whether the lights and tempos exist is checked when the edit is planned. */
export const waves = documentParts.waves;
