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

/** A cue that somebody keeps for themselves for a while: nobody else changes it meanwhile without taking it over. */
export const keptCue = z.object({
  list: z.string().max(64),
  cue: z.string().max(12),
  window: z.string().min(1).max(64),
  /** Who keeps it, where people have accounts. */
  person: z.string().nullable(),
  /** Until when, milliseconds. */
  ends: z.number(),
});
export type KeptCue = z.infer<typeof keptCue>;

/** Keeps a cue, taking it over from whoever does by now; or keeps it no more. */
export const keepRequest = z.object({
  window: z.string().min(1).max(64),
  list: z.string().max(64),
  cue: z.string().max(12),
  keep: z.boolean(),
});
export type KeepRequest = z.infer<typeof keepRequest>;

export const keptReply = z.object({ kept: z.array(keptCue) });
export type KeptReply = z.infer<typeof keptReply>;

/** Whether a cue is kept by whoever asks: by the same person, or where nobody has an account by the same window. */
export function isOwnKept(
  kept: Pick<KeptCue, "window" | "person">,
  { window, person }: { window: string | null; person: string | null },
): boolean {
  return person === null || kept.person === null ? kept.window === window : kept.person === person;
}
