import { toTenth } from "../values/rounding.ts";
import type { Attribute } from "../show/schema.ts";

/**
 * Light as it is mixed: each part 0 to 1.
 * As it leaves the lamp: how a screen shows it is up to a caller that draws it.
 */
export interface Light {
  red: number;
  green: number;
  blue: number;
}

/** What a lamp without colour attributes gives: tungsten, a little warm. */
export const TUNGSTEN: Light = { red: 1, green: 0.82, blue: 0.58 };

/** What each mixing attribute adds to the light at its full value: red, green and blue, 0 to 1. */
const MIX: Readonly<Record<string, Light>> = {
  red: { red: 1, green: 0, blue: 0 },
  green: { red: 0, green: 1, blue: 0 },
  blue: { red: 0, green: 0, blue: 1 },
  amber: { red: 1, green: 0.62, blue: 0.05 },
  white: { red: 1, green: 0.96, blue: 0.9 },
};

/** An attribute that makes colour, with the light that it gives when it is full. */
export interface Emitter {
  readonly attribute: Attribute;
  readonly light: Light;
}

/**
 * The attributes that make a light's colour, in the order of its type; empty for a lamp without any.
 * Known by their ids: red, green, blue, white and amber. Others of the colour family, such as wheels, are left out.
 */
export function emittersOf(attributes: Iterable<Attribute>): Emitter[] {
  return [...attributes].flatMap((attribute) => {
    const light = attribute.family === "colour" ? MIX[attribute.id] : undefined;
    return light ? [{ attribute, light }] : [];
  });
}

/**
 * The colour that emitters give together; `levelAt` tells the level of the one at a place in its own unit. Tungsten where there is none.
 * Each part stops at 1: more light of a colour than full is full.
 */
export function mixOf(emitters: readonly Emitter[], levelAt: (place: number) => number): Light {
  if (emitters.length === 0) return TUNGSTEN;
  const mixed = { red: 0, green: 0, blue: 0 };
  emitters.forEach(({ attribute, light }, place) => {
    const amount = levelAt(place) / (attribute.max || 1);
    mixed.red = Math.min(1, mixed.red + light.red * amount);
    mixed.green = Math.min(1, mixed.green + light.green * amount);
    mixed.blue = Math.min(1, mixed.blue + light.blue * amount);
  });
  return mixed;
}

/**
 * The colour a light gives, apart from its level: its colour attributes mixed, tungsten where it has none.
 * `valueOf` gives an attribute's value in its own unit; ask it for what is on stage or for a look, as the picture needs.
 */
export function lightColour(attributes: Iterable<Attribute>, valueOf: (attribute: string) => number): Light {
  const emitters = emittersOf(attributes);
  return mixOf(emitters, (place) => valueOf(emitters[place]?.attribute.id ?? ""));
}

/**
 * The levels of a light's own colour attributes that come nearest to a colour (each part 0 to 1). White and amber emitters
 * take their share of it first, as far as it holds them. Levels in each attribute's own unit; empty for a light without colour.
 * What is out of reach of the emitters is left at the nearest they can do: no error is thrown.
 */
export function mixFor(attributes: Iterable<Attribute>, wanted: Light): Record<string, number> {
  const left = { ...wanted };
  const levels: Record<string, number> = {};
  const order = ["white", "amber", "red", "green", "blue"];
  const own = emittersOf(attributes).sort((a, b) => order.indexOf(a.attribute.id) - order.indexOf(b.attribute.id));
  for (const { attribute, light: part } of own) {
    const share = Math.max(
      0,
      Math.min(1, ...(["red", "green", "blue"] as const).filter((name) => part[name] > 0).map((name) => left[name] / part[name])),
    );
    for (const name of ["red", "green", "blue"] as const) left[name] = Math.max(0, left[name] - part[name] * share);
    levels[attribute.id] = toTenth(share * attribute.max);
  }
  return levels;
}
