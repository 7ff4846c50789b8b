import { type ListSheet, type MarkTime, type PlannedMark, placeMark } from "@zm/core";
import { useState } from "react";
import { type Drag, useDragged } from "../shared/useDragged.ts";
import { isOutside } from "../shared/useDropOnEscape.ts";
import { useMakeEdits } from "../show/useShow.ts";
import { ROW } from "./grid.ts";

/** A lozenge under the hand: dragged along its dark window, or moved with the arrow keys, each from where the one before has put it. */
export function useLozenge(list: ListSheet, { mark, available, report }: PlannedMark, timeFor: MarkTime) {
  const makeEdits = useMakeEdits();
  const [dragged, setDragged] = useState<number | null>(null);
  // Where it was put last while that is on its way: an arrow typed meanwhile counts from there.
  const [asked, setAsked] = useState<number | null>(null);
  const { window } = mark;
  // While it is dragged it tells what it would have where it is.
  const there = dragged === null ? available : (timeFor(mark, dragged)?.seconds ?? null);
  const isBad = dragged === null ? report !== null : there !== null && there < mark.needed;
  const put = (to: number): void => {
    if (!window) return;
    const wanted = Math.min(window.last, Math.max(window.first, to));
    if (wanted === (asked ?? mark.markAt)) return;
    setAsked(wanted);
    void makeEdits([placeMark(list, mark, wanted)]).then(() => setAsked((newest) => (newest === wanted ? null : newest)));
  };
  const rowAt = ({ target, at }: Drag): number => {
    const box = target.parentElement?.getBoundingClientRect();
    const row = Math.floor((at.clientY - (box?.top ?? 0)) / ROW);
    return window ? Math.min(window.last, Math.max(window.first, row)) : mark.calledAt;
  };
  const { bind } = useDragged({
    onBegin: () => (window ? mark : null),
    onMove: (_mark, drag) => setDragged(rowAt(drag)),
    onEnd: (_mark, drag) => {
      if (dragged !== null && !isOutside(drag.at, drag.target.closest("[data-planner-sheet]"))) put(rowAt(drag));
      setDragged(null);
    },
    onDrop: () => setDragged(null),
  });
  const hand = {
    ...bind(),
    onKeyDown: (event: React.KeyboardEvent): void => {
      const step = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
      if (step === 0) return;
      event.preventDefault();
      event.stopPropagation();
      put((asked ?? mark.markAt ?? mark.calledAt) + step);
    },
  };
  return { row: dragged ?? asked ?? mark.markAt ?? mark.calledAt, isDragged: dragged !== null, there, isBad, hand };
}
