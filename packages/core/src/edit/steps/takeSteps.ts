import { runToEnd } from "../../show/runToEnd.ts";
import type { Show } from "../../show/schema.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { advanceInSteps } from "./advanceSheet.ts";
import { stepGroupsInSteps } from "./apply.ts";
import type { Step } from "./step.ts";

/** A stretch of steps and the document after it: what a sheet is advanced by. */
export interface AppliedSteps {
  readonly steps: readonly Step[];
  readonly show: Show;
}

/**
 * The sheet after exact steps, such as come from another window. Throws ShowError when the show is not as they expect: the window then has
 * to catch up.
 * Costs what the steps touch. Use it where they have been planned elsewhere; planning again could come to something else.
 */
export function takeSteps(sheet: ShowSheet, steps: readonly Step[]): ShowSheet {
  return runToEnd(takeInSteps(sheet, steps));
}

/** As `takeSteps`, with pauses in between, for a server that has more to do. */
export function* takeInSteps(sheet: ShowSheet, steps: readonly Step[]): Generator<undefined, ShowSheet> {
  return yield* advanceThroughSteps(sheet, yield* appliedInSteps(sheet.show, steps));
}

/**
 * The first half of `takeInSteps`: the document after each stretch of exact steps, with pauses in between. The last one's is the show
 * after all; empty for no steps. Throws ShowError when the show is not as they expect.
 */
export function* appliedInSteps(show: Show, steps: readonly Step[]): Generator<undefined, AppliedSteps[]> {
  const applied: AppliedSteps[] = [];
  let current = show;
  for (const group of yield* stepGroupsInSteps(steps)) {
    current = yield* group.applyInSteps(current);
    applied.push({ steps: group.steps, show: current });
  }
  return applied;
}

/** The second half of `takeInSteps`: the sheet after stretches that have been applied to its document, with pauses in between. */
export function* advanceThroughSteps(sheet: ShowSheet, applied: readonly AppliedSteps[]): Generator<undefined, ShowSheet> {
  let current = sheet;
  for (const { show, steps } of applied) current = yield* advanceInSteps(current, show, steps);
  return current;
}
