import { CURVES, FAMILIES, TIMED_FAMILIES } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { plainId } from "../hand/keep.ts";
import { type Possible, possibleNext } from "./grammar.ts";
import { KEYWORDS } from "./tokens.ts";

/** Something that can come next in a line, and what it is. */
export interface Completion {
  readonly word: string;
  readonly about: string;
}
/** What can come next, and the place in the text from which it would stand. */
export interface Completions {
  readonly from: number;
  readonly words: readonly Completion[];
}

/** What can follow what has been typed: words of the line, and the names that the show has. A word half typed narrows them. */
export function completeLine(text: string, sheet: ShowSheet): Completions {
  const { next, from } = possibleNext(text);
  const begun = text.slice(from).toLowerCase();
  const seen = new Set<string>();
  const words = next
    .flatMap((possible) => wordsFor(possible, sheet))
    .filter(({ word, about }) => {
      const fits = word.toLowerCase().startsWith(begun) || (begun.length > 1 && about.toLowerCase().startsWith(begun));
      if (!fits || seen.has(word)) return false;
      seen.add(word);
      return true;
    });
  return { from, words };
}

function wordsFor({ token, rule }: Possible, sheet: ShowSheet): Completion[] {
  const keyword = KEYWORDS.get(token);
  if (keyword !== undefined) return [{ word: keyword, about: "" }];
  if (token === "Name") return namesFor(rule, sheet);
  if (token === "FamilyWord") return TIMED_FAMILIES.map((family) => ({ word: family, about: "family" }));
  if (token !== "Word") return [];
  if (rule === "ownTimes") return CURVES.map((curve) => ({ word: curve, about: "curve" }));
  const families = FAMILIES.map((family) => ({ word: family, about: "family" }));
  if (rule === "keep" || rule === "recordOption") return families;
  return [...families, ...[...sheet.keys.names].map((name) => ({ word: name, about: "attribute" }))];
}

function namesFor(rule: string, { show }: ShowSheet): Completion[] {
  const of = (entries: readonly { id: string; label: string }[]): Completion[] =>
    entries.map(({ id, label }) => ({ word: id, about: label }));
  switch (rule) {
    case "term":
      return of(show.groups);
    case "ownTimes":
      return of(show.paces);
    case "patch":
      return show.fixtureTypes.map(({ id, name }) => ({ word: plainId(name) || id, about: name }));
    default:
      return of(show.palettes);
  }
}
