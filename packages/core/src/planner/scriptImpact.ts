// What a change of the play or of the calls does to the times between cues, and to the marks that need those times.
import { lengthWords } from "../time/timeWords.ts";
import { sameData } from "../show/sameData.ts";
import { count, listed } from "../show/words.ts";
import { knownTimes } from "../script/expected.ts";
import { playSeconds } from "../script/scriptTime.ts";
import type { Cue, Script } from "../show/schema.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { planMarks } from "./plan.ts";

/** Times that differ by less are the same. Seconds. */
const TIME_EPSILON = 0.05;

/** The time from the cue before to a cue, before and after a change; null where nobody knows it. Seconds. */
export interface GapChange {
  readonly cue: string;
  readonly since: string;
  readonly before: number | null;
  readonly after: number | null;
}

/** What a change does to the play and to what depends on it. Lengths in seconds. */
export interface ScriptImpact {
  readonly length: { readonly before: number; readonly after: number };
  /** How many lines change, come and go. */
  readonly lines: { readonly changed: number; readonly come: number; readonly gone: number };
  readonly gaps: readonly GapChange[];
  /** Marks that have too little time afterwards and had enough before, by light and the cue that calls it; and the other way round. */
  readonly late: readonly string[];
  readonly mended: readonly string[];
}

/**
 * Compares the times of two states of a show whose cues are the same: how long the play is, how long it is from each cue to the next, and which marks have too little time.
 * Only the list that is named is compared. Costs a plan of all marks of both states.
 */
export function scriptImpact(before: ShowSheet, after: ShowSheet, list: string): ScriptImpact {
  const [was, is] = [before.lists.get(list), after.lists.get(list)];
  const length = { before: lengthOf(before.show.script), after: lengthOf(after.show.script) };
  const lines = lineChanges(before.show.script, after.show.script);
  if (!was || !is) return { length, lines, gaps: [], late: [], mended: [] };
  const [old, now] = [lateMarks(was, before.show.script), lateMarks(is, after.show.script)];
  return {
    length,
    lines,
    gaps: gapChanges(was, before.show.script, is, after.show.script),
    late: [...now].filter((name) => !old.has(name)),
    mended: [...old].filter((name) => !now.has(name)),
  };
}

/** How long a play is; 0 for none. Seconds. */
function lengthOf(script: Script | undefined): number {
  return script ? playSeconds(script) : 0;
}

/** How many lines change, come and go; a line is the same by its id. */
function lineChanges(before: Script | undefined, after: Script | undefined): ScriptImpact["lines"] {
  const [was, is] = [before, after].map((script) => new Map((script?.lines ?? []).map((line) => [line.id, line])));
  const stay = [...(is?.values() ?? [])].filter(({ id }) => was?.has(id));
  return {
    changed: stay.filter((line) => !sameData(was?.get(line.id), line)).length,
    come: (is?.size ?? 0) - stay.length,
    gone: (was?.size ?? 0) - stay.length,
  };
}

/** The times to the next cue that differ; cues that stand in only one of the states are left out. */
function gapChanges(was: ListSheet, oldScript: Script | undefined, is: ListSheet, newScript: Script | undefined): GapChange[] {
  const [old, now] = [knownTimes(was, oldScript), knownTimes(is, newScript)];
  const rows = new Map(was.cues.map(({ number }, row) => [number, row]));
  return is.cues.flatMap((cue, row) => {
    const [since, place] = [is.cues[row - 1], rows.get(cue.number)];
    if (!since || place === undefined || was.cues[place - 1]?.number !== since.number) return [];
    const [before, after] = [old(place - 1, place)?.seconds ?? null, now(row - 1, row)?.seconds ?? null];
    const same = before === null || after === null ? before === after : Math.abs(before - after) < TIME_EPSILON;
    return same ? [] : [{ cue: cue.number, since: since.number, before, after }];
  });
}

/** The marks that have too little time: "61 in 14". */
function lateMarks(list: ListSheet, script: Script | undefined): Set<string> {
  const late = planMarks(list, script).filter(({ report }) => report === "mark-late");
  return new Set(late.map(({ mark }) => `${mark.channel} in ${numberOf(list.cues[mark.calledAt])}`));
}

function numberOf(cue: Cue | undefined): string {
  return cue?.number ?? "";
}

/**
 * What a change of the play does, as sentences without full stops; none where no time changes.
 * At most three gaps and three marks are named, the rest counted.
 */
export function scriptImpactWords({ length, lines, gaps, late, mended }: ScriptImpact): string[] {
  const told = [
    ...(lines.changed > 0 ? [`${count(lines.changed, "line")} changed`] : []),
    ...(lines.come > 0 ? [`${lines.come} more`] : []),
    ...(lines.gone > 0 ? [`${lines.gone} cut`] : []),
  ];
  const longer = length.after - length.before;
  return [
    ...(told.length > 0 ? [`In the script: ${told.join(", ")}`] : []),
    ...(Math.abs(longer) < TIME_EPSILON
      ? []
      : [`The play takes ${lengthWords(Math.abs(longer))} ${longer > 0 ? "longer" : "less"}: ${lengthWords(length.after)}`]),
    ...gaps
      .slice(0, 3)
      .map(
        ({ cue, since, before, after }) =>
          `Cue ${cue} comes ${after === null ? "at a moment that nobody knows" : `${lengthWords(after)} after ${since}`}${before === null ? "" : `, before it was ${lengthWords(before)}`}`,
      ),
    ...(gaps.length > 3 ? [`and ${gaps.length - 3} more cues come sooner or later after the one before`] : []),
    ...(late.length > 0 ? [`Too little time to be prepared then: ${listed(late)}`] : []),
    ...(mended.length > 0 ? [`Enough time to be prepared then: ${listed(mended)}`] : []),
  ];
}
