import { notesWords } from "@zm/core";
import { useState } from "react";
import { Link } from "react-router";
import { useDialogs } from "../shared/dialogs.ts";
import { Drawer, DrawerButtons } from "../shared/Drawer.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useList, useShow } from "../show/useShow.ts";
import { useSelection } from "../choice/selection.ts";
import { NoteRow } from "./NoteRow.tsx";
import { momentNow, useNotes } from "./useNotes.ts";

const close = (): void => useDialogs.setState({ notes: false });

/** All notes of those who look on, to be ticked off; what is done can be put away, what is open is carried over. One may be left here too. */
export function NotesDrawer() {
  const { id } = useShow();
  const list = useList();
  const cue = useSelection((choice) => choice.cueEnd);
  const channels = useSelection((choice) => choice.channels);
  const { notes, leave, remove } = useNotes();
  const [all, setAll] = useState(false);
  const [text, setText] = useState("");
  const done = notes.filter((note) => note.done);
  const shown = all ? notes : notes.filter((note) => !note.done);
  const add = async (): Promise<void> => {
    const sent = text.trim();
    if (sent === "") return;
    const pinned = { ...(cue === null ? {} : { list: list.id, cue }), ...(channels.length > 0 ? { channels: [...channels] } : {}) };
    if (await leave({ text: sent, asked: momentNow(), ...pinned })) setText((now) => (now.trim() === sent ? "" : now));
  };
  return (
    <Drawer
      label="Notes"
      aside={
        <span role="status" className="text-quiet">
          {notesWords(notes)}
        </span>
      }
      onSubmit={add}
      onClose={close}
    >
      <div className="flex flex-wrap items-center gap-1">
        <Toggle pressed={!all} onClick={() => setAll(false)}>
          Open
        </Toggle>
        <Toggle pressed={all} onClick={() => setAll(true)}>
          All
        </Toggle>
        <span className="flex-1" />
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          disabled={done.length === 0}
          title="Takes away what is done; what is open is carried over to the next rehearsal. Ctrl Z brings it back"
          onClick={() => void remove(done.map((note) => note.id))}
        >
          Put away what is done
        </button>
      </div>
      <ul className="flex min-h-0 flex-1 flex-col gap-1.5 overflow-y-auto" aria-label="Notes, in the order of the cues">
        {shown.map((note) => (
          <NoteRow key={note.id} note={note} />
        ))}
        {shown.length === 0 && (
          <li className="text-quiet">
            {notes.length === 0
              ? "Nobody has left a note yet. They are left on a page of their own, from a tablet, or below."
              : "Nothing is open."}
          </li>
        )}
      </ul>
      <label className="flex shrink-0 flex-col gap-1 border-t border-rule pt-2 text-[13px] text-quiet">
        {`a note${cue === null ? "" : ` for cue ${cue}`}${channels.length === 0 ? "" : `, ${channels.length === 1 ? "light" : "lights"} ${channels.join(", ")}`}`}
        <input
          className="input input-sm w-full bg-base-100 px-2 text-base-content"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="shrink-0 text-[13px] text-quiet">
        <Link className="underline" to={`/watch/${id}/notes`} target="_blank">
          The page for notes
        </Link>{" "}
        is for a tablet; nothing on it can fire or change a cue. They are printed in Paper.
      </p>
      <DrawerButtons word="Leave it" ready={text.trim() !== ""} onClose={close} />
    </Drawer>
  );
}
