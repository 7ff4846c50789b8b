import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { rangeLength } from "../../time/chain.ts";
import { headOf } from "../steps/apply.ts";
import { list, range, seconds } from "../plan/fields.ts";
import { headStep } from "../plan/headStep.ts";
import { rowsIn } from "../plan/rows.ts";
import { partStep, scaledTime, scaledTimes } from "../plan/scaledTimes.ts";
import { scaledMoveStep, timedMoves } from "../plan/timedMoves.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("stretch"),
  list,
  ...range,
  /** From the Go of the first cue until everything in the range is complete. */
  seconds,
});

type StretchEdit = z.infer<typeof schema>;

/**
 * The steps that let a range of cues last so long in all: every time in it is multiplied by one factor, those of parts, those
 * of single moves, and how long the follows wait. Seconds. Throws ShowError where the range does not run by itself to its end.
 */
function planStretch(list: ListSheet, edit: StretchEdit): Step[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const factor = edit.seconds / lengthOf(list, first, last);
  const cues = list.cues.slice(first, last + 1);
  return [
    ...cues.flatMap((cue, index) => {
      const { trigger } = cue;
      if (index === 0 || trigger?.type !== "follow") return [];
      const after = scaledTime(trigger.after, factor);
      return after === trigger.after ? [] : [headStep(list, cue, { ...headOf(cue), trigger: { ...trigger, after } })];
    }),
    ...cues.flatMap((cue) => cue.parts.flatMap((part) => partStep(list.id, cue.number, part, scaledTimes(part.times, factor)))),
    ...timedMoves(list, list.keys.all, first, last).flatMap((move) => scaledMoveStep(list, move, factor)),
  ];
}

/** How long a range lasts from the Go of its first cue until all of it is complete; seconds, above 0. */
function lengthOf(list: ListSheet, first: number, last: number): number {
  const length = rangeLength(list, first, last);
  if ("reached" in length)
    throw new ShowError(
      `Cue ${cueAt(list, length.reached + 1).number} waits for a Go, so nobody knows how long cues ${cueAt(list, first).number} to ${cueAt(list, last).number} last; end the range at ${cueAt(list, length.reached).number}, or let it follow`,
    );
  if (length.seconds > 0) return length.seconds;
  const one = first === last;
  throw new ShowError(
    `${one ? `Cue ${cueAt(list, first).number} takes` : `Cues ${cueAt(list, first).number} to ${cueAt(list, last).number} take`} no time at all; give ${one ? "it" : "one of them"} a time first`,
  );
}

/**
 * Letting a range of cues that runs by itself last so long in all (docs/rules.md, Edits, times).
 * Fades, delays and follows are scaled together. Refused where somebody must press Go inside the range.
 */
export const stretch = defineEdit(schema, {
  plan: (sheet, edit) => planStretch(listFor(sheet, edit), edit),
  words: (edit) => `${rangeWords(edit)} last ${edit.seconds} s in all`,
});
