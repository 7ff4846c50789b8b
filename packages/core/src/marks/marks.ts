import { firstNotBelow } from "../show/search.ts";
import { at } from "../show/at.ts";
import type { Key } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { marksByChannel, sortedMarks } from "./marksByChannel.ts";
import { type Mark, markedKeys } from "./mark.ts";

/**
 * Every mark of a list, by the row of the call, then by channel; kept for as long as the list stays the same.
 * Live lights are in it as well, with `markAt` null: Check and planner speak of them.
 */
export function marksOf(list: ListSheet): readonly Mark[] {
  return sortedMarks(list);
}

/** The mark of a light whose dark window, or whose call, is at a row: the next call from there on. */
function markAround(list: ListSheet, channel: number, row: number): Mark | undefined {
  const marks = marksByChannel(list).get(channel) ?? [];
  return marks[firstNotBelow(marks.length, (place) => at(marks, place).calledAt, row)];
}

/**
 * The marks that are made when this row is fired in its order.
 * Empty for a row in which nothing is prepared. Playback starts them once their lights are dark.
 */
export function marksMadeAt(list: ListSheet, row: number): Mark[] {
  return around(list, row + 1).filter((mark) => mark.markAt === row);
}

/**
 * The marks that are made when the list goes to this row out of its order: all whose window it lands in after their own cue.
 * Their own cue lies at or before the row, their call behind it, and the light is dark in the row (docs/rules.md, Marks).
 */
export function marksMadeByGoto(list: ListSheet, row: number): Mark[] {
  return around(list, row + 1).filter((mark) => mark.markAt !== null && mark.markAt <= row);
}

/** The mark of each light whose dark window or call is at a row. */
function around(list: ListSheet, row: number): Mark[] {
  const found: Mark[] = [];
  for (const channel of list.keys.byChannel.keys()) {
    const mark = markAround(list, channel, row);
    if (mark) found.push(mark);
  }
  return found;
}

/**
 * Tells of a key whether a mark has already taken it where it belongs, so that it is out of the row's transition.
 * Such keys are out of T(X+1) to T(k), k included. `row` is the one that is fired.
 */
export function heldInto(list: ListSheet, row: number): (key: Key) => boolean {
  const held = new Map<number, readonly number[]>();
  return ({ channel, ordinal }) => {
    let own = held.get(channel);
    if (!own) {
      const mark = markAround(list, channel, row);
      own = mark && mark.markAt !== null && row > mark.markAt ? mark.ordinals : [];
      held.set(channel, own);
    }
    return own.includes(ordinal);
  };
}

/**
 * By key ordinal, where a mark holds the keys that are out of a row's transition.
 * Values are in the attribute's own unit; keys that no mark holds are not in the map.
 */
export function markedInto(list: ListSheet, row: number): Map<number, number> {
  const held = new Map<number, number>();
  for (const mark of around(list, row)) {
    if (mark.markAt === null || row <= mark.markAt) continue;
    for (const { key, to } of markedKeys(list, mark)) held.set(key.ordinal, to);
  }
  return held;
}
