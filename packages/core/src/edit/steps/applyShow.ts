import { ShowError } from "../../show/errors.ts";
import { faultsOf } from "../../show/faults.ts";
import { sameData } from "../../show/sameData.ts";
import { type Show, type ShowHead, showSchema } from "../../show/schema.ts";
import type { ShowStep } from "./step.ts";

const headSchema = showSchema.pick({ title: true, newCue: true, editsAfter: true });

/**
 * The title of a show and what its new cues and changes of ranges start with.
 * Plain data that compares by content.
 */
export function showHeadOf({ title, newCue, editsAfter }: Show): ShowHead {
  return { title, ...(newCue ? { newCue } : {}), ...(editsAfter ? { editsAfter } : {}) };
}

/**
 * The show with its own fields changed. Throws ShowError when they are not as the step expects, or would not be valid.
 * Script, rig and lists are not its own fields and are not touched.
 */
export function applyShow(show: Show, step: ShowStep): Show {
  if (!sameData(showHeadOf(show), step.before))
    throw new ShowError("The show's own settings have been changed since; look at them and make the edit again");
  const parsed = headSchema.safeParse(step.after);
  if (!parsed.success) throw new ShowError(faultsOf(parsed.error, step.after));
  const { newCue: _newCue, editsAfter: _editsAfter, ...rest } = show;
  return { ...rest, ...parsed.data };
}
