import { type EditInput, type ShowSheet, describeEdits, listOf, makeEdits, readEdits, readLine } from "../../src/index.ts";
import { refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const bare = smallShow(["1", "2", "3", "4"].map((number) => oneCue(number, { 5: { intensity: Number(number) * 10 } })));
/** The small show with a play, and cues called at its lines. */
function played(calls: Readonly<Record<string, string>>, scenes: Readonly<Record<string, string>> = {}): ShowSheet {
  const edits: EditInput[] = [
    { op: "setText", text: "# Act one\n\nADA: You could come down with me.\n\n# Act two\n\nADA: It is only oil." },
    ...Object.entries(calls).map(([cue, line]): EditInput => ({ op: "setCue", from: cue, to: cue, call: { line, kind: "on" } })),
    ...Object.entries(scenes).map(([cue, scene]): EditInput => ({ op: "setCue", from: cue, to: cue, scene })),
  ];
  return makeEdits(bare, readEdits(edits)).sheet;
}
const lineIds = (): string[] => played({}).show.script?.lines.map(({ id }) => id) ?? [];

/** The edits of a line, and what they leave the cues with. */
function typed(sheet: ShowSheet, line: string, cues = { from: "2", to: "3" }): { edits: EditInput[]; after: ShowSheet } {
  const read = readLine(line, { sheet, list: listOf(sheet), cues });
  if ("fault" in read) throw new Error(read.fault.message);
  if (read.request.kind !== "edit") throw new Error(`${line} asks for ${read.request.kind}`);
  return { edits: read.request.edits, after: makeEdits(sheet, readEdits(read.request.edits)).sheet };
}
const scenes = (sheet: ShowSheet): (string | undefined)[] => listOf(sheet).cues.map(({ scene }) => scene);

test.each([
  ['#2: label "Storm breaks"', { label: "Storm breaks" }, "Cue 2: label “Storm breaks”"],
  ['#2: note "Wait for the door"', { note: "Wait for the door" }, "Cue 2: note “Wait for the door”"],
  ['#2: scene "I.3"', { scene: "I.3" }, "Cue 2: scene “I.3”"],
])("%s sets that of the cue, and its words say so", (line, fields, words) => {
  const { edits, after } = typed(bare, line);
  expect(listOf(after).cues[1]).toMatchObject(fields);
  expect(describeEdits(readEdits(edits))).toBe(words);
});

test("without a number the chosen cues are meant, and none or an empty text takes it away", () => {
  expect(listOf(typed(bare, 'label "Both"').after).cues.map(({ label }) => label)).toEqual([undefined, "Both", "Both", undefined]);
  const { after } = typed(bare, 'note "Careful"');
  expect(listOf(after).cues.map(({ note }) => note)).toEqual([undefined, "Careful", "Careful", undefined]);
  for (const line of ["#2..3: note none", '#2..3: note ""']) {
    const { edits, after: gone } = typed(after, line);
    expect(listOf(gone).cues.map(({ note }) => note)).toEqual([undefined, undefined, undefined, undefined]);
    expect(describeEdits(readEdits(edits))).toBe("Cues 2 to 3: note taken away");
  }
});

test("a scene longer than a scene can be is refused in words", () => {
  expect(refusal(bare, [{ op: "setCue", from: "2", to: "2", scene: "x".repeat(61) }])).toContain("scene");
});

test("scenes from the book: called cues have that of their heading, others that of the one before", () => {
  const [, first = "", , second = ""] = lineIds();
  const sheet = played({ 1: first, 3: second, 4: second });
  const { edits, after } = typed(sheet, "#1..4: scene from book");
  expect(scenes(after)).toEqual(["Act one", "Act one", "Act two", "Act two"]);
  expect(edits).toHaveLength(2);
  expect(scenes(typed(sheet, "#4: scene from book").after)).toEqual([undefined, undefined, undefined, "Act two"]);
});

test("scenes that cues had give way to those of the play, but before the first called cue", () => {
  const [, first = ""] = lineIds();
  const sheet = played({ 2: first }, { 1: "Prologue", 2: "Old", 3: "Older" });
  expect(scenes(typed(sheet, "#1..4: scene from book").after)).toEqual(["Prologue", "Act one", "Act one", "Act one"]);
});

test("where the cues have the scenes of the play, are not called, or there is no play, that is said", () => {
  const [, first = ""] = lineIds();
  const fault = (sheet: ShowSheet): string => {
    const read = readLine("#1..4: scene from book", { sheet, list: listOf(sheet), cues: undefined });
    return "fault" in read ? read.fault.message : "";
  };
  expect(fault(bare)).toContain("The show has no script");
  expect(fault(played({}))).toContain("are not called in it");
  expect(fault(played({ 1: first }, { 1: "Act one", 2: "Act one", 3: "Act one", 4: "Act one" }))).toContain(
    "have the scenes of the play already",
  );
});
