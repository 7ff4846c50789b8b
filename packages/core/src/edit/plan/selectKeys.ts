import { ShowError } from "../../show/errors.ts";
import type { Key, Keys } from "../../sheet/keys.ts";
import type { KeySelection } from "../schema/shared.ts";

/**
 * The keys an edit speaks of, in the order of its channels. A channel that lacks a named attribute is passed over;
 * throws ShowError for an unknown channel or attribute, or when nothing is left.
 */
export function selectKeys(keys: Keys, selection: KeySelection): Key[] {
  const channels = selection.channels ?? [...keys.byChannel.keys()];
  for (const name of selection.attributes ?? []) {
    if (!keys.names.has(name)) throw new ShowError(`No fixture type has an attribute "${name}"`);
  }
  const chosen = channels.flatMap((channel) => {
    const own = keys.byChannel.get(channel);
    if (!own) throw new ShowError(`Channel ${channel} is not in the rig`);
    return [...own.values()].filter((key) => isChosen(key, selection));
  });
  if (chosen.length === 0)
    throw new ShowError(
      `None of the chosen lights has ${[...(selection.attributes ?? []), ...(selection.families ?? [])].join(" or ") || "any attribute"}`,
    );
  return [...new Set(chosen)];
}

function isChosen(key: Key, { attributes, families }: KeySelection): boolean {
  if (!attributes && !families) return true;
  return attributes?.includes(key.attribute.id) === true || families?.includes(key.attribute.family) === true;
}
