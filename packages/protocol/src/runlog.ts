import { type LogEntry, NOT_PLAIN, isPlainText } from "@zm/core";
import { z } from "zod";
import { trusted } from "./trusted.ts";

/** A run of a show: when it began, what it is called, how many times as fast as it is spoken it was called, and what was fired in it. */
export const runSummary = z.object({
  id: z.number(),
  name: z.string(),
  /** Milliseconds since 1970. */
  began: z.number(),
  ended: z.number(),
  speed: z.number(),
  /** How many cues were fired. */
  cues: z.number(),
  /** Who began it: somebody in a window, a caller, or nobody: the first cue that was fired from nothing. */
  begun: z.enum(["window", "caller", "itself"]),
  /** Whether its times serve the planner and the pace: only of a run that was begun on purpose, at the pace at which the play is spoken. */
  counts: z.boolean(),
  /** True for a run that was begun and has not been ended: what is fired belongs to it. */
  open: z.boolean(),
});
export type RunSummary = z.infer<typeof runSummary>;

/** The runs of a show, the newest first. `waiting` entries are not in the database yet. */
export const runsReply = z.object({ runs: z.array(runSummary), waiting: z.number() });
export type RunsReply = z.infer<typeof runsReply>;

/** One run with its entries, in the order of time. */
export const loggedRun = runSummary.omit({ ended: true, cues: true, open: true }).extend({ entries: z.array(trusted<LogEntry>()) });
export type LoggedRunReply = z.infer<typeof loggedRun>;

/** The newest runs with their entries, the newest first, for times between cues. */
export const loggedRunsReply = z.object({ runs: z.array(loggedRun) });
export type LoggedRunsReply = z.infer<typeof loggedRunsReply>;

/** Begins a run: what is fired from now on belongs to it. */
export const beginRunRequest = z.object({
  name: z.string().max(200).refine(isPlainText, NOT_PLAIN),
  speed: z.number().min(0.1).max(60).optional(),
});
export type BeginRunRequest = z.infer<typeof beginRunRequest>;

/** Gives a run a name, says whether its times count, or ends it. */
export const changeRunRequest = z.object({
  name: z.string().max(200).optional(),
  counts: z.boolean().optional(),
  ends: z.literal(true).optional(),
});
export type ChangeRunRequest = z.infer<typeof changeRunRequest>;
