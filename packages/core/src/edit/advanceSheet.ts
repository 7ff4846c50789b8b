import { groupBy } from "../show/groupBy.ts";
import type { Step } from "./step.ts";
import type { Show } from "../show/schema.ts";
import { type Column, EMPTY_COLUMN, countThrough } from "../sheet/column.ts";
import { type Key, keyAt } from "../sheet/keys.ts";
import { resolve } from "../sheet/palettes.ts";
import { type ListSheet, type ShowSheet, findRow, listSheet, rowsOf } from "../sheet/sheet.ts";

/** The sheet of a show after steps have been made on it: only what they touch is computed anew. `show` is the show with them made. */
export function advanceSheet(sheet: ShowSheet, show: Show, steps: readonly Step[]): ShowSheet {
  const byList = groupBy(steps, (step) => step.list);
  const lists = new Map(sheet.lists);
  for (const list of show.lists) {
    const own = byList.get(list.id);
    const known = sheet.lists.get(list.id);
    if (!known) lists.set(list.id, listSheet(list, sheet.keys, sheet.palettes));
    else if (own) lists.set(list.id, advanceList(known, { ...known, list, cues: list.cues }, own));
  }
  return { ...sheet, show, lists };
}

function advanceList(before: ListSheet, after: ListSheet, steps: readonly Step[]): ListSheet {
  const cueSteps = steps.some((step) => step.at === "cue");
  const rows = cueSteps ? rowsOf(after.cues) : before;
  const moved = before.order.length === rows.order.length && before.order.every((order, row) => order === rows.order[row]);
  const columns = moved ? [...before.columns] : before.columns.map((column) => shiftColumn(column, rowMap(before, rows.order)));
  const list = { ...after, order: rows.order, tracking: rows.tracking, lastWall: rows.lastWall, columns };
  for (const [ordinal, touched] of touchedRows(list, steps)) {
    const key = list.keys.all[ordinal];
    if (key) columns[ordinal] = refill(list, key, columns[ordinal] ?? EMPTY_COLUMN, touched);
  }
  return list;
}

/** By old row: the row at which that cue stands now, or -1 when it is gone. */
function rowMap(before: ListSheet, order: readonly number[]): number[] {
  return before.order.map((place) => {
    const row = countThroughOrder(order, place) - 1;
    return order[row] === place ? row : -1;
  });
}

function countThroughOrder(order: readonly number[], place: number): number {
  return countThrough({ rows: order, specs: [], parts: [], values: [] }, place);
}

function shiftColumn(column: Column, map: readonly number[]): Column {
  if (column.rows.length === 0) return column;
  const kept = column.rows.map((row) => map[row] ?? -1);
  if (kept.every((row) => row >= 0)) return { ...column, rows: kept };
  const stays = (_: unknown, index: number): boolean => (kept[index] ?? -1) >= 0;
  return {
    rows: kept.filter(stays),
    specs: column.specs.filter(stays),
    parts: column.parts.filter(stays),
    values: column.values.filter(stays),
  };
}

function touchedRows(list: ListSheet, steps: readonly Step[]): Map<number, Set<number>> {
  const touched = new Map<number, Set<number>>();
  for (const step of steps) {
    if (step.at !== "move") continue;
    const key = keyAt(list.keys, step.channel, step.attribute);
    const row = findRow(list, step.cue);
    if (!key || row < 0) continue;
    const rows = touched.get(key.ordinal) ?? new Set();
    touched.set(key.ordinal, rows.add(row));
  }
  return touched;
}

function refill(list: ListSheet, key: Key, column: Column, touched: ReadonlySet<number>): Column {
  const rows: number[] = [];
  const specs: Column["specs"][number][] = [];
  const parts: number[] = [];
  const values: number[] = [];
  const merged = [...new Set([...column.rows, ...touched])].sort((a, b) => a - b);
  for (const row of merged) {
    const index = touched.has(row) ? -1 : countThrough(column, row) - 1;
    const stored = index < 0 ? storedAt(list, key, row) : { spec: column.specs[index], part: column.parts[index] };
    if (stored?.spec === undefined || stored.part === undefined) continue;
    rows.push(row);
    specs.push(stored.spec);
    parts.push(stored.part);
    values.push(index < 0 ? resolve(stored.spec, key, list.palettes) : (column.values[index] ?? Number.NaN));
  }
  return rows.length > 0 ? { rows, specs, parts, values } : EMPTY_COLUMN;
}

function storedAt(list: ListSheet, key: Key, row: number): { spec: Column["specs"][number]; part: number } | undefined {
  for (const part of list.cues[row]?.parts ?? []) {
    const spec = part.moves[key.channel]?.[key.attribute.id];
    if (spec !== undefined) return { spec, part: part.number };
  }
  return undefined;
}
