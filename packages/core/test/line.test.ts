import { readFileSync } from "node:fs";
import { type LineRequest, describeEdits, listOf, readEdits, readLine, readShow, sheetOf } from "../src/index.ts";
import { oneCue, smallShow } from "./support/smallShow.ts";

const worked: { show: unknown } = JSON.parse(readFileSync(new URL("./cases/06-palettes.json", import.meta.url), "utf8"));
const show = readShow(worked.show);
const sheet = sheetOf({ ...show, groups: [{ id: "front", label: "Front wash", channels: [1, 2] }] });
const context = { sheet, list: listOf(sheet), cues: { from: "1", to: "1" } };

function asked(text: string): LineRequest {
  const read = readLine(text, context);
  if ("fault" in read) throw new Error(read.fault.message);
  return read.request;
}

test.each([
  ["1 = 70", { do: { set: 70 }, from: "1", to: "1", after: "track", keys: { channels: [1], families: ["intensity"] } }],
  [
    "#1..3: 1..5 = full only",
    { do: { set: 100 }, from: "1", to: "3", after: "restore", keys: { channels: [1, 2, 5], families: ["intensity"] } },
  ],
  ["@front + 10", { do: { add: 10 }, keys: { channels: [1, 2], families: ["intensity"] } }],
  ["1..5 / 2 - 5", { do: { add: -5 }, keys: { channels: [1, 5], families: ["intensity"] } }],
  ["@front = dusk", { do: { palette: "dusk" }, keys: { channels: [1, 2] } }],
  ["1 pan = -20", { do: { set: -20 }, keys: { channels: [1], attributes: ["pan"] } }],
  ["1 position drop", { do: { drop: true }, keys: { channels: [1], families: ["position"] } }],
  ["5 * 0.8", { do: { scale: 0.8 } }],
])("%s is read as a change of looks", (text, expected) => {
  expect(asked(text)).toMatchObject({ kind: "edit", edits: [{ op: "change", where: "look", ...expected }] });
});

test("times and choices are read too", () => {
  expect(asked("#1..2: times * 1.2")).toMatchObject({ edits: [{ op: "setTimes", from: "1", to: "2", scale: 1.2 }] });
  expect(asked("#12.5")).toEqual({ kind: "choose", cues: { from: "12.5", to: "12.5" } });
  expect(asked("1, 5")).toEqual({ kind: "choose", channels: [1, 5] });
  expect(asked("undo")).toEqual({ kind: "history", what: "undo" });
});

test.each([
  ["up 3 down 5", { set: { up: 3, down: 5 }, from: "1", to: "1" }, "Cue 1: up 3, down 5"],
  ["#2: up delay 1", { set: { upDelay: 1 }, from: "2" }, "Cue 2: up delay 1"],
  ["#1..2: down 5 delay 0.5 up none", { set: { up: null, down: 5, downDelay: 0.5 } }, "Cues 1 to 2: up none, down 5, down delay 0.5"],
  [
    "#2: position 4 delay 1 Colour none",
    { set: { position: { fade: 4, delay: 1 }, colour: { fade: null } } },
    "Cue 2: position 4, position delay 1, colour none",
  ],
  ["#2: part 2 beam delay 0", { part: 2, set: { beam: { delay: 0 } } }, "Cue 2, part 2: beam delay 0"],
  ["#1..2: times * 1.2", { scale: 1.2 }, "Cues 1 to 2: times × 1.2"],
])("%s is read as times of cues, and read back", (text, expected, words) => {
  const request = asked(text);
  expect(request).toMatchObject({ kind: "edit", edits: [{ op: "setTimes", ...expected }] });
  if (request.kind === "edit") expect(describeEdits(readEdits(request.edits))).toBe(words);
});

test.each([
  ["#2: follows end 2", { trigger: { type: "follow", from: "complete", after: 2 } }, "Cue 2: follows 2 s after the end of the cue before"],
  ["follows go", { trigger: { type: "follow", from: "go", after: 0 } }, "Cue 1: follows 0 s after the Go of the cue before"],
  ["#1..2: on go", { trigger: null, to: "2" }, "Cues 1 to 2: fires on Go"],
])("%s is read as what fires cues, and read back", (text, expected, words) => {
  const request = asked(text);
  expect(request).toMatchObject({ kind: "edit", edits: [{ op: "setCue", ...expected }] });
  if (request.kind === "edit") expect(describeEdits(readEdits(request.edits))).toBe(words);
});

test.each([
  ["block #1..2", { op: "block", from: "1", to: "2" }],
  ["unblock #2", { op: "unblock", from: "2", to: "2" }],
  ["assert #2", { op: "assert" }],
  ["recast 1 as 2 in #1..3", { op: "recast", channel: 1, as: 2, how: "replace", from: "1", to: "3" }],
  ["recast 1 as 2 too", { op: "recast", how: "copy", from: "1", to: "1" }],
  ["exchange 1 and 2 in #2", { op: "recast", how: "swap", from: "2" }],
  ["swap dusk for Dusk in #1..3", { op: "swapPalette", palette: "dusk", as: "dusk" }],
  ["copy #1 to #5", { op: "copyCue", cue: "1", to: "5", what: "moves" }],
  ["copy look of #1 to #5", { op: "copyCue", what: "look" }],
  ["move #1 to #2.5", { op: "moveCue", cue: "1", to: "2.5" }],
  ["renumber #1..3 from 10 by 0.5", { op: "renumber", from: "1", to: "3", start: "10", step: "0.5" }],
  ["split @front position of #1 to #1.5", { op: "split", cue: "1", to: "1.5", keys: { channels: [1, 2], families: ["position"] } }],
  ["insert #1.5", { op: "insertCue", cue: "1.5" }],
  ['insert #1.5 "Lamp out"', { op: "insertCue", cue: "1.5", label: "Lamp out" }],
  ['label #1 "Storm breaks"', { op: "setCue", label: "Storm breaks" }],
  ["@front pan = -30~30", { op: "change", do: { set: "-30~30" }, keys: { channels: [1, 2], attributes: ["pan"] } }],
  [
    "1, 2 position fade 3 delay 0~2 curve ease",
    { op: "setMoveTimes", fade: 3, delay: "0~2", curve: "ease", keys: { families: ["position"] } },
  ],
  ["#2: 1 to part 3", { op: "assignPart", cue: "2", part: 3, keys: { channels: [1] } }],
])("%s is read as an edit of its own", (text, expected) => {
  const request = asked(text);
  expect(request).toMatchObject({ kind: "edit", edits: [expected] });
  if (request.kind === "edit") expect(() => readEdits(request.edits)).not.toThrow();
});

test("delete names each cue that stands in the range, and leaves the one before chosen", () => {
  const three = smallShow([oneCue("1", {}), oneCue("2", {}), oneCue("2.5", {})]);
  const read = readLine("delete #2..9", { sheet: three, list: listOf(three), cues: undefined });
  const edits = ["2", "2.5"].map((cue) => ({ op: "deleteCue", list: "main", cue }));
  expect(read).toEqual({ request: { kind: "edit", channels: undefined, cues: { from: "1", to: "1" }, edits } });
});

test.each([
  ["1 = nonsense", 4, "palette"],
  ["9 = 5", 0, "Channel 9"],
  ["@nobody = 5", 1, "group"],
  ["1 = ", 4, "not finished"],
  ["1 == 5", 3, "not expected"],
  ["1 = 5 %", 6, "means nothing"],
  ["1 gobos = 3", 2, "gobos"],
  ["fooo", 0, "not expected"],
  ["#2: follows 3", 12, "not expected"],
  ["up", 2, "not finished"],
  ["1 fade 3 curve bouncy", 15, "curve"],
  ["1 pace quick", 7, "pace"],
  ["swap dusk for noon", 14, "palette"],
  ["copy #1 to 5", 11, "not expected"],
  ["recast 1 in #2", 9, "not expected"],
])("the fault in %s points at its word", (text, at, words) => {
  const read = readLine(text, context);
  expect(read).toMatchObject({ fault: { at, message: expect.stringContaining(words) } });
});
