import type { Keys } from "../sheet/keys.ts";
import type { Transition } from "../time/transition.ts";
import { curveCode } from "./curveCodes.ts";
import type { ListRun } from "./listRun.ts";
import type { ScheduledChange } from "./scheduledChange.ts";
import { TIME_EPSILON } from "./timeEpsilon.ts";

const LINEAR = curveCode("linear");

/** What a list has been told by a cue: the transition, the list's own time at its Go, and by key ordinal the look that it goes to. */
interface FiredTransition {
  readonly due: number;
  readonly transition: Transition;
  readonly shown: Float64Array;
}

/**
 * Lets what a transition tells wait for its delay, and drops what waits for the same keys with it or later (docs/rules.md, Playing and 7): a newer instruction
 * is never taken back by an older one.
 * `nextSequence` gives the next number in the order of what was asked for, by which things at one moment are told apart.
 */
export function awaitTransition(run: ListRun, keys: Keys, { due, transition, shown }: FiredTransition, nextSequence: () => number): void {
  const added: ScheduledChange[] = [];
  const last = new Map<number, { due: number; same: boolean }>();
  const isLevel = (key: number): boolean => keys.all[key]?.attribute.family === "intensity";
  const isHeld = (key: number): boolean => !Number.isNaN(shown[key] ?? Number.NaN);
  const put = (key: number, delay: number, what: ScheduledChange["what"], to: number, fade: number, curve: number): void => {
    const at = due + delay;
    last.set(key, { due: at, same: what !== "letGo" || isLevel(key) });
    added.push({ due: at, sequence: nextSequence(), key, what, to, fade, curve });
  };
  for (const { key, to, delay, fade, curve } of transition.runs) {
    const what = isHeld(key.ordinal) ? "take" : key.attribute.family === "intensity" ? "letGo" : "rest";
    put(key.ordinal, delay, what, to, fade, curveCode(curve));
  }
  for (const { key, delay, fade } of transition.letGo) put(key.ordinal, delay, "letGo", 0, fade, LINEAR);
  // What an older cue was to let go of, and the look holds where it stands, is held on.
  const newest = new Map(run.waiting.all.filter(({ what }) => what !== "wave").map((each) => [each.key, each]));
  const isStale = (each: ScheduledChange): boolean =>
    each.what === "letGo" && newest.get(each.key) === each && isHeld(each.key) && !isLevel(each.key);
  run.waiting.drop((each) => {
    const newer = each.what === "wave" ? undefined : last.get(each.key);
    if (!newer) return isStale(each);
    return newer.same ? each.due >= newer.due - TIME_EPSILON : each.due > newer.due + TIME_EPSILON;
  });
  run.waiting.add(added);
}
