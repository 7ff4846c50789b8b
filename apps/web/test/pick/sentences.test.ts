import { describeEdits, listOf, readEdits, readLine, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { type RecastEntry, lackedBy, recastSentence } from "../../src/pick/recast.ts";
import { cellsSentence, copySentence, splitSentence, swapSentence } from "../../src/pick/sentences.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const cues = { from: "4", to: "8" };
/** The edits of a sentence over the demo, in words; a fault by its message. */
function asked(text: string): string {
  const read = readLine(text, { sheet, list, cues: undefined });
  if ("fault" in read) return `fault: ${read.fault.message}`;
  return read.request.kind === "edit" ? describeEdits(readEdits(read.request.edits)) : read.request.kind;
}

const recast: RecastEntry = {
  cues,
  everywhere: false,
  lights: "61, 62",
  as: "71, 72",
  how: "replace",
  where: "look",
  after: "restore",
  map: {},
  missing: "",
};

test("every answer of the recast picker is in its sentence, and the line reads it", () => {
  const lacked = lackedBy(sheet, list, recast);
  // What 61 and 62 show there is an open wheel, so nothing is lost; 63 and 66 have a pattern in theirs.
  expect(lacked).toEqual([]);
  const others = lackedBy(sheet, list, { ...recast, lights: "63, 66" });
  expect(others).toEqual([{ attribute: "gobo", cues: 4, has: expect.arrayContaining(["pan", "tilt", "zoom"]) }]);
  const all: [Partial<RecastEntry>, string][] = [
    [{}, "recast look of 61, 62 as 71, 72 in #4..8 only"],
    [{ how: "copy", where: "moves", after: "track" }, "recast 61, 62 as 71, 72 too in #4..8"],
    [{ how: "swap" }, "exchange look of 61, 62 and 71, 72 in #4..8 only"],
    [{ everywhere: true, where: "moves", after: "track" }, "recast 61, 62 as 71, 72 everywhere"],
    [{ missing: "drop" }, "recast look of 61, 62 as 71, 72 in #4..8 only drop"],
    [{ map: { gobo: { to: "zoom", turned: true } } }, "recast look of 61, 62 as 71, 72 in #4..8 only map gobo to zoom turned"],
  ];
  for (const [change, text] of all) {
    expect(recastSentence({ ...recast, ...change }, others)).toBe(text);
    expect(asked(text)).not.toMatch(/^fault/);
  }
  expect(recastSentence({ ...recast, as: " " }, lacked)).toBe("");
  expect(lackedBy(sheet, list, { ...recast, lights: "63, 66", as: "71" })).toEqual([]);
});

test("copies, moves, swaps and splits write sentences that the line reads, and nothing while they are not whole", () => {
  const copy = { cues, what: "look", start: "80", list: "", keep: true, recolour: [{ palette: "lamplight", as: "moon" }] } as const;
  const cells = { cues: { from: "6", to: "6" }, lights: "1..6", family: "intensity", to: "6.5", as: "", what: "move" } as const;
  const all: [string, string][] = [
    [copySentence("copy", copy), "copy look of #4..8 to #80 keep looks with lamplight for moon"],
    [copySentence("move", { ...copy, keep: false }), "move #4..8 to #80"],
    [copySentence("copy", { ...copy, start: "", list: "flame", what: "moves", recolour: [] }), "copy #4..8 to list flame keep looks"],
    [
      swapSentence({ cues, everywhere: false, pairs: [...copy.recolour, { palette: "", as: "dusk" }], leave: true }),
      "swap lamplight for moon in #4..8 leave",
    ],
    [splitSentence(cells), "split 1..6 intensity of #6 to #6.5"],
    [cellsSentence({ ...cells, to: "8", as: "11..14, 21, 22" }), "move 1..6 intensity of #6 to #8 as 11..14, 21, 22"],
  ];
  for (const [text, wanted] of all) {
    expect(text).toBe(wanted);
    expect(asked(text)).not.toMatch(/^fault/);
  }
  expect([
    copySentence("copy", { ...copy, start: "" }),
    swapSentence({ cues, everywhere: false, pairs: [{ palette: "dusk", as: "" }], leave: false }),
  ]).toEqual(["", ""]);
  expect([splitSentence({ ...cells, lights: "" }), cellsSentence({ ...cells, to: "" })]).toEqual(["", ""]);
});
