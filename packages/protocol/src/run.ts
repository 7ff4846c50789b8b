import { type FiredCue, type RunChange, type MixSnapshot, type PressFields, type RunReport, runChangeSchema, pressFields } from "@zm/core";
import { z } from "zod";
import { editEvent, editsRequest, historyState } from "./history.ts";
import { handState } from "./hand.ts";
import { trusted } from "./trusted.ts";

/**
 * All that runs of a show, whole: for a window that opens, or that has lost its place. `version` rises with every change. The run's clock read 0 at `origin`,
 * milliseconds of the server's clock.
 */
export const runState = z.object({
  show: z.number(),
  version: z.number(),
  revision: z.number(),
  origin: z.number(),
  mix: trusted<MixSnapshot>(),
});
export type RunState = z.infer<typeof runState>;

/** Where each list stands, by its id. */
const standing = z.record(z.string(), z.string().nullable());

/**
 * What has happened to what runs, from which every window computes the same run with the same core. It takes the one of `version` - 1 to `version`, over the
 * show at `revision`. `check` is what `mixCheck` gives for the result; a window that comes to another asks for the whole.
 */
export const runEvent = z.object({
  show: z.number(),
  version: z.number(),
  revision: z.number(),
  change: runChangeSchema,
  cues: standing,
  fired: z.array(trusted<FiredCue>()),
  reports: z.array(trusted<RunReport>()),
  check: z.number(),
  /** The run's clock read 0 at this moment, milliseconds of the server's clock. */
  origin: z.number(),
  /** The name of the press that it answers; null for what came by itself, and for presses without one. */
  press: z.string().nullable(),
  /** Who pressed; null for what came by itself. */
  from: z.object({ by: z.enum(["window", "osc"]), who: z.string() }).nullable(),
});
export type RunEvent = Omit<z.infer<typeof runEvent>, "change"> & { readonly change: RunChange };

/** Something pressed on what runs, as a window or a program sends it. */
export const pressRequest = pressFields;
export type PressRequest = PressFields;

/** Edits that belong to what is on stage: a record or an update made while the list runs. */
export const runningEditsRequest = editsRequest.extend({
  /** The keys in hand that count as recorded from then on, such as 12.pan. */
  recorded: z.array(z.string()).max(200_000),
  list: z.string().max(64).optional(),
  /** The cue that the window saw on stage; refused when the list has gone on. */
  onStage: z.string().max(12).nullable().optional(),
  /** The cue in which the list stands afterwards; left out, where it stood. */
  stands: z.string().max(12).nullable().optional(),
  /** In how many seconds what is at rest goes to what the cue then says. */
  settleIn: z.number().min(0).max(3600).optional(),
});
export type RunningEditsRequest = z.infer<typeof runningEditsRequest>;

/** What an edit made together with the run came to. */
export const runningReply = z.object({ edit: editEvent, hand: handState });
export type RunningReply = z.infer<typeof runningReply>;

/** What a step back or forward came to. */
export const stepReply = z.object({ words: z.string(), edit: editEvent.nullable(), hand: handState, history: historyState });
export type StepReply = z.infer<typeof stepReply>;
