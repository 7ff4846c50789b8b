import { ShowError } from "../../show/errors.ts";
import { readCueMoves } from "../../show/parse.ts";
import { rigOf } from "../../show/rig.ts";
import type { Cue, CueHead } from "../../show/schema.ts";
import { carriedAt } from "../../sheet/entry.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, movesOf, rowOf } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { headOf, partHeadOf } from "../apply.ts";
import type { DeleteCueEdit, InsertCueEdit, SetCueEdit } from "../schema/cues.ts";
import { type Step, invertSteps } from "../step.ts";
import { headStep } from "./headStep.ts";
import { restoreFrom } from "./moveSteps.ts";
import { eachRow } from "./rows.ts";

/** The steps that insert a cue, with whatever fields and parts it brings. */
export function planInsertCue(sheet: ShowSheet, list: ListSheet, edit: InsertCueEdit): Step[] {
  if (findRow(list, edit.cue) >= 0) throw new ShowError(`List "${list.id}" already has a cue ${edit.cue}; choose another number`);
  const { op: _op, list: _list, cue: number, ...fields } = edit;
  const faults: string[] = [];
  const cue = readCueMoves({ number, ...fields }, rigOf(sheet.show), sheet.palettes.byId, `Cue ${number}`, faults);
  if (faults.length > 0) throw new ShowError(faults);
  checkActions(sheet, cue);
  return wholeCueSteps(sheet, list, cue);
}

/** The steps that make a cue stand in a list with all it holds. */
export function wholeCueSteps(sheet: ShowSheet, list: ListSheet, cue: Cue): Step[] {
  const place = { list: list.id, cue: cue.number };
  return [
    { at: "cue", ...place, after: headOf(cue) },
    ...cue.parts.map((part): Step => ({ at: "part", ...place, part: part.number, after: partHeadOf(part) })),
    ...movesOf(cue, sheet.keys).map(({ key, spec, part }): Step => ({
      at: "move",
      ...place,
      channel: key.channel,
      attribute: key.attribute.id,
      after: { part, move: spec },
    })),
  ];
}

/** The steps that delete a cue; with keepLooks, what later cues need of it moves on to the next (SEMANTICS section 6). */
export function planDeleteCue(sheet: ShowSheet, list: ListSheet, edit: DeleteCueEdit): Step[] {
  const row = rowOf(list, edit.cue);
  const taken = invertSteps(wholeCueSteps(sheet, list, cueAt(list, row)));
  if (edit.looks === "letGo") return taken;
  const kept = list.keys.all.flatMap((key) => restoreFrom(list, key, row + 1, carriedAt(list, key, row - 1), carriedAt(list, key, row)));
  return [...taken, ...kept];
}

/** The steps that set a cue's own fields over a range; null clears a field. */
export function planSetCue(sheet: ShowSheet, list: ListSheet, edit: SetCueEdit): Step[] {
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

/** Throws ShowError when a cue speaks of a list that does not exist. */
export function checkActions(sheet: ShowSheet, cue: Cue): void {
  for (const action of cue.actions ?? []) {
    if (!sheet.lists.has(action.list))
      throw new ShowError(`Cue ${cue.number}: there is no list "${action.list}"; the lists are ${[...sheet.lists.keys()].join(", ")}`);
  }
}

function checkMark(sheet: ShowSheet, cue: Cue): void {
  for (const channel of Object.keys(cue.mark?.channels ?? {})) {
    if (!sheet.keys.byChannel.has(Number(channel))) throw new ShowError(`Cue ${cue.number}, mark: channel ${channel} is not in the rig`);
  }
}
