import type { ShowSheet } from "@zm/core";
import type { FileReading, ReadingContext, SourceFile } from "../reading/reading.ts";
import type { Remark } from "../report/remark.ts";
import type { BundleParts } from "../bundle/bundle.ts";

/** A show written in some format, and what the format cannot say. */
export interface Written {
  readonly bytes: Uint8Array;
  readonly remarks: readonly Remark[];
}

/** What is wished of a file that is written: of which list, with which columns, and what goes along in a bundle. Left out: the first list, all columns, nothing. */
export interface WriteWishes {
  readonly list?: string | undefined;
  readonly columns?: readonly string[] | undefined;
  readonly parts?: BundleParts | undefined;
}

/** A format that is read, written or both. Endings with their points; the first is the one that is written. */
export interface Format {
  readonly id: string;
  readonly name: string;
  readonly endings: readonly string[];
  /** What it is for, in a sentence, for whoever chooses one. */
  readonly about: string;
  /** True for bytes that are of this format, whatever the file is called. */
  readonly is: (file: SourceFile, names: ReadonlySet<string>) => boolean;
  readonly read?: (file: SourceFile, context: ReadingContext) => FileReading | Promise<FileReading>;
  readonly write?: (sheet: ShowSheet, wishes: WriteWishes) => Written | Promise<Written>;
}

/** The name of a file without its folder and its ending, as a title. */
export function bareName(name: string): string {
  return name.replace(/^.*[\\/]/, "").replace(/\.[^.]*$/, "") || "Untitled";
}
