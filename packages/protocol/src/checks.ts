import { z } from "zod";
import { authorFields } from "./history.ts";

/** A finding that somebody has looked at and accepted, by its identity in the core, and why. */
export const acceptedFinding = z.object({ finding: z.string(), note: z.string(), madeAt: z.string() });
export type AcceptedFinding = z.infer<typeof acceptedFinding>;

/** Accepts findings with a note, or shows them again where the note is null. */
export const acceptRequest = z.object({
  ...authorFields,
  findings: z
    .array(z.string().regex(/^[0-9a-f]{16}$/))
    .min(1)
    .max(5000),
  note: z.string().max(500).nullable(),
});
export type AcceptRequest = z.infer<typeof acceptRequest>;

export const acceptedReply = z.object({ accepted: z.array(acceptedFinding) });
export type AcceptedReply = z.infer<typeof acceptedReply>;
