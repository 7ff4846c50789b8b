import fc from "fast-check";
import { operated } from "../../src/values/operation.ts";
import { readFan } from "../../src/index.ts";

const attribute = { id: "pan", family: "position" as const, min: -270, max: 270, home: 0 };

test("adding and scaling stop at the ends of the range, and leave no dust of binary numbers", () => {
  expect(operated(0.1, { add: 0.2 }, attribute)).toBe(0.3);
  expect(operated(250, { add: 40 }, attribute)).toBe(270);
  expect(operated(-250, { scale: 2 }, attribute)).toBe(-270);
  expect(operated(100 / 3, { scale: 0.5 }, attribute)).toBe(16.666667);
});

test("what is added and taken off again is what was there, wherever no end was met", () => {
  const hundredths = fc.integer({ min: -10_000, max: 10_000 }).map((value) => value / 100);
  fc.assert(
    fc.property(hundredths, hundredths, (value, by) => {
      const there = operated(value, { add: by }, attribute);
      expect(operated(there, { add: -by }, attribute)).toBe(value);
    }),
  );
});

test.each([
  ["0~360", "0~360"],
  [" −20 ~ 20 ", "-20~20"],
  ["2,5~5~2,5", "2.5~5~2.5"],
  ["-4", -4],
  ["4,5", 4.5],
  ["", undefined],
  ["0~", undefined],
  ["wide", undefined],
  ["1 2", undefined],
])("the fan %j reads as %j", (text, read) => {
  expect(readFan(text)).toEqual(read);
});
