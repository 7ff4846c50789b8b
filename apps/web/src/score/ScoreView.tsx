import { type VirtualItem, useVirtualizer } from "@tanstack/react-virtual";
import { Suspense, useRef } from "react";
import { useSheetView } from "../choice/sheetView.ts";
import { placeRef } from "../shared/focusPlaces.ts";
import { lazyPart } from "../shared/lazyPart.ts";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { useList } from "../show/useShow.ts";
import { LineRow } from "../spine/LineRow.tsx";
import { SpineHeader } from "../spine/SpineHeader.tsx";
import { CellReadout } from "./CellReadout.tsx";
import { copyCells, cutCells, pasteCells } from "./clipboard.ts";
import { EmptyScore } from "./EmptyScore.tsx";
import { LensSwitch } from "./LensSwitch.tsx";
import { HEADER, SPINE_WIDTH } from "./measures.ts";
import { ROW } from "./paint/picture.ts";
import { ScoreHeader } from "./ScoreHeader.tsx";
import { ScoreTiles } from "./ScoreTiles.tsx";
import { useBringChosen } from "./useBringChosen.ts";
import { useCellPointer } from "./useCellPointer.ts";
import { useInk } from "./useInk.ts";
import { useScoreKeys } from "./useScoreKeys.ts";
import { useScorePicture } from "./useScorePicture.ts";
import { useSeen } from "./useSeen.ts";
import { useWantedGhosts } from "./useWantedGhosts.ts";

const PicturesDrawer = lazyPart(async () => (await import("../picture/PicturesDrawer.tsx")).PicturesDrawer);
const TimesDrawer = lazyPart(async () => (await import("../times/TimesDrawer.tsx")).TimesDrawer);

/** What stands fast over the cells and beside them. */
const INSET = { top: HEADER, left: SPINE_WIDTH };

/** The Score: the spine and the sheet as one table, moves and the threads in which they track. */
export function ScoreView() {
  const list = useList();
  const under = useSheetView((each) => each.under);
  const scroller = useRef<HTMLDivElement>(null);
  const cells = useRef<HTMLDivElement>(null);
  const picture = useScorePicture(list);
  const { lines, layout } = picture;
  const { seen, look } = useSeen(scroller);
  const { ink, theme } = useInk(cells, list.cues.length === 0);
  const { drawing, carrying, pointer } = useCellPointer({ list, lines, layout, scroller, cells, inset: INSET });
  const rows = useVirtualizer({
    count: lines.lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    // A frame later is early enough: the rows beyond what is seen are there.
    useFlushSync: false,
  });
  useWantedGhosts(picture, seen);
  useBringChosen(picture, { scroller, isDrawing: drawing, height: seen.bottom - seen.top });
  useScoreKeys(picture, scroller);
  const gridRef = useMergedRefs(scroller, placeRef("score"));

  const give = (event: React.ClipboardEvent, copy: () => string | null): void => {
    if (event.target !== scroller.current) return;
    event.preventDefault();
    const text = copy();
    if (text !== null) event.clipboardData.setData("text/plain", text);
  };
  const take = (event: React.ClipboardEvent): void => {
    if (event.target !== scroller.current) return;
    event.preventDefault();
    pasteCells(list, layout, event.clipboardData.getData("text/plain") || null);
  };
  const row = ({ key, index, start }: VirtualItem): React.ReactNode => {
    const line = lines.lines[index];
    return line && <LineRow key={key} list={list} line={line} top={start} width={SPINE_WIDTH} editable />;
  };

  if (list.cues.length === 0) return <EmptyScore />;
  return (
    <div className="relative flex h-full flex-col">
      {/* Over the corner of the table, and no part of it: rows hold cells alone. */}
      <LensSwitch list={list} />
      <div
        ref={gridRef}
        role="grid"
        aria-label="Score"
        aria-rowcount={lines.lines.length + 1}
        aria-describedby="cell-readout"
        tabIndex={0}
        className="relative min-h-0 flex-1 overflow-auto bg-sheet"
        onScroll={look}
        onCopy={(event) => give(event, () => copyCells(list))}
        onCut={(event) => give(event, () => cutCells(list))}
        onPaste={take}
      >
        <div className="relative" style={{ width: SPINE_WIDTH + layout.width, minWidth: "100%" }}>
          <div role="row" className="sticky top-0 z-30 flex border-b border-rule bg-base-100" style={{ height: HEADER }}>
            <SpineHeader width={SPINE_WIDTH} />
            <ScoreHeader layout={layout} />
          </div>
          <div className="relative" style={{ height: rows.getTotalSize() }}>
            <div role="presentation" className="sticky left-0 z-20 h-0" style={{ width: SPINE_WIDTH }}>
              {rows.getVirtualItems().map(row)}
            </div>
            <div
              ref={cells}
              data-cells
              className={`absolute top-0 z-0 touch-none overflow-hidden ${carrying ? "cursor-grabbing" : "cursor-cell"}`}
              style={{ left: SPINE_WIDTH, width: layout.width, height: rows.getTotalSize() }}
              {...pointer}
            >
              <ScoreTiles picture={picture} ink={ink} theme={theme} count={lines.lines.length} width={layout.width} seen={seen} />
            </div>
          </div>
        </div>
      </div>
      <Suspense fallback={null}>
        {under === "times" && <TimesDrawer list={list} />}
        {under === "pictures" && <PicturesDrawer list={list} />}
      </Suspense>
      <CellReadout list={list} />
    </div>
  );
}
