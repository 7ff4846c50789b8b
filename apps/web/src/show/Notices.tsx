import { ChevronUp, X } from "lucide-react";
import { useState } from "react";
import { type Notice, useNotices } from "../shared/notices.ts";
import { useHistoryStore } from "./historyStore.ts";

/** What the window has to tell, in a place of its own beside the Hand, so that it covers nothing; without news, what undo would take back. */
export function Notices() {
  const { notices } = useNotices();
  const [open, setOpen] = useState(false);
  const newest = notices.at(-1);
  if (!newest) return <NextUndo />;
  const lines = newest.text.split("\n");
  const more = lines.length > 1 || notices.length > 1;
  return (
    <div className="relative flex min-w-0 flex-1 items-center justify-end gap-2">
      {open && more && (
        <div className="absolute right-0 bottom-9 z-50 flex max-h-80 w-[36rem] flex-col gap-2 overflow-y-auto rounded border border-rule bg-base-300 p-3">
          {notices.map((notice) => (
            <p key={notice.id} className={`whitespace-pre-line ${notice.kind === "trouble" ? "text-error" : ""}`}>
              {notice.text}
            </p>
          ))}
        </div>
      )}
      <Told notice={newest} text={lines.join(" — ")} />
      {more && (
        <button type="button" className="btn btn-ghost btn-xs gap-0.5" aria-expanded={open} onClick={() => setOpen(!open)}>
          <ChevronUp size={13} /> all
        </button>
      )}
    </div>
  );
}

function Told({ notice, text }: { notice: Notice; text: string }) {
  const { drop } = useNotices();
  const { action } = notice;
  return (
    <>
      <span
        role={notice.kind === "trouble" ? "alert" : "status"}
        title={notice.text}
        className={`line-clamp-2 min-w-0 text-[13px] leading-[15px] ${notice.kind === "trouble" ? "text-error" : ""}`}
      >
        {text}
      </span>
      {action && (
        <button
          type="button"
          className="btn btn-xs shrink-0 border-neutral"
          onClick={() => {
            void action.run();
            drop(notice.id);
          }}
        >
          {action.word}
        </button>
      )}
      <button type="button" className="btn btn-ghost btn-xs btn-square shrink-0" aria-label="Put away" onClick={() => drop(notice.id)}>
        <X size={14} />
      </button>
    </>
  );
}

function NextUndo() {
  const words = useHistoryStore((history) => history.undo?.words);
  return (
    <span className="min-w-0 flex-1 truncate text-right text-[13px] text-quiet">
      {words === undefined ? "" : `Ctrl Z takes back: ${words}`}
    </span>
  );
}
