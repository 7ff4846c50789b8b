import { columnKeys, columnLens, keysInPart } from "../../cells/cells.ts";
import { timesScale } from "../../cells/cellTimes.ts";
import type { ScoreColumn } from "../columns.ts";
import type { Ink } from "./ink.ts";
import { paintCell, paintFound, paintGhost, paintMove, paintScene } from "./paintCell.ts";
import { paintChosen } from "./paintChosen.ts";
import { paintFolded } from "./paintFolded.ts";
import { paintLanes } from "./paintLanes.ts";
import { paintMarks, paintThreads } from "./paintThreads.ts";
import { paintWaves } from "./paintWaves.ts";
import { type Canvas2d, type ScorePicture, ROW, eachLine } from "./picture.ts";

/** Paints the sheet onto a canvas whose top left corner is (left, span.first) of the sheet. */
export function paintScore(context: Canvas2d, picture: ScorePicture, ink: Ink): void {
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

function paintLines(context: Canvas2d, picture: ScorePicture, ink: Ink): void {
  const { left, right, chosen, stageRow } = picture;
  eachLine(picture, (line, top) => {
    const last = line.kind === "scene" ? line.last : line.row;
    const inRange = line.kind !== "off" && chosen !== null && last >= chosen.first && line.row <= chosen.last;
    const onStage = line.kind !== "off" && stageRow >= line.row && stageRow <= last;
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

function paintWalls(context: Canvas2d, { list, lines, span, left, right }: ScorePicture, ink: Ink): void {
  context.fillStyle = ink.brass;
  // The wall of the line below stands on the edge of this one.
  for (let place = span.first; place <= span.last + 1; place += 1) {
    const line = lines.lines[place];
    if (line?.kind !== "cue" || !list.cues[line.row]?.block) continue;
    context.fillRect(left, place * ROW - 2, right - left, 1);
    context.fillRect(left, place * ROW + 1, right - left, 1);
  }
}

function paintColumn(context: Canvas2d, picture: ScorePicture, column: ScoreColumn, ink: Ink): void {
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
    if (line.kind === "off") return;
    if (line.kind === "scene") return paintScene(context, picture, cell, keys, line, ink);
    if (line.kind === "part") return paintMove(context, picture, cell, keysInPart(list, keys, line.row, line.part), line.row, ink);
    const ghost = ghosted?.get(list.cues[line.row]?.number ?? "");
    if (ghost !== undefined) paintGhost(context, cell, ghost, ink);
    else paintCell(context, picture, cell, keys, line.row, ink);
    if (picture.found.get(column.channel)?.has(line.row)) paintFound(context, column, top, ink);
  });
}
