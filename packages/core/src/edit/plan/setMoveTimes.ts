import { type TimesWish, patchedTiming, timesAt } from "../../fan/timesAt.ts";
import { ShowError } from "../../show/errors.ts";
import { makeMove, moveTiming } from "../../show/move.ts";
import type { Family, Pace } from "../../show/schema.ts";
import { columnOf } from "../../sheet/entry.ts";
import type { Key } from "../../sheet/keys.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import type { SetMoveTimesEdit } from "../schema/times.ts";
import type { MoveStep } from "../step.ts";
import { storeStep, targetOfMove } from "./moveSteps.ts";
import { rowsIn } from "./rows.ts";
import { selectKeys } from "./selectKeys.ts";

/**
 * The steps that give stored moves of a range their own times. A fan spreads over the chosen channels in the order in which
 * they are chosen; where none are named, over those that have such a move in the range. Seconds.
 */
export function planSetMoveTimes(sheet: ShowSheet, list: ListSheet, edit: SetMoveTimesEdit): MoveStep[] {
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

function wishesOf(sheet: ShowSheet, { fade, delay, curve, pace }: SetMoveTimesEdit): (family: Family) => TimesWish | undefined {
  const own = { fade, delay, curve };
  const given = fade !== undefined || delay !== undefined || curve !== undefined;
  if (given === (pace !== undefined)) throw new ShowError("Give either a pace, or times of their own: fade, delay or curve");
  if (pace === undefined) return () => own;
  const found = paceNamed(sheet, pace);
  return (family) => found[family];
}

function paceNamed(sheet: ShowSheet, id: string): Pace {
  const found = sheet.show.paces.find((pace) => pace.id === id);
  if (found) return found;
  throw new ShowError(`There is no pace "${id}"; the paces are ${sheet.show.paces.map((pace) => pace.id).join(", ") || "none yet"}`);
}
