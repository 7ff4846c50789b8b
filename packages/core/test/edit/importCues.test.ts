import { type ShowSheet, listOf, makeEdits, readEdits, importCuesEdits } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const chair = (value: number): object => ({ id: "chair", label: "Chair", family: "position", values: [{ attribute: "pan", value }] });
const other = smallShow(
  [
    oneCue(
      "1",
      { 1: { pan: { palette: "chair", fade: 3 } }, 5: { intensity: 40 } },
      { up: 2 },
      { label: "One", block: true, scene: "I", mark: { at: "1" } },
    ),
    {
      number: "2",
      label: "Two",
      parts: [
        { number: 1, times: {}, moves: { 5: { intensity: 0 } } },
        { number: 2, label: "Slow", times: { up: 9 }, moves: { 1: { intensity: 70 } } },
      ],
    },
    oneCue("3", {}),
  ],
  undefined,
  { palettes: [chair(25)] },
);

/** What cues 1 to 2 of the other show come to in a show, and what is left out of them. */
function taken(into: ShowSheet, start?: string): { sheet: ShowSheet; left: string[] } {
  const from = { sheet: other, list: listOf(other), first: "1", last: "2" };
  const { edits, left } = importCuesEdits({ from, into: { sheet: into, list: listOf(into) }, start });
  return { sheet: makeEdits(into, readEdits(edits)).sheet, left };
}

test("cues of another show come with label, times, parts and walls, but without marks", () => {
  const { sheet, left } = taken(smallShow([oneCue("1", {}), oneCue("9", {})], undefined, { palettes: [chair(80)] }), "4");
  const { cues } = listOf(sheet);
  expect(left).toEqual([]);
  expect(cues.map(({ number }) => number)).toEqual(["1", "4", "5", "9"]);
  expect(cues[1]).toMatchObject({ label: "One", block: true, scene: "I", parts: [{ times: { up: 2 } }] });
  expect(cues[1]).not.toHaveProperty("mark");
  expect(cues[2]?.parts.map(({ number, label, moves }) => [number, label, moves])).toEqual([
    [1, undefined, { 5: { intensity: 0 } }],
    [2, "Slow", { 1: { intensity: 70 } }],
  ]);
  // A palette of that name is this show's own.
  expect(cues[1]?.parts[0]?.moves["1"]?.["pan"]).toEqual({ palette: "chair", fade: 3 });
});

test("a palette that this show does not have becomes the number that it stood for", () => {
  const { sheet } = taken(smallShow([]), "1");
  expect(listOf(sheet).cues[0]?.parts[0]?.moves["1"]?.["pan"]).toEqual({ value: 25, fade: 3 });
});

test("what lights here cannot do is left out and told", () => {
  const lampsOnly = smallShow([], undefined, { channels: [{ number: 1, type: "lamp" }] });
  const { sheet, left } = taken(lampsOnly, "1");
  expect(left).toEqual(["2 values left out, for this rig has no 1.pan and 5.intensity"]);
  expect(listOf(sheet).cues[1]?.parts[1]?.moves).toEqual({ 1: { intensity: 70 } });
});

test("numbers that are taken are refused by name", () => {
  expect(() => taken(smallShow([oneCue("1", {})]))).toThrow(/already has a cue 1/);
});
