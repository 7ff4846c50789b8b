import { useEffect, useEffectEvent } from "react";
import { useDropOnEscape } from "../shared/useDropOnEscape.ts";
import { type WordPlace, useBook } from "./book.ts";

/** Follows a cue that is dragged over the words; where it is let go over a word it is called there. Escape drops the drag. */
export function useCueDrag(land: (cue: string, place: WordPlace) => void): void {
  const dragging = useBook((book) => book.drags !== null);
  const landing = useEffectEvent(land);
  useDropOnEscape(dragging, () => useBook.setState({ drags: null }));
  useEffect(() => {
    if (!dragging) return;
    const over = ({ clientX, clientY }: PointerEvent): void => {
      const element = document.elementFromPoint(clientX, clientY)?.closest<HTMLElement>("[data-word]");
      const { line, word } = element?.dataset ?? {};
      const place = line === undefined || word === undefined ? null : { line, word: Number(word) };
      useBook.setState(({ drags }) => ({ drags: drags && { ...drags, over: place } }));
    };
    const end = (event: PointerEvent): void => {
      over(event);
      const { drags } = useBook.getState();
      useBook.setState({ drags: null });
      if (drags?.over) landing(drags.cue, drags.over);
    };
    window.addEventListener("pointermove", over);
    window.addEventListener("pointerup", end);
    return () => {
      window.removeEventListener("pointermove", over);
      window.removeEventListener("pointerup", end);
    };
  }, [dragging]);
}
