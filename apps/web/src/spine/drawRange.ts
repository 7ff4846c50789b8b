import type { PointerEvent } from "react";
import { chooseCue, extendToCue, useSelection } from "../choice/selection.ts";

/** True from a press on a row of the spine until the pointer is let go. */
let drawing = false;

function end(): void {
  drawing = false;
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
      drawing = true;
      for (const name of ["pointerup", "pointercancel"] as const) window.addEventListener(name, end);
    },
    onPointerEnter: () => {
      if (drawing) drawOut();
    },
  };
}
