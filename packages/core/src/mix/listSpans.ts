import type { ListSheet } from "../sheet/sheet.ts";
import { type TrackedList, applyAction } from "./actions.ts";

/** Over which cues of a list another one runs, because of what the cues do besides. Rows, both included. */
export interface ListSpan {
  readonly list: string;
  /** The row whose cue starts it. */
  readonly from: number;
  /** The row whose cue lets it go, or the last of the list. */
  readonly to: number;
  /** False where no later cue lets it go. */
  readonly ends: boolean;
}

/**
 * Over which cues each other list runs when this one is run in order (docs/running.md, Actions), in the order in which they begin.
 * `listOf` gives the lists that actions speak of; one that is gone is left out. Empty where no cue speaks of another list.
 */
export function listSpans(list: ListSheet, listOf: (id: string) => ListSheet | undefined): ListSpan[] {
  const lists = new Map<string, TrackedList>();
  const began = new Map<string, number>();
  const spans: ListSpan[] = [];
  list.cues.forEach(({ actions = [] }, row) => {
    for (const action of actions) applyAction(lists, action, listOf);
    for (const [id, { cue }] of actions.length === 0 ? [] : lists) {
      const from = began.get(id);
      if (cue != null && from === undefined) began.set(id, row);
      if (cue != null || from === undefined) continue;
      began.delete(id);
      spans.push({ list: id, from, to: row, ends: true });
    }
  });
  for (const [id, from] of began) spans.push({ list: id, from, to: list.cues.length - 1, ends: false });
  return spans.sort((a, b) => a.from - b.from);
}
