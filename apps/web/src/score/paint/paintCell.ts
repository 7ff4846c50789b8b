import type { Key } from "@zm/core";
import { type CellMark, colourOf, markAt, partOf, trackedText, waveText } from "../../cells/cells.ts";
import type { Ghost } from "../../preview/preview.ts";
import type { SheetLine } from "../../spine/lines.ts";
import type { ScoreColumn } from "../columns.ts";
import type { Ink } from "./ink.ts";
import { type Cell, clearBehind, drawShape, paintBar, writeValue } from "./paintSymbol.ts";
import { type Canvas2d, type ScorePicture, ROW, axis } from "./picture.ts";

/** What stands in one cell: a move, or the value that tracks through it where that is shown. */
export function paintCell(context: Canvas2d, picture: ScorePicture, cell: Cell, keys: readonly Key[], row: number, ink: Ink): void {
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
export function paintMove(context: Canvas2d, { list }: ScorePicture, cell: Cell, keys: readonly Key[], row: number, ink: Ink): boolean {
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

/** A tick for each part before the one in which a move stands. */
function paintPart(context: Canvas2d, { column, middle }: Cell, part: number, ink: Ink): void {
  context.fillStyle = ink.brass;
  for (let tick = 1; tick < Math.min(part, 5); tick += 1) context.fillRect(column.x - 1.5, middle - 9 + tick * 3.5, 3.5, 1.5);
}

/** A folded scene: what the last of its moves left, and that there were moves at all. */
export function paintScene(
  context: Canvas2d,
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

/** What a rehearsal found of a light in a cue: a coral corner at the right of its cell. */
export function paintFound(context: Canvas2d, { x, width }: ScoreColumn, top: number, ink: Ink): void {
  const [right, size] = [x + width - 2, 9];
  context.fillStyle = ink.coral;
  context.beginPath();
  context.moveTo(right - size, top + 2);
  context.lineTo(right, top + 2);
  context.lineTo(right, top + 2 + size);
  context.closePath();
  context.fill();
}

/** A cell as the edit under consideration would leave it, outlined in the colour of what is chosen; null: its cue goes. */
export function paintGhost(context: Canvas2d, cell: Cell, ghost: Ghost | null, ink: Ink): void {
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
