import { CURVES, FAMILIES, TIMED_FAMILIES, WAVE_SHAPES } from "../show/schema.ts";
import type { Key } from "../sheet/keys.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { movementsOf } from "../hand/movements.ts";
import { plainId } from "../show/ids.ts";
import { autoGroups } from "../rig/autoGroups.ts";
import type { Possible } from "./fault.ts";
import { possibleNext } from "./grammar.ts";
import { lightsNamed } from "./lightsNamed.ts";
import { KEYWORDS } from "./tokens.ts";

/**
 * One thing that can come next in a line: the word as it would be typed, and what it is ("attribute", a label); "" for plain words.
 * A label is shown behind the word, so that an id nobody remembers is recognised.
 */
export interface Completion {
  readonly word: string;
  readonly about: string;
}
/**
 * What can come next, and the place in the text from which a chosen word stands instead of what was typed.
 * Characters count from 0. The chosen word replaces all from there to the end of the text.
 */
export interface Completions {
  readonly from: number;
  readonly words: readonly Completion[];
}

/** So many colours of a list are offered; whoever wants another types its number. */
const MOST_COLOURS = 200;

/**
 * What can follow what has been typed: words of the line, and the names that the show has. A word half typed narrows them, by its own
 * beginning or by the beginning of its label. An empty array where the line is finished or cannot be read so far.
 * Costs a parse of the line; it is called at every keystroke. Words of the grammar come before names of the show.
 */
export function completeLine(text: string, sheet: ShowSheet): Completions {
  const { next, from } = possibleNext(text);
  const begun = text.slice(from).toLowerCase();
  const before = text.slice(0, from);
  const keys = keysOfLights(before, sheet);
  const seen = new Set<string>();
  const words = next
    .flatMap((possible) => [
      ...(possible.rule === "target" && possible.token === "Name" ? slotsFor(before, keys) : []),
      ...wordsFor(possible, sheet, keys),
    ])
    .filter(({ word, about }) => {
      const fits = word.toLowerCase().startsWith(begun) || (begun.length > 1 && about.toLowerCase().startsWith(begun));
      if (!fits || seen.has(word)) return false;
      seen.add(word);
      return true;
    });
  const signs = words.filter(({ word }) => word === "=");
  return { from, words: [...signs, ...words.filter(({ word }) => word !== "=")] };
}

/** The named slots of the attribute that stands before the sign at the end of a text; nothing where it has none. */
function slotsFor(before: string, keys: readonly Key[]): Completion[] {
  const attribute = /([\w-]+)\s*=\s*$/u.exec(before)?.[1];
  const own = keys.flatMap((key) => (key.attribute.id === attribute ? [key.attribute] : []));
  const slots = own.flatMap((each) => each.slots ?? []);
  const modes = own.flatMap((each) => each.modes ?? []);
  return [
    ...modes.map(({ name, from, to }) => ({ word: plainId(name), about: `${attribute} ${from} to ${to}` })),
    ...slots.map(({ value, name }) => ({ word: plainId(name) || String(value), about: `${attribute} ${value}` })),
  ];
}

/** The keys that the lights at the beginning of a line have; all of the show where it does not begin with lights. */
function keysOfLights(text: string, sheet: ShowSheet): readonly Key[] {
  const lights = /^\s*(?:#[^:]*:)?\s*(@?[\w-]+(?:\.\.\d+)?(?:\s*,\s*@?[\w-]+(?:\.\.\d+)?)*(?:\s*\/\s*\d+)?)/u.exec(text)?.[1];
  const named = lights === undefined ? undefined : lightsNamed(lights, sheet);
  if (!named || "fault" in named || named.channels.length === 0) return sheet.keys.all;
  return named.channels.flatMap((channel) => [...(sheet.keys.byChannel.get(channel)?.values() ?? [])]);
}

/** The words that are offered for one kind of token, in the rule in which it would stand. Only attributes and families that the named lights have. */
function wordsFor({ token, rule }: Possible, sheet: ShowSheet, keys: readonly Key[]): Completion[] {
  if (token === "Equals") return [{ word: "=", about: "a value" }];
  const keyword = KEYWORDS.get(token);
  if (keyword !== undefined) return [{ word: keyword, about: "" }];
  if (token === "Name") return namesFor(rule, sheet, keys);
  if (token === "FamilyWord")
    return TIMED_FAMILIES.filter((family) => has(keys, family)).map((family) => ({ word: family, about: "family" }));
  if (token !== "Word") return [];
  if (rule === "mappings")
    return [...new Set(sheet.keys.all.map((key) => key.attribute.id))].map((name) => ({ word: name, about: "attribute" }));
  if (rule === "wave") return WAVE_SHAPES.map((shape) => ({ word: shape, about: "shape" }));
  if (rule === "ownTimes" || rule === "curve") return CURVES.map((curve) => ({ word: curve, about: "curve" }));
  const families = FAMILIES.filter((family) => has(keys, family)).map((family) => ({ word: family, about: "family" }));
  if (rule === "keep" || rule === "recordOption") return families;
  const names = new Set(keys.map((key) => key.attribute.id));
  return [...families, ...[...names].map((name) => ({ word: name, about: "attribute" }))];
}

/** True when the rig has an attribute of a family. */
function has(keys: readonly Key[], family: string): boolean {
  return keys.some((key) => key.attribute.family === family);
}

/** The names that can stand here, by the rule of the grammar that wants one. Palettes only where one of the lights has a value from them. */
function namesFor(rule: string, { show, palettes }: ShowSheet, keys: readonly Key[]): Completion[] {
  const of = (entries: readonly { id: string; label: string }[]): Completion[] =>
    entries.map(({ id, label }) => ({ word: id, about: label }));
  switch (rule) {
    case "colour":
      return (show.colourLists ?? []).flatMap(({ colours }) =>
        colours.slice(0, MOST_COLOURS).map(({ number, name = "" }) => ({ word: number, about: name })),
      );
    case "operation":
      return of(movementsOf(show));
    case "inLook":
    case "gatheredLooks":
      return of(show.heldLooks ?? []);
    case "question":
      return of([...show.palettes, ...show.groups, ...show.paces, ...show.lists, ...(show.heldLooks ?? []), ...(show.tempos ?? [])]);
    case "update":
    case "rangeMove":
    case "standbySet":
    case "steps":
    case "press":
      return of(show.lists);
    case "waveRate":
    case "stepsOption":
      return of(show.tempos ?? []);
    case "page":
      return of([...show.lists, ...(show.heldLooks ?? []), ...(show.tempos ?? [])]);
    case "actionBody":
    case "rank":
      return of([...show.lists, ...(show.heldLooks ?? []), ...(rule === "rank" ? [] : (show.tempos ?? []))]);
    case "term":
      return of([...show.groups, ...autoGroups(show)]);
    case "ownTimes":
    case "readyTimes":
      return of(show.paces);
    case "searched":
      return [];
    case "patch":
      return show.fixtureTypes.map(({ id, name }) => ({ word: plainId(name) || id, about: name }));
    case "target":
      return of(show.palettes.filter(({ id }) => keys.some((key) => palettes.valueFor(id, key) !== undefined)));
    default:
      return of(show.palettes);
  }
}
