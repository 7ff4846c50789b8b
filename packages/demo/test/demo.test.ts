import { cueDuration, listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "../src/index.ts";

const list = listOf(sheetOf(saltAndParaffin()));

test("the demo has a rig of about sixty lights and at least forty cues of act one", () => {
  expect(list.keys.byChannel.size).toBeGreaterThanOrEqual(58);
  expect(list.cues.length).toBeGreaterThanOrEqual(40);
});

test("the demo shows every kind of thing that the sheet can draw", () => {
  const { cues } = list;
  expect(cues.some((cue) => cue.number.includes("."))).toBe(true);
  expect(cues.filter((cue) => cue.parts.length > 1).length).toBeGreaterThanOrEqual(3);
  expect(cues.some((cue) => cue.trigger?.type === "follow" && cue.trigger.from === "go")).toBe(true);
  expect(cues.some((cue) => cue.trigger?.type === "follow" && cue.trigger.from === "complete")).toBe(true);
  expect(cues.some((cue) => cue.carries === "cueOnly")).toBe(true);
  expect(cues.some((cue) => cue.carries === "isolated")).toBe(true);
  expect(cues.filter((cue) => cue.label?.startsWith("Blackout")).every((cue) => cue.block && cue.assert)).toBe(true);
  expect(
    cueDuration(
      list,
      cues.findIndex((cue) => cue.number === "27"),
    ),
  ).toBe(11);
});

test("no two lights of the demo share an address", () => {
  const { channels, fixtureTypes } = saltAndParaffin();
  const taken = channels.flatMap(({ type, patch }) => {
    const width = fixtureTypes.find((each) => each.id === type)?.attributes.length ?? 0;
    return Array.from({ length: width }, (_, index) => `${patch?.universe}.${(patch?.address ?? 0) + index}`);
  });
  expect(new Set(taken).size).toBe(taken.length);
});
