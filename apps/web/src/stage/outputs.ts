import { type Hand, type Key, type ListSheet, type Playback, type ShowSheet, entryAt, handOutput, keyAt, outputAt } from "@zm/core";
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

/** The finished look of a cue, as the stage would stand when it is complete. */
export function blindOutputs(list: ListSheet, row: number): Outputs {
  return (channel, attribute, home) => {
    const key = keyAt(list.keys, channel, attribute);
    const value = key && row >= 0 ? entryAt(list, key, row).value : Number.NaN;
    return Number.isNaN(value) ? home : value;
  };
}
