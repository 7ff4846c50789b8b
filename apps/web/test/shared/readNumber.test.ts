import { notInWords, readFactor, readNumber, readNumberIn } from "../../src/shared/readNumber.ts";

test.each([
  ["3", 3],
  ["2,5", 2.5],
  [" -4.25 ", -4.25],
  ["−4", -4],
  [".5", 0.5],
  ["", Number.NaN],
  ["1e3", Number.NaN],
  ["0x10", Number.NaN],
  ["Infinity", Number.NaN],
  ["3 4", Number.NaN],
  ["1,2,3", Number.NaN],
])("%j is read as %d", (text, number) => {
  expect(readNumber(text)).toBe(number);
});

test("a number outside its ends, or no whole one, is none, and the words say what is one", () => {
  const pace = { min: 20, max: 400 };
  expect(["19", "20", "400", "401"].map((text) => readNumberIn(text, pace))).toEqual([undefined, 20, 400, undefined]);
  expect(readNumberIn("2.5", { whole: true })).toBeUndefined();
  expect(notInWords(pace)).toBe("is no number from 20 to 400");
  expect(notInWords({ min: 1, whole: true })).toBe("is no whole number from 1 up");
  expect(notInWords({ max: 5 })).toBe("is no number up to 5");
  expect(notInWords({})).toBe("is no number");
  expect([readFactor("1,5"), readFactor("-1")]).toEqual([1.5, undefined]);
});
