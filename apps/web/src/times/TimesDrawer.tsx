import { type DrawnLink, type ListSheet, type TimeBar, at, chainAround, endOfLinks, findRow, linksOver, timeBars } from "@zm/core";
import { X } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { chosenCues, useSelection } from "../choice/selection.ts";
import { closeUnder } from "../choice/sheetView.ts";
import { focusOn } from "../shared/focusPlaces.ts";
import { readSeconds } from "../shared/readSeconds.ts";
import { seconds } from "../shared/words.ts";
import { TimesChart } from "./TimesChart.tsx";
import { barLabel, barName } from "./barEdits.ts";
import { type TimesDraft, useTimesDraft } from "./useTimesDraft.ts";

/** So many cues are drawn at once: more are no picture. */
const MOST_CUES = 16;
/** A Go is drawn so long after all before it is complete; how long it is waited for is not known. Seconds. */
const GAP = 1;

/** The chosen cues on one line of time under the Score; one cue stands with the chain that it runs in. */
export function TimesDrawer({ list }: { list: ListSheet }) {
  const cue = useSelection((choice) => choice.cue);
  const cueEnd = useSelection((choice) => choice.cueEnd);
  const draft = useTimesDraft(list);
  const [picked, setPicked] = useState<string | null>(null);
  const body = useRef<HTMLDivElement>(null);
  const width = useWidth(body);
  const cues = chosenCues({ cue, cueEnd });
  const first = cues ? findRow(list, cues.from) : -1;
  const last = cues ? findRow(list, cues.to) : -1;
  const links = useMemo(() => linksFor(draft.shown, first, last), [draft.shown, first, last]);
  const bars = useMemo(() => timeBars(draft.shown, links), [draft.shown, links]);
  const bar = bars.find((each) => barName(each) === picked);
  return (
    <section aria-label="Times drawn" className="flex h-[304px] shrink-0 flex-col border-t border-primary bg-base-200">
      <div className="flex h-10 shrink-0 items-center gap-3 px-4">
        <h2 className="font-bold whitespace-nowrap">{links.length === 0 ? "Times" : `Times of ${namesOf(list, links)}`}</h2>
        <span className="truncate text-quiet">{links.length > 0 && runsWords(links)}</span>
        <span className="flex-1" />
        {bar && <BarFields key={picked} list={draft.shown} bar={bar} draft={draft} />}
        <LastField key={`${first} ${last}`} list={list} links={links} draft={draft} />
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Put the drawing away"
          title="Put the drawing away (d)"
          onClick={() => closeUnder()}
        >
          <X size={15} />
        </button>
      </div>
      <div ref={body} className="min-h-0 flex-1 overflow-y-auto px-2">
        {first < 0 && <p className="px-2 text-quiet">Choose a cue, or a range of cues, in the spine: it is drawn here over time.</p>}
        {first >= 0 && last - first >= MOST_CUES && <p className="px-2 text-quiet">The first {MOST_CUES} of these cues are drawn.</p>}
        {links.length > 0 && bars.length === 0 && <p className="px-2 text-quiet">Nothing moves in these cues.</p>}
        {bars.length > 0 && width > 0 && (
          <TimesChart
            list={draft.shown}
            links={links}
            bars={bars}
            width={width - 20}
            namesWidth={190}
            picked={picked}
            onPick={(each) => setPicked(barName(each))}
            onWish={draft.wish}
            onMake={draft.make}
            onDrop={draft.drop}
          />
        )}
      </div>
    </section>
  );
}

/** The cues that are drawn for some rows: the chain of one cue, or a range of them. */
function linksFor(list: ListSheet, first: number, last: number): DrawnLink[] {
  if (first < 0) return [];
  const chain = first === last ? chainAround(list, first) : [];
  if (chain.length > 0) return chain.slice(0, MOST_CUES).map((link, index) => ({ ...link, pressed: index === 0 }));
  return linksOver(list, first, Math.min(last, first + MOST_CUES - 1), GAP);
}

function namesOf(list: ListSheet, links: readonly DrawnLink[]): string {
  const { from, to } = rangeOf(list, links);
  return from === to ? from : `${from} to ${to}`;
}

/** The first and the last cue that are drawn. */
function rangeOf(list: ListSheet, links: readonly DrawnLink[]): { from: string; to: string } {
  const numberAt = (place: number): string => at(list.cues, at(links, place).row).number;
  return { from: numberAt(0), to: numberAt(links.length - 1) };
}

function runsWords(links: readonly DrawnLink[]): string {
  const presses = links.filter(({ pressed }) => pressed).length;
  if (presses > 1) return `${presses} presses of Go; how long is waited for them is not known`;
  const end = endOfLinks(links);
  return links.length > 1 ? `one Go, runs ${seconds(end)} s by itself` : `complete after ${seconds(end)} s`;
}

/** The times of the bar that is pointed out, to be typed. */
function BarFields({ list, bar, draft }: { list: ListSheet; bar: TimeBar; draft: TimesDraft }) {
  const name = `Cue ${at(list.cues, bar.row).number}, ${barLabel(list, bar)}`;
  return (
    <span className="flex items-center gap-2 whitespace-nowrap">
      <span className="max-w-44 truncate text-secondary">{name}</span>
      {(["fade", "delay"] as const).map((what) => (
        <label key={what} className="flex items-center gap-1 text-quiet">
          {what}
          <TimeField
            label={`${what} of ${name}`}
            value={bar[what]}
            draft={draft}
            onTake={(time) => draft.wish({ bar, change: { [what]: time } })}
          />
        </label>
      ))}
    </span>
  );
}

/** How long all that is drawn lasts, where one Go runs it: typed, every time in it is scaled. */
function LastField({ list, links, draft }: { list: ListSheet; links: readonly DrawnLink[]; draft: TimesDraft }) {
  if (links.length === 0 || links.filter(({ pressed }) => pressed).length > 1) return null;
  return (
    <label className="flex items-center gap-1 whitespace-nowrap text-quiet">
      {links.length > 1 ? "these cues last" : "it lasts"}
      <TimeField
        label="all that is drawn lasts, seconds"
        value={endOfLinks(links)}
        draft={draft}
        onTake={(time) => draft.consider([{ op: "stretch", list: list.id, ...rangeOf(list, links), seconds: time }])}
      />
    </label>
  );
}

interface TimeFieldProps {
  readonly label: string;
  readonly value: number;
  readonly draft: TimesDraft;
  readonly onTake: (time: number) => void;
}

/** A time that is considered with every letter; Enter makes what is considered, Escape drops it. */
function TimeField({ label, value, draft, onTake }: TimeFieldProps) {
  const [text, setText] = useState<string | null>(null);
  const wrong = text !== null && text.trim() !== "" && typeof readSeconds(text) !== "number";
  return (
    <input
      aria-label={label}
      aria-invalid={wrong}
      inputMode="decimal"
      autoComplete="off"
      className="input input-sm figures h-7 w-16 bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error"
      value={text ?? seconds(value)}
      onFocus={(event) => event.target.select()}
      onChange={(event) => {
        setText(event.target.value);
        const time = readSeconds(event.target.value);
        if (typeof time === "number") onTake(time);
      }}
      onBlur={() => !wrong && setText(null)}
      onKeyDown={(event) => {
        if (event.key === "Enter" && !event.repeat && !wrong) draft.make();
        if (event.key === "Escape") {
          event.stopPropagation();
          draft.drop();
        }
        if (event.key !== "Enter" && event.key !== "Escape") return;
        setText(null);
        focusOn("score");
      }}
    />
  );
}

/** How wide an element is, pixels; 0 until it is known. */
function useWidth(element: React.RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const watched = element.current;
    if (!watched) return;
    const sized = new ResizeObserver(() => setWidth(watched.clientWidth));
    sized.observe(watched);
    return () => sized.disconnect();
  }, [element]);
  return width;
}
