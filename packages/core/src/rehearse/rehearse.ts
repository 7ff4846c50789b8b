import type { ShowSheet } from "../sheet/sheet.ts";
import { listOf } from "../sheet/sheet.ts";
import { runToEnd } from "../show/runToEnd.ts";
import { callMoment } from "../script/scriptTime.ts";
import { nextRow } from "../mix/follows.ts";
import { Mix } from "../mix/mix.ts";
import { type SimulatedRig, moveRig, simulatedRig } from "../output/simulatedRig.ts";
import { type Rehearsal, reported } from "./findings.ts";
import { isPressed, pressMoment } from "./presses.ts";
import { Watch } from "./watch.ts";

/** Lights are told anew so often: 40 times a second, as they are by the output. Seconds. */
const FRAME = 1 / 40;
/** After the last press the show is watched until nothing moves any more, at most so long. Seconds. */
const LONGEST_END = 600;
/** So many frames are made between two pauses. */
const BETWEEN_PAUSES = 400;

/** How much slower or faster than it is spoken a show can be called in a rehearsal. */
export const REHEARSAL_SPEEDS = { least: 0.1, most: 60 };

/** True for a speed at which a show can be rehearsed. */
export function isRehearsalSpeed(speed: number): boolean {
  return speed >= REHEARSAL_SPEEDS.least && speed <= REHEARSAL_SPEEDS.most;
}

/** How a show is rehearsed: a speed of 2 calls everything twice as soon, which lights and fades do not follow. */
export interface RehearsalWish {
  readonly speed?: number | undefined;
  readonly list?: string | undefined;
}

/**
 * Runs the whole show at the moments of its calls against lights that have the speeds of their types, without waiting, and tells what an audience would see that is hardly
 * meant (docs/running.md, Rehearsal). A cue without a call comes 8 s after the one before. Throws ShowError for a list that there is not.
 */
export function rehearse(sheet: ShowSheet, wish: RehearsalWish = {}): Rehearsal {
  return runToEnd(rehearseInSlices(sheet, wish));
}

/** As `rehearse`, as a computation that pauses every few hundred frames. The rehearsal is given back by the generator's return. */
export function* rehearseInSlices(sheet: ShowSheet, wish: RehearsalWish = {}): Generator<undefined, Rehearsal> {
  return (yield* runThrough(sheet, wish, Number.POSITIVE_INFINITY)).rehearsal;
}

/** The stage at one moment of a rehearsal, by key ordinal: what each key is told, and where a light as fast as its type has come. In the attribute's own unit. */
export interface RehearsalMoment {
  readonly target: Float64Array;
  readonly actual: Float64Array;
}

/**
 * The stage at a moment of a rehearsal, for a picture of what was found there: the show is run again up to it. Seconds of the rehearsal; past its end the stage at its end.
 * Costs as much as rehearsing up to that moment. Throws ShowError for a list that there is not.
 */
export function rehearsalMoment(sheet: ShowSheet, wish: RehearsalWish, moment: number): RehearsalMoment {
  const { target, actual } = runToEnd(runThrough(sheet, wish, moment)).rig;
  return { target: target.slice(), actual: actual.slice() };
}

/** Runs the show up to a moment, or to its end: what was found, and the lights as they stand then. */
function* runThrough(
  sheet: ShowSheet,
  { speed = 1, list: id }: RehearsalWish,
  until: number,
): Generator<undefined, { readonly rehearsal: Rehearsal; readonly rig: SimulatedRig }> {
  const list = listOf(sheet, id);
  const { script } = sheet.show;
  const mix = new Mix(sheet);
  const rig = simulatedRig(sheet.keys);
  const watch = new Watch(list, rig);
  const assumed = list.cues.flatMap((cue, row) => (isPressed(list, row) && callMoment(script, cue.call) === null ? [cue.number] : []));
  const run = mix.lists.get(list.id);
  if (!run || list.cues.length === 0) return { rehearsal: { clean: true, seconds: 0, assumed, findings: [] }, rig };
  let now = 0;
  let step = 0;
  let last: number | null = null;
  let endsBy = Number.POSITIVE_INFINITY;
  const hear = (): void => {
    mix.reports.length = 0;
    if (mix.log.length === 0) return;
    for (const { list: of, cue, at } of mix.log.splice(0)) {
      if (of !== list.id) continue;
      last = at;
      watch.fired(
        list.cues.findIndex(({ number }) => number === cue),
        at,
      );
    }
  };
  for (let frames = 0; ; frames += 1) {
    const row = nextRow(run);
    const press = row >= 0 && isPressed(list, row) ? pressMoment(list, script, row, last, speed) : Number.POSITIVE_INFINITY;
    if (press <= now) {
      mix.go(list.id, now);
      hear();
      continue;
    }
    if (row < 0) endsBy = Math.min(endsBy, now + LONGEST_END);
    mix.frame(now, rig.target);
    hear();
    const travels = moveRig(rig, step);
    watch.look(now);
    if (now > endsBy || now >= until) break;
    const rests = !travels && watch.isQuiet && !mix.isMoving(now);
    if (rests && row < 0) break;
    // Nothing happens before the next press: nobody needs to watch.
    const next = Math.min(until, rests && press < Number.POSITIVE_INFINITY ? press : Math.min(now + FRAME, press));
    step = rests ? 0 : next - now;
    now = next;
    if (frames % BETWEEN_PAUSES === BETWEEN_PAUSES - 1) yield;
  }
  const findings = watch.findings();
  return { rehearsal: { clean: findings.length === 0, seconds: reported(now), assumed, findings }, rig };
}
