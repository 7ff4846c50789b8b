import { hourWords, dayAndHourWords } from "../shared/moments.ts";
import { useQueryClient } from "@tanstack/react-query";
import type { NamedVersion, PastEdit } from "@zm/protocol";
import { useRef, useState } from "react";
import { EditableText } from "../shared/EditableText.tsx";
import { tellTrouble } from "../shared/notices.ts";
import { WINDOW } from "../show/gesture.ts";
import { useShow } from "../show/useShow.ts";
import { chooseOther, choosePoint, nameVersion, usePoints } from "../show/past/past.ts";
import { type Row, useHistoryRows } from "./useHistoryRows.ts";

/** Every edit of every window, the newest first, with the states that have names. Pressing one compares it with now; with Shift, with the one chosen before. */
export function EditList() {
  const { id, revision } = useShow();
  const scroller = useRef<HTMLDivElement>(null);
  const { isReading, versions, rows, lines } = useHistoryRows(scroller);
  const walk = (event: React.KeyboardEvent<HTMLDivElement>): void => {
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by === 0 || event.target !== event.currentTarget) return;
    event.preventDefault();
    const { then } = usePoints.getState();
    const at = rows.findIndex((row) => row.revision === then);
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
    if (!next) return;
    choosePoint(id, next.revision);
    lines.scrollToIndex(rows.indexOf(next));
  };
  return (
    <div className="flex h-full w-[340px] shrink-0 flex-col border-r border-rule">
      <p className="flex h-10 shrink-0 items-center justify-between border-b border-rule px-4">
        <span className="font-bold">History</span>
        {versions.length > 0 && <VersionSelect versions={versions} />}
        <span className="text-quiet">{revision === 1 ? "1 edit" : `${revision} edits`}</span>
      </p>
      <div
        ref={scroller}
        role="group"
        aria-label="Edits, the newest first"
        tabIndex={0}
        className="min-h-0 flex-1 overflow-y-auto"
        onKeyDown={walk}
      >
        {isReading && (
          <p role="status" className="p-4 text-quiet">
            Reading the history …
          </p>
        )}
        <ol className="relative" style={{ height: lines.getTotalSize() }}>
          {lines.getVirtualItems().map((item) => {
            const row = rows[item.index];
            return (
              <li
                key={item.key}
                ref={lines.measureElement}
                data-index={item.index}
                className="absolute left-0 w-full"
                style={{ top: item.start }}
              >
                {row && <EditRow row={row} />}
              </li>
            );
          })}
        </ol>
      </div>
      <NameNow />
    </div>
  );
}

function VersionSelect({ versions }: { versions: readonly NamedVersion[] }) {
  const { id } = useShow();
  return (
    <select
      aria-label="Named states"
      className="select select-xs mx-2 min-w-0 flex-1 bg-base-100"
      value=""
      onChange={(event) => choosePoint(id, Number(event.target.value))}
    >
      <option value="" disabled>
        {versions.length === 1 ? "1 named state" : `${versions.length} named states`}
      </option>
      {versions.map((version) => (
        <option key={version.revision} value={version.revision}>
          {version.name}
        </option>
      ))}
    </select>
  );
}

const VERB = { edit: "", undo: "Taken back: ", redo: "Made again: " } as const;

function EditRow({ row: { revision, edit, name } }: { row: Row }) {
  const { id } = useShow();
  const { then, against, show } = usePoints();
  const client = useQueryClient();
  const [naming, setNaming] = useState(false);
  const chosen = show === id && (then === revision || against === revision);
  const words = edit ? `${VERB[edit.kind]}${edit.summary}` : "How the show began";
  const rename = async (text: string | undefined): Promise<void> => {
    setNaming(false);
    if (text === undefined || text === (name ?? "")) return;
    await nameVersion(client, id, revision, text).catch(tellTrouble);
  };
  return (
    <div className={`group px-3 ${chosen ? "bg-base-300" : "hover:bg-base-200"}`}>
      {naming ? (
        <EditableText label={`Name of the state after edit ${revision}`} value={name ?? ""} onDone={(text) => void rename(text)} />
      ) : (
        name !== null && (
          <button
            type="button"
            className="flex w-full items-center gap-2 pt-1 text-left font-bold"
            onClick={() => choosePoint(id, revision)}
          >
            <span aria-hidden className="text-primary">
              ◆
            </span>
            {name}
          </button>
        )
      )}
      <div className="relative flex min-h-[30px] items-center gap-2">
        <button
          type="button"
          aria-pressed={chosen}
          title={edit ? `${words}. Edit ${revision}, ${timeWords(edit.madeAt, true)}, ${whoWords(edit)}` : words}
          className={`flex min-w-0 flex-1 items-center gap-2 text-left ${edit?.kind === "undo" ? "text-quiet line-through decoration-1" : ""}`}
          onClick={(event) => (event.shiftKey ? chooseOther : choosePoint)(id, revision)}
        >
          <span aria-hidden className="text-quiet">
            {name === null ? "·" : ""}
          </span>
          <span className="line-clamp-2 min-w-0 flex-1 py-0.5 leading-[18px]">{words}</span>
          {edit?.person && <span className="max-w-20 shrink-0 truncate text-[13px] text-quiet">{edit.person}</span>}
          <span className="figures shrink-0 text-[13px] text-quiet">{edit ? timeWords(edit.madeAt, false) : ""}</span>
        </button>
        <button
          type="button"
          className="btn btn-xs absolute right-0 border-neutral px-1 font-normal opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
          title={`Give the state after edit ${revision} a name`}
          onClick={() => setNaming(true)}
        >
          Name
        </button>
      </div>
    </div>
  );
}

/** The state of now gets a name: what people do behind a rehearsal. Typed: name "after second dress". */
function NameNow() {
  const { id, revision } = useShow();
  const client = useQueryClient();
  const [text, setText] = useState("");
  const name = async (): Promise<void> => {
    try {
      await nameVersion(client, id, revision, text.trim());
      setText("");
    } catch (error) {
      tellTrouble(error);
    }
  };
  return (
    <form
      className="flex shrink-0 gap-2 border-t border-rule p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "") void name();
      }}
    >
      <input
        aria-label="Name for the show as it is now"
        className="input input-sm min-w-0 flex-1 bg-base-100"
        placeholder="after second dress"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn btn-sm border-neutral font-normal" disabled={text.trim() === ""}>
        Name it
      </button>
    </form>
  );
}

function whoWords({ window, person }: PastEdit): string {
  if (person !== null) return `by ${person}`;
  return window === WINDOW ? "by this window" : window === null ? "by nobody known" : `by window ${window.slice(-4)}`;
}

/** The hour for what was made today, the day and the hour for what is older. */
function timeWords(iso: string, whole: boolean): string {
  const at = new Date(iso);
  return !whole && at.toDateString() === new Date().toDateString() ? hourWords(at) : dayAndHourWords(at);
}
