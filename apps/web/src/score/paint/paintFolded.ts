import type { Key } from "@zm/core";
import { type CellMark, colourOf, keysInPart, lensKeys, markAt, trackedText } from "../../cells/cells.ts";
import type { ScoreColumn } from "../columns.ts";
import type { Ink } from "./ink.ts";
import { clearBehind, drawShape, writeValue } from "./paintSymbol.ts";
import { type Canvas2d, type ScorePicture, ROW, axis, eachLine } from "./picture.ts";

/** A folded group: where any of its lights moves, and the span of their levels. */
export function paintFolded(context: Canvas2d, picture: ScorePicture, column: ScoreColumn, ink: Ink): void {
  const { list, lens } = picture;
  const keys = column.channels.map((channel) => lensKeys(list, channel, lens)).filter((own) => own.length > 0);
  eachLine(picture, (line, top) => {
    if (line.kind === "off") return;
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
