import type { Script } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { callMoment } from "./scriptTime.ts";
import { expectedTimes } from "./expected.ts";

/** So many seconds before its call a standby is told where the show says nothing (docs/running.md, Rehearsal). */
export const STANDBY_SECONDS = 5;

/** A call of a cue and the standby that comes before it, as a stage manager writes them. Moments are seconds from the script's first word. */
export interface CueCall {
  readonly row: number;
  readonly cue: string;
  readonly call: number;
  readonly standby: number;
}

/**
 * The cues that are called from the script, in the order of the list, each with the moments of its call and of its standby: so many seconds before the call, never before the
 * Go of the cue before (docs/running.md, Rehearsal). Cues that follow by themselves are not called; those without a place in the script are left out.
 */
export function cueCalls(list: ListSheet, script: Script | undefined): CueCall[] {
  if (!script) return [];
  const lead = script.standby ?? STANDBY_SECONDS;
  const expected = expectedTimes(list, script);
  return list.cues.flatMap((cue, row) => {
    const call = cue.trigger?.type === "follow" && row > 0 ? null : callMoment(script, cue.call);
    if (call === null) return [];
    const before = row > 0 ? (expected[row - 1] ?? null) : null;
    return [{ row, cue: cue.number, call, standby: Math.min(call, Math.max(call - lead, before ?? 0)) }];
  });
}
