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

/**
 * The levels of a light's own colour attributes that come nearest to a colour (each part 0 to 1). White and amber emitters
 * take their share of it first, as far as it holds them. Levels in each attribute's own unit; empty for a light without colour.
 */
export function mixFor(attributes: Iterable<Attribute>, wanted: Light): Record<string, number> {
  const own = [...attributes].filter((attribute) => attribute.family === "colour" && MIX[attribute.id]);
  const left = { ...wanted };
  const levels: Record<string, number> = {};
  const order = ["white", "amber", "red", "green", "blue"];
  for (const attribute of own.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id))) {
    const part = MIX[attribute.id];
    if (!part) continue;
    const share = Math.max(
      0,
      Math.min(1, ...(["red", "green", "blue"] as const).filter((name) => part[name] > 0).map((name) => left[name] / part[name])),
    );
    for (const name of ["red", "green", "blue"] as const) left[name] = Math.max(0, left[name] - part[name] * share);
    levels[attribute.id] = Math.round(share * attribute.max * 10) / 10;
  }
  return levels;
}
