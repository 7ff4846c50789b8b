import { findRow, listOf, makeEdits, readEdits, sheetOf, stageAtRest } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { differenceLights } from "../src/stage/difference.ts";
import { type StageLight, stageLights } from "../src/stage/scene.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const row = findRow(list, "12");
const before = stageLights(sheet, stageAtRest(list, row));

/** The lights of cue 12 after an edit, as the picture of the difference shows them. */
function difference(edit: Parameters<typeof readEdits>[0]): StageLight[] {
  const after = makeEdits(sheet, readEdits(edit)).sheet;
  const now = listOf(after);
  return differenceLights(before, stageLights(after, stageAtRest(now, findRow(now, "12"))));
}
const changed = (lights: readonly StageLight[]): (readonly [number, string | undefined])[] =>
  lights.filter(({ words }) => words !== "").map(({ channel, words }) => [channel, words]);
const level = (channels: number[], set: number) => [
  { op: "change" as const, from: "12", to: "12", keys: { channels, families: ["intensity" as const] }, do: { set } },
];

test("what is the same is dark and unnamed, what differs shines with its level before and after", () => {
  expect(changed(differenceLights(before, before))).toEqual([]);
  expect(differenceLights(before, before).every(({ level: shines }) => shines === 0)).toBe(true);
  const lights = difference(level([1, 2], 80));
  expect(changed(lights)).toEqual([
    [1, "40→80"],
    [2, "45→80"],
  ]);
  expect(lights.find(({ channel }) => channel === 1)?.level).toBeCloseTo(0.8);
});

test("a light that goes out shines as it did before, so that it is seen what is missed", () => {
  const lights = difference(level([1], 0));
  expect(changed(lights)).toEqual([[1, "40→0"]]);
  expect(lights.find(({ channel }) => channel === 1)?.level).toBeCloseTo(0.4);
});

test("a light that turns or takes another colour differs while it is lit, and not while it is dark", () => {
  const turned = (channel: number) =>
    difference([{ op: "change", from: "12", to: "12", keys: { channels: [channel], attributes: ["pan"] }, do: { set: 33 } }]);
  expect(changed(turned(67))).toEqual([[67, "50"]]);
  expect(changed(turned(72))).toEqual([]);
});

test("a light that only one of the states has is no difference of the picture", () => {
  expect(changed(differenceLights(before.slice(1), before))).toEqual([]);
});
