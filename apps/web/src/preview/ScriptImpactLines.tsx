import { scriptImpact, scriptImpactWords } from "@zm/core";
import { useMemo } from "react";
import { useDraft } from "../choice/draft.ts";
import { sheetAfter } from "./preview.ts";
import { sentence } from "../shared/words.ts";
import { useList, useShow } from "../show/useShow.ts";

/** What the edit under consideration does to the times of the play and to the marks that need them; nothing for edits that do not touch the play. */
export function ScriptImpactLines() {
  const { sheet } = useShow();
  const list = useList();
  const edits = useDraft(({ draft }) => draft?.edits ?? null);
  const words = useMemo(() => {
    const touches = edits?.some(({ op, ...rest }) => ["setScript", "setLines", "setText"].includes(op) || "call" in rest);
    const after = edits && touches ? sheetAfter(sheet, edits) : undefined;
    return after ? scriptImpactWords(scriptImpact(sheet, after, list.id)) : [];
  }, [edits, sheet, list.id]);
  return (
    <>
      {words.map((each) => (
        <p key={each} className="mt-1.5">
          {sentence(each)}
        </p>
      ))}
    </>
  );
}
