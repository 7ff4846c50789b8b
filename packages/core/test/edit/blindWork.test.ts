import fc from "fast-check";
import {
  type EditInput,
  type ShowSheet,
  chainFrom,
  clipOf,
  copyRangeEdits,
  cutEdits,
  describeEdits,
  listOf,
  makeEdits,
  mergePartEdits,
  movesInClip,
  pasteEdits,
  moveRangeEdits,
  readClip,
  readEdits,
  serializeShow,
  stoppedBy,
  walledInsertEdits,
  writeClip,
} from "../../src/index.ts";
import { looksOf, refusal, stored, storedOf } from "../support/attempt.ts";
import { foldLooks } from "../support/fold.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const cuesOf = (sheet: ShowSheet, list?: string) => listOf(sheet, list).cues;
const made = (sheet: ShowSheet, edits: EditInput[]): ShowSheet => makeEdits(sheet, readEdits(edits)).sheet;
const numbersOf = (sheet: ShowSheet, list?: string): string[] => cuesOf(sheet, list).map(({ number }) => number);
const follow = (from: "go" | "complete", after: number): object => ({ trigger: { type: "follow", from, after } });
const level = (value: number): object => ({ "5": { intensity: value } });

/** Looks by the cue's label, folded by the judge; a label stays with a cue that moves. */
function looksByLabel(sheet: ShowSheet): Map<string, Map<string, number>> {
  const looks = foldLooks(sheet.show);
  return new Map(cuesOf(sheet).map((cue, row) => [cue.label ?? "", looks[row] ?? new Map<string, number>()]));
}

const CHAIN = smallShow([
  oneCue("1", level(50), { up: 4 }),
  oneCue("2", { "5": { intensity: { value: 80, fade: 2, delay: 1 } } }, { up: 9 }, follow("complete", 2)),
  oneCue("3", level(0), { down: 6, downDelay: 1 }, follow("go", 3)),
  oneCue("4", level(20), { up: 5 }),
]);

test("cues told to last so long are scaled together: fades, delays, own times, follows", () => {
  // 4 s, 2 s wait, then cue 3 three seconds behind the Go of cue 2 and 7 s long: 16 s in all.
  const sheet = made(CHAIN, [{ op: "stretch", from: "1", to: "3", seconds: 32 }]);
  expect(cuesOf(sheet).map(({ parts }) => parts[0]?.times)).toEqual([{ up: 8 }, { up: 18 }, { down: 12, downDelay: 2 }, { up: 5 }]);
  expect(stored(sheet).get("2/5.intensity")).toMatchObject({ value: 80, fade: 4, delay: 2 });
  expect(cuesOf(sheet).map(({ trigger }) => (trigger?.type === "follow" ? trigger.after : null))).toEqual([null, 4, 6, null]);
  expect(describeEdits(readEdits([{ op: "stretch", from: "1", to: "3", seconds: 32 }]))).toBe("Cues 1 to 3 last 32 s in all");
});

test("whatever is asked, the chain lasts that long, to a hundredth of a millisecond a cue", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 36_000 }), (tenths) => {
      const sheet = made(CHAIN, [{ op: "stretch", from: "1", to: "3", seconds: tenths / 10 }]);
      const ends = chainFrom(listOf(sheet), 0).map(({ start, duration }) => start + duration);
      expect(Math.abs(Math.max(...ends) - tenths / 10)).toBeLessThan(3e-5);
    }),
  );
});

test("a range that waits for a Go inside, or takes no time, cannot be told how long to last", () => {
  expect(refusal(CHAIN, [{ op: "stretch", from: "2", to: "4", seconds: 30 }])).toBe(
    "Cue 4 waits for a Go, so nobody knows how long cues 2 to 4 last; end the range at 3, or let it follow",
  );
  const still = smallShow([oneCue("1", level(50))]);
  expect(refusal(still, [{ op: "stretch", from: "1", to: "1", seconds: 30 }])).toBe("Cue 1 takes no time at all; give it a time first");
});

test("own times are multiplied or cleared over a range; moves without any stay", () => {
  const scaled = made(CHAIN, [{ op: "setMoveTimes", from: "1", to: "4", scale: 1.5 }]);
  expect(stored(scaled).get("2/5.intensity")).toMatchObject({ fade: 3, delay: 1.5 });
  expect(stored(scaled).get("1/5.intensity")).toEqual(stored(CHAIN).get("1/5.intensity"));
  const cleared = made(CHAIN, [{ op: "setMoveTimes", from: "1", to: "4", fade: null, delay: null }]);
  expect(stored(cleared).get("2/5.intensity")).toBe(80);
  expect(refusal(CHAIN, [{ op: "setMoveTimes", from: "3", to: "4", scale: 2 }])).toContain("has a time of its own in cues 3 to 4");
  expect(refusal(CHAIN, [{ op: "setMoveTimes", from: "1", to: "4", scale: 2, fade: 1 }])).toContain("either multiplied or set");
});

test("a fan along the cues gives each cue its own step, whatever was stored there", () => {
  const sheet = smallShow([oneCue("1", level(5)), oneCue("2", {}), oneCue("3", level(90)), oneCue("4", {}), oneCue("5", {})]);
  const edit: EditInput = {
    op: "change",
    from: "2",
    to: "4",
    keys: { channels: [5] },
    do: { set: "20~60" },
    along: "cues",
    after: "restore",
  };
  const after = made(sheet, [edit]);
  expect(looksOf(after).map((look) => look.get("5.intensity"))).toEqual([5, 20, 40, 60, 90]);
});

test("a wall for some lights writes what tracks in and sets no flag; looks stay", () => {
  const sheet = smallShow([oneCue("1", { "1": { intensity: 40, pan: 10 }, "5": { intensity: 60 } }), oneCue("2", {}), oneCue("3", {})]);
  const outcome = makeEdits(sheet, readEdits([{ op: "block", from: "2", to: "2", keys: { channels: [1], families: ["position"] } }]));
  expect(outcome.impact.looks).toEqual([]);
  expect([...storedOf(outcome.sheet).keys()]).toEqual(["1/1.intensity", "1/1.pan", "1/5.intensity", "2/1.pan"]);
  expect(cuesOf(outcome.sheet)[1]?.block).toBeUndefined();
  expect(describeEdits(readEdits([{ op: "block", from: "2", to: "2", keys: { channels: [1] } }]))).toBe(
    "Cue 2: what tracks in written for 1 light, no block set",
  );
});

test("what a wall stops is what would track in and is not what it shows", () => {
  const sheet = smallShow([
    oneCue("1", { "1": { intensity: 40, pan: 10 }, "5": { intensity: 60 } }),
    oneCue("2", { "1": { intensity: 70 }, "5": { intensity: 60 } }, {}, { block: true }),
    oneCue("3", {}),
  ]);
  const list = listOf(sheet);
  expect(stoppedBy(list, 1).map(({ key, value, shown }) => [key.name, value, shown])).toEqual([
    ["1.intensity", 40, 70],
    ["1.pan", 10, Number.NaN],
  ]);
  expect(stoppedBy(list, 2)).toEqual([]);
});

test("a cue inserted behind a wall changes no look that was there, whatever is put into it", () => {
  const sheet = smallShow([oneCue("1", level(50)), oneCue("2", { "1": { intensity: 20 } }), oneCue("3", {})]);
  const edits = walledInsertEdits(listOf(sheet), "1.5", "New");
  const after = made(sheet, [...edits, { op: "record", cue: "1.5", moves: { "5": { intensity: 99 }, "1": { pan: 30 } } }]);
  const [, inserted, ...others] = looksOf(after);
  expect(inserted?.get("5.intensity")).toBe(99);
  expect(others).toEqual(looksOf(sheet).slice(1));
  expect(walledInsertEdits(listOf(sheet), "9", undefined)).toEqual([{ op: "insertCue", list: "main", cue: "9" }]);
});

test("a part is named, named otherwise and forgotten; one that is not there is refused by name", () => {
  const sheet = made(CHAIN, [{ op: "setPart", cue: "1", part: 1, label: "Sea", curve: "ease" }]);
  expect(cuesOf(sheet)[0]?.parts[0]).toMatchObject({ label: "Sea", curve: "ease", times: { up: 4 } });
  const bare = made(sheet, [{ op: "setPart", cue: "1", part: 1, label: null, curve: null }]);
  expect(serializeShow(bare.show)).toBe(serializeShow(CHAIN.show));
  expect(refusal(CHAIN, [{ op: "setPart", cue: "1", part: 3, label: "x" }])).toBe("Cue 1 has no part 3; its only part is 1");
});

test("a part given to another takes its moves along and goes", () => {
  const two = made(smallShow([oneCue("1", { "1": { intensity: 40, pan: 10 }, "5": { intensity: 60 } })]), [
    { op: "assignPart", cue: "1", keys: { channels: [1], attributes: ["pan"] }, part: 2 },
    { op: "assignPart", cue: "1", keys: { channels: [5] }, part: 2 },
  ]);
  const one = made(two, mergePartEdits(listOf(two), "1", 2, 1));
  expect(cuesOf(one)[0]?.parts).toEqual([{ number: 1, times: {}, moves: { "1": { intensity: 40, pan: 10 }, "5": { intensity: 60 } } }]);
  expect(() => mergePartEdits(listOf(two), "1", 4, 1)).toThrow("Cue 1 has no part 4; its parts are 1 and 2");
  expect(() => mergePartEdits(listOf(two), "1", 2, 2)).toThrow("go into itself");
});

/** Three dimmers, and a lamp that knows cyan where the washes know red. */
const RIG = {
  fixtureTypes: [
    {
      id: "wash",
      name: "Wash",
      attributes: [
        { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
        { id: "red", family: "colour", min: 0, max: 100, home: 100 },
      ],
    },
    {
      id: "old",
      name: "Old wash",
      attributes: [
        { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
        { id: "cyan", family: "colour", min: 0, max: 50, home: 0 },
      ],
    },
  ],
  channels: [
    { number: 1, type: "wash" },
    { number: 2, type: "wash" },
    { number: 3, type: "wash" },
    { number: 5, type: "old" },
  ],
  palettes: [{ id: "rose", family: "colour", label: "Rose", values: [{ attribute: "red", value: 90 }] }],
};
const washes = (cues: object[]): ShowSheet => smallShow(cues, { policy: "before" }, RIG);

test("several lights recast at once each take over what theirs did before anything was given", () => {
  const sheet = washes([oneCue("1", { "1": { intensity: 10 }, "2": { intensity: 20 }, "3": { intensity: 30 } })]);
  const edit: EditInput = { op: "recast", from: "1", to: "1", channel: [1, 2], as: [2, 3] };
  expect([...stored(made(sheet, [edit]))]).toEqual([
    ["1/2.intensity", 10],
    ["1/3.intensity", 20],
  ]);
  expect([...stored(made(sheet, [{ ...edit, how: "copy" }]))]).toEqual([
    ["1/1.intensity", 10],
    ["1/2.intensity", 10],
    ["1/3.intensity", 20],
  ]);
  expect(describeEdits(readEdits([{ ...edit, channel: [1, 2, 3], as: [2, 3, 1] }]))).toBe("Cue 1: 1 to 3 recast as 2, 3, 1");
});

test("what another light lacks is mapped to what it has, turned round or dropped as said", () => {
  const sheet = washes([
    oneCue("1", { "1": { intensity: 10, red: { palette: "rose" } } }),
    oneCue("2", { "1": { red: { value: 40, fade: 3 } } }),
  ]);
  const edit: EditInput = { op: "recast", from: "1", to: "2", channel: 1, as: 5 };
  const map = [{ from: "red", to: "cyan", turned: true }];
  // 90 of 100 turned round is a tenth of what cyan can do; 40 is six tenths.
  expect([...stored(made(sheet, [{ ...edit, map }]))]).toEqual([
    ["1/5.intensity", 10],
    ["1/5.cyan", 5],
    ["2/5.cyan", { value: 30, fade: 3 }],
  ]);
  expect([...stored(made(sheet, [{ ...edit, dropMissing: true }])).keys()]).toEqual(["1/5.intensity"]);
  expect(refusal(sheet, [edit])).toContain("Light 5 has no red, and 1.red has 2 moves");
  expect(refusal(sheet, [{ ...edit, map: [{ from: "red", to: "zoom" }] }])).toBe("red is mapped to zoom, and light 5 has no zoom");
});

test("lights named twice, unknown, or not as many on both sides are refused by name", () => {
  const sheet = washes([oneCue("1", { "1": { intensity: 10 } })]);
  const edit = { op: "recast" as const, from: "1", to: "1" };
  expect(refusal(sheet, [{ ...edit, channel: [1, 1], as: [2, 3] }])).toContain("Light 1 is named twice");
  expect(refusal(sheet, [{ ...edit, channel: [1, 2], as: [2, 3], how: "swap" }])).toContain("Light 2 is named twice");
  expect(refusal(sheet, [{ ...edit, channel: [1, 2], as: 3 }])).toBe("2 lights cannot be recast as 1 light; name as many on both sides");
  expect(refusal(sheet, [{ ...edit, channel: [1, 9], as: [2, 3] }])).toBe("Light 9 is not in the rig");
  expect(refusal(sheet, [{ ...edit, channel: [2, 3], as: [3, 2] }])).toContain("Light 2 and 1 other have no move in cues 1 to 1");
});

const ROW = smallShow([
  oneCue("1", { "1": { intensity: 10, pan: 5 } }, {}, { label: "a" }),
  oneCue("2", { "5": { intensity: 20 } }, {}, { label: "b" }),
  oneCue("3", { "1": { intensity: 30 } }, {}, { label: "c" }),
  oneCue("4", { "5": { intensity: 0 } }, {}, { label: "d" }),
  oneCue("6", { "1": { pan: 50 } }, {}, { label: "e" }),
]);

test("a range copied keeps its distances where they fit, and stands closer where they do not", () => {
  const list = listOf(ROW);
  const numbers = (edits: EditInput[]): string[] => edits.flatMap((edit) => (edit.op === "copyCue" ? [edit.to] : []));
  expect(numbers(copyRangeEdits({ list, from: "2", to: "4", start: "10" }, "moves", "track"))).toEqual(["10", "11", "12"]);
  expect(numbers(copyRangeEdits({ list, from: "1", to: "3", start: "4.5" }, "moves", "track"))).toEqual(["4.5", "5", "5.5"]);
  expect(() => copyRangeEdits({ list, from: "1", to: "3", start: "3" }, "moves", "track")).toThrow('List "main" already has a cue 3');
  expect(() => copyRangeEdits({ list, from: "1", to: "3", start: "5.999" }, "moves", "track")).toThrow("do not fit between 5.999 and 6");
});

test("a copy onto a number in use is refused, the first cue's too", () => {
  expect(refusal(ROW, [{ op: "copyCue", cue: "3", to: "1" }])).toContain("already has a cue 1");
  expect(refusal(ROW, [{ op: "copyCue", cue: "3", to: "6" }])).toContain("already has a cue 6");
});

test("a copy that keeps looks changes nothing behind it", () => {
  const list = listOf(ROW);
  const copied = made(ROW, copyRangeEdits({ list, from: "1", to: "2", start: "3.5" }, "look", "restore"));
  expect(numbersOf(copied)).toEqual(["1", "2", "3", "3.5", "3.6", "4", "6"]);
  const looks = looksOf(copied);
  expect([looks[3], looks[4]]).toEqual(looksOf(ROW).slice(0, 2));
  expect([looks[5], looks[6]]).toEqual(looksOf(ROW).slice(3));
});

test("a move that keeps looks keeps every look, wherever the cues go", () => {
  fc.assert(
    fc.property(fc.nat({ max: 3 }), fc.nat({ max: 2 }), fc.constantFrom("0.5", "5", "20"), (at, more, start) => {
      const list = listOf(ROW);
      const [from, to] = [numbersOf(ROW)[at] ?? "1", numbersOf(ROW)[Math.min(4, at + more)] ?? "1"];
      const before = looksByLabel(ROW);
      const after = looksByLabel(made(ROW, moveRangeEdits({ list, from, to, start }, "keepLooks")));
      expect([...after.keys()].sort()).toEqual([...before.keys()].sort());
      // A key that was unset may come back as one that nothing says: only what is set counts.
      for (const [label, look] of before) expect([label, after.get(label)]).toEqual([label, look]);
    }),
  );
});

test("cues that move take along what they store, in whichever direction they go", () => {
  const list = listOf(ROW);
  const up = made(ROW, moveRangeEdits({ list, from: "1", to: "3", start: "2" }, "letGo"));
  expect(cuesOf(up).map(({ number, label }) => `${number} ${label ?? ""}`)).toEqual(["2 a", "2.5 b", "3 c", "4 d", "6 e"]);
  const down = made(ROW, moveRangeEdits({ list, from: "4", to: "6", start: "0.5" }, "letGo"));
  expect(cuesOf(down).map(({ label }) => label)).toEqual(["d", "e", "a", "b", "c"]);
});

test("a whole list is copied under its numbers, and looks the same there", () => {
  const sheet = made(ROW, [{ op: "copyList", as: "matinee", label: "Matinee" }]);
  expect(numbersOf(sheet, "matinee")).toEqual(numbersOf(ROW));
  expect(cuesOf(sheet, "matinee")).toEqual(cuesOf(ROW));
  expect(sheet.show.lists.map(({ id, label }) => [id, label])).toEqual([
    ["main", "Main"],
    ["matinee", "Matinee"],
  ]);
  expect(refusal(sheet, [{ op: "copyList", as: "matinee" }])).toContain('already is a list "matinee"');
});

test("cues go into another list under their numbers, between those that stand there", () => {
  const two = made(ROW, [
    { op: "setList", list: { id: "sea", label: "Sea" } },
    { op: "insertCue", list: "sea", cue: "2.5", parts: [{ number: 1, times: {}, moves: { "5": { intensity: 77 } } }] },
    { op: "insertCue", list: "sea", cue: "9", parts: [{ number: 1, times: {}, moves: {} }] },
  ]);
  const rangeMove = { list: listOf(two), from: "2", to: "3", into: listOf(two, "sea") };
  const copied = made(two, copyRangeEdits(rangeMove, "moves", "restore"));
  expect(numbersOf(copied, "sea")).toEqual(["2", "2.5", "3", "9"]);
  const moved = made(two, moveRangeEdits(rangeMove, "keepLooks"));
  expect(numbersOf(moved)).toEqual(["1", "4", "6"]);
  const before = looksByLabel(two);
  for (const [label, look] of looksByLabel(moved)) expect([label, look]).toEqual([label, before.get(label)]);
});

test("a block of moves is copied as text and put elsewhere, light for light and cue for cue", () => {
  const list = listOf(ROW);
  const clip = readClip(writeClip(clipOf(list, { first: 0, last: 1 }, [1, 5])));
  expect(movesInClip(clip)).toBe(3);
  const { edits, left } = pasteEdits(list, clip, 3, [1, 5]);
  expect(left).toEqual([]);
  const after = stored(made(ROW, edits));
  expect([after.get("4/1.intensity"), after.get("4/1.pan"), after.get("6/5.intensity")]).toEqual([10, 5, 20]);
  expect([...stored(made(ROW, cutEdits(list, clip))).keys()]).toEqual(["3/1.intensity", "4/5.intensity", "6/1.pan"]);
});

test("what has no place where a block is put is told, and text that is no block is refused", () => {
  const list = listOf(ROW);
  const clip = clipOf(list, { first: 0, last: 2 }, [1, 5]);
  const { left } = pasteEdits(list, clip, 3, [5]);
  expect(left).toEqual([
    "Light 5 has no pan",
    "Light 5 has no light to go to; choose 2 lights",
    "1 cue of the block would stand behind the end of the list",
  ]);
  expect(() => pasteEdits(list, clipOf(list, { first: 1, last: 1 }, [1]), 3, [1])).toThrow("holds no move");
  expect(() => readClip("12 pan")).toThrow("This is no block of moves");
  expect(() => readClip('{ "format": "zealous-mark/moves", "version": 1, "channels": [1] }')).toThrow("cues");
});
