// What goes with a cue that changes its place among the others: its scene, its call and what it starts stay its own, which is not what everybody expects.
import { actionWords } from "../../script/actionWords.ts";
import { callMoment } from "../../script/scriptTime.ts";
import { callWords } from "../../script/words.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";

/** True for each row whose cue stands behind or before another cue than it did; cues that came or went do not count. `pairs` gives by row the row before. */
export function movedRows(pairs: Int32Array): boolean[] {
  const kept = [...pairs].filter((old) => old >= 0).sort((a, b) => a - b);
  const rankBefore = new Map(kept.map((old, rank) => [old, rank]));
  let rank = -1;
  return [...pairs].map((old) => {
    if (old < 0) return false;
    rank += 1;
    return rankBefore.get(old) !== rank;
  });
}

/**
 * What a cue that has moved takes along, in words: its scene where it is not that of the cues around it, its call, with the called cues that it is out of order with,
 * and what it does besides. Empty for a cue that has none of these.
 */
export function movedWords(sheet: ShowSheet, list: ListSheet, row: number): string[] {
  const cue = list.cues[row];
  if (!cue) return [];
  const { scene, call, actions = [] } = cue;
  const around = [list.cues[row - 1]?.scene, list.cues[row + 1]?.scene].filter((each) => each !== undefined);
  const isStranger = scene !== undefined && around.length > 0 && !around.includes(scene);
  return [
    ...(isStranger ? [`keeps its scene ${scene}, among cues of ${[...new Set(around)].join(" and ")}`] : []),
    ...(call ? [`is still called ${callWords(call)}${outOfOrder(sheet, list, row)}`] : []),
    ...actions.map((action) => `will ${actionWords(action, sheet)} there`),
  ];
}

/** Which called cue it is out of order with: the nearest before it that is called later, or behind it that is called earlier. */
function outOfOrder({ show }: ShowSheet, list: ListSheet, row: number): string {
  const momentOf = (at: number): number | null => callMoment(show.script, list.cues[at]?.call);
  const own = momentOf(row);
  if (own === null) return "";
  for (let far = 1; far < list.cues.length; far += 1) {
    const [before, after] = [momentOf(row - far), momentOf(row + far)];
    if (before !== null && before > own) return `, before cue ${list.cues[row - far]?.number} is`;
    if (after !== null && after < own) return `, after cue ${list.cues[row + far]?.number} is`;
  }
  return "";
}
