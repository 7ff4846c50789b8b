import { rightFor } from "@zm/protocol";
import { useEffect } from "react";
import { useMatch } from "react-router";
import { makeConsidered, useDraft } from "../choice/draft.ts";
import { lookAt, toggleUnder, useSheetView } from "../choice/sheetView.ts";
import { ScriptImpactLines } from "../preview/ScriptImpactLines.tsx";
import { WordHint } from "../shared/WordHint.tsx";
import { DraftImpact } from "../preview/DraftImpact.tsx";
import { comeBack } from "../choice/comeBack.ts";
import { dropConsidered } from "../choice/dropConsidered.ts";
import { useLineText } from "../choice/lineText.ts";
import { usePreview } from "../preview/usePreview.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { useWhyNot } from "../show/me.ts";
import { useList, useMakeEdits } from "../show/useShow.ts";

/** The impact of the edit under consideration, cue by cue in words, and the keys that make or drop it. */
export function DraftPanel() {
  const list = useList();
  const draft = useDraft((choice) => choice.draft);
  const result = usePreview();
  const makeEdits = useMakeEdits();
  const not = useWhyNot(rightFor(draft?.edits ?? []));
  const preview = result && "lines" in result ? result : null;
  const first = preview?.lines.find((line) => !line.quiet && line.list === list.id);
  const firstCue = first?.after ?? first?.cue;
  useEffect(() => {
    if (firstCue !== undefined) lookAt(list.id, firstCue);
  }, [firstCue, list.id]);
  if (!draft || !result) return null;
  if ("fault" in result) {
    return (
      <p role="alert" className="rounded border border-error px-2 py-1.5 text-error">
        {result.fault}
      </p>
    );
  }
  if (!preview) return null;
  const drop = (): void => dropConsidered(draft);
  const make = async (): Promise<void> => {
    if (draft.from !== "line") return void (await makeConsidered(draft, makeEdits));
    const { text, began } = useLineText.getState();
    drop();
    const made = await makeEdits(draft.edits);
    if (!made && began) comeBack(text, began);
  };
  return (
    <section aria-label="Impact">
      <h2 className="font-bold">Impact</h2>
      <WordHint word="impact" className="mt-1" />
      <DraftImpact preview={preview} saysWhat={draft.from !== "line"} />
      <ScriptImpactLines />
      {not !== null && <p className="mt-2 text-error">{not}</p>}
      {draft.from !== "book" && (
        <div className="mt-3 flex gap-2">
          <ActionButton className="btn btn-primary btn-sm" disabled={preview.changesNothing || not !== null} onAct={make}>
            Make it
          </ActionButton>
          <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={drop}>
            Drop
          </button>
          <PicturesButton />
        </div>
      )}
    </section>
  );
}

/** Opens the pictures of the cue in sight under the Score or the planner, where one of them is the view. */
function PicturesButton() {
  const shown = useSheetView((choice) => choice.under === "pictures");
  const view = useMatch("/show/:id/:view")?.params.view;
  if (view !== "score" && view !== "planner") return null;
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm font-normal"
      aria-pressed={shown}
      title="The stage before, after, and the difference, under the sheet (v)"
      onClick={() => toggleUnder("pictures")}
    >
      Pictures
    </button>
  );
}
