import { lineAfter } from "../../spine/lines.ts";
import type { ScoreLayout } from "../columns.ts";
import type { Ink } from "./ink.ts";
import { type Canvas2d, type ScorePicture, ROW } from "./picture.ts";

/** The chosen cells, framed. */
export function paintChosen(context: Canvas2d, { layout, lines, chosen, lights, attributes }: ScorePicture, ink: Ink): void {
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
