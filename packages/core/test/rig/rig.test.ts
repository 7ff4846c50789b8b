import {
  allLooks,
  bulkEdits,
  hangEdits,
  labelEdits,
  listOf,
  makeEdits,
  patchFaults,
  readEdits,
  readPatch,
  readRigCsv,
  renumberEdits,
  repatchEdits,
  serializeShow,
  writeRigCsv,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const sheet = smallShow(
  [oneCue("1", { "1": { intensity: 40, pan: { palette: "chair" } } }, {}, { mark: { channels: { "1": { view: true } } } })],
  {},
  {
    groups: [{ id: "all", label: "All", channels: [5, 1] }],
    palettes: [{ id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 15, channel: 1 }] }],
  },
);

test("a light takes another number everywhere, every look stays, and it is taken back exactly", () => {
  for (const to of [9, 3]) {
    const outcome = makeEdits(sheet, readEdits({ op: "renumberChannel", channel: 1, to }));
    const { show } = outcome.sheet;
    expect(show.channels.map(({ number }) => number)).toEqual(to === 9 ? [5, 9] : [3, 5]);
    expect(show.groups[0]?.channels).toEqual([5, to]);
    expect(show.palettes[0]?.values[0]?.channel).toBe(to);
    expect(show.lists[0]?.cues[0]?.mark?.channels).toEqual({ [to]: { view: true } });
    const before = allLooks(listOf(sheet))[0];
    const after = allLooks(listOf(outcome.sheet))[0];
    expect(JSON.stringify(after).replaceAll(`"${to}`, '"1')).toBe(JSON.stringify(before));
    expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(sheet.show));
  }
  expect(() => makeEdits(sheet, readEdits({ op: "renumberChannel", channel: 1, to: 5 }))).toThrow(/Light 5 is in the rig already/);
});

test("a row of lights is added over the end of a universe, and keeps what is known", () => {
  const edits = readEdits(bulkEdits(sheet.show, { from: 4, to: 6, type: "mover", patch: { universe: 1, address: 508 }, label: "Spot" }));
  const { show } = makeEdits(sheet, edits).sheet;
  expect(show.channels.map(({ number, patch, label }) => [number, patch && `${patch.universe}.${patch.address}`, label])).toEqual([
    [1, undefined, undefined],
    [4, "1.508", "Spot 1"],
    [5, "1.510", "Spot 2"],
    [6, "2.1", "Spot 3"],
  ]);
  expect(() => bulkEdits(sheet.show, { from: 1, to: 3, type: "laser" })).toThrow(
    /no fixture type "laser"; the fixture types are Mover, Lamp/,
  );
  const hung = makeEdits(sheet, readEdits(hangEdits(sheet.show, [5, 1], { x: -2, y: 6, z: 1 }, { x: 2, y: 6, z: 1 }))).sheet.show;
  expect(hung.channels.map(({ place }) => place?.x)).toEqual([2, -2]);
});

test("chosen lights are named, patched by width and numbered in the order of choice", () => {
  const after = (edits: Parameters<typeof readEdits>[0]) => makeEdits(sheet, readEdits(edits)).sheet.show;
  expect(after(labelEdits(sheet.show, [5, 1], "Side")).channels.map(({ label }) => label)).toEqual(["Side 2", "Side 1"]);
  expect(after(labelEdits(sheet.show, [5], "Side")).channels[1]?.label).toBe("Side");
  const patched = after(repatchEdits(sheet.show, [5, 1, 77], { universe: 2, address: 511 })).channels;
  expect(patched.map(({ patch }) => patch)).toEqual([
    { universe: 3, address: 1 },
    { universe: 2, address: 511 },
  ]);
  expect(after(renumberEdits(sheet.show, [1, 5], 5)).channels.map(({ number, type }) => [number, type])).toEqual([
    [5, "mover"],
    [6, "lamp"],
  ]);
  expect(renumberEdits(sheet.show, [5, 6], 4).map((edit) => edit.op === "renumberChannel" && [edit.channel, edit.to])).toEqual([
    [5, 4],
    [6, 5],
  ]);
});

test("the rig comes back from its table the same; a bad table says where and changes nothing", () => {
  const edits = readEdits(
    bulkEdits(sheet.show, { from: 11, to: 13, type: "mover", patch: { universe: 3, address: 7 }, label: 'Bar "A", left' }),
  );
  const { show } = makeEdits(sheet, edits).sheet;
  expect(readRigCsv(writeRigCsv(show), show)).toEqual([]);
  expect(makeEdits(sheet, readEdits(readRigCsv(writeRigCsv(show), sheet.show))).sheet.show.channels).toEqual(show.channels);
  expect(readRigCsv("Label;Channel;Type\nLamp two;2;Lamp\n", sheet.show)).toEqual([
    { op: "setChannel", channel: { number: 2, type: "lamp", label: "Lamp two" } },
  ]);
  expect(() => readRigCsv("channel,type,universe\n2,lamp,1\nx,lamp,\n2,laser,\n", sheet.show)).toThrow(
    /Line 2: a patch has a universe and an address.*\nLine 3: channel is "x", which is not a number\nLine 4: there is no fixture type "laser"/,
  );
  expect(() => readRigCsv("a,b\n1,2\n", sheet.show)).toThrow(/no column channel and type/);
});

test("a patch reads as it is written, and clashes are named by channel", () => {
  expect(readPatch(" 2.101 ")).toEqual({ universe: 2, address: 101 });
  for (const text of ["2", "2.513", "0.1", "a.b", ""]) expect(readPatch(text)).toBeUndefined();
  const edits = [1, 5].map((number) => ({
    op: "setChannel" as const,
    channel: { number, type: number === 1 ? "mover" : "lamp", patch: { universe: 1, address: number === 1 ? 1 : 2 } },
  }));
  const faults = patchFaults(makeEdits(sheet, readEdits(edits)).sheet);
  expect([...faults.keys()]).toEqual([1, 5]);
  expect(faults.get(1)).toMatch(/shares addresses with light 5/);
  expect(faults.get(5)).toMatch(/shares addresses with light 1/);
  expect(patchFaults(sheet).size).toBe(0);
});

test("a patch may be in the last universe and at its last address, and not behind them", () => {
  expect(readPatch("63999.512")).toEqual({ universe: 63_999, address: 512 });
  expect(readPatch("64000.1")).toBeUndefined();
  expect(readPatch("1.513")).toBeUndefined();
});

test("a light that becomes another type is known by what that type can do, at once", () => {
  const sheet = smallShow([oneCue("1", { "5": { intensity: 50 } })]);
  const outcome = makeEdits(sheet, readEdits([{ op: "setChannel", channel: { number: 5, type: "mover" } }]));
  expect([...(outcome.sheet.keys.byChannel.get(5)?.keys() ?? [])]).toEqual(["intensity", "pan"]);
});
