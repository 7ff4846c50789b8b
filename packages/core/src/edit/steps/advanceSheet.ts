// A sheet holds much that was computed from its show: columns of moves, what tracks, checkpoints, marks, durations. After a step most of it is
// still right. This file decides what is, so that an edit costs what it touches and not what the show weighs. A property holds every sheet
// that came about like this against one made from nothing.
import { at } from "../../show/at.ts";
import { paletteOf } from "../../show/move.ts";
import { runToEnd } from "../../show/runToEnd.ts";
import { sameData } from "../../show/sameData.ts";
import type { CueList, Show } from "../../show/schema.ts";
import { carryCheckpoints } from "../../sheet/checkpoints.ts";
import { type Column, EMPTY_COLUMN, countThrough, pickMoves, withMoves } from "../../sheet/column.ts";
import { type Key, keyAt } from "../../sheet/keys.ts";
import { resolve } from "../../sheet/palettes.ts";
import { type ListSheet, type RowFacts, type ShowSheet, findRow, listSheet, palettesOfShow, rowsOf, sheetOf } from "../../sheet/sheet.ts";
import { carryMarks } from "../../marks/marksByChannel.ts";
import { carryDurations } from "../../time/durations.ts";
import { KEYS_A_PAUSE, STEPS_A_PAUSE } from "./pauses.ts";
import { type CueDataStep, type EntryStep, type RenumberStep, type Step, isCueData } from "./step.ts";
import { sameTracking } from "../../sheet/tracking.ts";

/**
 * The sheet of a show after one stretch of steps: only what they touch is computed anew. `show` is the show with them made.
 * A change of the rig changes what the keys are, and builds the sheet from nothing. The sheet that is passed in stays usable.
 * Columns, tracks and caches of lists that no step names are shared with the sheet before.
 * The steps must have been applied to `show` already: nothing is checked here.
 */
export function advanceSheet(sheet: ShowSheet, show: Show, steps: readonly Step[]): ShowSheet {
  const [first] = steps;
  if (first?.at === "show" || first?.at === "script" || first?.at === "line") return { ...sheet, show };
  if (first?.at === "entry") return advanceEntry(sheet, show, first);
  if (first?.at === "renumber")
    return withLists(sheet, show, (known, list) => (list.id === first.list ? renumbered(known, list, first) : known));
  return runToEnd(advanceInSlices(sheet, show, steps));
}

/** As `advanceSheet`, with pauses in between where cues change, for a server that has more to do. */
export function* advanceInSlices(sheet: ShowSheet, show: Show, steps: readonly Step[]): Generator<undefined, ShowSheet> {
  const [first] = steps;
  if (first && !isCueData(first)) return advanceSheet(sheet, show, steps);
  const advanced = new Map<string, ListSheet>();
  for (const [id, own] of yield* byList(steps)) {
    const [known, list] = [sheet.lists.get(id), show.lists.find((each) => each.id === id)];
    if (known && list) advanced.set(id, yield* advanceList(known, list, own));
  }
  return withLists(sheet, show, (known, list) => advanced.get(list.id) ?? known);
}

/** The steps on cues, by the list that they change. */
function* byList(steps: readonly Step[]): Generator<undefined, Map<string, CueDataStep[]>> {
  const found = new Map<string, CueDataStep[]>();
  for (const [place, step] of steps.entries()) {
    if (place % STEPS_A_PAUSE === 0) yield;
    if (!isCueData(step)) continue;
    const own = found.get(step.list);
    if (own) own.push(step);
    else found.set(step.list, [step]);
  }
  return found;
}

/**
 * A sheet of the changed show, each list advanced from the one before it; a new list is made from nothing. A list for which `advance`
 * returns what it got is shared between both sheets: a caller that caches by list finds its work again.
 */
function withLists(sheet: ShowSheet, show: Show, advance: (known: ListSheet, list: CueList) => ListSheet): ShowSheet {
  const lists = show.lists.map((list): [string, ListSheet] => {
    const known = sheet.lists.get(list.id);
    return [list.id, known ? advance(known, list) : listSheet(list, sheet.keys, sheet.palettes)];
  });
  return { ...sheet, show, lists: new Map(lists) };
}

/** A change beside the cues: only what could change a look makes its lists be read anew. */
function advanceEntry(sheet: ShowSheet, show: Show, step: EntryStep): ShowSheet {
  switch (step.of) {
    case "channels":
      return sameKeys(step) ? { ...sheet, show } : sheetOf(show);
    case "fixtureTypes":
      return sheetOf(show);
    case "palettes":
      return repainted({ ...sheet, palettes: palettesOfShow(show) }, show, step.id);
    case "lists":
      return withLists(sheet, show, (known, list) => (known.list === list ? known : { ...known, list, cues: list.cues }));
    case "groups":
    case "paces":
    case "heldLooks":
    case "tempos":
    case "pages":
    case "notes":
    case "movements":
    case "colourLists":
      return { ...sheet, show };
  }
}

/** True when a channel stays the light that it is, and stays or goes with the others: only its label, patch or place changes. */
function sameKeys({ before, after }: EntryStep): boolean {
  if (!before || !after || before.index !== after.index) return false;
  const [was, is] = [before.entry, after.entry];
  return "type" in was && "type" in is && was.type === is.type && was.house === is.house;
}

/** Every list with the values of the moves that refer to a palette looked up again. Columns without such a move stay the same arrays. */
function repainted(sheet: ShowSheet, show: Show, palette: string): ShowSheet {
  return withLists(sheet, show, (known) => {
    const touched = new Set<number>();
    const columns = known.columns.map((column, ordinal) => {
      const key = known.keys.all[ordinal];
      if (!key || !column.palettes.has(palette)) return column;
      touched.add(ordinal);
      const values = column.values.map((value, index) => {
        const spec = column.specs[index];
        return spec !== undefined && paletteOf(spec) === palette ? resolve(spec, key, sheet.palettes) : value;
      });
      return { ...column, values };
    });
    const list = { ...known, columns, palettes: sheet.palettes };
    if (sameData(known.palettes.ids, sheet.palettes.ids)) carryCheckpoints(known, list, touched);
    return list;
  });
}

/**
 * Cues with other numbers: where the order stays, all that was computed from the rows stays too. Only where cues changed places do the
 * columns have to follow.
 */
function renumbered(before: ListSheet, list: CueList, step: RenumberStep): ListSheet {
  const numbers = new Map(step.cues.map(({ from, to }) => [from, to]));
  const rows = rowsOf(list.cues);
  const after = { ...before, list, cues: list.cues, ...rows };
  const map = before.cues.map((cue) => findRow(after, numbers.get(cue.number) ?? cue.number));
  const inPlace = map.every((row, index) => row === index);
  return inPlace
    ? { ...after, tracking: before.tracking, lastWall: before.lastWall, trackingBreaks: before.trackingBreaks }
    : { ...after, columns: runToEnd(shifted(before.columns, map)) };
}

/**
 * A list with some of its cues changed: only the columns of the keys that have other moves are made anew, and what was computed
 * of the list before is carried over as far as it holds: checkpoints by key, marks by channel, durations by cue.
 */
function* advanceList(before: ListSheet, list: CueList, steps: readonly CueDataStep[]): Generator<undefined, ListSheet> {
  const rows = steps.some((step) => step.at === "cue") ? rowsKept(before, rowsOf(list.cues)) : before;
  const inPlace = before.order === rows.order;
  const columns = inPlace ? [...before.columns] : yield* shifted(before.columns, rowMap(before, rows.order));
  const { order, tracking, lastWall, trackingBreaks } = rows;
  const after = { ...before, list, cues: list.cues, order, tracking, lastWall, trackingBreaks, columns };
  yield;
  const touched = yield* touchedRows(after, steps);
  let refilled = 0;
  for (const [key, own] of touched) {
    if (refilled++ % KEYS_A_PAUSE === 0) yield;
    columns[key.ordinal] = refill(after, key, columns[key.ordinal] ?? EMPTY_COLUMN, own);
  }
  yield;
  if (inPlace && before.tracking === tracking) {
    carryCheckpoints(before, after, new Set([...touched.keys()].map((key) => key.ordinal)));
    carryMarks(before, after, new Set([...touched.keys()].map((key) => key.channel)));
    const cues = new Set(steps.map((step) => step.cue));
    carryDurations(before, after, { rows: new Set([...cues].map((cue) => findRow(after, cue))), keys: touched });
  }
  return after;
}

/**
 * What is known of the rows, kept the same where it has not changed, so that all that was computed from it still holds. Identity is what
 * later code asks for: `before.order === after.order` means that every cue stands where it stood.
 */
function rowsKept(before: ListSheet, rows: RowFacts): RowFacts {
  const sameRows = before.order.length === rows.order.length && before.order.every((order, row) => order === rows.order[row]);
  if (!sameRows) return rows;
  const tracksAlike = before.tracking.every((was, row) => sameTracking(was, rows.tracking[row]));
  return tracksAlike ? before : { ...rows, order: before.order };
}

/** By old row: the row at which that cue stands now, or -1 when it is gone. */
function rowMap(before: ListSheet, order: readonly number[]): number[] {
  return before.order.map((place) => {
    const row = countThrough({ rows: order }, place) - 1;
    return order[row] === place ? row : -1;
  });
}

/**
 * The columns after rows have come, gone or changed places. `map` gives by old row the new one, -1 for a row that is gone.
 * A column of which no row has moved stays the same.
 */
function* shifted(columns: readonly Column[], map: readonly number[]): Generator<undefined, Column[]> {
  const first = map.findIndex((row, index) => row !== index);
  if (first < 0) return [...columns];
  const after: Column[] = [];
  for (const [ordinal, column] of columns.entries()) {
    if (ordinal % KEYS_A_PAUSE === 0) yield;
    after.push((column.rows.at(-1) ?? -1) < first ? column : shiftedColumn(column, map));
  }
  return after;
}

/** A column whose rows have moved; those that are gone drop out. */
function shiftedColumn(column: Column, map: readonly number[]): Column {
  const rows = column.rows.map((row) => at(map, row));
  if (rows.every((row, index) => row >= 0 && (index === 0 || row > at(rows, index - 1)))) return { ...column, rows };
  const order = rows.map((_, index) => index).filter((index) => at(rows, index) >= 0);
  order.sort((a, b) => at(rows, a) - at(rows, b));
  return pickMoves({ ...column, rows }, order);
}

/**
 * The keys of which steps change moves, and the rows in which they do. Keys that the rig does not have are passed over: such a step
 * belongs to a list that was read with another rig.
 */
function* touchedRows(list: ListSheet, steps: readonly CueDataStep[]): Generator<undefined, Map<Key, Set<number>>> {
  const touched = new Map<Key, Set<number>>();
  let cue = "";
  let row = -1;
  for (const [place, step] of steps.entries()) {
    if (place % STEPS_A_PAUSE === 0) yield;
    if (step.at !== "move") continue;
    if (step.cue !== cue) row = findRow(list, step.cue);
    cue = step.cue;
    const key = keyAt(list.keys, step.channel, step.attribute);
    if (!key || row < 0) continue;
    const rows = touched.get(key);
    if (rows) rows.add(row);
    else touched.set(key, new Set([row]));
  }
  return touched;
}

/** A column with the moves of some rows read again from the cues. */
function refill(list: ListSheet, key: Key, column: Column, touched: ReadonlySet<number>): Column {
  return withMoves(
    column,
    [...touched].map((row) => {
      const stored = storedAt(list, key, row);
      return { row, move: stored && { ...stored, value: resolve(stored.spec, key, list.palettes) } };
    }),
  );
}

/** The move that a cue stores for a key and the part that holds it; undefined where it stores none. A key is in one part at most. */
function storedAt(list: ListSheet, key: Key, row: number): { spec: Column["specs"][number]; part: number } | undefined {
  for (const part of list.cues[row]?.parts ?? []) {
    const spec = part.moves[key.channel]?.[key.attribute.id];
    if (spec !== undefined) return { spec, part: part.number };
  }
  return undefined;
}
