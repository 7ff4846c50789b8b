import type { VirtualItem } from "@tanstack/react-virtual";
import { type Script, lineTimes, phrasePlaces } from "@zm/core";
import { useCallback, useMemo, useRef } from "react";
import { useSelection } from "../choice/selection.ts";
import { useCaller } from "../show/caller.ts";
import { useList, useShow } from "../show/useShow.ts";
import { BookBar } from "./BookBar.tsx";
import { BookLine } from "./BookLine.tsx";
import { type WordPlace, chosenLines, lineMarks, useBook } from "./book.ts";
import { KeptWritings } from "./KeptWritings.tsx";
import { LandingWords } from "./LandingWords.tsx";
import { useCalls } from "./useCalls.ts";
import { usePlayKeys } from "./usePlayKeys.ts";
import { usePlayRows } from "./usePlayRows.ts";
import { useQuietStroke } from "./useQuietStroke.ts";

const NO_MARKS = [] as const;
const NO_PLACES: readonly number[] = [];

/** The play line by line, with the cues at their words. */
export function Play({ script }: { script: Script }) {
  const { sheet } = useShow();
  const list = useList();
  const scroller = useRef<HTMLDivElement>(null);
  const { at, until, drags, find } = useBook();
  const chosenCue = useSelection((choice) => choice.cueEnd);
  const reading = useCaller((caller) => caller.line);
  const marks = lineMarks(list, script);
  const times = lineTimes(script);
  const { lines } = script;
  const chosen = useMemo(() => new Set(chosenLines(script, { at, until })), [script, at, until]);
  const found = useMemo(() => placesByLine(find.trim() === "" ? [] : phrasePlaces(script, find)), [script, find]);
  const rows = usePlayRows(script, scroller);
  const stroke = useQuietStroke(script);
  const { call, handle, landing, hasCue } = useCalls(script);
  const walk = usePlayKeys(script, { chosen, firstSeen: rows.range?.startIndex ?? 0, call });
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

  const lineAt = ({ index }: VirtualItem): React.ReactNode => {
    const line = lines[index];
    const before = lines[index - 1];
    if (!line) return null;
    return (
      <BookLine
        line={line}
        index={index}
        marks={marks.get(line.id) ?? NO_MARKS}
        seconds={times.get(line.id)?.seconds ?? 0}
        showsWho={line.who !== undefined && (before?.who !== line.who || before.heading === true)}
        showsPage={line.page !== undefined && line.page !== before?.page}
        chosen={chosen.has(line.id)}
        cursor={at?.line === line.id ? at.word : -1}
        found={found.get(line.id) ?? NO_PLACES}
        over={drags?.over?.line === line.id ? drags.over.word : -1}
        chosenCue={chosenCue}
        handle={handle}
        reading={line.id === reading}
        quietDraft={stroke.draftAt(index)}
        onStroke={stroke.onStroke}
        onWord={onWord}
        onLine={onLine}
      />
    );
  };
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
          {rows.getVirtualItems().map((item) => (
            <div
              key={item.key}
              ref={rows.measureElement}
              data-index={item.index}
              className="absolute inset-x-0"
              style={{ top: item.start }}
            >
              {lineAt(item)}
            </div>
          ))}
        </div>
      </div>
      <LandingWords landing={landing} hasCue={hasCue} />
    </>
  );
}

/** By line, the words that were found in it. */
function placesByLine(
  places: readonly { readonly line: { readonly id: string }; readonly word: number }[],
): ReadonlyMap<string, readonly number[]> {
  const found = new Map<string, number[]>();
  for (const { line, word } of places) found.set(line.id, [...(found.get(line.id) ?? []), word]);
  return found;
}
