import { type ListSheet, type MarkPlan, type MarkTime, type PlannedMark, isPlaced, markedKeys, placeMark } from "@zm/core";
import { memo, useState } from "react";
import { chooseCue, chooseLights } from "../choice/choice.ts";
import { isOutside, useDropOnEscape } from "../shared/useDropOnEscape.ts";
import { seconds } from "../shared/words.ts";
import { useMakeEdits } from "../show/useShow.ts";
import { COLUMN, ROW } from "./grid.ts";
import { usePlanning } from "./usePlan.ts";

const AXIS = 9;

interface MarkColumnProps {
  list: ListSheet;
  channel: number;
  marks: readonly PlannedMark[];
  proposal: MarkPlan | null;
  /** The time that a mark would have in a row of its window. */
  timeFor: MarkTime;
  /** By row, 1 where the light is lit. */
  lit: Uint8Array;
  x: number;
  /** The rows in view. */
  first: number;
  last: number;
}

/** One light down the list: where it is lit, its dark windows, and the lozenge where it is prepared in each. */
export const MarkColumn = memo(function MarkColumn({ list, channel, marks, proposal, timeFor, lit, x, first, last }: MarkColumnProps) {
  const inView = marks.filter(({ mark }) => mark.calledAt >= first && (mark.window?.first ?? mark.calledAt) <= last);
  return (
    <>
      <svg
        aria-hidden
        className="pointer-events-none absolute"
        style={{ left: x, top: first * ROW }}
        width={COLUMN}
        height={(last - first + 1) * ROW}
      >
        {runsOf(lit, first, last).map(([from, to]) => (
          <line
            key={from}
            x1={AXIS}
            x2={AXIS}
            y1={(from - first) * ROW + 14}
            y2={(to + 1 - first) * ROW + 14}
            className="stroke-quiet"
            strokeWidth={3}
          />
        ))}
        {inView.map(({ mark }) => {
          const from = mark.window?.first ?? mark.calledAt;
          const [top, bottom] = [(from - first) * ROW + 14, (mark.calledAt - first) * ROW + 14];
          return (
            <g key={mark.calledAt}>
              {from < mark.calledAt && (
                <line
                  x1={AXIS}
                  x2={AXIS}
                  y1={top + 6}
                  y2={bottom - 8}
                  className="stroke-secondary"
                  strokeWidth={1.5}
                  strokeDasharray="1.5 4"
                />
              )}
              <path d={`M${AXIS} ${bottom - 6}l6 10h-12z`} className="fill-base-content" />
            </g>
          );
        })}
      </svg>
      {inView.map((planned) => (
        <Lozenge key={planned.mark.calledAt} list={list} planned={planned} proposal={proposal} timeFor={timeFor} x={x} channel={channel} />
      ))}
    </>
  );
});

/** The runs of rows in view in which a light is lit. */
function runsOf(lit: Uint8Array, first: number, last: number): [number, number][] {
  const runs: [number, number][] = [];
  for (let row = first; row <= Math.min(last, lit.length - 1); row += 1) {
    const run = runs.at(-1);
    if (lit[row] !== 1) continue;
    if (run && run[1] === row - 1) run[1] = row;
    else runs.push([row, row]);
  }
  // The thread ends in the cue that takes the light out.
  return runs.map(([from, to]) => [from, to + 1 < lit.length ? to : to - 1]);
}

/** Where a light is prepared. Dragged, or moved with the arrow keys, along its dark window; one that is late is told in coral. */
function Lozenge({
  list,
  planned: { mark, available, report },
  proposal,
  timeFor,
  x,
  channel,
}: {
  list: ListSheet;
  planned: PlannedMark;
  proposal: MarkPlan | null;
  timeFor: MarkTime;
  x: number;
  channel: number;
}) {
  const makeEdits = useMakeEdits();
  const [dragged, setDragged] = useState<number | null>(null);
  // Where it was put last while that is on its way: an arrow typed meanwhile counts from there.
  const [asked, setAsked] = useState<number | null>(null);
  useDropOnEscape(dragged !== null, () => setDragged(null));
  const cue = list.cues[mark.calledAt]?.number ?? "";
  const chosen = usePlanning(({ chosen: each }) => each?.channel === channel && each.cue === cue);
  const { window } = mark;
  const row = dragged ?? asked ?? mark.markAt ?? mark.calledAt;
  // While it is dragged it tells what it would have where it is.
  const there = dragged === null ? available : (timeFor(mark, dragged)?.seconds ?? null);
  const bad = dragged === null ? report !== null : there !== null && there < mark.needed;
  const best = proposal?.proposals.find((each) => each.mark.channel === channel && each.mark.calledAt === mark.calledAt);
  const choose = (): void => {
    usePlanning.setState({ chosen: { channel, cue } });
    chooseCue(cue);
    chooseLights([channel]);
  };
  const put = (to: number): void => {
    if (!window) return;
    const wanted = Math.min(window.last, Math.max(window.first, to));
    if (wanted === (asked ?? mark.markAt)) return;
    setAsked(wanted);
    void makeEdits([placeMark(list, mark, wanted)]).then(() => setAsked((newest) => (newest === wanted ? null : newest)));
  };
  const rowAt = (event: React.PointerEvent<HTMLButtonElement>): number => {
    const box = event.currentTarget.parentElement?.getBoundingClientRect();
    const at = Math.floor((event.clientY - (box?.top ?? 0)) / ROW);
    return window ? Math.min(window.last, Math.max(window.first, at)) : mark.calledAt;
  };
  const placed = isPlaced(list, mark);
  const where = mark.markAt === null ? "moves in view" : `is prepared in ${list.cues[mark.markAt]?.number ?? ""}`;
  const times = `needs ${seconds(mark.needed)} s${available === null ? "" : `, has ${seconds(available)} s`}`;
  return (
    <>
      {best?.moves && best.best && best.best.row !== row && (
        <span aria-hidden className="pointer-events-none absolute" style={{ left: x + AXIS - 8, top: best.best.row * ROW + 6 }}>
          <svg width={16} height={16}>
            <path d="M8 1l6 7l-6 7l-6 -7z" className="fill-none stroke-secondary" strokeWidth={1.5} strokeDasharray="2 2" />
          </svg>
        </span>
      )}
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`Light ${channel} for cue ${cue}: ${where}, ${times}${report === "mark-late" ? ", too little" : ""}${placed ? ", placed by its cue" : ""}`}
        title={`For cue ${cue}: ${where}, ${times}. ${placed ? "Its cue places it: a plan leaves it there. " : ""}Drag it along the window, or press the arrow keys`}
        className="absolute grid h-7 w-7 cursor-ns-resize touch-none place-items-center"
        style={{ left: x + AXIS - 14, top: row * ROW }}
        onClick={choose}
        onFocus={choose}
        onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
        onPointerMove={(event) => {
          if (event.buttons === 1 && window) setDragged(rowAt(event));
        }}
        onPointerUp={(event) => {
          if (dragged !== null && !isOutside(event, event.currentTarget.closest("[data-planner-sheet]"))) put(rowAt(event));
          setDragged(null);
        }}
        onPointerCancel={() => setDragged(null)}
        onKeyDown={(event) => {
          const step = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
          if (step === 0) return;
          event.preventDefault();
          event.stopPropagation();
          put((asked ?? mark.markAt ?? mark.calledAt) + step);
        }}
      >
        <svg width={16} height={16} aria-hidden>
          <path
            d="M8 1l6 7l-6 7l-6 -7z"
            className={`${bad ? "stroke-error" : "stroke-secondary"} ${chosen ? (bad ? "fill-error" : "fill-secondary") : "fill-sheet"}`}
            strokeWidth={1.5}
          />
          {placed && <path d="M3 15h10" className={bad ? "stroke-error" : "stroke-secondary"} strokeWidth={2} />}
        </svg>
      </button>
      {(mark.markAt !== null || dragged !== null) && (
        <span
          aria-hidden
          className={`figures pointer-events-none absolute text-[12px] leading-7 ${bad ? "font-bold text-error" : "text-quiet"}`}
          style={{ left: x + AXIS + 9, top: row * ROW }}
        >
          {short(mark.needed)}/{there === null ? "?" : short(there)}
        </span>
      )}
    </>
  );
}

/** Seconds in as few figures as say it. */
function short(value: number): string {
  return value >= 10 ? String(Math.round(value)) : String(Math.round(value * 10) / 10);
}

/** What the keys of a mark do, in words: "pan −40 to 90, tilt 10 to 35". */
export function travelWords(list: ListSheet, mark: PlannedMark["mark"]): string {
  return markedKeys(list, mark)
    .filter(({ from, to }) => plainNumber(from) !== plainNumber(to))
    .map(({ key, from, to }) => `${key.attribute.name ?? key.attribute.id} ${plainNumber(from)} to ${plainNumber(to)}`)
    .join(", ");
}

function plainNumber(value: number): string {
  return String(Math.round(value * 10) / 10).replace("-", "−");
}
