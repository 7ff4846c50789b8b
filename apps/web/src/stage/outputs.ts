import { type ListSheet, type Playback, entryAt, keyAt, outputAt } from "@zm/core";
import type { Outputs } from "./scene.ts";

/** The outputs of a running list at a moment of its own time. */
export function liveOutputs(playback: Playback | undefined, time: number): Outputs {
  return (channel, attribute, home) => {
    const track = playback?.tracks[`${channel}.${attribute}`];
    return track ? outputAt(track, time) : home;
  };
}

/** The finished look of a cue, as the stage would stand when it is complete. */
export function blindOutputs(list: ListSheet, row: number): Outputs {
  return (channel, attribute, home) => {
    const key = keyAt(list.keys, channel, attribute);
    const value = key && row >= 0 ? entryAt(list, key, row).value : Number.NaN;
    return Number.isNaN(value) ? home : value;
  };
}
