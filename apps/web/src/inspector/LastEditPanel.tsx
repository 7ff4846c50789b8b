import { impactOf, reportImpact } from "@zm/core";
import { useMemo, useState } from "react";
import { ImpactList, colourChanges } from "../choice/ImpactList.tsx";
import { useLastEdit } from "../show/lastEdit.ts";
import { useList } from "../show/useShow.ts";
import { sentence } from "./DraftPanel.tsx";

/** What the last edit did, cue by cue; it stays until the next. */
export function LastEditPanel() {
  const list = useList();
  const edit = useLastEdit((state) => state.edit);
  const [open, setOpen] = useState(false);
  // Worked out when it is looked at: on a large show this is most of the work of an edit.
  const told = useMemo(() => {
    if (!edit || !open) return null;
    const { before, after, steps } = edit;
    const impact = impactOf(before, after, steps);
    return { impact, report: reportImpact(before, { sheet: after, steps, impact }, list.id) };
  }, [edit, open, list.id]);
  if (!edit) return null;
  return (
    <details
      aria-label="The last edit"
      className="border-t border-rule pt-2"
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-7 cursor-default text-quiet hover:text-base-content">Last: {edit.words}</summary>
      {told && (
        <>
          <p className="mt-1">{sentence(told.report.summary)}</p>
          <ImpactList
            label="What the last edit changed"
            report={told.report}
            before={edit.before.lists.get(list.id)}
            after={edit.after.lists.get(list.id)}
            colours={colourChanges(told.impact.looks, list)}
            className="mt-1"
          />
        </>
      )}
    </details>
  );
}
