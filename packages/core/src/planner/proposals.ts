// A place for every mark: enough time first, then not in a quiet line, then late, then few lights at once. What it weighed is told with each.
import type { EditInput } from "../edit/index.ts";
import { at } from "../show/at.ts";
import type { Show } from "../show/schema.ts";
import { groupBy } from "../show/groupBy.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import type { Mark } from "../marks/mark.ts";
import { withLightMarks } from "../marks/lightMarks.ts";
import { markReason } from "../marks/reason.ts";
import { marksOf } from "../marks/marks.ts";
import { type KnownTime, type MeasuredTimes, expectedTimes } from "../script/expected.ts";
import { quietSeconds } from "../script/scriptTime.ts";
import { type MarkTime, fadeOutTime, markTimes } from "./plan.ts";
import { PLAN_WEIGHTS, type PlanWeights } from "./weights.ts";

/** So many rows of a dark window are weighed: the last ones, before a light is called, and its first. */
const MOST_ROWS = 24;

/** What a place for a mark costs, by what it is weighed for. */
export type MarkCost = Readonly<Record<keyof PlanWeights, number>>;

/** One place that was weighed. Rows count from 0. */
export interface WeighedPlace {
  readonly row: number;
  readonly time: KnownTime | null;
  readonly cost: MarkCost;
  readonly total: number;
}

/** Where a mark is now, where it had better be, and what was weighed. */
export interface MarkProposal {
  readonly mark: Mark;
  /** The best place; null for a light that is to move live, or has no dark window. */
  readonly best: WeighedPlace | null;
  /** What its place now costs; null where it has none. */
  readonly now: WeighedPlace | null;
  /** True where it had better be elsewhere. */
  readonly moves: boolean;
  /** Seconds that even the best place is short of, with what easing costs: what a way out has to bring. */
  readonly short: number;
  /** True for a light that is late even at the best place: nothing but a way out helps it. */
  readonly isLate: boolean;
  /** True where the cue says itself where the light is prepared: it stays there, unless a plan may move such marks too. */
  readonly pinned: boolean;
}

/** A place for each mark of a list, and the edits that put those there which had better be elsewhere: one gesture, one undo. */
export interface MarkPlan {
  readonly proposals: readonly MarkProposal[];
  readonly edits: readonly EditInput[];
  /** By row: how many lights would move in the gap behind it. */
  readonly crowd: Int32Array;
}

/** What a plan is made with beside the list: the script, what was measured, the weights, and which lights it may move (left out: all). */
export interface PlanWish {
  readonly script: Show["script"];
  readonly measured?: MeasuredTimes | undefined;
  readonly weights?: PlanWeights | undefined;
  readonly rows?: { readonly first: number; readonly last: number } | undefined;
  /** Also marks that a cue places itself, by hand or by its own policy. */
  readonly pinnedToo?: boolean | undefined;
}

/**
 * Proposes a place for each mark of a list. A light that a cue moves live by its own setting stays live. Marks with the least choice choose first, so that the others
 * make room for them. Costs a few microseconds for each row of each dark window.
 */
export function proposePlan(list: ListSheet, { script, measured, weights = PLAN_WEIGHTS, rows, pinnedToo = false }: PlanWish): MarkPlan {
  const crowd = new Int32Array(list.cues.length);
  const scale = new Scale(list, script, markTimes(list, script, measured), weights, crowd);
  const all = marksOf(list).filter(({ calledAt }) => !rows || (calledAt >= rows.first && calledAt <= rows.last));
  const chosen = new Map<Mark, WeighedPlace>();
  const isPinned = (mark: Mark): boolean => !pinnedToo && isPlaced(list, mark);
  const free = all.filter((mark) => mark.window && !isLiveByChoice(list, mark) && !isPinned(mark));
  for (const { markAt } of all.filter(isPinned)) if (markAt !== null) crowd[markAt] = (crowd[markAt] ?? 0) + 1;
  for (const mark of [...free].sort((a, b) => choiceOf(a) - choiceOf(b) || a.calledAt - b.calledAt || a.channel - b.channel)) {
    const best = scale.bestFor(mark);
    chosen.set(mark, best);
    crowd[best.row] = (crowd[best.row] ?? 0) + 1;
  }
  const proposals = all.map((mark): MarkProposal => {
    const best = chosen.get(mark) ?? null;
    const now = mark.markAt === null || !mark.window ? null : scale.weigh(mark, mark.markAt);
    const moves = best !== null && best.row !== mark.markAt && (now === null || best.total < now.total);
    const there = moves ? best : (now ?? best);
    const isLate = there !== null && there.time !== null && there.time.seconds < mark.needed - 1e-9;
    return { mark, best, now, moves, short: there ? shortOf(mark, there.time) : 0, isLate, pinned: isPinned(mark) };
  });
  return {
    proposals,
    edits: editsFor(
      list,
      proposals.filter(({ moves }) => moves),
    ),
    crowd,
  };
}

/** Weighs places against one another, with the lights that have a place already. */
class Scale {
  private readonly expected: (number | null)[];

  constructor(
    private readonly list: ListSheet,
    private readonly script: Show["script"],
    private readonly timeFor: MarkTime,
    private readonly weights: PlanWeights,
    private readonly crowd: Int32Array,
  ) {
    this.expected = expectedTimes(list, script);
  }

  /** The place with the least cost; of two alike the later. */
  bestFor(mark: Mark): WeighedPlace {
    const [first, ...others] = rowsOf(mark).map((row) => this.weigh(mark, row));
    if (!first) throw new RangeError(`light ${mark.channel} has no dark window`);
    return others.reduce((best, each) => (each.total < best.total - 1e-9 ? each : best), first);
  }

  weigh(mark: Mark, row: number): WeighedPlace {
    const time = this.timeFor(mark, row);
    const { weights } = this;
    const cost: MarkCost = {
      short: weights.short * shortOf(mark, time),
      unknown: time === null ? weights.unknown : 0,
      quiet: weights.quiet * this.quietFor(mark, row),
      early: weights.early * (mark.calledAt - 1 - row),
      crowd: weights.crowd * Math.max(0, (this.crowd[row] ?? 0) - (row === mark.markAt ? 1 : 0)),
    };
    return { row, time, cost, total: Object.values(cost).reduce((sum, each) => sum + each, 0) };
  }

  /** For how long the light would move during a quiet line, seconds; 0 where nobody knows when it would. */
  private quietFor(mark: Mark, row: number): number {
    const go = this.expected[row];
    if (go === null || go === undefined || !mark.window) return 0;
    const dark = mark.window.first === row && row > 0 ? fadeOutTime(this.list, mark.channel, row) : 0;
    const start = go + dark + mark.delay;
    return quietSeconds(this.script, start, start + mark.needed - mark.delay);
  }
}

/** The rows that are weighed for a mark, the latest first. */
function rowsOf({ window }: Mark): number[] {
  if (!window) return [];
  const rows: number[] = [];
  for (let row = window.last; row >= window.first && rows.length < MOST_ROWS; row -= 1) rows.push(row);
  if (!rows.includes(window.first)) rows.push(window.first);
  return rows;
}

/** How many rows a mark has to choose from. */
function choiceOf({ window }: Mark): number {
  return window ? window.last - window.first + 1 : 0;
}

function shortOf(mark: Mark, time: KnownTime | null): number {
  return time === null ? 0 : Math.max(0, arrival(mark) - time.seconds);
}

/** A light that eases in and out at its own greatest speed comes so much later than at that speed all the way: it is slow at first and cannot make up for it. */
const EASING = 0.1;

/**
 * How long after its start a mark is really done, seconds: what it needs (docs/rules.md, Marks), and where its lights go as fast as they can, what the easing costs them.
 * A plan asks for this much, so that nothing is seen; Check reports what is short of the need alone.
 */
export function arrival({ needed, delay, fade }: Pick<Mark, "needed" | "delay" | "fade">): number {
  const travels = needed - delay;
  return fade >= travels ? needed : needed + EASING * travels;
}

/**
 * True for a mark that its cue places itself, for this light or for all: by hand, or by a policy of its own. One that names a cue in which the light is lit is none.
 * A plan leaves it where it is, unless it is told otherwise.
 */
export function isPlaced(list: ListSheet, mark: Mark): boolean {
  return mark.strayCue === null && markReason(list, mark).said !== "list";
}

/** True for a light that the cue itself says moves live. */
function isLiveByChoice(list: ListSheet, { calledAt, channel, markAt, strayCue }: Mark): boolean {
  const own = at(list.cues, calledAt).mark?.channels?.[channel];
  return own?.view ?? (own?.at === undefined && markAt === null && strayCue === null);
}

/** The edits that make cues say where their lights are prepared. */
function editsFor(list: ListSheet, moved: readonly MarkProposal[]): EditInput[] {
  return [...groupBy(moved, ({ mark }) => mark.calledAt)].map(([row, own]): EditInput => {
    const cue = cueAt(list, row);
    const placed = own.flatMap(({ mark, best }) => (best ? [[mark.channel, { at: cueAt(list, best.row).number }] as const] : []));
    return { op: "setCue", list: list.id, from: cue.number, to: cue.number, mark: withLightMarks(cue.mark, placed) };
  });
}

/**
 * The edit that puts one mark at a row of its window, or lets its light move live (null).
 * Everything else that the cue says of its marks stays.
 */
export function placeMark(list: ListSheet, { calledAt, channel }: Pick<Mark, "calledAt" | "channel">, row: number | null): EditInput {
  const cue = cueAt(list, calledAt);
  const own = row === null ? { view: true as const } : { at: cueAt(list, row).number };
  return { op: "setCue", list: list.id, from: cue.number, to: cue.number, mark: withLightMarks(cue.mark, [[channel, own]]) };
}
