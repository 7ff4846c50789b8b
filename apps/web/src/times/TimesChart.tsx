import { type Curve, type DrawnLink, type ListSheet, type TimeBar, at, curveAt, endOfLinks } from "@zm/core";
import { useMemo, useState } from "react";
import { type DragHandlers, useDragged } from "../shared/useDragged.ts";
import { seconds } from "../shared/words.ts";
import { type BarChange, barLabel, barName, barWords, cutWords, linkWords, rowLabel } from "./barEdits.ts";
import { type TimeScale, placeOf, snapped, timeScale } from "./scale.ts";

const ROW = 22;
const HEAD = 24;

/** Somebody asks for other times of a bar, or for another wait before a cue. */
export type TimeWish = { readonly bar: TimeBar; readonly change: BarChange } | { readonly link: DrawnLink; readonly after: number };

interface TimesChartProps {
  readonly list: ListSheet;
  readonly links: readonly DrawnLink[];
  readonly bars: readonly TimeBar[];
  readonly width: number;
  /** The room for the names at the left, pixels. */
  readonly namesWidth: number;
  /** The bar that is pointed out, by its name. */
  readonly picked: string | null;
  readonly onPick: (bar: TimeBar) => void;
  readonly onWish: (wish: TimeWish) => void;
  readonly onMake: () => void;
  readonly onDrop: () => void;
}

/** Something that is being dragged, and where it was taken hold of. */
interface BarDrag {
  readonly grip: "end" | "bar" | "link";
  readonly bar: TimeBar;
  readonly link: DrawnLink;
  readonly after: number;
  readonly scale: TimeScale;
}

/** Cues on one line of time: a bar for what begins and ends together, its delay dotted before it, its end to be dragged; what follows hangs on a thread from where it is let go. */
export function TimesChart({ list, links, bars, width, namesWidth, picked, onPick, onWish, onMake, onDrop }: TimesChartProps) {
  const [drag, setDrag] = useState<BarDrag | null>(null);
  const rows = useMemo(() => rowsOf(list, links, bars), [list, links, bars]);
  const longest = endOfLinks(links);
  const drawn = useMemo(() => timeScale(longest, namesWidth, width - 8), [longest, namesWidth, width]);
  // What is under the pointer keeps its size for as long as it is held.
  const scale = drag?.scale ?? drawn;
  const { bind } = useDragged<BarDrag, [row: ChartRow, grip: BarDrag["grip"]]>({
    throughWindow: true,
    onBegin: ({ target }, row, grip) => {
      target.closest<SVGElement>('[role="slider"]')?.focus();
      onPick(row.bar);
      const begun = { grip, bar: row.bar, link: row.link, after: afterOf(list, row.link), scale };
      setDrag(begun);
      return begun;
    },
    onMove: (begun, { from, at, shiftKey }) => onWish(wishOf(begun, (at.clientX - from.clientX) / begun.scale.perSecond, shiftKey)),
    onEnd: () => setDrag(null),
    onDrop: () => {
      setDrag(null);
      onDrop();
    },
  });
  const press = (row: ChartRow) => (event: React.KeyboardEvent) => {
    if (event.key === "Enter" && !event.repeat) return onMake();
    if (event.key === "Escape") return onDrop();
    const step = (event.shiftKey ? 1 : 0.1) * (event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0);
    if (step === 0) return;
    event.preventDefault();
    event.stopPropagation();
    const { bar } = row;
    onWish({ bar, change: event.altKey ? { delay: snapped(bar.delay + step, false) } : { fade: snapped(bar.fade + step, false) } });
  };
  const height = HEAD + rows.length * ROW + 4;
  const most = Math.floor((namesWidth - 10) / 6.6);
  return (
    <svg width={width} height={height} role="group" aria-label="Times" className="block select-none">
      {scale.ticks.map((time) => (
        <g key={time}>
          <line x1={placeOf(scale, time)} x2={placeOf(scale, time)} y1={HEAD} y2={height} className="stroke-(--zm-rule)" />
          <text x={placeOf(scale, time)} y={15} textAnchor="middle" className="figures fill-(--zm-quiet) text-[13px]">
            {seconds(time)} s
          </text>
        </g>
      ))}
      {rows.map((row, index) => (
        <g key={row.name}>
          <text x={namesWidth - 8} y={HEAD + index * ROW + 15} textAnchor="end" className="fill-(--zm-quiet) text-[13px]">
            {row.label.length > most ? `${row.label.slice(0, most - 1)}…` : row.label}
          </text>
          <TimeShape
            list={list}
            row={row}
            scale={scale}
            y={HEAD + index * ROW}
            picked={row.name === picked}
            narrow={width < 400}
            onFocus={() => onPick(row.bar)}
            onTake={(grip) => bind(row, grip)}
            onKeyDown={press(row)}
          />
        </g>
      ))}
    </svg>
  );
}

/** One bar in its row of the picture. */
interface ChartRow {
  readonly name: string;
  readonly label: string;
  readonly bar: TimeBar;
  readonly link: DrawnLink;
  /** It is the first of its cue, to which the thread leads. */
  readonly first: boolean;
  /** How many rows above it the cue before begins, and when that was let go and is complete; undefined where there is none. */
  readonly before: { readonly rows: number; readonly start: number; readonly end: number } | undefined;
}

function rowsOf(list: ListSheet, links: readonly DrawnLink[], bars: readonly TimeBar[]): ChartRow[] {
  const linkOf = new Map(links.map((link) => [link.row, link]));
  const beginnings = new Map<number, number>();
  bars.forEach(({ row }, index) => {
    if (!beginnings.has(row)) beginnings.set(row, index);
  });
  return bars.flatMap((bar, index) => {
    const link = linkOf.get(bar.row);
    if (!link) return [];
    const first = beginnings.get(bar.row) === index;
    const before = links[links.indexOf(link) - 1];
    const above = before && beginnings.get(before.row);
    return {
      name: barName(bar),
      label: `${first && links.length > 1 ? `${at(list.cues, bar.row).number} ` : ""}${rowLabel(list, bar, bars[index - 1])}`,
      bar,
      link,
      first,
      before: before && above !== undefined ? { rows: index - above, start: before.start, end: before.start + before.duration } : undefined,
    };
  });
}

/** How long a cue waits before it follows, seconds; 0 for one that waits for a Go. */
function afterOf(list: ListSheet, { row }: DrawnLink): number {
  const { trigger } = at(list.cues, row);
  return trigger?.type === "follow" ? trigger.after : 0;
}

function wishOf({ grip, bar, link, after }: BarDrag, by: number, fine: boolean): TimeWish {
  if (grip === "link") return { link, after: snapped(after + by, fine) };
  return { bar, change: grip === "end" ? { fade: snapped(bar.fade + by, fine) } : { delay: snapped(bar.delay + by, fine) } };
}

interface TimeShapeProps {
  readonly list: ListSheet;
  readonly row: ChartRow;
  readonly scale: TimeScale;
  readonly y: number;
  readonly picked: boolean;
  /** There is no room for words beside the bars. */
  readonly narrow: boolean;
  readonly onFocus: () => void;
  readonly onTake: (grip: BarDrag["grip"]) => DragHandlers;
  readonly onKeyDown: (event: React.KeyboardEvent) => void;
}

function TimeShape({ list, row, scale, y, picked, narrow, onFocus, onTake, onKeyDown }: TimeShapeProps) {
  const { bar, link } = row;
  const begins = placeOf(scale, link.start + bar.delay);
  const ends = Math.max(begins + 2, placeOf(scale, link.start + bar.delay + bar.fade));
  const height = ROW;
  const middle = y + height / 2;
  const cut = cutWords(list, bar);
  const cutAt = bar.cut ? Math.max(begins, placeOf(scale, link.start + bar.delay + bar.cut.after)) : ends;
  const beside = cut && !narrow ? cut : "";
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Cue ${at(list.cues, bar.row).number}, ${barLabel(list, bar)}`}
      aria-valuenow={bar.fade}
      aria-valuemin={0}
      aria-valuetext={`${barWords(bar)}${cut ? `, ${cut}` : ""}`}
      className="group outline-none"
      onFocus={onFocus}
      onKeyDown={onKeyDown}
    >
      <title>{`${barLabel(list, bar)}: ${barWords(bar)}${cut ? `, ${cut}` : ""}. Drag its end for the fade, the bar for the delay`}</title>
      {row.first && row.before && <LinkThread list={list} row={row} scale={scale} middle={middle} grip={onTake("link")} narrow={narrow} />}
      {bar.delay > 0 && (
        <line
          x1={placeOf(scale, link.start)}
          x2={begins}
          y1={middle}
          y2={middle}
          className="stroke-base-content"
          strokeWidth={1.5}
          strokeDasharray="1.5 3"
        />
      )}
      <path
        d={shapeOf(bar, begins, ends, y, height)}
        className={`cursor-grab ${fillOf(bar)} ${picked ? "stroke-secondary" : "stroke-transparent"} group-focus-visible:stroke-secondary`}
        strokeWidth={2}
        {...onTake("bar")}
      />
      {bar.curve !== "linear" && bar.kind !== "up" && bar.kind !== "down" && (
        <path
          d={`M${begins} ${y + height - 6} ${curvePath(bar.curve, begins, ends, y + height - 6, y + 6)}`}
          fill="none"
          className="pointer-events-none stroke-base-100"
          strokeWidth={2}
        />
      )}
      {bar.cut && <line x1={cutAt} x2={cutAt} y1={y + 1} y2={y + height - 1} className="stroke-error" strokeWidth={2} />}
      <rect
        x={ends - 4}
        y={y + 1}
        width={8}
        height={height - 2}
        rx={2}
        className={`cursor-ew-resize ${picked ? "fill-primary" : "fill-transparent"} group-hover:fill-primary`}
        {...onTake("end")}
      />
      {beside !== "" && (
        <text x={ends + 8} y={middle + 4} className="fill-error text-[13px]">
          {beside}
        </text>
      )}
    </g>
  );
}

/** The thread on which a cue hangs: it leaves the one before at its Go or at its end, so that the two follow times look different. */
function LinkThread({
  list,
  row: { link, before },
  scale,
  middle,
  narrow,
  grip,
}: Pick<TimeShapeProps, "list" | "row" | "scale" | "narrow"> & { middle: number; grip: DragHandlers }) {
  if (!before) return null;
  const { trigger } = at(list.cues, link.row);
  const follows = !link.pressed && trigger?.type === "follow";
  const leaves = follows && trigger.from === "go" ? before.start : before.end;
  const [x, to] = [placeOf(scale, leaves), placeOf(scale, link.start)];
  const top = middle - before.rows * ROW;
  return (
    <g>
      <path
        d={`M${x} ${top} V${middle} H${to}`}
        fill="none"
        className="stroke-secondary"
        strokeDasharray={follows ? undefined : "2 4"}
        strokeWidth={1.5}
      />
      {!narrow && (
        <text x={(x + to) / 2} y={middle - 5} textAnchor="middle" className="figures fill-secondary text-[13px]">
          {linkWords(list, link)}
        </text>
      )}
      {follows && <circle cx={to} cy={middle} r={5} className="cursor-ew-resize fill-secondary" {...grip} />}
    </g>
  );
}

const CURVE_POINTS = 16;

/** Levels are wedges that rise or fall along their curve, everything else is a bar that its curve crosses; a move that jumps is a stroke. */
function shapeOf({ kind, curve }: TimeBar, from: number, to: number, y: number, height: number): string {
  const [top, foot] = [y + 4, y + height - 4];
  if (kind !== "up" && kind !== "down") return `M${from} ${top} H${to} V${foot} H${from} Z`;
  const way = curvePath(curve, from, to, kind === "up" ? foot : top, kind === "up" ? top : foot);
  return kind === "up" ? `M${from} ${foot} ${way} V${foot} Z` : `M${from} ${top} ${way} V${foot} H${from} Z`;
}

/** The way of a curve between two points, as lines of a path. */
function curvePath(curve: Curve, from: number, to: number, begins: number, ends: number): string {
  return Array.from({ length: CURVE_POINTS + 1 }, (_, point) => {
    const p = point / CURVE_POINTS;
    return `L${from + p * (to - from)} ${begins + curveAt(curve, p) * (ends - begins)}`;
  }).join(" ");
}

function fillOf({ kind, own }: TimeBar): string {
  if (own) return "fill-(--zm-thread)";
  if (kind === "up") return "fill-base-content";
  return kind === "down" ? "fill-base-content/75" : "fill-primary/70";
}
