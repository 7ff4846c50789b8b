import type { EditInput, KeySelection } from "../edit/index.ts";
import { ShowError } from "../show/errors.ts";
import { paletteOf, plainValue } from "../show/move.ts";
import type { MoveSpec, Moves } from "../show/schema.ts";
import { entryAt } from "../sheet/entry.ts";
import { resolve } from "../sheet/palettes.ts";
import { type ListSheet, type ShowSheet, cueAt, rowOf } from "../sheet/sheet.ts";
import type { Key } from "../sheet/keys.ts";
import { heldKeys } from "./give.ts";
import { type Hand, heldValue } from "./hand.ts";

/**
 * Where a value in hand can be put: into the cue on stage, into the cue that its value comes from, or into the palette.
 * In the order of how far they reach.
 */
export type UpdatePlace = "here" | "atSource" | "inPalette";

/**
 * One value in hand over a cue, and the places it can go to.
 * A place that is undefined cannot be chosen for this value.
 */
export interface UpdateOption {
  readonly key: Key;
  readonly move: MoveSpec;
  /** The value in hand, and the one that the cue shows; NaN: unset. */
  readonly value: number;
  readonly before: number;
  /** The cue that the shown value comes from; undefined where it is this one, or where the key is unset. */
  readonly source: string | undefined;
  /** The palette that the shown value comes from. */
  readonly palette: string | undefined;
}

/**
 * What each value in hand that has changed can update in a cue. Throws ShowError for a cue that the list does not have.
 * Values that have not changed, and those that the cue shows already, are left out.
 */
export function updateOptions(sheet: ShowSheet, list: ListSheet, hand: Hand, cue: string, selection: KeySelection = {}): UpdateOption[] {
  const row = rowOf(list, cue);
  return heldKeys(sheet, hand, selection).flatMap((key): UpdateOption[] => {
    const held = heldValue(hand, key);
    if (!held?.fresh) return [];
    const entry = entryAt(list, key, row);
    const set = !Number.isNaN(entry.value);
    const palette = set && entry.spec !== undefined ? paletteOf(entry.spec) : undefined;
    return [
      {
        key,
        move: held.move,
        value: resolve(held.move, key, sheet.palettes),
        before: entry.value,
        source: set && entry.row !== row ? cueAt(list, entry.row).number : undefined,
        palette: plainValue(held.move) === undefined ? undefined : palette,
      },
    ];
  });
}

/**
 * The place that is offered first: the palette where the value comes from one, else its source, else here.
 * `wanted` counts where the value has such a place.
 */
export function offeredPlace(option: UpdateOption, wanted: UpdatePlace): UpdatePlace {
  if (wanted === "inPalette" && option.palette === undefined) return "here";
  if (wanted === "atSource" && Number.isNaN(option.before)) return "here";
  return wanted;
}

/**
 * The edits that put values where they were sent. Throws ShowError when there is none.
 * `placeOf` gives null for a value that stays in hand. Together they are one gesture.
 */
export function planUpdating(
  list: ListSheet,
  cue: string,
  options: readonly UpdateOption[],
  placeOf: (option: UpdateOption) => UpdatePlace | null,
): EditInput[] {
  const moves: Record<UpdatePlace, Moves> = { here: {}, atSource: {}, inPalette: {} };
  for (const option of options) {
    const place = placeOf(option);
    if (place === null) continue;
    (moves[place][option.key.channel] ??= {})[option.key.attribute.id] = place === "inPalette" ? option.value : option.move;
  }
  const edits = (["inPalette", "atSource", "here"] as const).flatMap((at): EditInput[] =>
    Object.keys(moves[at]).length === 0 ? [] : [{ op: "update", list: list.id, cue, moves: moves[at], at }],
  );
  if (edits.length === 0) throw new ShowError("No value in hand is sent anywhere; there is nothing to update");
  return edits;
}
