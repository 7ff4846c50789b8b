import { type Key, type ListSheet, marksByChannel } from "@zm/core";
import { colourOf, lensThreads, markAt } from "../../cells/cells.ts";
import type { Lens } from "../../choice/sheetView.ts";
import { lineAfter } from "../../spine/lines.ts";
import type { ScoreColumn } from "../columns.ts";
import type { Ink } from "./ink.ts";
import { type Canvas2d, type ScorePicture, ROW, axis } from "./picture.ts";

/** The lines from moves down through the cues in which they track. */
export function paintThreads(
  context: Canvas2d,
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

function endsInMove(list: ListSheet, keys: readonly Key[], row: number, lens: Lens): boolean {
  return row < list.cues.length && markAt(list, keys, row, lens) !== null;
}

/** Dark windows as dotted threads, each with the lozenge of its mark in the cue where the light moves. */
export function paintMarks(context: Canvas2d, { list, lines: { lineOf }, span }: ScorePicture, column: ScoreColumn, ink: Ink): void {
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
