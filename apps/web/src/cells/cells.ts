import {
  type Curve,
  type Key,
  type ListSheet,
  type Thread,
  at,
  cached,
  columnOf,
  entryAt,
  intensityOf,
  isRelease,
  lightColour,
  moveIndexAt,
  paletteOf,
  sameValue,
  slotName,
  storesWave,
  threadsOf,
  traceOf,
  wavesOf,
  valueWords,
} from "@zm/core";
import { timesOfKeys } from "./cellTimes.ts";
import type { Lens } from "../choice/sheetView.ts";

/** How a move is drawn: a triangle on its base, on its point, a square, or an open ring. */
export type Shape = "rise" | "fall" | "square" | "ring";

/** One move as the sheet draws it. */
export interface CellMark {
  readonly shape: Shape;
  /** It changes nothing: drawn hollow. */
  readonly hollow: boolean;
  readonly text: string;
  /** It says nothing of its own: the text stands back. */
  readonly quiet?: boolean;
  /** When it begins and ends, seconds after the Go, where the cell shows times. */
  readonly bar?: { readonly delay: number; readonly end: number; readonly curve: Curve | null };
}

/** The keys of a light that a lens shows. */
export function lensKeys(list: ListSheet, channel: number, lens: Lens): Key[] {
  if (lens === "intensity") {
    const key = intensityOf(list.keys, channel);
    return key ? [key] : [];
  }
  const all = [...(list.keys.byChannel.get(channel)?.values() ?? [])];
  return lens === "times" ? all : all.filter((key) => key.attribute.family === lens);
}

/** A column of the sheet: a light, or one attribute of an opened light. */
export interface ColumnOfLight {
  readonly channel: number;
  readonly attribute?: string;
}

/** The keys that a column shows through a lens. */
export function columnKeys(list: ListSheet, { channel, attribute }: ColumnOfLight, lens: Lens): Key[] {
  if (attribute === undefined) return lensKeys(list, channel, lens);
  const key = list.keys.byChannel.get(channel)?.get(attribute);
  return key ? [key] : [];
}

/** The lens through which a column is drawn: an attribute by itself as its own family, all others as the sheet is. */
export function columnLens(keys: readonly Key[], { attribute }: Pick<ColumnOfLight, "attribute">, lens: Lens): Lens {
  return attribute === undefined || lens === "times" ? lens : (keys[0]?.attribute.family ?? lens);
}

/** The move that a cell stores, or null; several keys of one light count as one move. */
export function markAt(list: ListSheet, keys: readonly Key[], row: number, lens: Lens): CellMark | null {
  const moved = keys.filter((key) => moveIndexAt(columnOf(list, key), row) >= 0);
  const first = moved[0];
  if (!first) return null;
  const entry = entryAt(list, first, row);
  const before = (key: Key): number => (row > 0 ? valueIn(list, key, row - 1) : Number.NaN);
  const hollow = moved.every((key) => sameValue(before(key), entryAt(list, key, row).value));
  if (lens === "times") {
    const times = timesOfKeys(list, keys, row);
    const bar = times && { delay: times.delay, end: times.end, curve: times.curve };
    return { shape: "square", hollow, text: times?.text ?? "", quiet: times?.own !== true, ...(bar ? { bar } : {}) };
  }
  if (entry.spec !== undefined && isRelease(entry.spec)) return { shape: "ring", hollow: true, text: "" };
  if (lens !== "intensity") return { shape: "square", hollow, text: familyText(list, keys, moved, row, lens) };
  const from = Number.isNaN(before(first)) ? 0 : before(first);
  const shape = hollow ? "square" : entry.value > from ? "rise" : entry.value < from ? "fall" : "square";
  return { shape, hollow, text: valueText(entry.value) };
}

/** What a cell shows without storing it, as text; empty where nothing is set. */
export function trackedText(list: ListSheet, keys: readonly Key[], row: number, lens: Lens): string {
  if (lens === "times") return "";
  const set = keys.filter((key) => !Number.isNaN(valueIn(list, key, row)));
  const first = set[0];
  if (!first) return "";
  return lens === "intensity" ? valueText(valueIn(list, first, row)) : familyText(list, set, set, row, lens);
}

/** What a cell says of waves itself: "∿ 30", "∿ stop"; undefined where it says nothing of them. */
export function waveText(list: ListSheet, keys: readonly Key[], row: number): string | undefined {
  const key = keys.find((each) => storesWave(list, each, row));
  if (!key) return undefined;
  const wave = wavesOf(list).get(key)?.[row]?.wave;
  return wave ? `∿ ${valueText(wave.size)}` : "∿ stop";
}

/** What sways in a cell, stored there or tracking in; undefined where nothing does. */
export function swayText(list: ListSheet, keys: readonly Key[], row: number): string | undefined {
  const swaying = keys.map((key) => wavesOf(list).get(key)?.[row]?.wave).find((wave) => wave);
  return swaying ? `∿ ${valueText(swaying.size)}` : waveText(list, keys, row);
}

/** What a family says in a cell: the palette that the moved keys come from; else where the light points, or the moved values. */
function familyText(list: ListSheet, keys: readonly Key[], moved: readonly Key[], row: number, lens: Lens): string {
  const palette = paletteText(list, moved, row);
  if (palette !== undefined) return palette;
  if (lens === "colour") return "mixed";
  const shownKeys = lens === "position" ? keys : moved;
  return shownKeys
    .map((key) => {
      const value = valueIn(list, key, row);
      return Number.isNaN(value) ? UNSET : (slotName(key.attribute, value) ?? valueText(value));
    })
    .join("/");
}

/** Stands where one attribute of a family is set and another is not. */
const UNSET = "·";

function valueIn(list: ListSheet, key: Key, row: number): number {
  return traceOf(list, key).values[row] ?? Number.NaN;
}

function paletteText(list: ListSheet, keys: readonly Key[], row: number): string | undefined {
  const names = new Set(
    keys.map((key) => {
      const { spec } = entryAt(list, key, row);
      return spec === undefined ? undefined : paletteOf(spec);
    }),
  );
  const [only] = names;
  if (names.size === 1 && only !== undefined) return list.palettes.byId.get(only)?.label ?? only;
  return undefined;
}

function valueText(value: number): string {
  return Number.isNaN(value) ? "?" : valueWords(Math.round(value));
}

/** The highest part that holds a move of these keys in a row; 0 where none is stored. */
export function partOf(list: ListSheet, keys: readonly Key[], row: number): number {
  return Math.max(0, ...keys.map((key) => partOfMove(list, key, row)));
}

/** The keys whose moves in a row stand in one part. */
export function keysInPart(list: ListSheet, keys: readonly Key[], row: number, part: number): Key[] {
  return keys.filter((key) => partOfMove(list, key, row) === part);
}

function partOfMove(list: ListSheet, key: Key, row: number): number {
  const column = columnOf(list, key);
  const index = moveIndexAt(column, row);
  return index < 0 ? 0 : at(column.parts, index);
}

const threadsByLens = cached((_list: ListSheet) => new Map<string, readonly Thread[]>());

/** The threads of a light through a lens: where colour keys part ways, each change begins a thread of its own. */
export function lensThreads(list: ListSheet, keys: readonly Key[], lens: Lens): readonly Thread[] {
  const [first] = keys;
  if (!first) return [];
  const known = threadsByLens(list);
  const name = `${lens} ${keys.length === 1 ? first.name : first.channel}`;
  const threads = known.get(name) ?? joinedThreads(list, keys);
  known.set(name, threads);
  return threads;
}

function joinedThreads(list: ListSheet, [first, ...others]: readonly Key[]): readonly Thread[] {
  if (!first) return [];
  const threads = threadsOf(list, first);
  if (others.length === 0) return threads;
  const breaks = new Set(others.flatMap((key) => threadsOf(list, key).map((thread) => thread.from)));
  return threads.flatMap((thread) => {
    const starts = [thread.from, ...[...breaks].filter((row) => row > thread.from && row <= thread.to)].sort((a, b) => a - b);
    return starts.map((from, index) => ({ ...thread, from, to: (starts[index + 1] ?? thread.to + 1) - 1 }));
  });
}

/** The real colour of a light in a row, as a style. */
export function colourOf(list: ListSheet, channel: number, row: number): string {
  const keys = list.keys.byChannel.get(channel);
  const attributes = [...(keys?.values() ?? [])].map((key) => key.attribute);
  const light = lightColour(attributes, (name) => {
    const key = keys?.get(name);
    if (!key) return 0;
    const value = traceOf(list, key).values[row] ?? Number.NaN;
    return Number.isNaN(value) ? key.attribute.home : value;
  });
  const part = (amount: number): number => Math.round(255 * amount ** 0.7);
  return `rgb(${part(light.red)} ${part(light.green)} ${part(light.blue)})`;
}
