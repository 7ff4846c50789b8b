import { sameData } from "../show/sameData.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type Call, callsOf } from "./calls.ts";
import { type Mark, markOf } from "./mark.ts";

/** The calls and marks of a list, light by light. */
interface Kept {
  readonly calls: ReadonlyMap<number, readonly Call[]>;
  readonly marks: ReadonlyMap<number, readonly Mark[]>;
}

const kept = new WeakMap<ListSheet, Kept>();

/** The marks of every light, by the row of the call; kept for as long as the list stays the same. */
export function marksByChannel(list: ListSheet): ReadonlyMap<number, readonly Mark[]> {
  const known = kept.get(list) ?? everyMark(list);
  kept.set(list, known);
  return known.marks;
}

function everyMark(list: ListSheet): Kept {
  const calls = new Map([...list.keys.byChannel.keys()].map((channel) => [channel, callsOf(list, channel)]));
  return { calls, marks: marked(list, calls) };
}

function marked(list: ListSheet, calls: ReadonlyMap<number, readonly Call[]>): Map<number, readonly Mark[]> {
  return new Map([...calls].map(([channel, own]) => [channel, own.map((call) => markOf(list, call))]));
}

/**
 * Lets the marks of a list serve the next one, whose rows are the same and of whose lights only `touched` hold other moves.
 * Gives back the lights whose marks may have changed, or null when nothing was kept.
 */
export function carryMarks(before: ListSheet, after: ListSheet, touched: ReadonlySet<number>): ReadonlySet<number> | null {
  const known = kept.get(before);
  if (!known) return null;
  const calls = new Map(known.calls);
  for (const channel of touched) calls.set(channel, callsOf(after, channel));
  if (!sameSettings(before, after)) {
    kept.set(after, { calls, marks: marked(after, calls) });
    return new Set(calls.keys());
  }
  const marks = new Map(known.marks);
  for (const channel of touched)
    marks.set(
      channel,
      (calls.get(channel) ?? []).map((call) => markOf(after, call)),
    );
  kept.set(after, { calls, marks });
  return touched;
}

function sameSettings(before: ListSheet, after: ListSheet): boolean {
  if (!sameData(before.list.marks, after.list.marks)) return false;
  return before.cues.every((cue, row) => cue === after.cues[row] || sameData(cue.mark, after.cues[row]?.mark));
}

/** True when two rows of marks come at the same rows with the same times. */
export function sameMarks(a: readonly Mark[] | undefined, b: readonly Mark[] | undefined): boolean {
  if (a === b) return true;
  if (a?.length !== b?.length) return false;
  return (a ?? []).every((mark, index) => {
    const other = b?.[index];
    return other?.calledAt === mark.calledAt && other.markAt === mark.markAt && sameKeys(mark, other);
  });
}

function sameKeys(a: Mark, b: Mark): boolean {
  return a.keys.length === b.keys.length && a.keys.every(({ key }, index) => b.keys[index]?.key === key);
}
