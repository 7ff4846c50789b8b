import { sameData } from "../../show/sameData.ts";
import type { MarkSettings } from "../../show/schema.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import type { Step } from "../steps/step.ts";

/**
 * The step that gives cues other numbers, and those that let every mark that names one of them go on naming it. None for an empty table.
 * All numbers change at once, so that two cues can also exchange theirs. Marks that name them follow.
 */
export function renumberSteps(list: ListSheet, cues: { from: string; to: string }[]): Step[] {
  if (cues.length === 0) return [];
  const numbers = new Map(cues.map(({ from, to }) => [from, to]));
  const marks = list.cues.flatMap((cue): Step[] => {
    if (!cue.mark) return [];
    const mark = renamedMark(cue.mark, (number) => numbers.get(number) ?? number);
    if (sameData(mark, cue.mark)) return [];
    return [{ at: "cue", list: list.id, cue: numbers.get(cue.number) ?? cue.number, before: headOf(cue), after: { ...headOf(cue), mark } }];
  });
  return [{ at: "renumber", list: list.id, cues }, ...marks];
}

/** Mark settings that go on naming the same cues under their new numbers. `named` gives the number of a cue afterwards. */
export function renamedMark(mark: MarkSettings, named: (number: string) => string): MarkSettings {
  const channels =
    mark.channels &&
    Object.fromEntries(
      Object.entries(mark.channels).map(([channel, own]) => [channel, own.at === undefined ? own : { ...own, at: named(own.at) }]),
    );
  return { ...mark, ...(mark.at === undefined ? {} : { at: named(mark.at) }), ...(channels ? { channels } : {}) };
}
