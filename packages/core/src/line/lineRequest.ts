import type { Question } from "../ask/question.ts";
import type { EditInput } from "../edit/index.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { checkedRange } from "./checked.ts";
import type { HandRequest } from "./handLine.ts";
import { Fault } from "./names.ts";
import type { LinePress } from "./pressLine.ts";
import type { Range, Shown } from "./sentence.ts";

/**
 * What a typed line asks for, held against the show. `channels` and `cues` are what is chosen when it has been done; undefined leaves
 * the choice as it is.
 * The interface does it, or shows what it would do, without reading the text again.
 */
export type LineRequest =
  | { kind: "edit"; edits: EditInput[]; channels: number[] | undefined; cues: Range | undefined }
  | HandRequest
  | { kind: "choose"; channels?: number[]; cues?: Range }
  | { kind: "find"; text: string }
  | { kind: "nameVersion"; name: string }
  | { kind: "accept"; cues: Range; note: string }
  | { kind: "help" }
  | { kind: "notes" }
  | { kind: "bringIn" }
  | { kind: "sendOut" }
  | { kind: "backup" }
  | { kind: "people" }
  | { kind: "servers" }
  // The server that leads hands the lead to its spare.
  | { kind: "handOver" }
  | { kind: "keepCue"; list: string; cue: string; keep: boolean }
  | { kind: "ask"; question: Question }
  | { kind: "rehearse"; speed: number }
  | { kind: "caller"; speed: number; from?: string }
  | { kind: "callerLeaves" }
  | { kind: "logRun"; begins: boolean; name?: string }
  | { kind: "osc"; on: boolean }
  | { kind: "show"; what: Shown; shown: boolean }
  | { kind: "press"; press: LinePress }
  | { kind: "numbers"; cues: Range | undefined }
  | { kind: "importCues"; cues?: Range; from?: string; start?: string }
  | { kind: "history"; what: "undo" | "redo" };

/**
 * What a line is read against: the show, the list that is open, and what is chosen when the line begins.
 * A line belongs to what was chosen when it began, so a context is taken once for each line.
 */
export interface LineContext {
  readonly sheet: ShowSheet;
  readonly list: ListSheet;
  /** The cues that an edit without `#` speaks of; undefined where none is chosen. */
  readonly cues: Range | undefined;
  /** True where a line without `#` goes to the Hand: everywhere but in the sheets that edit blind. */
  readonly toHand?: boolean;
}

/** A line that makes edits. */
export type EditRequest = Extract<LineRequest, { kind: "edit" }>;

/** A request for edits of the show that speak of no cues and leave the choice as it is. */
export function editsOfShow(edits: EditInput[]): EditRequest {
  return { kind: "edit", edits, channels: undefined, cues: undefined };
}

/** The same for one edit. */
export function editOfShow(edit: EditInput): EditRequest {
  return editsOfShow([edit]);
}

/** A request for one edit over a range of cues, which it leaves chosen. */
export function editOf(cues: Range, edit: (cues: Range) => EditInput): EditRequest {
  return { kind: "edit", edits: [edit(cues)], channels: undefined, cues };
}

/** The cues that a line speaks of: those it names, else those that are chosen. Throws Fault where there are none. */
export function cuesFor(typed: Range | undefined, context: LineContext): Range {
  if (typed) return checkedRange(typed);
  if (context.cues) return context.cues;
  throw new Fault({ message: "In which cues? Choose some, or begin with #10..20:", at: 0, length: 1 });
}

/** The one cue whose part is spoken of. Throws Fault for a range of them. */
export function onePartCue(cues: Range): Range {
  if (cues.from === cues.to) return checkedRange(cues);
  throw new Fault({ message: "A part belongs to one cue; name one, as in #12:", at: 0, length: 1 });
}
