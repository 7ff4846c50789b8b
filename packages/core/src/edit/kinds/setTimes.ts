import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { type Cue, type Part, type PartTimes, TIMED_FAMILIES } from "../../show/schema.ts";
import { type ListSheet, cueAt, movesOf } from "../../sheet/sheet.ts";
import { type TimesPatch, patchedTimes, timesPatch } from "../plan/patchedTimes.ts";
import { TIME_COLUMNS, type TimeColumn, familyOfColumn } from "../../time/timeColumns.ts";
import { partStep, scaledColumn, scaledTimes } from "../plan/scaledTimes.ts";
import type { Step } from "../steps/step.ts";
import { eachRow } from "../plan/rows.ts";
import { curve, factor, list, partNumber, range } from "../plan/fields.ts";
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
  of: z.array(z.enum(TIME_COLUMNS)).nonempty("names no column of times").optional(),
  curve: curve.nullable().optional(),
});

type SetTimesEdit = z.infer<typeof schema>;

/**
 * The steps that set, clear or scale the times of parts over a range, or give them a curve. Seconds; what is not named stays. Throws
 * ShowError for a part that none of the cues has, and for an edit that does not say one thing.
 */
function planSetTimes(list: ListSheet, edit: SetTimesEdit): Step[] {
  const said = (edit.set === undefined ? 0 : 1) + (edit.scale === undefined ? 0 : 1);
  if (said > 1 || (said === 0 && edit.curve === undefined))
    throw new ShowError("Times are either set or scaled; give one of set and scale, or a curve");
  if (edit.of && edit.scale === undefined) throw new ShowError("Columns of times are named for a scale; give one, or leave them out");
  const cues = eachRow(list, edit.from, edit.to).map((row) => cueAt(list, row));
  const chosen = cues.flatMap((cue) =>
    cue.parts.filter((part) => edit.part === undefined || part.number === edit.part).map((part) => ({ cue, part })),
  );
  if (chosen.length === 0) {
    const [cue] = cues;
    throw noSuchPart(cue?.number ?? edit.from, edit.part ?? 1, cue?.parts ?? []);
  }
  return chosen.flatMap(({ cue, part }) =>
    partStep(list.id, cue.number, part, timesAfter(list, cue, part, edit), edit.curve === undefined ? part.curve : edit.curve),
  );
}

/** The times of a part after the edit. */
function timesAfter(list: ListSheet, cue: Cue, part: Part, { set, scale, of }: SetTimesEdit): PartTimes {
  if (set) return patchedTimes(part.times, set);
  if (scale === undefined) return part.times;
  if (!of) return scaledTimes(part.times, scale);
  const moved = new Set(movesOf({ ...cue, parts: [part] }, list.keys).map(({ key }) => key.attribute.family));
  const runs = (column: TimeColumn): boolean => moved.has(familyOfColumn(column)?.family ?? "intensity");
  return of.reduce((times, column) => scaledColumn(times, column, scale, runs), part.times);
}

/** What the times of levels are called. */
const TIME_WORDS = { up: "up", upDelay: "up delay", down: "down", downDelay: "down delay" } as const;

/** A change to the times of parts: "up 3, down delay none, position 4 curve ease". Seconds. */
function timesWords(set: TimesPatch): string[] {
  const plain = (["up", "upDelay", "down", "downDelay"] as const).flatMap((name) => saidWords(TIME_WORDS[name], set[name]));
  const families = TIMED_FAMILIES.flatMap((family) => {
    const own = set[family];
    if (own === null) return [`${family} none`];
    return [...saidWords(family, own?.fade), ...saidWords(`${family} delay`, own?.delay), ...saidWords(`${family} curve`, own?.curve)];
  });
  return [...plain, ...families];
}

/** What is done to the times, in words. */
function changeWords({ set, scale, of, curve }: SetTimesEdit): string {
  const columns = of?.map((column) => column.replace("Delay", " delay")).join(", ") ?? "times";
  const all = [...(scale === undefined ? [] : [`${columns} × ${scale}`]), ...timesWords(set ?? {}), ...saidWords("curve", curve)];
  return all.join(", ") || "times unchanged";
}

/**
 * Setting, clearing or scaling the times of parts, and the curves that they run by (docs/rules.md, Edits).
 * Seconds; a scale is a factor of at least 0, of all times or of the columns `of`. Without a part it speaks of all parts of each cue in the range.
 */
export const setTimes = defineEdit(schema, {
  plan: (sheet, edit) => planSetTimes(listFor(sheet, edit), edit),
  words: (edit) => `${rangeWords(edit)}${edit.part === undefined ? "" : `, part ${edit.part}`}: ${changeWords(edit)}`,
});
