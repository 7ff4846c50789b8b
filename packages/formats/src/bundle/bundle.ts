import { type Script, type Show, ShowError, count, parseShow, serializeShow, fileName, isRecord, holdings } from "@zm/core";
import { strToU8 } from "fflate";
import { writeFountain } from "../play/play.ts";
import { type FileReading, type ReadingContext, type ReadingQuestion, type SourceFile, answerOf } from "../reading/reading.ts";
import { notesTable } from "../tables/otherTables.ts";
import { cueTable } from "../tables/cueTable.ts";
import { writeCsv } from "../tables/table.ts";
import { textOf, unzipped } from "../zip/unzip.ts";
import { zipped } from "../zip/zipped.ts";

/** An earlier state of a show under the name that somebody gave it, or the moment at which it was kept. */
export interface BundleVersion {
  readonly name: string;
  readonly show: Show;
}

/** What goes into a bundle beside the show as it is. */
export interface BundleParts {
  readonly versions: readonly BundleVersion[];
  /** Logs of runs as tables, by the name of the run. */
  readonly runs: readonly { readonly name: string; readonly csv: string }[];
  /** Pictures of looks by the number of the cue, PNG. */
  readonly pictures: readonly { readonly cue: string; readonly png: Uint8Array }[];
}

/** What the bundle says of itself. */
interface Contents {
  readonly format: typeof FORMAT;
  readonly version: number;
  readonly title: string;
  readonly versions: readonly { readonly name: string; readonly file: string }[];
}

const FORMAT = "zealous-mark/bundle";
const VERSION = 1;
const CONTENTS = "bundle.json";
const SHOW = "show.json";
export const NO_PARTS: BundleParts = { versions: [], runs: [], pictures: [] };

/** A show with all that belongs to it as one zip: the document, its versions, the play, notes and cues as tables, logs of runs, pictures of looks. */
export function writeBundle(show: Show, { versions, runs, pictures }: BundleParts): Uint8Array {
  const named = versions.map(({ name }, at) => ({ name, file: `versions/${String(at + 1).padStart(3, "0")} ${fileName(name)}.json` }));
  const contents: Contents = { format: FORMAT, version: VERSION, title: show.title, versions: named };
  const files: Record<string, Uint8Array> = {
    [CONTENTS]: strToU8(`${JSON.stringify(contents, undefined, 1)}\n`),
    [SHOW]: strToU8(serializeShow(show)),
  };
  versions.forEach((version, at) => (files[named[at]?.file ?? ""] = strToU8(serializeShow(version.show))));
  if (show.script) files["play.fountain"] = strToU8(writeFountain(show.title, show.script));
  if (show.notes) files["notes.csv"] = strToU8(writeCsv(notesTable(show.notes)));
  for (const list of show.lists) files[`cues/${fileName(list.id)}.csv`] = strToU8(writeCsv(cueTable(list)));
  runs.forEach(({ name, csv }, at) => (files[`runs/${String(at + 1).padStart(3, "0")} ${fileName(name)}.csv`] = strToU8(csv)));
  for (const { cue, png } of pictures) files[`looks/${cue}.png`] = png;
  return zipped(files);
}

/** True for the names of a zip that is a bundle. */
export function isBundle(names: Iterable<string>): boolean {
  return [...names].includes(CONTENTS);
}

/** Reads a bundle for the door, as a new show: the newest state, or one of the versions in it. What else is in it stays in the file. */
export function bundleReading({ name, bytes }: SourceFile, { wishes }: ReadingContext): FileReading {
  const files = unzipped(bytes, (file) => file.endsWith(".json") || file.endsWith(".csv") || file.endsWith(".png"));
  const contents = contentsOf(files.get(CONTENTS), name);
  const state: ReadingQuestion = {
    id: "state",
    words: "Which state of the show",
    answers: [{ id: SHOW, words: "the newest" }, ...contents.versions.map((version) => ({ id: version.file, words: version.name }))],
  };
  const document = files.get(answerOf(state, wishes));
  if (!document) throw new ShowError(`${name} names ${answerOf(state, wishes)}, which is not in it`);
  const show = parseShow(textOf(document));
  const [runs, looks] = ["runs/", "looks/"].map((folder) => [...files.keys()].filter((file) => file.startsWith(folder)).length);
  return {
    made: [holdings(show)],
    questions: contents.versions.length > 0 ? [state] : [],
    remarks: [
      ...(runs ? [{ kind: "kept" as const, words: `${count(runs, "log")} of runs, which stay in the file` }] : []),
      ...(looks ? [{ kind: "kept" as const, words: `${count(looks, "picture")} of looks, which stay in the file` }] : []),
    ],
    show,
  };
}

function contentsOf(bytes: Uint8Array | undefined, name: string): Contents {
  if (!bytes) throw new ShowError(`${name} holds no ${CONTENTS}; it is no bundle`);
  let read: unknown;
  try {
    read = JSON.parse(textOf(bytes));
  } catch {
    throw new ShowError(`${name}: its ${CONTENTS} is damaged`);
  }
  if (!isRecord(read) || read["format"] !== FORMAT) throw new ShowError(`${name}: its ${CONTENTS} is that of another format`);
  const version = read["version"];
  if (typeof version !== "number" || version > VERSION)
    throw new ShowError(`${name} is a bundle of version ${String(version)}; this program reads up to ${VERSION}`);
  const versions = Array.isArray(read["versions"]) ? read["versions"] : [];
  return {
    format: FORMAT,
    version,
    title: String(read["title"] ?? ""),
    versions: versions.flatMap((each: unknown) =>
      isRecord(each) && typeof each["name"] === "string" && typeof each["file"] === "string"
        ? [{ name: each["name"], file: each["file"] }]
        : [],
    ),
  };
}

/** The play of a show as Fountain. Throws ShowError where it has none. */
export function fountainOf({ title, script }: Pick<Show, "title"> & { readonly script?: Script | undefined }): string {
  if (!script || script.lines.length === 0) throw new ShowError("This show has no play; write or bring one in the Book first");
  return writeFountain(title, script);
}
