import type { Show } from "@zm/core";
import { z } from "zod";
import { authorFields } from "./history.ts";
import { trusted } from "./trusted.ts";

/** One edit as the history lists it: without what it changed. */
export const pastEdit = z.object({
  revision: z.number(),
  kind: z.enum(["edit", "undo", "redo"]),
  summary: z.string(),
  /** When it was made, ISO 8601 in UTC. */
  madeAt: z.string(),
  /** The window that made it; null where that is not known. */
  window: z.string().nullable(),
  /** Who made it, where people had accounts. */
  person: z.string().nullable(),
});
export type PastEdit = z.infer<typeof pastEdit>;

/** A state of the show that has a name: the one after a revision. */
export const namedVersion = z.object({ revision: z.number(), name: z.string(), madeAt: z.string() });
export type NamedVersion = z.infer<typeof namedVersion>;

/** A page of the history, the newest first, with all names; `older` is what to ask for next, null at the beginning of the show. */
export const historyPage = z.object({
  edits: z.array(pastEdit),
  versions: z.array(namedVersion),
  older: z.number().nullable(),
});
export type HistoryPage = z.infer<typeof historyPage>;

/** Names the state after a revision; an empty name takes the name away. */
export const versionRequest = z.object({ ...authorFields, revision: z.number().int().min(0), name: z.string().max(200) });
export type VersionRequest = z.infer<typeof versionRequest>;

export const versionsReply = z.object({ versions: z.array(namedVersion) });
export type VersionsReply = z.infer<typeof versionsReply>;

/** The show as it was after a revision. */
export const pastShow = z.object({ revision: z.number(), show: trusted<Show>() });

/**
 * Which cue is which between the state after one revision and that after another: by list, by the number in the later one, the number in the earlier one; null for a
 * cue that came in between. Numbers that are not in it are the same cue in both.
 */
export const sameCues = z.object({
  from: z.number(),
  to: z.number(),
  lists: z.record(z.string(), z.record(z.string(), z.string().nullable())),
});
export type SameCues = z.infer<typeof sameCues>;

/** Makes the show what it was after a revision, as an edit of its own. */
export const backRequest = z.object({ ...authorFields, revision: z.number().int().min(0) });
export type BackRequest = z.infer<typeof backRequest>;
