import { X } from "lucide-react";
import { useNotices } from "../shared/notices.ts";

/** What the window has to tell, above the line entry. */
export function Notices() {
  const { notices, drop } = useNotices();
  return (
    <div className="pointer-events-none fixed bottom-14 left-1/2 z-50 flex w-[34rem] -translate-x-1/2 flex-col gap-2">
      {notices.map((notice) => (
        <div
          key={notice.id}
          role={notice.kind === "trouble" ? "alert" : "status"}
          className={`pointer-events-auto flex items-start gap-3 rounded border bg-base-300 px-3 py-2 ${notice.kind === "trouble" ? "border-error" : "border-secondary"}`}
        >
          <span className="min-w-0 flex-1 whitespace-pre-line">{notice.text}</span>
          {notice.action && (
            <button
              type="button"
              className="btn btn-xs border-neutral"
              onClick={() => {
                notice.action?.run();
                drop(notice.id);
              }}
            >
              {notice.action.word}
            </button>
          )}
          <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label="Put away" onClick={() => drop(notice.id)}>
            <X size={14} />
          </button>
        </div>
      ))}
    </div>
  );
}
