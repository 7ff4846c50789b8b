import type { Cue, EditInput, ListSheet, Trigger } from "@zm/core";
import { type KeyboardEvent, useEffect, useId } from "react";
import { type Draft, considerEdits, dropDraftFrom, makeConsidered, useDraft } from "../choice/draft.ts";
import { SecondsField } from "../shared/SecondsField.tsx";
import { useMakeEdits } from "../show/useShow.ts";
import { DraftPanel } from "./DraftPanel.tsx";

/** What fires a cue. Another answer is considered first, with its impact below; Enter makes it. */
export function FiresField({ list, cue }: { list: ListSheet; cue: Cue }) {
  const id = useId();
  const makeEdits = useMakeEdits();
  const draft = useOwnDraft();
  const considered = draft?.edits.find((edit) => edit.op === "setCue");
  const trigger = considered?.trigger === undefined ? cue.trigger : considered.trigger;
  const kind = trigger?.type === "follow" ? trigger.from : "press";
  const after = trigger?.type === "follow" ? trigger.after : 0;
  const consider = (next: string, seconds: number): void => {
    const wanted: Trigger | null = next === "press" ? null : { type: "follow", from: next === "go" ? "go" : "complete", after: seconds };
    const edit: EditInput = { op: "setCue", list: list.id, from: cue.number, to: cue.number, trigger: wanted };
    const isAsItWas = JSON.stringify(wanted) === JSON.stringify(cue.trigger ?? null);
    considerEdits("cue", isAsItWas ? null : [edit]);
  };
  const makeOnEnter = (event: KeyboardEvent): void => {
    const { draft: now } = useDraft.getState();
    if (event.key === "Enter" && !event.repeat && now?.from === "cue") void makeConsidered(now, makeEdits);
  };
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-center gap-2" onKeyDown={makeOnEnter}>
        <label htmlFor={id} className="w-12 shrink-0 text-quiet">
          fires
        </label>
        <select
          title="after Go: counted from the Go of the cue before; after end: from its completion"
          id={id}
          className="select select-sm min-w-0 flex-1 bg-base-100"
          value={kind}
          onChange={(event) => consider(event.target.value, after)}
        >
          <option value="press">on Go</option>
          <option value="go">after Go</option>
          <option value="complete">after end</option>
        </select>
        {kind !== "press" && (
          <span className="w-14 shrink-0">
            <SecondsField label="follow wait, seconds" value={after} onTake={(value) => consider(kind, value ?? 0)} />
          </span>
        )}
      </div>
      {draft && <DraftPanel />}
    </div>
  );
}

/** What is considered of the cue in the inspector; it goes when another cue is chosen. */
function useOwnDraft(): Draft | null {
  useEffect(() => () => dropDraftFrom("cue"), []);
  return useDraft(({ draft }) => (draft?.from === "cue" ? draft : null));
}
