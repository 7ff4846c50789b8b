import { ShowError } from "../../show/errors.ts";
import type { Key, Keys } from "../../sheet/keys.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import type { KeySelection } from "./fields.ts";
import type { PlacedMove } from "../steps/step.ts";
import { storedMove } from "./moveSteps.ts";

/**
 * A key and the move that a cue stores for it.
 * Rows that store nothing for a key have no such entry.
 */
export interface ChosenMove {
  readonly key: Key;
  readonly move: PlacedMove;
}

/**
 * The moves that a row stores for the chosen keys, in the order of the selection. Throws ShowError, ending in `purpose`, when there is
 * none.
 * `purpose` ends the refusal: "… to give times to". What only tracks is not selected.
 */
export function selectMoves(list: ListSheet, row: number, selection: KeySelection, purpose: string): ChosenMove[] {
  const chosen = selectKeys(list.keys, selection).flatMap((key) => {
    const move = storedMove(list, key, row);
    return move ? [{ key, move }] : [];
  });
  if (chosen.length > 0) return chosen;
  throw new ShowError(`Cue ${cueAt(list, row).number} stores no move for the chosen lights; there is nothing to ${purpose}`);
}

/**
 * The keys an edit speaks of, in the order of its channels. A channel that lacks a named attribute is passed over;
 * throws ShowError for an unknown channel or attribute, or when nothing is left.
 * Within a channel in the order of its type; each key once.
 */
export function selectKeys(keys: Keys, selection: KeySelection): Key[] {
  const channels = selection.channels ?? [...keys.byChannel.keys()];
  for (const name of selection.attributes ?? []) {
    if (!keys.names.has(name)) throw new ShowError(`No fixture type has an attribute "${name}"`);
  }
  const chosen = channels.flatMap((channel) => {
    const own = keys.byChannel.get(channel);
    if (!own) throw new ShowError(`Light ${channel} is not in the rig`);
    return [...own.values()].filter((key) => isNamed(key, selection));
  });
  if (chosen.length === 0)
    throw new ShowError(
      `None of the chosen lights has ${[...(selection.attributes ?? []), ...(selection.families ?? [])].join(" or ") || "any attribute"}`,
    );
  return [...new Set(chosen)];
}

/**
 * True when a selection names a key: by its attribute or its family, on one of its channels; what is left out means all.
 * Unknown names match nothing here; `selectKeys` refuses them.
 */
export function isNamed(key: Key, { channels, attributes, families }: KeySelection): boolean {
  if (channels && !channels.includes(key.channel)) return false;
  if (!attributes && !families) return true;
  return attributes?.includes(key.attribute.id) === true || families?.includes(key.attribute.family) === true;
}
