import { Mix, keyNamed, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { useRigSeen } from "../../src/show/rigSeen.ts";
import { lightsUnderway, seenOutputs } from "../../src/picture/underway.ts";

const sheet = sheetOf(saltAndParaffin());

/** What every key puts out, but for some of them. */
function outputs(but: Record<string, number>): Float64Array {
  const values = new Float64Array(sheet.keys.all.length);
  new Mix(sheet).frame(0, values);
  for (const [name, value] of Object.entries(but)) values[keyNamed(sheet.keys, name)?.ordinal ?? -1] = value;
  return values;
}

test("only a light further off than a step of its levels shows where it is going", () => {
  const told = outputs({ "61.pan": 40, "62.pan": 40 });
  const seen = outputs({ "61.pan": 10, "62.pan": 39 });
  const going = lightsUnderway(sheet, seen, told).filter(({ goal }) => goal);
  expect(going.map(({ channel }) => channel)).toEqual([61]);
  expect(lightsUnderway(sheet, told, told).some(({ goal }) => goal)).toBe(false);
});

test("what the lights report replaces what they were sent; what they do not report stays", () => {
  useRigSeen.setState({ seen: { show: 1, moving: true, values: { "61.pan": 12 } }, at: 0 });
  const told = outputs({ "61.pan": 40, "1.intensity": 70 });
  const seen = seenOutputs(sheet, told);
  expect([seen[keyNamed(sheet.keys, "61.pan")?.ordinal ?? -1], seen[keyNamed(sheet.keys, "1.intensity")?.ordinal ?? -1]]).toEqual([12, 70]);
  expect(told[keyNamed(sheet.keys, "61.pan")?.ordinal ?? -1]).toBe(40);
});
