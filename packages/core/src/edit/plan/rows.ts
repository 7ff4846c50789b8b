import { cueOrder } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import { type ListSheet, firstRowFrom } from "../../sheet/sheet.ts";

/**
 * The first and last row of a range of cue numbers, both ends included; the numbers themselves need not exist. Throws ShowError when no cue
 * stands in it, or it runs backwards.
 * Rows count from 0. The message says which cues stand nearest.
 */
export function rowsIn(list: ListSheet, from: string, to: string): { first: number; last: number } {
  if (cueOrder(from) > cueOrder(to)) throw new ShowError(`A range runs from the lower cue to the higher; ${from} to ${to} runs backwards`);
  const first = firstRowFrom(list, cueOrder(from));
  const last = firstRowFrom(list, cueOrder(to) + 1) - 1;
  if (first <= last) return { first, last };
  throw new ShowError(`List "${list.id}" has no cue from ${from} to ${to}`);
}

/**
 * Every row of a range, in order.
 * As `rowsIn`, which throws what this throws.
 */
export function eachRow(list: ListSheet, from: string, to: string): number[] {
  const { first, last } = rowsIn(list, from, to);
  return Array.from({ length: last - first + 1 }, (_, index) => first + index);
}
