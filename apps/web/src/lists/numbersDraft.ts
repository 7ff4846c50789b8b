import { type EditInput, type ListSheet, cueNumberAt, cueOrder, firstRowFrom, isCueNumber } from "@zm/core";
import { create } from "zustand";

/** A cue's number now, and the one that it would have. */
export interface NewNumber {
  readonly from: string;
  readonly to: string;
}

/** What has been written into the table of numbers. */
export interface NumbersDraft {
  readonly list: string;
  readonly from: string;
  readonly to: string;
  readonly start: string;
  readonly step: string;
  /** By old number, what was written for a cue by itself. */
  readonly own: Readonly<Record<string, string>>;
}

/** The table that was begun last; it is still there when its dialog is opened again for the same cues. */
export const useNumbersDraft = create<{ readonly draft: NumbersDraft | null }>(() => ({ draft: null }));

/** Steps that are proposed, the widest first, in thousandths. */
const STEPS = [1000, 500, 200, 100, 50, 20, 10, 5, 2, 1];

/** A table begun for some cues: from a round number on, in the widest steps that fit before the cue behind them. */
export function beginNumbers(list: ListSheet, { from, to }: { from: string; to: string }): NumbersDraft {
  const rows = rowsOf(list, { from, to });
  const before = list.cues[rows.first - 1];
  const after = list.cues[rows.last + 1];
  const first = list.cues[rows.first];
  const lowest = before ? cueOrder(first?.number ?? from) : 1000;
  const room = after ? cueOrder(after.number) - lowest - 1 : Infinity;
  const count = rows.last - rows.first;
  const step = STEPS.find((each) => each * count <= room) ?? 1;
  return { list: list.id, from, to, start: cueNumberAt(lowest), step: cueNumberAt(step), own: {} };
}

/** The rows of the cues from a number to another, both included. */
export function rowsOf(list: ListSheet, { from, to }: { from: string; to: string }): { first: number; last: number } {
  return { first: firstRowFrom(list, cueOrder(from)), last: firstRowFrom(list, cueOrder(to) + 1) - 1 };
}

/** The cues of the table with the numbers that they would have; what was written for one by itself wins. */
export function tableOf(list: ListSheet, draft: NumbersDraft): NewNumber[] {
  const { first, last } = rowsOf(list, draft);
  const inSteps = isCueNumber(draft.start) && isCueNumber(draft.step);
  return list.cues.slice(first, last + 1).map(({ number }, index) => {
    const stepped = inSteps ? cueNumberAt(cueOrder(draft.start) + index * cueOrder(draft.step)) : number;
    return { from: number, to: draft.own[number] ?? stepped };
  });
}

/** The edit that a table comes to, or what is wrong with what was written; null where every number is what it was. */
export function numbersEdit(list: ListSheet, draft: NumbersDraft): EditInput | { fault: string } | null {
  for (const [name, text] of [
    ["The first number", draft.start],
    ["The step", draft.step],
  ] as const) {
    if (!isCueNumber(text)) return { fault: `${name} is “${text}”; it is a number such as 12 or 12.5` };
  }
  const table = tableOf(list, draft);
  const bad = table.find(({ to }) => !isCueNumber(to));
  if (bad) return { fault: `Cue ${bad.from}: “${bad.to}” is not a cue number; it is a number such as 12 or 12.5` };
  if (table.every(({ from, to }) => from === to)) return null;
  const range = { list: list.id, from: draft.from, to: draft.to };
  const isOwn = table.some(({ from }) => from in draft.own);
  if (!isOwn) return { op: "renumber", ...range, start: draft.start, step: draft.step };
  return { op: "renumber", ...range, numbers: Object.fromEntries(table.flatMap(({ from, to }) => (from === to ? [] : [[from, to]]))) };
}
