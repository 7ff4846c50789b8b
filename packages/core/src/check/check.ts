import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { checkBlackouts } from "./blackouts.ts";
import { checkChains } from "./chains.ts";
import type { CheckContext, Finding } from "./finding.ts";
import { checkMarks } from "./marks.ts";
import { checkMovesInSteps } from "./moves.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { checkPatch } from "./patch.ts";
import { checkReach } from "./reach.ts";
import { checkWalls } from "./walls.ts";
import { stopsTracking } from "../sheet/tracking.ts";
import { at } from "../show/at.ts";

/** A rule over one list that may pause between its findings. */
type Rule = (context: CheckContext) => Finding[] | Generator<undefined, Finding[]>;

/** The rules that look at one list, in the order in which their findings are told. */
const LIST_RULES: readonly Rule[] = [checkMarks, checkMovesInSteps, checkChains, checkBlackouts, checkWalls, checkReach];

/** Everything that is wrong or likely not meant in a show: first the rig, then list by list, in the order of the cues. */
export function checkSheet(sheet: ShowSheet): Finding[] {
  return runToEnd(checkSheetInSteps(sheet));
}

/** As `checkSheet`, as a computation that pauses after each light and each rule, so that whoever runs it may do something else between. */
export function* checkSheetInSteps(sheet: ShowSheet): Generator<undefined, Finding[]> {
  const found = checkPatch(sheet);
  yield;
  for (const list of sheet.lists.values()) found.push(...(yield* checkListInSteps(sheet, list)));
  return found;
}

/** What is wrong or likely not meant in one list, in the order of its cues, then of the channels. */
function* checkListInSteps(sheet: ShowSheet, list: ListSheet): Generator<undefined, Finding[]> {
  const nextWall = nextWalls(list);
  const found: Finding[] = [];
  for (const rule of LIST_RULES) {
    const own = rule({ sheet, list, nextWall });
    found.push(...(Array.isArray(own) ? own : yield* own));
    yield;
  }
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
