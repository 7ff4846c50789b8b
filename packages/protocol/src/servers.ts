import { z } from "zod";

/** What a server does for its shows: it leads, stands ready to take over, follows and is not ready yet, only reads, or was cut off. */
export const SERVER_STATES = ["leads", "ready", "follows", "reads", "cutOff", "silent"] as const;

/** One of the servers of these shows. */
const server = z.object({
  id: z.string(),
  /** Where windows find it, "https://10.0.0.5:4600". */
  address: z.string(),
  state: z.enum(SERVER_STATES),
});
export type ServerInfo = z.infer<typeof server>;

/** The servers of these shows, as the one that is asked sees them. */
export const serversReply = z.object({
  /** The id of the one that is asked. */
  own: z.string(),
  /** Counts the leaders there have been: the fencing number. */
  term: z.number(),
  servers: z.array(server),
});
export type ServersReply = z.infer<typeof serversReply>;

/** Hands the lead to a spare: the one that is named, or the first that is ready. */
export const handOverRequest = z.object({ to: z.string().optional() });
export type HandOverRequest = z.infer<typeof handOverRequest>;

/** What lets a window in at the other servers of these shows, as "Authorization: Bearer …"; null where nobody has an account. */
export const passageReply = z.object({ token: z.string().nullable() });
export type PassageReply = z.infer<typeof passageReply>;
