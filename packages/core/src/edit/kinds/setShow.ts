import { z } from "zod";
import { sameData } from "../../show/sameData.ts";
import { type Show, type ShowHead, editParts } from "../../show/schema.ts";
import { showHeadOf } from "../applyShow.ts";
import type { ShowStep } from "../step.ts";
import { defineEdit } from "./kind.ts";

/** The title of the show, and what new cues start with; null takes that away, what is left out stays. */
const schema = z.strictObject({
  op: z.literal("setShow"),
  title: editParts.title.optional(),
  newCue: editParts.newCue.nullable().optional(),
});

type SetShowEdit = z.infer<typeof schema>;

/** The step that gives a show another title or other times for new cues; none where it is like that already. */
function planSetShow(show: Show, edit: SetShowEdit): ShowStep[] {
  const before = showHeadOf(show);
  const newCue = edit.newCue === undefined ? before.newCue : (edit.newCue ?? undefined);
  const after: ShowHead = { title: edit.title ?? before.title, ...(newCue ? { newCue } : {}) };
  return sameData(before, after) ? [] : [{ at: "show", before, after }];
}

/**
 * Renaming the show, or setting what new cues start with.
 * Cues that are there keep their times: it only says what the next ones begin with.
 */
export const setShow = defineEdit(schema, {
  plan: ({ show }, edit) => planSetShow(show, edit),
  words: ({ title }) => (title === undefined ? "Times of new cues set" : `Show renamed “${title}”`),
});
