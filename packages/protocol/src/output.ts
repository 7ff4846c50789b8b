import { z } from "zod";
import { addressLike } from "./address.ts";

/** Where levels are sent: a host and a port; 5568 is the standard's. */
const address = addressLike("127.0.0.1:5568");

/** How levels leave for the lights: whether they do, where to, and where each universe goes that goes elsewhere. */
export const outputSettings = z.object({
  on: z.boolean(),
  address,
  /** By universe. */
  universes: z.record(z.string().regex(/^\d{1,5}$/), address),
});
export type OutputSettings = z.infer<typeof outputSettings>;

/** The settings as they hold; `show` is the one whose levels are sent: the one in which something was pressed last. */
export const outputState = outputSettings.extend({ show: z.number().nullable() });
export type OutputState = z.infer<typeof outputState>;

/** What was sent last, 512 levels for each universe in use. */
export const sentLevels = z.object({ show: z.number().nullable(), universes: z.record(z.string(), z.array(z.number())) });
export type SentLevels = z.infer<typeof sentLevels>;

/** What the simulated lights tell of themselves: by key name where each is, and whether something is not yet where it was told to be. */
export interface RigSeen {
  readonly show: number;
  readonly moving: boolean;
  readonly values: Readonly<Record<string, number>>;
}
