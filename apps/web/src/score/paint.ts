import { type Key, type ListSheet, cueOrder, marksByChannel } from "@zm/core";
import type { Lens } from "../choice/choice.ts";
import type { Ghost } from "../preview/preview.ts";
import {
  type CellMark,
  type Shape,
  colourOf,
  columnKeys,
  columnLens,
  keysInPart,
  lensKeys,
  lensThreads,
  markAt,
  partOf,
  trackedText,
  waveText,
} from "../cells/cells.ts";
import { timesScale } from "../cells/cellTimes.ts";
import { type SheetLine, lineAfter } from "../spine/lines.ts";
import type { ScoreColumn, ScoreLayout } from "./columns.ts";
import { type ScorePicture, ROW, axis } from "./picture.ts";
import { paintLanes } from "./paintLanes.ts";
import { paintWaves } from "./paintWaves.ts";
import type { Ink } from "./palette.ts";

/** Paints the sheet onto a canvas whose top left corner is (left, span.first) of the sheet. */
export function paintScore(context: CanvasRenderingContext2D, picture: ScorePicture, ink: Ink): void {
  const { span, left, right } = picture;
  const height = (span.last - span.first + 1) * ROW;
  context.fillStyle = ink.sheet;
  context.fillRect(0, 0, right - left, height);
  context.save();
  context.translate(-left, -span.first * ROW);
  paintLines(context, picture, ink);
  context.textBaseline = "middle";
  paintLanes(context, picture, ink);
  for (const column of picture.layout.columns) {
    if (column.x + column.width < left || column.x > right) continue;
    paintColumn(context, picture, column, ink);
  }
  paintWalls(context, picture, ink);
  paintChosen(context, picture, ink);
  context.restore();
}

/** Visits the lines that are painted, with their place down the sheet. */
function eachLine({ lines, span }: ScorePicture, visit: (line: SheetLine, top: number) => void): void {
  for (let place = span.first; place <= span.last; place += 1) {
    const line = lines.lines[place];
    if (line) visit(line, place * ROW);
  }
}

function paintLines(context: CanvasRenderingContext2D, picture: ScorePicture, ink: Ink): void {
  const { left, right, chosen, stageRow } = picture;
  eachLine(picture, (line, top) => {
    const last = line.kind === "scene" ? line.last : line.row;
    const inRange = chosen !== null && last >= chosen.first && line.row <= chosen.last;
    const onStage = stageRow >= line.row && stageRow <= last;
    if (inRange || onStage || line.kind === "scene") {
      context.fillStyle = ink.row;
      context.fillRect(left, top, right - left, ROW);
    }
    context.fillStyle = ink.rule;
    context.globalAlpha = 0.55;
    context.fillRect(left, top + ROW - 1, right - left, 1);
    context.globalAlpha = 1;
  });
}

function paintWalls(context: CanvasRenderingContext2D, { list, lines, span, left, right }: ScorePicture, ink: Ink): void {
  context.fillStyle = ink.brass;
  // The wall of the line below stands on the edge of this one.
  for (let place = span.first; place <= span.last + 1; place += 1) {
    const line = lines.lines[place];
    if (line?.kind !== "cue" || !list.cues[line.row]?.block) continue;
    context.fillRect(left, place * ROW - 2, right - left, 1);
    context.fillRect(left, place * ROW + 1, right - left, 1);
  }
}

function paintColumn(context: CanvasRenderingContext2D, picture: ScorePicture, column: ScoreColumn, ink: Ink): void {
  if (column.folded) return paintFolded(context, picture, column, ink);
  const { list } = picture;
  const keys = columnKeys(list, column, picture.lens);
  if (keys.length === 0) return;
  const lens = columnLens(keys, column, picture.lens);
  paintThreads(context, picture, column, keys, lens, ink);
  if (lens === "intensity") paintMarks(context, picture, column, ink);
  if (lens !== "times") paintWaves(context, picture, column, keys, ink);
  const ghosted = picture.ghosts?.get(column.id);
  eachLine(picture, (line, top) => {
    const cell = { column, middle: top + ROW / 2, lens, scale: lens === "times" ? timesScale(list).seconds : 1 };
    if (line.kind === "scene") return paintScene(context, picture, cell, keys, line, ink);
    if (line.kind === "part") return paintMove(context, picture, cell, keysInPart(list, keys, line.row, line.part), line.row, ink);
    const ghost = ghosted?.get(list.cues[line.row]?.number ?? "");
    if (ghost !== undefined) paintGhost(context, cell, ghost, ink);
    else paintCell(context, picture, cell, keys, line.row, ink);
    if (picture.found.get(column.channel)?.has(line.row)) paintFound(context, column, top, ink);
  });
}

/** What a rehearsal found of a light in a cue: a coral corner at the right of its cell. */
function paintFound(context: CanvasRenderingContext2D, { x, width }: ScoreColumn, top: number, ink: Ink): void {
  const [right, size] = [x + width - 2, 9];
  context.fillStyle = ink.coral;
  context.beginPath();
  context.moveTo(right - size, top + 2);
  context.lineTo(right, top + 2);
  context.lineTo(right, top + 2 + size);
  context.closePath();
  context.fill();
}

/** One cell as it is drawn: where it stands, through which lens, and how many seconds are as long as it is wide. */
interface Cell {
  readonly column: ScoreColumn;
  readonly middle: number;
  readonly lens: Lens;
  readonly scale: number;
}

function paintThreads(
  context: CanvasRenderingContext2D,
  { list, lines, span }: ScorePicture,
  column: ScoreColumn,
  keys: readonly Key[],
  lens: Lens,
  ink: Ink,
): void {
  if (lens === "times") return;
  for (const thread of lensThreads(list, keys, lens)) {
    const from = lines.lineOf[thread.from] ?? 0;
    const end = lineAfter(lines, thread.to);
    if (end < span.first || from > span.last) continue;
    if (lens === "intensity" && thread.value <= 0) continue;
    const width = lens === "intensity" ? 1 + (thread.value / 100) * 4.5 : 4;
    const resumes = markAt(list, keys, thread.from, lens) === null;
    const top = from * ROW + (resumes ? 1 : ROW / 2);
    const bottom = end * ROW + (endsInMove(list, keys, thread.to + 1, lens) ? ROW / 2 - 7 : 0);
    if (bottom <= top) continue;
    context.fillStyle = lens === "colour" ? colourOf(list, column.channel, thread.from) : ink.thread;
    context.globalAlpha = thread.origin === thread.from || !resumes ? 0.9 : 0.55;
    context.fillRect(axis(column) - width / 2, top, width, bottom - top);
    context.globalAlpha = 1;
  }
}

/** Dark windows as dotted threads, each with the lozenge of its mark in the cue where the light moves. */
function paintMarks(
  context: CanvasRenderingContext2D,
  { list, lines: { lineOf }, span }: ScorePicture,
  column: ScoreColumn,
  ink: Ink,
): void {
  const x = axis(column);
  const lineAt = (row: number): number => lineOf[row] ?? 0;
  for (const mark of marksByChannel(list).get(column.channel) ?? []) {
    if (!mark.window || lineAt(mark.calledAt) < span.first || lineAt(mark.window.first) > span.last) continue;
    const from = mark.window.first === 0 ? (mark.markAt ?? mark.window.last) : mark.window.first;
    // All of it is inside one folded scene.
    if (lineAt(from) === lineAt(mark.calledAt)) continue;
    context.strokeStyle = ink.glass;
    context.lineWidth = 1.5;
    context.setLineDash([1.5, 4]);
    context.beginPath();
    context.moveTo(x, lineAt(from) * ROW + ROW / 2 + 8);
    context.lineTo(x, lineAt(mark.calledAt) * ROW + ROW / 2 - 8);
    context.stroke();
    context.setLineDash([]);
    if (mark.markAt === null) continue;
    const y = lineAt(mark.markAt) * ROW + ROW / 2 + (mark.markAt === mark.window.first && mark.window.first > 0 ? 12 : 0);
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
  cell: Cell,
  keys: readonly Key[],
  row: number,
  ink: Ink,
): void {
  const { list, tracked, chosen } = picture;
  if (paintMove(context, picture, cell, keys, row, ink)) {
    paintPart(context, cell, partOf(list, keys, row), ink);
    return;
  }
  const shown =
    tracked ||
    (chosen !== null && row >= chosen.first && row <= chosen.last && picture.lights.has(cell.column.channel)) ||
    (chosen?.first === row && chosen.last === row);
  const sways = waveText(list, keys, row);
  if (sways !== undefined) return writeValue(context, sways, cell, ink.text);
  if (shown) writeValue(context, trackedText(list, keys, row, cell.lens), cell, ink.quiet);
}

/** The move that some keys store in a row; false where they store none. */
function paintMove(
  context: CanvasRenderingContext2D,
  { list }: ScorePicture,
  cell: Cell,
  keys: readonly Key[],
  row: number,
  ink: Ink,
): boolean {
  const { column, lens, middle } = cell;
  const mark = markAt(list, keys, row, lens);
  if (!mark) return false;
  if (mark.bar) {
    paintBar(context, cell, mark.bar, mark.quiet ? ink.quiet : ink.symbol);
    writeValue(context, mark.text, { ...cell, middle: middle - 4 }, mark.quiet ? ink.quiet : ink.text);
    return true;
  }
  const fill = lens === "colour" ? colourOf(list, column.channel, row) : mark.shape === "fall" ? ink.fall : ink.symbol;
  clearBehind(context, column, middle, ink);
  drawShape(context, mark, axis(column), middle, fill, ink.sheet);
  writeValue(context, mark.text, cell, mark.quiet ? ink.quiet : ink.text);
  return true;
}

/** When a move runs, drawn on one scale for the whole sheet: the delay dotted, the fade as a bar, and a point where it goes on beyond the cell. */
function paintBar(
  context: CanvasRenderingContext2D,
  { column, middle, scale }: Cell,
  { delay, end }: NonNullable<CellMark["bar"]>,
  colour: string,
): void {
  const left = column.x + 1;
  const room = column.width - 8;
  const place = (seconds: number): number => left + Math.min(1, seconds / scale) * room;
  const y = middle + 8;
  context.fillStyle = colour;
  context.strokeStyle = colour;
  context.lineWidth = 1.5;
  if (delay > 0) {
    context.setLineDash([1.5, 2.5]);
    context.beginPath();
    context.moveTo(left, y);
    context.lineTo(place(delay), y);
    context.stroke();
    context.setLineDash([]);
  }
  context.fillRect(place(delay), y - 2, Math.max(1.5, place(end) - place(delay)), 4);
  if (end <= scale) return;
  context.beginPath();
  context.moveTo(left + room, y - 4);
  context.lineTo(left + room + 5, y);
  context.lineTo(left + room, y + 4);
  context.fill();
}

/** A tick for each part before the one in which a move stands. */
function paintPart(context: CanvasRenderingContext2D, { column, middle }: Cell, part: number, ink: Ink): void {
  context.fillStyle = ink.brass;
  for (let tick = 1; tick < Math.min(part, 5); tick += 1) context.fillRect(column.x - 1.5, middle - 9 + tick * 3.5, 3.5, 1.5);
}

/** A folded scene: what the last of its moves left, and that there were moves at all. */
function paintScene(
  context: CanvasRenderingContext2D,
  { list }: ScorePicture,
  cell: Cell,
  keys: readonly Key[],
  { row, last }: Extract<SheetLine, { kind: "scene" }>,
  ink: Ink,
): void {
  const rows = Array.from({ length: last - row + 1 }, (_, index) => last - index);
  const moved = rows.find((each) => markAt(list, keys, each, cell.lens)?.hollow === false);
  if (moved === undefined || cell.lens === "times") return;
  const fill = cell.lens === "colour" ? colourOf(list, cell.column.channel, last) : ink.symbol;
  clearBehind(context, cell.column, cell.middle, ink);
  drawShape(context, { shape: "square", hollow: false, text: "" }, axis(cell.column), cell.middle, fill, ink.sheet);
  writeValue(context, trackedText(list, keys, last, cell.lens), cell, ink.quiet);
}

function clearBehind(context: CanvasRenderingContext2D, column: ScoreColumn, middle: number, ink: Ink): void {
  context.fillStyle = ink.sheet;
  context.fillRect(axis(column) - 7, middle - 7, 14, 14);
}

function writeValue(context: CanvasRenderingContext2D, text: string, { column, middle, lens }: Cell, colour: string): void {
  if (text === "") return;
  context.font = /^[\d−?]/.test(text) ? FIGURES[lens === "intensity" ? "plain" : "small"] : WORDS;
  context.fillStyle = colour;
  const from = lens === "times" ? column.x + 1 : axis(column) + 9;
  const room = column.x + column.width - from;
  context.fillText(lens === "intensity" ? text : fitted(context, text, room), from, middle + 1);
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
function paintGhost(context: CanvasRenderingContext2D, cell: Cell, ghost: Ghost | null, ink: Ink): void {
  const { column, middle } = cell;
  context.fillStyle = ink.chosen;
  context.fillRect(column.x - 2, middle - ROW / 2 + 2, column.width - 2, ROW - 5);
  if (!ghost) return;
  const { mark, tracked } = ghost;
  const unset: CellMark | null = tracked === "" ? { shape: "ring", hollow: true, text: "" } : null;
  const shown = mark ?? unset;
  if (!shown) return writeValue(context, tracked, cell, ink.glass);
  if (shown.bar) {
    paintBar(context, cell, shown.bar, ink.glass);
    return writeValue(context, shown.text, { ...cell, middle: middle - 4 }, ink.glass);
  }
  clearBehind(context, column, middle, ink);
  drawShape(context, { ...shown, hollow: true }, axis(column), middle, ink.glass, ink.sheet);
  writeValue(context, shown.text, cell, ink.glass);
}

/** A folded group: where any of its lights moves, and the span of their levels. */
function paintFolded(context: CanvasRenderingContext2D, picture: ScorePicture, column: ScoreColumn, ink: Ink): void {
  const { list, lens } = picture;
  const keys = column.channels.map((channel) => lensKeys(list, channel, lens)).filter((own) => own.length > 0);
  eachLine(picture, (line, top) => {
    const row = line.kind === "scene" ? line.last : line.row;
    const cell = { column, middle: top + ROW / 2, lens, scale: 1 };
    const values = lens === "intensity" ? keys.map((own) => Number(trackedText(list, own, row, lens) || 0)) : [];
    const high = Math.max(0, ...values);
    if (lens === "intensity" && high > 0) {
      context.fillStyle = ink.thread;
      const width = 1 + (high / 100) * 4.5;
      context.fillRect(axis(column) - width / 2, top, width, ROW);
    }
    const inLine = (own: readonly Key[]): readonly Key[] => (line.kind === "part" ? keysInPart(list, own, row, line.part) : own);
    const marks = keys.map((own) => markAt(list, inLine(own), row, lens)).filter((mark) => mark !== null);
    const first = marks.find((mark) => !mark.hollow) ?? marks[0];
    if (!first) return;
    clearBehind(context, column, cell.middle, ink);
    drawShape(context, first, axis(column), cell.middle, lens === "colour" ? colourOf(list, column.channel, row) : ink.symbol, ink.sheet);
    const low = Math.min(...values);
    const text = lens !== "intensity" ? shared(marks) : low === high ? String(high) : `${low}–${high}`;
    writeValue(context, text, cell, ink.text);
  });
}

/** What moves of several lights say together. */
function shared(marks: readonly CellMark[]): string {
  const words = new Set(marks.map(({ text }) => text));
  return words.size === 1 ? (marks[0]?.text ?? "") : "mixed";
}

function paintChosen(context: CanvasRenderingContext2D, { layout, lines, chosen, lights, attributes }: ScorePicture, ink: Ink): void {
  if (!chosen || lights.size === 0) return;
  const from = lines.lineOf[chosen.first] ?? 0;
  const top = from * ROW + 1;
  const height = (lineAfter(lines, chosen.last) - from) * ROW - 2;
  context.strokeStyle = ink.glass;
  context.lineWidth = 1.5;
  for (const run of chosenRuns(layout, lights, attributes)) {
    context.fillStyle = ink.chosen;
    context.beginPath();
    context.roundRect(run.x - 2.5, top + 0.5, run.width, height - 1, 3);
    context.fill();
    context.stroke();
  }
}

/** Neighbouring chosen columns as one frame. */
function chosenRuns(
  layout: ScoreLayout,
  lights: ReadonlySet<number>,
  attributes: readonly string[] | undefined,
): { x: number; width: number }[] {
  const runs: { x: number; width: number }[] = [];
  for (const column of layout.columns) {
    if (!column.channels.some((channel) => lights.has(channel))) continue;
    if (attributes && column.attribute !== undefined && !attributes.includes(column.attribute)) continue;
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
