import { type Virtualizer, useVirtualizer } from "@tanstack/react-virtual";
import { type Script, findRow, placeOfCall } from "@zm/core";
import { type RefObject, useEffect, useEffectEvent } from "react";
import { useSelection } from "../choice/selection.ts";
import { useCaller } from "../show/caller.ts";
import { useList } from "../show/useShow.ts";
import { useBook } from "./book.ts";

/** What stands under the last line that is seen, pixels. */
const FOOT = 60;

/** The lines of the play that are in sight. The chosen cue's word, the keyboard's and the line that the caller reads are brought there. */
export function usePlayRows(script: Script, scroller: RefObject<HTMLDivElement | null>): Virtualizer<HTMLDivElement, Element> {
  const list = useList();
  const { lines } = script;
  const at = useBook((book) => book.at);
  const chosenCue = useSelection((choice) => choice.cueEnd);
  const rows = useVirtualizer<HTMLDivElement, Element>({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (lines[index]?.heading ? 66 : 50),
    overscan: 8,
    scrollPaddingStart: 24,
    scrollPaddingEnd: 90,
    getItemKey: (index) => lines[index]?.id ?? index,
  });
  const placeOf = (id: string | undefined): number => lines.findIndex((line) => line.id === id);
  const bring = useEffectEvent((id: string | undefined, align: "auto" | "center") => {
    const place = placeOf(id);
    if (place >= 0) rows.scrollToIndex(place, { align });
  });
  const bringCue = useEffectEvent((cue: string | null) => {
    const call = cue === null ? undefined : list.cues[findRow(list, cue)]?.call;
    const place = placeOf(call?.line);
    if (!call || place < 0) return;
    const word = placeOfCall(lines[place]?.text ?? "", call);
    if (!useBook.getState().drags) useBook.setState({ at: { line: call.line, word: Math.max(0, word) }, until: null });
    const shown = rows.getVirtualItems().some(({ index, start, end }) => {
      const top = scroller.current?.scrollTop ?? 0;
      return index === place && start >= top && end <= top + (scroller.current?.clientHeight ?? 0) - FOOT;
    });
    if (!shown) bring(call.line, "center");
  });
  useEffect(() => bringCue(chosenCue), [chosenCue]);
  useEffect(() => bring(at?.line, "auto"), [at]);
  const reading = useCaller((caller) => caller.line);
  useEffect(() => bring(reading ?? undefined, "center"), [reading]);
  return rows;
}
