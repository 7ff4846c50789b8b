import { type Virtualizer, useVirtualizer } from "@tanstack/react-virtual";
import { findRow } from "@zm/core";
import { type RefObject, useEffect, useEffectEvent } from "react";
import { useSelection } from "../choice/selection.ts";
import { COLUMN, GAPS, HEADER, ROW, SPINE } from "./grid.ts";
import { type ListPlan, usePlanning } from "./usePlan.ts";

type Axis = Virtualizer<HTMLDivElement, Element>;

/** The rows and columns of the planner that are in sight; the chosen cue and the chosen light are brought there. */
export function usePlannerGrid({ list, channels }: ListPlan, scroller: RefObject<HTMLDivElement | null>): { rows: Axis; columns: Axis } {
  const rows = useVirtualizer<HTMLDivElement, Element>({
    count: list.cues.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 6,
    // The head lies over the first rows, and takes its room from the last.
    scrollPaddingEnd: HEADER,
  });
  const columns = useVirtualizer<HTMLDivElement, Element>({
    horizontal: true,
    count: channels.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => COLUMN,
    overscan: 3,
    paddingStart: SPINE + GAPS,
  });
  const chosen = usePlanning((planning) => planning.chosen);
  const cueEnd = useSelection((choice) => choice.cueEnd);
  const bring = useEffectEvent((cue: string | null) => {
    const row = cue === null ? -1 : findRow(list, cue);
    if (row >= 0) rows.scrollToIndex(row, { align: "auto" });
  });
  useEffect(() => bring(cueEnd), [cueEnd]);
  const bringLight = useEffectEvent((channel: number | undefined) => {
    const place = channel === undefined ? -1 : channels.indexOf(channel);
    if (place >= 0) columns.scrollToIndex(place, { align: "auto" });
  });
  useEffect(() => bringLight(chosen?.channel), [chosen]);
  return { rows, columns };
}
