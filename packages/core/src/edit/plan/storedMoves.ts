import { at } from "../../show/at.ts";
import { paletteOf } from "../../show/move.ts";
import type { MoveSpec } from "../../show/schema.ts";
import { columnOf } from "../../sheet/entry.ts";
import type { Key } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";

/** One stored move anywhere in the show: its list, key, row and part. */
export interface Stored {
  readonly list: ListSheet;
  readonly key: Key;
  readonly row: number;
  readonly part: number;
  readonly spec: MoveSpec;
}

/** Every stored move of the show whose key and whose content are wanted, list by list. */
export function eachMove(
  sheet: ShowSheet,
  keyWanted: (key: Key) => boolean,
  specWanted: (spec: MoveSpec) => boolean = () => true,
): Stored[] {
  return [...sheet.lists.values()].flatMap((list) =>
    list.keys.all.filter(keyWanted).flatMap((key) => {
      const column = columnOf(list, key);
      return column.specs.flatMap((spec, index) =>
        specWanted(spec) ? [{ list, key, spec, row: at(column.rows, index), part: column.parts[index] ?? 1 }] : [],
      );
    }),
  );
}

/** Every stored move of the show that refers to a palette. */
export function paletteUsers(sheet: ShowSheet, palette: string): Stored[] {
  return eachMove(
    sheet,
    () => true,
    (spec) => paletteOf(spec) === palette,
  );
}

/** How many stored moves of the whole show refer to a palette. */
export function paletteUses(sheet: ShowSheet, palette: string): number {
  return paletteUsers(sheet, palette).length;
}

/** The cues in which moves stand, for a refusal: "cues 1, 2 and 3 more". */
export function cuesOf(users: readonly Stored[]): string {
  const cues = [...new Set(users.map(({ list, row }) => cueAt(list, row).number))];
  return `${cues.length === 1 ? "cue" : "cues"} ${some(cues)}`;
}

/** The first few of some names, and how many more there are. */
export function some(names: readonly string[]): string {
  return names.length > 6 ? `${names.slice(0, 6).join(", ")} and ${names.length - 6} more` : names.join(", ");
}
