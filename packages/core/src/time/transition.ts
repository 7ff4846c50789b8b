import type { Curve, Cue, MoveSpec, Part } from "../show/schema.ts";
import { moveIndexAt } from "../sheet/column.ts";
import { markedInto } from "../marks/marks.ts";
import type { Key } from "../sheet/keys.ts";
import { columnOf, entryAt, sameValue } from "../sheet/entry.ts";
import { type ListSheet, cueAt, movesOf } from "../sheet/sheet.ts";
import { timingOf } from "./times.ts";

/** Why a key is in a transition (SEMANTICS section 3). */
export type Cause = "explicit" | "implied" | "asserted";

/** One key of a transition: where it runs from and to, and when, in seconds from the cue's Go. */
export interface Run {
  readonly key: Key;
  readonly from: number;
  readonly to: number;
  readonly delay: number;
  readonly fade: number;
  readonly curve: Curve;
  readonly cause: Cause;
  /** The part that times it. */
  readonly part: number;
}

/** What a transition starts from: the value of a key in the look before, NaN where it is unset. */
export type LookBefore = (key: Key) => number;

/** The look of the row before, which a cue fired in order starts from; nothing before the first. */
function lookBefore(list: ListSheet, row: number): LookBefore {
  return row <= 0 ? () => Number.NaN : (key) => entryAt(list, key, row - 1).value;
}

/** The transition T(k) of a row that is fired in order; keys that were marked before are out of it. */
export function transitionAt(list: ListSheet, row: number): Run[] {
  const before = lookBefore(list, row);
  const quiet = row > 0 && list.tracking[row - 1]?.carries === true && list.tracking[row]?.wall === false;
  const asserted = cueAt(list, row).assert === true;
  const marked = markedInto(list, row);
  return transitionFrom(list, row, before, { everyKey: !(quiet && !asserted), isMarked: (key) => marked.has(key.ordinal) });
}

/** What a caller of `transitionFrom` knows. */
export interface TransitionScope {
  /** False: nothing but the cue's own moves can differ from the look before. */
  readonly everyKey: boolean;
  /** Keys that a mark has already taken where they belong; they are out of the transition. */
  readonly isMarked: (key: Key) => boolean;
}

/** The transition into a row from any look before it. */
export function transitionFrom(list: ListSheet, row: number, before: LookBefore, { everyKey, isMarked }: TransitionScope): Run[] {
  const cue = cueAt(list, row);
  const runs: Run[] = [];
  for (const { key, spec, part } of movesOf(cue, list.keys)) {
    if (isMarked(key)) continue;
    const run = runOf(list, key, row, before(key), "explicit", partNumbered(cue, part), spec);
    if (run) runs.push(run);
  }
  if (!everyKey) return runs;
  const first = firstPart(cue);
  for (const key of list.keys.all) {
    const column = columnOf(list, key);
    if (moveIndexAt(column, row) >= 0 || isMarked(key)) continue;
    const from = before(key);
    const to = entryAt(list, key, row).value;
    const cause = sameValue(from, to) ? (cue.assert && !Number.isNaN(to) ? "asserted" : undefined) : "implied";
    const run = cause && runOf(list, key, row, from, cause, first, undefined);
    if (run) runs.push(run);
  }
  return runs;
}

function runOf(
  list: ListSheet,
  key: Key,
  row: number,
  before: number,
  cause: Cause,
  part: Part,
  spec: MoveSpec | undefined,
): Run | undefined {
  const target = entryAt(list, key, row).value;
  const unset = Number.isNaN(target);
  if (unset && key.attribute.family !== "intensity") return undefined;
  const from = Number.isNaN(before) ? key.attribute.home : before;
  const to = unset ? 0 : target;
  return { key, from, to, ...timingOf(key.attribute, spec, part, from, to), cause, part: part.number };
}

/** The part that times what the cue itself does not move: the one with the lowest number. */
export function firstPart(cue: Cue): Part {
  const part = cue.parts[0];
  if (!part) throw new RangeError(`cue ${cue.number} has no part`);
  return part;
}

function partNumbered(cue: Cue, number: number): Part {
  return cue.parts.find((part) => part.number === number) ?? firstPart(cue);
}

/** How long a transition takes: its largest delay + fade in seconds, 0 when it is empty. */
export function durationOf(runs: readonly Run[]): number {
  return runs.reduce((longest, run) => Math.max(longest, run.delay + run.fade), 0);
}
