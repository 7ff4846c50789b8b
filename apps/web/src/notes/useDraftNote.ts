import { useCallback, useState } from "react";
import { z } from "zod";
import { keepInWindow, readKeptInWindow } from "../shared/keptInWindow.ts";
import { newNoteId } from "./useNotes.ts";

/** A note that is being written: its id, so that it is left once, and the cue that stood when it was begun. */
const draftNote = z.object({ id: z.string(), text: z.string(), begun: z.string().nullable() });
type DraftNote = z.infer<typeof draftNote>;

const nameOf = (show: number): string => `zealous-mark.note.${show}`;

/** The note that is being written in this window. It outlives a reload, and is over when it is left. */
export function useDraftNote(show: number) {
  const [draft, setDraft] = useState<DraftNote>(
    () => readKeptInWindow(nameOf(show), draftNote) ?? { id: newNoteId(), text: "", begun: null },
  );
  const write = useCallback(
    (text: string, stands: string | null): void =>
      setDraft((now) => {
        const begun = now.text === "" ? { id: newNoteId(), begun: stands } : now;
        return kept(show, { ...begun, text });
      }),
    [show],
  );
  /** The draft was left; what was written behind it meanwhile is the next one. */
  const left = useCallback(
    (sent: string): void => setDraft((now) => kept(show, { ...now, id: newNoteId(), text: now.text.trim() === sent ? "" : now.text })),
    [show],
  );
  return { draft, write, left };
}

function kept(show: number, draft: DraftNote): DraftNote {
  keepInWindow(nameOf(show), draft);
  return draft;
}
