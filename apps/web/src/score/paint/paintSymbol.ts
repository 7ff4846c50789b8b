// What every cell is drawn with: a shape that says what a move does, a bar that says when, and a value beside it.
import { type Curve, curveAt } from "@zm/core";
import type { CellMark, Shape } from "../../cells/cells.ts";
import type { Lens } from "../../choice/sheetView.ts";
import type { ScoreColumn } from "../columns.ts";
import type { Ink } from "./ink.ts";
import { type Canvas2d, axis } from "./picture.ts";

/** One cell as it is drawn: where it stands, through which lens, and how many seconds are as long as it is wide. */
export interface Cell {
  readonly column: ScoreColumn;
  readonly middle: number;
  readonly lens: Lens;
  readonly scale: number;
}

/** Clears the ground on which a symbol is drawn: no thread shows through it. */
export function clearBehind(context: Canvas2d, column: ScoreColumn, middle: number, ink: Ink): void {
  context.fillStyle = ink.sheet;
  context.fillRect(axis(column) - 7, middle - 7, 14, 14);
}

/** Writes a value beside its symbol, as much of it as fits. */
export function writeValue(context: Canvas2d, text: string, { column, middle, lens }: Cell, colour: string): void {
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

function fitted(context: Canvas2d, text: string, room: number): string {
  if (context.measureText(text).width <= room) return text;
  for (let length = text.length - 1; length > 1; length -= 1) {
    const short = text.slice(0, length).trimEnd();
    if (context.measureText(short).width <= room) return short;
  }
  return text.slice(0, 1);
}

/** Draws a shape around a place; a hollow one shows the sheet inside. */
export function drawShape(context: Canvas2d, mark: CellMark, x: number, y: number, fill: string, sheet: string): void {
  context.beginPath();
  shapePath(context, mark.shape, x, y);
  context.lineWidth = 1.5;
  context.strokeStyle = fill;
  context.fillStyle = mark.hollow ? sheet : fill;
  context.fill();
  if (mark.hollow) context.stroke();
}

function shapePath(context: Canvas2d, shape: Shape, x: number, y: number): void {
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

/** When a move runs, drawn on one scale for the whole sheet: the delay dotted, the fade as a bar, and a point where it goes on beyond the cell. */
export function paintBar(
  context: Canvas2d,
  { column, middle, scale }: Cell,
  { delay, end, curve }: NonNullable<CellMark["bar"]>,
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
  const width = Math.max(1.5, place(end) - place(delay));
  if (curve === null || curve === "linear") context.fillRect(place(delay), y - 2, width, 4);
  else fillCurve(context, curve, { x: place(delay), y: y + 2, width, height: 8 });
  if (end <= scale) return;
  context.beginPath();
  context.moveTo(left + room, y - 4);
  context.lineTo(left + room + 5, y);
  context.lineTo(left + room, y + 4);
  context.fill();
}

const CURVE_POINTS = 12;

/** The room under a curve that runs from the foot at the left to the top at the right. */
function fillCurve(
  context: Canvas2d,
  curve: Curve,
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
): void {
  context.beginPath();
  context.moveTo(x, y);
  for (let point = 0; point <= CURVE_POINTS; point += 1) {
    const p = point / CURVE_POINTS;
    context.lineTo(x + p * width, y - Math.max(0.1, curveAt(curve, p)) * height);
  }
  context.lineTo(x + width, y);
  context.fill();
}
