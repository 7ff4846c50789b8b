import { ShowError, type Show, type ShowSheet, makeEdits, orderedShow, parseShow, readEdits, sheetOf } from "@zm/core";
import { FORMAT_NAMES, type FormatName, type NamedReading, type Wishes, formatToWrite, readFile, writeFile } from "@zm/formats";
import { type Files, type Options, UsageError } from "./command.ts";

/** What `--help` says of the formats: those there are now. */
export function convertHelp(): string {
  const endings = (not: FormatName["ways"]): string =>
    [...new Set(FORMAT_NAMES.filter(({ ways }) => ways !== not).flatMap((format): readonly string[] => format.endings))].join(", ");
  const tables = FORMAT_NAMES.filter(({ ways, endings: [ending] }) => ways === "written" && ending === ".csv").map(({ id }) => id);
  return `Read: ${endings("written")}; a file is known by what is in it. Written: ${endings("read")}; --as says which table a .csv is: ${tables.join(", ")}. --into SHOW brings IN into that show, as its edits, and writes the show; without it IN becomes a show of its own. What a file leaves open is asked in "questions", and answered by --with QUESTION=ANSWER, as often as needed. OUT may be - to print the document.`;
}

/** Reads a file of any format and writes it in another. Prints what was made, what was asked, and what did not come along. */
export async function convert([from = "", to = ""]: readonly string[], options: Options, files: Files): Promise<unknown> {
  const format = to === "-" ? undefined : formatToWrite(to, options.as);
  const sheet = options.into === undefined ? undefined : sheetOf(parseShow(files.read(options.into)));
  const reading = await readFile({ name: from, bytes: files.readBytes(from) }, { sheet, wishes: wishesOf(options.with) });
  const show = sheet ? broughtInto(sheet, reading) : alone(reading, from);
  if (!format) return orderedShow(show);
  const written = await writeFile(sheetOf(show), format.id, { list: options.list });
  files.write(to, written.bytes);
  return {
    written: to,
    title: show.title,
    cues: show.lists.reduce((sum, list) => sum + list.cues.length, 0),
    read: { format: reading.format, made: reading.made, questions: reading.questions, remarks: reading.remarks },
    unsaid: written.remarks,
  };
}

function alone({ show }: NamedReading, from: string): Show {
  if (show) return show;
  throw new ShowError(`${from} changes a show and makes none of its own; name the show with --into SHOW.json`);
}

function broughtInto(sheet: ShowSheet, { edits, refused }: NamedReading): Show {
  if (refused) throw new ShowError(refused);
  if (!edits) throw new ShowError("This file is a whole show; leave out --into to convert it");
  return readEdits(edits).reduce((before, edit) => makeEdits(before, [edit]).sheet, sheet).show;
}

function wishesOf(given: readonly string[] = []): Wishes {
  return Object.fromEntries(
    given.map((text) => {
      const at = text.indexOf("=");
      if (at < 1) throw new UsageError(`"${text}" is no answer; write --with QUESTION=ANSWER, such as --with levels=moves`);
      return [text.slice(0, at), text.slice(at + 1)];
    }),
  );
}
