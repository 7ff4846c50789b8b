import { type ShowSheet, listOf, parseShow, serializeShow, holdings } from "@zm/core";
import { asciiReading } from "../ascii/asciiFormat.ts";
import { writeAscii } from "../ascii/writeAscii.ts";
import { NO_PARTS, bundleReading, fountainOf, isBundle, writeBundle } from "../bundle/bundle.ts";
import { gdtfReading } from "../gdtf/gdtfReading.ts";
import { mvrReading } from "../mvr/mvrReading.ts";
import { writeMvr } from "../mvr/writeMvr.ts";
import { textOfDocx } from "../play/docx.ts";
import { playReading } from "../play/play.ts";
import { cueTable } from "../tables/cueTable.ts";
import { callsTable, findingsTable, notesTable } from "../tables/otherTables.ts";
import { rigTable } from "../tables/rigTable.ts";
import { type Table, readCsv, writeCsv } from "../tables/table.ts";
import { tablesReading } from "../tables/tableReading.ts";
import { readWorkbook, writeWorkbook } from "../tables/workbook.ts";
import type { Remark } from "../report/remark.ts";
import { bytesOf, textOf } from "../zip/unzip.ts";
import { type Handling, type WriteWishes, bareName } from "./format.ts";
import type { FormatId } from "./formatNames.ts";

const NO_VALUES = "what the lights do, parts behind the first, marks, waves and actions of a cue";
const ONLY_TOLD = "it is told only: what is changed in it does not come back";

function left(words: string): Remark {
  return { kind: "left", words };
}

/** How each format is known, read and written. */
export const HANDLING: Readonly<Record<FormatId, Handling>> = {
  show: {
    is: ({ bytes }) => /^\s*\{/.test(beginOf(bytes)),
    read: ({ bytes }) => {
      const show = parseShow(textOf(bytes));
      return { made: [holdings(show)], remarks: [], questions: [], show };
    },
    write: ({ show }) => ({ bytes: bytesOf(serializeShow(show)), remarks: [] }),
  },
  bundle: {
    is: (_, names) => isBundle(names),
    read: bundleReading,
    write: ({ show }, { parts = NO_PARTS }) => ({ bytes: writeBundle(show, parts), remarks: [] }),
  },
  ascii: {
    is: ({ bytes }) => /^(\s*!.*[\r\n]+)*\s*IDENT\b/i.test(beginOf(bytes)),
    read: ({ name, bytes }, context) => asciiReading(textOf(bytes), bareName(name), context),
    write: (sheet) => {
      const { text, remarks } = writeAscii(sheet);
      return { bytes: bytesOf(text), remarks };
    },
  },
  workbook: {
    is: (_, names) => names.has("xl/workbook.xml"),
    read: async ({ bytes }, context) => tablesReading(await readWorkbook(bytes), context),
    write: async (sheet, wishes) => ({ bytes: await writeWorkbook(allTables(sheet, wishes)), remarks: [left(NO_VALUES)] }),
  },
  table: { read: ({ name, bytes }, context) => tablesReading([readCsv(textOf(bytes), bareName(name))], context) },
  rigTable: written("everything but the lights: types, groups, cues", ({ show }) => rigTable(show)),
  cueTable: written(NO_VALUES, (sheet, { list, columns }) => cueTable(listOf(sheet, list).list, columns)),
  notesTable: written("everything but the notes", ({ show }) => notesTable(show.notes)),
  callsTable: written(ONLY_TOLD, callsTable),
  findingsTable: written(ONLY_TOLD, findingsTable),
  mvr: {
    is: (_, names) => names.has("GeneralSceneDescription.xml"),
    read: (file, context) => mvrReading(file, bareName(file.name), context),
    write: writeMvr,
  },
  gdtf: {
    is: (_, names) => names.has("description.xml"),
    read: (file, context) => gdtfReading(file, bareName(file.name), context),
  },
  fountain: {
    read: ({ name, bytes }, context) => playReading(textOf(bytes), bareName(name), context),
    write: ({ show }) => ({
      bytes: bytesOf(fountainOf(show)),
      remarks: [left("quiet lines, lengths of lines, and where cues are called")],
    }),
  },
  docx: {
    is: (_, names) => names.has("word/document.xml"),
    read: ({ name, bytes }, context) => playReading(textOfDocx(bytes, name), bareName(name), context),
  },
  text: { read: ({ name, bytes }, context) => playReading(textOf(bytes), bareName(name), context) },
};

/** The beginning of a file as text, enough to know it by. */
function beginOf(bytes: Uint8Array): string {
  return textOf(bytes.subarray(0, 2000));
}

/** A table that is written as CSV by itself. */
function written(words: string, make: (sheet: ShowSheet, wishes: WriteWishes) => Table): Handling {
  return { write: (sheet, wishes) => ({ bytes: bytesOf(writeCsv(make(sheet, wishes))), remarks: [left(words)] }) };
}

function allTables(sheet: ShowSheet, { columns, parts }: WriteWishes): Table[] {
  const { lists, notes } = sheet.show;
  return [
    ...lists.map((list) => cueTable(list, columns)),
    rigTable(sheet.show),
    notesTable(notes),
    callsTable(sheet),
    findingsTable(sheet),
    ...(parts?.runs ?? []).map(({ name, csv }) => readCsv(csv, name)),
  ];
}
