import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { readCueMoves } from "../show/parse.ts";
import { rigOf } from "../show/rig.ts";
import { cueSchema } from "../show/schema.ts";
import { type ShowSheet, cueAt, findRow, listOf } from "../sheet/sheet.ts";
import { advanceSheet } from "./advanceSheet.ts";
import { applySteps } from "./apply.ts";
import type { Edit } from "./edits.ts";
import { type Impact, impactOf } from "./impact.ts";
import { planChange } from "./plan/change.ts";
import { planDeleteCue, planInsertCue, planSetCue } from "./plan/cues.ts";
import { planRecord } from "./plan/record.ts";
import { planSetTimes } from "./plan/setTimes.ts";
import { type Step, invertSteps } from "./step.ts";

/** What edits come to: the show after them, every smallest change, what it does to the looks, and how to take it back. */
export interface Outcome {
  readonly sheet: ShowSheet;
  readonly steps: readonly Step[];
  readonly impact: Impact;
  /** Feeding these back gives the identical document. */
  readonly inverse: readonly Edit[];
}

/**
 * Makes edits in order on a show, all or none. The sheet that is passed in stays as it is, so this is also the question
 * "what would it do?". Throws ShowError, naming the thing, when one of them cannot be made.
 */
export function makeEdits(sheet: ShowSheet, edits: readonly Edit[]): Outcome {
  let current = sheet;
  const steps: Step[] = [];
  for (const edit of edits) {
    const planned = planEdit(current, edit);
    current = takeSteps(current, planned);
    if (edit.op === "steps") checkCues(current, planned);
    steps.push(...planned);
  }
  return {
    sheet: current,
    steps,
    impact: impactOf(sheet, current, steps),
    inverse: steps.length > 0 ? [{ op: "steps", steps: invertSteps(steps) }] : [],
  };
}

/** The sheet after exact steps, such as come from another window. Throws ShowError when the show is not as they expect. */
export function takeSteps(sheet: ShowSheet, steps: readonly Step[]): ShowSheet {
  return steps.length === 0 ? sheet : advanceSheet(sheet, applySteps(sheet.show, steps), steps);
}

function planEdit(sheet: ShowSheet, edit: Edit): readonly Step[] {
  if (edit.op === "steps") return edit.steps;
  const list = listOf(sheet, edit.list);
  switch (edit.op) {
    case "record":
      return planRecord(sheet, list, edit);
    case "change":
      return planChange(list, edit);
    case "setTimes":
      return planSetTimes(list, edit);
    case "setCue":
      return planSetCue(sheet, list, edit);
    case "insertCue":
      return planInsertCue(sheet, list, edit);
    case "deleteCue":
      return planDeleteCue(sheet, list, edit);
  }
}

/** Exact steps may come from a file; the cues they leave are held against the rules of the document. */
function checkCues(sheet: ShowSheet, steps: readonly Step[]): void {
  const rig = rigOf(sheet.show);
  const faults: string[] = [];
  for (const place of new Set(steps.map((step) => `${step.list}\n${step.cue}`))) {
    const [id, number] = place.split("\n");
    const list = listOf(sheet, id);
    const row = findRow(list, number ?? "");
    if (row < 0) continue;
    const cue = cueAt(list, row);
    const parsed = cueSchema.safeParse(cue);
    if (parsed.success) readCueMoves(parsed.data, rig, sheet.palettes.byId, `Cue ${cue.number}`, faults);
    else faults.push(...faultsOf(parsed.error, cue).map((fault) => `Cue ${cue.number}: ${fault}`));
  }
  if (faults.length > 0) throw new ShowError(faults);
}
