import { type ShowSheet, describeEdits, listOf, makeEdits, readEdits, readLine, stepsWords } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const show = smallShow([oneCue("1", { 5: { intensity: 10 } })], undefined, {
  tempos: [{ id: "swell", label: "Swell", perMinute: 24 }],
});
const withChase: ShowSheet = makeEdits(show, readEdits([{ op: "setList", list: { id: "chase", label: "Chase", priority: 60 } }])).sheet;

/** The show after a line, and what the line says it does. */
function typed(line: string, sheet = withChase): { after: ShowSheet; words: string } {
  const read = readLine(line, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  if (read.request.kind !== "edit") throw new Error(`${line} asks for ${read.request.kind}`);
  const edits = readEdits(read.request.edits);
  return { after: makeEdits(sheet, edits).sheet, words: describeEdits(edits) };
}
const stepsOf = (sheet: ShowSheet): unknown => sheet.lists.get("chase")?.list.steps;

test.each([
  ["steps chase every 0.6", { interval: 0.6 }, "a step every 0.6 s, forward, for ever"],
  [
    "steps chase at swell bounce rounds 3",
    { tempo: "swell", order: "bounce", rounds: 3 },
    "a step at each beat of swell, there and back, 3 rounds",
  ],
  ["steps chase shuffle", { interval: 1, order: "shuffle" }, "a step every 1 s, drawn anew each round, for ever"],
])("%s tells the list how it runs by itself, and keeps its other settings", (line, steps, words) => {
  const { after, words: said } = typed(line);
  expect(stepsOf(after)).toEqual(steps);
  expect(after.lists.get("chase")?.list.priority).toBe(60);
  expect(said).toBe(`List Chase set: ${words}; priority 60`);
});

test("what is not typed of the steps stays, an interval takes the place of a tempo, and none lets it wait for Go", () => {
  const first = typed("steps chase at swell bounce rounds 3").after;
  expect(stepsOf(typed("steps chase rounds 0", first).after)).toEqual({ tempo: "swell", order: "bounce", rounds: 0 });
  expect(stepsOf(typed("steps chase every 2", first).after)).toEqual({ interval: 2, order: "bounce", rounds: 3 });
  expect(stepsOf(typed("steps chase none", first).after)).toBeUndefined();
});

test("a list or a tempo that there is not is refused at its word, and so are beats that no tempo has", () => {
  const fault = (line: string): unknown => {
    const read = readLine(line, { sheet: withChase, list: listOf(withChase), cues: undefined });
    return "fault" in read ? [read.fault.at, read.fault.message] : "read";
  };
  expect(fault("steps sea every 1")).toEqual([6, expect.stringContaining('no list "sea"')]);
  expect(fault("steps chase at slow")).toEqual([15, expect.stringContaining('no tempo "slow"')]);
  expect(() => typed('keep tempo "Slow" 0')).toThrow(/below 1 a minute/);
});

test("keep tempo makes one, or gives a known one other beats", () => {
  expect(typed('keep tempo "Slow" 100').after.show.tempos).toEqual([
    { id: "swell", label: "Swell", perMinute: 24 },
    { id: "slow", label: "Slow", perMinute: 100 },
  ]);
  expect(typed('keep tempo "Swell" 30').after.show.tempos).toEqual([{ id: "swell", label: "Swell", perMinute: 30 }]);
});

test("how a list runs is said with the name of its tempo where it is known", () => {
  expect(stepsWords({ tempo: "swell", rounds: 1 }, show.show.tempos)).toBe("a step at each beat of Swell (24 a minute), forward, 1 round");
  expect(stepsWords(undefined)).toBe("waits for Go");
});
