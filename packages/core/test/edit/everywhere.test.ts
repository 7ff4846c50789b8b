import {
  type EditInput,
  type ShowSheet,
  listOf,
  makeEdits,
  movementFrom,
  movementWaves,
  movementsOf,
  readEdits,
  readLine,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const rig = {
  channels: [
    { number: 1, type: "mover" },
    { number: 2, type: "mover" },
    { number: 5, type: "lamp" },
  ],
  palettes: [
    { id: "table", family: "position", label: "Table", values: [{ attribute: "pan", value: 5 }] },
    { id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: -5 }] },
    { id: "door", family: "position", label: "Door", values: [{ attribute: "pan", value: 9, channel: 2 }] },
  ],
  heldLooks: [
    { id: "warm", label: "Warm", values: { 1: { intensity: 60, pan: { palette: "table" } } } },
    { id: "idle", label: "Idle", values: { 5: { intensity: 10 } } },
  ],
  lists: [
    { id: "main", label: "Main", cues: [oneCue("1", { 1: { intensity: 40, pan: { palette: "table" } } }), oneCue("2", {})] },
    { id: "sea", label: "Sea", cues: [oneCue("1", { 1: { pan: 30 } })] },
    { id: "rain", label: "Rain", cues: [oneCue("1", { 5: { intensity: 5 } })] },
  ],
};
const show = smallShow([], undefined, rig);

function editsOf(line: string, sheet: ShowSheet = show): EditInput[] {
  const read = readLine(line, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  return read.request.kind === "edit" ? read.request.edits : [];
}
const after = (line: string): ShowSheet => makeEdits(show, readEdits(editsOf(line))).sheet;
const movesIn = ({ show: { lists } }: ShowSheet, list: string): unknown => lists.find(({ id }) => id === list)?.cues[0]?.parts[0]?.moves;

test("a light is recast in every list and every held look that uses it, and nowhere else", () => {
  const done = after("recast 1 as 2 everywhere");
  expect(movesIn(done, "main")).toEqual({ 2: { intensity: 40, pan: { palette: "table" } } });
  expect(movesIn(done, "sea")).toEqual({ 2: { pan: 30 } });
  expect(done.show.heldLooks?.[0]?.values).toEqual({ 2: { intensity: 60, pan: { palette: "table" } } });
  expect(done.show.heldLooks?.[1]).toEqual(show.show.heldLooks?.[1]);
  expect(movesIn(done, "rain")).toEqual(movesIn(show, "rain"));
});

test("both do it, or they change places, in held looks as in lists", () => {
  expect(after("recast 1 as 2 too everywhere").show.heldLooks?.[0]?.values).toEqual({
    1: { intensity: 60, pan: { palette: "table" } },
    2: { intensity: 60, pan: { palette: "table" } },
  });
  const swapped = after("exchange 1 and 5 everywhere leave").show.heldLooks;
  expect(swapped?.[0]?.values).toEqual({ 5: { intensity: 60 }, 1: { pan: { palette: "table" } } });
  expect(swapped?.[1]?.values).toEqual({ 1: { intensity: 10 } });
});

test("a palette gives way to another everywhere; what has no value for a light is left where that is said", () => {
  const done = after("swap table for chair everywhere");
  expect(movesIn(done, "main")).toEqual({ 1: { intensity: 40, pan: { palette: "chair" } } });
  expect(done.show.heldLooks?.[0]?.values["1"]).toEqual({ intensity: 60, pan: { palette: "chair" } });
});

test.each([
  ["recast 2 as 1 everywhere", "Neither a list nor a held look uses light 2"],
  ["swap door for chair everywhere", "Neither a list nor a held look refers to door"],
  ["recast 1 as 5 everywhere", "leave it with who has it (leave)"],
  ["look nothing: 1 = 20", 'There is no held look "nothing"'],
  ["look warm: 5 = 200", "200 is outside 0 to 100"],
])("%s is refused in words", (line, words) => {
  expect(() => editsOf(line).length + makeEdits(show, readEdits(editsOf(line))).steps.length).toThrow(words);
});

test("the values of a held look are changed by line: set, stepped, by palette, and dropped", () => {
  const valuesAfter = (line: string): unknown => after(line).show.heldLooks?.[0]?.values;
  expect(valuesAfter("look warm: 1 = 20")).toEqual({ 1: { intensity: 20, pan: { palette: "table" } } });
  expect(valuesAfter("look warm: 1 + 15")).toEqual({ 1: { intensity: 75, pan: { palette: "table" } } });
  expect(valuesAfter("look warm: 2 pan = chair")).toMatchObject({ 2: { pan: { palette: "chair" } } });
  expect(valuesAfter("look warm: 1 pan drop")).toEqual({ 1: { intensity: 60 } });
  expect(valuesAfter("look warm: 1 drop")).toEqual({});
});

test("held looks are gathered into a list, a blocked cue for each in its fade", () => {
  const made = after('gather looks warm, idle "Looks"').show.lists.find(({ label }) => label === "Looks");
  expect(made?.cues.map(({ number, label, block, parts }) => [number, label, block, parts[0]?.moves])).toEqual([
    ["1", "Warm", true, { 1: { intensity: 60, pan: { palette: "table" } } }],
    ["2", "Idle", true, { 5: { intensity: 10 } }],
  ]);
});

test("a ready movement gives each light waves of what it has, and comes back as it was kept", () => {
  const circle = movementsOf(show.show).find(({ id }) => id === "circle");
  if (!circle) throw new Error("there is a circle");
  const spread = { ...circle, spread: 90 };
  const waves = movementWaves(show.keys, [1, 2], spread);
  expect(waves).toMatchObject({
    1: { pan: { shape: "sine", size: 18, period: 6 } },
    2: { pan: { shape: "sine", size: 18, period: 6, phase: 90 } },
  });
  const kept = movementFrom(waves, [1, 2], { id: "mine", label: "Mine" });
  expect(movementWaves(show.keys, [1, 2], kept)).toEqual(waves);
  expect(() => movementWaves(show.keys, [5], circle)).toThrow("None of these lights has pan or tilt");
  expect(after("#1: 1, 2 movement circle").show.lists[0]?.cues[0]?.parts[0]?.waves).toMatchObject({ 1: { pan: { shape: "sine" } } });
});
