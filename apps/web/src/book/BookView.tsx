import { useVirtualizer } from "@tanstack/react-virtual";
import { type Script, findRow, lineTimes, phrasePlaces, placeOfCall } from "@zm/core";
import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { useDropOnEscape } from "../shared/useDropOnEscape.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { useShortcut } from "../shared/useShortcut.ts";
import { useCaller } from "../show/caller.ts";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { BookBar } from "./BookBar.tsx";
import { BookLine } from "./BookLine.tsx";
import { type WordPlace, chosenLines, lineMarks, useBook, writeScene } from "./book.ts";
import { callEdit, callThere, landingWords, wordCount } from "./callWords.ts";
import { keepWriting, readKept } from "./keptWriting.ts";
import { ScriptEditor } from "./ScriptEditor.tsx";
import { useQuietLines } from "./useQuietLines.ts";
import { useQuietStroke } from "./useQuietStroke.ts";

const NO_MARKS = [] as const;
const NO_PLACES: readonly number[] = [];

/** The script with the cues at their words: where the show is called from. */
export function BookView() {
  const { sheet } = useShow();
  const { script } = sheet.show;
  const writing = useBook((book) => book.writing);
  return (
    <div className="flex h-full">
      <SpineColumn width={250} />
      <div className="flex min-w-0 flex-1 flex-col bg-base-200">
        {writing ? (
          <ScriptEditor key={"text" in writing ? "whole" : writing.first} writing={writing} />
        ) : script && script.lines.length > 0 ? (
          <Play script={script} />
        ) : (
          <EmptyView
            title="No play yet"
            words="With the play here each cue stands at its word: the list knows how long it is from one cue to the next, the planner knows which lines are quiet, and the show can be called from the text. Paste it, or open a file of plain text or Fountain."
          >
            <button type="button" className="btn btn-primary btn-sm" onClick={() => useBook.setState({ writing: { text: "" } })}>
              Paste or open a script
            </button>
          </EmptyView>
        )}
      </div>
    </div>
  );
}

function Play({ script }: { script: Script }) {
  const { sheet } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  const scroller = useRef<HTMLDivElement>(null);
  const { at, until, drags, find } = useBook();
  const chosenCue = useChoice((choice) => choice.cueEnd);
  const chosenRow = chosenCue === null ? -1 : findRow(list, chosenCue);
  const marks = lineMarks(list, script);
  const times = lineTimes(script);
  const lines = script.lines;
  const chosen = useMemo(() => new Set(chosenLines(script, { at, until })), [script, at, until]);
  const found = useMemo(() => placesByLine(find.trim() === "" ? [] : phrasePlaces(script, find)), [script, find]);
  const rows = useVirtualizer({
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
      return index === place && start >= top && end <= top + (scroller.current?.clientHeight ?? 0) - 60;
    });
    if (!shown) bring(call.line, "center");
  });
  useEffect(() => bringCue(chosenCue), [chosenCue]);
  useEffect(() => bring(at?.line, "auto"), [at]);
  const reading = useCaller((caller) => caller.line);
  useEffect(() => bring(reading ?? undefined, "center"), [reading]);
  const stroke = useQuietStroke(script);

  const call = useCallback(
    (place: WordPlace | null): void => {
      const there = place && chosenRow >= 0 ? callThere(list, script, chosenRow, place) : undefined;
      if (there) void makeEdits([callEdit(list, chosenRow, there)]);
    },
    [list, script, chosenRow, makeEdits],
  );
  useCueDrag((cue, place) => {
    const row = findRow(list, cue);
    const there = row >= 0 ? callThere(list, script, row, place) : undefined;
    const now = list.cues[row]?.call;
    useBook.setState({ at: place, until: null });
    if (there && (now?.line !== there.line || now.word !== there.word || now.nth !== there.nth))
      void makeEdits([callEdit(list, row, there)]);
  });

  const turnQuiet = useQuietLines(script);
  useShortcut("callHere", () => call(at));
  useShortcut("quietLines", () => {
    void turnQuiet(chosen.size > 0 ? [...chosen] : at ? [at.line] : []);
  });
  useShortcut("writeScene", () => {
    const line = at?.line ?? lines[0]?.id;
    if (line !== undefined) writeScene(script, line);
  });

  const walk = (event: React.KeyboardEvent): void => {
    const next = stepped(script, at ?? { line: lines[rows.range?.startIndex ?? 0]?.id ?? "", word: 0 }, event);
    if (!next) return;
    event.preventDefault();
    useBook.setState({ at: next, until: event.shiftKey ? (until ?? at?.line ?? next.line) : null });
  };
  const onWord = useCallback(
    (place: WordPlace, event: React.MouseEvent) => {
      scroller.current?.focus({ preventScroll: true });
      if (event.ctrlKey || event.metaKey) call(place);
      useBook.setState((book) => ({ at: place, until: event.shiftKey && book.at ? (book.until ?? book.at.line) : null }));
    },
    [call],
  );
  const onLine = useCallback((line: string, event: React.MouseEvent) => {
    scroller.current?.focus({ preventScroll: true });
    useBook.setState((book) => ({ at: { line, word: 0 }, until: event.shiftKey && book.at ? (book.until ?? book.at.line) : line }));
  }, []);

  const landing = drags?.over
    ? landingWords(list, script, findRow(list, drags.cue), drags.over)
    : at && chosenRow >= 0
      ? landingWords(list, script, chosenRow, at)
      : "";
  return (
    <>
      <BookBar script={script} places={found} />
      <KeptWritings script={script} />
      <div
        ref={scroller}
        role="grid"
        aria-label={`The play, ${sheet.show.title}`}
        aria-rowcount={lines.length}
        tabIndex={0}
        className={`relative min-h-0 flex-1 overflow-y-auto select-none focus-visible:outline-none ${drags ? "cursor-grabbing" : ""}`}
        onKeyDown={walk}
      >
        <div className="relative mx-auto max-w-[820px]" style={{ height: rows.getTotalSize() }}>
          {rows.getVirtualItems().map((item) => {
            const line = lines[item.index];
            const before = lines[item.index - 1];
            if (!line) return null;
            return (
              <div
                key={item.key}
                ref={rows.measureElement}
                data-index={item.index}
                className="absolute inset-x-0"
                style={{ top: item.start }}
              >
                <BookLine
                  line={line}
                  index={item.index}
                  marks={marks.get(line.id) ?? NO_MARKS}
                  seconds={times.get(line.id)?.seconds ?? 0}
                  showsWho={line.who !== undefined && (before?.who !== line.who || before.heading === true)}
                  showsPage={line.page !== undefined && line.page !== before?.page}
                  chosen={chosen.has(line.id)}
                  cursor={at?.line === line.id ? at.word : -1}
                  found={found.get(line.id) ?? NO_PLACES}
                  over={drags?.over?.line === line.id ? drags.over.word : -1}
                  chosenCue={chosenCue}
                  list={list.id}
                  reading={line.id === reading}
                  quietDraft={stroke.draftAt(item.index)}
                  onStroke={stroke.onStroke}
                  onWord={onWord}
                  onLine={onLine}
                />
              </div>
            );
          })}
        </div>
      </div>
      <p aria-live="polite" className="flex h-9 shrink-0 items-center gap-2 border-t border-rule px-4 text-[13px]">
        {landing !== "" ? (
          <>
            <span className="min-w-0 flex-1 truncate">{landing}</span>
            <span className="shrink-0 text-quiet">{drags ? "let go to place it" : "c or Ctrl click calls it here"}</span>
          </>
        ) : (
          <span className="text-quiet">
            {chosenRow < 0 ? "Choose a cue first. " : ""}c or Ctrl click on a word calls the cue there; a number is dragged to another word.
          </span>
        )}
      </p>
    </>
  );
}

/** What was written in scenes and is not made yet: it can be written on or thrown away. */
function KeptWritings({ script }: { script: Script }) {
  const { id } = useShow();
  const [kept, setKept] = useState(() => Object.keys(readKept(id)));
  const there = kept.flatMap((first) => script.lines.filter((line) => line.id === first));
  return there.map((line) => (
    <div key={line.id} role="status" className="flex shrink-0 items-center gap-2 border-b border-rule px-4 py-1 text-[13px]">
      <span className="min-w-0 flex-1 truncate">What was written in “{line.text}” is not made yet.</span>
      <button type="button" className="btn btn-xs border-neutral" onClick={() => writeScene(script, line.id)}>
        Write on
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-xs font-normal"
        onClick={() => {
          keepWriting(id, line.id, null);
          setKept((before) => before.filter((first) => first !== line.id));
        }}
      >
        Throw away
      </button>
    </div>
  ));
}

/** By line, the words that were found in it. */
function placesByLine(
  places: readonly { readonly line: { readonly id: string }; readonly word: number }[],
): ReadonlyMap<string, readonly number[]> {
  const found = new Map<string, number[]>();
  for (const { line, word } of places) found.set(line.id, [...(found.get(line.id) ?? []), word]);
  return found;
}

/** Where the keyboard stands after a key: the next word, the same place a line on, the ends; undefined for other keys. */
function stepped(script: Script, { line, word }: WordPlace, { key, ctrlKey, altKey, metaKey }: React.KeyboardEvent): WordPlace | undefined {
  if (altKey || metaKey) return undefined;
  const place = script.lines.findIndex(({ id }) => id === line);
  const at = (index: number, wanted: number): WordPlace | undefined => {
    const found = script.lines[Math.min(script.lines.length - 1, Math.max(0, index))];
    return found && { line: found.id, word: Math.max(0, Math.min(wanted, wordCount(found.text) - 1)) };
  };
  const words = wordCount(script.lines[place]?.text ?? "");
  switch (key) {
    case "ArrowDown":
      return at(place + 1, word);
    case "ArrowUp":
      return at(place - 1, word);
    case "ArrowRight":
      return ctrlKey ? undefined : word + 1 < words ? at(place, word + 1) : at(place + 1, 0);
    case "ArrowLeft":
      return ctrlKey ? undefined : word > 0 ? at(place, word - 1) : at(place - 1, place > 0 ? Number.MAX_SAFE_INTEGER : 0);
    case "PageDown":
      return at(place + 10, 0);
    case "PageUp":
      return at(place - 10, 0);
    case "Home":
      return at(0, 0);
    case "End":
      return at(script.lines.length - 1, 0);
    default:
      return undefined;
  }
}

/** Follows a cue that is dragged over the words; where it is let go over a word it is called there. Escape drops the drag. */
function useCueDrag(land: (cue: string, place: WordPlace) => void): void {
  const dragging = useBook((book) => book.drags !== null);
  const landing = useEffectEvent(land);
  useDropOnEscape(dragging, () => useBook.setState({ drags: null }));
  useEffect(() => {
    if (!dragging) return;
    const over = ({ clientX, clientY }: PointerEvent): void => {
      const element = document.elementFromPoint(clientX, clientY)?.closest<HTMLElement>("[data-word]");
      const { line, word } = element?.dataset ?? {};
      const place = line === undefined || word === undefined ? null : { line, word: Number(word) };
      useBook.setState(({ drags }) => ({ drags: drags && { ...drags, over: place } }));
    };
    const end = (event: PointerEvent): void => {
      over(event);
      const { drags } = useBook.getState();
      useBook.setState({ drags: null });
      if (drags?.over) landing(drags.cue, drags.over);
    };
    window.addEventListener("pointermove", over);
    window.addEventListener("pointerup", end);
    return () => {
      window.removeEventListener("pointermove", over);
      window.removeEventListener("pointerup", end);
    };
  }, [dragging]);
}
