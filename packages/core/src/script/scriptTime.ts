import { cached } from "../show/cached.ts";
import { at } from "../show/at.ts";
import type { Call, Script, ScriptLine } from "../show/schema.ts";
import { placeOfCall, splitWords } from "./words.ts";

/**
 * Words a minute that somebody may be said to speak at: what is typed beyond is a slip.
 * A document may hold others; they are read.
 */
export const SPEAKING_PACES = { min: 20, max: 400 } as const;

/** Words a minute where a script names no pace of its own. */
export const SPEAKING_PACE = 150;

/**
 * One line of the script in time: seconds from the script's first word.
 * Lines follow each other without pauses; a line with `seconds` of its own holds the place of silence, music or business.
 */
export interface LineTime {
  readonly line: ScriptLine;
  readonly start: number;
  readonly seconds: number;
}

/**
 * How long a line takes: its words at the pace, at least a second, or what the line itself says (FORMAT). A heading is not spoken and takes no time. Seconds.
 * `pace` is words a minute, above 0; one of the line's own goes before it. Words are what blanks separate.
 */
export function lineSeconds(line: ScriptLine, pace: number): number {
  if (line.heading) return line.seconds ?? 0;
  return line.seconds ?? Math.max(1, (splitWords(line.text).length / (line.pace ?? pace)) * 60);
}

/**
 * Every line of a script by its id, each beginning when the one before ends.
 * Built once for each script. An empty map for a script without lines.
 */
export const lineTimes = cached((script: Script): ReadonlyMap<string, LineTime> => {
  const times = new Map<string, LineTime>();
  const usual = script.pace ?? SPEAKING_PACE;
  let pace = usual;
  let start = 0;
  for (const line of script.lines) {
    if (line.heading) pace = line.pace ?? usual;
    const seconds = lineSeconds(line, pace);
    times.set(line.id, { line, start, seconds });
    start += seconds;
  }
  return times;
});

/**
 * When a call is spoken: at its word, the first that matches, or at the beginning of its line; a call of the kind "after" comes
 * when that word or line has been said. Null for a line that the script does not have. Seconds from the script's first word.
 * The place of a word in its line is estimated by how many words stand before it.
 * A word that the line does not have counts as if none were named; Check reports it.
 */
export function callMoment(script: Script | undefined, call: Call | undefined): number | null {
  const time = script && call && lineTimes(script).get(call.line);
  if (!time || !call) return null;
  const after = call.kind === "after";
  const place = placeOfCall(time.line.text, call);
  if (place < 0) return time.start + (after ? time.seconds : 0);
  return time.start + (time.seconds * (place + (after ? 1 : 0))) / splitWords(time.line.text).length;
}

/** How long the whole play takes as its words have it. Seconds; 0 for a script without lines. */
export function playSeconds(script: Script): number {
  const last = script.lines.at(-1);
  const time = last && lineTimes(script).get(last.id);
  return time ? time.start + time.seconds : 0;
}

/**
 * The line that is spoken at a moment, and which of its words, counted from 0. Before the first line it is the first, past the end the last; undefined for a script
 * without lines. `moment` is seconds from the script's first word.
 */
export function placeAt(script: Script, moment: number): { readonly line: ScriptLine; readonly word: number } | undefined {
  const times = [...lineTimes(script).values()];
  if (times.length === 0) return undefined;
  const behind = times.findIndex(({ start, seconds }) => start + seconds > moment);
  const { line, start, seconds } = at(times, behind < 0 ? times.length - 1 : behind);
  const words = splitWords(line.text).length;
  const share = seconds > 0 ? (moment - start) / seconds : 0;
  return { line, word: Math.min(words - 1, Math.max(0, Math.floor(share * words))) };
}

/** The quiet lines of a script with their times; found once for each script. */
const quietTimes = cached((script: Script): readonly LineTime[] =>
  [...lineTimes(script).values()].filter(({ line }) => line.quiet === true),
);

/**
 * For how long quiet lines are spoken between two moments of the script. Seconds.
 * 0 for a show without a script, and for one without quiet lines.
 */
export function quietSeconds(script: Script | undefined, from: number, to: number): number {
  if (!script) return 0;
  let sum = 0;
  for (const { start, seconds } of quietTimes(script)) sum += Math.max(0, Math.min(to, start + seconds) - Math.max(from, start));
  return sum;
}

/**
 * The quiet lines that are spoken, in part or whole, between two moments of the script.
 * `from` and `to` in seconds from the script's first word; a line that only touches an end is not in it. Empty for a show without a
 * script.
 */
export function quietLinesBetween(script: Script | undefined, from: number, to: number): ScriptLine[] {
  if (!script) return [];
  return quietTimes(script)
    .filter(({ start, seconds }) => start < to && start + seconds > from)
    .map(({ line }) => line);
}
