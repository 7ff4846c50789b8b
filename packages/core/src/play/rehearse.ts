import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { editParts } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type Playback, advance, fireNext, goTo, idlePlayback, keyOutput, nextRow } from "./playback.ts";

const pressSchema = z.union([
  z.strictObject({ t: z.number().min(0), go: z.literal(true) }),
  z.strictObject({ t: z.number().min(0), goto: editParts.cueNumber, time: editParts.seconds.optional() }),
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

/** Runs a list from rest with presses at given moments and samples every key that the list ever touches. */
export function rehearse(list: ListSheet, presses: readonly Press[], moments: readonly number[]): Sample[] {
  const pending = [...presses].sort((a, b) => a.t - b.t);
  const sampled = new Map<number, Sample>();
  let state = idlePlayback(list.id);
  for (const t of [...moments].sort((a, b) => a - b)) {
    for (let press = pending[0]; press && press.t <= t; press = pending[0]) {
      state = pressed(advance(state, list, press.t), list, press);
      pending.shift();
    }
    state = advance(state, list, t);
    sampled.set(t, sampleAt(state, list, t));
  }
  return moments.flatMap((t) => sampled.get(t) ?? []);
}

function pressed(state: Playback, list: ListSheet, press: Press): Playback {
  if ("goto" in press) return goTo(state, list, press.goto, press.t, press.time);
  const row = nextRow(state, list);
  return row < 0 ? state : fireNext(state, list, row, press.t);
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
