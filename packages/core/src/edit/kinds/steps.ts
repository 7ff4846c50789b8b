import { z } from "zod";
import { count } from "../../show/words.ts";
import { stepSchema } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

/**
 * Exact changes, such as an inverse is made of.
 * Refused where the show is not what they expect, so that an inverse cannot overwrite what came since.
 */
export const steps = defineEdit(
  z.strictObject({ op: z.literal("steps"), steps: z.array(stepSchema), words: z.string().max(300).optional() }),
  {
    plan: (_sheet, { steps: all }) => all,
    words: ({ steps: all, words }) => words || count(all.length, "exact change"),
  },
);
