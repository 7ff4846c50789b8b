import { z } from "zod";
import { addressLike, isMachine } from "./address.ts";

export const MOST_MACHINES = 50;
export const MACHINE_FAULT = "a machine is named by its address, four numbers such as 10.0.0.8";

/** How programs outside reach the show that runs: whether they do, and where the server listens for them. `show` is the one that they speak to; null: the one on stage. */
export const oscSettings = z.object({
  on: z.boolean(),
  address: addressLike("127.0.0.1:8765"),
  show: z.number().int().nullable(),
  /** Other machines that are listened to; this one always is, and no others are. Left out: as it was. */
  from: z.array(z.string().refine(isMachine, MACHINE_FAULT)).max(MOST_MACHINES).optional(),
});
export type OscSettings = z.infer<typeof oscSettings>;

/** One message that came in, or went out, in words. */
export const oscMessage = z.object({ at: z.number(), way: z.enum(["in", "out"]), who: z.string(), words: z.string() });
export type OscMessage = z.infer<typeof oscMessage>;

/** The settings as they hold, why it does not listen where it should, and the newest messages, the newest first. */
export const oscState = oscSettings.extend({ fault: z.string().nullable(), messages: z.array(oscMessage) });
export type OscState = z.infer<typeof oscState>;

/** Has the play called: how many times as fast as it is spoken, and from which cue; left out, from the cue behind the one on stage. */
export const callerRequest = z.object({ speed: z.number().min(1).max(60), from: z.string().max(12).optional() });
export type CallerRequest = z.infer<typeof callerRequest>;

/** What the caller does and says, as it does it. `moment` is seconds of the play. */
export const callerEvent = z.object({
  show: z.number(),
  what: z.enum(["begins", "reads", "standby", "go", "says", "ends"]),
  moment: z.number(),
  words: z.string(),
  line: z.string().nullable(),
  cue: z.string().nullable(),
});
export type CallerEvent = z.infer<typeof callerEvent>;

/** Whether the play is being called, how fast, and what the caller said last, the newest first. */
export const callerState = z.object({ running: z.boolean(), speed: z.number(), said: z.array(callerEvent) });
export type CallerState = z.infer<typeof callerState>;
