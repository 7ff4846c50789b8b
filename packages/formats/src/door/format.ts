import type { ShowSheet } from "@zm/core";
import type { BundleParts } from "../bundle/bundle.ts";
import type { FileReading, ReadingContext, SourceFile } from "../reading/reading.ts";
import type { Remark } from "../report/remark.ts";

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

/** How a format is known, read and written. */
export interface Handling {
  /** True for bytes that are of this format, whatever the file is called; `names` are those in a zip. Absent: it is known by its ending alone. */
  readonly is?: (file: SourceFile, names: ReadonlySet<string>) => boolean;
  readonly read?: (file: SourceFile, context: ReadingContext) => FileReading | Promise<FileReading>;
  readonly write?: (sheet: ShowSheet, wishes: WriteWishes) => Written | Promise<Written>;
}

/** The name of a file without its folder and its ending, as a title. */
export function bareName(name: string): string {
  return name.replace(/^.*[\\/]/, "").replace(/\.[^.]*$/, "") || "Untitled";
}
