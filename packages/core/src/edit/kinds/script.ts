// Edits of the play: its pace, what single lines say and how long they take, and its text as a whole. Cues stay with their words.
import { z } from "zod";
import { scriptHeadOf } from "../steps/applyScript.ts";
import { scriptSteps } from "../steps/between.ts";
import { headStep } from "../plan/headStep.ts";
import type { Plan } from "../plan/plan.ts";
import type { Step } from "../steps/step.ts";
import { type Rewriting, reviseLines } from "../../script/revise.ts";
import { scriptLine } from "../../script/scriptLine.ts";
import { scriptOf } from "../../script/scriptOf.ts";
import { SCRIPT_FORMATS, type ScriptFormat, type TextLine, readScriptText } from "../../script/scriptText.ts";
import { ShowError } from "../../show/errors.ts";
import { faultsOf } from "../../show/faults.ts";
import { sameData } from "../../show/sameData.ts";
import { type Script, type ScriptLine, scriptParts } from "../../show/schema.ts";
import { count, shortened } from "../../show/words.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { defineEdit } from "./kind.ts";
import { saidWords } from "./kindWords.ts";

const headSchema = z.strictObject({
  op: z.literal("setScript"),
  pace: scriptParts.head.pace.nullable(),
  standby: scriptParts.head.standby.nullable(),
});

/**
 * Setting the speaking pace of the play, words a minute, and by how many seconds a standby comes before its call; null takes a setting away. A show without a script gets an
 * empty one.
 */
export const setScript = defineEdit(headSchema, {
  plan: ({ show }, { op: _op, ...fields }) => {
    const before = scriptHeadOf(show.script);
    const { pace, standby } = { ...before, ...fields };
    const after = { ...(pace == null ? {} : { pace }), ...(standby == null ? {} : { standby }) };
    return before && sameData(before, after) ? [] : [{ at: "script", before, after }];
  },
  words: ({ pace, standby }) => `The script: ${[...saidWords("pace", pace), ...saidWords("standby", standby)].join(", ") || "begun"}`,
});

const lineFields = scriptParts.lineFields;
const linesSchema = z.strictObject({
  op: z.literal("setLines"),
  lines: z.array(z.string()).min(1, "is empty; name the lines"),
  text: lineFields.text.optional(),
  who: lineFields.who.nullable(),
  page: lineFields.page.nullable(),
  heading: z.boolean().optional(),
  pace: lineFields.pace.nullable(),
  seconds: lineFields.seconds.nullable(),
  quiet: z.boolean().optional(),
});

/**
 * Setting what lines of the play hold: words, who says them, page, pace, length, silence; null takes a field away, absent leaves it. Throws ShowError for a line that is
 * not there. Where the words change, cues stay with theirs, or it is told where they stand now.
 */
export const setLines = defineEdit(linesSchema, {
  plan: (sheet, { op: _op, lines: ids, ...fields }) => {
    const script = scriptOf(sheet.show);
    const chosen = new Set(ids.map((id) => lineNamed(script, id).id));
    const patched = (line: ScriptLine): ScriptLine => scriptLine({ ...line, ...fields });
    const lines = script.lines.map((line) => (chosen.has(line.id) ? patched(line) : line));
    if (fields.text === undefined) return { steps: scriptSteps(script, { ...script, lines }) };
    return revised(sheet, script, { first: 0, behind: lines.length, texts: lines }, () => lines);
  },
  words: ({ lines, text, quiet, pace, seconds, who, heading, page }) =>
    `${lines.length === 1 ? `Line ${lines[0] ?? ""}` : count(lines.length, "line")} of the script: ${[
      ...(text === undefined ? [] : ["words changed"]),
      ...(quiet === undefined ? [] : [quiet ? "quiet" : "not quiet"]),
      ...saidWords("said by", who),
      ...(heading === undefined ? [] : [heading ? "a heading" : "no heading"]),
      ...saidWords("pace", pace),
      ...saidWords("seconds", seconds),
      ...saidWords("page", page),
    ].join(", ")}`,
});

const textSchema = z.strictObject({
  op: z.literal("setText"),
  first: z.string().optional(),
  last: z.string().optional(),
  text: z.string().max(5_000_000, "is longer than 5 million letters"),
  format: z.enum(SCRIPT_FORMATS).default("plain"),
});

/**
 * Writing the text of the play anew, or of a stretch of it from line `first` to line `last`, both included. Lines that are still there keep their ids and what is known of
 * them. Cues stay with their words wherever those go; for each that cannot, a note tells where it stands now. Throws ShowError for a line that is not there.
 */
export const setText = defineEdit(textSchema, {
  plan: (sheet, { first, last, text, format }) => {
    const script = sheet.show.script ?? { lines: [] };
    const from = first === undefined ? 0 : script.lines.indexOf(lineNamed(script, first));
    const behind = last === undefined ? script.lines.length : script.lines.indexOf(lineNamed(script, last)) + 1;
    if (behind < from) throw new ShowError(`Line ${first ?? ""} stands behind line ${last ?? ""}; name the earlier one first`);
    return revised(sheet, script, { first: from, behind, texts: readLines(text, format) });
  },
  words: ({ first, last }) =>
    first === undefined && last === undefined
      ? "Text of the script"
      : `Text of the script from ${first ?? "its beginning"} to ${last ?? "its end"}`,
});

const textLine = z.strictObject(lineFields);

/** The lines that a text is read as. Throws ShowError for each that no line of a play can be. */
function readLines(text: string, format: ScriptFormat): TextLine[] {
  const lines = readScriptText(text, format);
  const faults = lines.flatMap((line, index) => {
    const { error } = textLine.safeParse(line);
    if (!error) return [];
    const place = `Line ${index + 1} of the text, “${shortened(line.text, TOLD_LETTERS)}”`;
    return faultsOf(error, line).map((fault) => `${place}: ${fault}`);
  });
  if (faults.length > 0) throw new ShowError(faults);
  return lines;
}

/** What rewriting comes to: the steps of the lines, those of the cues that go with their words, and a note for each cue that cannot. `exact` gives the lines where they are known already. */
function revised(sheet: ShowSheet, script: Script, rewriting: Rewriting, exact?: () => readonly ScriptLine[]): Plan {
  const revision = reviseLines(script.lines, rewriting);
  const lines = exact?.() ?? revision.lines;
  const steps: Step[] = scriptSteps(sheet.show.script, { ...script, lines: [...lines] });
  // What has lost its line is worse than what has lost its word, and is told first.
  const notes: Record<"line-cut" | "word-gone", string[]> = { "line-cut": [], "word-gone": [] };
  const saidBy = new Map(lines.map(({ id, text }) => [id, text]));
  for (const list of sheet.lists.values())
    for (const cue of list.cues) {
      if (!cue.call) continue;
      const { call, fate } = revision.callAfter(cue.call);
      if (!sameData(call, cue.call)) steps.push(headStep(list, cue, { ...headOf(cue), call }));
      if (fate === "word-gone")
        notes[fate].push(
          `Cue ${cue.number}: “${cue.call.word ?? ""}” is gone; it is called on “${call.word ?? saidBy.get(call.line) ?? ""}” now`,
        );
      if (fate === "line-cut")
        notes[fate].push(
          `Cue ${cue.number}: its line is cut; it is called at the beginning of “${shortened(saidBy.get(call.line) ?? call.line, TOLD_LETTERS)}” now`,
        );
    }
  return { steps, notes: [...notes["line-cut"], ...notes["word-gone"]] };
}

/** So many letters of a line are told in a note. */
const TOLD_LETTERS = 40;

/** A line by its id. Throws ShowError for one that is not there. */
function lineNamed(script: Script, id: string): ScriptLine {
  const found = script.lines.find((line) => line.id === id);
  if (!found)
    throw new ShowError(
      `The script has no line ${id}; its lines go from ${script.lines[0]?.id ?? "none"} to ${script.lines.at(-1)?.id ?? "none"}`,
    );
  return found;
}
