import { useVirtualizer } from "@tanstack/react-virtual";
import { type ListSheet, findRow, listSpans, sceneAt } from "@zm/core";
import { Suspense, useCallback, useEffect, useEffectEvent, useLayoutEffect, useMemo, useRef, useState } from "react";
import { chosenCellAttributes, chosenCues, useChoice } from "../choice/choice.ts";
import { faultOf } from "../preview/preview.ts";
import { findingsOf, useRehearsal } from "../show/rehearsal/rehearsal.ts";
import { usePreview, useWanted } from "../preview/usePreview.ts";
import { openNumbers } from "../shared/dialogs.ts";
import { focusOn, placeRef } from "../shared/focusPlaces.ts";
import { makeConsidered } from "../choice/makeConsidered.ts";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { useSame } from "../shared/useSame.ts";
import { cueOnStage, useLive } from "../show/live.ts";
import { Link } from "react-router";
import { useShallow } from "zustand/react/shallow";
import { ActionButton } from "../shared/ActionButton.tsx";
import { EmptyView } from "../shared/EmptyView.tsx";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";
import { LineRow } from "../spine/LineRow.tsx";
import { SpineHeader } from "../spine/Spine.tsx";
import { rowsOfLines } from "../spine/lines.ts";
import { toggleParts, toggleScene, useSheetLines } from "../spine/useSheetLines.ts";
import { CellReadout } from "./CellReadout.tsx";
import { LensSwitch } from "./LensSwitch.tsx";
import { ScoreHeader, openLights } from "./ScoreHeader.tsx";
import { layoutColumns, placeOfLight } from "./columns.ts";
import { type Seen, ScoreTiles, type TilePicture } from "./ScoreTiles.tsx";
import { chosenRows } from "./paint.ts";
import { ROW } from "./picture.ts";
import { type Ink, inkOf } from "./palette.ts";
import { chooseWhole, copyCells, cutCells, pasteCells } from "./clipboard.ts";
import { lazyPart } from "../shared/lazyPart.ts";
import { shownLights, toggleMoving } from "./moving.ts";
import { useCellPointer } from "./useCellPointer.ts";
import { moveFocus } from "./walk.ts";

const PicturesDrawer = lazyPart(async () => (await import("../picture/PicturesDrawer.tsx")).PicturesDrawer);
const TimesDrawer = lazyPart(async () => (await import("../times/TimesDrawer.tsx")).TimesDrawer);

export const SPINE_WIDTH = 424;
const HEADER = 56;
/** What stands fast over the cells and beside them. */
const INSET = { top: HEADER, left: SPINE_WIDTH };

/** What is seen is told again when it has moved by so much, pixels: tiles are kept painted further out than that. */
const STEP = 64;
/** Ghosts are worked out so many rows beyond what is in view. */
const GHOST_ROWS = 12;

/** By light, the rows in which the newest rehearsal of a list found something. */
function useFoundRows(list: ListSheet): ReadonlyMap<number, ReadonlySet<number>> {
  const { id } = useShow();
  const now = useRehearsal((rehearsals) => rehearsals.now);
  return useMemo(() => {
    const rows = new Map<number, Set<number>>();
    for (const { channel, cue } of findingsOf(now, id, list.id))
      rows.set(channel, (rows.get(channel) ?? new Set()).add(findRow(list, cue)));
    return rows;
  }, [now, id, list]);
}

/** The Score: the spine and the sheet as one table, moves and the threads in which they track. */
export function ScoreView() {
  const { sheet } = useShow();
  const list = useList();
  // Not what is being considered: that changes with every letter typed, and comes here as ghosts.
  const choice = useChoice(
    useShallow(({ cue, cueEnd, channels, channelEnd, attributes, attributeEnd, lens, folded, openLights: open, moving, tracked }) => ({
      cue,
      cueEnd,
      channels,
      channelEnd,
      attributes,
      attributeEnd,
      lens,
      folded,
      open,
      moving,
      tracked,
    })),
  );
  const under = useChoice((each) => each.under);
  const preview = usePreview();
  const stageCue = useLive((live) => cueOnStage(live.run, list.id));
  const scroller = useRef<HTMLDivElement>(null);
  const cells = useRef<HTMLDivElement>(null);
  const lines = useSheetLines(list);
  const only = useMemo(() => shownLights(list, choice.moving), [list, choice.moving]);
  const spans = useMemo(() => listSpans(list, (id) => sheet.lists.get(id)), [list, sheet.lists]);
  const found = useFoundRows(list);
  const lists = useSame([...new Set(spans.map((each) => each.list))].map((id) => ({ id, label: sheet.lists.get(id)?.list.label || id })));
  const layout = useMemo(
    () => layoutColumns(sheet.show, choice.lens, { folded: choice.folded, open: choice.open, only, lists }),
    [sheet.show, choice.lens, choice.folded, choice.open, only, lists],
  );
  const rows = useVirtualizer({
    count: lines.lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    // A frame later is early enough: the rows beyond what is seen are there.
    useFlushSync: false,
  });
  const [seen, setSeen] = useState<Seen>({ left: 0, right: 1280, top: 0, bottom: 800 });
  const [theme, setTheme] = useState(0);
  const [ink, setInk] = useState<Ink | null>(null);
  const { drawing, carrying, pointer } = useCellPointer({ list, lines, layout, scroller, cells, inset: INSET });

  const cues = useSame(chosenCues(choice));
  const chosen = useMemo(() => chosenRows(list, cues), [list, cues]);
  const ghosts = preview && "ghosts" in preview ? preview.ghosts : null;

  useEffect(() => {
    const watcher = new MutationObserver(() => setTheme((count) => count + 1));
    watcher.observe(document.documentElement, { attributes: true, attributeFilter: ["data-theme"] });
    void document.fonts.ready.then(() => setTheme((count) => count + 1));
    return () => watcher.disconnect();
  }, []);

  const isEmpty = list.cues.length === 0;
  useLayoutEffect(() => {
    if (cells.current) setInk(inkOf(cells.current));
  }, [theme, isEmpty]);

  const shown = rows.getVirtualItems();
  const stageRow = stageCue === null ? -1 : findRow(list, stageCue);
  const lights = useMemo(() => new Set(choice.channels), [choice.channels]);
  const attributes = chosenCellAttributes(choice);
  const picture = useMemo(
    (): TilePicture => ({
      list,
      layout,
      lines,
      lens: choice.lens,
      tracked: choice.tracked,
      chosen,
      lights,
      attributes,
      stageRow,
      ghosts,
      spans,
      found,
    }),
    [found, spans, list, layout, lines, choice.lens, choice.tracked, lights, attributes, chosen, stageRow, ghosts],
  );

  // Ghosts are wanted for what is in view, and a little beyond it.
  const linesSeen = `${Math.max(0, Math.floor(seen.top / ROW) - GHOST_ROWS)} ${Math.ceil(seen.bottom / ROW) + GHOST_ROWS}`;
  useEffect(() => {
    const [first = 0, last = 0] = linesSeen.split(" ").map(Number);
    const columns = layout.columns
      // A folded group shows no ghosts.
      .filter(({ x, width, folded }) => !folded && x + width > seen.left - 512 && x < seen.right + 512)
      .map(({ id, channel, attribute }) => ({ id, channel, ...(attribute === undefined ? {} : { attribute }) }));
    useWanted.setState({ window: { lens: choice.lens, rows: rowsOfLines(lines, first, last), columns } });
  }, [linesSeen, seen.left, seen.right, layout, lines, choice.lens]);
  useEffect(() => () => useWanted.setState({ window: null }), []);

  const look = useCallback((): void => {
    const element = scroller.current;
    if (element) setSeen((before) => nearest(before, seenOf(element)));
  }, []);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const sized = new ResizeObserver(look);
    sized.observe(element);
    return () => sized.disconnect();
  }, [look]);

  const looked = useChoice((each) => each.lookedAt);
  const bringRow = useEffectEvent((row: number) => {
    const line = lines.lineOf[row];
    const element = scroller.current;
    if (line === undefined || !element) return;
    const [top, height] = [line * ROW, element.clientHeight - HEADER];
    if (top < element.scrollTop) element.scrollTop = top;
    else if (top + ROW > element.scrollTop + height) element.scrollTop = top + ROW - height;
  });
  // A cue that is gone to is seen, even where its scene was folded.
  const openAround = useEffectEvent((row: number, whole: boolean) => {
    const scene = sceneAt(list, row)?.scene;
    if (whole || scene === undefined || lines.lines[lines.lineOf[row] ?? -1]?.kind !== "scene") return;
    toggleScene(list.id, scene);
  });
  const bringLooked = useEffectEvent(() => bringRow(looked?.list === list.id ? findRow(list, looked.cue) : -1));
  useEffect(() => bringLooked(), [looked]);
  const focusRow = choice.cueEnd === null ? -1 : findRow(list, choice.cueEnd);
  useEffect(() => {
    openAround(focusRow, choice.cue !== choice.cueEnd);
    if (!drawing) bringRow(focusRow);
  }, [focusRow, drawing, choice.cue, choice.cueEnd]);
  // What opens or closes under the sheet does not hide the cue that is worked on.
  const bringFocus = useEffectEvent(() => bringRow(focusRow));
  const height = seen.bottom - seen.top;
  useEffect(() => bringFocus(), [height]);
  const bringColumn = useEffectEvent(() => {
    const column = layout.columns[placeOfLight(layout, choice.channelEnd, choice.attributeEnd)];
    const element = scroller.current;
    if (!column || !element || drawing) return;
    const room = element.clientWidth - SPINE_WIDTH;
    if (column.x < element.scrollLeft) element.scrollLeft = column.x - 20;
    else if (column.x + column.width > element.scrollLeft + room) element.scrollLeft = column.x + column.width - room + 20;
  });
  useEffect(() => bringColumn(), [choice.channelEnd, choice.attributeEnd]);

  const give = (event: React.ClipboardEvent, text: string | null): void => {
    event.preventDefault();
    if (text !== null) event.clipboardData.setData("text/plain", text);
  };
  const gridRef = useMergedRefs(scroller, placeRef("score"));
  const walk = (event: KeyboardEvent): void => void moveFocus(event, list, lines, layout);
  useShortcut("walk", walk, { on: scroller });
  useShortcut("leap", walk, { on: scroller });
  useShortcut("wholeRow", () => chooseWhole("row", list, layout), { on: scroller });
  useShortcut("wholeColumn", () => chooseWhole("column", list, layout), { on: scroller });
  useShortcut("everything", () => chooseWhole("all", list, layout), { on: scroller });
  useShortcut("tracked", () => useChoice.setState({ tracked: !choice.tracked }), { on: scroller });
  useShortcut("drawTimes", () => useChoice.setState({ under: under === "times" ? null : "times" }), { on: scroller });
  useShortcut("numbers", () => cues && openNumbers(cues.from, cues.from === cues.to ? (list.cues.at(-1)?.number ?? cues.to) : cues.to), {
    on: scroller,
  });
  useShortcut("pictures", () => useChoice.setState({ under: under === "pictures" ? null : "pictures" }));
  useShortcut("toImpact", () => void focusOn("impact"), { on: scroller });
  useShortcut("moving", () => toggleMoving(list), { on: scroller });
  useShortcut("openLights", () => openLights(choice.channels), { on: scroller });
  useShortcut(
    "foldScene",
    () => {
      const scene = sceneAt(list, focusRow)?.scene;
      if (scene !== undefined) toggleScene(list.id, scene);
    },
    { on: scroller },
  );
  useShortcut("showParts", () => choice.cueEnd !== null && toggleParts(list.id, choice.cueEnd), { on: scroller });
  const makeEdits = useMakeEdits();
  useShortcut(
    "giveValue",
    (event) => {
      const { draft } = useChoice.getState();
      if (draft?.from !== "cells") return void focusOn(choice.channels.length > 0 ? "range value" : "cue label");
      if (event.repeat || faultOf(sheet, draft.edits) !== undefined) return;
      void makeConsidered(draft, makeEdits);
    },
    { on: scroller },
  );

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
        onCopy={(event) => event.target === scroller.current && give(event, copyCells(list))}
        onCut={(event) => event.target === scroller.current && give(event, cutCells(list))}
        onPaste={(event) => {
          if (event.target !== scroller.current) return;
          event.preventDefault();
          pasteCells(list, layout, event.clipboardData.getData("text/plain") || null);
        }}
      >
        <div className="relative" style={{ width: SPINE_WIDTH + layout.width, minWidth: "100%" }}>
          <div role="row" className="sticky top-0 z-30 flex border-b border-rule bg-base-100" style={{ height: HEADER }}>
            <SpineHeader width={SPINE_WIDTH} />
            <ScoreHeader layout={layout} />
          </div>
          <div className="relative" style={{ height: rows.getTotalSize() }}>
            <div role="presentation" className="sticky left-0 z-20 h-0" style={{ width: SPINE_WIDTH }}>
              {shown.map((item) => {
                const line = lines.lines[item.index];
                return line && <LineRow key={item.key} list={list} line={line} top={item.start} width={SPINE_WIDTH} editable />;
              })}
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

/** What a scroller shows of the sheet. */
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

/** A list without cues: what comes first is lights, then a look and its record. */
function EmptyScore() {
  const { id, sheet } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  if (sheet.show.channels.length === 0)
    return (
      <EmptyView
        title="No cue yet, and no light"
        words="A cue list needs lights to speak of. Types and lights are made in the Rig; after that a look is built on the Stage and recorded."
      >
        <Link className="btn btn-primary btn-sm" to={`/show/${id}/rig/${sheet.show.fixtureTypes.length === 0 ? "types" : "lights"}`}>
          Go to the Rig
        </Link>
      </EmptyView>
    );
  return (
    <EmptyView
      title={`No cue in ${list.list.label || "this list"} yet`}
      words="Choose lights on the Stage, give them levels and colours, then record what is in hand as the first cue: press n, or type record new."
    >
      <div className="flex gap-2">
        <Link className="btn btn-primary btn-sm" to={`/show/${id}/stage`}>
          Build the first look
        </Link>
        <ActionButton
          className="btn btn-outline btn-sm border-neutral"
          onAct={() => makeEdits([{ op: "insertCue", list: list.id, cue: "1", label: "Preset" }])}
        >
          Insert an empty cue 1
        </ActionButton>
      </div>
    </EmptyView>
  );
}
