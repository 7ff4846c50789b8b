import { readJson } from "@zm/core";

/** What may be written behind a command, apart from its words. */
export interface Options {
  readonly cue?: string | undefined;
  readonly all?: boolean | undefined;
  readonly list?: string | undefined;
  readonly from?: string | undefined;
  readonly run?: string | undefined;
  readonly at?: string | undefined;
  readonly seed?: string | undefined;
  readonly kind?: string | undefined;
  readonly out?: string | undefined;
  readonly to?: string | undefined;
  readonly large?: boolean | undefined;
  readonly speed?: string | undefined;
  readonly into?: string | undefined;
  readonly as?: string | undefined;
  readonly with?: readonly string[] | undefined;
}

/** The command line itself is wrong; what `run` throws for it begins with the command's name. */
export class UsageError extends Error {
  override readonly name = "UsageError";
}

/** How a command reaches files; "-" is standard input. */
export interface Files {
  readonly read: (file: string) => string;
  readonly readBytes: (file: string) => Uint8Array;
  readonly write: (file: string, content: string | Uint8Array) => void;
}

/** One headless command: from its words and options to the value that it prints. */
export interface Command {
  /** Its words, such as "SHOW" or "SHOW EDITS". */
  readonly words: readonly string[];
  /** The options that it knows, with what they stand for; an empty text is a flag. */
  readonly options: Readonly<Partial<Record<keyof Options, string>>>;
  readonly summary: string;
  /** What `--help` says beyond the summary. */
  readonly help: string;
  /** What it prints, or the promise of it. */
  readonly run: (words: readonly string[], options: Options, files: Files) => unknown;
}

/** The plain data in a JSON file. Throws ShowError naming the file. */
export function jsonFile(file: string, files: Files): unknown {
  return readJson(files.read(file), file === "-" ? "standard input" : file);
}

/** An option that a command cannot do without. Throws UsageError saying how to give it. */
export function needed(value: string | undefined, how: string): string {
  if (value !== undefined) return value;
  throw new UsageError(`give ${how}`);
}
