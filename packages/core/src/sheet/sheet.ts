import { at } from "../show/at.ts";
import { type CueNumber, cueNumberAt, cueOrder } from "../show/cueNumber.ts";
import { ShowError } from "../show/errors.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { firstNotBelow } from "../show/search.ts";
import type { Cue, CueList, MoveSpec, Show } from "../show/schema.ts";
import { type Column, EMPTY_COLUMN, palettesIn } from "./column.ts";
import { type Key, type Keys, keysOf } from "./keys.ts";
import { type Palettes, palettesOf, resolve } from "./palettes.ts";
import { type TrackingRows, trackingOf } from "./tracking.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

/**
 * One cue list turned on its side: a column of moves for each key, from which every look is read.
 * Rows count from 0 and stand for cues; keys stand by their ordinals. A list is read by its sheet everywhere in the core.
 * What is computed from it, such as traces, marks and durations, is kept by its identity.
 */
export interface ListSheet extends TrackingRows {
  readonly id: string;
  readonly list: CueList;
  readonly cues: readonly Cue[];
  /** The cues' places in the order of numbers, rising. */
  readonly order: readonly number[];
  /** By key ordinal. */
  readonly columns: readonly Column[];
  /** The keys of the show's rig; columns are numbered by them. */
  readonly keys: Keys;
  readonly palettes: Palettes;
}

/**
 * A show made ready for computing: its keys, its palettes, and each list as a sheet. Never changed, only replaced.
 * Edits give a new one that shares what they did not touch, so that keeping several states costs little.
 */
export interface ShowSheet {
  readonly show: Show;
  readonly keys: Keys;
  readonly palettes: Palettes;
  readonly lists: ReadonlyMap<string, ListSheet>;
}

/**
 * Builds the whole sheet of a show from nothing.
 * A large show of 300,000 moves takes some tenths of a second: use `sheetInSlices` where something else must go on.
 */
export function sheetOf(show: Show): ShowSheet {
  return runToEnd(sheetInSlices(show));
}

/**
 * As `sheetOf`, as a computation that pauses after each cue and each key: a server gives its event loop a turn between.
 * `inSlices` of the server and `runToEnd` both run it to its end. The sheet is given back by the generator's return.
 */
export function* sheetInSlices(show: Show): Generator<undefined, ShowSheet> {
  const keys = keysOf(show);
  const palettes = palettesOfShow(show);
  const lists = new Map<string, ListSheet>();
  for (const list of show.lists) lists.set(list.id, yield* listInSlices(list, keys, palettes));
  return { show, keys, palettes, lists };
}

/**
 * The look-up of a show's palettes.
 * The types of channels are taken from the show's rig.
 */
export function palettesOfShow(show: Show): Palettes {
  const types = new Map(show.channels.map((channel) => [channel.number, channel.type]));
  return palettesOf(show.palettes, (channel) => types.get(channel));
}

/**
 * Builds the sheet of one list from nothing.
 * `keys` and `palettes` are those of the show that the list belongs to. Moves for keys that the rig does not have are left out.
 */
export function listSheet(list: CueList, keys: Keys, palettes: Palettes): ListSheet {
  return runToEnd(listInSlices(list, keys, palettes));
}

/** Gathers the moves cue by cue and turns them into columns key by key; pauses after each. */
function* listInSlices(list: CueList, keys: Keys, palettes: Palettes): Generator<undefined, ListSheet> {
  // Rows come in order, so the columns are sorted without sorting them.
  const building = keys.all.map(() => ({ rows: [] as number[], specs: [] as MoveSpec[], parts: [] as number[], values: [] as number[] }));
  for (const [row, cue] of list.cues.entries()) {
    eachMove(cue, keys, (key, spec, part) => {
      const column = building[key.ordinal];
      if (!column) return;
      column.rows.push(row);
      column.specs.push(spec);
      column.parts.push(part);
      column.values.push(typeof spec === "number" ? spec : resolve(spec, key, palettes));
    });
    yield;
  }
  const columns: Column[] = [];
  for (const column of building) {
    columns.push(column.rows.length > 0 ? { ...column, palettes: palettesIn(column.specs) } : EMPTY_COLUMN);
    yield;
  }
  return { id: list.id, list, cues: list.cues, ...rowsOf(list.cues), columns, keys, palettes };
}

/**
 * What a sheet knows of the rows themselves, apart from any key.
 * Everything that depends on numbers and tracking flags, and on no move.
 */
export type RowFacts = TrackingRows & Pick<ListSheet, "order">;

/**
 * The facts of the rows that these cues make.
 * Cues in the order of their numbers.
 */
export function rowsOf(cues: readonly Cue[]): RowFacts {
  return { order: cues.map((cue) => cueOrder(cue.number)), ...trackingOf(cues) };
}

/**
 * One stored move of a cue with its key and the number of the part that holds it.
 * Numbers of parts are those of the cue, counted from 1.
 */
export interface StoredMove {
  readonly key: Key;
  readonly spec: MoveSpec;
  readonly part: number;
}

/**
 * Every move that a cue stores, part by part.
 * Moves of lights or attributes that the rig does not have are left out.
 */
export function movesOf(cue: Cue, keys: Keys): StoredMove[] {
  const found: StoredMove[] = [];
  eachMove(cue, keys, (key, spec, part) => found.push({ key, spec, part }));
  return found;
}

/**
 * Visits every move that a cue stores, part by part.
 * As `movesOf`, allocating nothing; for walks over whole lists.
 */
export function eachMove(cue: Cue, keys: Keys, visit: (key: Key, spec: MoveSpec, part: number) => void): void {
  for (const part of cue.parts) {
    for (const channel in part.moves) {
      const attributes = part.moves[channel];
      const own = keys.byChannel.get(Number(channel));
      for (const name in attributes) {
        const key = own?.get(name);
        const spec = attributes[name];
        if (key && spec !== undefined) visit(key, spec, part.number);
      }
    }
  }
}

/**
 * The sheet of a list; the first list when no id is given. Throws ShowError for a list that does not exist.
 * The message names the lists that there are.
 */
export function listOf(sheet: ShowSheet, id?: string): ListSheet {
  const found = id === undefined ? sheet.lists.values().next().value : sheet.lists.get(id);
  if (found) return found;
  throw new ShowError(thereIsNo("list", id ?? "", sheet.lists.keys()));
}

/**
 * The row of a cue. Throws ShowError, naming its neighbours, for a number that the list does not have.
 * Any spelling of a number will do: "012.50" finds cue 12.5.
 */
export function rowOf(list: ListSheet, number: string): number {
  const row = findRow(list, number);
  if (row >= 0) return row;
  // Whoever mistyped a number sees which ones stand where it would.
  const before = list.cues[firstRowFrom(list, cueOrder(number)) - 1];
  const after = list.cues[firstRowFrom(list, cueOrder(number))];
  const near = [before, after].filter((cue) => cue !== undefined).map((cue) => cue.number);
  const hint = near.length > 0 ? `next to where it would stand: ${near.join(" and ")}` : "the list is empty";
  throw new ShowError(`List "${list.id}" has no cue ${number}; ${hint}`);
}

/**
 * The row of a cue, or -1.
 * For those to whom a missing cue is no fault.
 */
export function findRow(list: ListSheet, number: string): number {
  const order = cueOrder(number);
  const row = firstRowFrom(list, order);
  return list.order[row] === order ? row : -1;
}

/**
 * The first row whose cue stands at or after a place in the order; the number of rows when there is none.
 * The order is in thousandths, as `cueOrder` gives it. Found by binary search.
 */
export function firstRowFrom({ order: orders }: Pick<ListSheet, "order">, order: number): number {
  return firstNotBelow(orders.length, (row) => at(orders, row), order);
}

/**
 * The cue at a row. Throws RangeError for a row outside the list, which is a fault of the caller.
 * Where a number comes from a user, ask `rowOf` first.
 */
export function cueAt(list: ListSheet, row: number): Cue {
  const cue = list.cues[row];
  if (!cue) throw new RangeError(`row ${row} of ${list.cues.length}`);
  return cue;
}

/**
 * The number that a cue inserted behind a row would take: the next whole one if it is free, else the roundest point number
 * before the next cue. Undefined when there is no number left between the two. Row -1 is before the first cue.
 * A half comes before a tenth, and a tenth before a hundredth. Behind the last cue it is the next whole number.
 */
export function freeNumberAfter(list: Pick<ListSheet, "order">, row: number): CueNumber | undefined {
  // Rounder steps are tried first: a whole number, a half, a tenth, down to a thousandth.
  const order = row < 0 ? 0 : at(list.order, row);
  const next = list.order[row + 1] ?? Infinity;
  for (const step of [1000, 500, 100, 50, 10, 5, 1]) {
    const free = (Math.floor(order / step) + 1) * step;
    if (free < next) return cueNumberAt(free);
  }
  return undefined;
}
