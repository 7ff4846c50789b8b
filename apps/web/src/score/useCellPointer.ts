import type { ListSheet } from "@zm/core";
import { type RefObject, useState } from "react";
import { type PointerPlace, useDragged } from "../shared/useDragged.ts";
import { isOutside } from "../shared/useDropOnEscape.ts";
import { useEdgeScroll } from "../shared/useEdgeScroll.ts";
import type { SheetLines } from "../spine/lines.ts";
import { carryCells } from "./clipboard.ts";
import { type ScoreLayout, columnAt } from "./columns.ts";
import { ROW } from "./paint/picture.ts";
import { type CellPlace, chooseCell } from "./walk.ts";

/** A pointer that has moved by fewer pixels since it was pressed draws no frame. */
const SLIP = 5;

interface Sheet {
  readonly list: ListSheet;
  readonly lines: SheetLines;
  readonly layout: ScoreLayout;
  readonly scroller: RefObject<HTMLElement | null>;
  readonly cells: RefObject<HTMLElement | null>;
  /** What stands fast over the cells and beside them, pixels. */
  readonly inset: { readonly top: number; readonly left: number };
}

/**
 * What the pointer does with the cells of the sheet: it draws a frame around some, which takes the sheet along at its edges, or with Alt carries the chosen ones to another
 * cell. Escape drops what is carried.
 */
export function useCellPointer({ list, lines, layout, scroller, cells, inset }: Sheet) {
  const [taken, setTaken] = useState<"frame" | "cells" | null>(null);
  const cellUnder = ({ clientX, clientY }: PointerPlace): CellPlace | null => {
    const box = cells.current?.getBoundingClientRect();
    if (!box || layout.columns.length === 0) return null;
    const line = Math.min(lines.lines.length - 1, Math.max(0, Math.floor((clientY - box.top) / ROW)));
    return { line, column: columnAt(layout, clientX - box.left) };
  };
  const widenTo = (pointer: PointerPlace): void => {
    const cell = cellUnder(pointer);
    if (cell) chooseCell(list, lines, layout, cell, true);
  };
  const scrollAlong = useEdgeScroll(taken === "frame", scroller, inset, widenTo);
  const { bind } = useDragged<"frame" | "cells">({
    // A click beside the edge is no drag.
    slip: SLIP,
    // The tile that was pressed goes when it is scrolled far out of sight.
    throughWindow: true,
    onBegin: ({ at, altKey, shiftKey }) => {
      const cell = cellUnder(at);
      if (!cell) return null;
      scroller.current?.focus({ preventScroll: true });
      if (!altKey) chooseCell(list, lines, layout, cell, shiftKey);
      const grip = altKey ? "cells" : "frame";
      setTaken(grip);
      return grip;
    },
    onMove: (grip, { at }) => {
      if (grip === "cells") return;
      scrollAlong(at);
      widenTo(at);
    },
    onEnd: (grip, { at }) => {
      setTaken(null);
      const cell = grip === "cells" && !isOutside(at, scroller.current) ? cellUnder(at) : null;
      if (cell) carryCells(list, lines, layout, cell);
    },
    onDrop: () => setTaken(null),
  });
  return { drawing: taken === "frame", carrying: taken === "cells", pointer: bind() };
}
