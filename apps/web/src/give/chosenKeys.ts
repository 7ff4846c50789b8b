import { type Attribute, FAMILIES, type Family, type Key, type ShowSheet, fanOf, fanPoints, valueWords } from "@zm/core";

/** One attribute of the chosen lights: the keys that have it, in the order chosen. */
export interface ChosenAttribute {
  readonly attribute: Attribute;
  readonly keys: readonly Key[];
}

/** What the chosen lights can do, family by family; lights that lack an attribute are left out of it. */
export function chosenAttributes(sheet: ShowSheet, channels: readonly number[]): Map<Family, ChosenAttribute[]> {
  const found = new Map<string, { attribute: Attribute; keys: Key[] }>();
  for (const channel of channels) {
    for (const key of sheet.keys.byChannel.get(channel)?.values() ?? []) {
      const own = found.get(key.attribute.id) ?? { attribute: key.attribute, keys: [] };
      own.keys.push(key);
      found.set(key.attribute.id, own);
    }
  }
  const byFamily = new Map<Family, ChosenAttribute[]>();
  for (const family of FAMILIES) {
    const own = [...found.values()].filter(({ attribute }) => attribute.family === family);
    if (own.length > 0) byFamily.set(family, own);
  }
  return byFamily;
}

/** Values in a word: one number, a short fan, or from the lowest to the highest. */
export function spreadWords(values: readonly number[]): string {
  const fan = fanOf(values);
  if (fan === undefined) return "";
  if (typeof fan === "number") return valueWords(fan);
  const points = fanPoints(fan);
  return points.length <= 3 ? points.map(valueWords).join("~") : `${valueWords(Math.min(...values))}–${valueWords(Math.max(...values))}`;
}
