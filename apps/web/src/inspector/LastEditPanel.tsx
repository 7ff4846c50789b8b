import { impactOf, reportImpact } from "@zm/core";
import { useMemo, useState } from "react";
import { ImpactList, useAllLines } from "../preview/ImpactList.tsx";
import { linesOf } from "../preview/preview.ts";
import { useLastEdit } from "../show/lastEdit.ts";
import { useList } from "../show/useShow.ts";
import { sentence } from "../shared/words.ts";

/** What the last edit did, cue by cue; it stays until the next. */
export function LastEditPanel() {
  const list = useList();
  const edit = useLastEdit((state) => state.edit);
  const [open, setOpen] = useState(false);
  const { all, onAll, mostLines } = useAllLines();
  // Computed when it is looked at: on a large show this is most of the work of an edit.
  const report = useMemo(() => {
    if (!edit || !open) return null;
    const { before, after, steps } = edit;
    const impact = impactOf(before, after, steps);
    const report = reportImpact(before, { sheet: after, steps, impact }, list.id);
    return {
      ...report,
      count: report.lines.length,
      lines: linesOf(report.lines, before.lists.get(list.id), { sheet: after, impact }, mostLines),
    };
  }, [edit, open, list.id, mostLines]);
  if (!edit) return null;
  return (
    <details
      aria-label="The last edit"
      className="border-t border-rule pt-2"
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-7 cursor-default text-quiet hover:text-base-content">Last: {edit.words}</summary>
      {report && (
        <>
          <p className="mt-1">{sentence(report.summary)}</p>
          <ImpactList
            label="What the last edit changed"
            lines={report.lines}
            count={report.count}
            all={all}
            onAll={onAll}
            className="mt-1"
          />
        </>
      )}
    </details>
  );
}
