import { useChoice } from "../choice/choice.ts";
import { impactLines } from "../choice/impactWords.ts";
import { useDraft } from "../choice/useDraft.ts";
import { useLineText } from "../line/lineText.ts";
import { useList, useMakeEdits } from "../show/useShow.ts";

const SHOWN = 9;

/** The impact of the edit under consideration, cue by cue in words, and the keys that make or drop it. */
export function DraftPanel() {
  const list = useList();
  const draft = useChoice((choice) => choice.draft);
  const outcome = useDraft();
  const makeEdits = useMakeEdits();
  if (!draft || !outcome) return null;
  if ("fault" in outcome) {
    return (
      <p role="alert" className="rounded border border-error px-2 py-1.5 text-error">
        {outcome.fault}
      </p>
    );
  }
  const lines = impactLines(outcome.outcome, list);
  const { steps, notes } = outcome.outcome;
  const looks = lines.filter((line) => !line.quiet).length;
  const make = async (): Promise<void> => {
    if (await makeEdits(draft.edits)) drop();
  };
  const drop = (): void => {
    useChoice.setState({ draft: null, deed: null });
    if (draft.from === "line") useLineText.setState({ text: "" });
  };
  return (
    <section aria-label="Impact">
      <h2 className="font-bold">Impact</h2>
      {steps.length === 0 ? (
        <p className="mt-1 text-quiet">This changes nothing: every cue already is like that.</p>
      ) : (
        <ul className="mt-1 space-y-0.5">
          {lines.slice(0, SHOWN).map((line) => (
            <li key={line.cue} className="flex gap-2">
              <span className="figures w-11 shrink-0 text-right">{line.cue}</span>
              <span className={line.quiet ? "text-quiet" : ""}>{line.text}</span>
            </li>
          ))}
        </ul>
      )}
      {lines.length > SHOWN && <p className="mt-0.5 pl-13 text-quiet">and {lines.length - SHOWN} more</p>}
      {steps.length > 0 && <p className="mt-1.5 text-quiet">{looks === 0 ? "No cue looks different." : "No other cue looks different."}</p>}
      {notes.map((note) => (
        <p key={note} className="mt-1.5">
          {note}.
        </p>
      ))}
      <div className="mt-3 flex gap-2">
        <button type="button" className="btn btn-primary btn-sm" disabled={steps.length === 0} onClick={() => void make()}>
          Make it
        </button>
        <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={drop}>
          Drop
        </button>
      </div>
    </section>
  );
}
