// Notes of those who look on, as they are typed: left, and ticked off.
import type { EditInput } from "../edit/index.ts";
import { freeIdAmong } from "../show/ids.ts";
import { notesOfCue } from "../notes/notes.ts";
import { rowOf } from "../sheet/sheet.ts";
import { faultless, single } from "./checked.ts";
import type { LineContext } from "./lineRequest.ts";
import { Fault, channelsOf } from "./names.ts";
import type { Sentence } from "./sentence.ts";

/** The edit that leaves a note. Throws Fault for a cue or a light that there is not, and for a note that says nothing. */
export function noteEdit({ text, cue, lights }: Extract<Sentence, { kind: "leaveNote" }>, { sheet, list, cues }: LineContext): EditInput {
  if (text.trim() === "") throw new Fault({ message: "What is wanted? Write it between the quotation marks", at: 11, length: 2 });
  const number = cue ?? cues?.from;
  const row = number === undefined ? -1 : faultless(() => rowOf(list, single(number).from));
  const pinned = row < 0 ? {} : { list: list.id, cue: list.cues[row]?.number ?? "" };
  const id = freeIdAmong(text, sheet.show.notes ?? []);
  return { op: "setNote", note: { id, text: text.trim(), ...pinned, ...(lights ? { channels: channelsOf(lights, sheet) } : {}) } };
}

/** The edits that tick the open notes of a cue off. Throws Fault where it has none. */
export function tickEdits({ cue, answer }: Extract<Sentence, { kind: "tickNotes" }>, { sheet, list }: LineContext): EditInput[] {
  const open = notesOfCue(sheet.show, list.id, cue).filter(({ done }) => !done);
  if (open.length === 0) throw new Fault({ message: `Cue ${cue} has no open note`, at: 5, length: cue.length + 1 });
  return open.map((note): EditInput => ({ op: "setNote", note: { ...note, done: true, ...(answer ? { answer } : {}) } }));
}
