import { useVirtualizer } from "@tanstack/react-virtual";
import { findRow } from "@zm/core";
import { useEffect, useEffectEvent, useRef } from "react";
import { chooseCue, extendToCue, useSelection } from "../choice/selection.ts";
import { useSheetView } from "../choice/sheetView.ts";
import { useList, useMainList } from "../show/useShow.ts";
import { LineRow } from "./LineRow.tsx";
import { SpineHeader } from "./SpineHeader.tsx";
import { lastRowOf, standsForCues } from "./lines.ts";
import { useSheetLines } from "./useSheetLines.ts";

/** The spine at the left of every view but the Score, where it is part of the sheet. `follow` keeps a cue in sight; `main` shows the list that runs the show, whichever is worked on. */
export function SpineColumn({ follow, width = 320, main = false }: { follow?: string | null; width?: number; main?: boolean }) {
  const chosenList = useList();
  const mainList = useMainList();
  const list = main ? mainList : chosenList;
  // What runs is never folded away.
  const folds = !main;
  const lines = useSheetLines(list, folds);
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: lines.lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 28,
    overscan: 10,
    scrollPaddingStart: 40,
  });
  const cueEnd = useSelection((choice) => choice.cueEnd);
  const looked = useSheetView((choice) => choice.lookedAt);
  const shown = follow ?? cueEnd;
  const bring = useEffectEvent((cue: string | null, align: "auto" | "center") => {
    const row = cue === null ? -1 : findRow(list, cue);
    const line = lines.lineOf[row];
    if (line !== undefined) rows.scrollToIndex(line, { align });
  });
  const bringLooked = useEffectEvent(() => bring(looked?.list === list.id ? looked.cue : null, "auto"));
  useEffect(() => bringLooked(), [looked]);
  useEffect(() => bring(shown, follow ? "center" : "auto"), [shown, follow, list.cues.length]);

  const walk = (event: React.KeyboardEvent): void => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (step === 0 || event.target !== event.currentTarget) return;
    event.preventDefault();
    const from = cueEnd === null ? -1 : (lines.lineOf[findRow(list, cueEnd)] ?? -1);
    const ahead = step > 0 ? lines.lines.slice(from + 1) : lines.lines.slice(0, Math.max(0, from)).reverse();
    const next = ahead.find(standsForCues);
    const [first, last] = [list.cues[next?.row ?? -1]?.number, next && list.cues[lastRowOf(next)]?.number];
    if (first === undefined || last === undefined) return;
    if (!event.shiftKey) chooseCue(first);
    if (event.shiftKey || last !== first) extendToCue(step > 0 ? last : first);
  };

  return (
    <div
      ref={scroller}
      role="grid"
      aria-label="Cues"
      aria-rowcount={lines.lines.length + 1}
      tabIndex={0}
      className="relative h-full shrink-0 overflow-y-auto border-r border-rule bg-base-100"
      style={{ width }}
      onKeyDown={walk}
    >
      <div role="row" className="sticky top-0 z-30 flex h-9 border-b border-rule bg-base-100">
        <SpineHeader width={width - 10} />
      </div>
      <div className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const line = lines.lines[item.index];
          return line && <LineRow key={item.key} list={list} line={line} top={item.start} width={width - 10} folds={folds} />;
        })}
      </div>
    </div>
  );
}
