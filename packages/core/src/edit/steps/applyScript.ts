import { ShowError } from "../../show/errors.ts";
import { sameData } from "../../show/sameData.ts";
import type { Script, ScriptHead, ScriptLine, Show } from "../../show/schema.ts";
import type { LineStep, PlacedLine, ScriptStep } from "./step.ts";

/**
 * What a script says over its lines; undefined for a show without one.
 * Plain data that compares by content.
 */
export function scriptHeadOf(script: Script | undefined): ScriptHead | undefined {
  if (!script) return undefined;
  const { pace, standby } = script;
  return { ...(pace === undefined ? {} : { pace }), ...(standby === undefined ? {} : { standby }) };
}

/**
 * The show with steps made on its play, one after the other. Throws ShowError where one does not find what it expects, and then nothing is changed.
 * Lines are found by their ids. Cues keep their calls: those are changed by steps of their own.
 */
export function applyScript(show: Show, steps: readonly (ScriptStep | LineStep)[]): Show {
  let head = scriptHeadOf(show.script);
  const lines = [...(show.script?.lines ?? [])];
  for (const step of steps) {
    if (step.at === "line") {
      if (!head) throw new ShowError(`The show has no script, so there is no line ${step.line}; give it a script first`);
      applyLine(lines, step);
      continue;
    }
    if (!sameData(head, step.before))
      throw new ShowError("The settings of the script have been changed since; look at them and make the edit again");
    if (!step.after && lines.length > 0) throw new ShowError("The script still has lines; take them out first");
    head = step.after;
  }
  const { script: _before, ...rest } = show;
  return head ? { ...rest, script: { ...head, lines } } : rest;
}

/** One line comes, goes, changes or goes elsewhere in the row of lines, which is changed in place. Throws ShowError. */
function applyLine(lines: ScriptLine[], { line: id, before, after }: LineStep): void {
  const place = lines.findIndex((line) => line.id === id);
  if (!sameData(lines[place], before?.line))
    throw new ShowError(`Line ${id} of the script has been changed since; look at it and make the edit again`);
  if (before && after && before.behind === after.behind) lines[place] = after.line;
  else {
    if (before) lines.splice(place, 1);
    if (after) lines.splice(placeBehind(lines, after), 0, after.line);
  }
}

/** Where a line goes that is to stand behind another. Throws ShowError where that is gone. */
function placeBehind(lines: readonly ScriptLine[], { behind, line }: PlacedLine): number {
  if (behind === null) return 0;
  const place = lines.findIndex(({ id }) => id === behind);
  if (place < 0) throw new ShowError(`Line ${line.id} of the script would stand behind line ${behind}, which is gone`);
  return place + 1;
}
