import type { RunReport } from "./darkMoves.ts";
import type { ListRun } from "./listRun.ts";
import { SLACK } from "./slack.ts";

/** One list fires at most so often at one moment: actions that start each other round and round end here (section 9 of the running rules). */
const MOST_FIRINGS = 100;

/**
 * Counts how often each list fires at one moment.
 * The hundredth firing of one list at one moment is refused and told (section 9 of the running rules).
 */
export class FiringGuard {
  private readonly firings = new Map<string, number>();
  private moment = Number.NaN;

  /** True where a list has fired so often at this moment that it must not again; told once, in `reports`. */
  refuses(run: ListRun, now: number, reports: RunReport[]): boolean {
    if (!(Math.abs(now - this.moment) <= SLACK)) {
      this.firings.clear();
      this.moment = now;
    }
    const times = (this.firings.get(run.list.id) ?? 0) + 1;
    this.firings.set(run.list.id, times);
    if (times === MOST_FIRINGS) reports.push(circle(run, now));
    return times >= MOST_FIRINGS;
  }
}

function circle({ list, cue }: ListRun, at: number): RunReport {
  const message = `List ${list.id} was to fire ${MOST_FIRINGS} times at one moment: actions start each other round and round. It stays in cue ${cue ?? "none"}.`;
  return { at, code: "action-loop", list: list.id, cue, message };
}
