// Many edits of one kind in a row, planned as one: a range of cues is deleted, moved or copied in the time that its last cue would take, and to the same document.
import { ShowError } from "../show/errors.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, listOf, rowOf } from "../sheet/sheet.ts";
import type { Edit } from "./edits.ts";
import { deletionInSlices } from "./plan/deletion.ts";
import { movedCueSteps } from "./plan/movedCues.ts";
import { wholeCueSteps } from "./plan/wholeCue.ts";
import type { Step } from "./steps/step.ts";

type Of<Op extends Edit["op"]> = Extract<Edit, { op: Op }>;

/** What some edits come to one behind the other: a row of plans, each on the show that the one before it leaves. Undefined is a pause: the show stays as it is. */
export type PlansTogether = Generator<readonly Step[] | undefined, void, ShowSheet>;

/**
 * The edits in a row that can be planned as one with the first of them, at least two; only the first where they cannot.
 * Those of one kind that speak of one list and say the same of what becomes of looks.
 */
export function runOf(edits: readonly Edit[], from: number): readonly Edit[] {
  const first = edits[from];
  if (!first) return [];
  let end = from + 1;
  for (let next = edits[end]; next && isAlike(first, next); next = edits[end]) end += 1;
  return edits.slice(from, end);
}

function isAlike(a: Edit, b: Edit): boolean {
  if (a.op === "deleteCue" && b.op === "deleteCue") return a.list === b.list && a.looks === b.looks;
  if (a.op === "moveCue" && b.op === "moveCue") return a.list === b.list && a.looks === b.looks;
  if (a.op === "copyCue" && b.op === "copyCue")
    return a.list === b.list && a.toList === b.toList && [a, b].every(({ what, after }) => what === "moves" && after === "track");
  return false;
}

/** True for edits that `runOf` gives together. */
function areOf<Op extends Edit["op"]>(op: Op, edits: readonly Edit[]): edits is Of<Op>[] {
  return edits.every((edit) => edit.op === op);
}

/**
 * Plans edits that `runOf` gives, several of them, as one. Throws ShowError, naming the thing, where one of them cannot be made. Undefined for a single edit, and where they
 * have to be planned one by one.
 */
export function planTogether(sheet: ShowSheet, edits: readonly Edit[]): PlansTogether | undefined {
  if (edits.length < 2) return undefined;
  if (areOf("deleteCue", edits)) return deleted(sheet, listOf(sheet, edits[0]?.list), edits);
  if (areOf("moveCue", edits)) return one(movedSteps(sheet, listOf(sheet, edits[0]?.list), edits));
  if (areOf("copyCue", edits)) return one(copiedSteps(sheet, listOf(sheet, edits[0]?.list), edits));
  return undefined;
}

function* one(steps: readonly Step[]): PlansTogether {
  yield steps;
}

/** Deletes stretch by stretch, the last first, so that the rows of those before it stay what they are. */
function* deleted(sheet: ShowSheet, list: ListSheet, edits: readonly Of<"deleteCue">[]): PlansTogether {
  const rows = new Set<number>();
  for (const { cue } of edits) {
    const row = rowOf(list, cue);
    if (rows.has(row)) throw new ShowError(`Cue ${cue} is deleted twice`);
    rows.add(row);
  }
  const keepsLooks = edits[0]?.looks === "keepLooks";
  let current = sheet;
  for (const { first, last } of stretchesOf(rows).reverse())
    current = yield yield* deletionInSlices(current, listOf(current, list.id), first, last, keepsLooks);
}

/** Rows as stretches of neighbours. */
function stretchesOf(rows: ReadonlySet<number>): { first: number; last: number }[] {
  const stretches: { first: number; last: number }[] = [];
  for (const row of [...rows].sort((a, b) => a - b)) {
    const newest = stretches.at(-1);
    if (newest && newest.last === row - 1) newest.last = row;
    else stretches.push({ first: row, last: row });
  }
  return stretches;
}

/** All numbers change at once; each must be free when its turn comes, as if they moved one by one. */
function movedSteps(sheet: ShowSheet, list: ListSheet, edits: readonly Of<"moveCue">[]): Step[] {
  const origin = new Map(list.cues.map(({ number }) => [number, number]));
  for (const edit of edits) {
    // A cue may be named as it is written or as it has become.
    const from = origin.has(edit.cue) ? edit.cue : cueAt(list, rowOf(list, edit.cue)).number;
    const was = origin.get(from);
    if (was === undefined) throw new ShowError(`List "${list.id}" has no cue ${edit.cue} any more; it was moved already`);
    if (from === edit.to) continue;
    if (origin.has(edit.to)) throw new ShowError(`List "${list.id}" already has a cue ${edit.to}; choose another number`);
    origin.delete(from);
    origin.set(edit.to, was);
  }
  const changed = [...origin].flatMap(([to, from]) => (to === from ? [] : [{ from, to }]));
  return movedCueSteps(sheet, list, changed, edits[0]?.looks ?? "letGo");
}

/** Copies of what cues store, with later looks following: none of them changes what another copies. */
function copiedSteps(sheet: ShowSheet, list: ListSheet, edits: readonly Of<"copyCue">[]): Step[] {
  const target = listOf(sheet, edits[0]?.toList ?? list.id);
  const taken = new Set<string>();
  return edits.flatMap(({ cue, to }) => {
    if (taken.has(to) || findRow(target, to) >= 0)
      throw new ShowError(`List "${target.id}" already has a cue ${to}; choose another number for the copy`);
    taken.add(to);
    return wholeCueSteps(sheet, target, { ...cueAt(list, rowOf(list, cue)), number: to });
  });
}
