import { findRow, listOf, makeEdits, readEdits, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chosenLines, lineMarks, linesFrom, sceneAround } from "../../src/book/book.ts";
import { callEdit, callThere, landingWords, wordCount } from "../../src/book/callWords.ts";
import { leaveCaller, receiveCaller, receiveCallerEvent, useCaller } from "../../src/show/caller.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const script = sheet.show.script ?? { lines: [] };

test("every called cue stands at its word, and its standby where that is spoken", () => {
  const marks = lineMarks(list, script);
  const order = new Map(script.lines.map(({ id }, place) => [id, place]));
  const places = new Map<string, { standby?: number; go?: number }>();
  for (const [line, own] of marks)
    for (const { cue, kind, word } of own)
      places.set(cue, { ...places.get(cue), [kind]: (order.get(line) ?? 0) + Math.max(0, word) / 1000 });
  const called = list.cues.filter(({ call }) => call);
  expect(called.length).toBeGreaterThan(70);
  for (const { number } of called) expect([number, places.get(number)?.go !== undefined]).toEqual([number, true]);
  const both = [...places].filter(([, { standby, go }]) => standby !== undefined && go !== undefined);
  expect(both.length).toBeGreaterThan(60);
  for (const [cue, { standby = 0, go = 0 }] of both) expect([cue, standby <= go]).toEqual([cue, true]);
  expect(lineMarks(list, script)).toBe(marks);
});

test("a scene goes up to the next heading; lines are chosen from one end to the other", () => {
  const { first, last } = sceneAround(script, "I.3.8");
  expect([script.lines[first]?.id, script.lines[last + 1]?.id]).toEqual(["I.3", "I.4"]);
  expect(sceneAround({ lines: [{ id: "x", text: "no scene" }] }, "x")).toEqual({ first: 0, last: 0 });
  expect(linesFrom(script, "I.3.9", "I.3.7")).toEqual(["I.3.7", "I.3.8", "I.3.9"]);
  expect(linesFrom(script, "I.3.9", "gone")).toEqual([]);
  expect(chosenLines(script, { at: { line: "I.3.8", word: 2 }, until: null })).toEqual([]);
  expect(chosenLines(script, { at: { line: "I.3.8", word: 2 }, until: "I.3.8" })).toEqual(["I.3.8"]);
});

test("a cue put at a word keeps how it is called, and says where it would land", () => {
  const row = findRow(list, "14");
  const there = callThere(list, script, row, { line: "I.3.8", word: 2 });
  expect(there).toEqual({ line: "I.3.8", word: "it", kind: "on" });
  expect(landingWords(list, script, row, { line: "I.3.8", word: 2 })).toMatch(
    /^Cue 14 The crate on “it”, line I\.3\.8, [\d.]+ s after 13, [\d.]+ s before 15$/,
  );
  expect(landingWords(list, script, row, { line: "I.1.3", word: 0 })).toContain("before cue 13 is called: it would wait for that");
  expect(landingWords(list, script, row, { line: "gone", word: 0 })).toBe("");
  const after = makeEdits(sheet, readEdits([callEdit(list, row, { line: "I.3.8", word: "first", kind: "after" })])).sheet;
  expect(callThere(listOf(after), script, row, { line: "I.3.9", word: 0 })).toEqual({ line: "I.3.9", word: "Eleven", kind: "after" });
  expect(wordCount("  two   words ")).toBe(2);
});

test("the caller's messages are taken as they come: the line read, what is said, that it left", () => {
  const event = { show: 1, moment: 4, line: null, cue: null } as const;
  receiveCaller({ running: true, speed: 20, said: [] });
  receiveCallerEvent({ ...event, what: "reads", words: "ADA: Yes.", line: "a" });
  expect(useCaller.getState()).toMatchObject({ running: true, line: "a", said: [] });
  receiveCallerEvent({ ...event, what: "standby", words: "Stand by cue 2", cue: "2" });
  receiveCallerEvent({ ...event, what: "go", words: "Cue 2, go", cue: "2", line: "b" });
  expect(useCaller.getState().said.map(({ words }) => words)).toEqual(["Cue 2, go", "Stand by cue 2"]);
  expect(useCaller.getState().line).toBe("a");
  for (let many = 0; many < 100; many += 1) receiveCallerEvent({ ...event, what: "says", words: `word ${many}` });
  expect(useCaller.getState().said).toHaveLength(60);
  receiveCallerEvent({ ...event, what: "ends", words: "The caller has left" });
  expect(useCaller.getState()).toMatchObject({ running: false, line: null });
  leaveCaller();
  expect(useCaller.getState().said).toEqual([]);
});
