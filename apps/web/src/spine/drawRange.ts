import type { PointerEvent } from "react";
import { chooseCue, extendToCue, useSelection } from "../choice/selection.ts";

/** Where a row of the spine was pressed, until the pointer is let go; null while none is. */
let pressed: { readonly x: number; readonly y: number } | null = null;

/** A pointer that has moved by fewer pixels draws nothing: rows that scroll beneath it are not drawn over. */
const SLIP = 5;

function end(): void {
  pressed = null;
  for (const name of ["pointerup", "pointercancel"] as const) window.removeEventListener(name, end);
}

/** What a row of the spine is given that stands for the cues from `first` to `last`: a press chooses them, with Shift draws the range out to them, and so does a pointer that is kept pressed over the rows. */
export function drawsRange(first: string, last = first): Pick<React.DOMAttributes<HTMLElement>, "onPointerDown" | "onPointerEnter"> {
  const drawOut = (): void => {
    const { cue } = useSelection.getState();
    extendToCue(cue !== null && Number(cue) > Number(first) ? first : last);
  };
  return {
    onPointerDown: (event: PointerEvent) => {
      if (event.shiftKey) drawOut();
      else {
        chooseCue(first);
        if (last !== first) extendToCue(last);
      }
      if (event.button !== 0) return;
      pressed = { x: event.clientX, y: event.clientY };
      for (const name of ["pointerup", "pointercancel"] as const) window.addEventListener(name, end);
    },
    onPointerEnter: ({ clientX, clientY }) => {
      if (pressed && Math.hypot(clientX - pressed.x, clientY - pressed.y) >= SLIP) drawOut();
    },
  };
}
