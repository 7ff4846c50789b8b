import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { TIMED_FAMILIES } from "../../show/schema.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { type TimesPatch, patchedTimes, timesPatch } from "../plan/patchedTimes.ts";
import { partStep, scaledTimes } from "../plan/scaledTimes.ts";
import type { Step } from "../steps/step.ts";
import { eachRow } from "../plan/rows.ts";
import { factor, list, partNumber, range } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords, saidWords } from "./kindWords.ts";
import { noSuchPart } from "./setPart.ts";

const schema = z.strictObject({
  op: z.literal("setTimes"),
  list,
  ...range,
  part: partNumber.optional(),
  set: timesPatch.optional(),
  scale: factor.optional(),
});

type SetTimesEdit = z.infer<typeof schema>;

/**
 * The steps that set, clear or scale the times of parts over a range. Seconds; what is not named stays. Throws ShowError for a part that
 * none of the cues has, and unless it is exactly one of set and scale.
 */
function planSetTimes(list: ListSheet, edit: SetTimesEdit): Step[] {
  if ((edit.set === undefined) === (edit.scale === undefined))
    throw new ShowError("Times are either set or scaled; give one of set and scale");
  const cues = eachRow(list, edit.from, edit.to).map((row) => cueAt(list, row));
  const chosen = cues.flatMap((cue) =>
    cue.parts.filter((part) => edit.part === undefined || part.number === edit.part).map((part) => ({ cue, part })),
  );
  if (chosen.length === 0) {
    const [cue] = cues;
    throw noSuchPart(cue?.number ?? edit.from, edit.part ?? 1, cue?.parts ?? []);
  }
  return chosen.flatMap(({ cue, part }) =>
    partStep(list.id, cue.number, part, edit.set ? patchedTimes(part.times, edit.set) : scaledTimes(part.times, edit.scale ?? 1)),
  );
}

/** What the times of levels are called. */
const TIME_WORDS = { up: "up", upDelay: "up delay", down: "down", downDelay: "down delay" } as const;

/** A change to the times of parts: "up 3, down delay none, position 4". Seconds. */
function timesWords(set: TimesPatch): string {
  const plain = (["up", "upDelay", "down", "downDelay"] as const).flatMap((name) => saidWords(TIME_WORDS[name], set[name]));
  const families = TIMED_FAMILIES.flatMap((family) => {
    const own = set[family];
    return own === null ? [`${family} none`] : [...saidWords(family, own?.fade), ...saidWords(`${family} delay`, own?.delay)];
  });
  return [...plain, ...families].join(", ") || "times unchanged";
}

/**
 * Setting, clearing or scaling the times of parts (docs/rules.md, Edits).
 * Seconds; a scale is a factor of at least 0. Without a part it speaks of all parts of each cue in the range.
 */
export const setTimes = defineEdit(schema, {
  plan: (sheet, edit) => planSetTimes(listFor(sheet, edit), edit),
  words: (edit) => {
    const part = edit.part === undefined ? "" : `, part ${edit.part}`;
    return `${rangeWords(edit)}${part}: ${edit.scale === undefined ? timesWords(edit.set ?? {}) : `times × ${edit.scale}`}`;
  },
});
