import { type Key, type ListSheet, storesWave, wavesOf } from "@zm/core";
import { type Canvas2d, type ScorePicture, ROW, axis } from "./picture.ts";
import type { ScoreColumn } from "../columns.ts";
import type { Ink } from "./ink.ts";

/** How far the line swings to each side, and over how many pixels it comes round. */
const SWING = 3.5;
const ROUND = 14;

/** Where a light sways: a line that swings over its thread, from the cue that begins the wave to the one that ends it. */
export function paintWaves(
  context: Canvas2d,
  { list, lines, span }: ScorePicture,
  column: ScoreColumn,
  keys: readonly Key[],
  ink: Ink,
): void {
  const swaying = keys.filter((key) => wavesOf(list).has(key));
  if (swaying.length === 0) return;
  const x = axis(column);
  context.strokeStyle = ink.text;
  context.lineWidth = 1.25;
  for (let place = span.first; place <= span.last; place += 1) {
    const line = lines.lines[place];
    if (line?.kind !== "cue") continue;
    const begins = swaying.some((key) => storesWave(list, key, line.row));
    if (swaysIn(list, swaying, line.row)) swing(context, x, place * ROW + (begins ? ROW / 2 + 7 : 0), (place + 1) * ROW);
    // A stop: the line ends in a bar across.
    if (begins && !swaysIn(list, swaying, line.row) && line.row > 0 && swaysIn(list, swaying, line.row - 1)) {
      swing(context, x, place * ROW, place * ROW + ROW / 2 - 8);
      context.fillStyle = ink.text;
      context.fillRect(x - 6, place * ROW + ROW / 2 - 9, 12, 2);
    }
  }
}

function swaysIn(list: ListSheet, keys: readonly Key[], row: number): boolean {
  return keys.some((key) => wavesOf(list).get(key)?.[row]?.wave);
}

function swing(context: Canvas2d, x: number, from: number, to: number): void {
  context.beginPath();
  for (let y = from; y <= to; y += 1) context.lineTo(x + Math.sin((y / ROUND) * 2 * Math.PI) * SWING, y);
  context.stroke();
}
