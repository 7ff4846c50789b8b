import fc from "fast-check";
import { emptyLevels, moveRig, outputLayout, readLevels, readShow, sheetOf, simulatedRig, writeLevels } from "../../src/index.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const pan = { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90, bits: 16 };
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Output",
  fixtureTypes: [
    { id: "lamp", name: "Lamp", attributes: [intensity] },
    { id: "mover", name: "Mover", attributes: [intensity, pan] },
  ],
  channels: [
    { number: 1, type: "mover", patch: { universe: 2, address: 10 } },
    { number: 2, type: "lamp", patch: { universe: 1, address: 512 } },
    { number: 3, type: "mover", patch: { universe: 1, address: 511 } },
    { number: 4, type: "lamp" },
  ],
  lists: [{ id: "main", label: "Main", cues: [] }],
});
const { keys } = sheetOf(show);
const layout = outputLayout(show, keys);
const key = (name: string): number => keys.all.find((each) => each.name === name)?.ordinal ?? -1;
const values = (some: Record<string, number>): Float64Array => {
  const all = new Float64Array(keys.all.length);
  for (const [name, value] of Object.entries(some)) all[key(name)] = value;
  return all;
};

test("levels stand from the patch on, coarse before fine, rounded; what is unpatched is 0", () => {
  const levels = emptyLevels(layout);
  expect(layout.universes).toEqual([1, 2]);
  expect(writeLevels(layout, values({ "1.intensity": 50, "1.pan": 90, "2.intensity": 100, "4.intensity": 100 }), levels)).toBe(true);
  // 50 % of 255 is 127.5; pan stands at two thirds of its range, 43690 of 65535.
  expect([...(levels[1] ?? [])].slice(8, 14)).toEqual([0, 128, 170, 170, 0, 0]);
  expect(levels[0]?.[511]).toBe(255);
  expect(writeLevels(layout, values({ "1.intensity": 50, "1.pan": 90, "2.intensity": 100 }), levels)).toBe(false);
});

test("what would run past its universe is not sent, and takes nothing from the light before", () => {
  const levels = emptyLevels(layout);
  writeLevels(layout, values({ "3.intensity": 100, "3.pan": 270, "2.intensity": 40 }), levels);
  expect([levels[0]?.[510], levels[0]?.[511]]).toEqual([255, 102]);
});

test("levels read back are what was sent, to half a step", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 100, noNaN: true }), fc.double({ min: -270, max: 270, noNaN: true }), (level, degrees) => {
      const levels = emptyLevels(layout);
      writeLevels(layout, values({ "1.intensity": level, "1.pan": degrees }), levels);
      const read = new Float64Array(keys.all.length);
      readLevels(layout, 2, levels[1] ?? [], read);
      expect(Math.abs((read[key("1.intensity")] ?? 999) - level)).toBeLessThanOrEqual(100 / 510 + 1e-9);
      expect(Math.abs((read[key("1.pan")] ?? 999) - degrees)).toBeLessThanOrEqual(540 / 131_070 + 1e-9);
    }),
  );
});

test("a simulated light goes where it is sent at its speed, at once where it has none", () => {
  const rig = simulatedRig(keys);
  rig.target.set(values({ "1.pan": 180, "1.intensity": 80 }));
  expect(moveRig(rig, 0.5)).toBe(true);
  expect([rig.actual[key("1.pan")], rig.actual[key("1.intensity")]]).toEqual([45, 80]);
  expect(moveRig(rig, 1.5)).toBe(false);
  expect(rig.actual[key("1.pan")]).toBe(180);
});
