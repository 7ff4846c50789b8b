import { MOST_HERE } from "@zm/protocol";
import { useEffect } from "react";
import { useLocation } from "react-router";
import { useSelection } from "../choice/selection.ts";
import { WINDOW } from "../show/gesture.ts";
import { tellHere } from "../show/presence.ts";

/** Where this window is changes with every key; it is told when it has rested so long, milliseconds. */
const RESTS = 120;

/** Tells the other windows of a show where this one is: its view, and what is chosen. */
export function useTellHere(show: number): void {
  const { pathname } = useLocation();
  const { list, cue, cueEnd, channels } = useSelection();
  useEffect(() => {
    const view = pathname.replace(/^\/show\/\d+\/?/, "").slice(0, 60);
    const here = { show, window: WINDOW, view, list, cue, cueEnd, channels: channels.slice(0, MOST_HERE) };
    const timer = setTimeout(() => tellHere(here), RESTS);
    return () => clearTimeout(timer);
  }, [show, pathname, list, cue, cueEnd, channels]);
}
