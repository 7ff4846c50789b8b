import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { documentParts, editParts } from "../show/schema.ts";
import type { Hand } from "./hand.ts";
import { givenWaves, heldWaveSchema } from "./heldWave.ts";

const fansSchema = z.strictObject({ fade: z.string().max(200).optional(), delay: z.string().max(200).optional() });
const timing = z.strictObject({
  fade: editParts.seconds.nullable().optional(),
  delay: editParts.seconds.nullable().optional(),
  curve: editParts.curve.nullable().optional(),
  fans: fansSchema.optional(),
});
const keyNames = z.array(z.string().max(80)).max(200_000);

/**
 * Everything that can be done to the Hand. Dropping without keys drops all; `fade` is how long values take back to the show, seconds.
 * As the server takes them from windows.
 */
export const handChangeSchema = z.discriminatedUnion("do", [
  z.strictObject({
    do: z.literal("give"),
    moves: documentParts.moves,
    /** What keys that are in hand already put out now, for values that come in their own times. */
    from: z.record(z.string().max(80), z.number()).optional(),
  }),
  z.strictObject({ do: z.literal("wave"), waves: givenWaves }),
  z.strictObject({ do: z.literal("inTime"), on: z.boolean() }),
  z.strictObject({ do: z.literal("time"), times: z.record(z.string().max(80), timing) }),
  z.strictObject({ do: z.literal("drop"), keys: keyNames.optional(), fade: editParts.seconds.default(1) }),
  z.strictObject({ do: z.literal("restoreDropped") }),
  z.strictObject({ do: z.literal("recorded"), keys: keyNames }),
]);
/**
 * One change of the Hand as it may be written.
 * `readHandChanges` checks it and fills its defaults in.
 */
export type HandChange = z.input<typeof handChangeSchema>;
/**
 * Own times of one value in hand; null takes a time away, absent leaves it. Seconds.
 * As a move's own times, with null for "take away".
 */
export type HandTiming = z.infer<typeof timing>;

const heldValueSchema = z.strictObject({
  move: documentParts.move,
  fresh: z.boolean(),
  fans: fansSchema.optional(),
  course: z.strictObject({ at: z.number(), from: z.number().nullable() }).optional(),
});
const heldSchema = z.record(z.string(), z.union([heldValueSchema, heldWaveSchema]));
const storedHand = z.strictObject({ held: heldSchema, dropped: heldSchema, leaving: z.strictObject({}), inTime: z.boolean().optional() });

/**
 * Reads changes from plain data. Throws ShowError naming the change and the field that is wrong.
 * The message counts changes from 1. Values are held against the rig when the change is made.
 */
export function readHandChanges(raw: readonly unknown[]): HandChange[] {
  return raw.map((one, index) => {
    const parsed = handChangeSchema.safeParse(one);
    if (parsed.success) return parsed.data;
    throw new ShowError(
      faultsOf(parsed.error, one).map((fault) => `Change ${index + 1} of the Hand: ${fault.replace("the document: ", "")}`),
    );
  });
}

/**
 * Reads a Hand that was stored as text; undefined for one that is damaged and cannot be read.
 * Values of lights that are gone are kept here and left out by `fitHand`.
 */
export function readHand(text: string): Hand | undefined {
  try {
    const parsed = storedHand.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : undefined;
  } catch {
    return undefined;
  }
}
