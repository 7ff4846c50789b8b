import { EMPTY_COLUMN } from "../sheet/column.ts";
import { columnValues } from "../sheet/dense.ts";
import { columnOf, sameValue, valueAt } from "../sheet/entry.ts";
import { type Key, intensityOf } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";

/** One key of a light that comes up somewhere new. */
export interface CalledKey {
  readonly key: Key;
  readonly from: number;
  readonly to: number;
  /** The time it takes to get there, seconds; 0 where its type names no speed. */
  readonly travel: number;
}

/** A light that comes up at a row with keys that differ from the row before: its mark set and its dark window (SEMANTICS section 5). Rows throughout. */
export interface Call {
  readonly channel: number;
  readonly row: number;
  /** The rows right before the call in which it is dark; null for the first cue. */
  readonly window: { readonly first: number; readonly last: number } | null;
  readonly keys: readonly CalledKey[];
}

/** The rows in which a light is lit: an intensity above 0, or for a light without one, any key set. */
export function litRows(list: ListSheet, channel: number): Uint8Array {
  const lit = new Uint8Array(list.cues.length);
  const intensity = intensityOf(list.keys, channel);
  const keys = intensity ? [intensity] : [...(list.keys.byChannel.get(channel)?.values() ?? [])];
  for (const key of keys) {
    if (columnOf(list, key) === EMPTY_COLUMN) continue;
    const values = columnValues(list, key.ordinal);
    for (let row = 0; row < lit.length; row += 1) {
      const value = values[row] ?? Number.NaN;
      if (intensity ? value > 0 : !Number.isNaN(value)) lit[row] = 1;
    }
  }
  return lit;
}

/** Every call of one light whose mark set is not empty, by row. */
export function callsOf(list: ListSheet, channel: number): Call[] {
  const prepared = [...(list.keys.byChannel.get(channel)?.values() ?? [])].filter((key) => key.attribute.family !== "intensity");
  if (!prepared.some((key) => columnOf(list, key) !== EMPTY_COLUMN)) return [];
  const lit = litRows(list, channel);
  const calls: Call[] = [];
  let darkSince = 0;
  for (let row = 0; row < lit.length; row += 1) {
    if (lit[row] === 0) continue;
    if (row === 0 || lit[row - 1] === 0) {
      const keys = calledKeys(list, prepared, row);
      if (keys.length > 0) calls.push({ channel, row, window: row === 0 ? null : { first: darkSince, last: row - 1 }, keys });
    }
    darkSince = row + 1;
  }
  return calls;
}

function calledKeys(list: ListSheet, keys: readonly Key[], row: number): CalledKey[] {
  const called: CalledKey[] = [];
  for (const key of keys) {
    const column = columnOf(list, key);
    const { home, speed } = key.attribute;
    const to = valueAt(list, column, row);
    if (Number.isNaN(to)) continue;
    const before = row === 0 ? home : valueAt(list, column, row - 1);
    if (sameValue(before, to)) continue;
    const from = Number.isNaN(before) ? home : before;
    called.push({ key, from, to, travel: speed === undefined ? 0 : Math.abs(to - from) / speed });
  }
  return called;
}
