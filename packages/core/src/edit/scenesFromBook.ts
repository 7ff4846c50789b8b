import { headingOver } from "../script/headingOver.ts";
import { scriptOf } from "../script/scriptOf.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { ShowError } from "../show/errors.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import type { EditInput } from "./edits.ts";

/**
 * The edits by which the cues of a range get the scenes of the play: a called cue that of the heading over its line, the others that of the
 * called cue before them. One edit for each run of cues that are to have one scene. Throws ShowError where nothing would change.
 */
export function scenesFromBook({ show }: ShowSheet, list: ListSheet, { from, to }: { from: string; to: string }): EditInput[] {
  const script = scriptOf(show);
  const [first, last] = [cueOrder(from), cueOrder(to)];
  const runs: { from: string; to: string; scene: string; changes: boolean }[] = [];
  let scene: string | undefined;
  for (const { number, call, scene: own } of list.cues) {
    scene = (call && headingOver(script, call.line)) ?? scene;
    if (scene === undefined || cueOrder(number) < first || cueOrder(number) > last) continue;
    const open = runs.at(-1);
    if (open?.scene === scene) Object.assign(open, { to: number, changes: open.changes || own !== scene });
    else runs.push({ from: number, to: number, scene, changes: own !== scene });
  }
  const edits = runs
    .filter(({ changes }) => changes)
    .map((run): EditInput => ({ op: "setCue", list: list.id, from: run.from, to: run.to, scene: run.scene }));
  if (edits.length === 0)
    throw new ShowError(`The cues from ${from} to ${to} have the scenes of the play already, or are not called in it`);
  return edits;
}
