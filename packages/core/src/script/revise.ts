// A script that is changed as text: which line is which, so that lines keep what is known of them and cues stay with their words.
import { diffArrays } from "diff";
import { at } from "../show/at.ts";
import type { Call, ScriptLine } from "../show/schema.ts";
import { scriptLine } from "./scriptLine.ts";
import type { TextLine } from "./scriptText.ts";
import { callAt, placeOfCall, plainWord, splitWords } from "./words.ts";

/** Texts that have nothing in common are not searched for likeness beyond so many changes. */
const MOST_CHANGES = 4000;

/** A word by its line and its place in it. */
interface WordPlace {
  readonly line: string;
  readonly word: number;
}

/** A script after its text has changed, and where the words of the old one went. */
export interface Revision {
  readonly lines: readonly ScriptLine[];
  /** Where a call stands now, and what has to be told of it. A call of a line that the revision is not about stays as it is. */
  readonly callAfter: (call: Call) => MovedCall;
}

/** What becomes of a call: it stays with its word; its word is gone and it stands where that was; or its line is cut and it stands where the cut is. */
export interface MovedCall {
  readonly call: Call;
  readonly fate: "stays" | "word-gone" | "line-cut";
}

/** The stretch of a script that is written anew, and what is written there. Places count from 0; `behind` is not in it. */
export interface Rewriting {
  readonly first: number;
  readonly behind: number;
  readonly texts: readonly TextLine[];
}

/**
 * A script with a stretch of its lines written anew. Lines that are still there, changed or not, keep their ids, lengths, paces and silence; new ones get ids after the line
 * before them. A call stays with its word wherever that has gone; where it is gone, the call stands on what stands there now, and where its line is cut, at the line behind
 * the cut.
 */
export function reviseLines(script: readonly ScriptLine[], { first, behind, texts }: Rewriting): Revision {
  const old = script.slice(first, behind);
  const pairs = new Map<number, number>();
  const words = new Map<string, WordPlace>();
  const stretches = hunks(old, texts);
  for (const stretch of stretches) pairLines(stretch, old, texts, pairs);
  const named = namedLines(old, texts, pairs, script[first - 1]?.id, new Set(script.map(({ id }) => id)));
  for (const stretch of stretches) followWords(stretch, old, named, words);
  const lines = [...script.slice(0, first), ...named, ...script.slice(behind)];
  const changed = new Set(old.map(({ id }) => id));
  return { lines, callAfter: (call) => (changed.has(call.line) ? callAfter(call, script, lines, words) : { call, fate: "stays" }) };
}

/** Lines of both texts that belong together: alike and one to one, or a stretch in which they differ. Places count from 0; ends are not in it. */
interface Stretch {
  readonly alike: boolean;
  readonly old: readonly number[];
  readonly now: readonly number[];
}

/** Where both texts are alike and where they differ, from the first line to the last. */
function hunks(old: readonly ScriptLine[], texts: readonly TextLine[]): Stretch[] {
  const found: Stretch[] = [];
  let [from, to] = [0, 0];
  const places = (start: number, many: number): number[] => Array.from({ length: many }, (_, index) => start + index);
  const differ = { old: 0, now: 0 };
  const close = (): void => {
    if (differ.old + differ.now > 0) found.push({ alike: false, old: places(from, differ.old), now: places(to, differ.now) });
    [from, to] = [from + differ.old, to + differ.now];
    [differ.old, differ.now] = [0, 0];
  };
  for (const { added, removed, value } of diffArrays(old.map(likeness), texts.map(likeness))) {
    if (removed) differ.old += value.length;
    else if (added) differ.now += value.length;
    else {
      close();
      found.push({ alike: true, old: places(from, value.length), now: places(to, value.length) });
      [from, to] = [from + value.length, to + value.length];
    }
  }
  close();
  return found;
}

/** What makes two lines the same at once. */
function likeness({ who = "", text, heading }: TextLine): string {
  return `${String(heading === true)}\n${who}\n${text}`;
}

/** Words of several lines in their order, each with the line it stands in. */
function wordRow(lines: readonly TextLine[], places: readonly number[]): { line: number; word: number; plain: string }[] {
  return places.flatMap((line) =>
    splitWords(at(lines, line).text).map((word, index) => ({ line, word: index, plain: plainWord(word) || word })),
  );
}

/** The words that two rows have in common, as pairs of places. Empty where they have too little in common to say. */
function commonWords(old: readonly { plain: string }[], now: readonly { plain: string }[]): [number, number][] {
  const parts = diffArrays(
    old.map(({ plain }) => plain),
    now.map(({ plain }) => plain),
    { maxEditLength: MOST_CHANGES },
  );
  const found: [number, number][] = [];
  let [from, to] = [0, 0];
  for (const { added, removed, value } of parts ?? []) {
    if (!added && !removed) value.forEach((_, index) => found.push([from + index, to + index]));
    if (!added) from += value.length;
    if (!removed) to += value.length;
  }
  return found;
}

/** By the place of a new line, the old one that it is: the one with which it has most words in common, in the order of the text. */
function pairLines(
  { alike, old: from, now: to }: Stretch,
  old: readonly ScriptLine[],
  texts: readonly TextLine[],
  pairs: Map<number, number>,
): void {
  if (alike) {
    to.forEach((place, index) => pairs.set(place, at(from, index)));
    return;
  }
  const [oldWords, newWords] = [wordRow(old, from), wordRow(texts, to)];
  const shared = new Map<string, number>();
  for (const [was, is] of commonWords(oldWords, newWords)) {
    const name = `${at(newWords, is).line}/${at(oldWords, was).line}`;
    shared.set(name, (shared.get(name) ?? 0) + 1);
  }
  const used = new Set<number>();
  for (const [name] of [...shared].sort(([, a], [, b]) => b - a)) {
    const [place = 0, was = 0] = name.split("/").map(Number);
    if (pairs.has(place) || used.has(was)) continue;
    pairs.set(place, was);
    used.add(was);
  }
  // A line that was written anew in its place is still that line.
  const [onlyNew, onlyOld] = [to.filter((place) => !pairs.has(place)), from.filter((place) => !used.has(place))];
  if (from.length === to.length) onlyNew.forEach((place, index) => pairs.set(place, at(onlyOld, index)));
}

/** The new lines with their ids and with what is kept of the old ones. `above` is the line over the stretch; `taken` are ids that no new line may get. */
function namedLines(
  old: readonly ScriptLine[],
  texts: readonly TextLine[],
  pairs: ReadonlyMap<number, number>,
  above: string | undefined,
  taken: ReadonlySet<string>,
): ScriptLine[] {
  const used = new Set(taken);
  const lines: ScriptLine[] = [];
  let scene = 0;
  texts.forEach((text, place) => {
    const was = old[pairs.get(place) ?? -1];
    const before = lines.at(-1);
    if (text.heading) scene += 1;
    const id = was?.id ?? freeLineId(before?.id ?? above ?? old[0]?.id, text.heading === true, scene, used);
    used.add(id);
    lines.push(lineOf(id, text, was, before?.page));
  });
  return lines;
}

/** A line as its text has it, with the page, length, pace and silence that were known of it. */
function lineOf(
  id: string,
  { who, text, heading, page }: TextLine,
  was: ScriptLine | undefined,
  pageBefore: number | undefined,
): ScriptLine {
  const { pace, seconds, quiet } = was ?? {};
  return scriptLine({ id, page: page ?? was?.page ?? pageBefore, who, text, heading, pace, seconds, quiet });
}

/** An id for a line behind another: "I.3.8a" behind "I.3.8"; counted by scenes, "2.1", where nothing stands before it. */
function freeLineId(before: string | undefined, heading: boolean, scene: number, used: ReadonlySet<string>): string {
  const stem =
    before === undefined || heading || /^\d+\.\d+$/.test(before) || /^\d+$/.test(before) ? null : before.replace(/(?<=[\d.])[a-z]+$/, "");
  for (let count = heading ? 0 : 1; ; count += 1) {
    const id = stem !== null ? `${stem}${letters(count)}` : count === 0 ? String(scene) : `${scene}.${count}`;
    if (!used.has(id)) return id;
  }
}

/** 1 as "a", 26 as "z", 27 as "aa". */
function letters(count: number): string {
  const rest = Math.floor((count - 1) / 26);
  return `${rest > 0 ? letters(rest) : ""}${String.fromCharCode(97 + ((count - 1) % 26))}`;
}

/** Notes where the words of a stretch went. */
function followWords(stretch: Stretch, old: readonly ScriptLine[], lines: readonly ScriptLine[], words: Map<string, WordPlace>): void {
  const [oldWords, newWords] = [wordRow(old, stretch.old), wordRow(lines, stretch.now)];
  const pairs: [number, number][] = stretch.alike ? oldWords.map((_, index) => [index, index]) : commonWords(oldWords, newWords);
  for (const [was, is] of pairs) {
    const [from, to] = [at(oldWords, was), at(newWords, is)];
    words.set(`${at(old, from.line).id}\n${from.word}`, { line: at(lines, to.line).id, word: to.word });
  }
}

/** What becomes of a call whose line may have changed. */
function callAfter(call: Call, old: readonly ScriptLine[], lines: readonly ScriptLine[], words: ReadonlyMap<string, WordPlace>): MovedCall {
  const index = old.findIndex(({ id }) => id === call.line);
  const was = old[index];
  if (!was) return { call, fate: "stays" };
  const kept = lines.find(({ id }) => id === call.line);
  const place = placeOfCall(was.text, call);
  if (place < 0 && kept) return { call, fate: "stays" };
  const found = words.get(`${call.line}\n${place}`);
  const home = found && lines.find(({ id }) => id === found.line);
  if (found && home) return { call: callAt(home, found.word, call.kind), fate: "stays" };
  if (kept) return { call: callAt(kept, standsThere(call.line, place, kept, words), call.kind), fate: "word-gone" };
  return { call: { line: cutAt(index, old, lines), ...(call.kind === undefined ? {} : { kind: call.kind }) }, fate: "line-cut" };
}

/** The place of the word that stands where one is gone: behind the nearest word before it that is still there, in the same line. */
function standsThere(line: string, place: number, kept: ScriptLine, words: ReadonlyMap<string, WordPlace>): number {
  const last = splitWords(kept.text).length - 1;
  for (let before = place - 1; before >= 0; before -= 1) {
    const found = words.get(`${line}\n${before}`);
    if (found?.line === line) return Math.min(last, found.word + 1);
  }
  return 0;
}

/** The line at which a cut is: the one behind the last line before it that is still there. A script without a line left keeps the name of the one that is gone. */
function cutAt(index: number, old: readonly ScriptLine[], lines: readonly ScriptLine[]): string {
  const places = new Map(lines.map(({ id }, place) => [id, place]));
  const before = old.slice(0, index).findLast(({ id }) => places.has(id));
  const place = before ? (places.get(before.id) ?? 0) : -1;
  return (lines[place + 1] ?? before ?? at(old, index)).id;
}
