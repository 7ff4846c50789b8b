import { floatAt } from "../show/at.ts";
import { cached } from "../show/cached.ts";
import { EMPTY_COLUMN } from "../sheet/column.ts";
import { columnValues } from "../sheet/dense.ts";
import { columnOf, sameValue, valueAt } from "../sheet/entry.ts";
import { type Key, intensityOf } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";

/**
 * A light that comes up at a row with keys that differ from the row before: its mark set and its dark window (docs/rules.md, Marks). Rows
 * throughout.
 * The word is the trade's for a light that is needed; nothing here depends on the stage manager's calls.
 */
export interface Call {
  readonly channel: number;
  readonly row: number;
  /** The rows right before the call in which it is dark; null for the first cue. */
  readonly window: { readonly first: number; readonly last: number } | null;
  /** The ordinals of its mark set. */
  readonly ordinals: readonly number[];
  /** The time that the slowest of them takes to get there, seconds; 0 where no type names a speed. */
  readonly travel: number;
}

let scratch = new Float64Array(0);

/** Room for one key's values, used again and again since thousands of keys are read one after another; nobody keeps it. */
function room(list: ListSheet): Float64Array {
  if (scratch.length !== list.cues.length) scratch = new Float64Array(list.cues.length);
  return scratch;
}

const litByChannel = cached((_list: ListSheet) => new Map<number, Uint8Array>());

/**
 * By row, 1 where a light is lit: an intensity above 0, or for a light without one, any key set. Kept for as long as the list stays the
 * same.
 * One number for each row. Read the whole column where many rows are asked about.
 */
export function litRows(list: ListSheet, channel: number): Uint8Array {
  const known = litByChannel(list);
  const lit = known.get(channel) ?? findLit(list, channel);
  known.set(channel, lit);
  return lit;
}

/** Reads the level of a light down the list, or all its keys where it has no level. */
function findLit(list: ListSheet, channel: number): Uint8Array {
  const lit = new Uint8Array(list.cues.length);
  const intensity = intensityOf(list.keys, channel);
  const keys = intensity ? [intensity] : [...(list.keys.byChannel.get(channel)?.values() ?? [])];
  for (const key of keys) {
    if (columnOf(list, key) === EMPTY_COLUMN) continue;
    const values = columnValues(list, key.ordinal, room(list));
    for (let row = 0; row < lit.length; row += 1) {
      const value = floatAt(values, row);
      if (intensity ? value > 0 : !Number.isNaN(value)) lit[row] = 1;
    }
  }
  return lit;
}

/**
 * True where a light is lit in one row; for those who ask about one row of many lights.
 * Row -1 is before the first cue: nothing is lit.
 */
export function isLitAt(list: ListSheet, channel: number, row: number): boolean {
  const intensity = intensityOf(list.keys, channel);
  if (intensity) return valueAt(list, columnOf(list, intensity), row) > 0;
  return [...(list.keys.byChannel.get(channel)?.values() ?? [])].some((key) => !Number.isNaN(valueAt(list, columnOf(list, key), row)));
}

/**
 * Every call of one light whose mark set is not empty, by row.
 * Empty for a light that always comes up where it stands. Rows rise.
 */
export function callsOf(list: ListSheet, channel: number): Call[] {
  const prepared: Key[] = [];
  for (const key of list.keys.byChannel.get(channel)?.values() ?? []) {
    if (key.attribute.family !== "intensity" && columnOf(list, key) !== EMPTY_COLUMN) prepared.push(key);
  }
  if (prepared.length === 0) return [];
  const rises = risesOf(litRows(list, channel));
  const ordinals = rises.map((): number[] => []);
  const travels = new Float64Array(rises.length);
  const values = room(list);
  for (const key of prepared) {
    columnValues(list, key.ordinal, values);
    // Where the key rests in the rows before `reached`: R(k) of docs/rules.md, Playing.
    let rest = key.attribute.home;
    let reached = 0;
    for (let place = 0; place < rises.length; place += 1) {
      const row = rises[place]?.row ?? 0;
      for (; reached < row; reached += 1) {
        const value = floatAt(values, reached);
        if (!Number.isNaN(value)) rest = value;
      }
      const moved = markedMove(key, row === 0 ? key.attribute.home : floatAt(values, row - 1), floatAt(values, row), rest);
      if (moved < 0) continue;
      ordinals[place]?.push(key.ordinal);
      travels[place] = Math.max(travels[place] ?? 0, moved);
    }
  }
  const calls: Call[] = [];
  rises.forEach(({ row, darkSince }, place) => {
    const own = ordinals[place] ?? [];
    if (own.length > 0)
      calls.push({
        channel,
        row,
        window: row === 0 ? null : { first: darkSince, last: row - 1 },
        ordinals: own,
        travel: travels[place] ?? 0,
      });
  });
  return calls;
}

/** A row in which a light comes up, and the first row of the darkness before it. */
interface Rise {
  readonly row: number;
  readonly darkSince: number;
}

/** Every row in which a light comes up out of the dark, with where that darkness began. */
function risesOf(lit: Uint8Array): Rise[] {
  const rises: Rise[] = [];
  let darkSince = 0;
  for (let row = 0; row < lit.length; row += 1) {
    if (lit[row] === 0) continue;
    if (row === 0 || lit[row - 1] === 0) rises.push({ row, darkSince });
    darkSince = row + 1;
  }
  return rises;
}

/** The time that a key of a called light takes from the look before, where it is unset there from where it rests, seconds; below 0 when it is not in the mark set. */
function markedMove({ attribute: { speed } }: Key, before: number, to: number, rest: number): number {
  if (Number.isNaN(to) || sameValue(before, to)) return -1;
  return speed === undefined ? 0 : Math.abs(to - (Number.isNaN(before) ? rest : before)) / speed;
}
