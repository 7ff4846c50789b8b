import {
  type ShowSheet,
  Mix,
  keyNamed,
  listOf,
  makeEdits,
  marksOf,
  placeMark,
  readEdits,
  readLine,
  withLightMarks,
} from "../../src/index.ts";
import { refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

/** The light is lit at home in cue 1, dark in 2 and 3, and comes up elsewhere in 4; each of these waits for a Go. */
const show = smallShow([
  oneCue("1", { "1": { intensity: 100, pan: 0 } }),
  oneCue("2", { "1": { intensity: 0 } }),
  oneCue("3", { "5": { intensity: 20 } }),
  { ...oneCue("4", { "1": { intensity: 100, pan: 90 } }), mark: { fade: 3, delay: 1 } },
]);
const marked = (sheet: ShowSheet) => marksOf(listOf(sheet)).find(({ channel, calledAt }) => channel === 1 && calledAt === 3);

function typed(line: string, sheet = show): ShowSheet {
  const read = readLine(line, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  if (read.request.kind !== "edit") throw new Error(`${line} asks for ${read.request.kind}`);
  return makeEdits(sheet, readEdits(read.request.edits)).sheet;
}
const markOf = (sheet: ShowSheet): unknown => listOf(sheet).cues[3]?.mark;

test("times of one light beat those of its cue, field by field, and its place stays where the policy puts it", () => {
  expect(marked(show)).toMatchObject({ markAt: 2, fade: 3, delay: 1, needed: 4 });
  const slowed = typed("#4: 1 prepared takes 6");
  expect(markOf(slowed)).toEqual({ fade: 3, delay: 1, channels: { 1: { fade: 6 } } });
  expect(marked(slowed)).toMatchObject({ markAt: 2, fade: 6, delay: 1, needed: 7 });
  const both = typed("#4: 1 prepared waits 2", slowed);
  expect(marked(both)).toMatchObject({ fade: 6, delay: 2, needed: 8 });
  expect(marked(typed("#4: 1 prepared waits none", both))).toMatchObject({ fade: 6, delay: 1 });
});

test("a place keeps the light's times and the other way round; in view and none undo one another", () => {
  const pinned = typed("#4: 1 prepared in #2 takes 5");
  expect(marked(pinned)).toMatchObject({ markAt: 1, fade: 5 });
  const moved = makeEdits(pinned, readEdits([placeMark(listOf(pinned), { channel: 1, calledAt: 3 }, 2)])).sheet;
  expect(markOf(moved)).toEqual({ fade: 3, delay: 1, channels: { 1: { at: "3", fade: 5 } } });
  expect(marked(typed("#4: 1 prepared in view", pinned))).toMatchObject({ markAt: null });
  expect(markOf(typed("#4: 1 prepared none", pinned))).toEqual({ fade: 3, delay: 1 });
});

test("it moves in the dark as slowly and as late as it is told", () => {
  const mix = new Mix(typed("#4: 1 prepared in #2 takes 6 waits 2"));
  for (const time of [0, 1, 1]) mix.go("main", time);
  const pan = keyNamed(mix.keys, "1.pan");
  if (!pan) throw new Error("no pan");
  // Fired at 1, it waits until 3 and goes by an ease until 9.
  expect([3, 6, 9].map((time) => mix.output(pan, time))).toEqual([0, 45, 90]);
});

test("cues and the list are told by line too, and what cannot be said is refused in words", () => {
  expect(markOf(typed("#4: prepared dark takes 4"))).toEqual({ policy: "dark", fade: 4, delay: 1 });
  expect(markOf(typed("#4: prepared in #2"))).toEqual({ at: "2", fade: 3, delay: 1 });
  expect(markOf(typed("#4: prepared none"))).toBeUndefined();
  expect(listOf(typed("list prepared dark takes 3")).list.marks).toEqual({ policy: "dark", fade: 3 });
  expect(() => typed("list prepared in #2")).toThrow("list prepared dark takes 3");
  expect(() => typed("#4: 1 prepared dark")).toThrow("One light is prepared in a cue that is named");
  expect(refusal(show, [{ op: "setCue", from: "4", to: "4", mark: { channels: { 1: { at: "2", view: true } } } }])).toContain(
    "one of the two",
  );
  expect(refusal(show, [{ op: "setCue", from: "4", to: "4", mark: { channels: { 1: {} } } }])).toContain("says nothing");
});

test("what is said of a light is merged, and nothing stays where nothing is said", () => {
  expect(withLightMarks(undefined, [[1, { fade: 2 }]])).toEqual({ channels: { 1: { fade: 2 } } });
  expect(withLightMarks({ channels: { 1: { fade: 2 } } }, [[1, { fade: undefined }]])).toBeNull();
  expect(withLightMarks({ policy: "dark", channels: { 1: { view: true, delay: 1 } } }, [[1, { at: "2" }]])).toEqual({
    policy: "dark",
    channels: { 1: { at: "2", delay: 1 } },
  });
});
