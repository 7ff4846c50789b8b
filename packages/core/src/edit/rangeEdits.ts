// Ranges of cues that go elsewhere, as edits of single cues in the order in which each can be made: a planner on top of the edits, not one of them.
import { type CueNumber, cueNumberAt, cueOrder, isCueNumber } from "../show/cueNumber.ts";
import { ShowError } from "../show/errors.ts";
import { type ListSheet, firstRowFrom } from "../sheet/sheet.ts";
import type { EditInput } from "./edits.ts";
import { rowsIn } from "./plan/rows.ts";

/**
 * Which cues go where: a range of one list, the number that its first takes (undefined: all keep theirs), and the list that they go to.
 * For copies and moves alike. The range is by cue numbers, which need not exist themselves.
 */
export interface RangeMove {
  readonly list: ListSheet;
  readonly from: string;
  readonly to: string;
  /** The number of the first cue where it goes; left out, all keep their numbers. */
  readonly start?: string | undefined;
  /** The list that they go to; left out, the same. */
  readonly into?: ListSheet | undefined;
}

/** Rounder steps first: whole numbers, halves, tenths, down to a thousandth. */
const STEPS = [1000, 500, 100, 50, 10, 5, 1];

/**
 * The numbers that the cues of a range take where they go. They keep their distances where they fit between the cues that stand
 * there, and else stand as widely as there is room. Throws ShowError where there is none.
 * One for each cue of the range, rising. `isMove`: their old places count as free.
 */
export function numbersFor({ list, from, to, start, into = list }: RangeMove, isMove: boolean): CueNumber[] {
  const { first, last } = rowsIn(list, from, to);
  const orders = list.order.slice(first, last + 1);
  const begin = start === undefined ? (orders[0] ?? 0) : cueOrder(start);
  const leaving = new Set(isMove && into === list ? orders : []);
  const standing = into.order.filter((order) => !leaving.has(order));
  const next = standing.find((order) => order >= begin) ?? Infinity;
  const kept = orders.map((order) => order - (orders[0] ?? 0) + begin);
  if ((kept.at(-1) ?? begin) < next) return kept.map(checkedNumber);
  // Between lists cues stand among the others under their numbers, as long as each is free.
  if (into !== list && kept.every((order) => !standing.includes(order))) return kept.map(checkedNumber);
  const step = STEPS.find((each) => begin + each * (orders.length - 1) < next);
  if (next === begin) throw new ShowError(`List "${into.id}" already has a cue ${cueNumberAt(begin)}; choose another number`);
  if (step === undefined)
    throw new ShowError(
      `${orders.length} cues do not fit between ${cueNumberAt(begin)} and ${cueNumberAt(next)}; start at another number or renumber first`,
    );
  return orders.map((_, index) => checkedNumber(begin + index * step));
}

/** The number at a place in the order. Throws ShowError beyond the six digits that a number may have. */
function checkedNumber(order: number): CueNumber {
  const number = cueNumberAt(order);
  if (isCueNumber(number)) return number;
  throw new ShowError(`${number} is not a cue number; numbers have at most six digits before the point`);
}

/**
 * The edits that copy a range of cues, with what they store or with their whole looks; `restore` lets the looks behind them stay as they
 * are.
 * One edit for each cue, in an order in which each number is free when its turn comes. Together they are one gesture.
 */
export function copyRangeEdits(rangeMove: RangeMove, what: "moves" | "look", after: "track" | "restore"): EditInput[] {
  const { list, into } = rangeMove;
  const numbers = numbersFor(rangeMove, false);
  const { first } = rowsIn(list, rangeMove.from, rangeMove.to);
  const toList = into && into !== list ? { toList: into.id } : {};
  return numbers.map((to, index) => {
    const cue = list.cues[first + index]?.number ?? rangeMove.from;
    return { op: "copyCue", list: list.id, cue, to, ...toList, what, after };
  });
}

/**
 * The edits that move a range of cues to other numbers or into another list. With `keepLooks` every look stays what it was, that of
 * the cues which move too; else they take along what they store, and later looks follow.
 * Within a list the cues stay the same cues. Together they are one gesture.
 */
export function moveRangeEdits(rangeMove: RangeMove, looks: "keepLooks" | "letGo"): EditInput[] {
  const { list, into = list } = rangeMove;
  const { first, last } = rowsIn(list, rangeMove.from, rangeMove.to);
  const cues = list.cues.slice(first, last + 1).map(({ number }) => number);
  if (into !== list) {
    const copies = copyRangeEdits(rangeMove, looks === "keepLooks" ? "look" : "moves", looks === "keepLooks" ? "restore" : "track");
    return [...copies, ...cues.map((cue): EditInput => ({ op: "deleteCue", list: list.id, cue, looks }))];
  }
  const numbers = numbersFor(rangeMove, true);
  const moves = cues.map((cue, index): EditInput => ({ op: "moveCue", list: list.id, cue, to: numbers[index] ?? cue, looks }));
  // Towards the end the last goes first, so that none takes a number that another still has.
  return cueOrder(numbers[0] ?? rangeMove.from) > cueOrder(cues[0] ?? rangeMove.from) ? moves.reverse() : moves;
}

/**
 * The edits that insert a cue behind a wall: the cue that comes after it is blocked first, so that nothing of the new one leaks into later
 * looks.
 * Behind the last cue there is nothing to wall off. Throws ShowError for a number that is taken.
 */
export function walledInsertEdits(list: ListSheet, cue: string, label: string | undefined): EditInput[] {
  const next = list.cues[firstRowFrom(list, cueOrder(cue) + 1)];
  const insert: EditInput = { op: "insertCue", list: list.id, cue, ...(label === undefined ? {} : { label }) };
  if (!next) return [insert];
  return [{ op: "block", list: list.id, from: next.number, to: next.number }, insert];
}
