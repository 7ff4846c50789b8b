import { type Draft, dropDraft } from "./draft.ts";
import { setLine } from "./lineText.ts";

/** Drops what is only considered, with the line that it came from. */
export function dropConsidered({ from }: Draft): void {
  dropDraft();
  if (from === "line") setLine("");
}
