import { cueOrder, isCueNumber } from "../show/cueNumber.ts";
import { ShowError } from "../show/errors.ts";
import { type ListSheet, firstRowFrom } from "../sheet/sheet.ts";
import { Fault } from "./names.ts";
import type { Cue } from "../show/schema.ts";
import type { Range } from "./sentence.ts";

/**
 * What work gives.
 * Throws Fault where the show refuses it; it points at the beginning of the line.
 */
export function faultless<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof ShowError) throw new Fault({ message: error.message, at: 0, length: 1 });
    throw error;
  }
}

/** A range of one cue. Throws Fault for what is no cue number. */
export function single(number: string): Range {
  return checkedRange({ from: number, to: number });
}

/** A range whose ends are cue numbers. Throws Fault. */
export function checkedRange(range: Range): Range {
  for (const number of [range.from, range.to]) {
    if (!isCueNumber(number))
      throw new Fault({ message: `${number} is not a cue number; it has at most three decimal places`, at: 0, length: number.length + 1 });
  }
  return range;
}

/** The cues that stand in a range, both ends included. Throws Fault where none does. */
export function cuesIn(list: ListSheet, { from, to }: Range): readonly Cue[] {
  const cues = list.cues.slice(firstRowFrom(list, cueOrder(from)), firstRowFrom(list, cueOrder(to) + 1));
  if (cues.length === 0) throw new Fault({ message: `No cue from ${from} to ${to} is in the list`, at: 0, length: 1 });
  return cues;
}
