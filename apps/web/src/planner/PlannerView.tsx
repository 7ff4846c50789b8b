import { litRows } from "@zm/core";
import { useRef } from "react";
import { toggleUnder, useSheetView } from "../choice/sheetView.ts";
import { PicturesDrawer } from "../picture/PicturesDrawer.tsx";
import { useShortcut } from "../shared/useShortcut.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { SpineRow } from "../spine/SpineRow.tsx";
import { GapRow } from "./GapRow.tsx";
import { SPINE } from "./grid.ts";
import { MarkColumn } from "./MarkColumn.tsx";
import { PlannerHead } from "./PlannerHead.tsx";
import { useListPlan, usePlanning, useProposal } from "./usePlan.ts";
import { usePlannerGrid } from "./usePlannerGrid.ts";

/** All marks of the list: windows, times needed and there, and where a plan would put them. The spine's rows are its rows. */
export function PlannerView() {
  const plan = useListPlan();
  const proposal = useProposal(plan);
  const scroller = useRef<HTMLDivElement>(null);
  const { list, channels } = plan;
  const { rows, columns } = usePlannerGrid(plan, scroller);
  const pictures = useSheetView((choice) => choice.under === "pictures");
  useShortcut("pictures", () => toggleUnder("pictures"));
  const all = usePlanning((planning) => planning.all);
  if (plan.marks.length === 0 && all)
    return (
      <EmptyView
        title="No light is prepared in the dark"
        words="A light that comes up somewhere new, out of the dark, is prepared before: it gets a column here. Record a moving light that is dark in one cue, and lit somewhere else in a later one."
      />
    );
  const shown = rows.getVirtualItems();
  const [first, last] = [shown[0]?.index ?? 0, shown.at(-1)?.index ?? 0];
  return (
    <div className="flex h-full flex-col">
      <div
        ref={scroller}
        data-planner-sheet
        role="group"
        aria-label="Marks"
        tabIndex={0}
        className="relative min-h-0 flex-1 overflow-auto bg-sheet"
      >
        <PlannerHead plan={plan} proposal={proposal} columns={columns.getVirtualItems()} width={columns.getTotalSize() + 40} />
        <div className="relative" style={{ height: rows.getTotalSize(), width: columns.getTotalSize() + 40 }}>
          <div
            role="grid"
            aria-label="Cues"
            aria-rowcount={list.cues.length + 1}
            className="sticky left-0 z-10 h-0"
            style={{ width: SPINE }}
          >
            {shown.map(({ index, start }) => (
              <SpineRow key={list.cues[index]?.number ?? index} list={list} row={index} top={start} width={SPINE} />
            ))}
          </div>
          {shown.map(({ index, start }) => (
            <GapRow key={index} plan={plan} row={index} top={start} />
          ))}
          {columns.getVirtualItems().map(({ index, start }) => {
            const channel = channels[index] ?? 0;
            return (
              <MarkColumn
                key={channel}
                list={list}
                channel={channel}
                marks={plan.byChannel.get(channel) ?? []}
                proposal={proposal}
                timeFor={plan.timeFor}
                lit={litRows(list, channel)}
                x={start}
                first={first}
                last={last}
              />
            );
          })}
        </div>
      </div>
      {pictures && <PicturesDrawer list={list} chosen />}
    </div>
  );
}
