import { type ListSheet, notesOfCue } from "@zm/core";
import { useShow } from "../show/useShow.ts";
import { NoteRow } from "./NoteRow.tsx";

/** What those who look on have asked for in one cue; nothing where they have not. */
export function CueNotes({ list, cue }: { list: ListSheet; cue: string }) {
  const own = notesOfCue(useShow().sheet.show, list.id, cue);
  if (own.length === 0) return null;
  return (
    <section aria-label="Notes of those who look on" className="flex flex-col gap-1.5 border-t border-rule pt-2">
      <h3 className="text-[13px] text-quiet">asked by those who look on</h3>
      <ul className="flex flex-col gap-1.5">
        {own.map((note) => (
          <NoteRow key={note.id} note={note} showsCue={false} />
        ))}
      </ul>
    </section>
  );
}
