import {
  type Hand,
  type Key,
  type Keys,
  type Mix,
  type Overlay,
  type ShowSheet,
  cached,
  handLayer,
  handOutput,
  keyNamed,
  applyHand,
  applyOverlay,
  overlayAt,
} from "@zm/core";
import { memoLast } from "../shared/memoLast.ts";
import { useHand } from "./handStore.ts";
import { runNow, serverNow, useLive } from "./liveStore.ts";

/** What every key of the rig puts out, by ordinal. */
export type Outputs = Float64Array;

const layerFor = memoLast((hand: Hand, keys: Keys, palettes: ShowSheet["palettes"], beats: string) => {
  const tempos = new Map(beats === "" ? [] : beats.split("\n").map((one) => [one.slice(one.indexOf(" ") + 1), Number.parseFloat(one)]));
  return handLayer(hand, { keys, palettes, perMinute: (tempo) => tempos.get(tempo) });
});
/** The beats of each tempo as it goes now, as one text by which a laid out Hand is kept. */
const beatsOf = (mix: Mix | undefined): string => [...(mix?.tempos ?? [])].map(([tempo, perMinute]) => `${perMinute} ${tempo}`).join("\n");
const roomFor = cached((keys: Keys) => new Float64Array(keys.all.length));

/** What the stage puts out now: all that runs with the Hand over it. The next call writes over it. `flashes`: lights that are to be found are as they flash. */
export function liveOutputs({ keys, palettes }: ShowSheet, flashes = true): Outputs {
  const { run, clockOffset } = useLive.getState();
  const values = roomFor(keys);
  if (!run) for (const { ordinal, attribute } of keys.all) values[ordinal] = attribute.home;
  else if (run.mix.keys === keys) run.mix.frame(runNow(run), values);
  else fromOtherRig(run.mix, runNow(run), keys, values);
  const layer = layerFor(useHand.getState().hand, keys, palettes, beatsOf(run?.mix));
  const own = run && run.mix.keys === keys ? run.mix : undefined;
  applyHand(layer, serverNow(clockOffset), values, own && ((ordinal) => own.withoutWaves(ordinal)));
  if (run) {
    const over = run.mix.keys === keys ? overlayAt(run.mix, runNow(run)) : shareAlone(run.mix, runNow(run));
    applyOverlay(keys, flashes ? over : { ...over, flashing: [] }, values);
  }
  return values;
}

const aloneRoom = cached((keys: Keys) => new Float64Array(keys.all.length));

/** What the Hand would put out by itself, every other light dark and at home. The next call writes over it. */
export function handOutputs({ keys, palettes }: ShowSheet): Outputs {
  const { run, clockOffset } = useLive.getState();
  const values = aloneRoom(keys);
  for (const { ordinal, attribute } of keys.all) values[ordinal] = attribute.family === "intensity" ? 0 : attribute.home;
  applyHand(layerFor(useHand.getState().hand, keys, palettes, beatsOf(run?.mix)), serverNow(clockOffset), values);
  return values;
}

/** What lies over a rig that the run does not know yet: grand master and blackout alone. */
function shareAlone(mix: Mix, now: number): Overlay {
  return { ...overlayAt(mix, now), heard: null, parked: [], flashing: [] };
}

/** Between an edit of the rig and the word of the engine about it the keys are found by their names. */
function fromOtherRig(mix: Mix, now: number, keys: Keys, values: Outputs): void {
  for (const { ordinal, name, attribute } of keys.all) {
    const key = keyNamed(mix.keys, name);
    values[ordinal] = key ? mix.output(key, now) : attribute.home;
  }
}

/** What keys put out now, by their names: what they are parked at. */
export function valuesNow(sheet: ShowSheet, names: readonly string[]): Record<string, number> {
  const values = liveOutputs(sheet, false);
  return Object.fromEntries(
    names.flatMap((name) => {
      const key = keyNamed(sheet.keys, name);
      return key ? [[name, values[key.ordinal] ?? key.attribute.home]] : [];
    }),
  );
}

/** What one key puts out now, without its waves: what a change starts from. */
export function keyOutputNow(sheet: ShowSheet, key: Key): number {
  const { run, clockOffset } = useLive.getState();
  const own = run ? keyNamed(run.mix.keys, key.name) : undefined;
  const under = run && own ? stillNow(run.mix, own, runNow(run)) : key.attribute.home;
  return handOutput(useHand.getState().hand, key, sheet.palettes, under, serverNow(clockOffset));
}

/** What runs for a key at a moment, without its waves. */
function stillNow(mix: Mix, key: Key, now: number): number {
  mix.output(key, now);
  return mix.withoutWaves(key.ordinal);
}
