import { LINE_HELP } from "@zm/core";
import { FIRST_STEPS, KEY_HELP, PLACES } from "../../src/app/keyHelp.ts";
import { readSeconds } from "../../src/shared/readSeconds.ts";
import { readTrigger } from "../../src/shared/readTrigger.ts";
import { targetWords } from "../../src/choice/lineText.ts";

/** Everything that the help is searched in. */
const entries = [
  ...FIRST_STEPS.map(({ does, how }) => `how to begin start first new ${does} ${how}`),
  ...PLACES.map(({ does, how, found }) => `${does} ${how} ${found}`),
  ...KEY_HELP.flatMap(({ where, keys }) => keys.map(({ shown, does, found = "" }) => [where, shown, does, found].join(" "))),
  ...LINE_HELP.flatMap(({ about, entries: own }) => own.map(({ typed, does, found = "" }) => [about, ...typed, does, found].join(" "))),
].map((entry) => entry.toLowerCase());

test.each([
  "blackout",
  "gobo",
  "dark",
  "start",
  "delete",
  "undo",
  "store",
  "default",
  "fade",
  "solo",
  "begin",
  "save",
  "export",
  "backup",
  "file",
  "mark",
  "prepare",
  "house lights",
  "work light",
  "flash",
  "preset",
  "autofollow",
  "why",
  "goto",
  "interval",
  "highlight",
  "universe",
  "assert",
  "autosave",
])("the help is found by %s", (word) => {
  expect(entries.some((entry) => entry.includes(word))).toBe(true);
});

test("a field without a delay takes minutes, and no delay", () => {
  expect(["", "1:30", "2.5", "2+1", "soon"].map(readSeconds)).toEqual([null, 90, 2.5, undefined, undefined]);
});

test("what a cue follows is read as the spine writes it, and never guessed", () => {
  expect(readTrigger("end + 2 s")).toEqual({ type: "follow", from: "complete", after: 2 });
  expect(readTrigger("go 1:30")).toEqual({ type: "follow", from: "go", after: 90 });
  expect(readTrigger("end")).toEqual({ type: "follow", from: "complete", after: 0 });
  expect(readTrigger("")).toBeNull();
  for (const text of ["2", "after 2", "end + x", "go + 1+2"]) expect(readTrigger(text)).toBeUndefined();
});

test("where a line lands is said in a word", () => {
  expect(targetWords({ blind: false, cues: null })).toBe("live");
  expect(targetWords({ blind: true, cues: { from: "3", to: "3" } })).toBe("blind 3");
  expect(targetWords({ blind: true, cues: { from: "10", to: "20" } })).toBe("blind 10 to 20");
});
