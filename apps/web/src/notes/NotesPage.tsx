import { type Note, lightRuns, notesWords, standingCue } from "@zm/core";
import { useCallback, useRef, useState } from "react";
import { chooseLights, useSelection } from "../choice/selection.ts";
import { type Painted, StagePicture } from "../picture/StagePicture.tsx";
import { useLive } from "../show/live.ts";
import { liveOutputs } from "../show/outputs.ts";
import { useMainList, useShow } from "../show/useShow.ts";
import { useStagePointer } from "../stage/useStagePointer.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useNotices } from "../shared/notices.ts";
import { lightWords } from "../shared/words.ts";
import { useDraftNote } from "./useDraftNote.ts";
import { momentNow, carriedFrom, useNotes } from "./useNotes.ts";

/** What somebody who looks on leaves: the picture, a note pinned to this moment, the cue and lights; and what became of those that are there. Nothing here fires or changes a cue. */
export function NotesPage() {
  const { sheet } = useShow();
  const main = useMainList();
  const run = useLive((live) => live.run?.mix.lists.get(main.id));
  const stands = run ? standingCue(run, main).cue : null;
  const outputs = useCallback(() => liveOutputs(sheet), [sheet]);
  const painted = useRef<Painted | null>(null);
  // As if blind: a light that is touched is chosen, and nothing is given to it.
  const pointer = useStagePointer(painted, false);
  const { notes } = useNotes();
  return (
    <div className="flex min-h-0 flex-1">
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="relative min-h-0 flex-1 bg-black" data-theme="desk">
          <StagePicture
            outputs={outputs}
            labels={false}
            rings
            painted={painted}
            description={stands === null ? "The stage; nothing has been fired" : `The stage in cue ${stands}`}
            {...pointer}
          />
          <p className="pointer-events-none absolute top-2 left-4 text-[14px] text-quiet" data-testid="notes-on-stage">
            on stage: {stands === null ? "nothing" : `${stands} ${main.cues.find(({ number }) => number === stands)?.label ?? ""}`}
          </p>
        </div>
        <LeaveNote stands={stands} />
      </div>
      <section aria-label="Notes" className="flex w-[400px] shrink-0 flex-col gap-2 border-l border-rule p-4">
        <h2 className="text-[19px] font-bold">Notes</h2>
        <p role="status" className="text-quiet">
          {notesWords(notes)}
        </p>
        <ul className="flex min-h-0 flex-1 flex-col gap-2 overflow-y-auto">
          {notes.map((note) => (
            <NoteCard key={note.id} note={note} isHere={note.cue !== undefined && note.cue === stands} />
          ))}
          {notes.length === 0 && <li className="text-quiet">What you leave stands here, and what was done about it.</li>}
        </ul>
      </section>
    </div>
  );
}

/** A note at this moment; what it is pinned to can be let go of before it is left. */
function LeaveNote({ stands }: { stands: string | null }) {
  const { id: show } = useShow();
  const main = useMainList();
  const channels = useSelection((choice) => choice.channels);
  const { leave } = useNotes();
  const { draft, write, left } = useDraftNote(show);
  const { id, text } = draft;
  const [toCue, setToCue] = useState(true);
  const [refused, setRefused] = useState(false);
  // It belongs to the moment in which it was begun, however long the writing takes and whatever is fired meanwhile.
  const cue = text === "" ? stands : draft.begun;
  const call = main.cues.find(({ number }) => number === cue)?.call;
  const send = async (): Promise<void> => {
    const sent = text.trim();
    if (sent === "") return;
    const pinned = {
      ...(toCue && cue !== null ? { list: main.id, cue, ...(call ? { line: call.line } : {}) } : {}),
      ...(channels.length > 0 ? { channels: [...channels] } : {}),
    };
    const kept = await leave({ text: sent, asked: momentNow(), ...pinned }, id);
    setRefused(!kept);
    if (!kept) return;
    left(sent);
    chooseLights([]);
  };
  return (
    <form
      aria-label="A note at this moment"
      className="flex shrink-0 flex-col gap-2 border-t border-rule p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <input
        aria-label="What is wanted"
        placeholder="what is wanted; touch a light to pin it"
        autoComplete="off"
        className="input h-12 w-full bg-base-200 px-4 text-[17px]"
        value={text}
        onChange={(event) => {
          setRefused(false);
          write(event.target.value, stands);
        }}
      />
      {refused && <Refused />}
      <div className="flex flex-wrap items-center gap-2 *:min-h-11">
        <Toggle pressed={toCue && cue !== null} disabled={cue === null} onClick={() => setToCue(!toCue)}>
          {cue === null ? "no cue is on stage" : `cue ${cue}`}
        </Toggle>
        {channels.length > 0 && (
          <Toggle pressed onClick={() => chooseLights([])} title="Touch it to let go of these lights">
            {lightWords(channels)}
          </Toggle>
        )}
        <span className="flex-1" />
        <ActionButton className="btn btn-primary px-8" disabled={text.trim() === ""} onAct={send}>
          Leave it
        </ActionButton>
      </div>
    </form>
  );
}

/** That a note was not left, and why. The page has no other place where trouble is told. */
function Refused() {
  const why = useNotices(({ notices }) => notices.findLast(({ kind }) => kind === "trouble")?.text);
  return (
    <p role="alert" className="whitespace-pre-line text-error">
      {`It was not left, and stays here.${why ? `\n${why}` : ""}`}
    </p>
  );
}

/** One note as who left it sees it: what it is pinned to, and what became of it. */
function NoteCard({ note, isHere }: { note: Note; isHere: boolean }) {
  const { text, cue, channels = [], done, answer } = note;
  const carried = carriedFrom(note);
  const state = done ? `done${answer ? `: ${answer}` : ""}` : answer ? answer : carried ? `carried over from ${carried}` : "open";
  return (
    <li>
      <button
        type="button"
        className={`flex min-h-14 w-full gap-3 rounded border p-2 text-left ${isHere ? "border-primary" : "border-rule"}`}
        title="Shows the lights that it is pinned to"
        onClick={() => chooseLights(channels)}
      >
        <span className="figures w-14 shrink-0 text-right font-bold text-primary">{cue ?? ""}</span>
        <span className="min-w-0 flex-1">
          <span className="block break-words">{text}</span>
          <span className="flex justify-between gap-2 text-[13px] text-quiet">
            <span className="figures">{channels.length > 0 ? lightRuns(channels) : ""}</span>
            <span className={done ? "text-secondary" : ""}>{state}</span>
          </span>
        </span>
      </button>
    </li>
  );
}
