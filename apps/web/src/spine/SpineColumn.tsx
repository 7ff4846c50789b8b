import { useVirtualizer } from "@tanstack/react-virtual";
import { findRow } from "@zm/core";
import { useEffect, useEffectEvent, useRef } from "react";
import { chooseCue, extendToCue, useChoice } from "../choice/choice.ts";
import { useList, useMainList } from "../show/useShow.ts";
import { SpineHeader, SpineRow } from "./Spine.tsx";

/** The spine at the left of every view but the Score, where it is part of the sheet. `follow` keeps a cue in sight; `main` shows the list that runs the show, whichever is worked on. */
export function SpineColumn({ follow, width = 320, main = false }: { follow?: string | null; width?: number; main?: boolean }) {
  const chosenList = useList();
  const mainList = useMainList();
  const list = main ? mainList : chosenList;
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: list.cues.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 28,
    overscan: 10,
    scrollPaddingStart: 40,
  });
  const cueEnd = useChoice((choice) => choice.cueEnd);
  const looked = useChoice((choice) => choice.lookedAt);
  const shown = follow ?? cueEnd;
  const bring = useEffectEvent((cue: string | null, align: "auto" | "center") => {
    const row = cue === null ? -1 : findRow(list, cue);
    if (row >= 0) rows.scrollToIndex(row, { align });
  });
  const bringLooked = useEffectEvent(() => bring(looked?.list === list.id ? looked.cue : null, "auto"));
  useEffect(() => bringLooked(), [looked]);
  useEffect(() => bring(shown, follow ? "center" : "auto"), [shown, follow, list.cues.length]);

  const walk = (event: React.KeyboardEvent): void => {
    const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (step === 0 || event.target !== event.currentTarget) return;
    event.preventDefault();
    const next = list.cues[Math.min(list.cues.length - 1, Math.max(0, (cueEnd === null ? -1 : findRow(list, cueEnd)) + step))];
    if (next) (event.shiftKey ? extendToCue : chooseCue)(next.number);
  };

  return (
    <div
      ref={scroller}
      role="grid"
      aria-label="Cues"
      aria-rowcount={list.cues.length + 1}
      tabIndex={0}
      className="relative h-full shrink-0 overflow-y-auto border-r border-rule bg-base-100"
      style={{ width }}
      onKeyDown={walk}
    >
      <div role="row" className="sticky top-0 z-30 flex h-9 border-b border-rule bg-base-100">
        <SpineHeader width={width - 10} />
      </div>
      <div className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => (
          <SpineRow key={item.key} list={list} row={item.index} top={item.start} width={width - 10} />
        ))}
      </div>
    </div>
  );
}
