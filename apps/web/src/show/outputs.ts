import { type Key, type Keys, type Mix, type ShowSheet, cached, handLayer, handOutput, keyNamed, layHandOver } from "@zm/core";
import { memoLast } from "../shared/memoLast.ts";
import { useHand } from "./handStore.ts";
import { runNow, serverNow, useLive } from "./liveStore.ts";

/** What every key of the rig puts out, by ordinal. */
export type Outputs = Float64Array;

const layerFor = memoLast(handLayer);
const roomFor = cached((keys: Keys) => new Float64Array(keys.all.length));

/** What the stage puts out now: all that runs with the Hand over it. The next call writes over it. */
export function liveOutputs({ keys, palettes }: ShowSheet): Outputs {
  const { run, clockOffset } = useLive.getState();
  const values = roomFor(keys);
  if (!run) for (const { ordinal, attribute } of keys.all) values[ordinal] = attribute.family === "intensity" ? 0 : attribute.home;
  else if (run.mix.keys === keys) run.mix.frame(runNow(run), values);
  else fromOtherRig(run.mix, runNow(run), keys, values);
  layHandOver(layerFor(useHand.getState().hand, keys, palettes), serverNow(clockOffset), values);
  return values;
}

/** Between an edit of the rig and the word of the engine about it the keys are found by their names. */
function fromOtherRig(mix: Mix, now: number, keys: Keys, values: Outputs): void {
  for (const { ordinal, name, attribute } of keys.all) {
    const key = keyNamed(mix.keys, name);
    values[ordinal] = key ? mix.output(key, now) : attribute.home;
  }
}

/** What one key puts out now. */
export function keyOutputNow(sheet: ShowSheet, key: Key): number {
  const { run, clockOffset } = useLive.getState();
  const own = run ? keyNamed(run.mix.keys, key.name) : undefined;
  const under = run && own ? run.mix.output(own, runNow(run)) : key.attribute.family === "intensity" ? 0 : key.attribute.home;
  return handOutput(useHand.getState().hand, key, sheet.palettes, under, serverNow(clockOffset));
}
