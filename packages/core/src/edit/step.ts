import { z } from "zod";
import type { CueHead, CueList, MoveSpec, PartHead, Show } from "../show/schema.ts";

/** The smallest exact change of a show: one thing, as it was and as it becomes. Absent means that it is not there. */
export type Step = MoveStep | PartStep | CueStep;

/** One stored move comes, goes or changes. */
export interface MoveStep {
  at: "move";
  list: string;
  cue: string;
  channel: number;
  attribute: string;
  before?: PlacedMove | undefined;
  after?: PlacedMove | undefined;
}
/** A move and the part that holds it. */
export interface PlacedMove {
  part: number;
  move: MoveSpec;
}
/** One part comes, goes or changes its times; it holds no move when it comes or goes. */
export interface PartStep {
  at: "part";
  list: string;
  cue: string;
  part: number;
  before?: PartHead | undefined;
  after?: PartHead | undefined;
}
/** One cue comes, goes or changes its own fields; it has no part when it comes or goes. */
export interface CueStep {
  at: "cue";
  list: string;
  cue: string;
  before?: CueHead | undefined;
  after?: CueHead | undefined;
}

/** The steps that take these back: each turned round, the last first. */
export function invertSteps(steps: readonly Step[]): Step[] {
  return steps.map(invertStep).reverse();
}

function invertStep(step: Step): Step {
  switch (step.at) {
    case "move":
      return { ...step, before: step.after, after: step.before };
    case "part":
      return { ...step, before: step.after, after: step.before };
    case "cue":
      return { ...step, before: step.after, after: step.before };
  }
}

/** What a step touches, as one text: two edits that share none can both be kept. */
export function addressOf(step: Step): string {
  const cue = `${step.list}/${step.cue}`;
  switch (step.at) {
    case "move":
      return `${cue}/${step.channel}.${step.attribute}`;
    case "part":
      return `${cue}/part ${step.part}`;
    case "cue":
      return cue;
  }
}

const isObject = (value: unknown): boolean => typeof value === "object" && value !== null && !Array.isArray(value);
const cueHead = z.custom<CueHead>(isObject, "is not an object").optional();
const partHead = z.custom<PartHead>(isObject, "is not an object").optional();
const placed = z.strictObject({
  part: z.number().int().min(1),
  move: z.custom<MoveSpec>((value) => typeof value === "number" || (typeof value === "object" && value !== null), "is not a move"),
});

/** The shape of steps in a file; the show they are applied to is checked whole afterwards. */
export const stepSchema = z.discriminatedUnion("at", [
  z.strictObject({
    at: z.literal("move"),
    list: z.string(),
    cue: z.string(),
    channel: z.number(),
    attribute: z.string(),
    before: placed.optional(),
    after: placed.optional(),
  }),
  z.strictObject({ at: z.literal("part"), list: z.string(), cue: z.string(), part: z.number(), before: partHead, after: partHead }),
  z.strictObject({ at: z.literal("cue"), list: z.string(), cue: z.string(), before: cueHead, after: cueHead }),
]);

/** The list of a show with this id. */
export function findList(show: Show, id: string): CueList | undefined {
  return show.lists.find((list) => list.id === id);
}
