import {
  Mix,
  callSteps,
  chainClock,
  checkSheet,
  cueDuration,
  listOf,
  makeEdits,
  proposePlan,
  readEdits,
  rehearse,
  scenesOf,
  sheetOf,
} from "@zm/core";
import { saltAndParaffin } from "../src/index.ts";

const list = listOf(sheetOf(saltAndParaffin()));

test("the demo has about sixty lights and a hundred and ten cues in two acts of four scenes", () => {
  expect(list.keys.byChannel.size).toBeGreaterThanOrEqual(58);
  expect(list.cues.length).toBeGreaterThanOrEqual(110);
  expect(scenesOf(list).map(({ scene }) => scene)).toEqual(["I.1", "I.2", "I.3", "I.4", "II.1", "II.2", "II.3", "II.4"]);
});

test("most cues are called at a line of their own scene, and at a word that stands in it", () => {
  const lines = new Map((saltAndParaffin().script?.lines ?? []).map(({ id, text }) => [id, text]));
  const called = list.cues.filter(({ call }) => call);
  expect(called.length).toBeGreaterThan(70);
  for (const { number, scene = "", call } of called) {
    expect(`${number} ${call?.line.startsWith(`${scene}.`)}`).toBe(`${number} true`);
    expect(lines.get(call?.line ?? "")).toContain(call?.word ?? "");
  }
  // They are called in the order in which they run.
  const order = [...lines.keys()];
  const places = called.map(({ call }) => order.indexOf(call?.line ?? ""));
  expect(places).toEqual([...places].sort((a, b) => a - b));
});

test("the play has about twenty-five pages, whose numbers only rise, and marks its silences", () => {
  const lines = saltAndParaffin().script?.lines ?? [];
  const pages = lines.map(({ page = 0 }) => page);
  expect(pages.at(-1)).toBeGreaterThanOrEqual(24);
  expect(pages).toEqual([...pages].sort((a, b) => a - b));
  expect(lines.filter(({ quiet }) => quiet).length).toBeGreaterThan(8);
  // The signs by which the text places its cues are no part of what is spoken.
  expect(lines.filter(({ text }) => /[[\]{}~]/.test(text))).toEqual([]);
});

test("Check finds the honest mistakes of the demo, and folds away what nobody would mend", () => {
  const found = checkSheet(sheetOf(saltAndParaffin()));
  const at = (code: string): (string | null)[] => [...new Set(found.filter((each) => each.code === code).map(({ cue }) => cue))];
  expect(at("lit-in-blackout")).toEqual(["45"]);
  expect(at("dark-but-labelled-lit")).toEqual(["63"]);
  expect(at("mark-late")).toEqual(["24.2", "33", "47"]);
  expect(at("at-home-while-lit")).toEqual(["37.5", "39.5"]);
  // Lightning changes colour and level at once: that is no warning.
  expect(found.filter(({ cue }) => cue === "12.3").every(({ severity }) => severity === "hint")).toBe(true);
  expect(found.filter(({ severity }) => severity !== "hint").length).toBeLessThan(25);
});

test("every cue that waits is called from the play, when earlier follows have long fired", () => {
  const { script } = saltAndParaffin();
  const steps = callSteps(list, script);
  const { presses, offsets } = chainClock(list);
  expect(steps.filter(({ called }) => !called).map(({ cue }) => cue)).toEqual([]);
  steps.forEach(({ row, go, standby }, index) => {
    const before = steps[index - 1];
    if (!before) return;
    // At twenty times the pace a second of the play is 50 ms.
    const fired = before.go + (presses[row - 1] === before.row ? (offsets[row - 1] ?? 0) - (offsets[before.row] ?? 0) : 0);
    expect([row, go - fired > 0.9]).toEqual([row, true]);
    expect([row, standby >= fired && standby <= go]).toEqual([row, true]);
  });
});

test("a rehearsal of the play finds what Check names, and with a plan nothing moves in view", () => {
  const sheet = sheetOf(saltAndParaffin());
  const named = new Set(checkSheet(sheet).flatMap(({ cue, severity }) => (cue !== null && severity !== "hint" ? [cue] : [])));
  const { findings } = rehearse(sheet);
  expect(findings.length).toBeGreaterThan(0);
  for (const { code, cue, message } of findings) {
    // A fade is lost in the cue whose successor Check names.
    const next = list.cues[list.cues.findIndex(({ number }) => number === cue) + 1]?.number ?? "";
    expect([message, named.has(cue) || (code === "cut-short" && named.has(next))]).toEqual([message, true]);
  }
  expect(findings.filter(({ code }) => code === "sweep-seen").length).toBeGreaterThan(0);
  const plan = proposePlan(listOf(sheet), { script: sheet.show.script });
  const planned = makeEdits(sheet, readEdits([...plan.edits])).sheet;
  expect(rehearse(planned).findings.filter(({ code }) => code === "sweep-seen")).toEqual([]);
});

test("the demo shows every kind of thing that the sheet can draw", () => {
  const { cues } = list;
  expect(cues.some((cue) => cue.number.includes("."))).toBe(true);
  expect(cues.filter((cue) => cue.parts.length > 1).length).toBeGreaterThanOrEqual(3);
  expect(cues.some((cue) => cue.trigger?.type === "follow" && cue.trigger.from === "go")).toBe(true);
  expect(cues.some((cue) => cue.trigger?.type === "follow" && cue.trigger.from === "complete")).toBe(true);
  expect(cues.some((cue) => cue.carries === "cueOnly")).toBe(true);
  expect(cues.some((cue) => cue.carries === "isolated")).toBe(true);
  const blackouts = cues.filter((cue) => cue.label?.startsWith("Blackout"));
  expect(blackouts.filter((cue) => !cue.block || !cue.restate).map(({ number }) => number)).toEqual(["45"]);
  expect(
    cueDuration(
      list,
      cues.findIndex((cue) => cue.number === "27"),
    ),
  ).toBe(11);
});

test("no two lights of the demo share an address", () => {
  const { channels, fixtureTypes } = saltAndParaffin();
  const taken = channels.flatMap(({ type, patch }) => {
    const width = fixtureTypes.find((each) => each.id === type)?.attributes.length ?? 0;
    return Array.from({ length: width }, (_, index) => `${patch?.universe}.${(patch?.address ?? 0) + index}`);
  });
  expect(new Set(taken).size).toBe(taken.length);
});

test("the tower's beam goes round from cue 41 until the dynamo dies, and the flame flickers", () => {
  const mix = new Mix(sheetOf(saltAndParaffin()));
  const standing = (id: string) => mix.lists.get(id)?.cue;
  const lamp = mix.keys.all.find(({ name }) => name === "11.intensity");
  if (!lamp) throw new Error("The demo has no lamp 11");
  mix.goto("main", "16", 0, 0);
  expect(standing("flame")).toBe("1");
  const flickers = [5, 5.1, 5.2, 5.3].map((time) => mix.output(lamp, time));
  expect(new Set(flickers).size).toBe(4);
  mix.goto("main", "41", 10, 0);
  const steps = [11, 14, 17, 20, 23].map((time) => {
    mix.advance(time);
    return standing("tower");
  });
  expect(new Set(steps).size).toBe(3);
  mix.goto("main", "44.6", 30, 0);
  mix.advance(40);
  expect([standing("tower"), standing("flame")]).toEqual([null, null]);
});
