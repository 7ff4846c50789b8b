import type { Firing, ListClock, Playback } from "@zm/core";
import { z } from "zod";
import { editEvent, editsRequest, historyState } from "./history.ts";
import { handState } from "./hand.ts";
import { whole } from "./whole.ts";

/** A running list as a whole: for a window that opens, or that has lost its place. `turn` rises with every change. */
export const runState = z.object({ show: z.number(), turn: z.number(), playback: whole<Playback>(), clock: whole<ListClock>() });
export type RunState = z.infer<typeof runState>;

/**
 * What has happened to a running list: what was fired, from which every window computes the same playback with the same core.
 * It takes the one of `turn` - 1 to `turn`, over the show at `revision`. `check` is what `playbackCheck` gives for the result; a
 * window that comes to another asks for the whole.
 */
export const runEvent = z.object({
  show: z.number(),
  list: z.string(),
  turn: z.number(),
  revision: z.number(),
  firings: z.array(whole<Firing>()),
  clock: whole<ListClock>(),
  cue: z.string().nullable(),
  follow: z.object({ cue: z.string(), at: z.number() }).nullable(),
  check: z.number(),
});
export type RunEvent = z.infer<typeof runEvent>;

export const PRESSES = ["go", "back", "hold", "goto"] as const;
/** Something pressed on a running list. */
export const pressRequest = z.object({
  press: z.enum(PRESSES),
  /** go: the cue that the window showed as next. goto: the cue to go to. */
  cue: z.string().max(12).optional(),
  /** goto: seconds for every key; left out, the cue's own times. */
  time: z.number().min(0).max(3600).optional(),
  list: z.string().max(64).optional(),
});
export type PressRequest = z.infer<typeof pressRequest>;

/** Edits that belong to what is on stage: a record or an update made while the list runs. */
export const runningEditsRequest = editsRequest.extend({
  /** The keys in hand that count as recorded from then on, such as 12.pan. */
  recorded: z.array(z.string()).max(200_000),
  list: z.string().max(64).optional(),
  /** The cue that the window saw on stage; refused when the list has gone on. */
  onStage: z.string().max(12).nullable().optional(),
  /** The cue in which the list stands afterwards; left out, where it stood. */
  stands: z.string().max(12).nullable().optional(),
});
export type RunningEditsRequest = z.infer<typeof runningEditsRequest>;

/** What an edit made together with the run came to. */
export const runningReply = z.object({ edit: editEvent, hand: handState, run: runEvent });
export type RunningReply = z.infer<typeof runningReply>;

/** What a step back or forward came to. */
export const stepReply = z.object({ words: z.string(), edit: editEvent.nullable(), hand: handState, history: historyState });
export type StepReply = z.infer<typeof stepReply>;
