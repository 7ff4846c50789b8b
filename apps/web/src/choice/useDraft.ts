import { type EditInput, type ImpactReport, type Outcome, ShowError, type ShowSheet, makeEdits, readEdits, reportImpact } from "@zm/core";
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

let kept: { sheet: ShowSheet; edits: readonly EditInput[]; outcome: DraftOutcome } | undefined;

/** Works the edit under consideration out on the show as it stands; once, however many parts of the window ask. */
export function useDraft(): DraftOutcome {
  const { sheet } = useShow();
  const edits = useChoice((choice) => choice.draft?.edits ?? null);
  return useMemo(() => {
    if (!edits) return null;
    if (kept?.sheet !== sheet || kept.edits !== edits) kept = { sheet, edits, outcome: outcomeOf(sheet, edits) };
    return kept.outcome;
  }, [edits, sheet]);
}

const reports = new WeakMap<Outcome, Map<string, ImpactReport>>();

/** What an outcome does to every cue; worked out once, however many parts of the window ask. `list` is the list that is worked on. */
export function reportOf(before: ShowSheet, outcome: Outcome, list: string): ImpactReport {
  const own = reports.get(outcome) ?? new Map<string, ImpactReport>();
  reports.set(outcome, own);
  const report = own.get(list) ?? reportImpact(before, outcome, list);
  own.set(list, report);
  return report;
}

/** What an outcome does, in one sentence without its first letter: "3 cues look different, 1 follow changes". */
export function summaryOf(before: ShowSheet, outcome: Outcome, list: string): string {
  return reportOf(before, outcome, list).summary;
}
