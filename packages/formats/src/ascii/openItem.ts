import type { AsciiTimes } from "./asciiFile.ts";
import type { AsciiRecord } from "./records.ts";

/** What is being read, while lines are added to it. */
export interface Open<Kind extends "CUE" | "PART" | "GROUP" | "SUB"> {
  readonly kind: Kind;
  readonly line: number;
  readonly number: string;
  text: string;
  readonly comments: string[];
  times: AsciiTimes;
  readonly levels: Map<number, number>;
}
/** A cue while it is read, with the parts that it has so far. */
export interface OpenCue extends Open<"CUE"> {
  readonly page: number;
  followOn?: number;
  fromComplete?: boolean;
  link?: string;
  readonly parts: Map<number, Open<"PART">>;
}
/** Whatever lines are added to just now. */
export type Item = OpenCue | Open<"PART"> | Open<"GROUP"> | Open<"SUB">;

/** Begins a cue, a part, a group or a submaster: nothing is said of it yet. */
export function opened<Kind extends Item["kind"]>(kind: Kind, { line }: AsciiRecord, number: string): Open<Kind> {
  return { kind, line, number, text: "", comments: [], times: {}, levels: new Map() };
}
