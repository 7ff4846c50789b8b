import { useEffect, useRef } from "react";
import { considerEdits, dropDraft, useDraft } from "../choice/draft.ts";
import type { Read } from "./readText.ts";

/** Keeps what is typed, or put here from elsewhere, as a draft while it reads as an edit; an emptied line takes its draft along. Gives what does so at once. */
export function useLineDraft(text: string, read: Read): (text: string, read: Read) => void {
  const drafted = useRef<unknown>("");
  const draft = (value: string, what: Read): void => {
    if (what === drafted.current) return;
    drafted.current = what;
    const request = what && "request" in what ? what.request : null;
    const wasOurs = useDraft.getState().draft?.from === "line";
    if (request?.kind === "edit") considerEdits("line", request.edits);
    else if (value.trim() !== "" || wasOurs) dropDraft();
  };
  useEffect(() => draft(text, read));
  return draft;
}
