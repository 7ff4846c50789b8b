import { LONGEST_SCENE } from "../../show/limits.ts";
import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { shortened } from "../../show/words.ts";
import { sameData } from "../../show/sameData.ts";
import { type Cue, type CueHead, callSchema, cueFields, editParts, markSchema, triggerSchema } from "../../show/schema.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { label, list, range } from "../plan/fields.ts";
import { headStep } from "../plan/headStep.ts";
import { eachRow } from "../plan/rows.ts";
import { checkActions } from "../plan/wholeCue.ts";
import type { Step } from "../steps/step.ts";
import { callWords } from "../../script/words.ts";
import { writeSeconds } from "../../time/timeWords.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("setCue"),
  list,
  ...range,
  label: label.nullable().optional(),
  note: editParts.text.max(5000).nullable().optional(),
  scene: editParts.text.max(LONGEST_SCENE).nullable().optional(),
  trigger: triggerSchema.nullable().optional(),
  carries: z.enum(["track", "cueOnly", "isolated"]).nullable().optional(),
  mark: markSchema.nullable().optional(),
  call: callSchema.nullable().optional(),
  actions: cueFields.actions.nullable(),
  waves: cueFields.waves.nullable(),
});

type SetCueEdit = z.infer<typeof schema>;

/** The steps that set a cue's own fields over a range; null clears a field. */
function planSetCue(sheet: ShowSheet, list: ListSheet, edit: SetCueEdit): Step[] {
  const { op: _op, list: _list, from, to, ...fields } = edit;
  return eachRow(list, from, to).flatMap((row): Step[] => {
    const cue = cueAt(list, row);
    const before = headOf(cue);
    const merged = Object.entries({ ...before, ...fields }).filter(([, value]) => value !== null && value !== undefined);
    const after: CueHead = Object.fromEntries(merged);
    if (sameData(before, after)) return [];
    checkActions(sheet, { ...cue, ...after });
    checkMark(sheet, { ...cue, ...after });
    return [headStep(list, cue, after)];
  });
}

/** Throws ShowError for mark settings of a light that is not in the rig. */
function checkMark(sheet: ShowSheet, cue: Cue): void {
  for (const channel of Object.keys(cue.mark?.channels ?? {})) {
    if (!sheet.keys.byChannel.has(Number(channel))) throw new ShowError(`Cue ${cue.number}, mark: light ${channel} is not in the rig`);
  }
}

/**
 * How a cue carries what it moves, in words.
 * As they stand in the inspector and are told in the history.
 */
export const CARRIES_WORDS = {
  track: "what it moves tracks on",
  cueOnly: "this cue only: its moves stay inside it",
  isolated: "isolated: nothing tracks in or out",
} as const;

/**
 * What a cue is told to be fired by: "fires on Go", "follows 2 s after the Go of the cue before".
 * As the history and the record sheet say it.
 */
export function triggerWords(trigger: SetCueEdit["trigger"]): string {
  if (trigger?.type !== "follow") return "fires on Go";
  return `follows ${writeSeconds(trigger.after)} s after the ${trigger.from === "go" ? "Go" : "end"} of the cue before`;
}

/** So many letters of a text are said where it is set. */
const SAID_LETTERS = 60;

/** The texts that are set of a cue, as they will be, or that they are taken away. */
function textWords(texts: Pick<SetCueEdit, "label" | "note" | "scene">): string[] {
  return Object.entries(texts).flatMap(([name, text]) => {
    if (text === undefined) return [];
    return [text ? `${name} “${shortened(text.replace(/\s+/g, " "), SAID_LETTERS)}”` : `${name} taken away`];
  });
}

/** What is set of a cue, field by field. */
function cueWords({
  op: _op,
  list: _list,
  from: _from,
  to: _to,
  label,
  note,
  scene,
  trigger,
  carries,
  call,
  ...others
}: SetCueEdit): string[] {
  return [
    ...(carries === undefined ? [] : [CARRIES_WORDS[carries ?? "track"]]),
    ...textWords({ label, note, scene }),
    ...(trigger === undefined ? [] : [triggerWords(trigger)]),
    ...(call === undefined ? [] : [`called ${callWords(call)}${call ? `, line ${call.line}` : ""}`]),
    ...Object.keys(others).map((name) => `${name} set`),
  ];
}

/**
 * Setting the own fields of cues: label, note, scene, trigger, carries, mark, call, actions, waves (docs/rules.md, Edits).
 * Null takes a field away, absent leaves it. Only `carries` changes looks; trigger, mark and the rest change how it runs.
 */
export const setCue = defineEdit(schema, {
  plan: (sheet, edit) => planSetCue(sheet, listFor(sheet, edit), edit),
  words: (edit) => `${rangeWords(edit)}: ${cueWords(edit).join(", ")}`,
});
