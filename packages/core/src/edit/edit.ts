// Where an edit is made: planned into exact steps, applied, and asked what it does to the looks. The server and every window call these
// functions and nothing else to change a show.
import { at } from "../show/at.ts";
import { append } from "../show/append.ts";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { readCueMoves, readShow } from "../show/parse.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { rigOf } from "../show/rig.ts";
import { cueSchema } from "../show/schema.ts";
import { type ShowSheet, cueAt, findRow, listOf } from "../sheet/sheet.ts";
import { type Edit, planEdit } from "./edits.ts";
import { type Impact, impactOf } from "./impact/impact.ts";
import { type Step, invertSteps, isCueData } from "./steps/step.ts";
import { applyStepsInSlices } from "./steps/applySteps.ts";
import { planTogether, runOf } from "./together.ts";

/**
 * What edits leave behind: the show after them, every smallest change, and how to take it back.
 * The inverse is exact: it says for every change what stood there before.
 */
export interface Applied {
  readonly sheet: ShowSheet;
  /** Every change in the order in which it was made; empty for edits that change nothing. */
  readonly steps: readonly Step[];
  /** What the user should be told besides: sentences on what was left alone. */
  readonly notes: readonly string[];
  /** Feeding these back gives the identical document. */
  readonly inverse: readonly Edit[];
}

/**
 * The outcome of edits, with what they do to the looks (docs/rules.md, Edits).
 * Asking for the impact costs what the edits touch, looks behind them included.
 */
export interface Outcome extends Applied {
  readonly impact: Impact;
}

/**
 * Makes edits in order on a show, all or none, without working out what they do to the looks. The sheet that is passed in stays
 * as it is. Throws ShowError, naming the thing, when one of them cannot be made.
 * Each edit is planned on the show that the one before it leaves. Edits that change nothing are no fault.
 */
export function applyEdits(sheet: ShowSheet, edits: readonly Edit[]): Applied {
  return runToEnd(applyInSlices(sheet, edits));
}

/** As `applyEdits`, with pauses in between, for a server that has more to do. */
export function* applyInSlices(sheet: ShowSheet, edits: readonly Edit[]): Generator<undefined, Applied> {
  let current = sheet;
  const steps: Step[] = [];
  const notes: string[] = [];
  for (let next = 0; next < edits.length;) {
    const run = runOf(edits, next);
    const plans = planTogether(current, run);
    if (plans) {
      for (let plan = plans.next(); !plan.done; plan = plans.next(current)) {
        yield;
        if (!plan.value) continue;
        current = yield* applyStepsInSlices(current, plan.value);
        append(steps, plan.value);
      }
      next += run.length;
      continue;
    }
    const edit = at(edits, next);
    next += 1;
    const plan = planEdit(current, edit);
    yield;
    current = yield* applyStepsInSlices(current, plan.steps);
    if (edit.op === "steps") checkTouched(current, plan.steps);
    append(steps, plan.steps);
    append(notes, plan.notes ?? []);
  }
  // The inverse of a large edit is as large; a server that stores the steps does not ask for it.
  return {
    sheet: current,
    steps,
    notes,
    get inverse(): Edit[] {
      return steps.length > 0 ? [{ op: "steps", steps: invertSteps(steps) }] : [];
    },
  };
}

/**
 * As `applyEdits`, with the impact: this is also the question "what would it do?".
 * Nothing is stored here: previews and acknowledged edits come from the same call.
 */
export function makeEdits(sheet: ShowSheet, edits: readonly Edit[]): Outcome {
  const applied = applyEdits(sheet, edits);
  return { ...applied, impact: impactOf(sheet, applied.sheet, applied.steps) };
}

/**
 * Exact steps may come from a file; what they leave is held against the rules of the document. Only the cues that they touch are read
 * again, and the whole show where they touch what stands beside the cues. Throws ShowError with every fault.
 */
function checkTouched(sheet: ShowSheet, steps: readonly Step[]): void {
  if (!steps.every(isCueData)) {
    readShow(sheet.show);
    return;
  }
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
    else
      append(
        faults,
        faultsOf(parsed.error, cue).map((fault) => `Cue ${cue.number}: ${fault}`),
      );
  }
  if (faults.length > 0) throw new ShowError(faults);
}
