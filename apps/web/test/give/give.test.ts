import { fanPoints, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chosenAttributes, spreadWords } from "../../src/give/chosenKeys.ts";
import { fanWith, middleOf } from "../../src/give/fanWith.ts";
import { lightSpans, lightWords } from "../../src/shared/words.ts";
import { readSpread } from "../../src/shared/readSpread.ts";
import { hungPlaces } from "../../src/picture/scene.ts";
import { isInside, stageView } from "../../src/picture/view.ts";

test("seconds for lights are a number, a fan, or nothing", () => {
  expect(["3", " 0 ~ 5 ", "1,5", "", "-1", "x"].map(readSpread)).toEqual([3, "0~5", 1.5, null, undefined, undefined]);
});

test("dragging an end of a straight row keeps it straight, dragging the middle bends it", () => {
  expect(fanWith({ first: 20, middle: 50, last: 80 }, "last", 40)).toBe("20~40");
  expect(fanWith({ first: 20, middle: 50, last: 80 }, "middle", 90)).toBe("20~90~80");
  expect(fanPoints(fanWith({ first: 20, middle: 90, last: 80 }, "first", 0))).toEqual([0, 90, 80]);
  expect(middleOf([10, 20, 30, 40])).toBe(25);
});

test("values and lights are told in few words", () => {
  expect([spreadWords([5, 5]), spreadWords([0, 50, 100]), spreadWords([3, 9, 1, 7])]).toEqual(["5", "0~100", "1–9"]);
  expect([lightSpans([1, 2, 3, 9, 8]), lightWords([4]), lightWords([1, 2])]).toEqual(["1..3, 9, 8", "light 4", "2 lights: 1–2"]);
});

test("the families of chosen lights hold only what those lights can do, in the order chosen", () => {
  const families = chosenAttributes(sheetOf(saltAndParaffin()), [61, 1]);
  expect([...families.keys()]).toEqual(["intensity", "position", "colour", "beam"]);
  expect(families.get("intensity")?.[0]?.keys.map((key) => key.channel)).toEqual([61, 1]);
  expect(families.get("position")?.map(({ attribute, keys }) => [attribute.id, keys.length])).toEqual([
    ["pan", 1],
    ["tilt", 1],
  ]);
});

test("a place in the picture is the place that it was drawn from, on the floor and on the cloth", () => {
  for (const name of ["front", "plan"] as const) {
    const view = stageView(name, 760, 520);
    for (const point of [
      { x: -3, y: 0, z: 1 },
      { x: 4.5, y: 0, z: 7 },
    ]) {
      const { x, y } = view.project(point);
      const back = view.unproject(x, y);
      expect([back.x, back.z].map((each) => Math.round(each * 1e6) / 1e6)).toEqual([point.x, point.z]);
    }
  }
  const front = stageView("front", 760, 520);
  const cloth = front.project({ x: 2, y: 4, z: 8.8 });
  expect(front.unproject(cloth.x, cloth.y)).toMatchObject({ z: 8.8 });
  expect(front.unproject(cloth.x, cloth.y).y).toBeCloseTo(4);
});

test("a line around lights holds what is inside it, also where it bends in", () => {
  const bent = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 10 },
    { x: 5, y: 3 },
    { x: 0, y: 10 },
  ];
  expect([isInside(bent, { x: 1, y: 5 }), isInside(bent, { x: 5, y: 8 }), isInside(bent, { x: 12, y: 1 })]).toEqual([true, false, false]);
});

test("a light without a place hangs over the stage where no other loose one hangs", () => {
  const { channels, ...show } = saltAndParaffin();
  const loose = channels.map(({ place: _place, ...channel }, index) =>
    index === 0 ? { ...channel, place: { x: 9, y: 9, z: 9 } } : channel,
  );
  const places = hungPlaces({ ...show, channels: loose });
  expect(places.get(1)).toEqual({ x: 9, y: 9, z: 9 });
  expect(places.size).toBe(channels.length);
  expect(new Set([...places.values()].map(({ x, z }) => `${x}/${z}`)).size).toBe(channels.length);
  expect(hungPlaces(saltAndParaffin()).get(61)).toEqual(channels.find(({ number }) => number === 61)?.place);
});
