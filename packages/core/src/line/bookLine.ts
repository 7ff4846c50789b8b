// What typed lines about the play come to: a cue at a word, quiet lines, the pace.
import type { EditInput } from "../edit/index.ts";
import { linesBetweenCues, placeForCue } from "../script/findPhrase.ts";
import { SPEAKING_PACES } from "../script/scriptTime.ts";
import { callAt } from "../script/words.ts";
import type { Script } from "../show/schema.ts";
import { type ListSheet, type ShowSheet, findRow } from "../sheet/sheet.ts";
import { checkedRange, single } from "./checked.ts";
import { Fault } from "./names.ts";
import type { Range, Sentence } from "./sentence.ts";

/** What such a line is read against. */
interface PlayContext {
  readonly sheet: ShowSheet;
  readonly list: ListSheet;
}

/** The edit that calls a cue at a phrase of the play, or nowhere. `cues` must be one cue that stands. Throws Fault where nobody says the phrase. */
export function callEdit(cues: Range, call: Extract<Sentence, { kind: "call" }>["call"], context: PlayContext): EditInput {
  const { list } = context;
  if (call === null) return { op: "setCue", list: list.id, ...cues, call: null };
  const script = scriptOf(context);
  const row = rowOf(cues.from, context);
  if (cues.from !== cues.to) throw fault(`Only one cue is called at a word, as in #${cues.from}: call "${call.phrase}"`);
  const place = placeForCue(list, script, row, call.phrase);
  if (!place) throw fault(`Nobody says “${call.phrase}” in the script; look for a shorter piece of it`);
  return { op: "setCue", list: list.id, ...cues, call: callAt(place.line, place.word, call.after ? "after" : "on") };
}

/** The edit that asks for silence, or no longer does, from the call of one cue to that of another. Throws Fault where they are not in the script. */
export function quietEdit({ cues, quiet }: Extract<Sentence, { kind: "quiet" }>, context: PlayContext): EditInput {
  return { op: "setLines", lines: linesAt(cues, context), quiet };
}

/** The edit that sets the pace or the standby of the play, or the pace of the lines between two cues. Throws Fault. */
export function scriptEdit({ cues, pace, standby }: Extract<Sentence, { kind: "script" }>, context: PlayContext): EditInput {
  if (typeof pace === "number" && (pace < SPEAKING_PACES.min || pace > SPEAKING_PACES.max))
    throw fault(`Nobody speaks ${pace} words a minute; a pace is from ${SPEAKING_PACES.min} to ${SPEAKING_PACES.max}, a usual one 140`);
  const set = { ...(pace === undefined ? {} : { pace }), ...(standby === undefined ? {} : { standby }) };
  if (!cues) return { op: "setScript", ...set };
  if (standby !== undefined || pace === undefined)
    throw fault("The standby is one for the whole script; between cues only the pace is set");
  return { op: "setLines", lines: linesAt(cues, context), pace };
}

/** How fast the caller can read: so many times as fast as it is spoken. */
export const CALLER_SPEEDS = { least: 1, most: 60 };

/** How the play is called, checked: its speed, and the cue from which. Throws Fault. */
export function checkedCaller({ speed, from }: Extract<Sentence, { kind: "caller" }>): { speed: number; from?: string } {
  if (speed < CALLER_SPEEDS.least || speed > CALLER_SPEEDS.most)
    throw fault(`The play is called ${CALLER_SPEEDS.least} to ${CALLER_SPEEDS.most} times as fast as it is spoken`);
  return { speed, ...(from === undefined ? {} : { from: single(from).from }) };
}

/** The lines between the calls of two cues. Throws Fault where there are none. */
function linesAt(typed: Range, context: PlayContext): string[] {
  const { from, to } = checkedRange(typed);
  const lines = linesBetweenCues(context.list, scriptOf(context), rowOf(from, context), rowOf(to, context));
  if (lines.length === 0)
    throw fault(`Cue ${from === to ? from : `${from} or ${to}`} is not called in the script; place it at a word first`);
  return lines;
}

/** The row of a cue that stands. Throws Fault. */
function rowOf(number: string, { list }: PlayContext): number {
  const row = findRow(list, number);
  if (row < 0) throw fault(`There is no cue ${number}`);
  return row;
}

/** The play. Throws Fault for a show without one. */
function scriptOf({ sheet }: PlayContext): Script {
  if (!sheet.show.script) throw fault("The show has no script yet; paste or import one in the Book");
  return sheet.show.script;
}

/** A fault of the whole line. */
function fault(message: string): Fault {
  return new Fault({ message, at: 0, length: 1 });
}
