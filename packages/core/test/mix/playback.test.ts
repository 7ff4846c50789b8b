import fc from "fast-check";
import {
  type ListSheet,
  keyNamed,
  listOf,
  makeEdits,
  markedKeys,
  marksMadeByGoto,
  readEdits,
  sheetOf,
  transitionAt,
} from "../../src/index.ts";
import {
  type Playback,
  type Press,
  advance,
  fireNext,
  goTo,
  idlePlayback,
  keyOutput,
  nextRow,
  previousRow,
  readRun,
  rehearse,
} from "../support/alone/index.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallList } from "../support/smallShow.ts";

/** What one key puts out at moments of a run. */
function outputs(list: ListSheet, key: string, presses: Press[], moments: number[]): (number | undefined)[] {
  const [channel, attribute] = key.split(".");
  return rehearse(list, presses, moments).map((sample) => sample.values[channel ?? ""]?.[attribute ?? ""]);
}
const go = (t: number): Press => ({ t, go: true });

test("a chain runs by itself and is interrupted by a Go, which fires the next cue early", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: 10 } }, { up: 2 }),
    oneCue("2", { "5": { intensity: 20 } }, {}, { trigger: { type: "follow", from: "complete", after: 3 } }),
    oneCue("3", { "5": { intensity: 30 } }, {}, { trigger: { type: "follow", from: "go", after: 4 } }),
  ]);
  expect(rehearse(list, [go(0)], [4.9, 5, 8.9, 9]).map((sample) => sample.cue)).toEqual(["1", "2", "2", "3"]);
  expect(rehearse(list, [go(0), go(1)], [1, 4.9, 5]).map((sample) => sample.cue)).toEqual(["2", "2", "3"]);
});

test("go to runs from the stage to the cue's look and lets go of what else the list had set", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: 80 } }, { up: 4 }),
    oneCue("2", { "1": { intensity: 60 } }, { up: 2, down: 8 }, { block: true }),
    oneCue("3", { "1": { intensity: 30 } }, { up: 1 }),
  ]);
  const presses: Press[] = [go(0), { t: 2, goto: "3" }];
  expect(outputs(list, "5.intensity", presses, [2, 2.5, 3])).toEqual([40, 20, 0]);
  expect(outputs(list, "1.intensity", presses, [2, 2.5, 3])).toEqual([0, 15, 30]);
});

test("go to with a time gives that fade and no delay to every key", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: { value: 80, fade: 9, delay: 3 } }, "1": { intensity: 50 } }, { up: 7, upDelay: 2 }),
  ]);
  expect(outputs(list, "5.intensity", [{ t: 0, goto: "1", time: 2 }], [1, 2])).toEqual([40, 80]);
  expect(outputs(list, "1.intensity", [{ t: 0, goto: "1", time: 0 }], [0])).toEqual([50]);
});

test("of two instructions that take hold together the later fired wins", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: 50 } }, { upDelay: 5 }),
    oneCue("2", { "5": { intensity: 90 } }, { upDelay: 2 }),
  ]);
  expect(outputs(list, "5.intensity", [go(0), go(3)], [4.9, 5, 6])).toEqual([0, 90, 90]);
});

test("a delay of an older cue never takes a light back from a newer one", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: 50 } }, { upDelay: 5 }),
    oneCue("2", { "5": { intensity: 90 } }, { upDelay: 1 }),
  ]);
  expect(outputs(list, "5.intensity", [go(0), go(3)], [3.9, 4, 5, 6])).toEqual([0, 90, 90, 90]);
});

test("an edit leaves running fades alone, and the next Go brings the edited look", () => {
  const list = smallList([oneCue("1", { "5": { intensity: 80 } }, { up: 4 }), oneCue("2", { "1": { intensity: 10 } }, { up: 2, down: 2 })]);
  const running = fireNext(idlePlayback("main"), list, 0, 0);
  const sheet = makeEdits(
    sheetOf({ ...blankShow(list), lists: [list.list] }),
    readEdits({ op: "record", cue: "1", moves: { "5": { intensity: 40 } } }),
  ).sheet;
  const edited = listOf(sheet);
  const key = keyNamed(edited.keys, "5.intensity");
  if (!key) throw new Error("no key");
  expect(keyOutput(running, key, 2)).toBe(40);
  expect(keyOutput(running, key, 9)).toBe(80);
  const next = fireNext(running, edited, nextRow(running, edited), 10);
  expect(keyOutput(next, key, 11)).toBe(60);
  expect(keyOutput(next, key, 12)).toBe(40);
});

function blankShow(list: ListSheet): Parameters<typeof sheetOf>[0] {
  const attributes = new Map([...list.keys.byChannel].map(([number, keys]) => [number, [...keys.values()].map((key) => key.attribute)]));
  return {
    format: "zealous-mark/show",
    version: 2,
    title: "",
    fixtureTypes: [...attributes].map(([number, own]) => ({ id: `type${number}`, name: "", attributes: own })),
    channels: [...attributes.keys()].map((number) => ({ number, type: `type${number}` })),
    groups: [],
    palettes: [],
    paces: [],
    lists: [],
  };
}

test("a cue deleted under a running list counts as the place where it stood", () => {
  const before = smallList([oneCue("1", {}), oneCue("2", {}), oneCue("3", {})]);
  const after = smallList([oneCue("1", {}), oneCue("3", {})]);
  const running = goTo(idlePlayback("main"), before, "2", 0);
  expect(after.cues[nextRow(running, after)]?.number).toBe("3");
  expect(after.cues[previousRow(running, after)]?.number).toBe("1");
});

test("a light that comes up elsewhere has moved in the dark, out of the transition", () => {
  const cues = [
    oneCue("1", { "1": { intensity: 50, pan: 0 } }, { up: 1 }),
    oneCue("2", { "1": { intensity: 0 } }, { down: 2, up: 0 }),
    oneCue("3", {}),
    oneCue("4", { "1": { intensity: 50, pan: 90 } }, { up: 5 }),
  ];
  const list = smallList(cues);
  expect(transitionAt(list, 3).map((run) => run.key.name)).toEqual(["1.intensity"]);
  const presses = [go(0), go(5), go(10), go(20)];
  expect(outputs(list, "1.pan", presses, [9, 10, 11, 20])).toEqual([0, 0, 90, 90]);
  expect(outputs(smallList(cues, { policy: "dark" }), "1.pan", presses, [7, 7.5, 8, 20])).toEqual([0, 45, 90, 90]);
  expect(outputs(smallList(cues, { policy: "view" }), "1.pan", presses, [19, 20, 22.5, 25])).toEqual([0, 0, 45, 90]);
});

test("after a go to into a dark window its mark is made there and then", () => {
  const list = smallList(
    [
      oneCue("1", { "1": { intensity: 50, pan: 0 } }),
      oneCue("2", { "1": { intensity: 0 } }),
      oneCue("3", {}),
      oneCue("4", { "1": { intensity: 50, pan: 90 } }, { up: 5 }),
    ],
    { policy: "dark" },
  );
  expect(outputs(list, "1.pan", [go(0), { t: 5, goto: "3", time: 2 }, go(20)], [6.9, 7.5, 8, 20.1])).toEqual([0, 45, 90, 90]);
});

test("a mark that was never made moves with its cue instead of not at all", () => {
  const cues = (pan: number): object[] => [
    oneCue("1", { "1": { intensity: 50, pan: 0 } }),
    oneCue("2", { "1": { intensity: 0 } }),
    oneCue("3", { "1": { intensity: 50, pan } }, { up: 2 }),
  ];
  const before = smallList(cues(30));
  const after = smallList(cues(90));
  let running: Playback = idlePlayback("main");
  for (const [row, at] of [
    [0, 0],
    [1, 5],
  ] as const)
    running = fireNext(running, before, row, at);
  running = fireNext(advance(running, after, 10), after, 2, 10);
  const pan = keyNamed(after.keys, "1.pan");
  expect(pan && keyOutput(running, pan, 12)).toBe(90);
});

test("whatever is pressed, the stage ends on the look of the cue fired last", () => {
  const gos = fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(showArbitrary, gos, (show, times) => {
      const list = listOf(sheetOf(show));
      const presses = [...times].sort((a, b) => a - b).map(go);
      const [end] = rehearse(list, presses, [100_000]);
      const row = list.cues.findIndex((cue) => cue.number === end?.cue);
      const prepared = new Set(marksMadeByGoto(list, row).flatMap((mark) => markedKeys(list, mark).map(({ key }) => key)));
      for (const run of transitionAt(list, row).filter(({ key }) => !prepared.has(key)))
        expect(end?.values[run.key.channel]?.[run.key.attribute.id]).toBeCloseTo(run.to, 6);
    }),
  );
});

test("a cue that tells a dark light to stay dark does not hold up its mark", () => {
  const list = smallList([
    oneCue("1", { "1": { intensity: 80, pan: 0 } }),
    oneCue("2", { "1": { intensity: 0 } }, { down: 2 }),
    oneCue("3", { "1": { intensity: { value: 0, delay: 30 } } }),
    oneCue("4", { "1": { intensity: 50, pan: 90 } }),
  ]);
  expect(outputs(list, "1.pan", [go(0), go(1), go(10)], [10, 10.5, 11])).toEqual([0, 45, 90]);
});

test("a run that makes no sense is refused with its place", () => {
  expect(() =>
    readRun([
      { t: 0, go: true },
      { t: -1, go: true },
    ]),
  ).toThrow(/The run: 1, t/);
  expect(() => readRun({})).toThrow(/The run/);
});

test("a hold stops fades and follows where they are; a Go lets them go on and fires nothing", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: 100 } }, { up: 10 }),
    oneCue("2", { "5": { intensity: 0 } }, {}, { trigger: { type: "follow", from: "go", after: 12 } }),
  ]);
  const presses: Press[] = [go(0), { t: 4, hold: true }, { t: 30, go: true }];
  expect(outputs(list, "5.intensity", presses, [4, 20, 30, 33, 37])).toEqual([40, 40, 40, 70, 100]);
  expect(rehearse(list, presses, [29, 37.9, 38]).map((sample) => sample.cue)).toEqual(["1", "1", "2"]);
  expect(outputs(list, "5.intensity", [go(0), { t: 4, hold: true }, { t: 6, hold: false }], [12])).toEqual([100]);
});

test("back goes to the cue before in a second, starts no chain, and stays at the first", () => {
  const list = smallList([
    oneCue("1", { "5": { intensity: 20 } }, { up: 10 }),
    oneCue("2", { "5": { intensity: 80 } }, {}, { trigger: { type: "follow", from: "go", after: 3 } }),
  ]);
  const presses: Press[] = [go(0), { t: 20, back: true }];
  expect(outputs(list, "5.intensity", presses, [20, 20.5, 21, 60])).toEqual([80, 50, 20, 20]);
  expect(rehearse(list, [...presses, { t: 30, back: true }], [60]).map((sample) => sample.cue)).toEqual(["1"]);
});
