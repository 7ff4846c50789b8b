import { type ShowSheet, listOf } from "../../sheet/sheet.ts";
import type { Edit } from "../edits.ts";
import type { Step } from "../step.ts";
import { planChange } from "./change.ts";
import { planCopyCue } from "./copyCue.ts";
import { planDeleteCue, planInsertCue, planSetCue } from "./cues.ts";
import {
  planRemoveChannel,
  planRemoveList,
  planRemovePalette,
  planRemovePlain,
  planRemoveType,
  planSetEntry,
  planSetList,
} from "./entries.ts";
import { planFlag } from "./flags.ts";
import { planAssignPart } from "./parts.ts";
import type { Plan } from "./plan.ts";
import { planRecast } from "./recast.ts";
import { planRecord } from "./record.ts";
import { planRenumberChannel } from "./renumberChannel.ts";
import { planMoveCue, planRenumber } from "./renumber.ts";
import { planSetMoveTimes } from "./setMoveTimes.ts";
import { planSetTimes } from "./setTimes.ts";
import { planSetShow } from "./setShow.ts";
import { planSplit } from "./split.ts";
import { planSwapPalette } from "./swapPalette.ts";
import { planUpdate } from "./update.ts";

/** What an edit comes to on a show as it stands. Throws ShowError, naming the thing, when it cannot be made. */
export function planEdit(sheet: ShowSheet, edit: Edit): Plan {
  switch (edit.op) {
    case "recast":
      return planRecast(sheet, listOf(sheet, edit.list), edit);
    case "swapPalette":
      return planSwapPalette(listOf(sheet, edit.list), edit);
    default:
      return { steps: stepsOf(sheet, edit) };
  }
}

function stepsOf(sheet: ShowSheet, edit: Exclude<Edit, { op: "recast" | "swapPalette" }>): readonly Step[] {
  switch (edit.op) {
    case "steps":
      return edit.steps;
    case "record":
      return planRecord(sheet, listOf(sheet, edit.list), edit);
    case "change":
      return planChange(listOf(sheet, edit.list), edit);
    case "update":
      return planUpdate(sheet, listOf(sheet, edit.list), edit);
    case "setTimes":
      return planSetTimes(listOf(sheet, edit.list), edit);
    case "setMoveTimes":
      return planSetMoveTimes(sheet, listOf(sheet, edit.list), edit);
    case "setCue":
      return planSetCue(sheet, listOf(sheet, edit.list), edit);
    case "insertCue":
      return planInsertCue(sheet, listOf(sheet, edit.list), edit);
    case "deleteCue":
      return planDeleteCue(sheet, listOf(sheet, edit.list), edit);
    case "copyCue":
      return planCopyCue(sheet, listOf(sheet, edit.list), edit);
    case "moveCue":
      return planMoveCue(listOf(sheet, edit.list), edit);
    case "renumber":
      return planRenumber(listOf(sheet, edit.list), edit);
    case "split":
      return planSplit(listOf(sheet, edit.list), edit);
    case "assignPart":
      return planAssignPart(listOf(sheet, edit.list), edit);
    case "block":
    case "unblock":
    case "assert":
    case "unassert":
      return planFlag(listOf(sheet, edit.list), edit);
    default:
      return entrySteps(sheet, edit);
  }
}

type EntryEdit = Extract<
  Edit,
  { op: `set${"Show" | "Palette" | "Group" | "Pace" | "Channel" | "Type" | "List"}` | `remove${string}` | "renumberChannel" }
>;

function entrySteps(sheet: ShowSheet, edit: EntryEdit): readonly Step[] {
  switch (edit.op) {
    case "setShow":
      return planSetShow(sheet.show, edit);
    case "setPalette":
      return planSetEntry(sheet, "palettes", edit.palette.id, edit.palette);
    case "setGroup":
      return planSetEntry(sheet, "groups", edit.group.id, edit.group);
    case "setPace":
      return planSetEntry(sheet, "paces", edit.pace.id, edit.pace);
    case "setChannel":
      return planSetEntry(sheet, "channels", String(edit.channel.number), edit.channel);
    case "setType":
      return planSetEntry(sheet, "fixtureTypes", edit.type.id, edit.type);
    case "setList":
      return planSetList(sheet, edit);
    case "removePalette":
      return planRemovePalette(sheet, edit);
    case "removeGroup":
      return planRemovePlain(sheet, "groups", edit.group);
    case "removePace":
      return planRemovePlain(sheet, "paces", edit.pace);
    case "removeChannel":
      return planRemoveChannel(sheet, edit);
    case "renumberChannel":
      return planRenumberChannel(sheet, edit);
    case "removeType":
      return planRemoveType(sheet, edit.type);
    case "removeList":
      return planRemoveList(sheet, edit);
  }
}
