import type { Attribute } from "../show/schema.ts";

/** Light as it is mixed: each part 0 to 1. */
export interface Light {
  red: number;
  green: number;
  blue: number;
}

/** What a lamp without colour attributes gives: tungsten, a little warm. */
export const TUNGSTEN: Light = { red: 1, green: 0.82, blue: 0.58 };

const MIX: Readonly<Record<string, Light>> = {
  red: { red: 1, green: 0, blue: 0 },
  green: { red: 0, green: 1, blue: 0 },
  blue: { red: 0, green: 0, blue: 1 },
  amber: { red: 1, green: 0.62, blue: 0.05 },
  white: { red: 1, green: 0.96, blue: 0.9 },
};

/** The colour a light gives, apart from its level: its colour attributes mixed, tungsten where it has none. */
export function lightColour(attributes: Iterable<Attribute>, valueOf: (attribute: string) => number): Light {
  const mixed = { red: 0, green: 0, blue: 0 };
  let mixes = false;
  for (const attribute of attributes) {
    const part = MIX[attribute.id];
    if (attribute.family !== "colour" || !part) continue;
    mixes = true;
    const amount = valueOf(attribute.id) / (attribute.max || 1);
    mixed.red = Math.min(1, mixed.red + part.red * amount);
    mixed.green = Math.min(1, mixed.green + part.green * amount);
    mixed.blue = Math.min(1, mixed.blue + part.blue * amount);
  }
  return mixes ? mixed : TUNGSTEN;
}
