import { cueNumberAt, cueOrder, isCueNumber } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import type { Cue, MarkSettings } from "../../show/schema.ts";
import { type ListSheet, cueAt, findRow, rowOf } from "../../sheet/sheet.ts";
import { headOf } from "../apply.ts";
import { sameData } from "../../show/sameData.ts";
import type { MoveCueEdit, RenumberEdit } from "../schema/cues.ts";
import type { Step } from "../step.ts";
import { rowsIn } from "./rows.ts";

/** The steps that give the cues of a range new numbers from `start` on. Their order stays: a number that would pass a neighbour is refused. */
export function planRenumber(list: ListSheet, edit: RenumberEdit): Step[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const step = cueOrder(edit.step);
  if (step === 0) throw new ShowError("The step from one number to the next is 0; give one above 0");
  const start = cueOrder(edit.start);
  const cues = list.cues.slice(first, last + 1).map((cue, index) => ({ from: cue.number, to: numberAt(start + index * step) }));
  refuseCrossing(list, first, last, cues.at(0)?.to ?? edit.start, cues.at(-1)?.to ?? edit.start);
  return renumberSteps(
    list,
    cues.filter(({ from, to }) => from !== to),
  );
}

function numberAt(order: number): string {
  const number = cueNumberAt(order);
  if (isCueNumber(number)) return number;
  throw new ShowError(`${number} is not a cue number; numbers have at most six digits before the point. Start lower or take smaller steps`);
}

function refuseCrossing(list: ListSheet, first: number, last: number, lowest: string, highest: string): void {
  const before = list.cues[first - 1];
  const after = list.cues[last + 1];
  if (before && cueOrder(lowest) <= cueOrder(before.number))
    throw new ShowError(`The cues would begin at ${lowest}, and cue ${before.number} stands before them; start above it`);
  if (after && cueOrder(highest) >= cueOrder(after.number))
    throw new ShowError(
      `The cues would reach ${highest}, and cue ${after.number} stands behind them; start lower, take smaller steps or include it`,
    );
}

/** The steps that move a cue with all it stores to another place in its list. Later looks follow. */
export function planMoveCue(list: ListSheet, edit: MoveCueEdit): Step[] {
  const cue = cueAt(list, rowOf(list, edit.cue));
  if (cue.number === edit.to) return [];
  if (findRow(list, edit.to) >= 0) throw new ShowError(`List "${list.id}" already has a cue ${edit.to}; choose another number`);
  return renumberSteps(list, [{ from: cue.number, to: edit.to }]);
}

/** The step that gives cues other numbers, and those that let every mark that names one of them go on naming it. */
function renumberSteps(list: ListSheet, cues: { from: string; to: string }[]): Step[] {
  if (cues.length === 0) return [];
  const numbers = new Map(cues.map(({ from, to }) => [from, to]));
  const marks = list.cues.flatMap((cue): Step[] => {
    if (!cue.mark) return [];
    const mark = renamedMark(cue.mark, numbers);
    if (sameData(mark, cue.mark)) return [];
    return [{ at: "cue", list: list.id, cue: numbers.get(cue.number) ?? cue.number, before: headOf(cue), after: { ...headOf(cue), mark } }];
  });
  return [{ at: "renumber", list: list.id, cues }, ...marks];
}

function renamedMark(mark: MarkSettings, numbers: ReadonlyMap<string, string>): NonNullable<Cue["mark"]> {
  const named = (number: string): string => numbers.get(number) ?? number;
  const channels =
    mark.channels &&
    Object.fromEntries(Object.entries(mark.channels).map(([channel, own]) => [channel, "at" in own ? { at: named(own.at) } : own]));
  return { ...mark, ...(mark.at === undefined ? {} : { at: named(mark.at) }), ...(channels ? { channels } : {}) };
}
