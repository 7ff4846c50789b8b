import { editsAfter } from "@zm/core";
import { useShow } from "../show/useShow.ts";
import { useDraft } from "../choice/draft.ts";

/** What becomes of the looks behind a range that is changed: as chosen for this edit, else as the show has it. */
export function useAfterRange(): "restore" | "track" {
  const { sheet } = useShow();
  return useDraft((choice) => choice.after) ?? editsAfter(sheet.show);
}
