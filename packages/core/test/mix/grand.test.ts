import {
  Mix,
  type MixPress,
  type ShowSheet,
  applyOverlay,
  grandShare,
  overlayAt,
  keyNamed,
  mixFrom,
  playMix,
  readMixSnapshot,
  snapshotOf,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const rig = (house: boolean): object => ({
  channels: [
    { number: 1, type: "mover" },
    { number: 5, type: "lamp", ...(house ? { house: true } : {}) },
  ],
  heldLooks: [
    { id: "warm", label: "Warm", values: { 1: { intensity: 60 } } },
    { id: "exit", label: "Exit", values: { 5: { intensity: 30 } } },
  ],
});
const cues = [oneCue("1", { 1: { intensity: 80, pan: 40 }, 5: { intensity: 50 } }, { up: 0 })];
const show = (house = false): ShowSheet => smallShow(cues, undefined, rig(house));
/** What comes out of a show with presses, at a moment: the level of 1, its pan, the level of 5. */
function out(sheet: ShowSheet, presses: Parameters<typeof playMix>[1], at: number): (number | undefined)[] {
  const [sample] = playMix(sheet, presses, [at]);
  return [sample?.values["1"]?.["intensity"], sample?.values["1"]?.["pan"], sample?.values["5"]?.["intensity"]];
}
const go = { t: 0, go: true } as const;

test("the grand master scales every level in its time, and nothing else", () => {
  const presses = [go, { t: 1, grand: 50, time: 2 }] as const;
  expect(out(show(), [...presses], 2)).toEqual([60, 40, 37.5]);
  expect(out(show(), [...presses], 4)).toEqual([40, 40, 25]);
});

test("a blackout holds all levels at 0 while what runs beneath runs on, and they come back as that is by then", () => {
  const dark = [go, { t: 1, blackout: true }] as const;
  expect(out(show(), [...dark], 1)).toEqual([0, 40, 0]);
  const later = [
    ...dark,
    { t: 2, list: "main", release: true, time: 0 },
    { t: 3, blackout: false, time: 1 },
    { t: 3, look: "warm", level: 100 },
  ] as const;
  expect(out(show(), [...later], 3.5)).toEqual([30, 40, 0]);
});

test("lights that stay are under neither, and all off leaves them what they have", () => {
  const presses = [go, { t: 1, blackout: true }, { t: 1, grand: 10 }] as const;
  expect(out(show(true), [...presses], 2)).toEqual([0, 40, 50]);
  expect(out(show(true), [go, { t: 1, allOff: true, time: 2 }], 2)).toEqual([40, 40, 50]);
  expect(out(show(true), [go, { t: 1, allOff: true, time: 2 }], 4)).toEqual([0, 40, 50]);
});

test("all off lets go of every list and look in its time; a look of lights that stay is left up, and Go begins with the first cue", () => {
  const mix = new Mix(show(true));
  mix.go("main", 0);
  mix.setLookLevel("warm", 100, 0);
  mix.setLookLevel("exit", 100, 0);
  mix.setStandby([{ list: "main", cue: "1" }]);
  mix.allOff(1, 2);
  mix.advance(5);
  expect([...mix.lists.values()].map(({ cue }) => cue)).toEqual([null]);
  expect([mix.looks.get("warm")?.up, mix.looks.get("exit")?.up, mix.standby.length]).toEqual([false, true, 0]);
  mix.go("main", 6);
  const level = keyNamed(mix.keys, "1.intensity");
  expect(level && mix.output(level, 7)).toBe(80);
});

test("what lies over everything is written down and read again; what was written before there was any is whole", () => {
  const mix = new Mix(show());
  mix.setGrandMaster(40, 0, 10);
  mix.setBlackout(true, 5, 10);
  const kept = mixFrom(show(), readMixSnapshot(JSON.parse(JSON.stringify(snapshotOf(mix)))));
  expect(grandShare(kept.grand, 7.5)).toBeCloseTo(grandShare(mix.grand, 7.5), 12);
  expect(grandShare(kept.grand, 7.5)).toBeCloseTo(0.55 * 0.75, 12);
  const { grand: _grand, ...older } = snapshotOf(mix);
  expect(grandShare(mixFrom(show(), readMixSnapshot(JSON.parse(JSON.stringify(older)))).grand, 7.5)).toBe(1);
});

test("a frame under it has its levels scaled, those of lights that stay alone excepted", () => {
  const { keys } = show(true);
  const values = Float64Array.from(keys.all, () => 80);
  applyOverlay(keys, { share: 0.25, heard: null, parked: [], flashing: [], flash: 0, highlit: [] }, values);
  expect(keys.all.map(({ name, ordinal }) => [name, values[ordinal]])).toEqual([
    ["1.intensity", 20],
    ["1.pan", 80],
    ["5.intensity", 80],
  ]);
});

test("a solo lets only those lights out whose level its list or look holds, and lights that stay", () => {
  const presses = [go, { t: 0, look: "warm", level: 50 }, { t: 1, solo: { look: "warm" } }] as const;
  // Both hold the mover; only the look is asked for, and what comes out of that light is what both make of it.
  expect(out(show(), [...presses], 1)).toEqual([80, 40, 0]);
  expect(out(show(true), [...presses], 1)).toEqual([80, 40, 50]);
  expect(out(show(), [...presses, { t: 2, solo: null }], 2)).toEqual([80, 40, 50]);
  expect(out(show(), [{ t: 0, solo: { list: "main" } }], 1)).toEqual([0, 0, 0]);
  expect(() => out(show(), [{ t: 0, solo: { look: "none" } }], 1)).toThrow("held look");
});

test("what is parked stays whatever runs, under a blackout too, until it is let run again", () => {
  const presses: MixPress[] = [
    go,
    { t: 1, park: { "5.intensity": 33, "1.pan": -90 } },
    { t: 2, blackout: true },
    { t: 3, list: "main", release: true, time: 0 },
  ];
  expect(out(show(), presses, 4)).toEqual([0, -90, 33]);
  expect(out(show(), [...presses, { t: 5, park: { "5.intensity": null, "1.pan": null } }], 5)).toEqual([0, 40, 0]);
  expect(() => out(show(), [{ t: 0, park: { "5.intensity": 120 } }], 1)).toThrow("120 is outside 0 to 100");
  expect(() => out(show(), [{ t: 0, park: { "9.intensity": 20 } }], 1)).toThrow("There is no 9.intensity in the rig");
});

test("lights that are to be found go on and off, whatever else holds, until none is named", () => {
  const presses = [go, { t: 1, identify: [5] }, { t: 1, blackout: true }];
  expect(out(show(), presses, 1.3)[2]).toBe(0);
  expect(out(show(), presses, 1.7)[2]).toBe(100);
  expect(out(show(), [...presses, { t: 2, identify: [] }], 2.5)).toEqual([0, 40, 0]);
  const mix = new Mix(show());
  expect(mix.isMoving(0)).toBe(false);
  mix.setIdentify([5], 0);
  expect(mix.isMoving(3)).toBe(true);
});

test("solo, parked and flashing lights are kept in what is stored of a run", () => {
  const mix = new Mix(show());
  mix.setSolo({ look: "warm" }, 0);
  mix.setIdentify([1], 0);
  mix.setParked({ "5.intensity": 12 }, 0);
  const kept = mixFrom(show(), readMixSnapshot(JSON.parse(JSON.stringify(snapshotOf(mix)))));
  expect(kept.grand).toEqual(mix.grand);
  expect(overlayAt(kept, 0.1).parked).toEqual([[keyNamed(kept.keys, "5.intensity")?.ordinal, 12]]);
});

test("a light that is to be found is at what its type says it is seen by, and goes back when it is let go", () => {
  const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
  const pan = { id: "pan", family: "position", min: -270, max: 270, home: 0, highlight: 30 };
  const sheet = smallShow(cues, undefined, {
    ...rig(false),
    fixtureTypes: [
      { id: "lamp", name: "Lamp", attributes: [intensity] },
      { id: "mover", name: "Mover", attributes: [intensity, pan] },
    ],
  });
  expect(out(sheet, [go, { t: 1, identify: [1] }], 1.7).slice(0, 2)).toEqual([100, 30]);
  expect(out(sheet, [go, { t: 1, identify: [1] }], 1.3).slice(0, 2)).toEqual([0, 30]);
  expect(out(sheet, [go, { t: 1, identify: [1] }, { t: 2, identify: [] }], 2.1).slice(0, 2)).toEqual([80, 40]);
});
