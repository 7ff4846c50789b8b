import { type EditInput, ShowError, type ShowSheet } from "@zm/core";
import type { FileReading, ReadingContext, SourceFile } from "../reading/reading.ts";
import { gunzipped, isGzip } from "../zip/gunzip.ts";
import { isZip, namesIn } from "../zip/unzip.ts";
import type { Handling, WriteWishes, Written } from "./format.ts";
import { FORMAT_NAMES, type FormatId, type FormatName } from "./formatNames.ts";
import { HANDLING } from "./handling.ts";

type Format = FormatName & Handling & { readonly id: FormatId };

const FORMATS: readonly Format[] = FORMAT_NAMES.map((name) => ({ ...name, ...HANDLING[name.id] }));

/** The format of a file: by what is in it, else by its ending. Throws ShowError naming the formats that are read where it is none of them. */
function formatOf(file: SourceFile): Format {
  const read = FORMATS.filter((format) => format.read);
  const names = isZip(file.bytes) ? namesIn(file.bytes) : new Set<string>();
  const found = read.find((format) => format.is?.(file, names)) ?? read.find((format) => hasEnding(format, file.name));
  if (file.bytes.length === 0) throw new ShowError(`${file.name} is empty`);
  if (found) return found;
  throw new ShowError(
    `${file.name} is none of the files that are read here: ${read.map(({ name, endings }) => `${name} (${endings.join(", ")})`).join("; ")}`,
  );
}

/** The format that a file of this name is written in; where several have its ending, `id` says which. Throws ShowError naming those that there are. */
export function formatToWrite(name: string, id?: string): Format {
  const written = FORMATS.filter((format) => format.write);
  const fitting = written.filter((format) => hasEnding(format, name));
  const found = id === undefined ? fitting[0] : fitting.find((format) => format.id === id);
  if (found) return found;
  const endings = [...new Set(written.flatMap((format) => format.endings))];
  if (fitting.length > 0 && id !== undefined)
    throw new ShowError(
      `"${id}" is not what a ${fitting[0]?.endings[0] ?? ""} file can hold; it can hold ${fitting.map((each) => each.id).join(", ")}`,
    );
  throw new ShowError(`${name}: its ending names no format that is written; the formats are ${endings.join(", ")}`);
}

function hasEnding({ endings }: Format, name: string): boolean {
  return endings.some((ending) => name.toLowerCase().endsWith(ending));
}

/** A file that was read, and as what. */
export type NamedReading = FileReading & { readonly format: string };

/** Reads a file of any format, also packed by itself (.gz). Throws ShowError with every fault and its place; then nothing is read. */
export async function readFile(given: SourceFile, context: ReadingContext): Promise<NamedReading> {
  const file = isGzip(given.bytes) ? { name: given.name.replace(/\.gz$/i, ""), bytes: gunzipped(given.bytes) } : given;
  const format = formatOf(file);
  const reading = await format.read?.(file, context);
  if (!reading) throw new ShowError(`${format.name} is written here and not read`);
  return { ...reading, format: format.id };
}

/**
 * Reads several files that are brought together, such as types of light: what they make becomes one edit. Throws ShowError naming the file for one that cannot be
 * read, and for one that only makes a show of its own; then none is.
 */
export async function readFiles(files: readonly SourceFile[], context: ReadingContext): Promise<NamedReading> {
  const [first] = files;
  if (!first) throw new ShowError("There is no file");
  if (files.length === 1) return readFile(first, context);
  const readings: NamedReading[] = [];
  const faults: string[] = [];
  for (const file of files) {
    try {
      const reading = await readFile(file, context);
      if (!reading.edits) faults.push(`${file.name} makes a show of its own; bring it by itself`);
      readings.push(reading);
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      faults.push(...error.faults.map((fault) => `${file.name}: ${fault}`));
    }
  }
  if (faults.length > 0) throw new ShowError(faults);
  const edits: EditInput[] = readings.flatMap((reading) => reading.edits ?? []);
  const [made, remarks, questions] = [
    readings.flatMap((each) => each.made),
    readings.flatMap((each) => each.remarks),
    readings.flatMap((each) => each.questions),
  ];
  return { format: "several", made, remarks, questions, edits };
}

/** Writes a show in a format. Throws ShowError for one that is only read, and where the show holds nothing that could be written. */
export async function writeFile(sheet: ShowSheet, id: string, wishes: WriteWishes = {}): Promise<Written> {
  const format = FORMATS.find((each) => each.id === id);
  if (!format?.write) throw new ShowError(`There is no format "${id}" that is written`);
  return format.write(sheet, wishes);
}
