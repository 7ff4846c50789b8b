import Papa from "papaparse";
import { ShowError } from "../show/errors.ts";
import { rowsIn } from "../edit/index.ts";
import { type ListSheet, type ShowSheet, listOf } from "../sheet/sheet.ts";
import { callListPaper } from "./callList.ts";
import { changeListPaper } from "./changeList.ts";
import { cueSheetPaper } from "./cueSheet.ts";
import { hookupPaper } from "./hookup.ts";
import { notesPaper } from "./notesPaper.ts";
import { oscListPaper } from "./oscList.ts";
import { paletteListPaper } from "./paletteList.ts";
import type { Paper } from "./table.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

/**
 * The kinds of paper by name, each with what it is called and whether it speaks of cues, of which a range can be chosen.
 * In the order in which they are offered.
 */
export const PAPER_KINDS = {
  cues: { label: "Cue sheet", ofCues: true, make: cueSheetPaper },
  changes: { label: "What each cue changes", ofCues: true, make: changeListPaper },
  patch: { label: "Hookup and patch", ofCues: false, make: hookupPaper },
  calls: { label: "Calls", ofCues: true, make: callListPaper },
  notes: { label: "Notes", ofCues: false, make: notesPaper },
  palettes: { label: "Palettes", ofCues: false, make: paletteListPaper },
  osc: { label: "OSC addresses", ofCues: false, make: oscListPaper },
} as const satisfies Readonly<Record<string, PaperKindParts>>;

interface PaperKindParts {
  readonly label: string;
  readonly ofCues: boolean;
  readonly make: (sheet: ShowSheet, list: ListSheet, first: number, last: number) => Paper;
}

/**
 * The name of a kind of paper.
 * As it stands in addresses and is given to the headless command.
 */
export type PaperKind = keyof typeof PAPER_KINDS;

/**
 * True for the name of a kind of paper.
 * For names that come from outside.
 */
export function isPaperKind(name: string): name is PaperKind {
  return name in PAPER_KINDS;
}

/**
 * What is put on paper: a kind, of a list, and where it speaks of cues only those of a range.
 * Left out: the first list, from its first to its last cue.
 */
export interface PaperWish {
  readonly kind: PaperKind;
  readonly list?: string | undefined;
  readonly from?: string | undefined;
  readonly to?: string | undefined;
}

/**
 * One paper of a show as a table of texts. Throws ShowError for a list that is not there and for a range without a cue.
 * The same texts go to the screen, to the PDF and to the table.
 */
export function paperOf(sheet: ShowSheet, { kind, list: id, from, to }: PaperWish): Paper {
  const list = listOf(sheet, id);
  const last = list.cues.length - 1;
  const { ofCues, make } = PAPER_KINDS[kind];
  const ranged = ofCues && (from !== undefined || to !== undefined);
  const rows = ranged ? rowsIn(list, from ?? list.cues[0]?.number ?? "0", to ?? list.cues[last]?.number ?? "0") : { first: 0, last };
  const paper = make(sheet, list, rows.first, rows.last);
  if (!ranged) return paper;
  return { ...paper, subtitle: `${paper.subtitle}, cues ${list.cues[rows.first]?.number ?? ""} to ${list.cues[rows.last]?.number ?? ""}` };
}

/**
 * A kind of paper by its name. Throws ShowError naming those there are.
 * For names that come from outside and must be one.
 */
export function paperKind(name: string): PaperKind {
  if (isPaperKind(name)) return name;
  throw new ShowError(thereIsNo("paper", name, Object.keys(PAPER_KINDS)));
}

/**
 * A paper as a table for a spreadsheet; headings between the lines become a column of their own.
 * With a head line; fields are quoted where they need it.
 */
export function paperCsv({ columns, rows }: Paper): string {
  const headed = rows.some(({ heading }) => heading !== undefined);
  let heading = "";
  const data = rows.map((row) => {
    heading = row.heading ?? heading;
    return headed ? [heading, ...row.cells] : [...row.cells];
  });
  const fields = [...(headed ? ["part of the play"] : []), ...columns.map(({ name }) => name)];
  return `${Papa.unparse({ fields, data }, { newline: "\n", escapeFormulae: true })}\n`;
}
