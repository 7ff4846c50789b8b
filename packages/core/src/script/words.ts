// Words of the play: how a line falls into them, and which of them a call means.
import type { Call, ScriptLine } from "../show/schema.ts";

/**
 * The words of a line as they are spoken.
 * Blanks separate them; punctuation stays with its word.
 */
export function splitWords(text: string): string[] {
  return text.split(/\s+/).filter((word) => word !== "");
}

/**
 * A word without its case and its punctuation, to be compared.
 * Empty for what is only punctuation, such as a dash.
 */
export function plainWord(word: string): string {
  return word.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
}

/**
 * Which word of a line a call means, counted from 0: the first that matches, or the one that `nth` counts to. -1 where the call names no word, or the line does not have
 * it. Case and punctuation do not count (docs/running.md, Rehearsal).
 */
export function placeOfCall(text: string, { word, nth = 1 }: Pick<Call, "word" | "nth">): number {
  if (word === undefined) return -1;
  const wanted = plainWord(word);
  const places = splitWords(text).flatMap((each, place) => (plainWord(each) === wanted ? [place] : []));
  return places[nth - 1] ?? -1;
}

/**
 * A call at a word of a line, or at the whole line where the place is no word. Places count from 0; `kind` is how it is called.
 * Names the first such word of the line, or counts to it where the line has it more than once.
 */
export function callAt({ id, text }: Pick<ScriptLine, "id" | "text">, place: number, kind: string | undefined): Call {
  return { line: id, ...wordAt(text, place), ...(kind === undefined ? {} : { kind }) };
}

/**
 * How a call names the word at a place of a line: the word itself, and where the line has it more than once, which of them. Places count from 0.
 * The word stands without its punctuation. An empty object for a place that is no word: the whole line is meant.
 */
function wordAt(text: string, place: number): Pick<Call, "word" | "nth"> {
  const words = splitWords(text);
  const word = trimmed(words[place] ?? "");
  if (plainWord(word) === "") return {};
  const nth = words.slice(0, place + 1).filter((each) => plainWord(each) === plainWord(word)).length;
  return { word, ...(nth > 1 ? { nth } : {}) };
}

/**
 * Where a cue is called, in words: "on “lamp”", "after “lamp”", "with the line"; "nowhere" for no call.
 * Which of several like words is meant stands behind it as a number.
 */
export function callWords(call: Call | null | undefined): string {
  if (!call) return "nowhere";
  const { word, nth, kind } = call;
  if (word === undefined) return kind === "visual" ? "on sight" : kind === "after" ? "after the line" : "with the line";
  return `${kind === "after" ? "after" : "on"} “${word}”${nth === undefined ? "" : ` (${nth})`}`;
}

/** A word without the punctuation around it. */
function trimmed(word: string): string {
  return word.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, "");
}
