import { type Code, type Finding, type Severity, groupBy } from "@zm/core";
import { create } from "zustand";

/** What Check has found in the show as it was at a revision; null before it has looked. */
interface Findings {
  readonly show: number;
  readonly revision: number;
  readonly found: readonly Finding[] | null;
  /** How many of weight each cue has, by list and number; hints are not counted. */
  readonly counts: ReadonlyMap<string, number>;
}

const NOTHING: Findings = { show: 0, revision: -1, found: null, counts: new Map() };

export const useFindings = create<Findings>(() => NOTHING);

/** Takes what was found in a show. */
export function takeFindings(show: number, revision: number, found: readonly Finding[]): void {
  const counts = new Map<string, number>();
  for (const { list, cue, severity } of found) {
    if (list === null || cue === null || severity === "hint") continue;
    const place = placeOf(list, cue);
    counts.set(place, (counts.get(place) ?? 0) + 1);
  }
  useFindings.setState({ show, revision, found, counts });
}

/** Forgets the findings of a show that was left. */
export function leaveFindings(): void {
  useFindings.setState(NOTHING);
}

/** The name of a cue among the counts. */
export function placeOf(list: string, cue: string): string {
  return `${list}/${cue}`;
}

/** The kinds of findings from the gravest to the lightest, and what each is called. */
export const KINDS = [
  ["mark-lit", "marked where it is lit"],
  ["lit-in-blackout", "lit in a blackout"],
  ["palette-gap", "a palette without a value"],
  ["patch-clash", "patch clash"],
  ["mark-late", "too little time in the dark"],
  ["moves-in-view", "moves in sight"],
  ["fades-overlap", "a fade is cut short"],
  ["dark-but-labelled-lit", "labelled lit, and dark"],
  ["leaks-past-wall", "leaks past a wall"],
  ["at-home-while-lit", "lit where it rests"],
  ["unreachable-cue", "out of reach"],
  ["no-change", "says what tracks in anyway"],
  ["never-seen", "never seen"],
  ["long-chain", "a long chain"],
] as const satisfies readonly (readonly [Code, string])[];

/** What each kind is called. */
export const KIND_WORDS: ReadonlyMap<string, string> = new Map(KINDS);

/** Findings of one cue, or of one kind, under one heading. */
export interface FindingGroup {
  readonly id: string;
  readonly findings: readonly Finding[];
}

/** Findings as they are shown: those of the wanted weights, by cue in the order in which they were found, or by kind. */
export function groupedFindings(found: readonly Finding[], shown: ReadonlySet<Severity>, by: "cue" | "kind"): FindingGroup[] {
  const wanted = found.filter(({ severity }) => shown.has(severity));
  if (by === "cue")
    return [...groupBy(wanted, ({ list, cue }) => placeOf(list ?? "", cue ?? ""))].map(([id, findings]) => ({ id, findings }));
  const kinds = groupBy(wanted, ({ code }) => code);
  return KINDS.flatMap(([id]) => {
    const findings = kinds.get(id);
    return findings ? [{ id, findings }] : [];
  });
}
