import { z } from "zod";
import { addressLike } from "./address.ts";

/** Where levels are sent: a host and a port; 5568 is the standard's. */
const address = addressLike("127.0.0.1:5568");

/** True for the number of a universe as the standard has it. */
function isUniverse(text: string): boolean {
  const number = Number(text);
  return /^[1-9]\d{0,4}$/.test(text) && number <= 63_999;
}

/** How levels leave for the lights: whether they do, where to, and where each universe goes that goes elsewhere. */
export const outputSettings = z.object({
  on: z.boolean(),
  address,
  /** By universe. */
  universes: z
    .record(z.string(), address)
    .refine((universes) => Object.keys(universes).every(isUniverse), "a universe is a whole number from 1 to 63999"),
});
export type OutputSettings = z.infer<typeof outputSettings>;

/** The settings as they hold; `show` is the one on stage, whose levels are sent; `fault` says why nothing is sent, or not all of it. */
export const outputState = outputSettings.extend({ show: z.number().nullable(), fault: z.string().nullable() });
export type OutputState = z.infer<typeof outputState>;

/** What was sent last, 512 levels for each universe in use. */
export const sentLevels = z.object({ show: z.number().nullable(), universes: z.record(z.string(), z.array(z.number())) });
export type SentLevels = z.infer<typeof sentLevels>;

/** Which show is put on stage; null takes the one that is there off it. */
export const stageRequest = z.object({ show: z.number().int().min(1).nullable() });
export type StageRequest = z.infer<typeof stageRequest>;

/** The show on stage, null where none is: its name, and how many of its lights are lit, which go dark where another takes its place. */
export const stageState = z.object({ show: z.number().nullable(), title: z.string(), lit: z.number() });
export type StageState = z.infer<typeof stageState>;

/** What the simulated lights tell of themselves: by key name where each is, and whether something is not yet where it was told to be. */
export const rigSeen = z.object({ show: z.number(), moving: z.boolean(), values: z.record(z.string(), z.number()) });
export type RigSeen = z.infer<typeof rigSeen>;

/** Something that is wrong with the server for as long as it is: a disk that is full, an output that is off, a file that was damaged. `id` names what it is about. */
export const trouble = z.object({ id: z.string(), words: z.string() });
export type Trouble = z.infer<typeof trouble>;
