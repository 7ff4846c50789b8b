import { expect, test } from "@jest/globals";
import {
  Mix,
  type Press,
  PressRefusedError,
  ShowError,
  applyRunChange,
  runChangeOf,
  readShow,
  readPress,
  sheetOf,
} from "../../src/index.ts";

const cue = (number: string, level: number) => ({ number, parts: [{ number: 1, times: { up: 2 }, moves: { "1": { intensity: level } } }] });
const sheet = sheetOf(
  readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "Presses",
    fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }] }],
    channels: [{ number: 1, type: "lamp" }],
    heldLooks: [{ id: "work", label: "Work light", values: { "1": { intensity: 80 } } }],
    tempos: [{ id: "sea", label: "Sea", perMinute: 60 }],
    lists: [
      { id: "main", label: "Main", cues: [cue("1", 50), cue("2", 70)] },
      { id: "side", label: "Side", cues: [cue("1", 20)] },
    ],
  }),
);

/** A run in which these were pressed, one a second. */
function after(...presses: Press[]): Mix {
  return presses.reduce(
    (mix, press, second) => applyRunChange(mix, runChangeOf(mix, press, second, "main"), sheet, "main"),
    new Mix(sheet),
  );
}
const cueOf = (mix: Mix, list = "main"): string | null | undefined => mix.lists.get(list)?.cue;

test("without a list a press speaks of the first, with one of that", () => {
  const mix = after({ press: "go" }, { press: "go", list: "side" });
  expect([cueOf(mix), cueOf(mix, "side")]).toEqual(["1", "1"]);
  expect(() => after({ press: "go", list: "attic" })).toThrow('There is no list "attic"; the lists are main, side');
});

test("a Go fires what the window saw as next, and refuses where that has gone or there is none", () => {
  expect(cueOf(after({ press: "go", cue: "1" }, { press: "go", cue: "2" }))).toBe("2");
  expect(() => after({ press: "go", cue: "1" }, { press: "go", cue: "1" })).toThrow(
    new PressRefusedError("Cue 1 has already gone; the next is 2"),
  );
  expect(() => after({ press: "go" }, { press: "go" }, { press: "go" })).toThrow("This is the last cue; there is none to go to");
});

test("two windows that let a held list go on fire nothing", () => {
  const held: Press[] = [{ press: "go" }, { press: "hold", held: true }, { press: "go", held: true }];
  expect(cueOf(after(...held))).toBe("1");
  expect(() => after(...held, { press: "go", held: true })).toThrow("The list goes on already; nothing was fired");
  expect(() => after({ press: "go" }, { press: "hold" }, { press: "go", held: false })).toThrow(/held meanwhile/);
});

test("back refuses where the list stands elsewhere by now, or in its first cue", () => {
  expect(cueOf(after({ press: "go" }, { press: "go" }, { press: "back", cue: "2" }))).toBe("1");
  expect(() => after({ press: "go" }, { press: "go" }, { press: "back", cue: "1" })).toThrow(
    "The list stands in cue 2 by now; nothing was pressed",
  );
  expect(() => after({ press: "go" }, { press: "back" })).toThrow("There is no cue before this one");
});

test("a bump is its look at full at once, whatever stands with it", () => {
  const mix = after({ press: "look", look: "work", level: 30 });
  expect(runChangeOf(mix, { press: "bump", look: "work" }, 5, "main")).toEqual({ t: 5, look: "work", level: 100, time: 0 });
  expect(() => after({ press: "bump", look: "moon" })).toThrow('There is no held look "moon"; the held looks are work');
});

test("what goes together goes with one press, and nothing chosen is refused", () => {
  const chosen = [
    { list: "main", cue: "2" },
    { list: "side", cue: "1" },
  ];
  const mix = after({ press: "standby", chosen }, { press: "fire" });
  expect([cueOf(mix), cueOf(mix, "side")]).toEqual(["2", "1"]);
  expect(() => after({ press: "fire" })).toThrow(PressRefusedError);
});

test.each([
  [{ press: "goto" }, "Go to which cue? Give its number"],
  [{ press: "master", list: "main" }, "This press needs a level, 0 to 100"],
  [{ press: "fader" }, "This press needs a level, 0 to 100"],
  [{ press: "rate" }, "This press needs a rate, such as 1.5"],
  [{ press: "look", level: 5 }, "This press needs a look"],
  [{ press: "look", look: "work" }, "This press needs a level, 0 to 100"],
  [{ press: "bump" }, "This press needs a look"],
  [{ press: "tempo", tempo: "sea" }, "This press needs a perMinute, beats a minute"],
] as const)("fields that make no press say what is missing: %j", (fields, words) => {
  expect(() => readPress(fields)).toThrow(new ShowError(words));
});

test("fields of other presses are left aside", () => {
  expect(JSON.parse(JSON.stringify(readPress({ press: "go", list: "side", level: 30, look: "work", cue: "1" })))).toEqual({
    press: "go",
    list: "side",
    cue: "1",
  });
});
