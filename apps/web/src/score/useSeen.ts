import { type RefObject, useCallback, useEffect, useState } from "react";
import { SPINE_WIDTH } from "./measures.ts";
import type { Seen } from "./ScoreTiles.tsx";

/** What is seen is told again when it has moved by so much, pixels: tiles are kept painted further out than that. */
const STEP = 64;

/** What a scroller shows of the sheet; `look` is called when it has been scrolled. */
export function useSeen(scroller: RefObject<HTMLElement | null>): { readonly seen: Seen; readonly look: () => void } {
  const [seen, setSeen] = useState<Seen>({ left: 0, right: 1280, top: 0, bottom: 800 });
  const look = useCallback((): void => {
    const element = scroller.current;
    if (element) setSeen((before) => nearest(before, seenOf(element)));
  }, [scroller]);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const sized = new ResizeObserver(look);
    sized.observe(element);
    return () => sized.disconnect();
  }, [scroller, look]);
  return { seen, look };
}

function seenOf(element: HTMLElement): Seen {
  const { scrollLeft: left, scrollTop: top, clientWidth, clientHeight } = element;
  return { left, right: left + clientWidth - SPINE_WIDTH, top, bottom: top + clientHeight };
}

/** What was seen before, as long as what is seen now has moved so little that the tiles beyond its edges cover it. */
function nearest(before: Seen, now: Seen): Seen {
  const moved = Math.max(
    Math.abs(before.left - now.left),
    Math.abs(before.right - now.right),
    Math.abs(before.top - now.top),
    Math.abs(before.bottom - now.bottom),
  );
  return moved < STEP ? before : now;
}
