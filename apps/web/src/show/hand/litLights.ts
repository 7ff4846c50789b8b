import { type Key, type ShowSheet, intensityOf } from "@zm/core";

/** The lights that put out light now, in the order of the rig. */
export function litLights(sheet: ShowSheet, outputOf: (key: Key) => number): number[] {
  return [...sheet.keys.byChannel.keys()].filter((channel) => {
    const level = intensityOf(sheet.keys, channel);
    return level !== undefined && outputOf(level) > 0.01;
  });
}

/** The lights that put out light now and are not among these. */
export function otherLitLights(sheet: ShowSheet, outputOf: (key: Key) => number, channels: readonly number[]): number[] {
  return litLights(sheet, outputOf).filter((channel) => !channels.includes(channel));
}
