import type { Cue, CueHead } from "../../show/schema.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import type { CueStep } from "../steps/step.ts";

/**
 * The step that makes these a cue's own fields.
 * `after` is the whole head, not a patch.
 */
export function headStep(list: ListSheet, cue: Cue, after: CueHead): CueStep {
  return { at: "cue", list: list.id, cue: cue.number, before: headOf(cue), after };
}
