import type { ListSheet, ListSpan } from "@zm/core";
import type { Lens } from "../choice/choice.ts";
import type { Ghosts } from "../preview/preview.ts";
import type { SheetLines } from "../spine/lines.ts";
import type { ScoreColumn, ScoreLayout } from "./columns.ts";

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
