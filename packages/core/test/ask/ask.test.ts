import fc from "fast-check";
import { type EditInput, type Found, type ShowSheet, answer, listOf, makeEdits, readEdits, readLine, sheetOf } from "../../src/index.ts";
import { foldLooks } from "../support/fold.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const show = smallShow(
  [
    oneCue("1", { 5: { intensity: 60 }, 1: { pan: 10 } }, { up: 7 }),
    oneCue("2", { 1: { intensity: 20, pan: { value: -40, fade: 6, delay: 1 } } }, { up: 2, down: 9 }),
    oneCue("3", { 5: { intensity: 80 }, 1: { pan: { palette: "table" } } }, {}, { actions: [{ do: "start", list: "sea" }] }),
    oneCue("4", { 5: { intensity: 0 } }),
  ],
  undefined,
  {
    palettes: [{ id: "table", family: "position", label: "Table", values: [{ attribute: "pan", value: 5 }] }],
    groups: [{ id: "lamps", label: "Lamps", channels: [5] }],
    paces: [{ id: "slow", label: "Slow", position: { fade: 6, delay: 1 } }],
    heldLooks: [{ id: "warm", label: "Warm", values: { 1: { pan: { palette: "table" } } } }],
    lists: [
      {
        id: "main",
        label: "Main",
        cues: [
          oneCue("1", { 5: { intensity: 60 }, 1: { pan: 10 } }, { up: 7 }),
          oneCue("2", { 1: { intensity: 20, pan: { value: -40, fade: 6, delay: 1 } } }, { up: 2, down: 9 }),
          oneCue("3", { 5: { intensity: 80 }, 1: { pan: { palette: "table" } } }, {}, { actions: [{ do: "start", list: "sea" }] }),
          oneCue("4", { 5: { intensity: 0 } }),
        ],
      },
      { id: "sea", label: "Sea", cues: [oneCue("1", { 1: { pan: { palette: "table" } } })] },
    ],
  },
);

function asked(line: string, sheet: ShowSheet = show): readonly Found[] {
  const list = listOf(sheet);
  const read = readLine(line, { sheet, list, cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  if (read.request.kind !== "ask") throw new Error(`${line} asks for ${read.request.kind}`);
  return answer(sheet, list, read.request.question);
}
const cuesOf = (found: readonly Found[]): string[] =>
  found.map((each) => ("cue" in each ? `${each.list}/${each.cue}` : `look ${each.look}`));

test.each([
  ["where 5 > 50", ["main/1", "main/2", "main/3"]],
  ["where 5 >= 80", ["main/3"]],
  ["where 5 = 0", ["main/4"]],
  ["where 1 pan < 0", ["main/2"]],
  ["where 1 pan = -40", ["main/2"]],
  ["where 1 = table", ["main/3", "main/4"]],
  ["where up > 5", ["main/1"]],
  ["where down <= 9", ["main/2"]],
  ["where moves 1", ["main/1", "main/2", "main/3"]],
  ["where uses table", ["main/3", "sea/1", "look warm"]],
  ["where uses lamps", ["main/1", "main/3", "main/4"]],
  ["where uses slow", ["main/2"]],
  ["where uses sea", ["main/3"]],
])("%s", (line, cues) => {
  expect(cuesOf(asked(line))).toEqual(cues);
});

test("an answer says why", () => {
  expect(asked("where 5 > 70")).toEqual([{ list: "main", cue: "3", why: "5: 80" }]);
  expect(asked("where moves 1")[1]).toMatchObject({ why: "2 moves of 1" });
});

test("what stands behind the colon is done in every cue that is found, and neighbours are one range", () => {
  const read = readLine("where 5 > 50: 5 = 50 only", { sheet: show, list: listOf(show), cues: undefined });
  const edits: EditInput[] = "request" in read && read.request.kind === "edit" ? read.request.edits : [];
  expect(edits).toMatchObject([{ op: "change", from: "1", to: "3", do: { set: 50 } }]);
  expect(foldLooks(makeEdits(show, readEdits(edits)).sheet.show).map((look) => look.get("5.intensity"))).toEqual([50, 50, 50, 0]);
});

test.each([
  ["where 5 > 99: 5 = 50", "No cue of this list is found"],
  ["where uses nobody", 'Nothing that cues use is called "nobody"'],
  ["where 1 position > 3", "A value is asked of one attribute"],
  ["where 5 > 50: 5", "Behind the colon stands what becomes of the cues"],
])("%s is refused in words", (line, words) => {
  const read = readLine(line, { sheet: show, list: listOf(show), cues: undefined });
  expect(read).toMatchObject({ fault: { message: expect.stringContaining(words) as string } });
});

test("a value is found in exactly the cues whose look has it, stored or tracked", () => {
  fc.assert(
    fc.property(showArbitrary, fc.integer({ min: 0, max: 100 }), (random, limit) => {
      const sheet = sheetOf(random);
      const list = listOf(sheet);
      const found = answer(sheet, list, { about: "value", channels: [1], attribute: "intensity", is: ">", value: limit });
      const wanted = foldLooks(random).flatMap((look, row) => ((look.get("1.intensity") ?? -1) > limit ? [list.cues[row]?.number] : []));
      expect(found.map((each) => "cue" in each && each.cue)).toEqual(wanted);
    }),
    { numRuns: 200 },
  );
});
