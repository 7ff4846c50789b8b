import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { EmptyView } from "../shared/EmptyView.tsx";
import { messageOf } from "../shared/messageOf.ts";
import { useList, useShow } from "../show/useShow.ts";
import { CompareTable } from "./CompareTable.tsx";
import { EditList } from "./EditList.tsx";
import { comparisonOf, pastQuery, usePoints } from "./past.ts";

/** Everything that was ever done to the show, and two states of it held against one another. */
export function HistoryView() {
  const { id } = useShow();
  const { show, then } = usePoints();
  return (
    <div className="flex h-full">
      <EditList />
      {show === id && then !== null ? (
        <Compared then={then} />
      ) : (
        <EmptyView
          title="Choose a state to compare with"
          words="Press an edit at the left: the show as it was behind it is held against the show as it is now, cue by cue. With Shift a second one is chosen instead of now."
        />
      )}
    </div>
  );
}

function Compared({ then }: { then: number }) {
  const { id, sheet } = useShow();
  const list = useList();
  const against = usePoints((points) => points.against);
  const past = useQuery(pastQuery(id, then));
  const other = useQuery({ ...pastQuery(id, against ?? 0), enabled: against !== null });
  const now = against === null ? sheet : other.data;
  const before = past.data;
  const comparison = useMemo(() => (before && now ? comparisonOf(before, now, list.id) : null), [before, now, list.id]);
  const trouble = past.error ?? (against === null ? null : other.error);
  if (trouble)
    return (
      <p role="alert" className="p-6 text-error">
        {messageOf(trouble)}
      </p>
    );
  if (!comparison || !before || !now)
    return (
      <p role="status" className="p-6 text-quiet">
        Reading the show as it was …
      </p>
    );
  const [old, is] = [before.lists.get(list.id), now.lists.get(list.id)];
  if (!old || !is)
    return <EmptyView title={`List ${list.list.label || list.id} is not in both`} words="Choose another list, or another state." />;
  return <CompareTable key={list.id} comparison={comparison} before={old} after={is} />;
}
