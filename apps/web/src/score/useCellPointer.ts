import type { ListSheet } from "@zm/core";
import { type RefObject, useRef, useState } from "react";
import { isOutside, useDropOnEscape } from "../shared/useDropOnEscape.ts";
import { type PointerPlace, useEdgeScroll } from "../shared/useEdgeScroll.ts";
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
  const [drawing, setDrawing] = useState(false);
  const [carrying, setCarrying] = useState(false);
  const pressed = useRef<PointerPlace | null>(null);
  const cellUnder = ({ clientX, clientY }: PointerPlace): CellPlace | null => {
    const box = cells.current?.getBoundingClientRect();
    if (!box || layout.columns.length === 0) return null;
    const line = Math.min(lines.lines.length - 1, Math.max(0, Math.floor((clientY - box.top) / ROW)));
    return { line, column: columnAt(layout, clientX - box.left) };
  };
  const widenTo = (pointer: PointerPlace): void => {
    const cell = drawing ? cellUnder(pointer) : null;
    if (cell) chooseCell(list, lines, layout, cell, true);
  };
  const scrollAlong = useEdgeScroll(drawing, scroller, inset, widenTo);
  const end = (): void => {
    setDrawing(false);
    setCarrying(false);
  };
  useDropOnEscape(carrying, () => setCarrying(false));

  const onPointerDown = (event: React.PointerEvent<HTMLElement>): void => {
    const cell = cellUnder(event);
    if (!cell || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    scroller.current?.focus({ preventScroll: true });
    if (event.altKey) return setCarrying(true);
    pressed.current = { clientX: event.clientX, clientY: event.clientY };
    setDrawing(true);
    chooseCell(list, lines, layout, cell, event.shiftKey);
  };
  const onPointerMove = (event: React.PointerEvent<HTMLElement>): void => {
    // A click beside the edge is no drag.
    const began = pressed.current;
    if (began && Math.abs(event.clientX - began.clientX) + Math.abs(event.clientY - began.clientY) < SLIP) return;
    pressed.current = null;
    scrollAlong(event);
    widenTo(event);
  };
  const onPointerUp = (event: React.PointerEvent<HTMLElement>): void => {
    const cell = carrying && !isOutside(event, scroller.current) ? cellUnder(event) : null;
    if (cell) carryCells(list, lines, layout, cell);
    end();
  };
  return { drawing, carrying, pointer: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: end } };
}
