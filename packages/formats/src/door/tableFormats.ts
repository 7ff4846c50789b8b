import { type ShowSheet, listOf } from "@zm/core";
import type { ReadingContext, SourceFile } from "../reading/reading.ts";
import { CUE_COLUMNS, cueTable } from "../tables/cueTable.ts";
import { callsTable, findingsTable, notesTable } from "../tables/otherTables.ts";
import { rigTable } from "../tables/rigTable.ts";
import { type Table, readCsv, writeCsv } from "../tables/table.ts";
import { tablesReading } from "../tables/tableReading.ts";
import { readWorkbook, writeWorkbook } from "../tables/workbook.ts";
import { bytesOf, textOf } from "../zip/unzip.ts";
import { type Format, type WriteWishes, bareName } from "./format.ts";

/** A table that is written as CSV by itself. */
function csvFormat(id: string, name: string, about: string, make: (sheet: ShowSheet, wishes: WriteWishes) => Table): Format {
  return {
    id,
    name,
    endings: [".csv"],
    about,
    is: () => false,
    write: (sheet, wishes) => ({ bytes: bytesOf(writeCsv(make(sheet, wishes))), remarks: [] }),
  };
}

const TABLE: Format = {
  id: "table",
  name: "Table (CSV)",
  endings: [".csv", ".tsv"],
  about: "Cues, lights or notes, told by the names of the columns",
  is: () => false,
  read: ({ name, bytes }: SourceFile, context: ReadingContext) => tablesReading([readCsv(textOf(bytes), bareName(name))], context),
};

const WORKBOOK: Format = {
  id: "workbook",
  name: "Spreadsheet (.xlsx)",
  endings: [".xlsx"],
  about: "A sheet each for the cues of every list, patch, notes, calls and what Check finds; what is changed in it comes back",
  is: (_, names) => names.has("xl/workbook.xml"),
  read: async ({ bytes }, context) => tablesReading(await readWorkbook(bytes), context),
  write: async (sheet, { columns }) => ({
    bytes: await writeWorkbook([
      ...sheet.show.lists.map((list) => cueTable(list, columns)),
      rigTable(sheet.show),
      notesTable(sheet.show.notes),
      callsTable(sheet),
      findingsTable(sheet),
    ]),
    remarks: [],
  }),
};

/** The columns of a table of cues that can be chosen; the number is always one. */
export const CHOSEN_COLUMNS: readonly string[] = CUE_COLUMNS.map(({ id }) => id).filter((id) => id !== "cue");

/** Tables, in and out. */
export const TABLE_FORMATS: readonly Format[] = [
  TABLE,
  WORKBOOK,
  csvFormat("rigTable", "Rig as a table (CSV)", "Each light with its type, patch and place; changed elsewhere, it comes back", ({ show }) =>
    rigTable(show),
  ),
  csvFormat(
    "cueTable",
    "Cues as a table (CSV)",
    "Labels, scenes, notes, times, what fires each cue and its call; changed elsewhere, it comes back",
    (sheet, { list, columns }) => cueTable(listOf(sheet, list).list, columns),
  ),
  csvFormat(
    "notesTable",
    "Notes as a table (CSV)",
    "What those who look on ask for, and what became of it; answered elsewhere, it comes back",
    ({ show }) => notesTable(show.notes),
  ),
  csvFormat("callsTable", "Calls as a table (CSV)", "Every call with its words, its page and when it is expected", callsTable),
  csvFormat("findingsTable", "What Check finds (CSV)", "Every finding with its place and its sentence", findingsTable),
];
