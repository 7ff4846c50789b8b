// The impact of edits (docs/rules.md, Edits): which stored moves and which looks they change. This is the question that is asked at every letter
// typed, so it walks only rows in which something can differ, and stops where both states meet again.
import { append } from "../../show/append.ts";
import { floatAt, intAt } from "../../show/at.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import { type Column, EMPTY_COLUMN } from "../../sheet/column.ts";
import { columnValues } from "../../sheet/dense.ts";
import { columnOf, sameValue } from "../../sheet/entry.ts";
import { type Key, keyAt, keyNamed } from "../../sheet/keys.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import { TrackingWalk, carriedMove, sameTracking, valueOfMove } from "../../sheet/tracking.ts";
import { columnRange } from "./columnRange.ts";
import { type CueIdentity, SAME_NUMBERS, identitiesOf } from "../steps/identity.ts";
import { type CueDataStep, type CueStep, type RenumberStep, type Step, isCueData } from "../steps/step.ts";

/**
 * One value of one look that an edit changes, by the cue's number afterwards; null is unset. Values are in the attribute's own unit.
 * One row of `impact` as the headless command `edit` prints it.
 */
export interface LookChange {
  cue: string;
  key: string;
  before: number | null;
  after: number | null;
  /** The list of the cue, where it is not the show's first. */
  list?: string;
}
/**
 * What an edit does: the cues whose stored moves or times change, in their order, and every look that changes, cue by cue and key by key.
 * A stored move may change without changing any look, and the other way round, so both are told (docs/rules.md, Edits).
 */
export interface Impact {
  storedCues: string[];
  looks: LookChange[];
}

/**
 * Compares two states of a show that the steps lead between. Cues that stand in only one of them have no look to compare;
 * one that has taken another number is the same cue. What costs is the looks that change, not the show.
 * `steps` must lead from `before` to `after`; they say where to look. Looks are equal within 1e-6.
 */
export function impactOf(before: ShowSheet, after: ShowSheet, steps: readonly Step[]): Impact {
  const impact: Impact = { storedCues: [], looks: [] };
  const [first] = after.lists.keys();
  for (const [id, is] of after.lists) {
    const was = before.lists.get(id);
    const own = stepsInList(steps, id);
    append(impact.storedCues, storedCues(own));
    if (!was || was === is) continue;
    const looks = was.keys === is.keys ? lookChanges(was, is, own) : acrossRigs(was, is, identityIn(own, id));
    append(impact.looks, id === first ? looks : looks.map((look) => ({ ...look, list: id })));
  }
  return impact;
}

/**
 * The steps that change the cues of one list.
 * In their order. Entries and the show's own fields belong to no list.
 */
export function stepsInList(steps: readonly Step[], list: string): (CueDataStep | RenumberStep)[] {
  return steps.filter((step) => step.at === "renumber" || isCueData(step)).filter((step) => step.list === list);
}

/** The cues whose stored moves or times change, in their order. A new label, note, scene or call changes nothing that runs. */
function storedCues(steps: readonly Step[]): string[] {
  const cues = new Set<string>();
  for (const step of steps) if (isCueData(step) && (step.at !== "cue" || changesRunning(step))) cues.add(step.cue);
  return [...cues]
    .map((cue) => ({ cue, order: cueOrder(cue) }))
    .sort((a, b) => a.order - b.order)
    .map(({ cue }) => cue);
}

/** True for a change of a cue's own fields that alters what runs, not only what is written beside it. */
function changesRunning(step: CueStep): boolean {
  const running = ({ label: _l, note: _n, scene: _s, call: _c, ...rest }: NonNullable<CueStep["after"]>): string => JSON.stringify(rest);
  return !step.before || !step.after || running(step.before) !== running(step.after);
}

/** The looks that change, gathered key by key as they are found and given back row by row, each row in the order of the keys. */
class LookChangeCollector {
  private readonly rows: LookChange[][] = [];
  private readonly list: ListSheet;

  constructor(list: ListSheet) {
    this.list = list;
  }

  add(row: number, key: Key, before: number, after: number): void {
    const change = { cue: this.list.cues[row]?.number ?? "", key: key.name, before: orNull(before), after: orNull(after) };
    const own = this.rows[row];
    if (own) own.push(change);
    else this.rows[row] = [change];
  }

  /** All of them, cue by cue, then by key. */
  get changes(): LookChange[] {
    const all: LookChange[] = [];
    this.rows.forEach((row) => {
      for (const change of row) all.push(change);
    });
    return all;
  }
}

/**
 * The looks that differ between two states of a list over the same rig. Where cues came, went or changed places, the keys that can be
 * concerned are compared from end to end; else each is walked from its first difference to where both states meet again.
 */
function lookChanges(was: ListSheet, is: ListSheet, steps: readonly Step[]): LookChange[] {
  const found = new LookChangeCollector(is);
  const rows = was.order === is.order ? null : rowPairs(was, is, identityIn(steps, is.id));
  if (rows && !isInPlace(rows, was)) {
    for (const key of keysTouched(was, is, steps)) compareWhole(was, is, key, rows, found);
    return found.changes;
  }
  const turned = turnedRows(was, is);
  for (let ordinal = 0; ordinal < is.columns.length; ordinal += 1) {
    const old = was.columns[ordinal] ?? EMPTY_COLUMN;
    const now = is.columns[ordinal] ?? EMPTY_COLUMN;
    const range = old === now && !turned ? null : widened(old === now ? null : columnRange(old, now), turned, old, now);
    const key = range && is.keys.all[ordinal];
    if (key) compareFrom(was, is, key, range, found);
  }
  return found.changes;
}

/** Rows of a list, both included. */
interface RowRange {
  readonly first: number;
  readonly last: number;
}

/** True where every cue stands in the row in which it stood. */
function isInPlace(rows: Int32Array, was: ListSheet): boolean {
  return rows.length === was.cues.length && rows.every((old, row) => old === row);
}

/** The rows in which what tracks has changed: a wall, or what a cue carries. Null where none has. */
function turnedRows(was: ListSheet, is: ListSheet): RowRange | null {
  if (was.tracking === is.tracking) return null;
  const rows = is.tracking.flatMap((now, row) => (sameTracking(was.tracking[row], now) ? [] : [row]));
  const first = rows[0];
  return first === undefined ? null : { first, last: rows.at(-1) ?? first };
}

/** A range with the rows in it in which what tracks has changed; those concern every key that has a move at all. */
function widened(range: RowRange | null, turned: RowRange | null, old: Column, now: Column): RowRange | null {
  if (!turned || (old === EMPTY_COLUMN && now === EMPTY_COLUMN)) return range;
  return range ? { first: Math.min(range.first, turned.first), last: Math.max(range.last, turned.last) } : turned;
}

/**
 * Walks one key down both lists from the first row that differs to where they meet again. Both walks go from move to move, so a value that
 * tracks through hundreds of cues is one step of each.
 */
function compareFrom(was: ListSheet, is: ListSheet, key: Key, { first, last }: RowRange, found: LookChangeCollector): void {
  const [old, now] = [columnOf(was, key), columnOf(is, key)];
  const oldWalk = new TrackingWalk(was, old, first, carriedMove(was, old, first - 1));
  const nowWalk = new TrackingWalk(is, now, first, carriedMove(is, now, first - 1));
  for (let row = first; row < is.cues.length;) {
    if (row === oldWalk.to) oldWalk.step();
    if (row === nowWalk.to) nowWalk.step();
    const end = Math.min(oldWalk.to, nowWalk.to);
    const [before, after] = [valueOfMove(old, oldWalk.move), valueOfMove(now, nowWalk.move)];
    if (!sameValue(before, after)) for (let each = row; each < end; each += 1) found.add(each, key, before, after);
    row = end;
    if (row > last && Object.is(valueOfMove(old, oldWalk.carried), valueOfMove(now, nowWalk.carried))) return;
  }
}

/**
 * By row after: the row before, or -1 for a cue that is new. `identity` as `identitiesOf` gives it.
 * Rows before that are in no pair belong to cues that went.
 */
export function rowPairs(was: ListSheet, is: ListSheet, identity: CueIdentity): Int32Array {
  const rows = new Map(was.cues.map((cue, row) => [cue.number, row]));
  return Int32Array.from(is.cues, ({ number }) => {
    const before = identity.get(number);
    return before === null ? -1 : (rows.get(before ?? number) ?? -1);
  });
}

/**
 * The keys whose looks can change: those with other moves; all where a cue that comes, goes or moves has part in what tracks, or where
 * palettes have changed.
 */
function keysTouched(was: ListSheet, is: ListSheet, steps: readonly Step[]): readonly Key[] {
  const plain = steps.every((step) => step.at !== "renumber" && (step.at !== "cue" || (isPlain(step.before) && isPlain(step.after))));
  if (!plain) return is.keys.all;
  const touched = new Set<Key>();
  for (const step of steps) {
    const key = step.at === "move" ? keyAt(is.keys, step.channel, step.attribute) : undefined;
    if (key) touched.add(key);
  }
  return was.palettes === is.palettes ? [...touched].sort((a, b) => a.ordinal - b.ordinal) : is.keys.all;
}

/** True for a cue that neither is a wall nor keeps its moves to itself: where it comes or goes only its own moves matter. */
function isPlain(head: CueStep["after"]): boolean {
  return head === undefined || (head.block !== true && (head.carries ?? "track") === "track");
}

function compareWhole(was: ListSheet, is: ListSheet, key: Key, rows: Int32Array, found: LookChangeCollector): void {
  compareValues(columnValues(was, key.ordinal), columnValues(is, key.ordinal), key, rows, found);
}

/** Compares one key row by row, the rows of both states paired. */
function compareValues(old: Float64Array, now: Float64Array, key: Key, rows: Int32Array, found: LookChangeCollector): void {
  for (let row = 0; row < rows.length; row += 1) {
    const place = intAt(rows, row);
    if (place < 0) continue;
    const before = floatAt(old, place);
    const after = floatAt(now, row);
    if (!sameValue(before, after)) found.add(row, key, before, after);
  }
}

/** Which cue of a list is which after some steps. */
export function identityIn(steps: readonly Step[], list: string): CueIdentity {
  return identitiesOf(steps).get(list) ?? SAME_NUMBERS;
}

/** Compares lists over different rigs, where a key of one may be missing in the other: it counts as unset there. */
function acrossRigs(was: ListSheet, is: ListSheet, identity: CueIdentity): LookChange[] {
  const found = new LookChangeCollector(is);
  const rows = rowPairs(was, is, identity);
  const nothing = new Float64Array(Math.max(was.cues.length, is.cues.length)).fill(Number.NaN);
  for (const key of is.keys.all) {
    const old = keyNamed(was.keys, key.name);
    compareValues(old ? columnValues(was, old.ordinal) : nothing, columnValues(is, key.ordinal), key, rows, found);
  }
  for (const key of was.keys.all) {
    if (!keyNamed(is.keys, key.name)) compareValues(columnValues(was, key.ordinal), nothing, key, rows, found);
  }
  return found.changes;
}

/** A value as plain data has it: NaN, which stands for unset within, becomes null. */
function orNull(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
