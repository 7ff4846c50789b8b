import { type MoveTarget, type MoveTiming, isRelease, makeMove, moveTiming, paletteOf, plainValue, sameMove } from "../../show/move.ts";
import { moveIndexAt } from "../../sheet/column.ts";
import type { Key } from "../../sheet/keys.ts";
import { type Entry, columnOf, sameValue } from "../../sheet/entry.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import type { MoveSpec } from "../../show/schema.ts";
import type { MoveStep, PlacedMove } from "../steps/step.ts";
import { isWall, tracksOn } from "../../sheet/tracking.ts";

/**
 * The move that a row stores for a key, with its part.
 * Undefined where the row stores none, whatever it shows.
 */
export function storedMove(list: ListSheet, key: Key, row: number): PlacedMove | undefined {
  const column = columnOf(list, key);
  const index = moveIndexAt(column, row);
  if (index < 0) return undefined;
  const move = column.specs[index];
  const part = column.parts[index];
  return move === undefined || part === undefined ? undefined : { part, move };
}

/**
 * The step that makes a row store this for a key, or nothing (undefined); none when it already does.
 * A row of none or one step. The part must be there, or be made by an earlier step.
 */
export function storeStep(list: ListSheet, key: Key, row: number, after: PlacedMove | undefined): MoveStep[] {
  const before = storedMove(list, key, row);
  if (before?.part === after?.part && sameMove(before?.move, after?.move)) return [];
  return [{ at: "move", list: list.id, cue: cueAt(list, row).number, channel: key.channel, attribute: key.attribute.id, before, after }];
}

/**
 * As `storeStep`, keeping the part and the times of the move that stands there; a new move goes to the first part.
 * None where it says that already.
 */
export function aimStep(list: ListSheet, key: Key, row: number, target: MoveTarget): MoveStep[] {
  const before = storedMove(list, key, row);
  const timing: MoveTiming = before ? moveTiming(before.move) : {};
  const part = before?.part ?? cueAt(list, row).parts[0]?.number ?? 1;
  return storeStep(list, key, row, { part, move: makeMove(target, timing) });
}

/**
 * The target of a stored move, without its times.
 * What is left is only where it goes.
 */
export function targetOfMove(move: MoveSpec): MoveTarget {
  const palette = paletteOf(move);
  if (palette !== undefined) return { palette };
  const value = plainValue(move);
  return value === undefined ? { release: true } : { value };
}

/**
 * What tracks: a value with the palette it comes from, NaN for unset.
 * What `trackedOut` of a row gives, without the row it came from.
 */
export interface Tracked {
  readonly value: number;
  readonly spec: MoveSpec | undefined;
}

/**
 * True when two tracked values are the same value from the same palette, or both unset.
 * Values within 1e-6. The same number from another palette is something else: it changes with that palette.
 */
export function sameTracked(a: Tracked, b: Tracked): boolean {
  return sameValue(a.value, b.value) && sourceOf(a) === sourceOf(b);
}

/** The palette that a tracked value comes from, if it does. */
function sourceOf({ spec }: Tracked): string | undefined {
  return spec === undefined ? undefined : paletteOf(spec);
}

/**
 * The target of a move that says what was tracked: its palette, its number, or a release where it was unset.
 * To write what tracked in as a move of its own, as blocking does.
 */
export function targetOf(tracked: Tracked): MoveTarget {
  const palette = tracked.spec === undefined ? undefined : paletteOf(tracked.spec);
  if (palette !== undefined) return { palette };
  if (Number.isNaN(tracked.value) || (tracked.spec !== undefined && isRelease(tracked.spec))) return { release: true };
  return { value: tracked.value };
}

/**
 * The moves that keep every look from `row` on as it was, when `now` tracks into it where `was` did. They stand in the
 * next cue that tracks on, and in each cue before it that keeps its moves to itself.
 * Empty where both are the same. `row` counts from 0 and may be behind the last: then there is nothing to restore.
 */
export function restoreFrom(list: ListSheet, key: Key, row: number, now: Tracked, was: Entry): MoveStep[] {
  if (sameTracked(now, was)) return [];
  const steps: MoveStep[] = [];
  for (let at = row; at < list.cues.length; at += 1) {
    if (!isWall(list, at) && !storedMove(list, key, at)) steps.push(...aimStep(list, key, at, targetOf(was)));
    if (tracksOn(list, at)) break;
  }
  return steps;
}
