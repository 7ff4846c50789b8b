import { type ListSheet, marksMadeByGoto } from "@zm/core";
import type { StageLight } from "./scene.ts";

/** By light, the cue for which it moves in the dark or waits, where a list stands in a row. Lights that only change colour there are left out. */
export function waitingFor(list: ListSheet, row: number): ReadonlyMap<number, string> {
  if (row < 0) return NOBODY;
  const marks = marksMadeByGoto(list, row).filter(({ needed }) => needed > 0);
  return new Map(marks.map(({ channel, calledAt }) => [channel, list.cues[calledAt]?.number ?? ""]));
}

const NOBODY: ReadonlyMap<number, string> = new Map();

/** The lights with those marked that are dark and wait for a cue. */
export function withWaiting(lights: readonly StageLight[], waits: ReadonlyMap<number, string>): readonly StageLight[] {
  if (waits.size === 0) return lights;
  return lights.map((light) => {
    const cue = light.level > 0 ? undefined : waits.get(light.channel);
    return cue === undefined ? light : { ...light, waits: cue };
  });
}
