import { freshChoice } from "../support/freshChoice.ts";
import { type TimesPatch, listOf, patchedTimes, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import fc from "fast-check";
import type { KeyboardEvent } from "react";
import {
  chooseBefore,
  chooseCue,
  chooseLights,
  chooseList,
  chooseNothing,
  chosenCues,
  chosenLights,
  extendToCue,
  toggleLights,
  useSelection,
} from "../../src/choice/selection.ts";
import { layoutColumns } from "../../src/score/columns.ts";
import { moveFocus } from "../../src/score/walk.ts";
import { sheetLines } from "../../src/spine/lines.ts";
import { TIMED, timeIn, timePatch } from "../../src/shared/partTimes.ts";
import { readSpread } from "../../src/shared/readSpread.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const ALL = { folded: new Set<string>(), open: new Set<number>(), only: null };
const lines = sheetLines(list, { foldedScenes: new Set(), openCues: new Set() });
const layout = layoutColumns(sheet.show, "intensity", { ...ALL, folded: new Set(["cabin"]) });
beforeEach(() => freshChoice());

const chosen = (): readonly number[] => useSelection.getState().channels;

test("what was chosen before comes back, step by step, and going round loses nothing", () => {
  for (const lights of [[1, 2], [5], [61, 62, 63]]) chooseLights(lights);
  chooseBefore();
  expect(chosen()).toEqual([5]);
  chooseBefore();
  expect(chosen()).toEqual([1, 2]);
  chooseBefore();
  expect(chosen()).toEqual([61, 62, 63]);
});

test("the same choice twice is one step back, and six steps are kept", () => {
  for (let light = 1; light <= 9; light += 1) {
    chooseLights([light]);
    chooseLights([light]);
  }
  const back = Array.from({ length: 6 }, () => (chooseBefore(), chosen()[0]));
  expect(back).toEqual([8, 7, 6, 5, 4, 3]);
});

test("lights come to the choice, and leave it when all of them are in it", () => {
  toggleLights([1, 2]);
  toggleLights([2, 3]);
  expect(chosen()).toEqual([1, 2, 3]);
  toggleLights([1, 3]);
  expect(chosen()).toEqual([2]);
  expect(chosenLights()).toEqual([2]);
  chooseNothing();
  expect(chosenLights()).toBeUndefined();
  chooseBefore();
  expect(chosen()).toEqual([2]);
});

test("a range of cues runs from the lower to the higher, by number and not by letters", () => {
  expect(chosenCues(useSelection.getState())).toBeNull();
  chooseCue("10");
  extendToCue("9.5");
  expect(chosenCues(useSelection.getState())).toEqual({ from: "9.5", to: "10" });
  chooseList("sea");
  expect(chosenCues(useSelection.getState())).toBeNull();
});

/** Presses a key in the Score. */
function press(key: string, shiftKey = false): boolean {
  const event: Pick<KeyboardEvent, "key" | "shiftKey" | "altKey" | "metaKey"> = { key, shiftKey, altKey: false, metaKey: false };
  return moveFocus(event, list, lines, layout);
}

test("the arrow keys walk cues and lights, a folded group is one step with all its lights", () => {
  expect(press("ArrowDown")).toBe(true);
  expect(useSelection.getState().cue).toBe("0.5");
  press("ArrowRight");
  expect(chosen()).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  press("ArrowRight");
  expect(chosen()).toEqual([11]);
  press("End");
  expect(useSelection.getState().cue).toBe(list.cues.at(-1)?.number);
  press("PageUp");
  // A page is fifteen lines; one of them is the cue that is switched off.
  expect(useSelection.getState().cue).toBe(list.cues.at(-15)?.number);
  expect(press("x")).toBe(false);
});

test("with Shift the block grows from where it began, in both directions", () => {
  press("ArrowDown");
  press("ArrowRight");
  press("ArrowRight");
  press("ArrowDown", true);
  press("ArrowRight", true);
  expect(chosenCues(useSelection.getState())).toEqual({ from: "0.5", to: "1" });
  expect(chosen()).toEqual([11, 12]);
  press("ArrowLeft", true);
  press("ArrowLeft", true);
  expect(chosen()).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 11]);
});

test("a part has the time that it is given; taken away it has none, and others stay", () => {
  const seconds = fc.integer({ min: 0, max: 80 }).map((quarter) => quarter / 4);
  const change = fc.tuple(fc.constantFrom(...TIMED), fc.constantFrom("time" as const, "delay" as const), fc.option(seconds));
  fc.assert(
    fc.property(fc.array(change, { maxLength: 12 }), (changes) => {
      const expected = new Map<string, number>();
      let times = {};
      for (const [of, what, value] of changes) {
        const patch: TimesPatch = timePatch(of, what, value);
        times = patchedTimes(times, patch);
        if (value === null) expected.delete(`${of}/${what}`);
        else expected.set(`${of}/${what}`, value);
      }
      for (const of of TIMED)
        for (const what of ["time", "delay"] as const) expect(timeIn(times, of, what)).toBe(expected.get(`${of}/${what}`));
      if (expected.size === 0) expect(times).toEqual({});
    }),
  );
  expect(timeIn(undefined, "position", "delay")).toBeUndefined();
});

test("a spread of seconds reads as a fan of numbers, none below 0", () => {
  expect([readSpread("0~5"), readSpread(" 2,5 "), readSpread(""), readSpread("-1"), readSpread("3~"), readSpread("1 ~ 2 ~ 1")]).toEqual([
    "0~5",
    2.5,
    null,
    undefined,
    undefined,
    "1~2~1",
  ]);
});
