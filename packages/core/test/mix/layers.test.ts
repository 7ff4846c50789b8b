import { Layers } from "../../src/mix/layers.ts";
import { outAt } from "../../src/mix/layerReading.ts";
import { type SourceRank, emptyTable } from "../../src/mix/layerTable.ts";
import type { Key } from "../../src/sheet/keys.ts";

const LINEAR = 0;
const EASE = 1;
const LEVEL = 0;
const PAN = 1;
const key = (ordinal: number, id: string, family: "intensity" | "position", home: number): Key => ({
  name: `1.${id}`,
  ordinal,
  channel: 1,
  house: false,
  attribute: { id, family, min: family === "intensity" ? 0 : -270, max: family === "intensity" ? 100 : 270, home },
});
const KEYS = [key(LEVEL, "intensity", "intensity", 0), key(PAN, "pan", "position", 15)];

/** Layers of sources with these ranks, all of their clocks at 0. */
function layersOf(...ranks: SourceRank[]): { layers: Layers; at: (time: number) => void; out: (key: number) => number } {
  const layers = new Layers(emptyTable(KEYS, ranks));
  const at = (time: number): void => void layers.table.times.fill(time);
  return { layers, at, out: (which) => outAt(layers.table, which) };
}
const latest = (priority = 0): SourceRank => ({ priority, highest: false });
const highest = (priority = 0): SourceRank => ({ priority, highest: true });
const to = (value: number, fade = 0) => ({ to: value, fade, curve: LINEAR });

test("keys that nobody has ever held rest at home", () => {
  const { layers, out } = layersOf(latest());
  expect([out(LEVEL), out(PAN)]).toEqual([0, 15]);
  expect([layers.holds(PAN, 0), layers.has(PAN, 0), layers.isOthers(PAN, 0)]).toEqual([false, false, false]);
});

test("a source that takes hold goes from what is seen to its value in its fade", () => {
  const { layers, at, out } = layersOf(latest());
  layers.takeHold(PAN, 0, to(115, 10));
  expect(out(PAN)).toBe(15);
  at(5);
  expect(out(PAN)).toBeCloseTo(65, 9);
  at(20);
  expect([out(PAN), layers.destination(PAN, 0)]).toEqual([115, 115]);
});

test("by the latest the newest holder is seen, and a higher priority stays over it", () => {
  const { layers, out } = layersOf(latest(), latest(), latest(5));
  layers.takeHold(PAN, 2, to(90));
  layers.takeHold(PAN, 0, to(10));
  expect(out(PAN)).toBe(90);
  layers.letGo(PAN, 2, 0, LINEAR);
  expect(out(PAN)).toBe(10);
  layers.takeHold(PAN, 1, to(20));
  layers.takeHold(PAN, 0, to(30));
  expect([out(PAN), layers.heldByOthers(PAN, 0)]).toEqual([30, true]);
});

test("levels that count by the highest show the highest, whoever took hold last", () => {
  const { layers, out } = layersOf(highest(), highest());
  layers.takeHold(LEVEL, 0, to(70));
  layers.takeHold(LEVEL, 1, to(40));
  expect(out(LEVEL)).toBe(70);
  layers.letGo(LEVEL, 0, 0, LINEAR);
  expect(out(LEVEL)).toBe(40);
});

test("a level that is let go fades from where it is to nothing in its time", () => {
  const { layers, at, out } = layersOf(latest());
  layers.takeHold(LEVEL, 0, to(80));
  layers.letGo(LEVEL, 0, 4, LINEAR);
  expect([layers.holds(LEVEL, 0), layers.has(LEVEL, 0)]).toEqual([false, true]);
  at(1);
  expect(out(LEVEL)).toBeCloseTo(60, 9);
  expect(layers.secondsToDark(LEVEL)).toBeCloseTo(3, 9);
  at(4);
  expect(out(LEVEL)).toBe(0);
});

test("what is no level rests where it was sent when its only holder lets go, as its own", () => {
  const { layers, at, out } = layersOf(latest(), latest());
  layers.takeHold(PAN, 0, to(115, 10));
  at(5);
  layers.letGo(PAN, 0, 2, LINEAR);
  at(6);
  expect(out(PAN)).toBeCloseTo(75, 9);
  at(10);
  expect(out(PAN)).toBe(115);
  expect([layers.isOthers(PAN, 0), layers.isOthers(PAN, 1)]).toEqual([false, true]);
});

test("letting go once more starts from what is left, so the way out never gets brighter", () => {
  const { layers, at, out } = layersOf(latest());
  layers.takeHold(LEVEL, 0, to(80));
  layers.letGo(LEVEL, 0, 4, LINEAR);
  at(2);
  layers.letGo(LEVEL, 0, 10, LINEAR);
  expect(out(LEVEL)).toBeCloseTo(40, 9);
  expect(layers.ownCourse(LEVEL, 0)).toEqual({ from: 40, to: 0, start: 2, fade: 10, curve: LINEAR });
  at(7);
  expect(out(LEVEL)).toBeCloseTo(20, 9);
});

test("nothing jumps that has time: a hold under a layer on its way out goes on from what is seen", () => {
  const { layers, at, out } = layersOf(latest(), latest(5));
  layers.takeHold(LEVEL, 0, to(20));
  layers.takeHold(LEVEL, 1, to(100));
  layers.letGo(LEVEL, 1, 4, LINEAR);
  at(2);
  const before = out(LEVEL);
  layers.takeHold(LEVEL, 0, to(90, 3));
  expect(out(LEVEL)).toBeCloseTo(before, 9);
});

test("nothing jumps that has time: a course that begins elsewhere takes the difference along", () => {
  const { layers, at, out } = layersOf(latest());
  layers.takeHold(LEVEL, 0, to(50));
  layers.takeHold(LEVEL, 0, to(90, 4), 0);
  expect(out(LEVEL)).toBeCloseTo(50, 9);
  at(2);
  expect(out(LEVEL)).toBeCloseTo(45 + 25, 9);
  at(4);
  expect(out(LEVEL)).toBeCloseTo(90, 9);
  layers.takeHold(LEVEL, 0, to(10));
  expect(out(LEVEL)).toBe(10);
});

test("what is on its way is sent elsewhere in the time left to it, what stands in the given time", () => {
  const { layers, at, out } = layersOf(latest());
  layers.takeHold(LEVEL, 0, to(100, 10));
  at(5);
  layers.retarget(LEVEL, 0, 0, 30, EASE);
  at(6.25);
  // It keeps the curve that it is on.
  expect(out(LEVEL)).toBeCloseTo(37.5, 9);
  at(10);
  layers.retarget(LEVEL, 0, 60, 30, LINEAR);
  at(25);
  expect(out(LEVEL)).toBeCloseTo(30, 9);
});

test("a level is dark when all that holds it ends at 0, and never while one of them ends lit", () => {
  const { layers } = layersOf(latest(), latest());
  layers.takeHold(LEVEL, 0, to(0, 6), 50);
  expect(layers.secondsToDark(LEVEL)).toBe(6);
  layers.takeHold(LEVEL, 1, to(30, 2));
  expect(layers.secondsToDark(LEVEL)).toBe(Number.POSITIVE_INFINITY);
});

test("a source's own value is told before its master, and not a number where it has none", () => {
  const { layers, at, out } = layersOf(latest());
  layers.table.scales[0] = 0.5;
  expect(layers.ownValue(LEVEL, 0)).toBeNaN();
  layers.takeHold(LEVEL, 0, to(80));
  at(1);
  expect([layers.ownValue(LEVEL, 0), out(LEVEL), layers.outWithout(LEVEL, 0)]).toEqual([80, 40, 0]);
});
