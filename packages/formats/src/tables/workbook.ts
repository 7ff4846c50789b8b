import { ShowError } from "@zm/core";
import readSheets from "read-excel-file/universal";
import writeSheets from "write-excel-file/universal";
import { unzipped } from "../zip/unzip.ts";
import { type Table, checkedTable } from "./table.ts";

/** Columns whose cells look like numbers and are names: "1.10" is no 1.1. */
const NAMES: ReadonlySet<string> = new Set(["cue", "call line", "call word", "label", "word", "light"]);
/** A sheet's name as spreadsheets allow it. */
const LONGEST_NAME = 31;

/** Tables as a spreadsheet, a sheet each. Numbers are numbers, all else is text: nothing is ever a formula. */
export async function writeWorkbook(tables: readonly Table[]): Promise<Uint8Array> {
  const taken = new Set<string>();
  const sheets = tables.map(({ name, columns, rows }) => ({
    sheet: sheetName(name, taken),
    data: [
      columns.map((head) => ({ value: head, type: String })),
      ...rows.map((row) => row.map((cell, at) => cellOf(cell, columns[at] ?? ""))),
    ],
    stickyRowsCount: 1,
  }));
  const blob = await writeSheets(sheets).toBlob();
  return new Uint8Array(await blob.arrayBuffer());
}

function cellOf(cell: string, column: string) {
  const isNumber = !NAMES.has(column) && /^-?\d+(\.\d+)?$/.test(cell) && String(Number(cell)) === cell;
  return isNumber ? { value: Number(cell), type: Number } : { value: cell, type: String };
}

function sheetName(name: string, taken: Set<string>): string {
  const plain =
    name
      .replace(/[\\/?*[\]:]/g, " ")
      .trim()
      .slice(0, LONGEST_NAME) || "Table";
  let free = plain;
  for (let count = 2; taken.has(free.toLowerCase()); count += 1) free = `${plain.slice(0, LONGEST_NAME - 4)} ${count}`;
  taken.add(free.toLowerCase());
  return free;
}

/** The tables of a spreadsheet that hold anything. Throws ShowError for one that is damaged, too large, or holds nothing. */
export async function readWorkbook(bytes: Uint8Array): Promise<Table[]> {
  const parts = unzipped(bytes);
  if (![...parts.keys()].some((name) => name.startsWith("xl/worksheets/")))
    throw new ShowError("This is no spreadsheet: it holds no sheet");
  // What entities of its own would unpack to cannot be counted beforehand.
  for (const [name, part] of parts)
    if (name.endsWith(".xml") && declaresEntities(part))
      throw new ShowError(`This spreadsheet declares entities of its own in ${name}; it is not read`);
  const sheets = await readSheets(bytes.slice().buffer).catch((error: unknown) => {
    throw new ShowError(`This spreadsheet cannot be read: ${error instanceof Error ? error.message : "it is damaged"}`);
  });
  const filled = sheets.filter(({ data }) => data.length > 0);
  if (filled.length === 0) throw new ShowError("This spreadsheet is empty; the first row of a table names its columns");
  return filled.map(({ sheet, data: [head = [], ...rows] }) => {
    const width = head.length;
    return checkedTable({
      name: sheet,
      columns: head.map(textOf),
      rows: rows.map((row) => row.slice(0, Math.max(width, row.length)).map(textOf)),
    });
  });
}

function textOf(cell: unknown): string {
  return cell === null || cell === undefined ? "" : String(cell);
}

function declaresEntities(part: Uint8Array): boolean {
  const begin = String.fromCharCode(...part.subarray(0, 1000));
  return /<!DOCTYPE|<!ENTITY/i.test(begin);
}
