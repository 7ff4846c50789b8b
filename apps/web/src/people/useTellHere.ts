import { MOST_HERE } from "@zm/protocol";
import { useEffect } from "react";
import { useLocation } from "react-router";
import { useSelection } from "../choice/selection.ts";
import { WINDOW } from "../show/gesture.ts";
import { LOOKS_ON, tellHere } from "../show/presence.ts";

/** Where this window is changes with every key; it is told when it has rested so long, milliseconds. */
const RESTS = 120;

/** Tells the other windows of a show where this one is: its view, and what is chosen; of a page that only looks on, that it does. Nothing is drawn anew for it. */
export function useTellHere(show: number): void {
  const { pathname } = useLocation();
  useEffect(() => {
    const looksOn = pathname.startsWith("/watch/");
    const view = looksOn ? LOOKS_ON : pathname.replace(/^\/show\/\d+\/?/, "").slice(0, 60);
    const tell = (): void => {
      const { list, cue, cueEnd, channels } = useSelection.getState();
      const chosen = looksOn ? { cue: null, cueEnd: null, channels: [] } : { cue, cueEnd, channels: channels.slice(0, MOST_HERE) };
      tellHere({ show, window: WINDOW, view, list, ...chosen });
    };
    let timer = setTimeout(tell, RESTS);
    const end = useSelection.subscribe(() => {
      clearTimeout(timer);
      timer = setTimeout(tell, RESTS);
    });
    return () => {
      end();
      clearTimeout(timer);
    };
  }, [show, pathname]);
}
