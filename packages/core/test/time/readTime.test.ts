import fc from "fast-check";
import { autoGroups, findCues, listOf, readTime, readTimeFan, writeSeconds } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

test.each([
  ["3", { seconds: 3 }],
  [" 2,5 s", { seconds: 2.5 }],
  ["1:30", { seconds: 90 }],
  ["0:07.5", { seconds: 7.5 }],
  ["2+1", { seconds: 2, delay: 1 }],
  ["1.5+1:00", { seconds: 1.5, delay: 60 }],
  [".5", { seconds: 0.5 }],
])("%s is a time", (text, time) => {
  expect(readTime(text)).toEqual(time);
});

test.each(["", "x", "3 m", "-1", "1:75", "1:2:3", "1+2+3", "+1", "2+", "90000", "1e3", "--", "1..2"])("%s is no time", (text) => {
  expect(readTime(text)).toBeUndefined();
});

test("a time that is written reads as what it was, to a hundredth", () => {
  fc.assert(fc.property(fc.integer({ min: 0, max: 864_000 }), (tenths) => readTime(writeSeconds(tenths / 10))?.seconds === tenths / 10));
});

test("fans of times are read with minutes too", () => {
  expect(readTimeFan("0~5")).toBe("0~5");
  expect(readTimeFan("1:00~0~1:30")).toBe("60~0~90");
  expect(readTimeFan("4")).toBe(4);
  expect(readTimeFan("0~")).toBeUndefined();
});

const show = smallShow(
  [
    oneCue("1", {}, {}, { label: "Lamp lit", scene: "I.1" }),
    oneCue("12", {}, {}, { note: "watch the LAMP" }),
    oneCue("2", {}, {}, { label: "Storm" }),
  ],
  undefined,
  {
    channels: [
      { number: 1, type: "mover", place: { x: 2, y: 5, z: 3 } },
      { number: 2, type: "mover", place: { x: -2, y: 5, z: 3.1 } },
      { number: 5, type: "lamp", place: { x: 0, y: 2, z: 9 } },
      { number: 6, type: "lamp" },
    ],
    groups: [{ id: "lamp", label: "My lamps", channels: [6] }],
  },
);

test("cues are found by number, label, scene and note, an exact number first", () => {
  const found = (text: string): string[] => findCues(show, text, listOf(show)).map(({ cue, where }) => `${cue.number} ${where}`);
  expect(found("lamp")).toEqual(["1 label", "12 note"]);
  expect(found("1")).toEqual(["1 number", "12 number"]);
  expect(found("#2")).toEqual(["2 number"]);
  expect(found("i.1")).toEqual(["1 scene"]);
  expect(found(" ")).toEqual([]);
});

test("a rig makes groups by itself: a type's lights, and those in one row left to right", () => {
  expect(autoGroups(show.show).map(({ id, channels }) => [id, channels])).toEqual([
    ["mover", [1, 2]],
    ["row-1", [2, 1]],
  ]);
});
