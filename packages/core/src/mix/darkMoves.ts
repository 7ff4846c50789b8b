// Marks while several lists run (docs/rules.md, Marks and 7): a light that its list has dark moves to where it will come up, unless something else lights it.
import { type Mark, markedKeys } from "../marks/mark.ts";
import { type Keys, intensityOf } from "../sheet/keys.ts";
import { curveByCode, curveCode } from "./curveCodes.ts";
import type { Layers } from "./layers.ts";
import type { ListRun } from "./listRun.ts";
import { TIME_EPSILON } from "./timeEpsilon.ts";

const EASE = curveCode("ease");
const AT_START = curveCode("atStart");

/**
 * Something that the run has to say: a mark that had to wait, actions in a circle.
 * `at` is seconds of the run's clock. Shown in Run, and kept by the log.
 */
export interface RunReport {
  readonly at: number;
  readonly code: "mark-lit" | "action-loop";
  readonly list: string;
  readonly cue: string | null;
  readonly message: string;
}

/**
 * Lets a dark light be sent where its mark wants it, from the moment at which its list has it dark. `due` is the list's own time.
 * A light that is dark already starts at `due`. Instructions that wait for its keys are dropped where they would take hold later
 * (docs/rules.md, Marks).
 */
export function awaitMark(
  layers: Layers,
  keys: Keys,
  run: ListRun,
  mark: Mark,
  { due, nextSequence }: { due: number; nextSequence: () => number },
): void {
  const level = intensityOf(keys, mark.channel);
  const dark = level ? darkFrom(layers, run, level.ordinal) : due;
  // A light that stays lit, because the show has changed since, moves with its cue.
  if (dark === Number.POSITIVE_INFINITY) return;
  const start = Math.max(due, dark) + mark.delay / run.rate;
  const moved = markedKeys(run.list, mark);
  const ordinals = new Set(moved.map(({ key }) => key.ordinal));
  run.waiting.drop((each) => each.what !== "wave" && ordinals.has(each.key) && each.due >= start - TIME_EPSILON);
  run.waiting.add(
    moved.map(({ key, to, fade }) => ({ due: start, sequence: nextSequence(), key: key.ordinal, what: "mark", to, fade, curve: EASE })),
  );
}

/** A level on its way: from where, to where, and when on its list's clock. */
interface Course {
  readonly from: number;
  readonly to: number;
  readonly start: number;
  readonly fade: number;
  readonly curve: number;
}

/** The moment of its own clock from which a list has a level at 0 for good, with what waits: -Infinity where it is dark, Infinity where it ends lit. */
function darkFrom(layers: Layers, run: ListRun, key: number): number {
  const courses: Course[] = [];
  const first = layers.ownCourse(key, run.source);
  if (first) courses.push(first);
  for (const { key: other, due, what, to, fade, curve } of run.waiting.all) {
    if (other !== key || what === "wave") continue;
    const before = courses.at(-1);
    courses.push({ from: before ? levelAt(before, due) : 0, to: what === "letGo" ? 0 : to, start: due, fade, curve });
  }
  if ((courses.at(-1)?.to ?? 0) > 0) return Number.POSITIVE_INFINITY;
  const last = courses.findLast(({ from }) => from > 0);
  return last ? last.start + (last.curve === AT_START ? 0 : last.fade) : Number.NEGATIVE_INFINITY;
}

function levelAt({ from, to, start, fade, curve }: Course, time: number): number {
  const elapsed = time - start;
  return elapsed >= fade ? to : from + (to - from) * curveByCode(curve, elapsed / fade);
}

/**
 * Moves a key of a light in the dark now, unless something else lights it: then it waits, and that is reported, once for each light.
 * `to` in the attribute's own unit, `fade` in seconds of the list. Empty where it could move at once.
 */
export function moveInDark(
  layers: Layers,
  keys: Keys,
  run: ListRun,
  move: { key: number; to: number; fade: number },
  now: number,
): RunReport[] {
  const channel = keys.all[move.key]?.channel ?? 0;
  const level = intensityOf(keys, channel);
  if (!level || layers.outWithout(level.ordinal, run.source) <= 0) {
    layers.takeHold(move.key, run.source, { to: move.to, fade: move.fade, curve: EASE });
    return [];
  }
  const isTold = run.marks.some((each) => each.channel === channel);
  run.marks.push({ channel, ...move });
  const message = `Light ${channel} is lit by something else while list ${run.list.id} would prepare it: its mark waits until it is dark.`;
  return isTold ? [] : [{ at: now, code: "mark-lit", list: run.list.id, cue: run.cue, message }];
}

/**
 * How many seconds from now the first light of a list's waiting marks is dark for good; Infinity where none will be with what runs now.
 * 0 where one is dark now. What is pressed or fired meanwhile can make it otherwise, so ask again behind each.
 */
export function secondsToWake(layers: Layers, keys: Keys, run: ListRun): number {
  return Math.min(
    ...run.marks.map(({ channel }) => {
      const level = intensityOf(keys, channel);
      return level ? Math.max(0, layers.secondsToDark(level.ordinal)) : 0;
    }),
  );
}

/**
 * Lets the marks of a list go on whose lights have gone dark meanwhile.
 * `layers` is at the moment that is looked at; call it when `secondsToWake` has come to 0.
 */
export function wakeMarks(layers: Layers, keys: Keys, run: ListRun): void {
  const waiting = run.marks;
  run.marks = [];
  for (const { channel, key, to, fade } of waiting) {
    const level = intensityOf(keys, channel);
    const isDark = !level || layers.secondsToDark(level.ordinal) <= TIME_EPSILON;
    if (isDark) layers.takeHold(key, run.source, { to, fade, curve: EASE });
    else run.marks.push({ channel, key, to, fade });
  }
}
