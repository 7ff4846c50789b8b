import { columnOf, sameValue, valueAt } from "../sheet/entry.ts";
import { cueAt } from "../sheet/sheet.ts";
import { type CheckContext, type Finding, findingAt, onlyLight } from "./finding.ts";
import { count } from "../show/words.ts";

/** Walls in cues that keep their moves to themselves: what stood before the wall comes back behind it. */
export function checkWalls(context: CheckContext): Finding[] {
  const { list } = context;
  return list.trackingBreaks.flatMap((row) => {
    const cue = cueAt(list, row);
    if (cue.block !== true || cue.carries !== "cueOnly" || row + 1 >= list.cues.length) return [];
    const leaking = new Set<number>();
    for (const key of list.keys.all) {
      const column = columnOf(list, key);
      const before = valueAt(list, column, row - 1);
      if (row === 0 || Number.isNaN(before) || column.rows.includes(row + 1)) continue;
      if (sameValue(valueAt(list, column, row + 1), before) && !sameValue(valueAt(list, column, row), before)) leaking.add(key.channel);
    }
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
