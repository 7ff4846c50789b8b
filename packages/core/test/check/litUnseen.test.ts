import { type Finding, checkSheet, listOf, makeEdits, readEdits, readShow, sheetOf, type ShowSheet } from "../../src/index.ts";

const level = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const colour = (id: string) => ({ id, family: "colour", min: 0, max: 100, home: 0 });
const wheel = {
  id: "gobo",
  family: "beam",
  min: 0,
  max: 3,
  home: 0,
  snap: true,
  slots: [
    { value: 0, name: "Open" },
    { value: 3, name: "Closed" },
  ],
};

/** A show of one light that mixes red and blue and has a wheel with a closed place (1), and one without either (5). */
function show(...cues: { moves: object; block?: boolean; carries?: string; label?: string }[]): ShowSheet {
  return sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "Check",
      fixtureTypes: [
        { id: "wash", name: "Wash", attributes: [level, colour("red"), colour("blue"), wheel] },
        { id: "lamp", name: "Lamp", attributes: [level] },
      ],
      channels: [
        { number: 1, type: "wash" },
        { number: 5, type: "lamp" },
      ],
      lists: [
        {
          id: "main",
          label: "Main",
          cues: cues.map(({ moves, ...fields }, row) => ({ number: String(row + 1), ...fields, parts: [{ number: 1, moves }] })),
        },
      ],
    }),
  );
}
const found = (sheet: ShowSheet, code: Finding["code"]): string[] =>
  checkSheet(sheet)
    .filter((each) => each.code === code)
    .map(({ cue, channel, message }) => `${cue ?? ""}/${channel ?? ""} ${message}`);

test("a light that is lit with all its colours at 0 is told once for its run of cues", () => {
  const sheet = show(
    { moves: { 1: { intensity: 50 }, 5: { intensity: 50 } } },
    { moves: { 5: { intensity: 20 } } },
    { moves: { 1: { red: 40 } } },
    { moves: { 1: { red: 0, blue: 0 } } },
    { moves: { 1: { intensity: 0 } } },
  );
  expect(found(sheet, "lit-unseen")).toEqual([
    "1/1 Light 1 is lit in cues 1 to 2 and gives no light: its colours are all at 0. Give it a colour, or take its level out.",
    "4/1 Light 1 is lit in cue 4 and gives no light: its colours are all at 0. Give it a colour, or take its level out.",
  ]);
});

test("a wheel in its closed place is told, one that is open or between is not", () => {
  const sheet = show({ moves: { 1: { intensity: 50, red: 30, gobo: 3 } } }, { moves: { 1: { gobo: 1.5 } } }, { moves: { 1: { gobo: 0 } } });
  expect(found(sheet, "lit-unseen")).toEqual([
    "1/1 Light 1 is lit in cue 1 and gives no light: its gobo is closed. Open its gobo, or take its level out.",
  ]);
});

test("a cue that puts everything out and is no wall is told, with the block that mends it; a wall on either side is enough", () => {
  const lit = { moves: { 5: { intensity: 50 } } };
  const dark = { moves: { 5: { intensity: 0 } } };
  const bare = show(lit, dark, lit);
  const [finding] = checkSheet(bare).filter(({ code }) => code === "dark-unwalled");
  expect(finding).toMatchObject({ cue: "2", severity: "hint", message: expect.stringContaining("Block the cue where all is dark") });
  const mended = makeEdits(bare, readEdits(finding?.mend ?? [])).sheet;
  expect(listOf(mended).cues[1]?.block).toBe(true);
  expect(found(mended, "dark-unwalled")).toEqual([]);
  expect(found(show(lit, dark, { ...lit, block: true }), "dark-unwalled")).toEqual([]);
  expect(found(show(lit, { ...dark, carries: "cueOnly" }), "dark-unwalled")).toEqual([]);
  expect(found(show(dark, lit), "dark-unwalled")).toEqual([]);
  expect(found(show(lit, dark), "dark-unwalled")).toEqual([]);
});
