import { z } from "zod";

/** Between which ends a weight lies. */
export const PLAN_WEIGHT_BOUNDS = { min: 0, max: 1000 } as const;

const weight = z.number().min(PLAN_WEIGHT_BOUNDS.min, "is a weight below 0").max(PLAN_WEIGHT_BOUNDS.max, "is a weight above 1000");

/** What a plan weighs, as it may be written; what is left out has its default. */
export const planWeightsSchema = z.strictObject({
  /** For each second that a mark would need and not have. */
  short: weight.default(100),
  /** For a mark of which nobody knows how long it has. */
  unknown: weight.default(8),
  /** For each second in which a light would move during a quiet line. */
  quiet: weight.default(20),
  /** For each cue that a light is prepared earlier than right before it is called. */
  early: weight.default(1),
  /** For each other light that moves in the same gap between two cues. */
  crowd: weight.default(0.5),
});

/** What a plan weighs: enough time first, then no quiet line, then late, then few lights at once. */
export type PlanWeights = z.infer<typeof planWeightsSchema>;

/** The weights that a plan has when nothing is said. */
export const PLAN_WEIGHTS: PlanWeights = planWeightsSchema.parse({});

/** What each weight is for, in a few words, in the order in which they count. */
export const WEIGHT_WORDS: Readonly<Record<keyof PlanWeights, string>> = {
  short: "a second too little",
  unknown: "time nobody knows",
  quiet: "a second in a quiet line",
  early: "a cue earlier than need be",
  crowd: "another light moving then",
};

/** The names of the weights, in the order in which they count. */
export function planWeightNames(): (keyof PlanWeights)[] {
  return ["short", "unknown", "quiet", "early", "crowd"];
}
