import {
  type EditInput,
  type Outcome,
  type Show,
  type ShowSheet,
  callMoment,
  cueCalls,
  expectedTimes,
  guessScriptFormat,
  listOf,
  makeEdits,
  placeAt,
  playSeconds,
  readEdits,
  readScriptText,
  readShow,
  serializeShow,
  sheetOf,
  applySteps,
  writeScriptText,
} from "../../src/index.ts";
import { attempt, refusal } from "../support/attempt.ts";
import { oneCue } from "../support/smallShow.ts";

const LINES = [
  { id: "I.1", text: "Act one", heading: true },
  { id: "I.1.1", page: 1, who: "ADA", text: "You could come down with me." },
  { id: "I.1.2", page: 1, text: "(She lifts the lid.)", seconds: 6 },
  { id: "I.1.3", page: 1, who: "EDWIN", text: "Then leave the lamp, the lamp is all.", quiet: true },
  { id: "I.1.4", page: 2, who: "ADA", text: "It is only oil." },
];

function play(calls: Readonly<Record<string, object | undefined>>, script: object = { pace: 60, lines: LINES }): ShowSheet {
  return sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "A play",
      fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }] }],
      channels: [{ number: 1, type: "lamp", label: "" }],
      lists: [
        {
          id: "main",
          label: "Main",
          cues: Object.entries(calls).map(([number, call]) =>
            oneCue(number, { 1: { intensity: Number(number) } }, {}, call ? { call } : {}),
          ),
        },
      ],
      script,
    }),
  );
}

const make = (sheet: ShowSheet, ...edits: EditInput[]): Outcome => makeEdits(sheet, readEdits(edits));
const textOf = (show: Show): string[] => (show.script?.lines ?? []).map(({ text }) => text);
const callOf = (sheet: ShowSheet, cue: string) => listOf(sheet).cues.find(({ number }) => number === cue)?.call;

/** Makes edits and takes them back: the document is the same, and the steps alone lead to the same show. */
function thereAndBack(sheet: ShowSheet, ...edits: EditInput[]): Outcome {
  const outcome = make(sheet, ...edits);
  expect(serializeShow(applySteps(sheet, outcome.steps).show)).toBe(serializeShow(outcome.sheet.show));
  expect(serializeShow(makeEdits(outcome.sheet, readEdits(outcome.inverse)).sheet.show)).toBe(serializeShow(sheet.show));
  expect(serializeShow(readShow(JSON.parse(serializeShow(outcome.sheet.show))))).toBe(serializeShow(outcome.sheet.show));
  return outcome;
}

describe("time", () => {
  test("a heading takes no time, and its pace holds up to the next heading", () => {
    const script = {
      pace: 60,
      lines: [
        { id: "a", text: "one two three four" },
        { id: "b", text: "Scene two", heading: true, pace: 120 },
        { id: "c", text: "one two three four" },
        { id: "d", text: "one two three four", pace: 30 },
        { id: "e", text: "Scene three", heading: true },
        { id: "f", text: "one two three four" },
      ],
    };
    const sheet = play({ 1: { line: "b" }, 2: { line: "c" }, 3: { line: "d" }, 4: { line: "e" }, 5: { line: "f", kind: "after" } }, script);
    expect(expectedTimes(listOf(sheet), sheet.show.script)).toEqual([4, 4, 6, 14, 18]);
    expect(sheet.show.script && playSeconds(sheet.show.script)).toBe(18);
  });

  test("the second of two like words is meant where the call counts to it", () => {
    const { script } = play({}).show;
    const start = 6 + 6;
    expect(callMoment(script, { line: "I.1.3", word: "lamp", kind: "on" })).toBe(start + 3);
    expect(callMoment(script, { line: "I.1.3", word: "LAMP", nth: 2, kind: "on" })).toBe(start + 5);
    expect(callMoment(script, { line: "I.1.3", word: "lamp", nth: 2, kind: "after" })).toBe(start + 6);
  });

  test("the word at a moment is the one that is spoken then", () => {
    const { script } = play({}).show;
    const said = (moment: number) => {
      const place = script && placeAt(script, moment);
      return [place?.line.id, place?.word];
    };
    expect(said(0)).toEqual(["I.1.1", 0]);
    expect(said(5.5)).toEqual(["I.1.1", 5]);
    expect(said(15)).toEqual(["I.1.3", 3]);
    expect(said(9999)).toEqual(["I.1.4", 3]);
  });

  test("a standby comes 5 s before its call, never before the Go of the cue before", () => {
    const sheet = play({ 1: { line: "I.1.1", word: "with" }, 2: { line: "I.1.2" }, 3: { line: "I.1.4" } });
    const calls = cueCalls(listOf(sheet), sheet.show.script).map(({ cue, call, standby }) => [cue, call, standby]);
    expect(calls).toEqual([
      ["1", 4, 0],
      ["2", 6, 4],
      ["3", 20, 15],
    ]);
  });

  test("a standby comes as long before as the show says", () => {
    const sheet = make(play({ 3: { line: "I.1.4" } }), { op: "setScript", standby: 2 }).sheet;
    expect(cueCalls(listOf(sheet), sheet.show.script).map(({ standby }) => standby)).toEqual([18]);
  });

  test("a cue that follows by itself is not called", () => {
    const sheet = play({ 1: { line: "I.1.1" }, 2: { line: "I.1.2" } });
    const follows = make(sheet, { op: "setCue", from: "2", to: "2", trigger: { type: "follow", from: "go", after: 1 } }).sheet;
    expect(cueCalls(listOf(follows), follows.show.script).map(({ cue }) => cue)).toEqual(["1"]);
    // Nothing comes before the first cue that it could follow: somebody presses it.
    const first = make(sheet, { op: "setCue", from: "1", to: "1", trigger: { type: "follow", from: "go", after: 1 } }).sheet;
    expect(cueCalls(listOf(first), first.show.script).map(({ cue }) => cue)).toEqual(["1", "2"]);
  });
});

describe("text", () => {
  test("plain text tells speech, directions, headings and pages apart", () => {
    const text =
      "ACT ONE\n\npage 3\n\nADA: Forty-one steps.\nMy father counted them.\n\nEDWIN\n(quietly)\nIs this the light?\n\n# The stair\n(She climbs.)";
    expect(readScriptText(text, "plain")).toEqual([
      { heading: true, text: "ACT ONE" },
      { who: "ADA", text: "Forty-one steps. My father counted them.", page: 3 },
      { text: "(quietly)", page: 3 },
      { who: "EDWIN", text: "Is this the light?", page: 3 },
      { heading: true, text: "The stair", page: 3 },
      { text: "(She climbs.)", page: 3 },
    ]);
  });

  test("Fountain tells speech, directions, headings and pages apart, and leaves notes out", () => {
    const text =
      "Title: Salt\n\n# Act one\n\nINT. LIGHTHOUSE - NIGHT\n\nThe sea at night.\n\nADA (O.S.)\nForty-one *steps*.\n(quietly)\nMy father counted.\n\n[[check this]]\n\n===\n\n@McAlly\nYes.\n\n> CUT TO:\n";
    expect(readScriptText(text, "fountain")).toEqual([
      { heading: true, text: "Act one" },
      { heading: true, text: "INT. LIGHTHOUSE - NIGHT" },
      { text: "The sea at night." },
      { who: "ADA", text: "Forty-one steps." },
      { text: "(quietly)" },
      { who: "ADA", text: "My father counted." },
      { who: "McAlly", text: "Yes.", page: 2 },
      { text: "CUT TO:", page: 2 },
    ]);
  });

  test("the format is guessed from scene headings and title pages", () => {
    expect(guessScriptFormat("INT. ROOM - DAY\n\nADA\nYes.")).toBe("fountain");
    expect(guessScriptFormat("Title: Salt\n\nADA\nYes.")).toBe("fountain");
    expect(guessScriptFormat("Act one\n\nADA: Yes.")).toBe("plain");
  });

  test("what is written as text reads back as the same lines", () => {
    const read = readScriptText(writeScriptText(LINES), "plain");
    expect(read.map(({ who, text, heading }) => [who, text, heading])).toEqual(LINES.map(({ who, text, heading }) => [who, text, heading]));
  });
});

describe("edits of the script", () => {
  const calls = {
    1: { line: "I.1.1", word: "come", kind: "on" },
    2: { line: "I.1.3", word: "lamp", kind: "after" },
    3: { line: "I.1.4", kind: "on" },
  };

  test("a first script comes into a show without one, and goes with the undo", () => {
    const empty = sheetOf({ ...play({}).show, script: undefined });
    const { sheet } = thereAndBack(empty, { op: "setText", text: "ADA: Yes.\n\n(She goes.)" });
    expect(sheet.show.script).toEqual({
      lines: [
        { id: "0.1", who: "ADA", text: "Yes." },
        { id: "0.2", text: "(She goes.)" },
      ],
    });
  });

  test("lines that stay keep ids, length and silence; a new one gets an id behind the line before", () => {
    const text = writeScriptText(LINES).replace("EDWIN: Then", "ADA: And the wires?\n\nEDWIN: So then");
    const { sheet, notes } = thereAndBack(play(calls), { op: "setText", text });
    expect(sheet.show.script?.lines.map(({ id, text, quiet, seconds }) => [id, text, quiet, seconds])).toEqual([
      ["I.1", "Act one", undefined, undefined],
      ["I.1.1", "You could come down with me.", undefined, undefined],
      ["I.1.2", "(She lifts the lid.)", undefined, 6],
      ["I.1.2a", "And the wires?", undefined, undefined],
      ["I.1.3", "So then leave the lamp, the lamp is all.", true, undefined],
      ["I.1.4", "It is only oil.", undefined, undefined],
    ]);
    expect(notes).toEqual([]);
    expect(callOf(sheet, "2")).toEqual({ line: "I.1.3", word: "lamp", kind: "after" });
  });

  test("a cue goes with its word into another line", () => {
    const text = writeScriptText(LINES).replace("Then leave the lamp, the lamp is all.", "Then leave.\n\nADA: The lamp, the lamp is all.");
    const { sheet, notes } = thereAndBack(play(calls), { op: "setText", text });
    const line = sheet.show.script?.lines.find((each) => each.text.startsWith("The lamp"))?.id ?? "";
    expect(callOf(sheet, "2")).toEqual({ line, word: "lamp", kind: "after" });
    expect(notes).toEqual([]);
  });

  test("a cue stays on its word where a like word comes before it", () => {
    const { sheet } = thereAndBack(play(calls), {
      op: "setLines",
      lines: ["I.1.3"],
      text: "The lamp! Then leave the lamp, the lamp is all.",
    });
    expect(callOf(sheet, "2")).toEqual({ line: "I.1.3", word: "lamp", nth: 2, kind: "after" });
  });

  test("a cue whose word is gone stands on the word that is there now, and it is told", () => {
    const { sheet, notes } = thereAndBack(play(calls), { op: "setLines", lines: ["I.1.1"], text: "You could walk down with me." });
    expect(callOf(sheet, "1")).toEqual({ line: "I.1.1", word: "walk", kind: "on" });
    expect(notes).toEqual(["Cue 1: “come” is gone; it is called on “walk” now"]);
  });

  test("a cue whose line is cut stands where the cut is, and it is told", () => {
    const { sheet, notes } = thereAndBack(play(calls), { op: "setText", first: "I.1.1", last: "I.1.1", text: "" });
    expect(textOf(sheet.show)).not.toContain("You could come down with me.");
    expect(callOf(sheet, "1")?.line).toBe("I.1.2");
    expect(notes).toHaveLength(1);
    expect(notes[0]).toContain("Cue 1: its line is cut");
  });

  test("the worst is told first: a line that is cut before a word that is gone", () => {
    const { notes } = thereAndBack(play(calls), {
      op: "setText",
      first: "I.1.1",
      last: "I.1.4",
      text: "ADA: You could walk down with me.",
    });
    expect(notes.map((note) => note.slice(0, 22))).toEqual(["Cue 2: its line is cut", "Cue 3: its line is cut", "Cue 1: “come” is gone;"]);
  });

  test("a stretch is written anew and what is around it stays", () => {
    const { sheet } = thereAndBack(play(calls), { op: "setText", first: "I.1.2", last: "I.1.3", text: "(She waits.)" });
    expect(textOf(sheet.show)).toEqual(["Act one", "You could come down with me.", "(She waits.)", "It is only oil."]);
  });

  test("lines get and lose what is known of them", () => {
    const { sheet } = thereAndBack(
      play(calls),
      { op: "setLines", lines: ["I.1.1", "I.1.4"], quiet: true, pace: 90 },
      { op: "setLines", lines: ["I.1.2"], seconds: null },
    );
    expect(sheet.show.script?.lines.filter(({ quiet }) => quiet).map(({ id }) => id)).toEqual(["I.1.1", "I.1.3", "I.1.4"]);
    expect(sheet.show.script?.lines[2]).toEqual({ id: "I.1.2", page: 1, text: "(She lifts the lid.)" });
  });

  test("script edits change no look", () => {
    const { impact } = thereAndBack(play(calls), { op: "setText", text: "ADA: Nothing is left." });
    expect(impact).toEqual({ storedCues: [], looks: [] });
  });

  test("what is not there is refused by name, and nothing changes", () => {
    const sheet = play(calls);
    expect(refusal(sheet, [{ op: "setLines", lines: ["I.9.9"], quiet: true }])).toContain(
      "The script has no line I.9.9; its lines go from I.1 to I.1.4",
    );
    expect(refusal(sheet, [{ op: "setText", first: "I.1.4", last: "I.1.1", text: "" }])).toContain("name the earlier one first");
    expect(refusal(sheetOf({ ...sheet.show, script: undefined }), [{ op: "setLines", lines: ["I.1"], quiet: true }])).toContain(
      "The show has no script",
    );
  });

  test("a text with a line that no document can hold is refused by the place of the line", () => {
    const sheet = play(calls);
    const words = (text: string, format?: "fountain") => refusal(sheet, [{ op: "setText", text, ...(format ? { format } : {}) }]);
    expect(words(`ADA: Yes.\n\n${"It is only oil. ".repeat(700)}`)).toMatch(
      /^Line 2 of the text, “It is only oil\..*”: text: is longer than 10,000 letters; divide it by an empty line$/,
    );
    expect(words(`${"A".repeat(101)}\nYes.`, "fountain")).toContain("who: is longer than 100 letters");
    expect(words(`page ${"9".repeat(400)}\n\nADA: Yes.`)).toContain("Line 1 of the text, “Yes.”: page: is a number");
    expect(words("ADA: Yes\u0007.")).toContain("holds a control character");
    expect(attempt(sheet, [{ op: "setText", text: "page 7\n\nADA: Yes." }])).not.toBeNull();
  });
});
