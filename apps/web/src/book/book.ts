import { type ListSheet, type Script, callMoment, cached, cueCalls, placeAt, placeOfCall } from "@zm/core";
import { create } from "zustand";

/** A word of the play by its line and its place in it, counted from 0. */
export interface WordPlace {
  readonly line: string;
  readonly word: number;
}

/** What is being written: a stretch of the play, or a whole one that comes from outside. */
export type Writing = { readonly first: string; readonly last: string; readonly at: string } | { readonly text: string };

interface Book {
  /** The word that the keyboard stands on. */
  readonly at: WordPlace | null;
  /** The other end of the chosen lines; null while no line is chosen. */
  readonly until: string | null;
  /** The cue that is being dragged, and the word it is over. */
  readonly drags: { readonly list: string; readonly cue: string; readonly over: WordPlace | null } | null;
  readonly find: string;
  readonly writing: Writing | null;
}

/** Where one is in the play and what is being done to it; it survives a change of view. */
export const useBook = create<Book>(() => ({ at: null, until: null, drags: null, find: "", writing: null }));

/** What stands at a line beside its words: a cue at its word, or the standby that is told then. `word` is -1 for the line as a whole. */
export interface LineMark {
  readonly kind: "go" | "standby";
  readonly cue: string;
  readonly row: number;
  readonly word: number;
  readonly after: boolean;
}

const noMarks: readonly LineMark[] = [];
const marksOfList = cached((_list: ListSheet) => new Map<Script, ReadonlyMap<string, readonly LineMark[]>>());

/** By line, the cues that are called in it and the standbys that are told in it, in the order of the list. Kept for as long as list and script stay the same. */
export function lineMarks(list: ListSheet, script: Script): ReadonlyMap<string, readonly LineMark[]> {
  const known = marksOfList(list);
  const marks = known.get(script) ?? findMarks(list, script);
  known.clear();
  known.set(script, marks);
  return marks;
}

function findMarks(list: ListSheet, script: Script): Map<string, LineMark[]> {
  const marks = new Map<string, LineMark[]>();
  const add = (line: string, mark: LineMark): void => void marks.set(line, [...(marks.get(line) ?? noMarks), mark]);
  const texts = new Map(script.lines.map(({ id, text }) => [id, text]));
  for (const { row, cue, standby, call } of cueCalls(list, script)) {
    if (call - standby <= 0) continue;
    const place = placeAt(script, standby);
    if (place) add(place.line.id, { kind: "standby", cue, row, word: place.word, after: false });
  }
  list.cues.forEach(({ number, call }, row) => {
    if (!call || callMoment(script, call) === null) return;
    add(call.line, { kind: "go", cue: number, row, word: placeOfCall(texts.get(call.line) ?? "", call), after: call.kind === "after" });
  });
  return marks;
}

/** The lines from one to another in the order of the play, both included; empty where one of them is gone. */
export function linesFrom(script: Script, one: string, other: string): string[] {
  const ends = [one, other].map((id) => script.lines.findIndex((line) => line.id === id)).sort((a, b) => a - b);
  const [first = -1, last = -1] = ends;
  return first < 0 ? [] : script.lines.slice(first, last + 1).map(({ id }) => id);
}

/** The lines that are chosen: those between the word that the keyboard stands on and the other end. */
export function chosenLines(script: Script, { at, until }: Pick<Book, "at" | "until">): string[] {
  return at && until !== null ? linesFrom(script, at.line, until) : [];
}

/** The scene that a line stands in: from its heading, or the beginning, up to the next heading. Places count from 0, both included. */
export function sceneAround(script: Script, line: string): { readonly first: number; readonly last: number } {
  const place = Math.max(
    0,
    script.lines.findIndex(({ id }) => id === line),
  );
  const first = script.lines.slice(0, place + 1).findLastIndex(({ heading }) => heading);
  const behind = script.lines.findIndex(({ heading }, index) => index > place && heading);
  return { first: Math.max(0, first), last: (behind < 0 ? script.lines.length : behind) - 1 };
}

/** Opens the scene of a line to be written. */
export function writeScene(script: Script, line: string): void {
  const { first, last } = sceneAround(script, line);
  const ends = [script.lines[first]?.id, script.lines[last]?.id];
  useBook.setState({ writing: { first: ends[0] ?? line, last: ends[1] ?? line, at: line } });
}
