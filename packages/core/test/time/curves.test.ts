import { type EditInput, type ShowSheet, listOf, makeEdits, readEdits, readLine, transitionAt } from "../../src/index.ts";
import { attempt, refusal } from "../support/attempt.ts";
import { smallShow } from "../support/smallShow.ts";

const cue = (number: string, times: object, more: object = {}): object => ({
  number,
  parts: [{ number: 1, times, moves: { "1": { intensity: Number(number) * 10, pan: Number(number) * 5 } }, ...more }],
});
const show = smallShow([cue("1", { up: 4 }), cue("2", { up: 4, down: 6, position: { fade: 3, delay: 1 } }), cue("3", {})]);

/** The show after what a line asks for, and what the line says it does. */
function typed(line: string, sheet: ShowSheet = show): ShowSheet {
  const read = readLine(line, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  if (read.request.kind !== "edit") throw new Error(`${line} asks for ${read.request.kind}`);
  return makeEdits(sheet, readEdits(read.request.edits)).sheet;
}
const runs = (sheet: ShowSheet, row: number): string[] => transitionAt(listOf(sheet), row).map(({ key, curve }) => `${key.name} ${curve}`);
const timesOf = (sheet: ShowSheet, row: number): object => listOf(sheet).cues[row]?.parts[0]?.times ?? {};

test("a cue, a part and a family run by the curves that they are given, and evenly again without", () => {
  const eased = typed("#1..2: curve ease");
  expect(runs(eased, 1)).toEqual(["1.intensity ease", "1.pan ease"]);
  const own = typed("#2: position 5 delay 2 curve slowStart", eased);
  expect(runs(own, 1)).toEqual(["1.intensity ease", "1.pan slowStart"]);
  expect(timesOf(own, 1)).toMatchObject({ position: { fade: 5, delay: 2, curve: "slowStart" } });
  expect(runs(typed("#2: curve none", own), 1)).toEqual(["1.intensity linear", "1.pan slowStart"]);
  expect(runs(typed("#2: position curve none", own), 1)).toEqual(["1.intensity ease", "1.pan ease"]);
  expect(runs(typed("#2: part 1 curve atEnd", own), 1)).toEqual(["1.intensity atEnd", "1.pan slowStart"]);
});

test("a curve that is none is refused at its word, and a record forgets none", () => {
  const at = (line: string): unknown => {
    const read = readLine(line, { sheet: show, list: listOf(show), cues: undefined });
    return "fault" in read ? [read.fault.message, read.fault.at] : read.request;
  };
  expect(at("#2: position curve slow")).toEqual([expect.stringMatching(/no curve "slow".*slowStart/), 19]);
  expect(at("record #2 curve none")).toEqual([expect.stringMatching(/forget one/), 0]);
});

test.each<[string, object, object]>([
  // Nothing leans on the falling time; what leans on the rising one is written out where something of it moves.
  ["#2: down * 2", { up: 4 }, { up: 4, down: 12, position: { fade: 3, delay: 1 } }],
  ["#2: up + 50 %", { up: 4 }, { up: 6, down: 6, position: { fade: 3, delay: 1 } }],
  ["#1..2: position - 50 %", { up: 4, position: { fade: 2 } }, { up: 4, down: 6, position: { fade: 1.5, delay: 1 } }],
  ["#1..2: position delay * 3", { up: 4 }, { up: 4, down: 6, position: { fade: 3, delay: 3 } }],
  ["#1..2: colour * 3", { up: 4 }, { up: 4, down: 6, position: { fade: 3, delay: 1 } }],
  ["#1: up * 2", { up: 8, down: 4, position: { fade: 4 } }, { up: 4, down: 6, position: { fade: 3, delay: 1 } }],
])("%s scales that column and nothing else that runs", (line, first, second) => {
  const after = typed(line);
  expect([timesOf(after, 0), timesOf(after, 1), timesOf(after, 2)]).toEqual([first, second, {}]);
});

test("a scale is of all times or of columns; what says neither, or columns without a scale, is refused", () => {
  const bad: EditInput[] = [
    { op: "setTimes", from: "1", to: "2", of: ["down"], set: { up: 1 } },
    { op: "setTimes", from: "1", to: "2", of: ["down"], curve: "ease" },
  ];
  for (const edit of bad) expect(refusal(show, [edit])).toContain("Columns of times are named for a scale");
  expect(attempt(show, [{ op: "setTimes", from: "1", to: "2", curve: "ease", set: { up: 1 } }])).toBeDefined();
});
