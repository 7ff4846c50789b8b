import { ShowError, type ShowSheet, compareShows, listOf, parseShow, serializeShow, sheetOf, fileName } from "@zm/core";
import {
  type BundleParts,
  FORMAT_NAMES,
  type NamedReading,
  type Remark,
  type ReadingQuestion,
  type Wishes,
  type WriteWishes,
  readFiles,
  writeFile,
} from "@zm/formats";
import type { BackupName } from "@zm/protocol";
import { expose, transfer } from "comlink";
import { type ServerPlace, passageOf, serverUrl, setServerPlace } from "../shared/serverAddress.ts";
import { api } from "../show/api.ts";

/** A file as the window hands it over. */
export interface BroughtFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** What files were read as, as far as the window shows it; or what is wrong with them. */
export type Brought =
  | { readonly faults: readonly string[] }
  | {
      readonly format: string;
      readonly made: readonly string[];
      readonly remarks: readonly Remark[];
      /** How many more there are of each than are told here. */
      readonly more: { readonly made: number; readonly remarks: number };
      readonly questions: readonly ReadingQuestion[];
      readonly makesShow: boolean;
      /** How many edits bring it into the show that is open; null where it is a show of its own. */
      readonly edits: number | null;
      readonly refused: readonly string[];
    };

/** A show written in a format. */
export interface Sent {
  readonly bytes: Uint8Array;
  readonly remarks: readonly Remark[];
  readonly name: string;
}

/** One thing that is different in a backup. */
export interface Difference {
  readonly cue: string;
  readonly words: string;
}

/** So many lines are told; nobody reads further, and a window does not stall on them. */
const MOST_TOLD = 2000;

let open: { id: number; revision: number; sheet: ShowSheet } | undefined;
let last: NamedReading | undefined;

/** Reads and writes files beside the window, over a copy of the show of its own. */
const exchange = {
  /** Asks the server that the window asks. */
  ask(place: ServerPlace): void {
    setServerPlace(place);
  },

  /** Reads files for a show, or for none yet, with the answers that were given. What is wrong with them comes back in words. */
  async read(files: readonly BroughtFile[], show: number | null, wishes: Wishes): Promise<Brought> {
    last = undefined;
    try {
      const reading = await readFiles(files, { sheet: show === null ? undefined : await sheetHere(show), wishes });
      last = reading;
      return told(reading);
    } catch (error) {
      if (error instanceof ShowError) return { faults: error.faults };
      throw error;
    }
  },

  /** The edits of what was read last, as text: very many of them are handed over and read more quickly so. */
  edits(): string {
    return JSON.stringify(last?.edits ?? []);
  },

  /** Stores what was read last as a show of its own; gives its number. */
  async makeShow(ticket: string): Promise<number> {
    if (!last?.show) throw new ShowError("This file makes no show of its own");
    const { id } = await api.importShow(serializeShow(last.show), ticket);
    return id;
  },

  /** What is different in a backup from the show that is open, in words, cue by cue; `cue` is empty for what is beside the cues. */
  async differences(show: number, backup: BackupName): Promise<readonly Difference[]> {
    const asked = new URLSearchParams({ folder: backup.folder, file: backup.file });
    const answer = await fetchFile(`/api/backups/document?${asked}`);
    if (!answer.ok) throw new Error("This backup cannot be read");
    const now = await sheetHere(show);
    const { beside, lines } = compareShows(sheetOf(parseShow(await answer.text())), now, listOf(now).id);
    return [
      ...beside.map((words) => ({ cue: "", words })),
      ...lines.slice(0, MOST_TOLD).map(({ cue, words }) => ({ cue, words: words() })),
    ];
  },

  /** Writes the show that is open in a format. */
  async write(show: number, format: string, wishes: WriteWishes, parts: BundleParts["pictures"], wanted: BundleWishes): Promise<Sent> {
    const sheet = await sheetHere(show);
    const bundle = format === "bundle" || format === "workbook" ? { parts: await partsOf(show, parts, wanted) } : {};
    const { bytes, remarks } = await writeFile(sheet, format, { ...wishes, ...bundle });
    const ending = FORMAT_NAMES.find(({ id }) => id === format)?.endings[0] ?? "";
    const what = format.endsWith("Table") ? ` ${format.replace("Table", "s").replace("rigs", "rig")}` : "";
    return transfer({ bytes, remarks, name: `${fileName(sheet.show.title)}${what}${ending}` }, [bytes.buffer]);
  },
};

/** What goes into a bundle beside the document. */
export interface BundleWishes {
  readonly versions: boolean;
  readonly runs: boolean;
}

async function partsOf(show: number, pictures: BundleParts["pictures"], { versions, runs }: BundleWishes): Promise<BundleParts> {
  return { versions: versions ? await versionsOf(show) : [], runs: runs ? await runsOf(show) : [], pictures };
}

async function versionsOf(show: number): Promise<BundleParts["versions"]> {
  const kept: { name: string; show: ShowSheet["show"] }[] = [];
  const { versions } = await api.history(show, null);
  for (const { revision, name } of versions) kept.push({ name, show: (await api.pastShow(show, revision)).show });
  return kept;
}

function fetchFile(path: string): Promise<Response> {
  const passage = passageOf();
  return fetch(serverUrl(path), { credentials: "include", headers: passage === null ? {} : { Authorization: `Bearer ${passage}` } });
}

async function runsOf(show: number): Promise<BundleParts["runs"]> {
  const { runs } = await api.runs(show);
  const kept: { name: string; csv: string }[] = [];
  for (const { id, name } of runs) {
    const answer = await fetchFile(`/api/shows/${show}/runs.csv?run=${id}`);
    if (answer.ok) kept.push({ name: name || `Run ${id}`, csv: await answer.text() });
  }
  return kept;
}

/** The show as the server has it now; read anew each time, since a file is looked at for longer than a show stays the same. */
async function sheetHere(id: number): Promise<ShowSheet> {
  const { show, revision } = await api.show(id);
  if (open?.id !== id || open.revision !== revision) open = { id, revision, sheet: sheetOf(show) };
  return open.sheet;
}

function told({ format, made, remarks, questions, show, edits, refused = [] }: NamedReading): Brought {
  return {
    format: FORMAT_NAMES.find(({ id }) => id === format)?.name ?? "Several files",
    made: made.slice(0, MOST_TOLD),
    remarks: remarks.slice(0, MOST_TOLD),
    more: { made: Math.max(0, made.length - MOST_TOLD), remarks: Math.max(0, remarks.length - MOST_TOLD) },
    questions,
    makesShow: show !== undefined,
    edits: edits?.length ?? null,
    refused,
  };
}

export type Exchange = typeof exchange;
expose(exchange);
