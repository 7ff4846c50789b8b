import { useEffect, useMemo } from "react";
import { lookAt, useChoice } from "../choice/choice.ts";
import { ImpactList, colourChanges } from "../choice/ImpactList.tsx";
import { reportOf, useDraft } from "../choice/useDraft.ts";
import { comeBack } from "../line/comeBack.ts";
import { setLine, useLineText } from "../line/lineText.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";

/** The impact of the edit under consideration, cue by cue in words, and the keys that make or drop it. */
export function DraftPanel() {
  const { sheet } = useShow();
  const list = useList();
  const draft = useChoice((choice) => choice.draft);
  const result = useDraft();
  const makeEdits = useMakeEdits();
  const outcome = result && "outcome" in result ? result.outcome : null;
  const report = useMemo(() => outcome && reportOf(sheet, outcome, list.id), [sheet, outcome, list.id]);
  const first = report?.lines.find((line) => !line.quiet && line.list === list.id);
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
  if (!outcome || !report) return null;
  const { steps, notes, impact } = outcome;
  const drop = (): void => {
    useChoice.setState({ draft: null, deed: null });
    if (draft.from === "line") setLine("");
  };
  const make = async (): Promise<void> => {
    const { text, began } = useLineText.getState();
    drop();
    const made = await makeEdits(draft.edits);
    if (!made && draft.from === "line" && began) comeBack(text, began);
  };
  return (
    <section aria-label="Impact">
      <h2 className="font-bold">Impact</h2>
      {steps.length === 0 ? (
        <p className="mt-1 text-quiet">This changes nothing: every cue already is like that.</p>
      ) : (
        <>
          <p className="mt-0.5">{sentence(report.summary)}</p>
          <ImpactList
            label="Impact, cue by cue"
            report={report}
            before={list}
            after={outcome.sheet.lists.get(list.id)}
            colours={colourChanges(impact.looks, list)}
            className="mt-1"
          />
        </>
      )}
      {notes.map((note) => (
        <p key={note} className="mt-1.5">
          {note}.
        </p>
      ))}
      <div className="mt-3 flex gap-2">
        <ActionButton className="btn btn-primary btn-sm" disabled={steps.length === 0} onAct={make}>
          Make it
        </ActionButton>
        <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={drop}>
          Drop
        </button>
      </div>
    </section>
  );
}

/** A summary as a sentence. */
export function sentence(summary: string): string {
  return `${summary.charAt(0).toUpperCase()}${summary.slice(1)}.`;
}
