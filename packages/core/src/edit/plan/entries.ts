import { at } from "../../show/at.ts";
import { ShowError } from "../../show/errors.ts";
import { makeMove, moveTiming, paletteOf } from "../../show/move.ts";
import { checkShow, readCueMoves } from "../../show/parse.ts";
import { readMove } from "../../show/readMoves.ts";
import { rigOf } from "../../show/rig.ts";
import type { CueList, MoveSpec, Show } from "../../show/schema.ts";
import { columnOf } from "../../sheet/entry.ts";
import { type Key, keysOf } from "../../sheet/keys.ts";
import { resolve } from "../../sheet/palettes.ts";
import { type ListSheet, type ShowSheet, cueAt, listSheet } from "../../sheet/sheet.ts";
import { applyEntry, listHeadOf } from "../applyEntry.ts";
import { headOf } from "../apply.ts";
import type { RemoveChannelEdit, RemoveListEdit, RemovePaletteEdit, SetListEdit } from "../schema/entries.ts";
import { ENTRY_WORDS, type ShowEntry, type EntryKind, type EntryStep, type Step, invertSteps } from "../step.ts";
import { checkActions, wholeCueSteps } from "./cues.ts";
import { headStep } from "./headStep.ts";
import { entryChange } from "./entryChange.ts";
import { storeStep } from "./moveSteps.ts";

/** The step that makes a palette, group, pace, channel or fixture type this; refused where what stands in cues would not fit it any more. */
export function planSetEntry(sheet: ShowSheet, of: Exclude<EntryKind, "lists">, id: string, entry: ShowEntry): Step[] {
  const steps = entryChange(sheet.show, of, id, entry);
  const after = steps.reduce(applyEntry, sheet.show);
  refuseFaults(checkShow(after));
  if (of === "channels" || of === "fixtureTypes" || of === "palettes") refuseFaults(movesThatNoLongerFit(sheet, after, of, id));
  return steps;
}

function refuseFaults(faults: readonly string[]): void {
  if (faults.length > 0) throw new ShowError(faults.slice(0, 10));
}

/** A sentence for each stored move of the lights concerned that the changed rig or palette could not hold. */
function movesThatNoLongerFit(sheet: ShowSheet, after: Show, of: EntryKind, id: string): string[] {
  const rig = rigOf(after);
  const palettes = new Map(after.palettes.map((palette) => [palette.id, palette]));
  const concerned = (key: Key): boolean => {
    if (of === "palettes") return true;
    const type = rig.channels.get(key.channel)?.type;
    return of === "channels" ? String(key.channel) === id : type === id;
  };
  return eachMove(sheet, concerned, (spec) => of !== "palettes" || paletteOf(spec) === id).flatMap(({ key, list, row, spec }) => {
    const place = `Cue ${cueAt(list, row).number}, ${key.name}`;
    const attribute = rig.attributes.get(key.channel)?.get(key.attribute.id);
    if (!attribute) return [`${place}: there is a move, and channel ${key.channel} would have no ${key.attribute.id}; drop the move first`];
    try {
      readMove(spec, attribute, palettes, place);
      return [];
    } catch (error) {
      if (error instanceof ShowError) return [...error.faults];
      throw error;
    }
  });
}

/** One stored move anywhere in the show. */
interface Stored {
  readonly list: ListSheet;
  readonly key: Key;
  readonly row: number;
  readonly part: number;
  readonly spec: MoveSpec;
}

function eachMove(sheet: ShowSheet, keyWanted: (key: Key) => boolean, specWanted: (spec: MoveSpec) => boolean = () => true): Stored[] {
  return [...sheet.lists.values()].flatMap((list) =>
    list.keys.all.filter(keyWanted).flatMap((key) => {
      const column = columnOf(list, key);
      return column.specs.flatMap((spec, index) =>
        specWanted(spec) ? [{ list, key, spec, row: at(column.rows, index), part: column.parts[index] ?? 1 }] : [],
      );
    }),
  );
}

function everyKey(): boolean {
  return true;
}

/** The step that takes a thing away that no cue can refer to. Throws ShowError when there is none of that name. */
export function planRemovePlain(sheet: ShowSheet, of: "groups" | "paces", id: string): Step[] {
  return removal(sheet.show, of, id);
}

function removal(show: Show, of: EntryKind, id: string): EntryStep[] {
  const steps = entryChange(show, of, id, undefined);
  if (steps.length > 0) return steps;
  throw new ShowError(`There is no ${ENTRY_WORDS[of]} "${id}" to take away`);
}

/** The steps that take a fixture type away. Throws ShowError naming the channels and palettes that are made with it. */
export function planRemoveType(sheet: ShowSheet, id: string): Step[] {
  const { show } = sheet;
  const channels = show.channels.filter((channel) => channel.type === id).map((channel) => String(channel.number));
  if (channels.length > 0) throw new ShowError(`Fixture type "${id}" is that of channels ${some(channels)}; change or remove those first`);
  const steps = removal(show, "fixtureTypes", id);
  refuseFaults(checkShow(steps.reduce(applyEntry, show)));
  return steps;
}

function paletteUsers(sheet: ShowSheet, palette: string): Stored[] {
  return eachMove(sheet, everyKey, (spec) => paletteOf(spec) === palette);
}

/** How many stored moves of the whole show refer to a palette. */
export function paletteUses(sheet: ShowSheet, palette: string): number {
  return paletteUsers(sheet, palette).length;
}

/** The steps that take a palette away: with `keepLooks` its values stay as numbers, with `drop` the moves that refer to it go too. */
export function planRemovePalette(sheet: ShowSheet, edit: RemovePaletteEdit): Step[] {
  const taken = removal(sheet.show, "palettes", edit.palette);
  const users = paletteUsers(sheet, edit.palette);
  if (users.length > 0 && edit.used === "refuse")
    throw new ShowError(
      `Palette "${edit.palette}" is used by ${users.length} moves in ${cuesOf(users)}; remove it so that they keep its numbers, or with those moves`,
    );
  const moves = users.flatMap(({ list, key, row, part, spec }) => {
    if (edit.used === "drop") return storeStep(list, key, row, undefined);
    const value = resolve(spec, key, sheet.palettes);
    return storeStep(list, key, row, { part, move: makeMove(Number.isNaN(value) ? { release: true } : { value }, moveTiming(spec)) });
  });
  return [...moves, ...taken];
}

function cuesOf(users: readonly Stored[]): string {
  const cues = [...new Set(users.map(({ list, row }) => cueAt(list, row).number))];
  return `${cues.length === 1 ? "cue" : "cues"} ${some(cues)}`;
}

function some(names: readonly string[]): string {
  return names.length > 6 ? `${names.slice(0, 6).join(", ")} and ${names.length - 6} more` : names.join(", ");
}

/** The steps that take a channel away, with `drop` everything that speaks of it too: moves, mark settings, places in groups and palettes. */
export function planRemoveChannel(sheet: ShowSheet, edit: RemoveChannelEdit): Step[] {
  const { show } = sheet;
  const taken = removal(show, "channels", String(edit.channel));
  const users = eachMove(sheet, (key) => key.channel === edit.channel);
  const groups = show.groups.filter((group) => group.channels.includes(edit.channel));
  const palettes = show.palettes.filter((palette) => palette.values.some((value) => value.channel === edit.channel));
  const marks = [...sheet.lists.values()].flatMap((list) => markSteps(list, edit.channel));
  const uses = [
    ...(users.length > 0 ? [`${users.length} moves in ${cuesOf(users)}`] : []),
    ...groups.map((group) => `group "${group.id}"`),
    ...palettes.map((palette) => `palette "${palette.id}"`),
    ...(marks.length > 0 ? [`the mark settings of ${marks.length} cues`] : []),
  ];
  if (uses.length > 0 && edit.used === "refuse")
    throw new ShowError(`Channel ${edit.channel} is used by ${uses.join(", ")}; take it out of those first, or take all that away with it`);
  return [
    ...users.flatMap(({ list, key, row }) => storeStep(list, key, row, undefined)),
    ...marks,
    ...groups.flatMap((group) =>
      entryChange(show, "groups", group.id, { ...group, channels: group.channels.filter((each) => each !== edit.channel) }),
    ),
    ...palettes.flatMap((palette) =>
      entryChange(show, "palettes", palette.id, { ...palette, values: palette.values.filter((value) => value.channel !== edit.channel) }),
    ),
    ...taken,
  ];
}

function markSteps(list: ListSheet, channel: number): Step[] {
  return list.cues.flatMap((cue): Step[] => {
    if (!cue.mark?.channels?.[channel]) return [];
    const { [channel]: _gone, ...channels } = cue.mark.channels;
    return [headStep(list, cue, { ...headOf(cue), mark: { ...cue.mark, channels } })];
  });
}

/** The steps that make a list, with the cues that it brings, or change the settings of one that stands. */
export function planSetList(sheet: ShowSheet, edit: SetListEdit): Step[] {
  const { cues, ...head } = edit.list;
  const steps = entryChange(sheet.show, "lists", head.id, head);
  if (!cues || cues.length === 0) return steps;
  const standing = sheet.lists.get(head.id);
  if (standing && standing.cues.length > 0) throw new ShowError(`List "${head.id}" has cues already; change those by edits of their own`);
  const faults: string[] = [];
  const list: CueList = { ...head, cues: [] };
  const show = { ...sheet.show, lists: [...sheet.show.lists.filter((each) => each.id !== head.id), { ...list, cues }] };
  faults.push(...checkShow(show));
  const rig = rigOf(sheet.show);
  const read = cues.map((cue) => readCueMoves(cue, rig, sheet.palettes.byId, `Cue ${cue.number}`, faults));
  refuseFaults(faults);
  const empty = listSheet(list, keysOf(sheet.show), sheet.palettes);
  for (const cue of read) checkActions({ ...sheet, lists: new Map([...sheet.lists, [head.id, empty]]) }, cue);
  return [...steps, ...read.flatMap((cue) => wholeCueSteps(sheet, empty, cue))];
}

/** The steps that take a list away with all its cues; with `drop`, the actions of other cues that speak of it too. */
export function planRemoveList(sheet: ShowSheet, edit: RemoveListEdit): Step[] {
  const list = sheet.lists.get(edit.list);
  if (!list) throw new ShowError(`There is no list "${edit.list}" to take away; the lists are ${[...sheet.lists.keys()].join(", ")}`);
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

function actionSteps(list: ListSheet, named: string): Step[] {
  return list.cues.flatMap((cue): Step[] => {
    if (!cue.actions?.some((action) => action.list === named)) return [];
    const actions = cue.actions.filter((action) => action.list !== named);
    return [headStep(list, cue, { ...headOf(cue), actions })];
  });
}
