import { groupBy } from "../show/groupBy.ts";
import { count } from "../show/words.ts";
import type { Rehearsal, RehearsalCode, RehearsalFinding } from "./findings.ts";

/** What each kind of finding is called where it is counted. */
const COUNTED: Record<RehearsalCode, string> = {
  "sweep-seen": "sweep",
  late: "late move",
  "cut-short": "cut fade",
  "dark-missed": "lit blackout",
};

/** What one rehearsal found and another did not; each is in the order of its rehearsal. */
export interface RehearsalChange {
  /** Found after and not before. */
  readonly appeared: readonly RehearsalFinding[];
  /** Found before and not after. */
  readonly gone: readonly RehearsalFinding[];
}

/**
 * What has come and what has gone between two rehearsals.
 * A finding is the same where kind, cue and key are: how long it lasts may have changed.
 */
export function compareRehearsals(before: Rehearsal, after: Rehearsal): RehearsalChange {
  const [had, has] = [before, after].map(({ findings }) => new Set(findings.map(rehearsalFindingId)));
  return {
    appeared: after.findings.filter((finding) => !had?.has(rehearsalFindingId(finding))),
    gone: before.findings.filter((finding) => !has?.has(rehearsalFindingId(finding))),
  };
}

/** What makes a finding the same one in another rehearsal: its kind, its cue and its key. */
export function rehearsalFindingId({ code, cue, key }: RehearsalFinding): string {
  return `${code} ${cue} ${key}`;
}

/** So many findings of one kind: "3 sweeps". */
export function rehearsalKindWords(code: RehearsalCode, number: number): string {
  return count(number, COUNTED[code]);
}

/** "3 sweeps, 1 cut fade", or "clean": what was found, counted kind by kind. */
export function rehearsalWords({ findings }: Pick<Rehearsal, "findings">): string {
  const words = rehearsalKinds(findings).map(([code, number]) => {
    // One light may be seen many times.
    const lights = new Set(findings.flatMap((finding) => (finding.code === code ? [finding.channel] : []))).size;
    return `${rehearsalKindWords(code, number)}${lights === number ? "" : ` of ${count(lights, "light")}`}`;
  });
  return words.length === 0 ? "clean" : words.join(", ");
}

/** The kinds that findings are of, in the order in which they are told, with how many there are. */
export function rehearsalKinds(findings: readonly RehearsalFinding[]): (readonly [RehearsalCode, number])[] {
  const kinds: RehearsalCode[] = ["sweep-seen", "late", "cut-short", "dark-missed"];
  return kinds
    .map((code) => [code, findings.filter((finding) => finding.code === code).length] as const)
    .filter(([, number]) => number > 0);
}

/** Findings that differ in nothing but the light: one thing to see, and one to mend. */
export interface RehearsalAlike {
  readonly findings: readonly [RehearsalFinding, ...RehearsalFinding[]];
  /** The lights, in the order in which they were found. */
  readonly channels: readonly number[];
}

/**
 * Gathers findings that are the same for several lights: of one kind, in one cue, of one attribute, at one moment and as long, to a tenth of a second.
 * They stay in the order of the first of each.
 */
export function alikeFindings(findings: readonly RehearsalFinding[]): RehearsalAlike[] {
  const groups = groupBy(findings, ({ code, cue, key, at, seconds }) =>
    [code, cue, key.slice(key.indexOf(".")), at.toFixed(1), seconds.toFixed(1)].join(" "),
  );
  return [...groups.values()].flatMap(([first, ...others]): RehearsalAlike[] => {
    if (!first) return [];
    return [{ findings: [first, ...others], channels: [first, ...others].map(({ channel }) => channel) }];
  });
}
