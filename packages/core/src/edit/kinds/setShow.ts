import { z } from "zod";
import { sameData } from "../../show/sameData.ts";
import { type Show, type ShowHead, editParts } from "../../show/schema.ts";
import { showHeadOf } from "../steps/applyShow.ts";
import type { ShowStep } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";

/** The title of the show, what new cues start with, and what becomes of looks behind a changed range; null takes that away, what is left out stays. */
const schema = z.strictObject({
  op: z.literal("setShow"),
  title: editParts.title.optional(),
  newCue: editParts.newCue.nullable().optional(),
  editsAfter: editParts.editsAfter.nullable().optional(),
});

type SetShowEdit = z.infer<typeof schema>;

/** The step that gives a show another title or other times for new cues; none where it is like that already. */
function planSetShow(show: Show, edit: SetShowEdit): ShowStep[] {
  const before = showHeadOf(show);
  const newCue = edit.newCue === undefined ? before.newCue : (edit.newCue ?? undefined);
  const editsAfter = edit.editsAfter === undefined ? before.editsAfter : (edit.editsAfter ?? undefined);
  const after: ShowHead = { title: edit.title ?? before.title, ...(newCue ? { newCue } : {}), ...(editsAfter ? { editsAfter } : {}) };
  return sameData(before, after) ? [] : [{ at: "show", before, after }];
}

/**
 * Renaming the show, or setting what new cues and changes of ranges start with.
 * Cues that are there keep their times: it only says what the next ones begin with.
 */
export const setShow = defineEdit(schema, {
  plan: ({ show }, edit) => planSetShow(show, edit),
  words: ({ title, editsAfter }) => {
    if (title !== undefined) return `Show renamed “${title}”`;
    if (editsAfter === undefined) return "Times of new cues set";
    return editsAfter === "restore" ? "Changes of ranges restore after them" : "Changes of ranges track on";
  },
});
