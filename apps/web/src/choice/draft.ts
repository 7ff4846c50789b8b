import type { EditInput, Operation } from "@zm/core";
import { create } from "zustand";

/** An edit that is being thought about and where it comes from: its impact is drawn, nothing is made yet. */
export interface Draft {
  readonly from: "cells" | "cue" | "times" | "line" | "rig" | "check" | "history" | "planner" | "book" | "pick";
  readonly edits: readonly EditInput[];
}

interface Considered {
  readonly draft: Draft | null;
  /** What is typed or pressed for the chosen cells; their draft is made of it. */
  readonly operation: Operation | null;
  /** What becomes of looks behind a changed range; null: as the show has it. */
  readonly after: "restore" | "track" | null;
}

/** Read it anywhere; it is changed by the functions of this file alone. */
export const useDraft = create<Considered>(() => ({ draft: null, operation: null, after: null }));

/** Considers edits in place of what was considered before; null considers nothing. Gives the draft, by which its owner knows it again. */
export function considerEdits(from: Draft["from"], edits: readonly EditInput[] | null): Draft | null {
  const draft = edits && { from, edits };
  useDraft.setState({ draft, operation: null });
  return draft;
}

/** Takes what is typed or pressed for the chosen cells; null considers nothing. Its edits follow with `considerOperationEdits`. */
export function considerOperation(operation: Operation | null): void {
  if (operation) useDraft.setState({ operation });
  else dropDraft();
}

/** Considers the edits of the operation that is given to the chosen cells. */
export function considerOperationEdits(edits: readonly EditInput[]): void {
  useDraft.setState({ draft: { from: "cells", edits } });
}

/** Considers nothing any more. */
export function dropDraft(): void {
  useDraft.setState({ draft: null, operation: null });
}

/** Considers nothing any more where what is considered comes from one place; else it stays. */
export function dropDraftFrom(from: Draft["from"]): void {
  if (useDraft.getState().draft?.from === from) dropDraft();
}

/** Chooses what becomes of looks behind a changed range; null: as the show has it. */
export function chooseAfter(after: Considered["after"]): void {
  useDraft.setState({ after });
}

/**
 * Makes what is considered. It is dropped at once, so that a second press makes nothing; where it is refused it comes back, unless something else has been begun
 * meanwhile: `onBack` brings the text that it was typed with.
 */
export async function makeConsidered(
  draft: Draft,
  makeEdits: (edits: readonly EditInput[]) => Promise<boolean>,
  onBack: () => void = () => undefined,
): Promise<void> {
  const { operation } = useDraft.getState();
  dropDraft();
  if ((await makeEdits(draft.edits)) || useDraft.getState().draft !== null) return;
  useDraft.setState({ draft, operation });
  onBack();
}
