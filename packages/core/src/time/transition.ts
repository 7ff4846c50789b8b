import { floatAt } from "../show/at.ts";
import { isRelease } from "../show/move.ts";
import type { Curve, Cue, MoveSpec, Part } from "../show/schema.ts";
import { type LookState, eachMoveAt, emptyState, stateAt } from "../sheet/checkpoints.ts";
import { heldInto } from "../marks/marks.ts";
import type { Key } from "../sheet/keys.ts";
import { sameValue } from "../sheet/entry.ts";
import { restingAt } from "../sheet/rest.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import { timingOf } from "./times.ts";
import { isWall, tracksOn } from "../sheet/tracking.ts";

/**
 * Why a key is in a transition (docs/rules.md, Times).
 * The weightiest counts: a key with a move of its own is explicit, whatever else holds.
 */
export type Cause = "explicit" | "implied" | "restated";

/**
 * One key of a transition: where it runs from and to, and when, in seconds from the cue's Go.
 * Values in the attribute's own unit. It may go from a value to the same one: then it only holds the key.
 */
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

/**
 * A key that is no intensity and becomes unset: it is let go `delay` seconds after the cue's Go, in `fade` seconds, and moves nowhere by
 * that.
 * Intensities are never let go of: they run to 0.
 */
export interface LetGo {
  readonly key: Key;
  readonly delay: number;
  readonly fade: number;
  /** True for a release move that lets go of a key that was set: it counts in the duration of its cue. */
  readonly counts: boolean;
}

/**
 * All that firing a row does: the keys that run, and those that are let go (docs/rules.md, Times).
 * Each key is in it once at most.
 */
export interface Transition {
  readonly runs: readonly Run[];
  readonly letGo: readonly LetGo[];
}

/**
 * What a transition starts from: the value of a key in the look before, NaN where it is unset.
 * In the attribute's own unit.
 */
export type LookBefore = (key: Key) => number;

/**
 * True for a row whose transition can hold keys that it does not move: at a wall, behind a cue that keeps its moves, and where it restates.
 * For all other rows it is enough to look at the moves that they store.
 */
export function isWide(list: ListSheet, row: number): boolean {
  const behind = row > 0 && !tracksOn(list, row - 1);
  return behind || isWall(list, row) || cueAt(list, row).restate === true;
}

/**
 * The keys that run when a row is fired in order, T(k) of docs/rules.md, Times; keys that were marked before are out of it.
 * Row 0 runs from home. Made anew at each call: a caller that needs it often keeps it.
 */
export function transitionAt(list: ListSheet, row: number): readonly Run[] {
  return transitionOf(list, row).runs;
}

/**
 * The whole transition of a row that is fired in order, with what it lets go of.
 * `transitionAt` gives the first half of it.
 */
export function transitionOf(list: ListSheet, row: number): Transition {
  const everyKey = isWide(list, row);
  if (row <= 0) return transitionFrom(list, row, () => Number.NaN, { everyKey, isMarked: heldInto(list, row) });
  const { values } = stateAt(list, row - 1, room("before", list));
  return transitionFrom(list, row, (key) => floatAt(values, key.ordinal), { everyKey, isMarked: heldInto(list, row) });
}

const rooms = new Map<string, LookState>();

/** Room for a look, used again and again since transitions are computed by the hundred; nobody keeps it past one of them. */
function room(use: "before" | "shown", list: ListSheet): LookState {
  const known = rooms.get(use);
  if (known?.values.length === list.keys.all.length) return known;
  const made = emptyState(list);
  rooms.set(use, made);
  return made;
}

/**
 * What a caller of `transitionFrom` knows.
 * Both only save work; a wrong `everyKey` gives a wrong transition.
 */
export interface TransitionScope {
  /** False: nothing but the cue's own moves can differ from the look before. */
  readonly everyKey: boolean;
  /** Keys that a mark has already taken where they belong; they are out of the transition. */
  readonly isMarked: (key: Key) => boolean;
}

/**
 * The transition into a row from any look before it.
 * What a go-to uses, with what is on stage as the look before.
 */
export function transitionFrom(list: ListSheet, row: number, before: LookBefore, { everyKey, isMarked }: TransitionScope): Transition {
  const cue = cueAt(list, row);
  const runs: Run[] = [];
  const letGo: LetGo[] = [];
  const add = (key: Key, to: number, cause: Cause, part: Part, spec: MoveSpec | undefined): void => {
    const from = before(key);
    if (Number.isNaN(to) && key.attribute.family !== "intensity") letGo.push(letGoOf(key, from, part, spec));
    else runs.push(runOf(key, Number.isNaN(from) ? restingAt(list, key, row - 1) : from, to, cause, part, spec));
  };
  const shown = stateAt(list, row, room("shown", list));
  const target = (key: Key): number => floatAt(shown.values, key.ordinal);
  eachMoveAt(list, row, (ordinal, index) => {
    const key = list.keys.all[ordinal];
    const column = list.columns[ordinal];
    if (!key || !column || isMarked(key)) return;
    add(key, target(key), "explicit", partNumbered(cue, column.parts[index] ?? 1), column.specs[index]);
  });
  if (!everyKey) return { runs, letGo };
  const first = firstPart(cue);
  for (const key of list.keys.all) {
    const from = before(key);
    const to = target(key);
    const cause = sameValue(from, to) ? (cue.restate && !Number.isNaN(to) ? "restated" : undefined) : "implied";
    if (!cause || shown.origins[key.ordinal] === row || isMarked(key)) continue;
    add(key, to, cause, first, undefined);
  }
  return { runs, letGo };
}

/** A key of which nothing is said any more. It counts for the duration only where a release move lets go of something that was set. */
function letGoOf(key: Key, before: number, part: Part, spec: MoveSpec | undefined): LetGo {
  const { delay, fade } = timingOf(key.attribute, spec, part, 0, 0);
  return { key, delay, fade, counts: spec !== undefined && isRelease(spec) && !Number.isNaN(before) };
}

/** The run of a key from where it is to this look, with the times of its part and its own. */
function runOf(key: Key, from: number, target: number, cause: Cause, part: Part, spec: MoveSpec | undefined): Run {
  const to = Number.isNaN(target) ? 0 : target;
  const { delay, fade, curve } = timingOf(key.attribute, spec, part, from, to);
  return { key, from, to, delay, fade, curve, cause, part: part.number };
}

/**
 * The part that times what the cue itself does not move: the one with the lowest number.
 * Every cue has one.
 */
export function firstPart(cue: Cue): Part {
  const part = cue.parts[0];
  if (!part) throw new RangeError(`cue ${cue.number} has no part`);
  return part;
}

/**
 * The part of a cue with this number; its first where it has none such.
 * Moves name parts of their own cue, so the first is only a stand-in for data that is being changed.
 */
export function partNumbered(cue: Cue, number: number): Part {
  const first = firstPart(cue);
  return first.number === number ? first : (cue.parts.find((part) => part.number === number) ?? first);
}

/**
 * How long a transition takes: the largest delay + fade of its runs and of the release moves that let go of a set key. Seconds, 0 when it
 * is empty.
 * Without follows: how long the cue itself takes.
 */
export function durationOf({ runs, letGo }: Transition): number {
  const running = runs.reduce((longest, run) => Math.max(longest, run.delay + run.fade), 0);
  return letGo.reduce((longest, each) => (each.counts ? Math.max(longest, each.delay + each.fade) : longest), running);
}
