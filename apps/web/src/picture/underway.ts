import type { ShowSheet } from "@zm/core";
import { useRigSeen } from "../show/rigSeen.ts";
import { type StageLight, stageLights } from "./scene.ts";

/** The levels of 8 bits have so many steps; what is nearer than one cannot be told apart. */
const STEPS = 200;

/** Where every key of the rig is, by ordinal; a key of which nothing was told is where it is told to be. */
export function seenOutputs({ keys }: ShowSheet, told: Float64Array): Float64Array {
  const values = useRigSeen.getState().seen?.values ?? {};
  const outputs = told.slice();
  for (const { name, ordinal } of keys.all) outputs[ordinal] = values[name] ?? outputs[ordinal] ?? 0;
  return outputs;
}

/** The lights where they are; one that is further than a step of its levels from where it should be shows where it is going. */
export function lightsUnderway(sheet: ShowSheet, seen: Float64Array, told: Float64Array): StageLight[] {
  const going = new Set(
    sheet.keys.all
      .filter(
        ({ ordinal, attribute: { family, min, max } }) =>
          family === "position" && Math.abs((seen[ordinal] ?? 0) - (told[ordinal] ?? 0)) > (max - min) / STEPS,
      )
      .map(({ channel }) => channel),
  );
  const goals = new Map(stageLights(sheet, told).map(({ channel, to }) => [channel, to]));
  return stageLights(sheet, seen).map((light) => {
    const goal = going.has(light.channel) ? goals.get(light.channel) : undefined;
    return goal ? { ...light, goal } : light;
  });
}
