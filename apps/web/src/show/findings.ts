import { type Code, type Finding, type Severity, cueOrder, findingId, groupBy } from "@zm/core";
import { create } from "zustand";

/** What Check has found in the show as it was at a revision; null before it has looked. */
interface Findings {
  readonly show: number;
  readonly revision: number;
  /** All of them but those that somebody has accepted. */
  readonly found: readonly Finding[] | null;
  /** Those that somebody has accepted and that are found still, with the note. */
  readonly accepted: readonly AcceptedNow[];
  /** How many of weight each cue has, by list and number; hints are not counted. */
  readonly counts: ReadonlyMap<string, number>;
}

/** A finding that is accepted, and why. */
export interface AcceptedNow {
  readonly finding: Finding;
  readonly note: string;
}

const NOTHING: Findings = { show: 0, revision: -1, found: null, accepted: [], counts: new Map() };

/** What was found last, and the notes by the identity of the finding: either may come first. */
let all: readonly Finding[] | null = null;
let notes: ReadonlyMap<string, string> = new Map();

export const useFindings = create<Findings>(() => NOTHING);

/** Takes what was found in a show. */
export function receiveFindings(show: number, revision: number, found: readonly Finding[]): void {
  all = found;
  useFindings.setState({ show, revision, ...weighed(found) });
}

/** Takes what somebody has accepted, notes by the identity of the finding. */
export function receiveAccepted(accepted: ReadonlyMap<string, string>): void {
  notes = accepted;
  if (all) useFindings.setState(weighed(all));
}

/** Findings parted into those that stand and those that are accepted; those of weight counted cue by cue. */
function weighed(findings: readonly Finding[]): Pick<Findings, "found" | "accepted" | "counts"> {
  const found: Finding[] = [];
  const accepted: AcceptedNow[] = [];
  const counts = new Map<string, number>();
  for (const finding of findings) {
    const note = notes.get(findingId(finding));
    if (note !== undefined) {
      accepted.push({ finding, note });
      continue;
    }
    found.push(finding);
    const { list, cue, severity } = finding;
    if (list === null || cue === null || severity === "hint") continue;
    const place = placeOf(list, cue);
    counts.set(place, (counts.get(place) ?? 0) + 1);
  }
  return { found, accepted, counts };
}

/** Forgets the findings of a show that was left. */
export function leaveFindings(): void {
  all = null;
  notes = new Map();
  useFindings.setState(NOTHING);
}

/** The name of a cue among the counts. */
export function placeOf(list: string, cue: string): string {
  return `${list}/${cue}`;
}

/** What stands of the findings in cues of a list; the ends of the range are cue numbers, both included. */
export function findingsIn(list: string, { from, to }: { from: string; to: string }): Finding[] {
  const inside = (cue: string): boolean => cueOrder(cue) >= cueOrder(from) && cueOrder(cue) <= cueOrder(to);
  return (useFindings.getState().found ?? []).filter((each) => each.list === list && each.cue !== null && inside(each.cue));
}

/** The kinds of findings from the gravest to the lightest, and what each is called. */
export const KINDS = [
  ["mark-lit", "marked where it is lit"],
  ["lit-in-blackout", "lit in a blackout"],
  ["palette-gap", "a palette without a value"],
  ["patch-clash", "patch clash"],
  ["action-loop", "lists that start each other"],
  ["mark-late", "too little time in the dark"],
  ["moves-in-view", "moves in sight"],
  ["fades-overlap", "a fade is cut short"],
  ["dark-but-labelled-lit", "labelled lit, and dark"],
  ["leaks-past-wall", "leaks past a wall"],
  ["at-home-while-lit", "lit where it rests"],
  ["lit-unseen", "lit, and gives no light"],
  ["unreachable-cue", "out of reach"],
  ["call-adrift", "called on a word that nobody says"],
  ["call-needless", "called, and follows by itself"],
  ["never-stopped", "started, and never released"],
  ["not-running", "released, and not started"],
  ["dark-unwalled", "dark, and no wall"],
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
