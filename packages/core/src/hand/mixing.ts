import type { EditInput } from "../edit/index.ts";
import { groupBy } from "../show/groupBy.ts";
import { freeId } from "../show/ids.ts";
import { ShowError } from "../show/errors.ts";
import type { ColourList, Moves, Palette, Show } from "../show/schema.ts";
import type { Keys } from "../sheet/keys.ts";
import { type Light, lightColour, mixFor } from "../stage/colour.ts";
import { lightOfHex } from "../stage/colourModels.ts";
import { TINTS } from "../stage/tints.ts";

/** The levels of each light's own colour attributes that give a colour; lights without colour are left out. */
export function mixMoves(keys: Keys, channels: readonly number[], light: Light): Moves {
  const moves: Moves = {};
  for (const channel of channels) {
    const attributes = [...(keys.byChannel.get(channel)?.values() ?? [])].map((key) => key.attribute);
    const levels = mixFor(attributes, light);
    if (Object.keys(levels).length > 0) moves[channel] = levels;
  }
  return moves;
}

/** As `mixMoves`. Throws ShowError where none of the lights makes colour. */
export function mixMovesOf(keys: Keys, channels: readonly number[], light: Light): Moves {
  const moves = mixMoves(keys, channels, light);
  if (Object.keys(moves).length > 0) return moves;
  throw new ShowError("None of these lights mixes a colour");
}

/** The edits that give lights a colour in a range of cues, lights that need the same together. One gesture and one undo. */
export function mixEdits(
  keys: Keys,
  channels: readonly number[],
  light: Light,
  range: { list: string; from: string; to: string; after: "restore" | "track" },
): EditInput[] {
  const values = Object.entries(mixMovesOf(keys, channels, light)).flatMap(([channel, own]) =>
    Object.entries(own).flatMap(([attribute, value]) =>
      typeof value === "number" ? [{ channel: Number(channel), attribute, value }] : [],
    ),
  );
  const { after, ...where } = range;
  return [...groupBy(values, ({ attribute, value }) => `${attribute} ${value}`).values()].map((own): EditInput => ({
    op: "change",
    ...where,
    keys: { channels: own.map(({ channel }) => channel), attributes: own.slice(0, 1).map(({ attribute }) => attribute) },
    do: { set: own[0]?.value ?? 0 },
    where: "look",
    after,
  }));
}

/** How a colour is seen over each type of light that mixes one, as near as the type comes to it; types without colour are left out. */
export function seenOverTypes({ fixtureTypes }: Pick<Show, "fixtureTypes">, light: Light): { type: string; name: string; seen: Light }[] {
  return fixtureTypes.flatMap(({ id, name, attributes }) => {
    const levels = new Map(Object.entries(mixFor(attributes, light)));
    return levels.size === 0
      ? []
      : [{ type: id, name: name || id, seen: lightColour(attributes, (attribute) => levels.get(attribute) ?? 0) }];
  });
}

/** A colour by its number or its name: out of the lists that were brought, in their order, else one of our own tints. Small and large letters are the same. */
export function tintNamed(show: Pick<Show, "colourLists">, word: string): Light | undefined {
  const typed = word.trim().toLowerCase();
  const all = (show.colourLists ?? []).flatMap(({ colours }) => colours);
  const found = all.find(({ number }) => number.toLowerCase() === typed) ?? all.find(({ name }) => name?.toLowerCase() === typed);
  return found ? lightOfHex(found.rgb) : TINTS.find(({ name }) => name.toLowerCase() === typed)?.light;
}

/**
 * The edits that make a palette of each colour: of our own tints, or of a list that was brought; with values for each type of light that mixes
 * colour. What has a palette of that name already keeps it. Throws ShowError where no light mixes colour, or nothing is left to make.
 */
export function tintPalettes(show: Show, list?: ColourList): EditInput[] {
  const wanted = list
    ? list.colours.map(({ number, name, rgb }) => ({ label: name ? `${number} ${name}` : number, light: lightOfHex(rgb) }))
    : TINTS.map(({ name, light }) => ({ label: name, light }));
  const taken = new Set(show.palettes.map(({ id }) => id));
  const known = new Set(show.palettes.map(({ label }) => label.toLowerCase()));
  const types = show.fixtureTypes.filter(({ id }) => show.channels.some(({ type }) => type === id));
  const edits = wanted.flatMap(({ label, light }): EditInput[] => {
    if (!light || known.has(label.toLowerCase())) return [];
    const values: Palette["values"] = types.flatMap(({ id, attributes }) =>
      Object.entries(mixFor(attributes, light)).map(([attribute, value]) => ({ attribute, value, type: id })),
    );
    if (values.length === 0) return [];
    const id = freeId(label, taken);
    taken.add(id);
    return [{ op: "setPalette", palette: { id, family: "colour", label, values } }];
  });
  if (edits.length > 0) return edits;
  throw new ShowError(
    types.some(({ attributes }) => Object.keys(mixFor(attributes, { red: 1, green: 1, blue: 1 })).length > 0)
      ? "Every one of these colours has its palette already"
      : "No light of the rig mixes a colour, so no palette can be made",
  );
}
