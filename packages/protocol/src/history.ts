import { type EditInput, MOST_EDITS, type Step } from "@zm/core";
import { z } from "zod";
import { trusted } from "./trusted.ts";

/**
 * Who asks for a change: the window by a name of its own, the gesture it belongs to (what one gesture does is one step of undo), and the request by one of its own: the
 * same one twice is done once.
 */
export const authorFields = {
  window: z.string().max(64).optional(),
  gesture: z.string().max(64).optional(),
  request: z.string().min(1).max(64).optional(),
};

/** A step that can be taken back or made again; `window` made it, or took it back last. */
export const stepSummary = z.object({
  id: z.string(),
  of: z.enum(["edit", "hand"]),
  words: z.string(),
  window: z.string().nullable(),
  person: z.string().nullable(),
});
export type StepSummary = z.infer<typeof stepSummary>;

/** What undo and redo would do next; `version` rises with every change, so that the newer of two is known. */
export const historyState = z.object({ show: z.number(), version: z.number(), undo: stepSummary.nullable(), redo: stepSummary.nullable() });
export type HistoryState = z.infer<typeof historyState>;

/** One change of a show, told to every window: the exact steps that bring revision - 1 to revision. */
export const editEvent = z.object({
  show: z.number(),
  revision: z.number(),
  kind: z.enum(["edit", "undo", "redo"]),
  summary: z.string(),
  /** Who made it, where people have accounts, and in which window. */
  person: z.string().nullable(),
  window: z.string().nullable(),
  /** Null for an edit of very many steps: whoever is notified of it reads the show anew. */
  steps: trusted<readonly Step[]>().nullable(),
  history: historyState,
});
export type EditEvent = z.infer<typeof editEvent>;

/** Edits to be made, all or none; `base` is the revision that they were thought out on. */
export const editsRequest = z.object({
  ...authorFields,
  base: z.number().int().min(0),
  edits: z.array(trusted<EditInput>()).min(1).max(MOST_EDITS),
});
export type EditsRequest = z.infer<typeof editsRequest>;

/** Undo or redo; `step` is the id of the step that the window showed as the next. */
export const stepRequest = z.object({ ...authorFields, step: z.string().max(64).optional() });
export type StepRequest = z.infer<typeof stepRequest>;
