import { EmptyView } from "../shared/EmptyView.tsx";
import { useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { useBook } from "./book.ts";
import { Play } from "./Play.tsx";
import { ScriptEditor } from "./ScriptEditor.tsx";

/** The script with the cues at their words: where the show is called from. */
export function BookView() {
  const { sheet } = useShow();
  const { script } = sheet.show;
  const writing = useBook((book) => book.writing);
  return (
    <div className="flex h-full">
      <SpineColumn width={250} />
      <div className="flex min-w-0 flex-1 flex-col bg-base-200">
        {writing ? (
          <ScriptEditor key={"text" in writing ? "whole" : writing.first} writing={writing} />
        ) : script && script.lines.length > 0 ? (
          <Play script={script} />
        ) : (
          <EmptyView
            title="No play yet"
            words="With the play here each cue stands at its word: the list knows how long it is from one cue to the next, the planner knows which lines are quiet, and the show can be called from the text. Paste it, or open a file of plain text or Fountain."
          >
            <button type="button" className="btn btn-primary btn-sm" onClick={() => useBook.setState({ writing: { text: "" } })}>
              Paste or open a script
            </button>
          </EmptyView>
        )}
      </div>
    </div>
  );
}
