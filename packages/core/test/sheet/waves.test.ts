import {
  type EditInput,
  type ShowSheet,
  listOf,
  makeEdits,
  playMix,
  readEdits,
  serializeShow,
  sheetOf,
  readShow,
} from "../../src/index.ts";
import { type WaveEntry, wavesOf } from "../../src/sheet/waves.ts";
import { refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const SINE = { shape: "sine", size: 30, period: 4 } as const;

/** A cue of one part with waves. */
function waving(number: string, waves: object, moves: object = {}, fields: object = {}): object {
  return { number, ...fields, parts: [{ number: 1, times: { up: 1 }, moves, waves }] };
}

/** By row, the size of the wave that a key shows: 0 where it shows none. */
function sizes(sheet: ShowSheet, name: string): number[] {
  const list = listOf(sheet);
  const found = [...wavesOf(list)].find(([key]) => key.name === name)?.[1] ?? list.cues.map((): WaveEntry | null => null);
  return found.map((entry) => entry?.wave?.size ?? 0);
}

function after(sheet: ShowSheet, edit: EditInput): ShowSheet {
  return makeEdits(sheet, readEdits(edit)).sheet;
}

test("waves track past cues that say nothing of them until one stops them or a wall stands", () => {
  const sheet = smallShow([
    waving("1", { 1: { pan: SINE, intensity: { ...SINE, size: 5 } } }),
    oneCue("2", { 1: { pan: 10 } }),
    waving("3", { 1: { pan: { stop: true } } }),
    oneCue("4", {}, {}, { block: true }),
    oneCue("5", {}),
  ]);
  expect(sizes(sheet, "1.pan")).toEqual([30, 30, 0, 0, 0]);
  expect(sizes(sheet, "1.intensity")).toEqual([5, 5, 5, 0, 0]);
});

test("a cue may stop waves alone, or let all but those of levels pass through a wall", () => {
  const both = { 1: { pan: SINE, intensity: { ...SINE, size: 5 } } };
  const stopped = smallShow([waving("1", both), oneCue("2", { 1: { pan: 5 } }, {}, { waves: "stop" }), oneCue("3", {})]);
  expect(sizes(stopped, "1.pan")).toEqual([30, 0, 0]);
  const passed = smallShow([waving("1", both), oneCue("2", {}, {}, { block: true, waves: "pass" }), oneCue("3", {})]);
  expect([sizes(passed, "1.pan"), sizes(passed, "1.intensity")]).toEqual([
    [30, 30, 30],
    [5, 0, 0],
  ]);
});

test("what a cue does for itself alone does not sway on", () => {
  const sheet = smallShow([oneCue("1", {}), waving("2", { 1: { pan: SINE } }, {}, { carries: "cueOnly" }), oneCue("3", {})]);
  expect(sizes(sheet, "1.pan")).toEqual([0, 30, 0]);
});

test("a wave over a range stands in its first cue, fans, and is restored behind where asked", () => {
  const sheet = smallShow(
    [waving("1", { 1: { pan: SINE } }), oneCue("2", {}), waving("3", { 1: { pan: { ...SINE, size: 7 } } }), oneCue("4", {})],
    undefined,
    {
      channels: [
        { number: 1, type: "mover" },
        { number: 2, type: "mover" },
        { number: 5, type: "lamp" },
      ],
    },
  );
  const wave = { shape: "triangle", size: "10~20", period: 2, phase: "0~180" } as const;
  const edit: EditInput = { op: "setWave", from: "2", to: "3", keys: { channels: [1, 2], attributes: ["pan"] }, wave };
  expect([sizes(after(sheet, edit), "1.pan"), sizes(after(sheet, edit), "2.pan")]).toEqual([
    [30, 10, 10, 10],
    [0, 20, 20, 20],
  ]);
  const restored = after(sheet, { ...edit, after: "restore" });
  expect([sizes(restored, "1.pan"), sizes(restored, "2.pan")]).toEqual([
    [30, 10, 10, 7],
    [0, 20, 20, 0],
  ]);
  expect(sizes(after(sheet, { ...edit, wave: { stop: true } }), "1.pan")).toEqual([30, 0, 0, 0]);
  expect(sizes(after(sheet, { ...edit, wave: null }), "1.pan")).toEqual([30, 30, 30, 30]);
});

test("taking a wave back gives the identical document, and says what a cue stores otherwise", () => {
  const sheet = smallShow([oneCue("1", { 1: { pan: 5 } }), oneCue("2", {})]);
  const edit: EditInput = { op: "setWave", from: "1", to: "1", keys: { channels: [1], attributes: ["pan"] }, wave: SINE };
  const outcome = makeEdits(sheet, readEdits(edit));
  expect(outcome.sheet.show.lists[0]?.cues[0]?.parts[0]?.waves).toEqual({ 1: { pan: SINE } });
  const back = makeEdits(outcome.sheet, outcome.inverse).sheet;
  expect(serializeShow(back.show)).toBe(serializeShow(sheet.show));
  expect(sheetOf(readShow(JSON.parse(serializeShow(outcome.sheet.show)))).show).toEqual(outcome.sheet.show);
});

test.each<[object, RegExp]>([
  [{ wave: { ...SINE, period: 0.01 } }, /too short to be seen/],
  [{ wave: { shape: "sine", size: 3, tempo: "slow" } }, /There is no tempo "slow"; the tempos are none yet/],
  [{ wave: { shape: "sine", size: 3 } }, /needs a period or a tempo/],
  [{ wave: { ...SINE, size: "1~" } }, /is not a fan/],
])("a wave is refused: %j", (fields, words) => {
  const edit = { op: "setWave", from: "1", to: "1", keys: { channels: [1], attributes: ["pan"] }, ...fields };
  expect(refusal(smallShow([oneCue("1", {})]), [edit as EditInput])).toMatch(words);
});

test("a wave for a light that is not there, or twice for one key, is refused by name", () => {
  expect(() => smallShow([waving("1", { 9: { pan: SINE } })])).toThrow(/cue 1, part 1, waves: there is no 9.pan in the rig/);
  const twice = [
    { number: 1, moves: {}, waves: { 1: { pan: SINE } } },
    { number: 2, moves: {}, waves: { 1: { pan: { stop: true } } } },
  ];
  expect(() => smallShow([{ number: "1", parts: twice }])).toThrow(/1.pan has a wave in part 1 and in part 2/);
});

test("a renumbered light keeps its waves and held looks; one that goes takes them along", () => {
  const sheet = smallShow([waving("1", { 1: { pan: SINE } })], undefined, {
    heldLooks: [{ id: "warm", label: "Warm", values: { 1: { intensity: 30 }, 5: { intensity: 10 } } }],
  });
  const renamed = after(sheet, { op: "renumberChannel", channel: 1, to: 3 }).show;
  expect(renamed.lists[0]?.cues[0]?.parts[0]?.waves).toEqual({ 3: { pan: SINE } });
  expect(renamed.heldLooks?.[0]?.values).toEqual({ 3: { intensity: 30 }, 5: { intensity: 10 } });
  expect(refusal(sheet, [{ op: "removeChannel", channel: 1 }])).toMatch(/waves in 1 parts, held look "warm"/);
  const gone = after(sheet, { op: "removeChannel", channel: 1, used: "drop" }).show;
  expect(gone.lists[0]?.cues[0]?.parts[0]?.waves).toBeUndefined();
  expect(gone.heldLooks?.[0]?.values).toEqual({ 5: { intensity: 10 } });
});

test("a list let go of takes its sway down; another that takes the light brings its own", () => {
  const show = smallShow([waving("1", { 1: { pan: SINE } }, { 1: { pan: 0 } })], undefined, {}).show;
  const other = { id: "sea", label: "Sea", cues: [oneCue("1", { 1: { pan: 50 } }, { up: 2 })] };
  const sheet = sheetOf(readShow({ ...show, lists: [...show.lists, other] }));
  const pan = (run: object[], at: number[]): number[] =>
    playMix(sheet, run as never, at).map(({ values }) => Math.round((values["1"]?.["pan"] ?? NaN) * 100) / 100);
  const taken = pan(
    [
      { t: 0, go: true },
      { t: 9, list: "sea", go: true },
    ],
    [9, 10, 11, 13],
  );
  // At 9 the sway stands at its height; the other list comes in over 2 s, and sways no more.
  expect(taken).toEqual([30, 25, 50, 50]);
  const released = pan(
    [
      { t: 0, go: true },
      { t: 9, release: true, time: 2 },
    ],
    [9, 11, 20],
  );
  expect(released).toEqual([30, 0, 0]);
});
