import fc from "fast-check";
import {
  type EditInput,
  type ShowSheet,
  bringBackSteps,
  compareShows,
  makeEdits,
  readEdits,
  serializeShow,
  stepsBetween,
  takeSteps,
} from "../src/index.ts";
import { attempt, looksOf } from "./support/attempt.ts";
import { fitEdit } from "./support/fitEdit.ts";
import { changeArbitrary, copyArbitrary, flagArbitrary, partArbitrary, recordArbitrary, renumberArbitrary } from "./support/randomEdit.ts";
import { showArbitrary } from "./support/randomShow.ts";
import { oneCue, smallShow } from "./support/smallShow.ts";
import { sheetOf } from "../src/index.ts";

const made = (sheet: ShowSheet, edits: EditInput[]): ShowSheet => makeEdits(sheet, readEdits(edits)).sheet;
const onCues: fc.Arbitrary<EditInput> = fc.oneof(
  changeArbitrary,
  recordArbitrary,
  flagArbitrary,
  partArbitrary,
  copyArbitrary,
  renumberArbitrary,
  fc.record({ op: fc.constant("deleteCue" as const), cue: fc.constantFrom("1", "2", "3.5", "7") }),
);

/** A show and what some edits of its cues make of it. */
function edited(sheet: ShowSheet, edits: readonly (readonly [EditInput, number])[]): ShowSheet {
  return edits.reduce((now, [edit, pick]) => attempt(now, [fitEdit(now.show, edit, pick)])?.sheet ?? now, sheet);
}

test("the changes between two states lead from the one to the other, and back", () => {
  let different = 0;
  fc.assert(
    fc.property(showArbitrary, fc.array(fc.tuple(onCues, fc.nat()), { minLength: 1, maxLength: 5 }), (show, edits) => {
      const [before, after] = [sheetOf(show), edited(sheetOf(show), edits)];
      if (before.show !== after.show) different += 1;
      expect(serializeShow(takeSteps(before, stepsBetween(before.show, after.show)).show)).toBe(serializeShow(after.show));
      expect(serializeShow(takeSteps(after, stepsBetween(after.show, before.show)).show)).toBe(serializeShow(before.show));
    }),
  );
  expect(different).toBeGreaterThan(80);
});

const OLD = smallShow([
  oneCue("1", { "1": { intensity: 40, pan: 10 } }, { up: 3 }, { label: "Dawn" }),
  oneCue("2", { "5": { intensity: 60 } }, {}, { label: "Boat" }),
  oneCue("3", { "1": { intensity: 0 } }, {}, { label: "Night" }),
]);

test("a comparison tells cue by cue what came, went, took another number, looks or lasts otherwise", () => {
  const now = made(OLD, [
    { op: "record", cue: "1", moves: { "1": { intensity: 55 } } },
    { op: "setTimes", from: "1", to: "1", set: { up: 6 } },
    { op: "moveCue", cue: "2", to: "2.5" },
    { op: "deleteCue", cue: "3", looks: "letGo" },
    { op: "insertCue", cue: "9", label: "End" },
    { op: "setPalette", palette: { id: "dusk", family: "colour", label: "Dusk", values: [] } },
  ]);
  const { lines, summary, beside } = compareShows(OLD, now, "main");
  expect(lines.map(({ cue, after, words }) => [cue, after ?? null, words()])).toEqual([
    ["1", "1", expect.stringContaining("1 light 40 to 55")],
    ["2", "2.5", expect.stringContaining("becomes 2.5")],
    ["3", null, expect.any(String)],
    ["9", "9", expect.any(String)],
  ]);
  expect(lines[0]?.words()).toContain("lasts 3 → 6 s");
  expect(summary).toContain("removes 1 cue, adds 1 cue, 1 cue changes its number");
  expect(beside).toEqual(["Palette Dusk added"]);
});

test("each cue says the weightiest of what happens to it", () => {
  const now = made(OLD, [
    { op: "record", cue: "1", moves: { "1": { intensity: 55 } } },
    { op: "setTimes", from: "1", to: "1", set: { up: 6 } },
    { op: "moveCue", cue: "2", to: "2.5" },
    { op: "record", cue: "3", moves: { "5": { intensity: 60 } } },
    { op: "insertCue", cue: "9" },
  ]);
  expect(compareShows(OLD, now, "main").lines.map(({ cue, kind }) => [cue, kind])).toEqual([
    ["1", "looks"],
    ["2", "renumbered"],
    ["3", "stores"],
    ["9", "comes"],
  ]);
  const gone = compareShows(now, OLD, "main").lines.find(({ cue }) => cue === "9");
  expect(gone?.kind).toBe("goes");
});

test("another title is a difference, though every cue is the same", () => {
  const now = made(OLD, [{ op: "setShow", title: "Second night", newCue: { times: { up: 3 } } }]);
  const { beside, steps, lines } = compareShows(OLD, now, "main");
  expect(beside).toEqual(["The show is called Second night", "What new cues start with changed"]);
  expect(lines).toEqual([]);
  expect(serializeShow(takeSteps(OLD, steps).show)).toBe(serializeShow(now.show));
});

test("two states that are the same have nothing to tell", () => {
  const { lines, beside, steps } = compareShows(OLD, sheetOf(structuredClone(OLD.show)), "main");
  expect([lines, beside, steps]).toEqual([[], [], []]);
});

test("cues are brought back as they were, and nothing else", () => {
  const now = made(OLD, [
    { op: "record", cue: "1", moves: { "1": { intensity: 55 } } },
    { op: "record", cue: "2", moves: { "5": { intensity: 10 } } },
    { op: "deleteCue", cue: "3" },
  ]);
  const steps = bringBackSteps(now, OLD, { list: "main", cues: ["1", "3"] });
  const back = made(now, [{ op: "steps", steps: [...steps], words: "Cues 1 and 3 brought back" }]);
  expect(back.show.lists[0]?.cues.map(({ number }) => number)).toEqual(["1", "2", "3"]);
  expect(looksOf(back).map((look) => [look.get("1.intensity"), look.get("5.intensity")])).toEqual([
    [40, undefined],
    [40, 10],
    [0, 10],
  ]);
});

test("one light is brought back alone, and where nothing differs that is said", () => {
  const now = made(OLD, [{ op: "record", cue: "1", moves: { "1": { intensity: 55, pan: 90 }, "5": { intensity: 5 } } }]);
  const back = takeSteps(now, bringBackSteps(now, OLD, { list: "main", cues: ["1"], channels: [1] }));
  expect(looksOf(back)[0]).toEqual(
    new Map([
      ["1.intensity", 40],
      ["1.pan", 10],
      ["5.intensity", 5],
    ]),
  );
  expect(() => bringBackSteps(back, OLD, { list: "main", cues: ["1"], channels: [1] })).toThrow("the same in these cues");
  expect(() => bringBackSteps(back, OLD, { list: "main", cues: ["2"] })).toThrow("These cues are the same");
});
