/**
 * One thing that does not come along as it stands, with its place in the file.
 * `left`: not carried at all. `changed`: carried as something else. `kept`: not understood, and put aside as it is.
 */
export interface Remark {
  readonly kind: "left" | "changed" | "kept";
  /** The line of the file, counted from 1; absent where it has none, as in a table of a zip, or where a show is written. */
  readonly line?: number;
  readonly words: string;
}

/** Remarks in the order of their lines; those without a line come first. Does not change what it is given. */
export function inOrderOfLines(remarks: readonly Remark[]): Remark[] {
  return [...remarks].sort((a, b) => (a.line ?? 0) - (b.line ?? 0));
}
