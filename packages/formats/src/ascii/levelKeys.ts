import type { Key, Keys } from "@zm/core";

/** The one level of a light that the text can hold: its first attribute of intensity. Undefined for a light without one. */
export function levelKey(keys: Keys, channel: number): Key | undefined {
  for (const key of keys.byChannel.get(channel)?.values() ?? []) if (key.attribute.family === "intensity") return key;
  return undefined;
}

/** The level of each light that has one, in the order of the lights. */
export function levelKeys(keys: Keys): Key[] {
  return [...keys.byChannel.keys()].flatMap((channel) => levelKey(keys, channel) ?? []);
}
