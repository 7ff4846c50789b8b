import { type Outcome, ShowError, makeEdits, readEdits } from "@zm/core";
import { useMemo } from "react";
import { useShow } from "../show/useShow.ts";
import { useChoice } from "./choice.ts";

/** What the edit under consideration would do, or why it cannot be made; null when nothing is being considered. */
export type DraftOutcome = { outcome: Outcome } | { fault: string } | null;

/** Works the edit under consideration out on the show as it stands. */
export function useDraft(): DraftOutcome {
  const { sheet } = useShow();
  const draft = useChoice((choice) => choice.draft);
  return useMemo(() => {
    if (!draft) return null;
    try {
      return { outcome: makeEdits(sheet, readEdits(draft.edits)) };
    } catch (error) {
      if (error instanceof ShowError) return { fault: error.faults[0] ?? error.message };
      throw error;
    }
  }, [draft, sheet]);
}
