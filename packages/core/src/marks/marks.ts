import type { Cue } from "../show/schema.ts";
import type { Key } from "../sheet/keys.ts";
import { intensityOf } from "../sheet/keys.ts";
import { sameValue } from "../sheet/look.ts";
import { type ListSheet, findRow } from "../sheet/sheet.ts";
import { traceOf } from "../sheet/trace.ts";

/** One key that is prepared in the dark: where it moves, and how long that takes in seconds. */
export interface MarkedKey {
  readonly key: Key;
  readonly from: number;
  readonly to: number;
  readonly fade: number;
}

/** A light that comes up somewhere new, and the cue in which it moves there in the dark (SEMANTICS section 5). Rows throughout. */
export interface Mark {
  readonly channel: number;
  readonly calledAt: number;
  /** The rows right before the call in which it is dark; null for the first cue. */
  readonly window: { readonly first: number; readonly last: number } | null;
  /** The row in which it is made; null when the light moves live. */
  readonly markAt: number | null;
  readonly keys: readonly MarkedKey[];
  readonly delay: number;
}

const known = new WeakMap<ListSheet, readonly Mark[]>();

/** Every mark of a list, by the row of the call, then by channel; kept for as long as the list stays the same. */
export function marksOf(list: ListSheet): readonly Mark[] {
  const marks = known.get(list) ?? findMarks(list);
  known.set(list, marks);
  return marks;
}

/** The marks that are made when this row is fired in its order. */
export function marksMadeAt(list: ListSheet, row: number): Mark[] {
  return marksOf(list).filter((mark) => mark.markAt === row);
}

/** The marks that are made when the list goes to this row out of its order: all whose window it lands in after their own cue. */
export function marksMadeByGoto(list: ListSheet, row: number): Mark[] {
  return marksOf(list).filter((mark) => mark.markAt !== null && mark.markAt <= row && row < mark.calledAt);
}

/** By key ordinal, where a mark holds the keys that are out of a row's transition. */
export function markedInto(list: ListSheet, row: number): Map<number, number> {
  const held = new Map<number, number>();
  for (const mark of marksOf(list)) {
    if (mark.markAt === null || row <= mark.markAt || row > mark.calledAt) continue;
    for (const { key, to } of mark.keys) held.set(key.ordinal, to);
  }
  return held;
}

function findMarks(list: ListSheet): Mark[] {
  const marks = [...list.keys.byChannel.keys()].flatMap((channel) => marksOfChannel(list, channel));
  return marks.sort((a, b) => a.calledAt - b.calledAt || a.channel - b.channel);
}

function marksOfChannel(list: ListSheet, channel: number): Mark[] {
  const keys = [...(list.keys.byChannel.get(channel)?.values() ?? [])];
  const prepared = keys.filter((key) => key.attribute.family !== "intensity");
  if (!prepared.some((key) => (list.columns[key.ordinal]?.rows.length ?? 0) > 0)) return [];
  const isLit = litRows(list, channel, keys);
  const marks: Mark[] = [];
  let darkSince = 0;
  list.cues.forEach((cue, row) => {
    if (!isLit(row)) return;
    if (row === 0 || !isLit(row - 1)) {
      const moved = movedKeys(list, prepared, row, cue);
      const window = row === 0 ? null : { first: darkSince, last: row - 1 };
      if (moved.length > 0)
        marks.push({
          channel,
          calledAt: row,
          window,
          markAt: markRow(list, cue, channel, window),
          keys: moved,
          delay: cue.mark?.delay ?? 0,
        });
    }
    darkSince = row + 1;
  });
  return marks;
}

function litRows(list: ListSheet, channel: number, keys: readonly Key[]): (row: number) => boolean {
  const intensity = intensityOf(list.keys, channel);
  if (intensity) {
    const { values } = traceOf(list, intensity);
    return (row) => (values[row] ?? 0) > 0;
  }
  return (row) => keys.some((key) => !Number.isNaN(traceOf(list, key).values[row] ?? Number.NaN));
}

function movedKeys(list: ListSheet, keys: readonly Key[], row: number, cue: Cue): MarkedKey[] {
  const asked = cue.mark?.fade ?? list.list.marks?.fade ?? 0;
  return keys.flatMap((key): MarkedKey[] => {
    const { values } = traceOf(list, key);
    const to = values[row] ?? Number.NaN;
    const before = row === 0 ? key.attribute.home : (values[row - 1] ?? Number.NaN);
    if (Number.isNaN(to) || sameValue(before, to)) return [];
    const from = Number.isNaN(before) ? key.attribute.home : before;
    const travel = key.attribute.speed === undefined ? 0 : Math.abs(to - from) / key.attribute.speed;
    return [{ key, from, to, fade: Math.max(asked, travel) }];
  });
}

/** The mark cue's row; null where the light moves live, be it asked for or because the named cue lies outside the dark window. */
function markRow(list: ListSheet, cue: Cue, channel: number, window: Mark["window"]): number | null {
  if (!window) return null;
  const own = cue.mark?.channels?.[channel];
  if (own && "live" in own) return null;
  const at = own?.at ?? cue.mark?.at;
  if (at !== undefined) {
    const row = findRow(list, at);
    return row >= window.first && row <= window.last ? row : null;
  }
  const policy = cue.mark?.policy ?? list.list.marks?.policy ?? "late";
  if (policy === "live") return null;
  return policy === "early" ? window.first : window.last;
}

/** True while a light is dark from the list's very first cue on, so that it need not fade out before its mark. */
export function neverLitBefore(mark: Mark): boolean {
  return mark.window?.first === 0;
}
