import { type Step, readEdits } from "@zm/core";
import type { EditRow } from "../database/entities.ts";

/** The exact steps of a stored edit. Throws ShowError where they do not read. */
export function readSteps({ steps }: Pick<EditRow, "steps">): Step[] {
  const [edit] = readEdits({ op: "steps", steps: JSON.parse(steps) as unknown });
  return edit?.op === "steps" ? edit.steps : [];
}
