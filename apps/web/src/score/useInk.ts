import { type RefObject, useEffect, useLayoutEffect, useState } from "react";
import { type Ink, inkOf } from "./paint/ink.ts";

/** The colours and fonts that the cells are painted with, read again when the theme or a font has changed; `theme` counts those changes. */
export function useInk(cells: RefObject<HTMLElement | null>, isEmpty: boolean): { readonly ink: Ink | null; readonly theme: number } {
  const [theme, setTheme] = useState(0);
  const [ink, setInk] = useState<Ink | null>(null);
  useEffect(() => {
    const watcher = new MutationObserver(() => setTheme((count) => count + 1));
    watcher.observe(document.documentElement, { attributes: true, attributeFilter: ["data-theme"] });
    void document.fonts.ready.then(() => setTheme((count) => count + 1));
    return () => watcher.disconnect();
  }, []);
  useLayoutEffect(() => {
    if (cells.current) setInk(inkOf(cells.current));
  }, [cells, theme, isEmpty]);
  return { ink, theme };
}
