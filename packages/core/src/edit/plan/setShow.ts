import { sameData } from "../../show/sameData.ts";
import type { Show, ShowHead } from "../../show/schema.ts";
import { showHeadOf } from "../applyShow.ts";
import type { SetShowEdit } from "../schema/entries.ts";
import type { ShowStep } from "../step.ts";

/** The step that gives a show another title or other times for new cues; none where it is like that already. */
export function planSetShow(show: Show, edit: SetShowEdit): ShowStep[] {
  const before = showHeadOf(show);
  const newCue = edit.newCue === undefined ? before.newCue : (edit.newCue ?? undefined);
  const after: ShowHead = { title: edit.title ?? before.title, ...(newCue ? { newCue } : {}) };
  return sameData(before, after) ? [] : [{ at: "show", before, after }];
}
