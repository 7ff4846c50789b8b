import { EDIT_OPS, type Edit, describeEdits, readEdits } from "../../src/index.ts";
import { EDIT_KINDS } from "../../src/edit/kinds/registry.ts";
import { refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const sheet = smallShow([oneCue("1", { 5: { intensity: 50 } }), oneCue("2", {})]);
const readOne = (raw: object): Edit => {
  const [edit] = readEdits(raw);
  if (!edit) throw new Error("one was given");
  return edit;
};

test("every kind of edit stands in the registry under the name that it is written with", () => {
  for (const [name, { schema }] of Object.entries(EDIT_KINDS)) expect(schema.shape.op.value).toBe(name);
  expect(EDIT_OPS).toEqual(Object.keys(EDIT_KINDS));
});

test("a kind knows its own edits: one of another kind is a fault of the caller", () => {
  const edit = readOne({ op: "moveCue", cue: "1", to: "3" });
  expect(EDIT_KINDS.moveCue.plan(sheet, edit).steps).toHaveLength(1);
  expect(() => EDIT_KINDS.copyCue.plan(sheet, edit)).toThrow(TypeError);
  expect(() => EDIT_KINDS.copyCue.words(edit)).toThrow('"moveCue" is no edit of the kind "copyCue"');
});

test("several edits are told as one where they are alike, and else one by one", () => {
  const deleted = (cue: string, looks = "keepLooks"): Edit => readOne({ op: "deleteCue", cue, looks });
  const set = (number: number): Edit => readOne({ op: "setChannel", channel: { number, type: "lamp" } });
  expect(describeEdits([])).toBe("Nothing");
  expect(describeEdits([deleted("1")])).toBe("Cue 1 deleted, looks kept");
  expect(describeEdits([deleted("1"), deleted("2")])).toBe("2 cues from 1 to 2 deleted, looks kept");
  expect(describeEdits([deleted("1"), deleted("2", "letGo")])).toBe("2 cues from 1 to 2 deleted");
  expect(describeEdits([set(1), set(2), set(3)])).toBe("3 lights from 1 to 3 set");
  expect(describeEdits([readOne({ op: "removeChannel", channel: 1 }), readOne({ op: "removeChannel", channel: 5 })])).toBe(
    "2 lights from 1 to 5 removed",
  );
  expect(describeEdits([deleted("1"), set(7)])).toBe("Cue 1 deleted, looks kept; Light 7 set");
  const moved = readOne({ op: "moveCue", cue: "1", to: "3" });
  expect(describeEdits([moved, deleted("2"), set(7), set(8)])).toBe("Cue 1 moved to 3; Cue 2 deleted, looks kept; and 2 more");
});

test("an edit that is not there is refused with the names of those that are", () => {
  const words = (() => {
    try {
      readEdits({ op: "explode" });
      return "";
    } catch (error) {
      return error instanceof Error ? error.message : "";
    }
  })();
  expect(words).toContain('there is no edit "explode"');
  for (const name of EDIT_OPS) expect(words).toContain(name);
});

test.each([
  [{ op: "change", from: "1", to: "2", do: 5 }, "The edit: do: is none of what may stand here"],
  [{ op: "change", from: "1", to: "2", do: { set: "x" } }, "The edit: do, set: is not a fan; write it as -30~30"],
  [{ op: "change", from: "1", to: "2", do: { put: 3 } }, 'The edit: do: unknown field "put"'],
])("what is wrong with %j is said at its place, of the form that it came nearest to", (raw, words) => {
  expect(() => readEdits(raw)).toThrow(words);
});

test("a family's time that is forgotten leaves nothing of the family behind", () => {
  const timed = smallShow([oneCue("1", {}, { up: 3, position: { fade: 4 }, colour: { fade: 2, delay: 1 } })]);
  const edit = readOne({ op: "setTimes", from: "1", to: "1", set: { position: { fade: null }, colour: { fade: null } } });
  expect(EDIT_KINDS.setTimes.plan(timed, edit).steps).toMatchObject([
    { at: "part", before: { times: { position: { fade: 4 } } }, after: { times: { up: 3, colour: { delay: 1 } } } },
  ]);
  const [step] = EDIT_KINDS.setTimes.plan(timed, edit).steps;
  expect(step && "after" in step && step.at === "part" ? Object.keys(step.after?.times ?? {}) : []).toEqual(["up", "colour"]);
});

test("times are either set or scaled, and a part is named that there is", () => {
  expect(refusal(sheet, [{ op: "setTimes", from: "1", to: "1" }])).toBe(
    "Times are either set or scaled; give one of set and scale, or a curve",
  );
  expect(refusal(sheet, [{ op: "setTimes", from: "1", to: "1", set: { up: 1 }, scale: 2 }])).toContain("either set or scaled");
  expect(refusal(sheet, [{ op: "setTimes", from: "1", to: "1", part: 3, set: { up: 1 } }])).toBe("Cue 1 has no part 3; its only part is 1");
});
