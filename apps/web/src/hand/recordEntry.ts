import { type Curve, FAMILIES, type Family, type PartTimes, type RecordWish, type Trigger, sameData } from "@zm/core";
import { create } from "zustand";

/** What is entered into the record drawer. */
export interface RecordEntry {
  readonly cue: string;
  readonly from: RecordWish["from"];
  readonly what: RecordWish["what"];
  readonly changed: boolean;
  readonly onlyChosen: boolean;
  readonly families: readonly Family[];
  /** Only these attributes of what is in hand; null: all. */
  readonly attributes: readonly string[] | null;
  readonly waves: "with" | "without" | "alone";
  readonly mode: RecordWish["mode"];
  readonly scope: RecordWish["scope"];
  readonly running: boolean;
  readonly part: string;
  /** Null as long as nothing was typed: the cue keeps the label that it has. */
  readonly label: string | null;
  /** Null as long as nothing was typed: a known cue keeps its times, a new one starts with the show's. */
  readonly times: PartTimes | null;
  /** Undefined as long as none was chosen: the part keeps its curve, a new cue starts with the show's. */
  readonly curve: Curve | undefined;
  /** Null as long as nothing was typed: the cue keeps the note and the scene that it has. */
  readonly note: string | null;
  readonly scene: string | null;
  /** Undefined as long as nothing was chosen: a known cue is fired as before, a new one on Go. */
  readonly trigger: Trigger | null | undefined;
}

/** The answers that are the same for many records: which values, what becomes of what is stored, for how long. */
type Choices = Pick<
  RecordEntry,
  "from" | "what" | "changed" | "onlyChosen" | "families" | "attributes" | "waves" | "mode" | "scope" | "running"
>;

/** The plain answers: what has changed in hand, all of it, added, tracking on. */
const PLAIN: Choices = {
  from: "hand",
  what: "both",
  changed: true,
  onlyChosen: false,
  families: FAMILIES,
  attributes: null,
  waves: "with",
  mode: "merge",
  scope: "track",
  running: false,
};

/** The choices of an entry, without what belongs to one cue. */
function choicesOf({ from, what, changed, onlyChosen, families, attributes, waves, mode, scope, running }: RecordEntry): Choices {
  return { from, what, changed, onlyChosen, families, attributes, waves, mode, scope, running };
}

/** The choices with which the sheet opens in this window; null: the plain ones. They go with the window, so that no other night is surprised by them. */
export const useKeptChoices = create<{ kept: Choices | null }>(() => ({ kept: null }));

/** Lets the sheet open with the choices of this entry from now on. */
export function keepChoices(entry: RecordEntry): void {
  useKeptChoices.setState({ kept: sameData(choicesOf(entry), PLAIN) ? null : choicesOf(entry) });
}

/** True where an entry has exactly the choices with which the sheet opens. */
export function hasChoices(entry: RecordEntry, kept: Choices | null): boolean {
  return sameData(choicesOf(entry), kept ?? PLAIN);
}

/** Gives an entry the plain choices again, and lets the sheet open with them. */
export function withPlainChoices(entry: RecordEntry): RecordEntry {
  useKeptChoices.setState({ kept: null });
  return { ...entry, ...PLAIN };
}

/** The record drawer as it opens: with the choices that were kept, as a new cue. */
export const freshEntry = (cue: string): RecordEntry => ({
  cue,
  ...(useKeptChoices.getState().kept ?? PLAIN),
  part: "",
  label: null,
  times: null,
  curve: undefined,
  note: null,
  scene: null,
  trigger: undefined,
});
