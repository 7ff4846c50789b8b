import { type EditInput, ShowError, type ShowSheet, count, parseShow, serializeShow } from "@zm/core";
import { asciiReading } from "../ascii/asciiFormat.ts";
import { writeAscii } from "../ascii/writeAscii.ts";
import { NO_PARTS, bundleReading, fountainOf, isBundle, writeBundle } from "../bundle/bundle.ts";
import { gdtfReading } from "../gdtf/gdtfReading.ts";
import { mvrReading } from "../mvr/mvrReading.ts";
import { writeMvr } from "../mvr/writeMvr.ts";
import { textOfDocx } from "../play/docx.ts";
import { playReading } from "../play/play.ts";
import type { FileReading, ReadingContext, SourceFile } from "../reading/reading.ts";
import { bytesOf, isZip, namesIn, textOf } from "../zip/unzip.ts";
import { type Format, type WriteWishes, type Written, bareName } from "./format.ts";
import { TABLE_FORMATS } from "./tableFormats.ts";

const SHOW: Format = {
  id: "show",
  name: "Open document",
  endings: [".json"],
  about: "Everything that the show is, readable by people and programs",
  is: ({ bytes }) => /^\s*\{/.test(textOf(bytes.subarray(0, 200))),
  read: ({ bytes }) => {
    const show = parseShow(textOf(bytes));
    const cues = show.lists.reduce((sum, list) => sum + list.cues.length, 0);
    return {
      made: [`${count(cues, "cue")} in ${count(show.lists.length, "list")}, ${count(show.channels.length, "light")}`],
      remarks: [],
      questions: [],
      show,
    };
  },
  write: ({ show }) => ({ bytes: bytesOf(serializeShow(show)), remarks: [] }),
};

const BUNDLE: Format = {
  id: "bundle",
  name: "Bundle (.zip)",
  endings: [".zip"],
  about: "The document with its versions, the play, tables, logs of runs and pictures of the looks, in one file to put away",
  is: (_, names) => isBundle(names),
  read: bundleReading,
  write: ({ show }, { parts = NO_PARTS }) => ({ bytes: writeBundle(show, parts), remarks: [] }),
};

const ASCII: Format = {
  id: "ascii",
  name: "List as ASCII text (USITT 3.0)",
  endings: [".asc"],
  about: "Levels, times, labels, follows, parts, groups and patch, for another desk",
  is: ({ bytes }) => /^(\s*!.*[\r\n]+)*\s*IDENT\b/i.test(textOf(bytes.subarray(0, 2000))),
  read: ({ name, bytes }, context) => asciiReading(textOf(bytes), bareName(name), context),
  write: (sheet) => {
    const { text, remarks } = writeAscii(sheet);
    return { bytes: bytesOf(text), remarks };
  },
};

const MVR: Format = {
  id: "mvr",
  name: "Drawing of the rig (MVR)",
  endings: [".mvr"],
  about: "Lights with type, number, patch, place and turn, for the drawing office and whatever shows the rig in space",
  is: (_, names) => names.has("GeneralSceneDescription.xml"),
  read: (file, context) => mvrReading(file, bareName(file.name), context),
  write: writeMvr,
};

const GDTF: Format = {
  id: "gdtf",
  name: "Type of light (GDTF)",
  endings: [".gdtf"],
  about: "What a light can do, as its maker describes it",
  is: (_, names) => names.has("description.xml"),
  read: (file, context) => gdtfReading(file, bareName(file.name), context),
};

const FOUNTAIN: Format = {
  id: "fountain",
  name: "Play as Fountain",
  endings: [".fountain"],
  about: "The text of the play, for whoever writes it",
  is: () => false,
  read: ({ name, bytes }, context) => playReading(textOf(bytes), bareName(name), context),
  write: ({ show }) => ({
    bytes: bytesOf(fountainOf(show)),
    remarks: [{ kind: "left", words: "quiet lines, lengths of lines, and where cues are called" }],
  }),
};

const DOCX: Format = {
  id: "docx",
  name: "Play from a word processor (.docx)",
  endings: [".docx"],
  about: "The text of the play, with its headings and pages",
  is: (_, names) => names.has("word/document.xml"),
  read: ({ name, bytes }, context) => playReading(textOfDocx(bytes, name), bareName(name), context),
};

const TEXT: Format = {
  id: "text",
  name: "Play as plain text",
  endings: [".txt", ".md"],
  about: "The text of the play",
  is: () => false,
  read: ({ name, bytes }, context) => playReading(textOf(bytes), bareName(name), context),
};

/** Every format that is read or written, in the order in which they are offered. */
export const FORMATS: readonly Format[] = [SHOW, BUNDLE, ASCII, ...TABLE_FORMATS, MVR, GDTF, FOUNTAIN, DOCX, TEXT];

/** The format of a file: by what is in it, else by its ending. Throws ShowError naming the formats that are read where it is none of them. */
export function formatOf(file: SourceFile): Format {
  const read = FORMATS.filter((format) => format.read);
  const names = isZip(file.bytes) ? namesIn(file.bytes) : new Set<string>();
  const found = read.find((format) => format.is(file, names)) ?? read.find((format) => hasEnding(format, file.name));
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

/** Reads a file of any format. Throws ShowError with every fault and its place; then nothing is read. */
export async function readFile(file: SourceFile, context: ReadingContext): Promise<NamedReading> {
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
