import {
  type Call,
  type Cue,
  type CueList,
  type EditInput,
  type PartTimes,
  type Show,
  ShowError,
  type Trigger,
  count,
  cueOrder,
  isCueNumber,
  plainCueNumber,
  TIMED_FAMILIES,
  type TimesPatch,
  patchedTimes,
  readSeconds,
  sameData,
} from "@zm/core";
import type { Table } from "./table.ts";

/** A column of cues: how a cue fills it, and what a cell in it sets. An empty cell takes away what stands there. */
export interface CueColumn {
  readonly id: string;
  readonly cell: (cue: Cue) => string;
  /** Adds what the cell says to what is set. Throws ShowError for what cannot be read. */
  readonly set?: (cell: string, into: CuePatch, cue: Cue | undefined) => void;
}

/** What a row of a table sets of its cue; null takes something away, absent leaves it. */
export interface CuePatch {
  label?: string | null;
  note?: string | null;
  scene?: string | null;
  trigger?: Trigger | null;
  call?: Call | null;
  times?: TimesPatch;
}

const TEXTS = ["label", "scene", "note"] as const;
const TIMES = { up: "up", down: "down", "up delay": "upDelay", "down delay": "downDelay" } as const satisfies Record<
  string,
  keyof PartTimes
>;
const FAMILY_TIMES = TIMED_FAMILIES.flatMap((family) =>
  (["fade", "delay"] as const).map((time) => ({ id: `${family} ${time}`, family, time })),
);

/** Every column that a table of cues may have, in the order in which they are written. */
export const CUE_COLUMNS: readonly CueColumn[] = [
  { id: "cue", cell: ({ number }) => number },
  ...TEXTS.map((id): CueColumn => ({ id, cell: (cue) => cue[id] ?? "", set: (cell, into) => (into[id] = cell === "" ? null : cell) })),
  { id: "fires", cell: ({ trigger }) => firesText(trigger), set: (cell, into) => (into.trigger = readFires(cell)) },
  ...Object.entries(TIMES).map(([id, field]): CueColumn => ({
    id,
    cell: ({ parts: [first] }) => String(first?.times[field] ?? ""),
    set: (cell, into) => (into.times = { ...into.times, [field]: readCell(cell, id) }),
  })),
  ...FAMILY_TIMES.map(({ id, family, time }): CueColumn => ({
    id,
    cell: ({ parts: [first] }) => String(first?.times[family]?.[time] ?? ""),
    set: (cell, into) => (into.times = { ...into.times, [family]: { ...into.times?.[family], [time]: readCell(cell, id) } }),
  })),
  {
    id: "call line",
    cell: ({ call }) => call?.line ?? "",
    set: (cell, into, cue) => (into.call = cell === "" ? null : { ...cue?.call, ...into.call, line: cell }),
  },
  { id: "call word", cell: ({ call }) => call?.word ?? "", set: (cell, into, cue) => setWord(cell, into, cue) },
];

/** What fires a cue, as a cell: "go", "go + 2" seconds from the Go before, "end + 2" from when the cue before is complete. */
function firesText(trigger: Trigger | undefined): string {
  if (trigger?.type !== "follow") return "go";
  return `${trigger.from === "go" ? "go" : "end"} + ${trigger.after}`;
}

function readFires(cell: string): Trigger | null {
  if (cell === "" || cell.toLowerCase() === "go") return null;
  const [, from, text = ""] = /^(go|end)\s*\+\s*(.+)$/i.exec(cell) ?? [];
  const after = readSeconds(text);
  if (from === undefined || after === undefined)
    throw new ShowError(`fires is "${cell}"; write go, go + 2 from the Go before, or end + 2 from its end`);
  return { type: "follow", from: from.toLowerCase() === "go" ? "go" : "complete", after };
}

function readCell(cell: string, id: string): number | null {
  if (cell === "") return null;
  const seconds = readSeconds(cell);
  if (seconds === undefined) throw new ShowError(`${id} is "${cell}", which is not a time`);
  return seconds;
}

/** Another word of the line: which of several like words was meant before says nothing of it. */
function setWord(cell: string, into: CuePatch, cue: Cue | undefined): void {
  const call = into.call === undefined ? cue?.call : into.call;
  if (!call) {
    if (cell !== "") throw new ShowError(`call word is "${cell}", and no line of the play is named`);
    return;
  }
  const { nth, word, ...rest } = call;
  const keeps = word === cell && nth !== undefined ? { nth } : {};
  into.call = { ...rest, ...(cell === "" ? {} : { word: cell }), ...keeps };
}

/** The cues of a list as a table of the columns that are wanted; all of them where nothing is said. */
export function cueTable({ label, id, cues }: CueList, wanted?: readonly string[]): Table {
  const columns = CUE_COLUMNS.filter((column) => column.id === "cue" || !wanted || wanted.includes(column.id));
  return { name: label || id, columns: columns.map((column) => column.id), rows: cues.map((cue) => columns.map(({ cell }) => cell(cue))) };
}

/** What a table changes of the cues of a list, as edits and in a sentence for each difference. */
export interface TableChanges {
  readonly edits: EditInput[];
  readonly differences: string[];
}

/**
 * What a table of cues changes of a list: cues that are there take what their row says, cues that are not are inserted; cues that the table does not name stay. `mapping` tells for each of our columns in which of
 * the table it stands. Throws ShowError with every fault and its line; then nothing is changed.
 */
export function cueChanges(table: Table, list: CueList, script: Show["script"], mapping: ReadonlyMap<string, string>): TableChanges {
  const faults: string[] = [];
  const changes: TableChanges = { edits: [], differences: [] };
  const byOrder = new Map(list.cues.map((cue) => [cueOrder(cue.number), cue]));
  const lines = new Set(script?.lines.map(({ id }) => id));
  const seen = new Set<number>();
  const at = (row: readonly string[], id: string): string | undefined => {
    const place = table.columns.indexOf(mapping.get(id) ?? "");
    return place < 0 ? undefined : row[place];
  };
  for (const [index, row] of table.rows.entries()) {
    try {
      const typed = at(row, "cue") ?? "";
      if (!isCueNumber(typed)) throw new ShowError(typed === "" ? "the cue has no number" : `"${typed}" is not a cue number`);
      if (seen.has(cueOrder(typed))) throw new ShowError(`cue ${typed} stands in the table twice`);
      seen.add(cueOrder(typed));
      const cue = byOrder.get(cueOrder(typed));
      const patch = patchOf((id) => at(row, id), cue);
      if (patch.call && !lines.has(patch.call.line)) throw new ShowError(`the play has no line "${patch.call.line}"`);
      addChanges(changes, list.id, plainCueNumber(typed), cue, patch);
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      faults.push(`Line ${index + 2}: ${error.message}`);
    }
  }
  if (faults.length > 0) throw new ShowError(faults);
  return changes;
}

function patchOf(cellOf: (id: string) => string | undefined, cue: Cue | undefined): CuePatch {
  const patch: CuePatch = {};
  for (const { id, set } of CUE_COLUMNS) {
    const cell = cellOf(id);
    if (cell !== undefined) set?.(cell, patch, cue);
  }
  return patch;
}

function addChanges({ edits, differences }: TableChanges, list: string, number: string, cue: Cue | undefined, patch: CuePatch): void {
  const { times, ...fields } = patch;
  if (!cue) {
    const own = Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== null));
    edits.push({ op: "insertCue", list, cue: number, ...own, parts: [{ number: 1, times: patchedTimes({}, times ?? {}), moves: {} }] });
    differences.push(`cue ${number} is new${patch.label ? `: ${patch.label}` : ""}`);
    return;
  }
  const [first] = cue.parts;
  const changed = Object.entries(fields).filter(([field, value]) => !sameData(value ?? undefined, plainField(cue, field)));
  const timed = first && times && !sameData(first.times, patchedTimes(first.times, times));
  if (changed.length > 0) edits.push({ op: "setCue", list, from: cue.number, to: cue.number, ...Object.fromEntries(changed) });
  if (timed) edits.push({ op: "setTimes", list, from: cue.number, to: cue.number, part: first.number, set: times });
  if (changed.length > 0 || timed) differences.push(`cue ${cue.number}: ${wordsOf(cue, { ...cue, ...clean(patch) }, times)}`);
}

/** A field as a table can say it: a Go that is said and one that is not are the same. */
function plainField(cue: Cue, field: string): unknown {
  const value: unknown = Reflect.get(cue, field);
  return field === "trigger" && cue.trigger?.type === "go" ? undefined : value;
}

function clean({ times: _times, ...fields }: CuePatch): Partial<Cue> {
  return Object.fromEntries(Object.entries(fields).map(([field, value]) => [field, value ?? undefined]));
}

/** Column by column, what stood there and what stands there now. */
function wordsOf(before: Cue, after: Cue, times: CuePatch["times"] = {}): string {
  const [first, ...rest] = after.parts;
  const merged = first ? patchedTimes(first.times, times) : {};
  const now: Cue = first ? { ...after, parts: [{ ...first, times: merged }, ...rest] } : after;
  return CUE_COLUMNS.flatMap(({ id, cell }) => {
    const [was, is] = [cell(before), cell(now)];
    return was === is ? [] : [`${id} ${was === "" ? "nothing" : was} → ${is === "" ? "nothing" : is}`];
  }).join(", ");
}

/** How many cues a table changes and how many it brings, in words. */
export function changesWords({ edits }: TableChanges): string {
  const fresh = edits.filter(({ op }) => op === "insertCue").length;
  const cues = new Set(edits.flatMap((edit) => (edit.op === "setCue" || edit.op === "setTimes" ? [edit.from] : []))).size;
  return `${count(cues, "cue")} changed, ${fresh} new`;
}
