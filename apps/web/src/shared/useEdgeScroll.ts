import { type RefObject, useEffect, useEffectEvent, useRef } from "react";
import type { PointerPlace } from "./useDragged.ts";

/** Within so many pixels of an edge, or beyond it, what is dragged takes the sheet along. */
const EDGE = 16;
/** Pixels a frame, at the edge and far beyond it. */
const SLOWEST = 3;
const FASTEST = 28;

/**
 * Scrolls on while something is dragged and the pointer is at an edge of the scroller, or beyond; `onMoved` hears where the pointer is over what has come in sight. `inset` is what
 * stands fast at the top and the left, in pixels. Gives what is to be told of every move of the pointer.
 */
export function useEdgeScroll(
  drags: boolean,
  scroller: RefObject<HTMLElement | null>,
  inset: { readonly top: number; readonly left: number },
  onMoved: (pointer: PointerPlace) => void,
): (pointer: PointerPlace) => void {
  const pointer = useRef<PointerPlace | null>(null);
  const step = useEffectEvent(() => {
    const [at, element] = [pointer.current, scroller.current];
    if (!at || !element) return;
    const box = element.getBoundingClientRect();
    const right = pushAt(at.clientX, box.left + inset.left, box.left + element.clientWidth);
    const down = pushAt(at.clientY, box.top + inset.top, box.top + element.clientHeight);
    if (right === 0 && down === 0) return;
    const before = [element.scrollLeft, element.scrollTop];
    element.scrollBy(right, down);
    if (element.scrollLeft !== before[0] || element.scrollTop !== before[1]) onMoved(at);
  });
  useEffect(() => {
    pointer.current = null;
    if (!drags) return;
    const turn = (): void => {
      step();
      frame = requestAnimationFrame(turn);
    };
    let frame = requestAnimationFrame(turn);
    return () => cancelAnimationFrame(frame);
  }, [drags]);
  return (place) => {
    pointer.current = { clientX: place.clientX, clientY: place.clientY };
  };
}

/** How far a frame scrolls for a pointer between two edges: the further beyond, the faster; 0 away from them. */
function pushAt(place: number, first: number, last: number): number {
  const beyond = Math.max(first + EDGE - place, place - (last - EDGE));
  if (beyond <= 0) return 0;
  const pixels = Math.min(FASTEST, SLOWEST + beyond / 3);
  return place < first + EDGE ? -pixels : pixels;
}
