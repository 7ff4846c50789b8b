import { z } from "zod";
import { count } from "../../show/words.ts";
import { stepSchema } from "../step.ts";
import { defineEdit } from "./kind.ts";

/** Exact changes, such as an inverse is made of. */
export const steps = defineEdit(
  z.strictObject({ op: z.literal("steps"), steps: z.array(stepSchema), words: z.string().max(300).optional() }),
  {
    plan: (_sheet, { steps: all }) => all,
    words: ({ steps: all, words }) => words || count(all.length, "exact change"),
  },
);
