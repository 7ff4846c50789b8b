import Papa from "papaparse";
import { ShowError } from "@zm/core";

/** A table: a name, the headings of its columns, and rows of cells, all as text. */
export interface Table {
  readonly name: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** What a spreadsheet would take for a formula, or for a text that was kept from being one: a quote is put before it, and taken away when it is read. */
const FORMULA = /^['=+\-@\t\r].*$/s;
const KEPT = /^'['=+\-@\t\r]/;
/** Cells of a table that somebody brings. */
const MOST_ROWS = 100_000;

/** A cell in which nothing is a formula for a spreadsheet. Plain numbers, below 0 too, stay as they are. */
export function escaped(cell: string): string {
  return FORMULA.test(cell) && !/^-?\d+(\.\d+)?$/.test(cell) ? `'${cell}` : cell;
}

/** What was written of an escaped cell. */
export function unescaped(cell: string): string {
  return KEPT.test(cell) ? cell.slice(1) : cell;
}

/** A table as CSV: the first line names the columns; lines end in LF. */
export function writeCsv({ columns, rows }: Table): string {
  return `${Papa.unparse({ fields: [...columns], data: rows.map((row) => row.map(escaped)) }, { newline: "\n" })}\n`;
}

/**
 * Reads a CSV. The first line names the columns; the sign between cells is found by itself. Throws ShowError with the line of each fault: a quote that does not
 * end, a row that is longer than the head, too many rows.
 */
export function readCsv(text: string, name: string): Table {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
  const faults = errors
    .filter(({ code }) => code !== "UndetectableDelimiter")
    .map(({ row, message }) => `Line ${(row ?? 0) + 1}: ${message}`);
  if (faults.length > 0) throw new ShowError(faults);
  const [head = [], ...rows] = data;
  return checkedTable({ name, columns: head, rows });
}

/** A table with its cells trimmed and freed of what kept them from being formulas. Throws ShowError for one that has no head, two columns of a name, or long rows. */
export function checkedTable({ name, columns, rows }: Table): Table {
  const heads = columns.map((head) => head.trim());
  if (!heads.some((head) => head !== "")) throw new ShowError(`${name} is empty; the first line of a table names its columns`);
  const twice = heads.find((head, at) => head !== "" && heads.indexOf(head) !== at);
  if (twice !== undefined) throw new ShowError(`${name} has two columns "${twice}"; which of them counts?`);
  if (rows.length > MOST_ROWS) throw new ShowError(`${name} has more than ${MOST_ROWS} rows; it is not read`);
  const long = rows.findIndex((row) => row.length > heads.length && row.slice(heads.length).some((cell) => cell.trim() !== ""));
  if (long >= 0) throw new ShowError(`${name}, line ${long + 2}: it has more cells than the head has columns`);
  return { name, columns: heads, rows: rows.map((row) => heads.map((_, at) => unescaped((row[at] ?? "").trim()))) };
}
