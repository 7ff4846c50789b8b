import fc from "fast-check";
import { clockWords, lengthWords, tenths, toTenth, valueWords, writeSeconds, writeValue } from "../../src/index.ts";

test("seconds keep two places, computed ones one, and nothing stands behind a whole one", () => {
  expect([3, 2.5, 0.125, 12.004].map(writeSeconds)).toEqual(["3", "2.5", "0.13", "12"]);
  expect([3, 2.5, 0.125, 12.04].map(tenths)).toEqual(["3", "2.5", "0.1", "12"]);
});

test("a clock shows minutes and two figures of seconds, from 0:00 on beyond the hour", () => {
  expect([-3, 0, 7, 59.6, 61, 4500].map(clockWords)).toEqual(["0:00", "0:00", "0:07", "1:00", "1:01", "75:00"]);
});

test("a length has tenths below a minute alone", () => {
  expect([0.26, 12.5, 59.9, 65, 130.4].map(lengthWords)).toEqual(["0.3 s", "12.5 s", "59.9 s", "1 min 5 s", "2 min 10 s"]);
});

test("no length is told with 60 seconds in it", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 500_000 }), (hundredths) => {
      expect(lengthWords(hundredths / 100)).not.toMatch(/\b60 s/);
    }),
  );
});

test("a value is read with a real minus and typed with that of the keyboard, both to a tenth", () => {
  expect([-20, 33.333, 50].map(valueWords)).toEqual(["−20", "33.3", "50"]);
  expect([-20, 33.333, 50].map(writeValue)).toEqual(["-20", "33.3", "50"]);
  expect([-0.04, 0.25].map(toTenth).map(String)).toEqual(["0", "0.3"]);
});
