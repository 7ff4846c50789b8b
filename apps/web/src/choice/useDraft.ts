import { type EditInput, type Outcome, ShowError, type ShowSheet, makeEdits, readEdits } from "@zm/core";
import { useMemo } from "react";
import { useShow } from "../show/useShow.ts";
import { useChoice } from "./choice.ts";

/** What the edit under consideration would do, or why it cannot be made; null when nothing is being considered. */
export type DraftOutcome = { outcome: Outcome } | { fault: string } | null;

/** What edits would do to the show as it stands. */
export function outcomeOf(sheet: ShowSheet, edits: readonly EditInput[] | null): DraftOutcome {
  if (!edits) return null;
  try {
    return { outcome: makeEdits(sheet, readEdits(edits)) };
  } catch (error) {
    if (error instanceof ShowError) return { fault: error.faults[0] ?? error.message };
    throw error;
  }
}

/** Works the edit under consideration out on the show as it stands. */
export function useDraft(): DraftOutcome {
  const { sheet } = useShow();
  const draft = useChoice((choice) => choice.draft);
  return useMemo(() => outcomeOf(sheet, draft?.edits ?? null), [draft, sheet]);
}

/** "3 cues look different", "no cue looks different". */
export function lookCount(outcome: Outcome): string {
  const cues = new Set(outcome.impact.looks.map((look) => `${look.list ?? ""}/${look.cue}`)).size;
  return cues === 0 ? "no cue looks different" : `${cues} ${cues === 1 ? "cue looks" : "cues look"} different`;
}
