import { readShow } from "@zm/core";
import { DummyRig } from "../src/rig.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const pan = { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90, bits: 16 };
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Rig",
  fixtureTypes: [
    { id: "lamp", name: "Lamp", attributes: [intensity] },
    { id: "mover", name: "Mover", attributes: [intensity, pan] },
  ],
  channels: [
    { number: 1, type: "lamp", patch: { universe: 1, address: 1 } },
    { number: 2, type: "mover", patch: { universe: 2, address: 10 } },
    { number: 3, type: "lamp" },
  ],
  lists: [{ id: "main", label: "Main", cues: [] }],
});

/** The levels of a universe, of which a few are named by their address. */
function levels(some: Record<number, number>): Uint8Array {
  const all = new Uint8Array(512);
  for (const [address, level] of Object.entries(some)) all[Number(address) - 1] = level;
  return all;
}

test("a light changes level at once and turns at its own speed; an unpatched one gets nothing", () => {
  const rig = new DummyRig(show);
  rig.tell(1, levels({ 1: 255 }));
  // Pan at the end of its range: from home at 0 three seconds away.
  rig.tell(2, levels({ 10: 51, 11: 255, 12: 255 }));
  expect(rig.told()).toMatchObject({ "1.intensity": 100, "2.intensity": 20, "2.pan": 270, "3.intensity": 0 });
  expect(rig.move(1)).toBe(true);
  expect(rig.seen()).toMatchObject({ "1.intensity": 100, "2.intensity": 20, "2.pan": 90, "3.intensity": 0 });
  expect(rig.move(1.5)).toBe(true);
  expect(rig.seen()["2.pan"]).toBe(225);
  expect(rig.move(5)).toBe(false);
  expect(rig.seen()["2.pan"]).toBe(270);
});

test("a light that is told to turn back on its way turns back from where it is", () => {
  const rig = new DummyRig(show);
  rig.tell(2, levels({ 11: 255, 12: 255 }));
  rig.move(2);
  // Half of the range is home, to half a step of sixteen bits.
  rig.tell(2, levels({ 11: 128 }));
  rig.move(1);
  expect(rig.seen()["2.pan"]).toBe(90);
  expect(rig.move(2)).toBe(false);
  expect(rig.seen()["2.pan"]).toBeCloseTo(0, 1);
});

test("when the rig is remade lights stand where they stood, a new one where it is sent", () => {
  const before = new DummyRig(show);
  before.tell(2, levels({ 11: 255, 12: 255 }));
  before.move(1);
  const anew = new DummyRig(show);
  anew.tell(1, levels({ 1: 255 }));
  anew.tell(2, levels({ 11: 255, 12: 255 }));
  const { "1.intensity": _gone, ...others } = before.seen();
  anew.standAs(others);
  expect(anew.seen()).toMatchObject({ "1.intensity": 100, "2.pan": 90 });
  anew.move(1);
  expect(anew.seen()["2.pan"]).toBe(180);
});
