import { keyName } from "../show/keyName.ts";
import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { BEATS, LEVEL, LONGEST_KEY, MOST_LIGHTS, RATE } from "../show/limits.ts";
import { editParts } from "../show/schema.ts";
import { type ShowSheet, listOf } from "../sheet/sheet.ts";
import { wavesOf } from "../sheet/waves.ts";
import { applyOverlay, overlayAt } from "./overlay.ts";
import { Mix } from "./mix.ts";

const t = z.number().min(0).max(1e9);
const list = editParts.id.optional();
const time = editParts.seconds.optional();
const level = z.number().min(LEVEL.least).max(LEVEL.most);
/**
 * Something pressed at a moment of a run.
 * The entries of a run file, as FORMAT lists them, and what the server takes from windows.
 */
export const mixPressSchema = z.union([
  z.strictObject({ t, list, go: z.literal(true) }),
  z.strictObject({ t, list, goto: editParts.cueNumber, time }),
  z.strictObject({ t, list, back: z.literal(true) }),
  z.strictObject({ t, list, hold: z.boolean() }),
  z.strictObject({ t, list, release: z.literal(true), time }),
  z.strictObject({ t, list, master: level, time }),
  z.strictObject({ t, list, fader: level, time }),
  z.strictObject({ t, list, catch: z.literal(true) }),
  z.strictObject({ t, list, rate: z.number().min(RATE.least).max(RATE.most) }),
  z.strictObject({ t, look: editParts.id, level, time }),
  z.strictObject({ t, tempo: editParts.id, perMinute: z.number().min(BEATS.least).max(BEATS.most) }),
  z.strictObject({ t, standby: z.array(z.strictObject({ list: editParts.id, cue: editParts.cueNumber })) }),
  z.strictObject({ t, fire: z.literal(true) }),
  z.strictObject({ t, grand: level, time }),
  z.strictObject({ t, blackout: z.boolean(), time }),
  z.strictObject({ t, solo: z.union([z.strictObject({ list: editParts.id }), z.strictObject({ look: editParts.id })]).nullable() }),
  z.strictObject({ t, identify: z.array(editParts.channelNumber).max(MOST_LIGHTS) }),
  z.strictObject({ t, park: z.record(z.string().max(LONGEST_KEY), editParts.number.nullable()) }),
  z.strictObject({ t, allOff: z.literal(true), time: editParts.seconds }),
]);

/**
 * Something pressed at a moment of a run, in seconds; without a list it speaks of the show's first.
 * Levels and masters are per cent, rates times as fast.
 */
export type MixPress = z.infer<typeof mixPressSchema>;

/**
 * The stage at one moment of a run, as plain data: the cue of the first list, that of each, and the values by channel and attribute.
 * As `play` of the headless commands prints it.
 */
export interface MixSample {
  t: number;
  cue: string | null;
  cues: Record<string, string | null>;
  values: Record<string, Record<string, number>>;
}

/**
 * Reads a run file: an array of presses. Throws ShowError naming the entry that is wrong.
 * Entries may stand in any order of time; they are put in order when they are played.
 */
export function readMixRun(raw: unknown): MixPress[] {
  const parsed = z.array(mixPressSchema).safeParse(raw);
  if (parsed.success) return parsed.data;
  throw new ShowError(faultsOf(parsed.error, raw).map((fault) => `The run: ${fault}`));
}

/**
 * Presses something. Throws ShowError for a list, a cue or a look that there is not; a Go behind the last cue does nothing.
 * The run has been brought to the moment before. `first` is the list that a press without a list speaks of.
 */
export function pressOn(mix: Mix, press: MixPress, first: string): void {
  const now = press.t;
  const id = "list" in press ? (press.list ?? first) : first;
  if ("go" in press) mix.go(id, now);
  else if ("goto" in press) mix.goto(id, press.goto, now, press.time);
  else if ("back" in press) mix.back(id, now);
  else if ("hold" in press) mix.hold(id, press.hold, now);
  else if ("release" in press) mix.release(id, now, press.time);
  else if ("master" in press) mix.master(id, press.master, now, press.time);
  else if ("fader" in press) mix.fader(id, press.fader, now, press.time);
  else if ("catch" in press) mix.catch(id, now);
  else if ("rate" in press) mix.rate(id, press.rate, now);
  else if ("look" in press) mix.setLookLevel(press.look, press.level, now, press.time);
  else if ("tempo" in press) mix.tempo(press.tempo, press.perMinute, now);
  else if ("standby" in press) mix.setStandby(press.standby);
  else if ("grand" in press) mix.setGrandMaster(press.grand, now, press.time);
  else if ("blackout" in press) mix.setBlackout(press.blackout, now, press.time);
  else if ("solo" in press) mix.setSolo(press.solo, now);
  else if ("identify" in press) mix.setIdentify(press.identify, now);
  else if ("park" in press) mix.setParked(press.park, now);
  else if ("allOff" in press) mix.allOff(now, press.time);
  else mix.fireStandby(now);
}

/**
 * Runs a show from rest with presses at given moments, and samples every key that a list or a held look ever touches. Seconds.
 * `moments` may stand in any order; samples come back in theirs. Follows and steps fire by themselves meanwhile.
 */
export function playMix(sheet: ShowSheet, presses: readonly MixPress[], moments: readonly number[], first?: string): MixSample[] {
  const mix = new Mix(sheet);
  const main = listOf(sheet, first).id;
  const touched = touchedKeys(sheet);
  const pending = [...presses].sort((a, b) => a.t - b.t);
  const sampled = new Map<number, MixSample>();
  const frame = new Float64Array(sheet.keys.all.length);
  for (const moment of [...moments].sort((a, b) => a - b)) {
    for (let press = pending[0]; press && press.t <= moment; press = pending[0]) {
      pressOn(mix, press, main);
      pending.shift();
    }
    mix.frame(moment, frame);
    applyOverlay(sheet.keys, overlayAt(mix, moment), frame);
    const values: MixSample["values"] = {};
    for (const { ordinal, channel, attribute } of touched) (values[channel] ??= {})[attribute.id] = frame[ordinal] ?? 0;
    const cues = Object.fromEntries([...mix.lists].map(([id, { cue }]) => [id, cue]));
    sampled.set(moment, { t: moment, cue: cues[main] ?? null, cues, values });
  }
  return moments.flatMap((moment) => sampled.get(moment) ?? []);
}

/** Every key that some list moves or some held look holds. */
function touchedKeys({ keys, lists, show }: ShowSheet): readonly ShowSheet["keys"]["all"][number][] {
  const inLooks = new Set(
    (show.heldLooks ?? []).flatMap(({ values }) =>
      Object.entries(values).flatMap(([channel, attributes]) => Object.keys(attributes).map((attribute) => keyName(channel, attribute))),
    ),
  );
  return keys.all.filter(
    (key) =>
      inLooks.has(key.name) ||
      [...lists.values()].some((list) => (list.columns[key.ordinal]?.rows.length ?? 0) > 0 || wavesOf(list).has(key)),
  );
}
