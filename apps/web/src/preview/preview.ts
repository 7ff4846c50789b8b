import {
  type EditInput,
  type Impact,
  type ImpactLine,
  type Key,
  type ListSheet,
  type Outcome,
  ShowError,
  type ShowSheet,
  applyEdits,
  cueDuration,
  describeEdits,
  findRow,
  groupBy,
  isCueData,
  keyNamed,
  makeEdits,
  readEdits,
  reportImpact,
  sameData,
  wavesOf,
} from "@zm/core";
import type { Lens } from "../choice/sheetView.ts";
import { type CellMark, colourOf, columnKeys, columnLens, markAt, swayText, trackedText } from "../cells/cells.ts";

/** So many lines of an impact are read before somebody asks for all. */
export const FIRST_LINES = 9;

/** What is asked of edits: the list that is worked on, how many lines of the impact are read, and what the Score shows. */
export interface PreviewRequest {
  readonly edits: readonly EditInput[];
  readonly list: string;
  readonly mostLines: number;
  readonly window: ScoreWindow | null;
}

/** The part of the Score that is in view, for which ghosts are wanted. Rows both included. */
export interface ScoreWindow {
  readonly lens: Lens;
  readonly rows: { readonly first: number; readonly last: number };
  /** The columns: lights, or one attribute of a light. */
  readonly columns: readonly { readonly id: string; readonly channel: number; readonly attribute?: string }[];
}

/** One line of an impact as it is read. */
export interface PreviewLine {
  readonly list: string;
  readonly listLabel: string | undefined;
  readonly cue: string;
  /** The number that the cue has afterwards; undefined for a cue that goes. */
  readonly after: string | undefined;
  readonly words: string;
  readonly quiet: boolean;
  /** The colours of a light before and after, as styles, where that changes. */
  readonly colours?: readonly [string, string] | undefined;
}

/** A cell as an edit would leave it; no mark where it stores nothing and shows what tracks. */
export interface Ghost {
  readonly mark: CellMark | null;
  readonly tracked: string;
}
/** By the column of the Score, then by the cue number that the cell has now; null in a cue that goes. */
export type Ghosts = ReadonlyMap<string, ReadonlyMap<string, Ghost | null>>;

/** What edits would do, as plain data: all that the window shows of it. */
export interface Preview {
  /** The edits in words: "Cues 10 to 20, 4 lights: intensity to 40". */
  readonly description: string;
  readonly summary: string;
  readonly changesNothing: boolean;
  /** The first lines, as many as were asked for. */
  readonly lines: readonly PreviewLine[];
  /** How many lines there are in all. */
  readonly count: number;
  readonly notes: readonly string[];
  readonly ghosts: Ghosts;
}

/** What edits would do, or why they cannot be made. */
export type PreviewResult = Preview | { readonly fault: string };
/** The same without the ghosts. */
export type PreviewReport = Omit<Preview, "ghosts"> | { readonly fault: string };

/** Edits computed on a show; or why they cannot be made. */
type Considered = { readonly outcome: Outcome; readonly description: string } | { readonly fault: string };

/** Why edits cannot be made on a show; undefined for those that can. */
export function faultOf(sheet: ShowSheet, edits: readonly EditInput[]): string | undefined {
  const applied = refusable(() => applyEdits(sheet, readEdits(edits)));
  return "fault" in applied ? applied.fault : undefined;
}

/** The show as edits would leave it; undefined for edits that cannot be made. */
export function sheetAfter(sheet: ShowSheet, edits: readonly EditInput[]): ShowSheet | undefined {
  const applied = refusable(() => applyEdits(sheet, readEdits(edits)));
  return "fault" in applied ? undefined : applied.sheet;
}

/** What work on a show gives, or why the show refuses it. */
export function refusable<T extends object>(work: () => T): T | { fault: string } {
  try {
    return work();
  } catch (error) {
    if (error instanceof ShowError) return { fault: error.firstFault };
    throw error;
  }
}

/** Works a preview out in one go, where no worker does it. */
export function previewOf(sheet: ShowSheet, request: PreviewRequest): PreviewResult {
  const work = new PreviewWork(sheet, request);
  return withGhosts(work.whole(), work.ghosts());
}

/** A preview with its ghosts; a fault stays what it is. */
export function withGhosts(report: PreviewReport, ghosts: Ghosts): PreviewResult {
  return "fault" in report ? report : { ...report, ghosts };
}

/** A preview that is computed in two goes: the looks at once, the times behind them. What the first found serves the second. */
export class PreviewWork {
  private readonly considered: Considered;

  constructor(
    private readonly sheet: ShowSheet,
    private readonly request: PreviewRequest,
  ) {
    this.considered = refusable(() => {
      const edits = readEdits(request.edits);
      return { outcome: makeEdits(sheet, edits), description: describeEdits(edits) };
    });
  }

  /** What the edits do to the looks, in words. */
  looks(): PreviewReport {
    return this.report(false);
  }

  /** Computes how long the cues last that `whole` tells of, a cue at a time, so that a caller that waits for something else may run between. */
  *timeCues(): Generator<undefined, void> {
    if ("fault" in this.considered) return;
    for (const [id, after] of this.considered.outcome.sheet.lists) {
      const before = this.sheet.lists.get(id);
      if (before === after) continue;
      for (const list of before ? [before, after] : [after]) {
        for (let row = 0; row < list.cues.length; row += 1) {
          cueDuration(list, row);
          yield;
        }
      }
    }
  }

  /** All that they do. Ghosts are not in it: the times do not change those that `looks` gave. */
  whole(): PreviewReport {
    return this.report(true);
  }

  /** The cells in view that the edits touch; none for edits that cannot be made. */
  ghosts(): Ghosts {
    return "fault" in this.considered ? new Map() : ghostsIn(this.sheet, this.considered.outcome, this.request);
  }

  private report(times: boolean): PreviewReport {
    const { considered, sheet, request } = this;
    if ("fault" in considered) return considered;
    const { outcome, description } = considered;
    const { lines, summary } = reportImpact(sheet, outcome, request.list, { times });
    return {
      description,
      summary,
      changesNothing: outcome.steps.length === 0,
      lines: linesOf(lines, sheet.lists.get(request.list), outcome, request.mostLines),
      count: lines.length,
      notes: outcome.notes,
    };
  }
}

/** The first lines of an impact as plain data, with the colours that change in `list`. */
export function linesOf(
  lines: readonly ImpactLine[],
  list: ListSheet | undefined,
  { sheet, impact }: Pick<Outcome, "sheet" | "impact">,
  most: number,
): PreviewLine[] {
  const after = list && sheet.lists.get(list.id);
  const lights = list ? colourChanges(impact.looks, list) : new Map<string, number>();
  return lines.slice(0, most).map(({ list: id, listLabel, cue, after: number, words, quiet }) => {
    const light = id === list?.id ? lights.get(number ?? cue) : undefined;
    const colours = list && after && light !== undefined ? coloursOf(list, cue, after, number ?? cue, light) : undefined;
    return { list: id, listLabel, cue, after: number, words: words(), quiet, colours };
  });
}

function coloursOf(before: ListSheet, cue: string, after: ListSheet, number: string, light: number): [string, string] | undefined {
  const [from, to] = [findRow(before, cue), findRow(after, number)];
  return from < 0 || to < 0 ? undefined : [colourOf(before, light, from), colourOf(after, light, to)];
}

/** By cue, a light whose colour changes there. */
function colourChanges(looks: Impact["looks"], list: ListSheet): Map<string, number> {
  const found = new Map<string, number>();
  for (const { cue, key: name, list: other } of looks) {
    if (found.has(cue) || (other !== undefined && other !== list.id)) continue;
    const key = keyNamed(list.keys, name);
    if (key?.attribute.family === "colour") found.set(cue, key.channel);
  }
  return found;
}

/** The cells in view that edits touch: every look that changes and every move stored or dropped. */
function ghostsIn(sheet: ShowSheet, { sheet: edited, impact, steps }: Outcome, { list: id, window }: PreviewRequest): Ghosts {
  const [before, after] = [sheet.lists.get(id), edited.lists.get(id)];
  const ghosts = new Map<string, Map<string, Ghost | null>>();
  if (!before || !after || !window) return ghosts;
  const { lens, rows } = window;
  const numbers = new Set(before.cues.slice(rows.first, rows.last + 1).map(({ number }) => number));
  const columns = groupBy(window.columns, ({ channel }) => channel);
  const touch = (channel: number | undefined, cue: string): void => {
    if (channel === undefined || !numbers.has(cue)) return;
    for (const column of columns.get(channel) ?? []) {
      const own = ghosts.get(column.id) ?? new Map<string, Ghost | null>();
      ghosts.set(column.id, own);
      if (own.has(cue)) continue;
      const row = findRow(after, cue);
      const keys = columnKeys(after, column, lens);
      const shown = columnLens(keys, column, lens);
      own.set(
        cue,
        row < 0
          ? null
          : { mark: markAt(after, keys, row, shown), tracked: swayText(after, keys, row) ?? trackedText(after, keys, row, shown) },
      );
    }
  };
  for (const { cue, key, list } of impact.looks) {
    if ((list ?? id) === id && numbers.has(cue)) touch(keyNamed(after.keys, key)?.channel, cue);
  }
  for (const step of steps) if (isCueData(step) && step.at === "move" && step.list === id) touch(step.channel, step.cue);
  if (steps.some(({ at }) => at !== "move")) for (const { key, cue } of otherWaves(before, after, rows)) touch(key.channel, cue);
  return ghosts;
}

/** Where what sways in the rows in view is another than it was. */
function otherWaves(before: ListSheet, after: ListSheet, rows: { first: number; last: number }): { key: Key; cue: string }[] {
  const [was, is] = [wavesOf(before), wavesOf(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((key) =>
    before.cues.slice(rows.first, rows.last + 1).flatMap(({ number }, index) => {
      const [then, now] = [was.get(key)?.[rows.first + index]?.wave, is.get(key)?.[findRow(after, number)]?.wave];
      return sameData(then ?? null, now ?? null) ? [] : [{ key, cue: number }];
    }),
  );
}
