import type { Cue } from "../show/schema.ts";
import type { ListSheet, ShowSheet } from "./sheet.ts";

/**
 * A cue that a search has found, and where the words stand.
 * A cue is found once, by the first of number, label, scene and note that holds the words.
 */
export interface FoundCue {
  readonly list: string;
  readonly cue: Cue;
  readonly where: "number" | "label" | "scene" | "note";
}

/** Where is looked, in this order: what a cue is called before what is written of it. */
const PLACES = ["number", "label", "scene", "note"] as const;

/**
 * The cues whose number, label, scene or note holds what is searched for, whatever the case; those of the list worked on first. Empty for
 * an empty search.
 * A number is found by its beginning, with or without `#`; a cue of exactly this number comes first, whichever list it stands in.
 */
export function findCues(sheet: ShowSheet, text: string, worked: ListSheet): FoundCue[] {
  const words = text.trim().replace(/^#/, "").toLowerCase();
  if (words === "") return [];
  const lists = [worked, ...[...sheet.lists.values()].filter((list) => list.id !== worked.id)];
  const found = lists.flatMap((list) => list.cues.flatMap((cue) => placesIn(cue, words).map((where) => ({ list: list.id, cue, where }))));
  // A cue of exactly this number comes first, whichever list it stands in.
  const exact = found.filter(({ cue }) => cue.number === words);
  return [...exact, ...found.filter(({ cue }) => cue.number !== words)];
}

/** The first place of a cue in which the words stand, if they do. */
function placesIn(cue: Cue, words: string): (typeof PLACES)[number][] {
  const where = PLACES.find((place) =>
    place === "number" ? cue.number.startsWith(words) : (cue[place] ?? "").toLowerCase().includes(words),
  );
  return where === undefined ? [] : [where];
}
