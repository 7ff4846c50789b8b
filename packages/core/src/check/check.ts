import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { checkBlackouts } from "./blackouts.ts";
import { checkChains } from "./chains.ts";
import type { CheckContext, Finding } from "./finding.ts";
import { checkMarks } from "./marks.ts";
import { checkMoves } from "./moves.ts";
import { checkPatch } from "./patch.ts";
import { checkReach } from "./reach.ts";
import { checkWalls } from "./walls.ts";
import { stopsTracking } from "../sheet/tracking.ts";
import { at } from "../show/at.ts";

/** The rules that look at one list, in the order in which their findings are told. */
const LIST_RULES: readonly ((context: CheckContext) => Finding[])[] = [
  checkMarks,
  checkMoves,
  checkChains,
  checkBlackouts,
  checkWalls,
  checkReach,
];

/** Everything that is wrong or likely not meant in a show: first the rig, then list by list, in the order of the cues. */
export function checkSheet(sheet: ShowSheet): Finding[] {
  return [...checkPatch(sheet), ...[...sheet.lists.values()].flatMap((list) => checkList(sheet, list))];
}

/** What is wrong or likely not meant in one list, in the order of its cues, then of the channels. */
export function checkList(sheet: ShowSheet, list: ListSheet): Finding[] {
  const nextWall = nextWalls(list);
  const found = LIST_RULES.flatMap((rule) => rule({ sheet, list, nextWall }));
  const place = new Map(list.cues.map((cue, row) => [cue.number, row]));
  const order = ({ cue }: Finding): number => (cue === null ? -1 : (place.get(cue) ?? -1));
  return found.sort((a, b) => order(a) - order(b) || (a.channel ?? 0) - (b.channel ?? 0));
}

/** By row: the next row that stops what tracks; the number of rows where there is none. */
function nextWalls(list: ListSheet): Int32Array {
  const next = new Int32Array(list.cues.length);
  let wall = list.cues.length;
  for (let row = list.cues.length - 1; row >= 0; row -= 1) {
    next[row] = wall;
    if (stopsTracking(at(list.tracking, row))) wall = row;
  }
  return next;
}
