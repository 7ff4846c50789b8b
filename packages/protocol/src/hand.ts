import type { Hand, HandChange } from "@zm/core";
import { z } from "zod";
import { authorFields, historyState } from "./history.ts";
import { trusted } from "./trusted.ts";

/** What is in hand for a show; `version` rises with every change, over restarts too. */
export const handState = z.object({
  show: z.number(),
  version: z.number(),
  hand: trusted<Hand>(),
  /** True while a Hand that could not be read any more is kept beside this one. */
  damaged: z.boolean(),
  history: historyState,
});
export type HandState = z.infer<typeof handState>;

/** The answer to a change; not stored means that the database is away, and a restart would lose it. */
export const handReply = handState.extend({ stored: z.boolean() });
export type HandReply = z.infer<typeof handReply>;

/** Changes of what is in hand, in order, all or none. */
export const handRequest = z.object({ ...authorFields, changes: z.array(trusted<HandChange>()).min(1).max(200) });
export type HandRequest = z.infer<typeof handRequest>;
