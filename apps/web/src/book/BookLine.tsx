import type { CueHandle } from "./useCueDrag.ts";
import { type ScriptLine, splitWords, clockWords } from "@zm/core";
import { memo, useLayoutEffect, useRef, useState } from "react";
import { chooseCue } from "../choice/selection.ts";
import type { LineMark, WordPlace } from "./book.ts";

interface BookLineProps {
  line: ScriptLine;
  index: number;
  marks: readonly LineMark[];
  /** How long the line takes. Seconds. */
  seconds: number;
  /** Who speaks is told where it is another than before. */
  showsWho: boolean;
  showsPage: boolean;
  chosen: boolean;
  /** The word that the keyboard stands on; -1 for none. */
  cursor: number;
  /** The words that were looked for, by their places. */
  found: readonly number[];
  /** The word over which a cue is being dragged; -1 for none. */
  over: number;
  chosenCue: string | null;
  /** The caller reads it now. */
  reading: boolean;
  quietDraft: boolean | null;
  handle: CueHandle;
  onStroke: (index: number, phase: "begin" | "over") => void;
  onWord: (place: WordPlace, event: React.MouseEvent) => void;
  onLine: (line: string, event: React.MouseEvent) => void;
}

/** A line of the play: its cues in the margin, tied to their words, the bracket of silence, who speaks, the words, and how long they take. */
export const BookLine = memo(function BookLine(props: BookLineProps) {
  const { line, marks, seconds, showsWho, showsPage, chosen, cursor, over, found, chosenCue, quietDraft } = props;
  const row = useRef<HTMLDivElement>(null);
  const [places, setPlaces] = useState<readonly MarkPlace[]>([]);
  const text = useRef<HTMLParagraphElement>(null);
  useLayoutEffect(() => {
    const measure = (): void => setPlaces(text.current ? markPlaces(text.current, marks) : []);
    measure();
    const element = text.current;
    if (!element) return;
    const watch = new ResizeObserver(measure);
    watch.observe(element);
    return () => watch.disconnect();
  }, [marks, line.text]);
  const direction = line.who === undefined && !line.heading;
  const lastWord = splitWords(line.text).length - 1;
  return (
    <div
      ref={row}
      role="row"
      aria-rowindex={props.index + 1}
      aria-selected={chosen}
      className={`relative flex pr-5 ${line.heading ? "pt-7 pb-1.5" : showsPage ? "pt-7" : showsWho ? "pt-2.5" : "pt-0.5"} pb-0.5 ${chosen ? "bg-chosen" : props.reading ? "bg-primary/15" : ""}`}
      aria-current={props.reading ? "step" : undefined}
    >
      {showsPage && <span className="absolute top-1 right-5 text-[13px] text-quiet">page {line.page}</span>}
      <CueMargin places={places} line={line.id} handle={props.handle} chosenCue={chosenCue} />
      <QuietStroke line={line} index={props.index} quietDraft={quietDraft} onStroke={props.onStroke} />
      <div className="relative min-w-0 flex-1" role="gridcell">
        {showsWho && line.who !== undefined && <p className="font-script text-[13px] leading-4 text-quiet">{line.who}</p>}
        <p
          ref={text}
          className={`font-script relative text-[17px] leading-7 ${
            line.heading ? "text-[15px] font-bold tracking-wide text-quiet uppercase" : direction ? "pl-10 text-quiet italic" : ""
          }`}
        >
          {places.flatMap(({ top, marks: own }) =>
            own
              .filter(({ kind }) => kind === "go")
              .map((mark) => (
                <span
                  key={`rule/${mark.cue}`}
                  aria-hidden
                  className={`absolute -left-7 border-b ${mark.cue === chosenCue ? "border-primary" : "border-primary/45"}`}
                  style={{ top: top + 23, width: mark.left + 28 }}
                />
              )),
          )}
          {splitWords(line.text).map((word, place) => (
            <span key={place}>
              <span
                data-line={line.id}
                data-word={place}
                className={`cursor-text ${wordLook(place, { marks, cursor, over, found, chosenCue })}`}
                onClick={(event) => props.onWord({ line: line.id, word: place }, event)}
              >
                {word}
              </span>
              {place < lastWord ? " " : ""}
            </span>
          ))}
        </p>
      </div>
      <LineSeconds line={line} seconds={seconds} onLine={props.onLine} />
    </div>
  );
});

/** The cues at the left of a line, each beside the row of text in which its word stands. */
function CueMargin({
  places,
  line,
  handle,
  chosenCue,
}: {
  places: readonly MarkPlace[];
  line: string;
  handle: CueHandle;
  chosenCue: string | null;
}) {
  return (
    <div className="relative w-[138px] shrink-0" role="gridcell" aria-label="Cues">
      {places.map(({ top, beside, marks: own }) => (
        <span key={top} className="absolute right-1 flex w-[132px] flex-row-reverse flex-wrap gap-1" style={{ top: beside }}>
          {own
            .filter(({ kind }) => kind === "go")
            .map((mark) => (
              <CueTag key={mark.cue} mark={mark} handle={handle} chosen={mark.cue === chosenCue} line={line} />
            ))}
          <StandbyTag marks={own.filter(({ kind }) => kind === "standby")} />
        </span>
      ))}
    </div>
  );
}

/** The bracket of silence: drawn down along lines. */
function QuietStroke({ line, index, quietDraft, onStroke }: Pick<BookLineProps, "line" | "index" | "quietDraft" | "onStroke">) {
  const quiet = quietDraft ?? line.quiet === true;
  return (
    <div role="gridcell" className="flex w-7 shrink-0">
      <button
        type="button"
        tabIndex={-1}
        aria-label={quiet ? `Line ${line.id} is quiet` : `Line ${line.id} is not quiet`}
        aria-pressed={quiet}
        title="Draw down along lines for silence: no light moves then (q)"
        data-stroke={index}
        className="group relative w-full cursor-ns-resize touch-none"
        onPointerDown={(event) => {
          event.preventDefault();
          onStroke(index, "begin");
        }}
        onPointerEnter={() => onStroke(index, "over")}
      >
        <span
          aria-hidden
          className={`absolute inset-y-0.5 left-1.5 w-2 rounded-l-full border-l-2 ${
            quiet ? "border-secondary" : "border-transparent group-hover:border-rule"
          } ${quietDraft === null ? "" : "border-dashed"}`}
        />
      </button>
    </div>
  );
}

/** How long a line takes; pressing it chooses the line. */
function LineSeconds({ line, seconds, onLine }: Pick<BookLineProps, "line" | "seconds" | "onLine">) {
  return (
    <div role="gridcell" className="flex w-14 shrink-0">
      <button
        type="button"
        tabIndex={-1}
        title="Choose the line; with Shift up to it"
        className="figures w-full self-end pb-1 text-right text-[13px] text-quiet hover:text-base-content"
        onClick={(event) => onLine(line.id, event)}
      >
        {line.heading ? <span className="sr-only">heading</span> : clockWords(seconds)}
        {line.pace !== undefined && !line.heading && <span title={`${line.pace} words a minute`}> ·</span>}
      </button>
    </div>
  );
}

/** Marks that stand beside one row of text, and how far right their words are: `top` within the text, `beside` in the margin. Pixels. */
interface MarkPlace {
  readonly top: number;
  readonly beside: number;
  readonly marks: readonly (LineMark & { readonly left: number })[];
}

/** Where the marks of a line stand: beside the row of text that has their word. */
function markPlaces(text: HTMLElement, marks: readonly LineMark[]): MarkPlace[] {
  const rows = new Map<number, (LineMark & { left: number })[]>();
  for (const mark of marks) {
    const word = text.querySelector<HTMLElement>(`[data-word="${Math.max(0, mark.word)}"]`);
    const top = word?.offsetTop ?? 0;
    const left = mark.word < 0 ? 0 : (word?.offsetLeft ?? 0);
    rows.set(top, [...(rows.get(top) ?? []), { ...mark, left }]);
  }
  return [...rows].map(([top, own]) => ({ top, beside: top + text.offsetTop, marks: own }));
}

type WordLook = Pick<BookLineProps, "marks" | "cursor" | "over" | "found" | "chosenCue">;

/** How a word looks: with a cue on it, under the keyboard, found, or where a dragged cue would land. */
function wordLook(place: number, { marks, cursor, over, found, chosenCue }: WordLook): string {
  const own = marks.filter(({ kind, word }) => kind === "go" && word === place);
  return [
    own.some(({ cue }) => cue === chosenCue) ? "border-b-2 border-primary font-bold" : own.length > 0 ? "border-b-2 border-primary/70" : "",
    place === over ? "rounded bg-primary text-primary-content" : place === cursor ? "rounded outline-2 outline-secondary" : "",
    found.includes(place) ? "bg-secondary/30" : "",
  ]
    .filter(Boolean)
    .join(" ");
}

/** The standbys that are told beside one row of text. */
function StandbyTag({ marks }: { marks: readonly LineMark[] }) {
  const [first] = marks;
  if (!first) return null;
  const cues = marks.map(({ cue }) => cue);
  return (
    <button
      type="button"
      tabIndex={-1}
      className="h-6 rounded border border-rule px-1 text-[13px] whitespace-nowrap text-quiet hover:text-base-content"
      title={`Standby for ${cues.length === 1 ? "cue" : "cues"} ${cues.join(" and ")} is told here`}
      onClick={() => chooseCue(first.cue)}
    >
      stand by {cues.join(", ")}
    </button>
  );
}

/** A cue in the margin, to be dragged to another word. */
function CueTag({ mark, handle, chosen, line }: { mark: LineMark; handle: CueHandle; chosen: boolean; line: string }) {
  const handlers = handle(mark.cue, { line, word: Math.max(0, mark.word) });
  return (
    <button
      type="button"
      tabIndex={-1}
      data-cue={mark.cue}
      className={`figures h-6 min-w-9 cursor-grab touch-none rounded px-1.5 text-[14px] font-bold ${chosen ? "bg-primary text-primary-content" : "bg-base-300"}`}
      title={`Go of cue ${mark.cue}${mark.after ? ", after its word" : ""}: drag it to another word`}
      {...handlers}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.preventDefault();
        handlers.onPointerDown?.(event);
      }}
    >
      {mark.cue}
      {mark.after ? "’" : ""}
    </button>
  );
}
