import { runToEnd } from "../../show/runToEnd.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { advanceInSlices } from "./advanceSheet.ts";
import { type AppliedSteps, appliedInSlices } from "./apply.ts";
import type { Step } from "./step.ts";

/**
 * The sheet after exact steps, such as come from another window. Throws ShowError when the show is not as they expect: the window then has
 * to catch up.
 * Costs what the steps touch. Use it where they have been planned elsewhere; planning again could come to something else.
 */
export function applySteps(sheet: ShowSheet, steps: readonly Step[]): ShowSheet {
  return runToEnd(applyStepsInSlices(sheet, steps));
}

/** As `applySteps`, with pauses in between, for a server that has more to do. */
export function* applyStepsInSlices(sheet: ShowSheet, steps: readonly Step[]): Generator<undefined, ShowSheet> {
  return yield* advanceThroughSteps(sheet, yield* appliedInSlices(sheet.show, steps));
}

/** The second half of `applyStepsInSlices`: the sheet after stretches that have been applied to its document, with pauses in between. */
export function* advanceThroughSteps(sheet: ShowSheet, applied: readonly AppliedSteps[]): Generator<undefined, ShowSheet> {
  let current = sheet;
  for (const { show, steps } of applied) current = yield* advanceInSlices(current, show, steps);
  return current;
}
