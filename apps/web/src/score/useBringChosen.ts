import { findRow, sceneAt } from "@zm/core";
import { type RefObject, useEffect, useEffectEvent } from "react";
import { useShallow } from "zustand/react/shallow";
import { useSelection } from "../choice/selection.ts";
import { useSheetView } from "../choice/sheetView.ts";
import { toggleScene } from "../spine/useSheetLines.ts";
import { placeOfLight } from "./columns.ts";
import { HEADER, SPINE_WIDTH } from "./measures.ts";
import { ROW } from "./paint/picture.ts";
import type { TilePicture } from "./ScoreTiles.tsx";

/** Around a column that is brought into sight so much stays free, pixels. */
const BESIDE = 20;

interface Sight {
  readonly scroller: RefObject<HTMLElement | null>;
  /** True while a frame is drawn: then the hand says what is seen. */
  readonly isDrawing: boolean;
  /** How much of the sheet is seen, pixels. */
  readonly height: number;
}

/** Brings into sight what is chosen: the cue, also where its scene is folded, the light, and a cue that was gone to. */
export function useBringChosen({ list, lines, layout }: TilePicture, { scroller, isDrawing, height }: Sight): void {
  const { cue, cueEnd, channelEnd, attributeEnd } = useSelection(
    useShallow((choice) => ({ cue: choice.cue, cueEnd: choice.cueEnd, channelEnd: choice.channelEnd, attributeEnd: choice.attributeEnd })),
  );
  const looked = useSheetView((each) => each.lookedAt);
  const bringRow = useEffectEvent((row: number) => {
    const line = lines.lineOf[row];
    const element = scroller.current;
    if (line === undefined || !element) return;
    const [top, room] = [line * ROW, element.clientHeight - HEADER];
    if (top < element.scrollTop) element.scrollTop = top;
    else if (top + ROW > element.scrollTop + room) element.scrollTop = top + ROW - room;
  });
  // A cue that is gone to is seen, even where its scene was folded.
  const openAround = useEffectEvent((row: number, isRange: boolean) => {
    const scene = sceneAt(list, row)?.scene;
    if (isRange || scene === undefined || lines.lines[lines.lineOf[row] ?? -1]?.kind !== "scene") return;
    toggleScene(list.id, scene);
  });
  const bringLooked = useEffectEvent(() => bringRow(looked?.list === list.id ? findRow(list, looked.cue) : -1));
  useEffect(() => bringLooked(), [looked]);
  const focusRow = cueEnd === null ? -1 : findRow(list, cueEnd);
  useEffect(() => {
    openAround(focusRow, cue !== cueEnd);
    if (!isDrawing) bringRow(focusRow);
  }, [focusRow, isDrawing, cue, cueEnd]);
  // What opens or closes under the sheet does not hide the cue that is worked on.
  const bringFocus = useEffectEvent(() => bringRow(focusRow));
  useEffect(() => bringFocus(), [height]);
  const bringColumn = useEffectEvent(() => {
    const column = layout.columns[placeOfLight(layout, channelEnd, attributeEnd)];
    const element = scroller.current;
    if (!column || !element || isDrawing) return;
    const room = element.clientWidth - SPINE_WIDTH;
    if (column.x < element.scrollLeft) element.scrollLeft = column.x - BESIDE;
    else if (column.x + column.width > element.scrollLeft + room) element.scrollLeft = column.x + column.width - room + BESIDE;
  });
  useEffect(() => bringColumn(), [channelEnd, attributeEnd]);
}
