import { useEffect, useRef } from "react";
import { useChoice } from "../choice/choice.ts";
import type { Read } from "./readText.ts";

/** Keeps what is typed, or put here from elsewhere, as a draft while it reads as an edit; an emptied line takes its draft along. Gives what does so at once. */
export function useLineDraft(text: string, read: Read): (text: string, read: Read) => void {
  const drafted = useRef<unknown>("");
  const draft = (value: string, what: Read): void => {
    if (what === drafted.current) return;
    drafted.current = what;
    const request = what && "request" in what ? what.request : null;
    const wasOurs = useChoice.getState().draft?.from === "line";
    if (request?.kind === "edit") useChoice.setState({ operation: null, draft: { from: "line", edits: request.edits } });
    else if (value.trim() !== "" || wasOurs) useChoice.setState({ operation: null, draft: null });
  };
  useEffect(() => draft(text, read));
  return draft;
}
