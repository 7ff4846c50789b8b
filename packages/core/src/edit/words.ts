import type { Edit } from "./edits.ts";
import { manyWords } from "./kinds/kindWords.ts";
import { EDIT_KINDS } from "./kinds/registry.ts";

/**
 * What edits do, as a short sentence for the history: "Cues 10 to 20, 6 lights: intensity +10, restored after". Edits of one kind are told
 * together where the kind knows how; else the first is told, and how many more there are.
 * Without a full stop. Undo and redo name their step with it.
 */
export function describeEdits(edits: readonly Edit[]): string {
  const [first, second, ...others] = edits;
  if (!first) return "Nothing";
  if (!second) return describeEdit(first);
  const alike = EDIT_KINDS[first.op].manyWords(edits) ?? movedToListWords(edits);
  return alike ?? `${describeEdit(first)}; ${describeEdit(second)}${others.length > 0 ? `; and ${others.length} more` : ""}`;
}

/** What one edit does. */
function describeEdit(edit: Edit): string {
  return EDIT_KINDS[edit.op].words(edit);
}

/** Cues that are copied into another list and then deleted have moved there. Undefined where the edits are anything else. */
function movedToListWords(edits: readonly Edit[]): string | undefined {
  const copies = edits.filter((edit) => edit.op === "copyCue");
  const gone = edits.filter((edit) => edit.op === "deleteCue");
  const [first] = copies;
  const isMove = copies.every(
    ({ cue, list, toList }, index) => toList !== undefined && gone[index]?.cue === cue && gone[index].list === list,
  );
  if (!first || copies.length + gone.length !== edits.length || copies.length !== gone.length || !isMove) return undefined;
  const what = copies.length === 1 ? `Cue ${first.cue}` : manyWords(copies, "cues", ({ cue }) => cue);
  return `${what} moved to ${first.to} of ${first.toList}${gone[0]?.looks === "keepLooks" ? ", looks kept" : ""}`;
}
