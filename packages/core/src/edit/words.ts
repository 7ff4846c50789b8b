import type { Edit } from "./edits.ts";
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
  const alike = EDIT_KINDS[first.op].manyWords(edits);
  return alike ?? `${describeEdit(first)}; ${describeEdit(second)}${others.length > 0 ? `; and ${others.length} more` : ""}`;
}

/** What one edit does. */
function describeEdit(edit: Edit): string {
  return EDIT_KINDS[edit.op].words(edit);
}
