import { type Note, lightRuns } from "@zm/core";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { chooseLights } from "../choice/selection.ts";
import { useGoToCue } from "../show/useGoToCue.ts";
import { useMainList, useShow } from "../show/useShow.ts";
import { carriedFrom, useNotes } from "./useNotes.ts";

/** One note for whoever does something about it: ticked off, with what was done; its cue and its lights are gone to. */
export function NoteRow({ note, showsCue = true }: { note: Note; showsCue?: boolean }) {
  const { sheet } = useShow();
  const main = useMainList();
  const goTo = useGoToCue();
  const { change, remove } = useNotes();
  const [answer, setAnswer] = useState<string | null>(null);
  // What was ticked is shown at once, and what holds again where that is refused.
  const [wanted, setWanted] = useState<boolean | null>(null);
  const { id, text, cue, list = main.id, channels = [], asked, done = false } = note;
  const isThere = cue !== undefined && (sheet.lists.get(list)?.cues.some(({ number }) => number === cue) ?? false);
  const carried = carriedFrom(note);
  const take = (): void => {
    if (answer !== null && answer.trim() !== (note.answer ?? ""))
      void change(id, { answer: answer.trim() === "" ? undefined : answer.trim() });
    setAnswer(null);
  };
  return (
    <li className={`flex flex-col gap-1 rounded border border-rule p-2 ${done ? "text-quiet" : ""}`}>
      <span className="flex items-start gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm mt-0.5 shrink-0"
          aria-label={`Done: ${text}`}
          checked={wanted ?? done}
          onChange={(event) => {
            setWanted(event.target.checked);
            void change(id, { done: event.target.checked ? true : undefined }).finally(() => setWanted(null));
          }}
        />
        {showsCue && cue !== undefined && (
          <button
            type="button"
            className="figures min-h-7 shrink-0 font-bold text-primary hover:underline disabled:text-quiet disabled:no-underline"
            disabled={!isThere}
            title={isThere ? `Goes to cue ${cue}` : `Cue ${cue} is gone`}
            onClick={() => goTo(list, cue)}
          >
            {cue}
          </button>
        )}
        <span className={`min-w-0 flex-1 break-words ${done ? "line-through" : ""}`}>{text}</span>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square h-7 w-7"
          aria-label={`Take the note away: ${text}`}
          onClick={() => void remove([id])}
        >
          <Trash2 size={13} />
        </button>
      </span>
      <span className="ml-7 flex flex-wrap items-center gap-2 text-[13px] text-quiet">
        {channels.length > 0 && (
          <button type="button" className="figures min-h-7 underline" title="Chooses these lights" onClick={() => chooseLights(channels)}>
            {lightRuns(channels)}
          </button>
        )}
        {carried !== undefined ? `carried over from ${carried}` : asked}
      </span>
      <input
        aria-label={`What was done: ${text}`}
        className="input input-sm ml-7 h-7 w-auto bg-base-100 px-2 text-[14px]"
        placeholder="what was done about it"
        value={answer ?? note.answer ?? ""}
        onChange={(event) => setAnswer(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            event.preventDefault();
            take();
          }
          if (event.key === "Escape" && answer !== null) {
            event.stopPropagation();
            setAnswer(null);
          }
        }}
      />
    </li>
  );
}
