import {
  type EditInput,
  type ShowSheet,
  listOf,
  makeEdits,
  notesInOrder,
  notesWords,
  openNotesByCue,
  paperCsv,
  paperOf,
  pinnedWords,
  readEdits,
  readLine,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const show = smallShow([oneCue("1", {}), oneCue("17", {}, {}, { label: "Quarrel" }), oneCue("20", {})]);

function typed(line: string, sheet: ShowSheet): ShowSheet {
  const read = readLine(line, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  const edits: EditInput[] = read.request.kind === "edit" ? read.request.edits : [];
  return makeEdits(sheet, readEdits(edits)).sheet;
}
const asked = ['leave note "Colder" #20', 'leave note "A third too bright" #17 for 1', 'leave note "Lovely"'].reduce(
  (sheet, line) => typed(line, sheet),
  show,
);

test("notes are typed, pinned to cue and lights, and read in the order of the cues", () => {
  expect(notesInOrder(asked.show).map(({ text, cue, channels }) => [text, cue, channels])).toEqual([
    ["Lovely", undefined, undefined],
    ["A third too bright", "17", [1]],
    ["Colder", "20", undefined],
  ]);
  expect(notesInOrder(asked.show).map((note) => pinnedWords(asked, note))).toEqual(["", "17 Quarrel, light 1", "20"]);
  expect([...openNotesByCue(asked.show).keys()]).toEqual(["main/20", "main/17"]);
});

test("what is done is ticked off with what was done, and no longer open; a cue that is gone keeps its note", () => {
  const done = typed('tick #17 "Taken down"', asked);
  expect(notesWords(done.show.notes ?? [])).toBe("2 open, 1 done");
  expect([...openNotesByCue(done.show).keys()]).toEqual(["main/20"]);
  const without = typed("delete #17", done);
  expect(notesInOrder(without.show).map((note) => pinnedWords(without, note))).toContain("17, which is gone, light 1");
});

test("they are printed with a box for each that is open", () => {
  const done = typed('tick #17 "Taken down"', asked);
  expect(paperCsv(paperOf(done, { kind: "notes" }))).toBe(
    "cue,label,note,lights,asked,done\n,,Lovely,,,[  ]\n17,Quarrel,A third too bright,1,,Taken down\n20,,Colder,,,[  ]\n",
  );
});

test.each([
  ['leave note "" #17', "What is wanted?"],
  ['leave note "Warmer" #19', "has no cue 19"],
  ['leave note "Warmer" for 99', "99"],
  ["tick #1", "Cue 1 has no open note"],
])("%s is refused in words", (line, words) => {
  const read = readLine(line, { sheet: asked, list: listOf(asked), cues: undefined });
  expect(read).toMatchObject({ fault: { message: expect.stringContaining(words) as string } });
});
