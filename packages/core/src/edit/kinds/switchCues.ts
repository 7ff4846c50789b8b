import { z } from "zod";
import { byNumber, cueOrder } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import { readCueMoves } from "../../show/parse.ts";
import { rigOf } from "../../show/rig.ts";
import type { Cue } from "../../show/schema.ts";
import { count } from "../../show/words.ts";
import { type ListSheet, type ShowSheet, findRow } from "../../sheet/sheet.ts";
import { deletionSteps } from "../plan/deletion.ts";
import { entryChange } from "../plan/entryChange.ts";
import { list, range } from "../plan/fields.ts";
import { rowsIn } from "../plan/rows.ts";
import { checkActions, wholeCueSteps } from "../plan/wholeCue.ts";
import { withoutMissing } from "../plan/withoutMissing.ts";
import { listHeadOf } from "../steps/applyEntry.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const offSchema = z.strictObject({ op: z.literal("switchOff"), list, ...range });
const onSchema = z.strictObject({ op: z.literal("switchOn"), list, ...range, skipMissing: z.boolean().default(false) });

/** The steps that keep these as the switched off cues of a list, in the order of their numbers. */
function keptSteps(sheet: ShowSheet, { list: of }: ListSheet, off: readonly Cue[]): Step[] {
  const { off: _off, ...head } = listHeadOf(of);
  const inOrder = off.toSorted(byNumber);
  return entryChange(sheet.show, "lists", of.id, inOrder.length > 0 ? { ...head, off: inOrder } : head);
}

/** The steps that switch cues off: they leave the list as if they had never been there, and are kept beside it. */
function planSwitchOff(sheet: ShowSheet, { from, to, ...edit }: z.infer<typeof offSchema>): Step[] {
  const list = listFor(sheet, edit);
  const { first, last } = rowsIn(list, from, to);
  const going = list.cues.slice(first, last + 1);
  const kept = list.list.off ?? [];
  const taken = kept.find(({ number }) => going.some((cue) => cue.number === number));
  if (taken)
    throw new ShowError(`List "${list.id}" already has a cue ${taken.number} that is switched off; give one of the two another number`);
  return [...deletionSteps(sheet, list, first, last, false), ...keptSteps(sheet, list, [...kept, ...going])];
}

/** The switched off cues of a range. Throws ShowError, naming those there are, where none stands in it. */
function cuesOff(list: ListSheet, from: string, to: string): Cue[] {
  const kept = list.list.off ?? [];
  const chosen = kept.filter(({ number }) => cueOrder(number) >= cueOrder(from) && cueOrder(number) <= cueOrder(to));
  if (chosen.length > 0) return chosen;
  const named = from === to ? `Cue ${from} is` : `No cue from ${from} to ${to} is`;
  const are = kept.length === 0 ? "none is" : `these are: ${kept.map(({ number }) => number).join(", ")}`;
  throw new ShowError(`${named} ${from === to ? "not " : ""}switched off in list "${list.id}"; ${are}`);
}

/** The steps that put switched off cues back where their numbers stand. Throws ShowError where a number is taken, or what they speak of is gone. */
function planSwitchOn(sheet: ShowSheet, { from, to, skipMissing, ...edit }: z.infer<typeof onSchema>): Step[] {
  const list = listFor(sheet, edit);
  const chosen = cuesOff(list, from, to);
  const rig = rigOf(sheet.show);
  const coming = chosen.map((cue) => {
    if (findRow(list, cue.number) >= 0)
      throw new ShowError(`List "${list.id}" has another cue ${cue.number} by now; give that one another number first`);
    const wanted = skipMissing ? withoutMissing(cue, rig, sheet.palettes.byId) : cue;
    const faults: string[] = [];
    const read = readCueMoves(wanted, rig, sheet.palettes.byId, `Cue ${cue.number}`, faults);
    if (faults.length > 0)
      throw new ShowError([
        `${faults[0] ?? ""}; ${count(faults.length, "thing")} it speaks of can be left out: "switch on #${cue.number} leave"`,
      ]);
    checkActions(sheet, read);
    return read;
  });
  const left = (list.list.off ?? []).filter((cue) => !chosen.includes(cue));
  return [...coming.flatMap((cue) => wholeCueSteps(sheet, list, cue)), ...keptSteps(sheet, list, left)];
}

/**
 * Switching cues off: they are skipped as if they were not in the list, and kept with all that they hold.
 * Later looks follow, as they do where a cue is deleted with its moves.
 */
export const switchOff = defineEdit(offSchema, {
  plan: planSwitchOff,
  words: (edit) => `${rangeWords(edit)} switched off`,
});

/**
 * Switching cues on again, where their numbers stand.
 * Refused where a number is taken by now. What is gone from the rig since refuses it too, or is left out with `skipMissing`.
 */
export const switchOn = defineEdit(onSchema, {
  plan: planSwitchOn,
  words: (edit) => `${rangeWords(edit)} switched on`,
});
