import { ShowError } from "../../show/errors.ts";
import { paletteOf } from "../../show/move.ts";
import { checkShow } from "../../show/parse.ts";
import { readMove } from "../../show/readMoves.ts";
import { rigOf } from "../../show/rig.ts";
import type { Show } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import { type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { applyEntry } from "../steps/applyEntry.ts";
import { ENTRY_WORDS, type EntryKind, type EntryStep, type ShowEntry, type Step } from "../steps/step.ts";
import { entryChange } from "./entryChange.ts";
import { eachMove } from "./storedMoves.ts";

/**
 * The step that makes a palette, group, pace, channel or fixture type this; refused where what stands in cues would not fit it any more.
 * Everything that refers to the entry is held against it first. Empty where it says that already.
 */
export function planSetEntry(sheet: ShowSheet, of: Exclude<EntryKind, "lists">, id: string, entry: ShowEntry): Step[] {
  const steps = entryChange(sheet.show, of, id, entry);
  const after = steps.reduce(applyEntry, sheet.show);
  refuseFaults(checkShow(after));
  if (of === "channels" || of === "fixtureTypes" || of === "palettes") refuseFaults(movesThatNoLongerFit(sheet, after, of, id));
  return steps;
}

/**
 * Throws ShowError naming the first of these faults, if there are any.
 * The first few are told and the rest counted, since a message has to be read.
 */
export function refuseFaults(faults: readonly string[]): void {
  if (faults.length > 0) throw new ShowError(faults.slice(0, 10));
}

/** A sentence for each stored move of the lights concerned that the changed rig or palette could not hold. */
function movesThatNoLongerFit(sheet: ShowSheet, after: Show, of: EntryKind, id: string): string[] {
  const rig = rigOf(after);
  const palettes = new Map(after.palettes.map((palette) => [palette.id, palette]));
  const concerned = (key: Key): boolean => {
    if (of === "palettes") return true;
    const type = rig.channels.get(key.channel)?.type;
    return of === "channels" ? String(key.channel) === id : type === id;
  };
  return eachMove(sheet, concerned, (spec) => of !== "palettes" || paletteOf(spec) === id).flatMap(({ key, list, row, spec }) => {
    const place = `Cue ${cueAt(list, row).number}, ${key.name}`;
    const attribute = rig.attributes.get(key.channel)?.get(key.attribute.id);
    if (!attribute) return [`${place}: there is a move, and light ${key.channel} would have no ${key.attribute.id}; drop the move first`];
    try {
      readMove(spec, attribute, palettes, place);
      return [];
    } catch (error) {
      if (error instanceof ShowError) return [...error.faults];
      throw error;
    }
  });
}

/**
 * The step that takes an entry away. Throws ShowError when there is none of that name.
 * Users are not looked for: the caller has done that.
 */
export function removal(show: Show, of: EntryKind, id: string): EntryStep[] {
  const steps = entryChange(show, of, id, undefined);
  if (steps.length > 0) return steps;
  throw new ShowError(`There is no ${ENTRY_WORDS[of]} "${id}" to take away`);
}
