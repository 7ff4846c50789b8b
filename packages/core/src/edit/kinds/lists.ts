import { thereIsNo } from "../../show/thereIsNo.ts";
import { append } from "../../show/append.ts";
import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { checkShow, readCueMoves } from "../../show/parse.ts";
import { rigOf } from "../../show/rig.ts";
import { type CueList, entrySchemas } from "../../show/schema.ts";
import { keysOf } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, listSheet } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { listHeadOf } from "../steps/applyEntry.ts";
import { id, used } from "../plan/fields.ts";
import { entryChange } from "../plan/entryChange.ts";
import { headStep } from "../plan/headStep.ts";
import { refuseFaults } from "../plan/setEntry.ts";
import { checkActions, wholeCueSteps } from "../plan/wholeCue.ts";
import { type Step, invertSteps } from "../steps/step.ts";
import { stepsWords } from "../../time/stepsWords.ts";
import { writeSeconds } from "../../time/timeWords.ts";
import { defineEdit } from "./kind.ts";

const setSchema = z.strictObject({
  op: z.literal("setList"),
  list: entrySchemas.list.extend({ cues: entrySchemas.list.shape.cues.optional() }),
});
const removeSchema = z.strictObject({ op: z.literal("removeList"), list: id, used });

/** The steps that make a list, with the cues that it brings, or change the settings of one that stands. */
function planSetList(sheet: ShowSheet, edit: z.infer<typeof setSchema>): Step[] {
  const { cues, ...settings } = edit.list;
  // Cues that are switched off stay: only switching them on takes them from there.
  const off = settings.off ?? sheet.lists.get(settings.id)?.list.off;
  const head = { ...settings, ...(off ? { off } : {}) };
  const steps = entryChange(sheet.show, "lists", head.id, head);
  if (!cues || cues.length === 0) return steps;
  const standing = sheet.lists.get(head.id);
  if (standing && standing.cues.length > 0) throw new ShowError(`List "${head.id}" has cues already; change those by edits of their own`);
  const faults: string[] = [];
  const list: CueList = { ...head, cues: [] };
  const show = { ...sheet.show, lists: [...sheet.show.lists.filter((each) => each.id !== head.id), { ...list, cues }] };
  append(faults, checkShow(show));
  const rig = rigOf(sheet.show);
  const read = cues.map((cue) => readCueMoves(cue, rig, sheet.palettes.byId, `Cue ${cue.number}`, faults));
  refuseFaults(faults);
  const empty = listSheet(list, keysOf(sheet.show), sheet.palettes);
  for (const cue of read) checkActions({ ...sheet, lists: new Map([...sheet.lists, [head.id, empty]]) }, cue);
  return [...steps, ...read.flatMap((cue) => wholeCueSteps(sheet, empty, cue))];
}

/**
 * Making a list, or changing the settings of one.
 * A new list comes without cues. Its place among the lists stays; the first is the main one.
 */
export const setList = defineEdit(setSchema, {
  plan: planSetList,
  words: ({ list }) => `List ${list.label || list.id} set${settingsWords(list)}`,
});

/** What is set of a list besides its name, in words; empty where nothing of it is. */
function settingsWords({ steps, priority, levels, releaseTime, startsAt, fader }: z.infer<typeof setSchema>["list"]): string {
  const said = [
    ...(steps === undefined ? [] : [stepsWords(steps)]),
    ...(priority === undefined ? [] : [`priority ${priority}`]),
    ...(levels === undefined ? [] : [`the ${levels} level counts`]),
    ...(releaseTime === undefined ? [] : [`released in ${writeSeconds(releaseTime)} s`]),
    ...(startsAt === undefined ? [] : [`its fader starts it at ${startsAt} %`]),
    ...(fader === undefined || fader === "levels" ? [] : [`its fader is its ${fader}`]),
  ];
  return said.length === 0 ? "" : `: ${said.join("; ")}`;
}

/** The steps that take a list away with all its cues; with `drop`, the actions of other cues that speak of it too. */
function planRemoveList(sheet: ShowSheet, edit: z.infer<typeof removeSchema>): Step[] {
  const list = sheet.lists.get(edit.list);
  if (!list) throw new ShowError(thereIsNo("list", edit.list, sheet.lists.keys()));
  if (sheet.lists.size === 1) throw new ShowError(`List "${edit.list}" is the only one; a show has at least one list`);
  const actions = [...sheet.lists.values()].filter((other) => other !== list).flatMap((other) => actionSteps(other, edit.list));
  if (actions.length > 0 && edit.used === "refuse")
    throw new ShowError(
      `List "${edit.list}" is started or stopped by ${actions.length} cues; take those actions out first, or take them away with it`,
    );
  const head = listHeadOf(list.list);
  const index = sheet.show.lists.indexOf(list.list);
  return [
    ...actions,
    ...list.cues.flatMap((cue) => invertSteps(wholeCueSteps(sheet, list, cue))),
    { at: "entry", of: "lists", id: list.id, before: { index, entry: head } },
  ];
}

/** The steps that take out of a list's cues what they do to another list. */
function actionSteps(list: ListSheet, named: string): Step[] {
  return list.cues.flatMap((cue): Step[] => {
    const others = cue.actions?.filter((action) => !("list" in action && action.list === named)) ?? [];
    if (others.length === (cue.actions?.length ?? 0)) return [];
    return [headStep(list, cue, { ...headOf(cue), actions: others })];
  });
}

/**
 * Taking a list away with all its cues, and what becomes of the actions that speak of it.
 * The only list of a show is not taken away. Actions of other lists that speak of it refuse it, or go with it.
 */
export const removeList = defineEdit(removeSchema, {
  plan: planRemoveList,
  words: ({ list }) => `List ${list} removed`,
});
