import { Mix, type ShowSheet, applyGrand, grandShare, keyNamed, mixFrom, playMix, readMixSnapshot, snapshotOf } from "../../src/index.ts";
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
  applyGrand(keys, 0.25, values);
  expect(keys.all.map(({ name, ordinal }) => [name, values[ordinal]])).toEqual([
    ["1.intensity", 20],
    ["1.pan", 80],
    ["5.intensity", 80],
  ]);
});
