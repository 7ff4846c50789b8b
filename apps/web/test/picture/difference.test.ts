import { findRow, listOf, makeEdits, readEdits, sheetOf, stageAtRest } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { differenceLights } from "../../src/picture/difference.ts";
import { type StageLight, stageLights } from "../../src/picture/scene.ts";
import { waitingFor, withWaiting } from "../../src/picture/waiting.ts";

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

test("a light that turns or changes colour differs while it is lit, and not while it is dark", () => {
  const turned = (channel: number) =>
    difference([{ op: "change", from: "12", to: "12", keys: { channels: [channel], attributes: ["pan"] }, do: { set: 33 } }]);
  expect(changed(turned(67))).toEqual([[67, "50"]]);
  expect(changed(turned(72))).toEqual([]);
});

test("a light that only one of the states has is no difference of the picture", () => {
  expect(changed(differenceLights(before.slice(1), before))).toEqual([]);
});

test("dark lights that move or wait are marked with their cue, lit and recoloured ones are not", () => {
  const at = findRow(list, "22.5");
  const waits = waitingFor(list, at);
  expect([waits.get(63), waits.get(64)]).toEqual(["23", "23"]);
  const lights = withWaiting(stageLights(sheet, stageAtRest(list, at)), waits);
  const waiting = lights.filter((light) => light.waits !== undefined).map(({ channel }) => channel);
  expect(waiting).toEqual(expect.arrayContaining([63, 64]));
  expect(lights.filter(({ level: shines, waits: cue }) => shines > 0 && cue !== undefined)).toEqual([]);
  expect(waitingFor(list, -1).size).toBe(0);
});

test("what a plan changes is told in the picture by where dark lights wait", () => {
  const at = findRow(list, "22.5");
  const placed = makeEdits(sheet, readEdits([{ op: "setCue", from: "23", to: "23", mark: { policy: "view" } }])).sheet;
  const [was, is] = [
    { sheet, list },
    { sheet: placed, list: listOf(placed) },
  ].map((each) => withWaiting(stageLights(each.sheet, stageAtRest(each.list, at)), waitingFor(each.list, at)));
  const told = differenceLights(was ?? [], is ?? []).filter(({ words }) => words !== "");
  expect(told.map(({ channel, words }) => [channel, words])).toEqual([
    [63, "not prepared"],
    [64, "not prepared"],
  ]);
});
