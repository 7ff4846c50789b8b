import { z } from "zod";
import { type Person, type Role } from "./people.ts";

/** Lights that are chosen at once are told up to so many. */
export const MOST_HERE = 500;

/** Where a window is, as it tells the others: which view, and what is chosen in it. */
export const hereRequest = z.object({
  show: z.number().int(),
  /** The window, by a name of its own. */
  window: z.string().min(1).max(64),
  /** Its view, as the address has it behind the show: "score", "rig/lights". */
  view: z.string().max(60),
  list: z.string().max(64).nullable(),
  cue: z.string().max(12).nullable(),
  cueEnd: z.string().max(12).nullable(),
  channels: z.array(z.number().int()).max(MOST_HERE),
});
export type HereRequest = z.infer<typeof hereRequest>;

/** A window that is here, and whose it is. */
export interface Here extends HereRequest, Readonly<Person> {
  readonly role: Role;
}
