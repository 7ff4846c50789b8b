import type { Key, Keys } from "../sheet/keys.ts";
import { emptyState, stateAt } from "../sheet/checkpoints.ts";
import { sameValue } from "../sheet/entry.ts";
import { cueAt } from "../sheet/sheet.ts";
import { curveCode } from "./curveCodes.ts";
import type { Layers } from "./layers.ts";
import type { ListRun } from "./listRun.ts";
import { destination } from "./transitions.ts";

/** What was at rest and gets another value takes this long to it: quick, and no jump. Seconds. */
export const SETTLING = 1;
const EASE = curveCode("ease");
const LINEAR = curveCode("linear");

/** Where a list is to stand: its row, -1 before the first, and its own time now. */
interface Standing {
  readonly row: number;
  readonly due: number;
  /** In how many seconds what was at rest goes to what it now is. */
  readonly fade: number;
  readonly nextSequence: () => number;
}

/**
 * Makes a list stand in a row without firing it: every key of which the look says something else than what is on stage ends there.
 * Used after an edit of the cue on stage: lights go to what the cue now says, in `fade` seconds; `SETTLING` where nothing is said of it.
 */
export function settleRun(layers: Layers, keys: Keys, run: ListRun, { row, due, fade, nextSequence }: Standing): void {
  const shown = row < 0 ? new Float64Array(keys.all.length).fill(Number.NaN) : stateAt(run.list, row, emptyState(run.list)).values;
  for (const key of keys.all) settleKey(layers, run, key, { after: shown[key.ordinal] ?? Number.NaN, due, fade, nextSequence });
  run.onStage = shown;
  run.cue = row < 0 ? null : cueAt(run.list, row).number;
}

function settleKey(
  layers: Layers,
  run: ListRun,
  key: Key,
  { after, due, fade: seconds, nextSequence }: { after: number } & Omit<Standing, "row">,
): void {
  const { ordinal } = key;
  const before = run.onStage[ordinal] ?? Number.NaN;
  if (sameValue(before, after)) return;
  const isLevel = key.attribute.family === "intensity";
  const waits = run.waiting.all.filter((each) => each.key === ordinal && each.what !== "wave");
  if (Number.isNaN(after)) {
    run.waiting.drop((each) => waits.includes(each));
    layers.letGo(ordinal, run.source, seconds, LINEAR);
    return;
  }
  // A dark light that a mark has sent elsewhere stays where it is prepared.
  if (!isLevel && !Number.isNaN(before) && !sameValue(destination(layers, run, ordinal), before)) return;
  const newest = waits.at(-1);
  if (newest) {
    run.waiting.drop((each) => each === newest);
    run.waiting.add([{ ...newest, due: Math.max(newest.due, due), sequence: nextSequence(), what: "take", to: after }]);
    return;
  }
  const fade = key.attribute.snap ? 0 : seconds;
  if (layers.holds(ordinal, run.source)) layers.retarget(ordinal, run.source, after, fade, EASE);
  else layers.takeHold(ordinal, run.source, { to: after, fade, curve: EASE });
}
