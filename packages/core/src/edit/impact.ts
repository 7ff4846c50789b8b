import { groupBy } from "../show/groupBy.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { type Key, keyAt } from "../sheet/keys.ts";
import { sameValue } from "../sheet/look.ts";
import { type ListSheet, type ShowSheet, findRow } from "../sheet/sheet.ts";
import { traceOf } from "../sheet/trace.ts";
import type { CueStep, Step } from "./step.ts";

/** One value of one look that an edit changes; null is unset. */
export interface LookChange {
  cue: string;
  key: string;
  before: number | null;
  after: number | null;
}
/** What an edit does: the cues whose stored moves or times change, and every look that changes, key by key. */
export interface Impact {
  storedCues: string[];
  looks: LookChange[];
}

/** Compares two states of a show that the steps lead between. Cues that stand in only one of them have no look to compare. */
export function impactOf(before: ShowSheet, after: ShowSheet, steps: readonly Step[]): Impact {
  const impact: Impact = { storedCues: [], looks: [] };
  for (const [id, own] of groupBy(steps, (step) => step.list)) {
    const was = before.lists.get(id);
    const is = after.lists.get(id);
    if (!was || !is) continue;
    impact.storedCues.push(...storedCues(own));
    impact.looks.push(...lookChanges(was, is, own));
  }
  return impact;
}

function storedCues(steps: readonly Step[]): string[] {
  const cues = new Set(steps.filter((step) => step.at !== "cue" || changesRunning(step)).map((step) => step.cue));
  return [...cues].sort((a, b) => cueOrder(a) - cueOrder(b));
}

/** True for a change of a cue's own fields that alters what runs, not only what is written beside it. */
function changesRunning(step: CueStep): boolean {
  const running = ({ label: _l, note: _n, scene: _s, call: _c, ...rest }: NonNullable<CueStep["after"]>): string => JSON.stringify(rest);
  return !step.before || !step.after || running(step.before) !== running(step.after);
}

function lookChanges(was: ListSheet, is: ListSheet, steps: readonly Step[]): LookChange[] {
  const rows = is.cues.flatMap((cue, row) => {
    const old = findRow(was, cue.number);
    return old < 0 ? [] : [{ cue: cue.number, old, row }];
  });
  const changes: { row: number; key: Key; change: LookChange }[] = [];
  for (const key of keysTouched(is, steps)) {
    const old = traceOf(was, key).values;
    const now = traceOf(is, key).values;
    for (const at of rows) {
      const from = old[at.old] ?? Number.NaN;
      const to = now[at.row] ?? Number.NaN;
      if (!sameValue(from, to))
        changes.push({ row: at.row, key, change: { cue: at.cue, key: key.name, before: orNull(from), after: orNull(to) } });
    }
  }
  changes.sort((a, b) => a.row - b.row || a.key.ordinal - b.key.ordinal);
  return changes.map(({ change }) => change);
}

/** The keys whose looks can change; all of them where a wall or what a cue carries changes. */
function keysTouched(list: ListSheet, steps: readonly Step[]): readonly Key[] {
  if (steps.some((step) => step.at === "cue" && changesTracking(step))) return list.keys.all;
  const touched = new Set<Key>();
  for (const step of steps) {
    const key = step.at === "move" ? keyAt(list.keys, step.channel, step.attribute) : undefined;
    if (key) touched.add(key);
  }
  return [...touched];
}

function changesTracking({ before, after }: CueStep): boolean {
  const walls = (head: CueStep["after"]): string => `${head?.block === true}/${head?.carries ?? "track"}`;
  return walls(before) !== walls(after);
}

function orNull(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
