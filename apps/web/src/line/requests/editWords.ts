import { type EditInput, ShowError, type ShowSheet } from "@zm/core";
import { type Preview, previewOf } from "../../preview/preview.ts";

/** What edits do and how many looks they change: "Cue 6: 2 lights updated here: 3 cues look different". Throws ShowError for edits that cannot be made. */
export function editWords(sheet: ShowSheet, edits: readonly EditInput[], list: string): string {
  const preview = previewOf(sheet, { edits, list, mostLines: 0, window: null });
  if ("fault" in preview) throw new ShowError(preview.fault);
  return previewWords(preview);
}

export function previewWords({ description, summary, changesNothing }: Preview): string {
  return `${description}: ${changesNothing ? "changes nothing" : summary}`;
}
