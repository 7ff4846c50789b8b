import { type Question, listOf, readLine, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { NO_QUESTION, askSentence, entryOf, thenSentence } from "../../src/ask/askSentence.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);

const QUESTIONS: readonly Question[] = [
  { about: "value", channels: [1, 2], attribute: "intensity", is: ">=", value: 50 },
  { about: "value", channels: [61], attribute: "pan", is: "<", value: -20 },
  { about: "shows", channels: [21, 22, 23], palette: "dusk" },
  { about: "time", column: "positionDelay", is: "=", value: 1.5 },
  { about: "moves", channels: [5, 8] },
  { about: "uses", kind: "palette", id: "dusk" },
];

test.each(QUESTIONS)("what was asked stands in the fields again, and they write the sentence that asks it: $about", (question) => {
  const text = askSentence(entryOf(question, []));
  expect(readLine(text, { sheet, list, cues: undefined })).toEqual({ request: { kind: "ask", question } });
});

test("nothing is asked while a field is empty", () => {
  for (const about of ["value", "shows", "time", "moves", "uses"] as const) expect(askSentence({ ...NO_QUESTION, about })).toBe("");
  expect(askSentence({ ...NO_QUESTION, lights: "12" })).toBe("");
});

test("what is done in all of them stands behind a colon, and only behind a whole question", () => {
  expect(thenSentence({ ...NO_QUESTION, lights: "12", value: "50", then: " 12 = 40 " })).toBe("where 12 > 50: 12 = 40");
  expect(thenSentence({ ...NO_QUESTION, lights: "12", then: "12 = 40" })).toBe("");
  expect(thenSentence({ ...NO_QUESTION, lights: "12", value: "50" })).toBe("");
});

test("the lights that are chosen are those that are asked for", () => {
  expect(entryOf("new", [1, 2, 3]).lights).toBe("1..3");
});
