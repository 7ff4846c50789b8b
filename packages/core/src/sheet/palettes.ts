import type { MoveSpec, Palette } from "../show/schema.ts";
import { paletteOf, plainValue } from "../show/move.ts";
import type { Key } from "./keys.ts";

/** Finds what a palette holds for a key. */
export interface Palettes {
  readonly byId: ReadonlyMap<string, Palette>;
  /** The value for the channel, else for its type, else for all; undefined where the palette has none (SEMANTICS section 2). */
  valueFor(palette: string, key: Key): number | undefined;
}

/** Builds the look-up of a show's palettes. `typeOf` gives a channel's fixture type. */
export function palettesOf(palettes: readonly Palette[], typeOf: (channel: number) => string | undefined): Palettes {
  const byId = new Map(palettes.map((palette) => [palette.id, palette]));
  const values = new Map<string, Map<string, number>>();
  for (const palette of palettes) {
    values.set(
      palette.id,
      new Map(palette.values.map((entry) => [`${entry.attribute}/${entry.channel ?? ""}/${entry.type ?? ""}`, entry.value])),
    );
  }
  return {
    byId,
    valueFor(id, key) {
      const own = values.get(id);
      const name = key.attribute.id;
      return own?.get(`${name}/${key.channel}/`) ?? own?.get(`${name}//${typeOf(key.channel) ?? ""}`) ?? own?.get(`${name}//`);
    },
  };
}

/** The number a move stands for, or NaN when it releases or refers to a palette that has no value for the key. */
export function resolve(spec: MoveSpec, key: Key, palettes: Palettes): number {
  const value = plainValue(spec);
  if (value !== undefined) return value;
  const palette = paletteOf(spec);
  return palette === undefined ? Number.NaN : (palettes.valueFor(palette, key) ?? Number.NaN);
}
