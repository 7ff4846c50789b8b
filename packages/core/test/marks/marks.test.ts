import fc from "fast-check";
import {
  type ListSheet,
  type Show,
  type ShowSheet,
  callMoment,
  cueDuration,
  expectedTimes,
  fadeOutTime,
  lineSeconds,
  listOf,
  makeEdits,
  markAtRow,
  markReason,
  markedKeys,
  marksByChannel,
  marksMadeByGoto,
  planMarks,
  quietLinesBetween,
  readEdits,
  sheetOf,
  reportMarks,
  timesBetween,
  transitionAt,
} from "../../src/index.ts";
import { rehearse } from "../support/alone/index.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const follow = (after: number, from: "go" | "complete" = "go"): object => ({ trigger: { type: "follow", from, after } });

/** A mover that is dark from cue 2 on and comes up in the last cue at pan 180, which takes it 2 s. */
function dark(between: readonly object[], call: object = {}, marks: object = { policy: "before" }, script?: object): ShowSheet {
  return smallShow(
    [
      oneCue("1", { "1": { intensity: 80, pan: 0 } }, { up: 2 }),
      oneCue("2", { "1": { intensity: 0 } }, { down: 4, downDelay: 1 }),
      ...between,
      oneCue("9", { "1": { intensity: 60, pan: 180 } }, { up: 3 }, call),
    ],
    marks,
    script ? { script } : {},
  );
}

const lastMark = (sheet: ShowSheet): ReturnType<typeof reportMarks>[number] | undefined =>
  reportMarks(listOf(sheet), sheet.show.script).at(-1);

test("in a chain time starts when the light is dark, and its mark waits for that", () => {
  const sheet = dark([], follow(9));
  expect(lastMark(sheet)).toMatchObject({ markAt: "2", needed: 2, available: 4, report: null });
  expect(lastMark(dark([], follow(6)))).toMatchObject({ needed: 2, available: 1, report: "mark-late" });
});

test("a later mark cue of the same chain has the rest of the fade-out before it", () => {
  const chain = [oneCue("3", {}, {}, follow(3))];
  expect(lastMark(dark(chain, follow(9)))).toMatchObject({ markAt: "3", available: 7 });
  expect(lastMark(dark(chain, follow(9), { policy: "dark" }))).toMatchObject({ markAt: "2", available: 7 });
});

test("where somebody presses between the fade-out and the mark cue, the light counts as dark", () => {
  expect(lastMark(dark([oneCue("3", {})], follow(1.5)))).toMatchObject({ markAt: "3", available: 1.5, report: "mark-late" });
});

test("needed is the mark's delay and its longest move, the asked time or the travel", () => {
  expect(lastMark(dark([], { ...follow(20), mark: { delay: 1.5, fade: 5 } }))).toMatchObject({ needed: 6.5, available: 15, report: null });
  expect(lastMark(dark([], { mark: { fade: 1 } }))).toMatchObject({ needed: 2 });
});

const script = {
  pace: 60,
  lines: [
    { id: "a", text: "one two three four five six seven eight nine ten" },
    { id: "b", text: "quiet now", quiet: true },
    { id: "c", text: "x", seconds: 12 },
    { id: "d", text: "the lamp, then" },
  ],
};
const called = (line: string, word?: string, kind?: string): object => ({
  call: { line, ...(word ? { word } : {}), ...(kind ? { kind } : {}) },
});

test("where people press, the script tells the time between two cues that are placed in it", () => {
  const placed = (line: string, word?: string): ShowSheet =>
    dark([oneCue("3", {}, {}, called("a", "nine"))], called(line, word), { policy: "before" }, script);
  expect(lastMark(placed("b"))).toMatchObject({ markAt: "3", available: 2, report: null });
  expect(lastMark(placed("a", "ten"))).toMatchObject({ available: 1, report: "mark-late" });
  expect(lastMark(placed("d", "lamp"))).toMatchObject({ available: 10 + 2 + 12 + 1 - 8 });
  expect(lastMark(dark([oneCue("3", {})], called("b"), { policy: "before" }, script))).toMatchObject({ available: null, report: null });
});

test("a line takes its words at the pace, at least a second, or what it says itself", () => {
  expect(lineSeconds({ id: "a", text: "one  two three" }, 90)).toBe(2);
  expect(lineSeconds({ id: "a", text: "one" }, 150)).toBe(1);
  expect(lineSeconds({ id: "a", text: "one", seconds: 0.25 }, 150)).toBe(0.25);
});

test("a call comes at its word, after it, or at its line; unknown lines have no moment", () => {
  const { show } = smallShow([oneCue("1", {})], {}, { script });
  expect(callMoment(show.script, { line: "a", word: "Three" })).toBe(2);
  expect(callMoment(show.script, { line: "a", word: "three", kind: "after" })).toBe(3);
  expect(callMoment(show.script, { line: "d", word: "lamp" })).toBe(25);
  expect(callMoment(show.script, { line: "c" })).toBe(12);
  expect(callMoment(show.script, { line: "z" })).toBeNull();
  expect(callMoment(undefined, { line: "a" })).toBeNull();
  expect(quietLinesBetween(show.script, 0, 10.5).map((line) => line.id)).toEqual(["b"]);
  // Line b is spoken from 10 s to 12 s; what only touches it has none of it.
  expect(quietLinesBetween(show.script, 12, 30)).toEqual([]);
  expect(quietLinesBetween(show.script, 0, 10)).toEqual([]);
});

test("a cue that follows is expected when its chain brings it", () => {
  const sheet = smallShow([oneCue("1", {}, {}, called("b")), oneCue("2", {}, {}, follow(4)), oneCue("3", {})], {}, { script });
  const list = listOf(sheet);
  expect(expectedTimes(list, sheet.show.script)).toEqual([10, 14, null]);
  expect(timesBetween(list, sheet.show.script)(0, 1)).toBe(4);
  expect(timesBetween(list, sheet.show.script)(1, 2)).toBeNull();
});

/** A show in which every cue after the first follows, so that one Go runs it all. */
function chained(show: Show): Show {
  return {
    ...show,
    lists: show.lists.map((list) => ({
      ...list,
      cues: list.cues.map(({ restate: _restate, ...cue }, row) => ({
        ...cue,
        trigger: row === 0 ? { type: "go" as const } : { type: "follow" as const, from: "complete" as const, after: 2 + row },
      })),
    })),
  };
}

function startOf(list: ListSheet, row: number): number {
  let start = 0;
  for (let at = 1; at <= row; at += 1) start += cueDuration(list, at - 1) + 2 + at;
  return start;
}

test("a mark not reported late has its light in place when the cue fires; a late one has not", () => {
  let made = 0;
  fc.assert(
    fc.property(showArbitrary, (raw) => {
      const sheet = sheetOf(chained(raw));
      const list = listOf(sheet);
      for (const { mark, available, report } of planMarks(list, sheet.show.script)) {
        if (mark.markAt === null || available === null) continue;
        const call = startOf(list, mark.calledAt);
        const [sample] = rehearse(list, [{ t: 0, go: true }], [call]);
        const there = markedKeys(list, mark).map(
          ({ key, to }) => Math.abs((sample?.values[key.channel]?.[key.attribute.id] ?? Number.NaN) - to) < 1e-6,
        );
        made += 1;
        if (report === null) expect(there.every(Boolean)).toBe(true);
      }
    }),
    { numRuns: 250 },
  );
  expect(made).toBeGreaterThan(30);
});

test("the time of a fade-out is that of the light's own run in the transition", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const list = listOf(sheetOf(show));
      for (const { mark } of planMarks(list, undefined)) {
        const first = mark.window?.first ?? 0;
        if (first === 0) continue;
        const run = transitionAt(list, first).find(({ key }) => key.channel === mark.channel && key.attribute.family === "intensity");
        expect(fadeOutTime(list, mark.channel, first)).toBe(run ? run.delay + run.fade : 0);
      }
    }),
  );
});

test("a channel's setting beats the cue's, the cue's the list's; one outside is reported", () => {
  const settings = (mark: object): object | undefined => lastMark(dark([oneCue("3", {})], { mark }));
  expect(settings({ policy: "dark" })).toMatchObject({ markAt: "2" });
  expect(settings({ policy: "dark", at: "3" })).toMatchObject({ markAt: "3" });
  expect(settings({ at: "3", channels: { "1": { at: "2" } } })).toMatchObject({ markAt: "2" });
  expect(settings({ at: "2", channels: { "1": { view: true } } })).toMatchObject({ markAt: null, report: null });
  expect(settings({ at: "1" })).toMatchObject({ markAt: null, report: "mark-lit", available: null });
  expect(settings({ at: "2.5" })).toMatchObject({ markAt: null, report: "mark-lit" });
});

test("a light that was turned while it was dark goes on from where it was turned to", () => {
  // At 90 degrees a second: from 45 to 180 it takes a second and a half.
  const sheet = dark([oneCue("3", { "1": { pan: 45 } })]);
  const list = listOf(sheet);
  const mark = markAtRow(marksByChannel(list).get(1) ?? [], list.cues.length - 1);
  expect(mark && markedKeys(list, mark).map(({ from, to, fade }) => [from, to, fade])).toEqual([[45, 180, 1.5]]);
  expect(lastMark(sheet)).toMatchObject({ needed: 1.5 });
});

test("a go-to makes the marks whose cue it has reached or passed, and no others", () => {
  const list = listOf(dark([oneCue("3", {}), oneCue("4", {})], { mark: { at: "3" } }));
  const made = list.cues.map((_, row) => marksMadeByGoto(list, row).map(({ calledAt }) => list.cues[calledAt]?.number));
  expect(made).toEqual([[], [], ["9"], ["9"], []]);
});

test("an edit of the mark settings changes the marks and nothing else", () => {
  const sheet = dark([oneCue("3", {})]);
  const outcome = makeEdits(sheet, readEdits({ op: "setCue", from: "9", to: "9", mark: { policy: "dark" } }));
  expect(lastMark(outcome.sheet)).toMatchObject({ markAt: "2" });
  expect(outcome.impact).toEqual({ storedCues: ["9"], looks: [] });
});

describe("why a mark is made where it is", () => {
  const reason = (call: object, marks?: object) => {
    const { list } = { list: listOf(dark([oneCue("3", {})], call, marks)) };
    const mark = markAtRow(marksByChannel(list).get(1) ?? [], list.cues.length - 1);
    return mark && markReason(list, mark);
  };
  test("what is said of the light beats the named cue, that the cue's policy, that the list's", () => {
    expect(reason({})).toEqual({ said: "list", by: { policy: "before" } });
    expect(reason({}, { policy: "dark" })).toEqual({ said: "list", by: { policy: "dark" } });
    expect(reason({ mark: { policy: "view" } })).toEqual({ said: "cue", by: { policy: "view" } });
    expect(reason({ mark: { policy: "dark", at: "3" } })).toEqual({ said: "cue", by: { at: "3" } });
    expect(reason({ mark: { at: "3", channels: { 1: { at: "2" } } } })).toEqual({ said: "light", by: { at: "2" } });
    expect(reason({ mark: { at: "3", channels: { 1: { view: true } } } })).toEqual({ said: "light", by: { policy: "view" } });
  });

  test("a row has to do with the mark whose window or call it is, and with no other", () => {
    const list = listOf(dark([oneCue("3", {})]));
    const marks = marksByChannel(list).get(1) ?? [];
    const calls = list.cues.map((_, row) => markAtRow(marks, row)?.calledAt);
    expect(calls).toEqual([undefined, list.cues.length - 1, list.cues.length - 1, list.cues.length - 1]);
  });
});
