import type { ListSheet, ListSpan } from "@zm/core";
import type { Lens } from "../../choice/sheetView.ts";
import type { Ghosts } from "../../preview/preview.ts";
import type { SheetLine, SheetLines } from "../../spine/lines.ts";
import type { ScoreColumn, ScoreLayout } from "../columns.ts";

/** What the sheet is drawn with: so much of a canvas as its paintings use. */
export type Canvas2d = Pick<
  CanvasRenderingContext2D,
  | "arc"
  | "beginPath"
  | "closePath"
  | "fill"
  | "fillRect"
  | "fillStyle"
  | "fillText"
  | "font"
  | "globalAlpha"
  | "lineTo"
  | "lineWidth"
  | "measureText"
  | "moveTo"
  | "rect"
  | "restore"
  | "rotate"
  | "roundRect"
  | "save"
  | "setLineDash"
  | "stroke"
  | "strokeStyle"
  | "textBaseline"
  | "translate"
>;

/** The height of a line of the sheet, pixels. */
export const ROW = 28;

/** Everything that one painting of the sheet needs. */
export interface ScorePicture {
  readonly list: ListSheet;
  readonly layout: ScoreLayout;
  readonly lines: SheetLines;
  readonly lens: Lens;
  readonly tracked: boolean;
  /** The lines and the stretch of the sheet that are painted. */
  readonly span: { first: number; last: number };
  readonly left: number;
  readonly right: number;
  /** The rows that are chosen. */
  readonly chosen: { first: number; last: number } | null;
  readonly lights: ReadonlySet<number>;
  /** The attributes chosen of an opened light; undefined: all. */
  readonly attributes: readonly string[] | undefined;
  readonly stageRow: number;
  readonly ghosts: Ghosts | null;
  /** By light, the rows in which the newest rehearsal found something. */
  readonly found: ReadonlyMap<number, ReadonlySet<number>>;
  /** Over which cues other lists run. */
  readonly spans: readonly ListSpan[];
}

/** Where the threads of a column run. */
export function axis(column: Pick<ScoreColumn, "x">): number {
  return column.x + 9;
}

/** Visits the lines that are painted, with their place down the sheet. */
export function eachLine({ lines, span }: ScorePicture, visit: (line: SheetLine, top: number) => void): void {
  for (let place = span.first; place <= span.last; place += 1) {
    const line = lines.lines[place];
    if (line) visit(line, place * ROW);
  }
}
