import { append } from "../show/append.ts";
import { at } from "../show/at.ts";
import { moveTiming } from "../show/move.ts";
import type { Curve } from "../show/schema.ts";
import { groupBy } from "../show/groupBy.ts";
import type { Key } from "../sheet/keys.ts";
import { entryAt } from "../sheet/entry.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type ChainLink, chainFrom } from "./chain.ts";
import { type CutFade, cutFades } from "./cutFades.ts";
import { type Run, transitionOf } from "./transition.ts";

/**
 * The kinds of moves that have times of their own in a part: levels that rise, levels that fall, and the other families.
 * In the order in which they are drawn.
 */
export const BAR_KINDS = ["up", "down", "position", "colour", "beam"] as const;
/**
 * What the moves of a bar are: levels up, levels down, or one of the other families.
 * A bar of levels is drawn as a wedge.
 */
export type BarKind = (typeof BAR_KINDS)[number];

/**
 * Moves of one cue that begin and end together, as one bar over time. Seconds from the Go of the cue.
 * What is drawn in the Times drawer, and dragged there at its ends.
 */
export interface TimeBar {
  readonly row: number;
  readonly part: number;
  readonly kind: BarKind;
  /** The attributes of moves with times of their own; undefined where the bar is a time of the part. */
  readonly own: readonly string[] | undefined;
  /** The lights that move in it, rising. */
  readonly channels: readonly number[];
  readonly delay: number;
  readonly fade: number;
  readonly curve: Curve;
  /** The first cue of the chain that takes some of its lights away before the end, and after how much of the fade. */
  readonly cut: { readonly row: number; readonly after: number; readonly lights: number } | undefined;
}

/**
 * One cue on a line of time: a chain link, and whether somebody presses Go for it.
 * `start` is counted from the left end of the drawing.
 */
export interface DrawnLink extends ChainLink {
  readonly pressed: boolean;
}

/**
 * The cues of rows first to last on one line of time, seconds: what follows by itself stands where the chain puts it. How long a Go is
 * waited for is not known; a cue that waits for one begins `gap` seconds after all before it is complete.
 * Pressed cues in the middle are drawn as if somebody pressed at once when all before them was over.
 */
export function linksOver(list: ListSheet, first: number, last: number, gap: number): DrawnLink[] {
  const links: DrawnLink[] = [];
  let offset = 0;
  for (let row = first; row <= last;) {
    const chain = chainFrom(list, row).filter((link) => link.row <= last);
    append(
      links,
      chain.map((link) => ({ ...link, start: link.start + offset, pressed: link.row === row })),
    );
    offset = gap + endOfLinks(links);
    row += Math.max(1, chain.length);
  }
  return links;
}

/**
 * When all that stands on a line of time is complete, seconds; 0 where nothing stands there.
 * The width of a drawing.
 */
export function endOfLinks(links: readonly ChainLink[]): number {
  return Math.max(0, ...links.map(({ start, duration }) => start + duration));
}

/**
 * The bars of cues on a line of time, cue by cue, each in the order of its parts, kinds and own times (docs/rules.md, Times and Playing).
 * Keys that a mark has prepared are in no bar: they do not move then.
 */
export function timeBars(list: ListSheet, links: readonly ChainLink[]): TimeBar[] {
  const transitions = links.map(({ row }) => transitionOf(list, row));
  const cut = groupBy(cutFades(list, links, transitions), ({ row }) => row);
  return links.flatMap(({ row }, place) =>
    barsOf(list, row, at(transitions, place).runs, new Map((cut.get(row) ?? []).map((each) => [each.key, each]))),
  );
}

function barsOf(list: ListSheet, row: number, runs: readonly Run[], cut: ReadonlyMap<Key, CutFade>): TimeBar[] {
  const groups = new Map<string, { own: boolean; kind: BarKind; runs: Run[] }>();
  for (const run of runs) {
    const own = hasOwnTimes(list, run, row);
    const kind = kindOf(run);
    const name = own ? `${run.part} ${kind} ${run.delay} ${run.fade}` : `${run.part} ${kind}`;
    const group = groups.get(name);
    if (group) group.runs.push(run);
    else groups.set(name, { own, kind, runs: [run] });
  }
  return [...groups.values()].map(({ own, kind, runs: together }) => barOf(row, { own, kind, runs: together }, cut)).sort(byPlace);
}

function barOf(
  row: number,
  { own, kind, runs }: { own: boolean; kind: BarKind; runs: readonly Run[] },
  cut: ReadonlyMap<Key, CutFade>,
): TimeBar {
  const longest = runs.reduce((most, run) => (run.delay + run.fade > most.delay + most.fade ? run : most));
  const { part, delay, fade, curve } = longest;
  return {
    row,
    part,
    kind,
    own: own ? [...new Set(runs.map(({ key }) => key.attribute.id))] : undefined,
    channels: [...new Set(runs.map(({ key }) => key.channel))].sort((a, b) => a - b),
    delay,
    fade,
    curve,
    cut: firstCut(runs, cut),
  };
}

/** Where the first of some runs loses its key to a later cue, and how many lights do. */
function firstCut(runs: readonly Run[], cut: ReadonlyMap<Key, CutFade>): TimeBar["cut"] {
  const own = runs.flatMap(({ key }) => cut.get(key) ?? []);
  const [first] = own.toSorted((a, b) => a.after - b.after);
  return first && { row: first.by, after: first.after, lights: new Set(own.map(({ key }) => key.channel)).size };
}

function kindOf({ key, from, to }: Run): BarKind {
  const { family } = key.attribute;
  if (family !== "intensity") return family;
  return to >= from ? "up" : "down";
}

function hasOwnTimes(list: ListSheet, { key, cause }: Run, row: number): boolean {
  const { spec } = entryAt(list, key, row);
  if (cause !== "explicit" || spec === undefined) return false;
  const timing = moveTiming(spec);
  return timing.fade !== undefined || timing.delay !== undefined;
}

function byPlace(a: TimeBar, b: TimeBar): number {
  const own = (bar: TimeBar): number => (bar.own ? 1 : 0);
  return (
    a.part - b.part || own(a) - own(b) || BAR_KINDS.indexOf(a.kind) - BAR_KINDS.indexOf(b.kind) || a.delay - b.delay || a.fade - b.fade
  );
}
