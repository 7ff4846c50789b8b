import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { PLAIN_TIMES, type Part, type PartTimes, TIMED_FAMILIES } from "../../show/schema.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../apply.ts";
import { type TimesPatch, patchedTimes, timesPatch } from "../plan/patchedTimes.ts";
import type { Step } from "../step.ts";
import { eachRow } from "../plan/rows.ts";
import { factor, list, partNumber, range } from "../fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords, saidWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("setTimes"),
  list,
  ...range,
  part: partNumber.optional(),
  set: timesPatch.optional(),
  scale: factor.optional(),
});

type SetTimesEdit = z.infer<typeof schema>;

/** The steps that set, clear or scale the times of parts over a range. Seconds. */
function planSetTimes(list: ListSheet, edit: SetTimesEdit): Step[] {
  if ((edit.set === undefined) === (edit.scale === undefined))
    throw new ShowError("Times are either set or scaled; give one of set and scale");
  const cues = eachRow(list, edit.from, edit.to).map((row) => cueAt(list, row));
  const chosen = cues.flatMap((cue) =>
    cue.parts.filter((part) => edit.part === undefined || part.number === edit.part).map((part) => ({ cue, part })),
  );
  if (chosen.length === 0) {
    const cue = cues[0];
    throw new ShowError(
      `Cue ${cue?.number ?? ""} has no part ${edit.part ?? ""}; its ${cue?.parts.length === 1 ? "only part is" : "parts are"} ${cue?.parts.map((part) => part.number).join(" and ") ?? ""}`,
    );
  }
  return chosen.flatMap(({ cue, part }) =>
    partStep(list.id, cue.number, part, edit.set ? patchedTimes(part.times, edit.set) : scaled(part.times, edit.scale ?? 1)),
  );
}

/** The step that gives a part other times; none where they are the same. */
function partStep(list: string, cue: string, part: Part, times: PartTimes): Step[] {
  if (sameData(part.times, times)) return [];
  const before = partHeadOf(part);
  return [{ at: "part", list, cue, part: part.number, before, after: { ...before, times } }];
}

/** Times multiplied by a factor, to the microsecond. */
function scaled(times: PartTimes, factor: number): PartTimes {
  const scale = (seconds: number): number => Math.round(seconds * factor * 1e6) / 1e6;
  const after: PartTimes = {};
  for (const name of PLAIN_TIMES) {
    const own = times[name];
    if (own !== undefined) after[name] = scale(own);
  }
  for (const family of TIMED_FAMILIES) {
    const own = times[family];
    if (!own) continue;
    after[family] = {
      ...(own.fade === undefined ? {} : { fade: scale(own.fade) }),
      ...(own.delay === undefined ? {} : { delay: scale(own.delay) }),
    };
  }
  return after;
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

/** Setting, clearing or scaling the times of parts (SEMANTICS section 6). */
export const setTimes = defineEdit(schema, {
  plan: (sheet, edit) => planSetTimes(listFor(sheet, edit), edit),
  words: (edit) => {
    const part = edit.part === undefined ? "" : `, part ${edit.part}`;
    return `${rangeWords(edit)}${part}: ${edit.scale === undefined ? timesWords(edit.set ?? {}) : `times × ${edit.scale}`}`;
  },
});
