import { readFileSync } from "node:fs";
import { type LineRequest, listOf, readLine, readShow, sheetOf } from "../src/index.ts";

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
  expect(asked("up 3 down 5")).toMatchObject({ edits: [{ op: "setTimes", set: { up: 3, down: 5 } }] });
  expect(asked("#12.5")).toEqual({ kind: "choose", cues: { from: "12.5", to: "12.5" } });
  expect(asked("1, 5")).toEqual({ kind: "choose", channels: [1, 5] });
  expect(asked("undo")).toEqual({ kind: "history", what: "undo" });
});

test.each([
  ["1 = nonsense", 4, "palette"],
  ["9 = 5", 0, "Channel 9"],
  ["@nobody = 5", 1, "group"],
  ["1 = ", 4, "not finished"],
  ["1 == 5", 3, "not expected"],
  ["1 = 5 %", 6, "means nothing"],
  ["1 gobos = 3", 2, "gobos"],
])("the fault in %s points at its word", (text, at, words) => {
  const read = readLine(text, context);
  expect(read).toMatchObject({ fault: { at, message: expect.stringContaining(words) } });
});
