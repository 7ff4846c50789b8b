import type { Script, ScriptLine } from "../show/schema.ts";
import { cached } from "../show/cached.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { expectedTimes } from "./expected.ts";
import { callMoment } from "./scriptTime.ts";
import { callAt, plainWord, splitWords } from "./words.ts";

/** A word of the play by its line and its place in it, counted from 0. */
export interface ScriptPlace {
  readonly line: ScriptLine;
  readonly word: number;
}

/** Every spoken word of a script in its order, without case and punctuation; headings are not spoken. */
const spokenWords = cached((script: Script): readonly (ScriptPlace & { readonly plain: string })[] =>
  script.lines.flatMap((line) =>
    line.heading
      ? []
      : splitWords(line.text).flatMap((each, word) => (plainWord(each) === "" ? [] : [{ line, word, plain: plainWord(each) }])),
  ),
);

/**
 * Where a phrase is spoken: the places of its last word, in the order of the play. Words are whole but for the last, which may be only begun; case and punctuation do not
 * count, and a phrase may run over the end of a line. Empty for a phrase without a word.
 */
export function phrasePlaces(script: Script, phrase: string): ScriptPlace[] {
  const wanted = splitWords(phrase).map(plainWord).filter(Boolean);
  const last = wanted.pop();
  if (last === undefined) return [];
  const words = spokenWords(script);
  return words.filter(
    ({ plain }, index) => plain.startsWith(last) && wanted.every((each, place) => words[index - wanted.length + place]?.plain === each),
  );
}

/**
 * The place of a phrase at which a cue is most likely meant to be called: the first behind the call of the cue before, in the order of the list, else the first in the play;
 * a whole last word goes before one that is only begun. Undefined where nobody says it.
 */
export function placeForCue(list: ListSheet, script: Script, row: number, phrase: string): ScriptPlace | undefined {
  const last = plainWord(splitWords(phrase).at(-1) ?? "");
  const all = phrasePlaces(script, phrase);
  const whole = all.filter(({ line, word }) => plainWord(splitWords(line.text)[word] ?? "") === last);
  const places = whole.length > 0 ? whole : all;
  const before =
    expectedTimes(list, script)
      .slice(0, row)
      .findLast((moment) => moment !== null) ?? Number.NEGATIVE_INFINITY;
  const momentOf = ({ line, word: place }: ScriptPlace): number => callMoment(script, callAt(line, place, "on")) ?? 0;
  return places.find((place) => momentOf(place) > before) ?? places[0];
}

/**
 * The spoken lines from the call of one row to that of another, both included, by their ids. Empty where one of them is not called in the script. Rows count from 0.
 * Headings between them are left out.
 */
export function linesBetweenCues(list: ListSheet, script: Script, from: number, to: number): string[] {
  const [first, last] = [list.cues[from]?.call, list.cues[to]?.call];
  if (callMoment(script, first) === null || callMoment(script, last) === null) return [];
  const places = [first, last].map((call) => script.lines.findIndex(({ id }) => id === call?.line)).sort((a, b) => a - b);
  return script.lines.slice(places[0], (places[1] ?? 0) + 1).flatMap(({ id, heading }) => (heading ? [] : [id]));
}
