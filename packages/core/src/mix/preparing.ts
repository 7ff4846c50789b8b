import { type Mark, markedKeys } from "../marks/mark.ts";
import { marksMadeAt } from "../marks/marks.ts";
import { findRow } from "../sheet/sheet.ts";
import { type ListRun, runTime } from "./listRun.ts";
import type { Mix } from "./mix.ts";
import { slotOf } from "./layerTable.ts";

/**
 * Lights that move in the dark for a later cue, and how many seconds of the list's clock are left until they are there.
 * Shown in Run while lights move in the dark.
 */
export interface Preparing {
  readonly calledAt: string;
  readonly channels: readonly number[];
  readonly left: number;
  /** How long the last of them takes altogether, with what it waited. Seconds. */
  readonly lasts: number;
}

/**
 * What a list prepares behind the cue in which it stands, at a moment of the run's clock, by the cue it is prepared for. What is there
 * already is left out.
 * Empty where nothing moves in the dark for the list.
 */
export function preparing(mix: Mix, list: string, now: number): Preparing[] {
  const run = mix.lists.get(list);
  const row = run && run.cue !== null ? findRow(run.list, run.cue) : -1;
  if (!run || row < 0) return [];
  const byCue = new Map<string, { channels: number[]; left: number; lasts: number }>();
  for (const mark of marksMadeAt(run.list, row)) {
    const end = endOf(mix, run, mark);
    const left = end - runTime(run.clock, now);
    if (!(left > 0)) continue;
    const calledAt = run.list.cues[mark.calledAt]?.number ?? "";
    const own = byCue.get(calledAt) ?? { channels: [], left: 0, lasts: 0 };
    own.channels.push(mark.channel);
    own.left = Math.max(own.left, left);
    own.lasts = Math.max(own.lasts, end - run.firedAt);
    byCue.set(calledAt, own);
  }
  return [...byCue].map(([calledAt, own]) => ({ calledAt, ...own }));
}

/** When a mark's last key is there, on its list's clock; -Infinity where nothing of it waits or moves. */
function endOf({ scheduler: { table } }: Mix, run: ListRun, mark: Mark): number {
  let end = Number.NEGATIVE_INFINITY;
  for (const { key, to } of markedKeys(run.list, mark)) {
    const waits = run.waiting.all.find((each) => each.key === key.ordinal && each.what === "mark");
    const slot = slotOf(table, key.ordinal, run.source);
    if (waits) end = Math.max(end, waits.due + waits.fade);
    else if (table.to[slot] === to) end = Math.max(end, (table.start[slot] ?? 0) + (table.fade[slot] ?? 0));
  }
  return end;
}
