import { append } from "../show/append.ts";
import { CarriedCache, union } from "../show/carriedCache.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { sameData } from "../show/sameData.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type Call, callsOf } from "./calls.ts";
import { type Mark, markOf } from "./mark.ts";

/** The calls and marks of a list, light by light. */
interface ListMarks {
  readonly calls: ReadonlyMap<number, readonly Call[]>;
  readonly marks: ReadonlyMap<number, readonly Mark[]>;
  /** All marks by the row of the call, then by channel; made when they are first wanted. */
  sorted: readonly Mark[] | undefined;
}

const cache = new CarriedCache<ListSheet, ListMarks, ReadonlySet<number>>({ make: everyMark, renew: renewMarks, merge: union });

/**
 * The marks of every light, by the row of the call; kept for as long as the list stays the same.
 * Lights without any call are not in the map. An edit recomputes only the lights that it touches.
 */
export function marksByChannel(list: ListSheet): ReadonlyMap<number, readonly Mark[]> {
  return cache.get(list).marks;
}

/**
 * Every mark of a list, by the row of the call, then by channel.
 * Computed from `marksByChannel` and kept with it.
 */
export function sortedMarks(list: ListSheet): readonly Mark[] {
  const known = cache.get(list);
  known.sorted ??= [...known.marks.values()].flat().sort(inOrder);
  return known.sorted;
}

/**
 * Lets the marks of a list serve the next one, whose rows are the same and of whose lights only `touched` hold other moves.
 * `touched` holds channel numbers. Nothing is carried where the marks of the list before were never asked for.
 */
export function carryMarks(before: ListSheet, after: ListSheet, touched: ReadonlySet<number>): void {
  cache.carry(before, after, touched);
}

/** The order of marks: by the row of the call, then by channel. */
function inOrder(a: Mark, b: Mark): number {
  return a.calledAt - b.calledAt || a.channel - b.channel;
}

/** Computes calls and marks of every light from nothing. */
function everyMark(list: ListSheet): ListMarks {
  return runToEnd(everyMarkInSlices(list));
}

/** As `everyMark`; pauses after each light. */
function* everyMarkInSlices(list: ListSheet): Generator<undefined, ListMarks> {
  const calls = new Map<number, readonly Call[]>();
  for (const channel of list.keys.byChannel.keys()) {
    calls.set(channel, callsOf(list, channel));
    yield;
  }
  return { calls, marks: marked(list, calls), sorted: undefined };
}

/**
 * Computes the marks of a list, so that they are there when they are asked for; pauses after each light.
 * A large list takes some tens of milliseconds, which a window has not at once. Nothing is computed where they are known.
 */
export function* marksInSlices(list: ListSheet): Generator<undefined, void> {
  if (!cache.has(list)) cache.keep(list, yield* everyMarkInSlices(list));
}

/** The marks that the settings make of these calls. */
function marked(list: ListSheet, calls: ReadonlyMap<number, readonly Call[]>): Map<number, readonly Mark[]> {
  return new Map([...calls].map(([channel, own]) => [channel, own.map((call) => markOf(list, call))]));
}

/** Recomputes the lights whose moves have changed, or of whose marks a cue says something else; all of them where the list does. */
function renewMarks(list: ListSheet, base: ListSheet, known: ListMarks, touched: ReadonlySet<number>): ListMarks {
  const calls = new Map(known.calls);
  for (const channel of touched) calls.set(channel, callsOf(list, channel));
  if (!sameData(base.list.marks, list.list.marks)) return { calls, marks: marked(list, calls), sorted: undefined };
  const rows = setAnew(base, list);
  const isSetAnew = (own: readonly Call[]): boolean => rows.size > 0 && own.some(({ row }) => rows.has(row));
  const channels = new Set(touched);
  for (const [channel, own] of calls) if (isSetAnew(own)) channels.add(channel);
  const marks = new Map(known.marks);
  const anew: Mark[] = [];
  for (const channel of channels) {
    const own = (calls.get(channel) ?? []).map((call) => markOf(list, call));
    marks.set(channel, own);
    append(anew, own);
  }
  return { calls, marks, sorted: known.sorted && replaced(known.sorted, channels, anew) };
}

/** A sorted row of marks with those of some lights replaced. */
function replaced(sorted: readonly Mark[], channels: ReadonlySet<number>, anew: Mark[]): Mark[] {
  anew.sort(inOrder);
  const all: Mark[] = [];
  let next = 0;
  for (const mark of sorted) {
    if (channels.has(mark.channel)) continue;
    for (let own = anew[next]; own && inOrder(own, mark) < 0; own = anew[next]) {
      all.push(own);
      next += 1;
    }
    all.push(mark);
  }
  for (const own of anew.slice(next)) all.push(own);
  return all;
}

/** The rows whose cue says something else of its marks than before; a light that is called in none of them keeps its marks. */
function setAnew(before: ListSheet, after: ListSheet): Set<number> {
  const rows = new Set<number>();
  after.cues.forEach((cue, row) => {
    const old = before.cues[row];
    if (cue !== old && !sameData(cue.mark, old?.mark)) rows.add(row);
  });
  return rows;
}

/**
 * True when two rows of marks come at the same rows with the same times.
 * Undefined stands for a light without marks and equals an empty row of them.
 */
export function sameMarks(a: readonly Mark[] | undefined, b: readonly Mark[] | undefined): boolean {
  if (a === b) return true;
  if (a?.length !== b?.length) return false;
  return (a ?? []).every((mark, index) => {
    const other = b?.[index];
    return other?.calledAt === mark.calledAt && other.markAt === mark.markAt && sameKeys(mark, other);
  });
}

/** True when two marks move the same keys. */
function sameKeys(a: Mark, b: Mark): boolean {
  return a.ordinals.length === b.ordinals.length && a.ordinals.every((ordinal, index) => b.ordinals[index] === ordinal);
}
