import {
  type Call,
  type EditInput,
  type ListSheet,
  type Script,
  callAt,
  callMoment,
  callWords,
  expectedTimes,
  splitWords,
  tenths,
} from "@zm/core";
import { cueName } from "../shared/words.ts";
import type { WordPlace } from "./book.ts";

/** The call that a cue would have at a word, in the way in which it is called now. */
export function callThere(list: ListSheet, script: Script, row: number, { line: id, word }: WordPlace): Call | undefined {
  const line = script.lines.find((each) => each.id === id);
  const kind = list.cues[row]?.call?.kind;
  return line && callAt(line, word, kind === "after" ? "after" : "on");
}

/** The edit that calls a cue somewhere. */
export function callEdit(list: ListSheet, row: number, call: Call | null): EditInput {
  const number = list.cues[row]?.number ?? "";
  return { op: "setCue", list: list.id, from: number, to: number, call };
}

/** What it would mean to call a cue at a word: where, how long after the cue before, how long it is to the next. */
export function landingWords(list: ListSheet, script: Script, row: number, place: WordPlace): string {
  const call = callThere(list, script, row, place);
  const moment = callMoment(script, call);
  if (!call || moment === null) return "";
  const expected = expectedTimes(list, script);
  const before = expected.slice(0, row).findLastIndex((each) => each !== null);
  const next = expected.findIndex((each, index) => index > row && each !== null);
  const gap = (from: number | null | undefined, to: number | null | undefined): string =>
    from == null || to == null ? "" : `${tenths(to - from)} s`;
  const [since, until] = [gap(expected[before], moment), gap(moment, expected[next])];
  const late = (expected[before] ?? 0) > moment && before >= 0;
  return [
    `Cue ${cueName(list.cues[row])} ${callWords(call)}, line ${call.line}`,
    ...(late
      ? [`before cue ${list.cues[before]?.number} is called: it would wait for that`]
      : since
        ? [`${since} after ${list.cues[before]?.number}`]
        : []),
    ...(until && !until.startsWith("-") ? [`${until} before ${list.cues[next]?.number}`] : []),
  ].join(", ");
}

/** How many words a line has. */
export function wordCount(text: string): number {
  return splitWords(text).length;
}
