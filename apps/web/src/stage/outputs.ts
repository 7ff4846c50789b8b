import { type Hand, type Key, type ListSheet, type Playback, type ShowSheet, handOutput, keyAt, outputAt, stageAtRest } from "@zm/core";
import { useHand } from "../hand/handStore.ts";
import { listNow, serverNow, useLive } from "../show/live.ts";
import type { Outputs } from "./scene.ts";

/** What the running list and the Hand are at one moment. */
interface Moment {
  readonly playback: Playback | undefined;
  /** The list's own time in seconds, and the server's clock in milliseconds. */
  readonly time: number;
  readonly now: number;
  readonly hand: Hand;
}

function thisMoment(): Moment {
  const { run, ahead } = useLive.getState();
  return { playback: run?.playback, time: run ? listNow(run.clock, ahead) : 0, now: serverNow(ahead), hand: useHand.getState().hand };
}

function keyOutputAt({ playback, time, now, hand }: Moment, sheet: ShowSheet, key: Key): number {
  const track = playback?.tracks[key.name];
  return handOutput(hand, key, sheet.palettes, track ? outputAt(track, time) : key.attribute.home, now);
}

/** What the stage puts out now: the running list with the Hand over it. */
export function liveOutputs(sheet: ShowSheet): Outputs {
  const moment = thisMoment();
  return (channel, attribute, home) => {
    const key = keyAt(sheet.keys, channel, attribute);
    return key ? keyOutputAt(moment, sheet, key) : home;
  };
}

/** What one key puts out now. */
export function keyOutputNow(sheet: ShowSheet, key: Key): number {
  return keyOutputAt(thisMoment(), sheet, key);
}

/** The stage at rest in a cue, as it stands after running there: what the cue does not say rests where it was put last. */
export function blindOutputs(list: ListSheet, row: number): Outputs {
  const values = stageAtRest(list, row);
  return (channel, attribute, home) => {
    const key = keyAt(list.keys, channel, attribute);
    return key ? (values[key.ordinal] ?? home) : home;
  };
}
