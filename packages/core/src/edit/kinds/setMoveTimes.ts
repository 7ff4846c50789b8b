import { z } from "zod";
import { type TimesWish, patchedTiming, timesAt } from "../../fan/timesAt.ts";
import { ShowError } from "../../show/errors.ts";
import { makeMove, moveTiming } from "../../show/move.ts";
import type { Family, Pace } from "../../show/schema.ts";
import { columnOf } from "../../sheet/entry.ts";
import type { Key } from "../../sheet/keys.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import type { MoveStep } from "../steps/step.ts";
import { storeStep, targetOfMove } from "../plan/moveSteps.ts";
import { rowsIn } from "../plan/rows.ts";
import { scaledMoveStep, timedMoves } from "../plan/timedMoves.ts";
import { selectKeys } from "../plan/selectKeys.ts";
import { editParts } from "../../show/schema.ts";
import { curve, factor, id, keys, list, range } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { namesWords, rangeWords, saidWords, whoseWords } from "./kindWords.ts";
import { thereIsNo } from "../../show/thereIsNo.ts";

const schema = z.strictObject({
  op: z.literal("setMoveTimes"),
  list,
  ...range,
  keys,
  fade: editParts.spread.nullable().optional(),
  delay: editParts.spread.nullable().optional(),
  curve: curve.nullable().optional(),
  /** A stored pace to apply to the moves, instead of fade, delay and curve. */
  pace: id.optional(),
  /** What own fades and delays are multiplied by, instead; moves without any stay as they are. */
  scale: factor.optional(),
});

type SetMoveTimesEdit = z.infer<typeof schema>;

/**
 * The steps that give stored moves of a range their own times. A fan spreads over the chosen channels in the order in which
 * they are chosen; where none are named, over those that have such a move in the range. Seconds. Throws ShowError where no move is there.
 */
function planSetMoveTimes(sheet: ShowSheet, list: ListSheet, edit: SetMoveTimesEdit): MoveStep[] {
  if (edit.scale !== undefined) return scaledSteps(list, edit, edit.scale);
  const wishFor = wishesOf(sheet, edit);
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const inRange = (key: Key): number[] => columnOf(list, key).rows.flatMap((row, index) => (row >= first && row <= last ? [index] : []));
  const keys = selectKeys(list.keys, edit.keys).filter((key) => wishFor(key.attribute.family) && inRange(key).length > 0);
  if (keys.length === 0)
    throw new ShowError(`None of the chosen lights has a move in cues ${edit.from} to ${edit.to} whose times could be set`);
  const order = [...new Set(edit.keys.channels ?? keys.map((key) => key.channel))];
  return keys.flatMap((key) => {
    const wish = wishFor(key.attribute.family);
    const column = columnOf(list, key);
    const place = order.indexOf(key.channel);
    return inRange(key).flatMap((index) => {
      const move = column.specs[index];
      if (!wish || move === undefined) return [];
      const timing = patchedTiming(moveTiming(move), timesAt(wish, place, order.length));
      return storeStep(list, key, column.rows[index] ?? first, {
        part: column.parts[index] ?? 1,
        move: makeMove(targetOfMove(move), timing),
      });
    });
  });
}

/** The steps that multiply the own times of stored moves. Throws ShowError where none of them has any. */
function scaledSteps(list: ListSheet, edit: SetMoveTimesEdit, scale: number): MoveStep[] {
  if (edit.fade !== undefined || edit.delay !== undefined || edit.curve !== undefined || edit.pace !== undefined)
    throw new ShowError("Own times are either multiplied or set; give scale alone, or fade, delay, curve or a pace");
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const timed = timedMoves(list, selectKeys(list.keys, edit.keys), first, last);
  if (timed.length === 0) throw new ShowError(`No move of the chosen lights has a time of its own in cues ${edit.from} to ${edit.to}`);
  return timed.flatMap((move) => scaledMoveStep(list, move, scale));
}

/**
 * The times that moves of a family are given: those of the edit, or those of the pace. Throws ShowError unless it is exactly one
 * of the two.
 */
function wishesOf(sheet: ShowSheet, { fade, delay, curve, pace }: SetMoveTimesEdit): (family: Family) => TimesWish | undefined {
  const own = { fade, delay, curve };
  const given = fade !== undefined || delay !== undefined || curve !== undefined;
  if (given === (pace !== undefined)) throw new ShowError("Give either a pace, or times of their own: fade, delay or curve");
  if (pace === undefined) return () => own;
  const found = paceNamed(sheet, pace);
  return (family) => found[family];
}

/** The pace of this id. Throws ShowError naming those there are. */
function paceNamed(sheet: ShowSheet, id: string): Pace {
  const found = sheet.show.paces.find((pace) => pace.id === id);
  if (found) return found;
  throw new ShowError(thereIsNo("pace", id, sheet.show.paces));
}

/** Times of their own of single moves: "fade 3, delay 0~2". */
function ownTimesWords({ keys, fade, delay, curve, scale }: SetMoveTimesEdit): string {
  if (scale !== undefined) return [namesWords(keys), `own times × ${scale}`].filter(Boolean).join(" ");
  const times =
    [...saidWords("fade", fade), ...saidWords("delay", delay), ...saidWords("curve", curve)].join(", ") || "own times unchanged";
  return [namesWords(keys), times].filter(Boolean).join(" ");
}

/**
 * Giving stored moves times of their own, or a pace (docs/rules.md, Edits).
 * Seconds or fans; null clears. Only moves that are stored take times: what tracks has none to give them to.
 */
export const setMoveTimes = defineEdit(schema, {
  plan: (sheet, edit) => planSetMoveTimes(sheet, listFor(sheet, edit), edit),
  words: (edit) => `${rangeWords(edit)}, ${whoseWords(edit.keys)}: ${edit.pace === undefined ? ownTimesWords(edit) : `pace ${edit.pace}`}`,
});
