import { sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { readText } from "../../src/line/readText.ts";

const sheet = sheetOf(saltAndParaffin());
const target = { blind: false, list: null, cues: null, channels: [1, 2, 3] };

test("a line that begins with what is done speaks of the chosen lights, live and blind", () => {
  expect(readText("= out", target, sheet)).toEqual(readText("1..3 = out", target, sheet));
  expect(readText("+ 10", target, sheet)).toEqual(readText("1..3 + 10", target, sheet));
  const blind = { ...target, blind: true, cues: { from: "6", to: "8" } };
  expect(readText("= 40 only", blind, sheet)).toEqual(readText("#6..8: 1..3 = 40 only", blind, sheet));
});

test("with nothing chosen it asks which lights, and a fault points at what was typed", () => {
  expect(readText("= out", { ...target, channels: [] }, sheet)).toHaveProperty("fault");
  expect(readText("= nonsense", target, sheet)).toMatchObject({ fault: { at: 2 } });
  expect(readText("  ", target, sheet)).toBeNull();
});
