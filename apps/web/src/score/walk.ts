import { dropDraft } from "../choice/draft.ts";
import { type LightSpan, chooseCues, chooseSpan, extendToCue, useSelection } from "../choice/selection.ts";
import { type ListSheet, findRow } from "@zm/core";
import { type SheetLines, lastRowOf, standsForCues } from "../spine/lines.ts";
import { type ScoreLayout, columnsBetween, placeOfLight } from "./columns.ts";

const STEPS: Readonly<Record<string, { lines: number; columns: number }>> = {
  ArrowUp: { lines: -1, columns: 0 },
  ArrowDown: { lines: 1, columns: 0 },
  ArrowLeft: { lines: 0, columns: -1 },
  ArrowRight: { lines: 0, columns: 1 },
  PageUp: { lines: -15, columns: 0 },
  PageDown: { lines: 15, columns: 0 },
  Home: { lines: -1e6, columns: 0 },
  End: { lines: 1e6, columns: 0 },
};

/** A cell of the sheet: a line and a column, each by its place. */
export interface CellPlace {
  readonly line: number;
  readonly column: number;
}

/** Walks the cells with the arrow keys; with shift the chosen block grows. False for a key that does not walk. */
export function moveFocus(
  event: Pick<KeyboardEvent, "key" | "shiftKey">,
  list: ListSheet,
  lines: SheetLines,
  layout: ScoreLayout,
): boolean {
  const step = STEPS[event.key];
  if (!step) return false;
  const choice = useSelection.getState();
  const at = placeOfLight(layout, choice.channelEnd, choice.attributeEnd);
  const from = choice.cueEnd === null ? -1 : (lines.lineOf[findRow(list, choice.cueEnd)] ?? -1);
  const line = cueLine(lines, clamp(from + step.lines, lines.lines.length), Math.sign(step.lines) || 1);
  const column = clamp(at + step.columns, layout.columns.length);
  chooseCell(list, lines, layout, { line, column: at < 0 && step.columns === 0 ? -1 : column }, event.shiftKey);
  return true;
}

/** The nearest line from one on that stands for cues of its own: parts of an open cue, and what is switched off, are walked past. */
function cueLine({ lines }: SheetLines, from: number, by: number): number {
  for (let place = from; place >= 0 && place < lines.length; place += by) {
    const line = lines[place];
    if (line && standsForCues(line)) return place;
  }
  return by > 0 ? cueLine({ lines, lineOf: [] }, from, -1) : from;
}

/** Chooses a cell, or draws the chosen block out to it. A folded scene stands for all of its cues; column -1 leaves the lights as they are. */
export function chooseCell(list: ListSheet, lines: SheetLines, layout: ScoreLayout, { line, column }: CellPlace, extend: boolean): void {
  const at = lines.lines[line];
  if (at?.kind === "off") return;
  const first = list.cues[at?.row ?? -1]?.number;
  const last = at && list.cues[lastRowOf(at)]?.number;
  if (first === undefined || last === undefined) return;
  const choice = useSelection.getState();
  const light = layout.columns[column];
  if (extend && choice.cue !== null) {
    const start = placeOfLight(layout, choice.channel, choice.attribute);
    const outwards = Number(choice.cue) <= Number(first) ? last : first;
    extendToCue(outwards);
    if (light) chooseSpan(lightsBetween(layout, start < 0 ? column : start, column));
    return;
  }
  dropDraft();
  chooseCues(first, last);
  if (light) chooseSpan(lightsBetween(layout, column, column));
}

/** The choice of all that stands between two columns. */
function lightsBetween(layout: ScoreLayout, from: number, to: number): LightSpan {
  const { channels, attributes } = columnsBetween(layout, from, to);
  const [start, end] = [layout.columns[from], layout.columns[to]];
  return {
    channels,
    channel: start?.channel ?? null,
    channelEnd: end?.channel ?? null,
    attribute: start?.attribute ?? null,
    attributeEnd: end?.attribute ?? null,
    attributes: attributes && { of: channels, names: attributes },
  };
}

function clamp(value: number, count: number): number {
  return Math.min(count - 1, Math.max(0, value));
}
