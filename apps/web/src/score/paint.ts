import { type Key, type ListSheet, cueOrder, marksByChannel } from "@zm/core";
import type { Lens } from "../choice/choice.ts";
import type { Ghost, Ghosts } from "../preview/preview.ts";
import { type CellMark, type Shape, colourOf, lensKeys, lensThreads, markAt, trackedText } from "../cells/cells.ts";
import type { ScoreColumn, ScoreLayout } from "./columns.ts";
import type { Ink } from "./palette.ts";

export const ROW = 28;

/** Everything that one painting of the sheet needs. */
export interface ScorePicture {
  readonly list: ListSheet;
  readonly layout: ScoreLayout;
  readonly lens: Lens;
  readonly tracked: boolean;
  /** The rows and the stretch of the sheet that are painted. */
  readonly rows: { first: number; last: number };
  readonly left: number;
  readonly right: number;
  readonly chosen: { first: number; last: number } | null;
  readonly lights: ReadonlySet<number>;
  readonly stageRow: number;
  readonly ghosts: Ghosts | null;
}

/** Paints the sheet onto a canvas whose top left corner is (left, rows.first) of the sheet. */
export function paintScore(context: CanvasRenderingContext2D, picture: ScorePicture, ink: Ink): void {
  const { rows, left, right } = picture;
  const height = (rows.last - rows.first + 1) * ROW;
  context.fillStyle = ink.sheet;
  context.fillRect(0, 0, right - left, height);
  context.save();
  context.translate(-left, -rows.first * ROW);
  paintRows(context, picture, ink);
  context.textBaseline = "middle";
  for (const column of picture.layout.columns) {
    if (column.x + column.width < left || column.x > right) continue;
    paintColumn(context, picture, column, ink);
  }
  paintWalls(context, picture, ink);
  paintChosen(context, picture, ink);
  context.restore();
}

function paintRows(context: CanvasRenderingContext2D, { rows, left, right, chosen, stageRow }: ScorePicture, ink: Ink): void {
  for (let row = rows.first; row <= rows.last; row += 1) {
    const inRange = chosen !== null && row >= chosen.first && row <= chosen.last;
    if (inRange || row === stageRow) {
      context.fillStyle = ink.row;
      context.fillRect(left, row * ROW, right - left, ROW);
    }
    context.fillStyle = ink.rule;
    context.globalAlpha = 0.55;
    context.fillRect(left, (row + 1) * ROW - 1, right - left, 1);
    context.globalAlpha = 1;
  }
}

function paintWalls(context: CanvasRenderingContext2D, { list, rows, left, right }: ScorePicture, ink: Ink): void {
  context.fillStyle = ink.brass;
  // The wall of the row below stands on the edge of this one.
  for (let row = rows.first; row <= rows.last + 1; row += 1) {
    if (!list.cues[row]?.block) continue;
    context.fillRect(left, row * ROW - 2, right - left, 1);
    context.fillRect(left, row * ROW + 1, right - left, 1);
  }
}

function paintColumn(context: CanvasRenderingContext2D, picture: ScorePicture, column: ScoreColumn, ink: Ink): void {
  if (column.folded) return paintFolded(context, picture, column, ink);
  const keys = lensKeys(picture.list, column.channel, picture.lens);
  if (keys.length === 0) return;
  paintThreads(context, picture, column, keys, ink);
  if (picture.lens === "intensity") paintMarks(context, picture, column, ink);
  const ghosted = picture.ghosts?.get(column.channel);
  for (let row = picture.rows.first; row <= picture.rows.last; row += 1) {
    const ghost = ghosted?.get(picture.list.cues[row]?.number ?? "");
    if (ghost !== undefined) paintGhost(context, picture.lens, ghost, column, row, ink);
    else paintCell(context, picture, column, keys, row, ink);
  }
}

function axis(column: ScoreColumn): number {
  return column.x + 9;
}

function paintThreads(context: CanvasRenderingContext2D, picture: ScorePicture, column: ScoreColumn, keys: readonly Key[], ink: Ink): void {
  const { list, rows, lens } = picture;
  if (lens === "times") return;
  for (const thread of lensThreads(list, keys, lens)) {
    if (thread.to < rows.first - 1 || thread.from > rows.last) continue;
    if (lens === "intensity" && thread.value <= 0) continue;
    const width = lens === "intensity" ? 1 + (thread.value / 100) * 4.5 : 4;
    const resumes = markAt(list, keys, thread.from, lens) === null;
    const top = thread.from * ROW + (resumes ? 1 : ROW / 2);
    const bottom = (thread.to + 1) * ROW + (endsInMove(list, keys, thread.to + 1, lens) ? ROW / 2 - 7 : 0);
    if (bottom <= top) continue;
    context.fillStyle = lens === "colour" ? colourOf(list, column.channel, thread.from) : ink.thread;
    context.globalAlpha = thread.origin === thread.from || !resumes ? 0.9 : 0.55;
    context.fillRect(axis(column) - width / 2, top, width, bottom - top);
    context.globalAlpha = 1;
  }
}

/** Dark windows as dotted threads, each with the lozenge of its mark in the cue where the light moves. */
function paintMarks(context: CanvasRenderingContext2D, { list, rows }: ScorePicture, column: ScoreColumn, ink: Ink): void {
  const x = axis(column);
  for (const mark of marksByChannel(list).get(column.channel) ?? []) {
    if (!mark.window || mark.calledAt < rows.first || mark.window.first > rows.last) continue;
    const from = mark.window.first === 0 ? (mark.markAt ?? mark.window.last) : mark.window.first;
    context.strokeStyle = ink.glass;
    context.lineWidth = 1.5;
    context.setLineDash([1.5, 4]);
    context.beginPath();
    context.moveTo(x, from * ROW + ROW / 2 + 8);
    context.lineTo(x, mark.calledAt * ROW + ROW / 2 - 8);
    context.stroke();
    context.setLineDash([]);
    if (mark.markAt === null) continue;
    const y = mark.markAt * ROW + ROW / 2 + (mark.markAt === mark.window.first && mark.window.first > 0 ? 12 : 0);
    context.beginPath();
    context.moveTo(x, y - 5.5);
    context.lineTo(x + 4.5, y);
    context.lineTo(x, y + 5.5);
    context.lineTo(x - 4.5, y);
    context.closePath();
    context.fillStyle = ink.sheet;
    context.fill();
    context.stroke();
  }
}

function endsInMove(list: ListSheet, keys: readonly Key[], row: number, lens: Lens): boolean {
  return row < list.cues.length && markAt(list, keys, row, lens) !== null;
}

function paintCell(
  context: CanvasRenderingContext2D,
  picture: ScorePicture,
  column: ScoreColumn,
  keys: readonly Key[],
  row: number,
  ink: Ink,
): void {
  const { list, lens, tracked, chosen } = picture;
  const mark = markAt(list, keys, row, lens);
  const middle = row * ROW + ROW / 2;
  if (mark) {
    const fill = lens === "colour" ? colourOf(list, column.channel, row) : mark.shape === "fall" ? ink.fall : ink.symbol;
    clearBehind(context, column, middle, ink);
    drawShape(context, mark, axis(column), middle, fill, ink.sheet);
    writeValue(context, mark.text, column, middle, mark.quiet ? ink.quiet : ink.text, lens);
    return;
  }
  const shown =
    tracked ||
    (chosen !== null && row >= chosen.first && row <= chosen.last && picture.lights.has(column.channel)) ||
    (chosen?.first === row && chosen.last === row);
  if (shown) writeValue(context, trackedText(list, keys, row, lens), column, middle, ink.quiet, lens);
}

function clearBehind(context: CanvasRenderingContext2D, column: ScoreColumn, middle: number, ink: Ink): void {
  context.fillStyle = ink.sheet;
  context.fillRect(axis(column) - 7, middle - 7, 14, 14);
}

function writeValue(
  context: CanvasRenderingContext2D,
  text: string,
  column: ScoreColumn,
  middle: number,
  colour: string,
  lens: Lens,
): void {
  if (text === "") return;
  context.font = /^[\d−?]/.test(text) ? FIGURES[lens === "intensity" ? "plain" : "small"] : WORDS;
  context.fillStyle = colour;
  const room = column.x + column.width - axis(column) - 9;
  context.fillText(lens === "intensity" ? text : fitted(context, text, room), axis(column) + 9, middle + 1);
}

const WORDS = '12px "Atkinson Hyperlegible Next Variable", sans-serif';
const FIGURES = {
  plain: '13px "Atkinson Hyperlegible Mono Variable", monospace',
  small: '12px "Atkinson Hyperlegible Mono Variable", monospace',
};

function fitted(context: CanvasRenderingContext2D, text: string, room: number): string {
  if (context.measureText(text).width <= room) return text;
  for (let length = text.length - 1; length > 1; length -= 1) {
    const short = text.slice(0, length).trimEnd();
    if (context.measureText(short).width <= room) return short;
  }
  return text.slice(0, 1);
}

function drawShape(context: CanvasRenderingContext2D, mark: CellMark, x: number, y: number, fill: string, sheet: string): void {
  context.beginPath();
  shapePath(context, mark.shape, x, y);
  context.lineWidth = 1.5;
  context.strokeStyle = fill;
  context.fillStyle = mark.hollow ? sheet : fill;
  context.fill();
  if (mark.hollow) context.stroke();
}

function shapePath(context: CanvasRenderingContext2D, shape: Shape, x: number, y: number): void {
  switch (shape) {
    case "rise":
      context.moveTo(x, y - 5.5);
      context.lineTo(x + 6, y + 4.5);
      context.lineTo(x - 6, y + 4.5);
      return context.closePath();
    case "fall":
      context.moveTo(x, y + 5.5);
      context.lineTo(x + 6, y - 4.5);
      context.lineTo(x - 6, y - 4.5);
      return context.closePath();
    case "square":
      return context.rect(x - 4.5, y - 4.5, 9, 9);
    case "ring":
      return context.arc(x, y, 4, 0, Math.PI * 2);
  }
}

/** A cell as the edit under consideration would leave it, outlined in the colour of what is chosen; null: its cue goes. */
function paintGhost(context: CanvasRenderingContext2D, lens: Lens, ghost: Ghost | null, column: ScoreColumn, row: number, ink: Ink): void {
  const middle = row * ROW + ROW / 2;
  context.fillStyle = ink.chosen;
  context.fillRect(column.x - 2, row * ROW + 2, column.width - 2, ROW - 5);
  if (!ghost) return;
  const { mark, tracked } = ghost;
  const unset: CellMark | null = tracked === "" ? { shape: "ring", hollow: true, text: "" } : null;
  const shown = mark ?? unset;
  if (!shown) return writeValue(context, tracked, column, middle, ink.glass, lens);
  clearBehind(context, column, middle, ink);
  drawShape(context, { ...shown, hollow: true }, axis(column), middle, ink.glass, ink.sheet);
  writeValue(context, shown.text, column, middle, ink.glass, lens);
}

/** A folded group: where any of its lights moves, and the span of their levels. */
function paintFolded(context: CanvasRenderingContext2D, picture: ScorePicture, column: ScoreColumn, ink: Ink): void {
  const { list, rows, lens } = picture;
  const keys = column.channels.map((channel) => lensKeys(list, channel, lens)).filter((own) => own.length > 0);
  for (let row = rows.first; row <= rows.last; row += 1) {
    const middle = row * ROW + ROW / 2;
    const values = lens === "intensity" ? keys.map((own) => Number(trackedText(list, own, row, lens) || 0)) : [];
    const high = Math.max(0, ...values);
    if (lens === "intensity" && high > 0) {
      context.fillStyle = ink.thread;
      const width = 1 + (high / 100) * 4.5;
      context.fillRect(axis(column) - width / 2, row * ROW, width, ROW);
    }
    const marks = keys.map((own) => markAt(list, own, row, lens)).filter((mark) => mark !== null);
    const first = marks.find((mark) => !mark.hollow) ?? marks[0];
    if (!first) continue;
    clearBehind(context, column, middle, ink);
    drawShape(context, first, axis(column), middle, lens === "colour" ? colourOf(list, column.channel, row) : ink.symbol, ink.sheet);
    const low = Math.min(...values);
    const text = lens !== "intensity" ? shared(marks) : low === high ? String(high) : `${low}–${high}`;
    writeValue(context, text, column, middle, ink.text, lens);
  }
}

/** What moves of several lights say together. */
function shared(marks: readonly CellMark[]): string {
  const words = new Set(marks.map(({ text }) => text));
  return words.size === 1 ? (marks[0]?.text ?? "") : "mixed";
}

function paintChosen(context: CanvasRenderingContext2D, { layout, chosen, lights }: ScorePicture, ink: Ink): void {
  if (!chosen || lights.size === 0) return;
  const top = chosen.first * ROW + 1;
  const height = (chosen.last - chosen.first + 1) * ROW - 2;
  context.strokeStyle = ink.glass;
  context.lineWidth = 1.5;
  for (const run of chosenRuns(layout, lights)) {
    context.fillStyle = ink.chosen;
    context.beginPath();
    context.roundRect(run.x - 2.5, top + 0.5, run.width, height - 1, 3);
    context.fill();
    context.stroke();
  }
}

/** Neighbouring chosen columns as one frame. */
function chosenRuns(layout: ScoreLayout, lights: ReadonlySet<number>): { x: number; width: number }[] {
  const runs: { x: number; width: number }[] = [];
  for (const column of layout.columns) {
    if (!column.channels.some((channel) => lights.has(channel))) continue;
    const last = runs.at(-1);
    if (last && Math.abs(last.x + last.width - column.x) < 20) last.width = column.x + column.width - last.x;
    else runs.push({ x: column.x, width: column.width });
  }
  return runs;
}

/** The rows of a chosen range in a list; null when none of it stands there. */
export function chosenRows(list: ListSheet, cues: { from: string; to: string } | null): { first: number; last: number } | null {
  if (!cues) return null;
  const first = list.order.findIndex((order) => order >= cueOrder(cues.from));
  const last = list.order.findLastIndex((order) => order <= cueOrder(cues.to));
  return first < 0 || last < first ? null : { first, last };
}
