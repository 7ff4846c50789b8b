import type { MoveSpec, Palette } from "../show/schema.ts";
import { paletteOf, plainValue } from "../show/move.ts";
import type { Key } from "./keys.ts";

/**
 * Finds what a palette holds for a key.
 * Built once for each state of the palettes and shared by all lists of the show.
 */
export interface Palettes {
  /** The palettes themselves. */
  readonly byId: ReadonlyMap<string, Palette>;
  /** Their ids in order, and the place of each, counted from 1. */
  readonly ids: readonly string[];
  readonly numbers: ReadonlyMap<string, number>;
  /** The value for the channel, else for its type, else for all; undefined where the palette has none (docs/rules.md, Tracking). */
  valueFor(palette: string, key: Key): number | undefined;
  /** The entry of the palette that `valueFor` answers from. */
  entryFor(palette: string, key: Key): Palette["values"][number] | undefined;
}

/** One value of a palette as it stands in the document. */
type Entry = Palette["values"][number];
/** One palette's entries for one attribute. */
interface Scopes {
  readonly channels: Map<number, Entry>;
  readonly types: Map<string, Entry>;
  all: Entry | undefined;
}

/**
 * Builds the look-up of a show's palettes. `typeOf` gives a channel's fixture type.
 * An id that stands twice counts once, the last; `readShow` refuses such documents.
 */
export function palettesOf(palettes: readonly Palette[], typeOf: (channel: number) => string | undefined): Palettes {
  const byId = new Map(palettes.map((palette) => [palette.id, palette]));
  const scopes = new Map(palettes.map((palette) => [palette.id, scopesOf(palette)]));
  // The nearest wins: this light, then its type, then all lights.
  const entryFor = (id: string, key: Key): Entry | undefined => {
    const own = scopes.get(id)?.get(key.attribute.id);
    if (!own) return undefined;
    return own.channels.get(key.channel) ?? own.types.get(typeOf(key.channel) ?? "") ?? own.all;
  };
  const ids = palettes.map((palette) => palette.id);
  const numbers = new Map(ids.map((id, index) => [id, index + 1]));
  return { byId, ids, numbers, entryFor, valueFor: (id, key) => entryFor(id, key)?.value };
}

/** The entries of a palette by attribute, so that a key is looked up without walking them. */
function scopesOf(palette: Palette): Map<string, Scopes> {
  const byAttribute = new Map<string, Scopes>();
  for (const entry of palette.values) {
    const own: Scopes = byAttribute.get(entry.attribute) ?? { channels: new Map(), types: new Map(), all: undefined };
    byAttribute.set(entry.attribute, own);
    if (entry.channel !== undefined) own.channels.set(entry.channel, entry);
    else if (entry.type !== undefined) own.types.set(entry.type, entry);
    else own.all = entry;
  }
  return byAttribute;
}

/**
 * The number a move stands for, or NaN when it releases or refers to a palette that has no value for the key.
 * In the attribute's own unit. A palette that does not exist leaves the key unset too.
 */
export function resolve(spec: MoveSpec, key: Key, palettes: Palettes): number {
  const value = plainValue(spec);
  if (value !== undefined) return value;
  const palette = paletteOf(spec);
  return palette === undefined ? Number.NaN : (palettes.valueFor(palette, key) ?? Number.NaN);
}
