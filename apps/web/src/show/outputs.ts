import { type Key, type Keys, cached, frameAt, framesOf, handLayer, handOutput, idlePlayback, layHandOver, outputAt } from "@zm/core";
import type { ShowSheet } from "@zm/core";
import { useHand } from "./handStore.ts";
import { memoLast } from "../shared/memoLast.ts";
import { listNow, serverNow, useLive } from "./live.ts";

/** What every key of the rig puts out, by ordinal. */
export type Outputs = Float64Array;

const NOTHING_RUNS = idlePlayback("");
const framesFor = memoLast(framesOf);
const layerFor = memoLast(handLayer);
const roomFor = cached((keys: Keys) => new Float64Array(keys.all.length));

/** What the stage puts out now: the running list with the Hand over it. The next call writes over it. */
export function liveOutputs({ keys, palettes }: ShowSheet): Outputs {
  const { run, clockOffset } = useLive.getState();
  const values = roomFor(keys);
  frameAt(framesFor(run?.playback ?? NOTHING_RUNS, keys), run ? listNow(run.clock, clockOffset) : 0, values);
  layHandOver(layerFor(useHand.getState().hand, keys, palettes), serverNow(clockOffset), values);
  return values;
}

/** What one key puts out now. */
export function keyOutputNow(sheet: ShowSheet, key: Key): number {
  const { run, clockOffset } = useLive.getState();
  const track = run?.playback.tracks[key.name];
  const under = run && track ? outputAt(track, listNow(run.clock, clockOffset)) : key.attribute.home;
  return handOutput(useHand.getState().hand, key, sheet.palettes, under, serverNow(clockOffset));
}
