import { columnOf, sameValue, valueAt } from "../sheet/entry.ts";
import type { Column } from "../sheet/column.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt, onlyLight } from "./finding.ts";
import { at } from "../show/at.ts";
import { count } from "../show/words.ts";

/**
 * Walls in cues that keep their moves to themselves: what stood before the wall comes back behind it.
 * What comes back is hardly ever meant, since a wall was to end it.
 */
export function checkWalls(context: CheckContext): Finding[] {
  const { list, keep } = context;
  return list.trackingBreaks.flatMap((row) => {
    const cue = cueAt(list, row);
    if (cue.block !== true || cue.carries !== "cueOnly" || row + 1 >= list.cues.length) return [];
    if (row === 0) return [];
    const keys = leakingKeys(context, row);
    keep.walls.set(row, keys);
    const leaking = new Set([...keys].map((ordinal) => at(list.keys.all, ordinal).channel));
    if (leaking.size === 0) return [];
    const next = cueAt(list, row + 1).number;
    const message = `Cue ${cue.number} is a wall, but it keeps its moves to itself: in cue ${next} what stood before it comes back, on ${count(leaking.size, "light")}. Let the cue track on, so that the wall holds.`;
    return [
      findingAt(context, "leaks-past-wall", row, onlyLight([...leaking]), message, [
        { op: "setCue", from: cue.number, to: cue.number, carries: null },
      ]),
    ];
  });
}

/** The ordinals of the keys whose value before a wall comes back behind it. */
function leakingKeys({ list, holds }: CheckContext, row: number): ReadonlySet<number> {
  const known = holds?.cache.walls.get(row);
  const leaking = new Set(known);
  for (const key of list.keys.all) {
    if (known && holds && !holds.channels.has(key.channel)) continue;
    if (leaksPast(list, columnOf(list, key), row)) leaking.add(key.ordinal);
    else leaking.delete(key.ordinal);
  }
  return leaking;
}

function leaksPast(list: ListSheet, column: Column, row: number): boolean {
  const before = valueAt(list, column, row - 1);
  if (Number.isNaN(before) || column.rows.includes(row + 1)) return false;
  return sameValue(valueAt(list, column, row + 1), before) && !sameValue(valueAt(list, column, row), before);
}
