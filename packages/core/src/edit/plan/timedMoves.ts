import { makeMove, moveTiming } from "../../show/move.ts";
import { columnOf } from "../../sheet/entry.ts";
import { at } from "../../show/at.ts";
import type { Key } from "../../sheet/keys.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import type { MoveStep, PlacedMove } from "../steps/step.ts";
import { storeStep, targetOfMove } from "./moveSteps.ts";
import { scaledTiming } from "./scaledTimes.ts";

/** A stored move that has a fade or a delay of its own, and where it stands. One that only has a curve is not timed. */
interface TimedMove extends PlacedMove {
  readonly key: Key;
  readonly row: number;
}

/**
 * The moves of these keys in rows first to last that have a fade or a delay of their own.
 * What the parts time is not in it.
 */
export function timedMoves(list: ListSheet, keys: readonly Key[], first: number, last: number): TimedMove[] {
  return keys.flatMap((key) => {
    const { rows, specs, parts } = columnOf(list, key);
    return specs.flatMap((move, index) => {
      const row = at(rows, index);
      const { fade, delay } = moveTiming(move);
      if (row < first || row > last || (fade === undefined && delay === undefined)) return [];
      return [{ key, row, move, part: parts[index] ?? 1 }];
    });
  });
}

/**
 * The step that multiplies the own times of a move.
 * A row of one step, or of none where the factor changes nothing.
 */
export function scaledMoveStep(list: ListSheet, { key, row, move, part }: TimedMove, factor: number): MoveStep[] {
  return storeStep(list, key, row, { part, move: makeMove(targetOfMove(move), scaledTiming(moveTiming(move), factor)) });
}
