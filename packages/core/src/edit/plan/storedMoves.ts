import { at } from "../../show/at.ts";
import { paletteOf } from "../../show/move.ts";
import type { MoveSpec } from "../../show/schema.ts";
import { columnOf } from "../../sheet/entry.ts";
import type { Key } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";

/**
 * One stored move anywhere in the show: its list, key, row and part.
 * Rows and parts as in its list; the key belongs to the rig of the sheet.
 */
export interface Stored {
  readonly list: ListSheet;
  readonly key: Key;
  readonly row: number;
  readonly part: number;
  readonly spec: MoveSpec;
}

/**
 * Every stored move of the show whose key and whose content are wanted, list by list.
 * Within a list by key, then by row. Costs a walk over the columns of the wanted keys alone.
 */
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

/**
 * Every stored move of the show that refers to a palette.
 * Columns know their palettes, so that lists without it cost nothing.
 */
export function paletteUsers(sheet: ShowSheet, palette: string): Stored[] {
  return eachMove(
    sheet,
    () => true,
    (spec) => paletteOf(spec) === palette,
  );
}

/**
 * How many stored moves of the whole show refer to a palette.
 * Held looks are not counted: they are no moves.
 */
export function paletteUses(sheet: ShowSheet, palette: string): number {
  return paletteUsers(sheet, palette).length;
}

/**
 * The cues in which moves stand, for a refusal: "cues 1, 2 and 3 more".
 * Each cue once, in the order of the moves.
 */
export function cuesOf(users: readonly Stored[]): string {
  const cues = [...new Set(users.map(({ list, row }) => cueAt(list, row).number))];
  return `${cues.length === 1 ? "cue" : "cues"} ${some(cues)}`;
}

/**
 * The first few of some names, and how many more there are.
 * As they stand in a sentence; empty for no names.
 */
export function some(names: readonly string[]): string {
  return names.length > 6 ? `${names.slice(0, 6).join(", ")} and ${names.length - 6} more` : names.join(", ");
}
