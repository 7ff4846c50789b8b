import { append } from "../show/append.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { type CheckCache, type ListCache, newCheckCache, newListCache, stillHolds } from "./checkCache.ts";
import { checkActions } from "./actions.ts";
import { checkBlackouts } from "./blackouts.ts";
import { checkChains } from "./chains.ts";
import type { CheckContext } from "./context.ts";
import type { Finding } from "./finding.ts";
import { checkMarks } from "./marks.ts";
import { checkMovesInSlices } from "./moves.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { checkPatch } from "./patch.ts";
import { checkReach } from "./reach.ts";
import { checkWalls } from "./walls.ts";
import { stopsTracking } from "../sheet/tracking.ts";
import { at } from "../show/at.ts";

/** A rule over one list that may pause between its findings. */
type Rule = (context: CheckContext) => Finding[] | Generator<undefined, Finding[]>;

/** The rules that look at one list, in the order in which their findings are told. */
const LIST_RULES: readonly Rule[] = [checkMarks, checkMovesInSlices, checkChains, checkBlackouts, checkWalls, checkReach, checkActions];

/**
 * Everything that is wrong or likely not meant in a show: first the rig, then list by list, in the order of the cues.
 * Never throws for a show that could be read: whatever is in it is a finding at most.
 */
export function checkSheet(sheet: ShowSheet): Finding[] {
  return runToEnd(checkSheetInSlices(sheet));
}

/**
 * As `checkSheet`, as a computation that pauses after each light and each rule, so that a caller that runs it may do something else between. With a
 * cache it costs what an edit touched since; the cache is that of the new state once the last step is done.
 * Findings come by the generator's return. Stopping half way leaves the cache as it was.
 */
export function* checkSheetInSlices(sheet: ShowSheet, cache: CheckCache = newCheckCache()): Generator<undefined, Finding[]> {
  const found = checkPatch(sheet);
  yield;
  const kept = new Map<string, ListCache>();
  for (const list of sheet.lists.values()) {
    const keep = newListCache(list, sheet.show.script);
    append(found, yield* checkListInSlices(sheet, list, keep, cache.lists.get(list.id)));
    kept.set(list.id, keep);
  }
  cache.lists.clear();
  for (const [id, keep] of kept) cache.lists.set(id, keep);
  return found;
}

/** What is wrong or likely not meant in one list, in the order of its cues, then of the channels. */
function* checkListInSlices(
  sheet: ShowSheet,
  list: ListSheet,
  keep: ListCache,
  known: ListCache | undefined,
): Generator<undefined, Finding[]> {
  const nextWall = nextWalls(list);
  const holds = stillHolds(known, list, sheet.show.script);
  const found: Finding[] = [];
  for (const rule of LIST_RULES) {
    const own = rule({ sheet, list, nextWall, holds, keep });
    append(found, Array.isArray(own) ? own : yield* own);
    yield;
  }
  return inOrder(list, found);
}

/** Findings in the order of the cues, then of the channels; those of one place stay in the order of the rules. */
function inOrder(list: ListSheet, found: readonly Finding[]): Finding[] {
  const place = new Map(list.cues.map((cue, row) => [cue.number, row]));
  // One number for each says all of it: there are thousands of findings after every edit, and numbers sort quickest.
  const keys = new Float64Array(found.length);
  found.forEach(({ cue, channel }, index) => {
    const row = cue === null ? 0 : 1 + (place.get(cue) ?? -1);
    keys[index] = (row * CHANNELS + (channel ?? 0)) * FINDINGS + index;
  });
  keys.sort();
  const sorted: Finding[] = [];
  for (const key of keys) sorted.push(at(found, key % FINDINGS));
  return sorted;
}

/** More than there are channels, and more than anybody finds: together with the rows of a list still exact in one number. */
const CHANNELS = 2 ** 17;
const FINDINGS = 2 ** 20;

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
