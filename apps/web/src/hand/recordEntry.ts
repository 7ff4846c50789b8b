import { FAMILIES, type Family, type PartTimes, type RecordWish } from "@zm/core";

/** What is entered into the record drawer. */
export interface RecordEntry {
  readonly cue: string;
  readonly from: RecordWish["from"];
  readonly what: RecordWish["what"];
  readonly changed: boolean;
  readonly onlyChosen: boolean;
  readonly families: readonly Family[];
  readonly mode: RecordWish["mode"];
  readonly scope: RecordWish["scope"];
  readonly running: boolean;
  readonly part: string;
  /** Null as long as nothing was typed: the cue keeps the label that it has. */
  readonly label: string | null;
  /** Null as long as nothing was typed: a known cue keeps its times, a new one starts with the show's. */
  readonly times: PartTimes | null;
}

/** The record drawer as it opens: what has changed in hand, as a new cue. */
export const freshEntry = (cue: string): RecordEntry => ({
  cue,
  from: "hand",
  what: "both",
  changed: true,
  onlyChosen: false,
  families: FAMILIES,
  mode: "merge",
  scope: "track",
  running: false,
  part: "",
  label: null,
  times: null,
});
