import type { RunReport } from "./darkMoves.ts";
import type { ListRun } from "./listRun.ts";
import { TIME_EPSILON } from "./timeEpsilon.ts";

/** One list fires at most so often at one moment: actions that start each other round and round end here (docs/running.md, Actions). */
const MOST_AT_ONCE = 100;
/** One list fires at most so often within a second: more is no chase, and would leave no time for the frames of everybody else. */
const MOST_A_SECOND = 500;

/** How often a list has fired: at the newest moment, and since the second began that is counted now. Seconds of the run's clock. */
interface Firings {
  moment: number;
  atOnce: number;
  began: number;
  inSecond: number;
}

/**
 * Counts how often each list fires, at one moment and within a second.
 * The hundredth firing of one list at one moment is refused and told (docs/running.md, Actions), and so is what comes faster than any chase. A caller that asks
 * then stops what would fire the list again by itself.
 */
export class FiringGuard {
  private readonly firings = new Map<string, Firings>();

  /** True where a list has fired so often that it must not again; told once for each moment or second, in `reports`. */
  refuses(run: ListRun, now: number, reports: RunReport[]): boolean {
    const own = this.firings.get(run.list.id) ?? { moment: now, atOnce: 0, began: now, inSecond: 0 };
    this.firings.set(run.list.id, own);
    if (!(Math.abs(now - own.moment) <= TIME_EPSILON)) Object.assign(own, { moment: now, atOnce: 0 });
    if (!(now - own.began < 1)) Object.assign(own, { began: now, inSecond: 0 });
    own.atOnce += 1;
    own.inSecond += 1;
    if (own.atOnce === MOST_AT_ONCE)
      reports.push(circle(run, now, `${MOST_AT_ONCE} times at one moment: actions start each other round and round`));
    else if (own.inSecond === MOST_A_SECOND)
      reports.push(circle(run, now, `${MOST_A_SECOND} times within a second, faster than any chase`));
    return own.atOnce >= MOST_AT_ONCE || own.inSecond >= MOST_A_SECOND;
  }
}

function circle({ list, cue }: ListRun, at: number, how: string): RunReport {
  const message = `List ${list.id} was to fire ${how}. It is stopped and stays in cue ${cue ?? "none"}; Go fires its next cue again.`;
  return { at, code: "action-loop", list: list.id, cue, message };
}
