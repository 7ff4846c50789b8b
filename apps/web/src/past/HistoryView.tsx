import { type Comparison, type ListSheet, type ShowSheet, cueOrder, findRow, firstRowFrom, stageAtRest } from "@zm/core";
import { useMemo } from "react";
import { useSelection } from "../choice/selection.ts";
import { useSheetView } from "../choice/sheetView.ts";
import { PicturePair, type StageState } from "../picture/PicturePair.tsx";
import { EmptyView } from "../shared/EmptyView.tsx";
import { errorMessage } from "../shared/errorMessage.ts";
import { useList, useShow } from "../show/useShow.ts";
import { CompareTable } from "./CompareTable.tsx";
import { EditList } from "./EditList.tsx";
import { usePoints } from "../show/past/past.ts";
import { useComparison } from "../show/past/useComparison.ts";

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
  const list = useList();
  const against = usePoints((points) => points.against);
  const pictures = useSheetView((choice) => choice.under === "pictures");
  const { before, after: now, comparison, error: trouble } = useComparison(list.id, then, against);
  if (trouble)
    return (
      <p role="alert" className="p-6 text-error">
        {errorMessage(trouble)}
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
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <CompareTable key={list.id} comparison={comparison} before={old} after={is} />
      {pictures && <ComparedPictures comparison={comparison} before={{ sheet: before, list: old }} after={{ sheet: now, list: is }} />}
    </div>
  );
}

interface State {
  readonly sheet: ShowSheet;
  readonly list: ListSheet;
}

/** The chosen cue as a picture, then and now; a cue that stands in one of them alone is held against the one before its place. */
function ComparedPictures({ comparison, before, after }: { comparison: Comparison; before: State; after: State }) {
  const cue = useSelection((choice) => choice.cueEnd);
  const pair = useMemo(() => {
    if (cue === null) return null;
    const line = comparison.lines.find((each) => each.list === after.list.id && (each.after ?? each.cue) === cue);
    const [was, is] = [line?.kind === "comes" ? cue : (line?.cue ?? cue), cue];
    return [stageOf(before, was), stageOf(after, is)] as const;
  }, [comparison, before, after, cue]);
  return (
    <section aria-label="Stage pictures" className="h-[250px] shrink-0 border-t border-primary bg-base-200">
      {pair ? (
        <PicturePair before={pair[0]} after={pair[1]} names={[`cue ${cue} then`, `cue ${cue} afterwards`]} />
      ) : (
        <p className="px-4 py-2 text-quiet">Choose a cue in the table: it stands here as a picture, then and afterwards.</p>
      )}
    </section>
  );
}

/** The stage at rest in a cue; in the one before its place where the state does not have it. */
function stageOf({ sheet, list }: State, cue: string): StageState {
  const row = findRow(list, cue);
  return { sheet, outputs: stageAtRest(list, row >= 0 ? row : firstRowFrom(list, cueOrder(cue)) - 1) };
}
