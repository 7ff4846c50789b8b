import { z } from "zod";
import { ShowError } from "../../../src/show/errors.ts";
import { faultsOf } from "../../../src/show/faults.ts";
import { editParts } from "../../../src/show/schema.ts";
import type { ListSheet } from "../../../src/sheet/sheet.ts";
import { type ListClock, holdClock, listTime, resumeClock } from "./clock.ts";
import { type Playback, fireNext, goBack, goTo, idlePlayback, keyOutput, nextRow } from "./playback.ts";
import { advance } from "./firing.ts";

const t = z.number().min(0).max(1e6);
const pressSchema = z.union([
  z.strictObject({ t, go: z.literal(true) }),
  z.strictObject({ t, goto: editParts.cueNumber, time: editParts.seconds.optional() }),
  z.strictObject({ t, back: z.literal(true) }),
  z.strictObject({ t, hold: z.boolean() }),
]);

/** Something pressed at a moment of a run, in seconds. */
export type Press = z.infer<typeof pressSchema>;

/** The stage at one moment of a run, as plain data. */
export interface Sample {
  t: number;
  cue: string | null;
  values: Record<string, Record<string, number>>;
}

/** Reads a run file: an array of presses. Throws ShowError naming the entry that is wrong. */
export function readRun(raw: unknown): Press[] {
  const parsed = z.array(pressSchema).safeParse(raw);
  if (parsed.success) return parsed.data;
  throw new ShowError(faultsOf(parsed.error, raw).map((fault) => `The run: ${fault}`));
}

/** A list that runs, and its clock. */
interface Running {
  readonly playback: Playback;
  readonly clock: ListClock;
}

/** Runs a list from rest with presses at given moments and samples every key that the list ever touches. */
export function rehearse(list: ListSheet, presses: readonly Press[], moments: readonly number[]): Sample[] {
  const pending = [...presses].sort((a, b) => a.t - b.t);
  const sampled = new Map<number, Sample>();
  let running: Running = { playback: idlePlayback(list.id), clock: { at: 0, seconds: 0, held: false } };
  for (const moment of [...moments].sort((a, b) => a - b)) {
    for (let press = pending[0]; press && press.t <= moment; press = pending[0]) {
      running = pressed(advanced(running, list, press.t), list, press);
      pending.shift();
    }
    running = advanced(running, list, moment);
    sampled.set(moment, { ...sampleAt(running.playback, list, listTime(running.clock, moment * 1000)), t: moment });
  }
  return moments.flatMap((moment) => sampled.get(moment) ?? []);
}

/** The list run on to a moment. Seconds of the run. */
function advanced({ playback, clock }: Running, list: ListSheet, moment: number): Running {
  return { playback: advance(playback, list, listTime(clock, moment * 1000)), clock };
}

/** While a list is held, a Go lets it go on and fires nothing; any other press lets it go on and does what it says. */
function pressed({ playback, clock }: Running, list: ListSheet, press: Press): Running {
  const at = press.t * 1000;
  if ("hold" in press) return { playback, clock: press.hold ? holdClock(clock, at) : resumeClock(clock, at) };
  const resumed = resumeClock(clock, at);
  if ("go" in press && clock.held) return { playback, clock: resumed };
  return { playback: fired(playback, list, press, listTime(resumed, at)), clock: resumed };
}

/** What a press does at a moment of the list's time. */
function fired(playback: Playback, list: ListSheet, press: Exclude<Press, { hold: boolean }>, now: number): Playback {
  if ("goto" in press) return goTo(playback, list, press.goto, now, press.time);
  if ("back" in press) return goBack(playback, list, now) ?? playback;
  const row = nextRow(playback, list);
  return row < 0 ? playback : fireNext(playback, list, row, now);
}

/** The output of every key that the list ever touches. */
export function sampleAt(state: Playback, list: ListSheet, t: number): Sample {
  const values: Sample["values"] = {};
  for (const key of list.keys.all) {
    if ((list.columns[key.ordinal]?.rows.length ?? 0) === 0) continue;
    (values[key.channel] ??= {})[key.attribute.id] = keyOutput(state, key, t);
  }
  return { t, cue: state.cue, values };
}
