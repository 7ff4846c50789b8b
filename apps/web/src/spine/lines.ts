import { type ListSheet, at, cueOrder, scenesOf } from "@zm/core";

/**
 * One line of spine and sheet, all of one height: a cue, one of its parts under it, a folded scene, or a cue that is switched off. Rows are those of the
 * list; what is switched off has none of its own and stands behind the row before it.
 */
export type SheetLine =
  | { readonly kind: "cue"; readonly row: number }
  | { readonly kind: "part"; readonly row: number; readonly part: number }
  | { readonly kind: "scene"; readonly row: number; readonly last: number; readonly scene: string }
  | { readonly kind: "off"; readonly row: number; readonly cue: string };

/** True for a line that stands for cues of its own: parts of an open cue, and what is switched off, are walked past. */
export function standsForCues({ kind }: SheetLine): boolean {
  return kind === "cue" || kind === "scene";
}

/** The lines of a list as it is looked at. */
export interface SheetLines {
  readonly lines: readonly SheetLine[];
  /** By row, the line at which the cue stands: that of its scene where it is folded. */
  readonly lineOf: readonly number[];
}

/** What folds and opens lines; scenes and cues are named with their list. */
export interface Folds {
  readonly foldedScenes: ReadonlySet<string>;
  readonly openCues: ReadonlySet<string>;
}

/** How a scene or a cue of a list is named among those that are folded or open. */
export function foldName(list: string, name: string): string {
  return `${list}/${name}`;
}

/** The lines of a list: every cue, the parts under an open cue, and one line for all cues of a folded scene. A scene of one cue does not fold. */
export function sheetLines(list: ListSheet, { foldedScenes, openCues }: Folds): SheetLines {
  const lines: SheetLine[] = [];
  const lineOf: number[] = [];
  const folded = scenesOf(list).filter(({ scene, first, last }) => last > first && foldedScenes.has(foldName(list.id, scene)));
  let next = 0;
  const off = [...(list.list.off ?? [])];
  const offBefore = (order: number, row: number): void => {
    while (off[0] && cueOrder(off[0].number) < order)
      lines.push({ kind: "off", row: Math.max(0, row - 1), cue: off.shift()?.number ?? "" });
  };
  list.cues.forEach((cue, row) => {
    // Those inside a folded scene stand behind it.
    if (!(folded[next] && at(folded, next).first < row && at(folded, next).last >= row)) offBefore(at(list.order, row), row);
    while ((folded[next]?.last ?? Infinity) < row) next += 1;
    const scene = folded[next];
    if (scene && scene.first <= row) {
      if (row === scene.first) lines.push({ kind: "scene", row, last: scene.last, scene: scene.scene });
      lineOf.push(lines.length - 1);
      return;
    }
    lines.push({ kind: "cue", row });
    lineOf.push(lines.length - 1);
    if (cue.parts.length > 1 && openCues.has(foldName(list.id, cue.number)))
      for (const part of cue.parts) lines.push({ kind: "part", row, part: part.number });
  });
  offBefore(Infinity, list.cues.length);
  return { lines, lineOf };
}

/** The line under which all that belongs to a row has ended. */
export function lineAfter({ lines, lineOf }: SheetLines, row: number): number {
  const own = lineOf[row] ?? lines.length;
  return Math.max(own + 1, lineOf[row + 1] ?? lines.length);
}

/** The rows that some lines stand for, both ends included. */
export function rowsOfLines({ lines }: SheetLines, first: number, last: number): { first: number; last: number } {
  const [from, to] = [lines[Math.max(0, first)], lines[Math.min(lines.length - 1, last)]];
  return { first: from?.row ?? 0, last: to === undefined ? -1 : lastRowOf(to) };
}

/** The last row that a line stands for. */
export function lastRowOf(line: SheetLine): number {
  return line.kind === "scene" ? line.last : line.row;
}
