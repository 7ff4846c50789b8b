import { lineAfter } from "../../spine/lines.ts";
import { type Canvas2d, type ScorePicture, ROW } from "./picture.ts";
import type { Ink } from "./ink.ts";

const LABEL = '12px "Atkinson Hyperlegible Next Variable", sans-serif';

/** The threads of other lists, each in its lane: from the cue that starts one to the cue that lets it go, with its name along it. */
export function paintLanes(context: Canvas2d, { layout, lines, span, spans, left, right }: ScorePicture, ink: Ink): void {
  for (const { list, label, x } of layout.lanes) {
    if (x + 24 < left || x > right) continue;
    for (const { from, to, ends } of spans.filter((each) => each.list === list)) {
      const [first, last] = [lines.lineOf[from] ?? 0, ends ? (lines.lineOf[to] ?? 0) : lineAfter(lines, to)];
      if (last < span.first || first > span.last) continue;
      const top = first * ROW + ROW / 2;
      const bottom = ends ? last * ROW + ROW / 2 : last * ROW;
      context.fillStyle = ink.brass;
      context.fillRect(x + 4, top, 2.5, Math.max(0, bottom - top));
      context.fillRect(x + 1, top - 4, 8.5, 8.5);
      if (ends) ring(context, x + 5.25, bottom, ink);
      writeAlong(context, label, x + 15, top - 4, bottom - top + (ends ? 0 : ROW), ink);
    }
  }
}

function ring(context: Canvas2d, x: number, y: number, ink: Ink): void {
  context.beginPath();
  context.arc(x, y, 4, 0, Math.PI * 2);
  context.fillStyle = ink.sheet;
  context.fill();
  context.strokeStyle = ink.brass;
  context.lineWidth = 1.5;
  context.stroke();
}

/** Writes a name downward beside its thread, as far as the thread reaches. */
function writeAlong(context: Canvas2d, text: string, x: number, y: number, room: number, ink: Ink): void {
  context.save();
  context.translate(x, y);
  context.rotate(Math.PI / 2);
  context.font = LABEL;
  context.fillStyle = ink.quiet;
  context.fillText(text, 0, 0, Math.max(24, room));
  context.restore();
}
