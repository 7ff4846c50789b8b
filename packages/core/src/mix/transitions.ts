import { markedInto } from "../marks/marks.ts";
import { EMPTY_COLUMN } from "../sheet/column.ts";
import { columnOf, sameValue } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { restingAt } from "../sheet/rest.ts";
import { cueAt } from "../sheet/sheet.ts";
import { timingOf } from "../time/times.ts";
import { type Run, type Transition, firstPart, transitionFrom } from "../time/transition.ts";
import { curveCode } from "./curveCodes.ts";
import type { Layers } from "./layers.ts";
import type { ListRun } from "./listRun.ts";
import type { ScheduledChange } from "./scheduledChange.ts";
import { TIME_EPSILON } from "./timeEpsilon.ts";

const AT_START = curveCode("atStart");

/**
 * The transition of a row that is fired in its order, after the look that its list fired last. A key that a mark has prepared is out of
 * it.
 * The look fired last counts, and not what is on stage: that is what makes the list the same every night.
 */
export function transitionNext(layers: Layers, run: ListRun, row: number): Transition {
  const marked = markedInto(run.list, row);
  const isMarked = ({ ordinal }: Key): boolean => sameValue(marked.get(ordinal) ?? Number.NaN, destination(layers, run, ordinal));
  return transitionFrom(run.list, row, ({ ordinal }) => run.onStage[ordinal] ?? Number.NaN, { everyKey: true, isMarked });
}

/**
 * Where a key of a list will be when all that it was told is done.
 * In the attribute's own unit. What still waits for its delay counts as done.
 */
export function destination(layers: Layers, run: ListRun, key: number): number {
  const newest = run.waiting.all.findLast((each) => each.key === key && (each.what === "take" || each.what === "mark"));
  return newest ? newest.to : layers.destination(key, run.source);
}

/** What a go-to is computed with: the look that it goes to, the list's own time, and the time that every key takes where one is said. Seconds. */
interface Going {
  readonly shown: Float64Array;
  readonly now: number;
  readonly time: number | undefined;
}

/**
 * The transition out of order: from what is on stage, and with every key that the look does not hold going where running in order would
 * have left it.
 * A `time` gives that fade and no delay to every key (docs/rules.md, Playing).
 */
export function transitionTo(layers: Layers, run: ListRun, row: number, { shown, now, time }: Going): Transition {
  const { list, source } = run;
  const inLook = ({ ordinal }: Key): boolean => !Number.isNaN(shown[ordinal] ?? Number.NaN);
  const wasInLook = ({ ordinal }: Key): boolean => !Number.isNaN(run.onStage[ordinal] ?? Number.NaN);
  const waiting = waitingByKey(run, now);
  const output = (key: Key): number => jumpDue(waiting.get(key.ordinal)?.due) ?? layers.startFor(key.ordinal, source);
  const { runs } = transitionFrom(list, row, (key) => (wasInLook(key) || inLook(key) ? output(key) : Number.NaN), {
    everyKey: true,
    isMarked: () => false,
  });
  const running = new Set(runs.map(({ key }) => key.ordinal));
  const first = firstPart(cueAt(list, row));
  // What jumps at this very moment to where the look wants it jumps all the same, and is held there.
  const held: Run[] = [];
  const resting = list.keys.all.flatMap((key): Run[] => {
    if (running.has(key.ordinal)) return [];
    const isLevel = key.attribute.family === "intensity";
    const to = restingAt(list, key, row);
    const { due, later = false } = waiting.get(key.ordinal) ?? {};
    const from = output(key);
    const end = due === undefined ? layers.destination(key.ordinal, source) : due.what === "letGo" ? 0 : due.to;
    // What another source holds or has left where it is, and what this list never sets, is not moved; of what the list has itself it lets go.
    const isOwn = due !== undefined || later || layers.has(key.ordinal, source);
    if (!inLook(key) && !isOwn && (layers.isOthers(key.ordinal, source) || columnOf(list, key) === EMPTY_COLUMN)) return [];
    const isThere = sameValue(from, to) && sameValue(end, to) && !later;
    if (isThere && !inLook(key)) return [];
    if (isThere && due) held.push({ key, from: to, to, delay: 0, fade: 0, curve: "linear", cause: "implied", part: first.number });
    if (isThere && (due || layers.holds(key.ordinal, source))) return [];
    if (isLevel && !inLook(key) && !layers.has(key.ordinal, source) && !later && !due) return [];
    return [{ key, from, to, ...timingOf(key.attribute, undefined, first, from, to), cause: "implied", part: first.number }];
  });
  const all = [...runs, ...resting];
  const timed = time === undefined ? all : all.map((each) => ({ ...each, delay: 0, fade: time }));
  return { runs: [...timed, ...held], letGo: [] };
}

/** What waits for a key: the newest that is due by now, and whether something is due later that would move it. */
interface WaitingForKey {
  due?: ScheduledChange;
  later?: boolean;
}

function waitingByKey(run: ListRun, now: number): Map<number, WaitingForKey> {
  const found = new Map<number, WaitingForKey>();
  for (const each of run.waiting.all) {
    // What is let go of and is no level is not moved by it.
    const stays = each.what === "letGo" && run.list.keys.all[each.key]?.attribute.family !== "intensity";
    if (each.what === "wave" || stays) continue;
    const own = found.get(each.key) ?? {};
    if (each.due <= now + TIME_EPSILON) own.due = each;
    else own.later = true;
    found.set(each.key, own);
  }
  return found;
}

/** Where a key is about to jump at this very moment; undefined where nothing is due that jumps. */
function jumpDue(due: ScheduledChange | undefined): number | undefined {
  if (!due) return undefined;
  if (due.what === "letGo") return due.fade === 0 ? 0 : undefined;
  return due.fade === 0 || due.curve === AT_START ? due.to : undefined;
}

/**
 * A transition of a list that runs so many times as fast as usual.
 * Delays and fades divided by the rate. Gives the same transition back at a rate of 1.
 */
export function atRate({ runs, letGo }: Transition, rate: number): Transition {
  if (rate === 1) return { runs, letGo };
  const quicker = <T extends { readonly delay: number; readonly fade: number }>(each: T): T => ({
    ...each,
    delay: each.delay / rate,
    fade: each.fade / rate,
  });
  return { runs: runs.map(quicker), letGo: letGo.map(quicker) };
}
