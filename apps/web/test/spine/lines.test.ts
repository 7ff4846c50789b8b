import { freshChoice } from "../support/freshChoice.ts";
import { findRow, listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { keysInPart, lensKeys, partOf } from "../../src/cells/cells.ts";
import { timesInRow, timesOfKeys, timesScale } from "../../src/cells/cellTimes.ts";
import {
  NO_LIGHTS,
  chooseCue,
  chooseCues,
  chooseSpan,
  chosenCellAttributes,
  chosenCellKeys,
  useSelection,
} from "../../src/choice/selection.ts";
import { useSheetView } from "../../src/choice/sheetView.ts";
import { columnsBetween, layoutColumns, placeOfLight } from "../../src/score/columns.ts";
import { movingLights, shownLights, toggleMoving } from "../../src/score/moving.ts";
import { chooseCell, moveFocus } from "../../src/score/walk.ts";
import { lineAfter, rowsOfLines, sheetLines } from "../../src/spine/lines.ts";
import { partLights } from "../../src/spine/partLights.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
/** Every cue has a line of its own, also one that is switched off. */
const written = list.cues.length + (list.list.off ?? []).length;
const row = (cue: string): number => findRow(list, cue);
const timers = import.meta.jest;
// A notice leaves by itself after a while; nobody waits for that here.
beforeEach(() => {
  timers.useFakeTimers();
  freshChoice();
});
afterEach(() => timers.useRealTimers());

const folds = (scenes: string[], cues: string[] = []) => ({
  foldedScenes: new Set(scenes.map((scene) => `main/${scene}`)),
  openCues: new Set(cues.map((cue) => `main/${cue}`)),
});

test("a folded scene is one line for all its cues, and the cues around it stand as they were", () => {
  const { lines, lineOf } = sheetLines(list, folds(["I.2"]));
  const [first, last] = [row("6"), row("11")];
  expect(lines.length).toBe(written - (last - first));
  expect(lines[lineOf[first] ?? -1]).toEqual({ kind: "scene", row: first, last, scene: "I.2" });
  for (let each = first; each <= last; each += 1) expect(lineOf[each]).toBe(lineOf[first]);
  expect(lineOf[last + 1]).toBe((lineOf[first] ?? 0) + 1);
  expect(lineOf[first - 1]).toBe((lineOf[first] ?? 0) - 1);
  expect(rowsOfLines({ lines, lineOf }, lineOf[first] ?? 0, lineOf[first] ?? 0)).toEqual({ first, last });
});

test("the parts of an open cue stand under it, and what comes behind moves down", () => {
  const opened = sheetLines(list, folds([], ["4"]));
  const at = opened.lineOf[row("4")] ?? -1;
  expect(opened.lines.slice(at, at + 4)).toEqual([
    { kind: "cue", row: row("4") },
    { kind: "part", row: row("4"), part: 1 },
    { kind: "part", row: row("4"), part: 2 },
    { kind: "cue", row: row("5") },
  ]);
  expect(lineAfter(opened, row("4"))).toBe(at + 3);
  // A cue with one part has nothing to open.
  expect(sheetLines(list, folds([], ["5"])).lines.length).toBe(written);
});

test("the keys walk past parts, and a folded scene is chosen as all of its cues", () => {
  const layout = layoutColumns(sheet.show, "intensity", { folded: new Set(), open: new Set(), only: null });
  const lines = sheetLines(list, folds(["I.2"], ["4"]));
  const press = (key: string, shiftKey = false): boolean => moveFocus({ key, shiftKey }, list, lines, layout);
  chooseCue("4");
  press("ArrowDown");
  expect(useSelection.getState().cueEnd).toBe("5");
  press("ArrowUp");
  expect(useSelection.getState().cueEnd).toBe("4");
  chooseCue("5.5");
  press("ArrowDown");
  expect(useSelection.getState()).toMatchObject({ cue: "6", cueEnd: "11" });
  press("ArrowDown");
  expect(useSelection.getState()).toMatchObject({ cue: "12", cueEnd: "12" });
  press("ArrowUp", true);
  expect(useSelection.getState()).toMatchObject({ cue: "12", cueEnd: "6" });
});

test("an opened light is a column for each attribute, and choosing some chooses these keys", () => {
  const layout = layoutColumns(sheet.show, "intensity", { folded: new Set(), open: new Set([61]), only: null });
  const own = layout.columns.filter(({ channel }) => channel === 61).map(({ attribute }) => attribute);
  expect(own).toEqual(["intensity", "pan", "tilt", "red", "green", "blue", "zoom", "gobo"]);
  const lines = sheetLines(list, folds([]));
  const place = (attribute: string): number => placeOfLight(layout, 61, attribute);
  chooseCell(list, lines, layout, { line: 3, column: place("pan") }, false);
  chooseCell(list, lines, layout, { line: 5, column: place("tilt") }, true);
  expect(chosenCellAttributes(useSelection.getState())).toEqual(["pan", "tilt"]);
  expect(chosenCellKeys(useSelection.getState(), useSheetView.getState().lens)).toEqual({ channels: [61], attributes: ["pan", "tilt"] });
  // A block across lights takes whole lights.
  expect(columnsBetween(layout, place("gobo"), placeOfLight(layout, 62)).attributes).toBeNull();
  // Other lights chosen elsewhere have none of these attributes chosen.
  chooseSpan({ ...NO_LIGHTS, channels: [1] });
  expect(chosenCellKeys(useSelection.getState(), useSheetView.getState().lens)).toEqual({ channels: [1], families: ["intensity"] });
  // Through the lens of a family a light opens into that family.
  const colour = layoutColumns(sheet.show, "colour", { folded: new Set(), open: new Set([61]), only: null });
  expect(colour.columns.filter(({ channel }) => channel === 61).map(({ attribute }) => attribute)).toEqual(["red", "green", "blue"]);
});

test("the sheet narrows to the lights that store a move in the chosen cues, and widens again", () => {
  const stored = new Set(
    list.cues.slice(row("3"), row("4") + 1).flatMap((cue) => cue.parts.flatMap(({ moves }) => Object.keys(moves).map(Number))),
  );
  expect(new Set(movingLights(list, { first: row("3"), last: row("4") }))).toEqual(stored);
  toggleMoving(list);
  expect(useSheetView.getState().moving).toBeNull();
  chooseCues("4", "3");
  toggleMoving(list);
  const only = shownLights(list, useSheetView.getState().moving);
  const layout = layoutColumns(sheet.show, "intensity", { folded: new Set(), open: new Set(), only });
  expect(new Set(layout.columns.map(({ channel }) => channel))).toEqual(stored);
  toggleMoving(list);
  expect(shownLights(list, useSheetView.getState().moving)).toBeNull();
});

test("a cell knows the part that its moves stand in", () => {
  const stairs = lensKeys(list, 75, "position");
  expect(partOf(list, stairs, row("4"))).toBe(2);
  expect(keysInPart(list, stairs, row("4"), 2)).toEqual(stairs);
  expect(keysInPart(list, stairs, row("4"), 1)).toEqual([]);
  expect(partOf(list, stairs, row("5"))).toBe(0);
});

test("times are of the light or of one attribute, on a scale that most cues fit in", () => {
  const light = timesInRow(list, row("4")).ofLights.get(75);
  expect(light).toMatchObject({ delay: 3, end: 7 });
  const [pan] = lensKeys(list, 61, "position");
  expect(pan && timesOfKeys(list, [pan], row("4"))).toMatchObject({ text: "9", delay: 0, end: 9, own: false });
  expect(timesOfKeys(list, lensKeys(list, 1, "times"), row("3"))).toBeUndefined();
  expect(timesScale(list).seconds).toBeGreaterThanOrEqual(9);
});

test("the lights of a part stand in runs of neighbours, and what has no room stands together", () => {
  const moves = (...lights: number[]): { moves: Record<string, { intensity: number }> } => ({
    moves: Object.fromEntries(lights.map((light) => [String(light), { intensity: 1 }])),
  });
  expect(partLights(moves(3, 1, 2, 11, 12))).toEqual([
    [1, 2, 3],
    [11, 12],
  ]);
  expect(partLights(moves(1, 5, 6, 9))).toEqual([[1], [5, 6, 9]]);
  expect(partLights(moves())).toEqual([]);
});
