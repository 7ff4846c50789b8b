import {
  EMPTY_HAND,
  type EditInput,
  type ShowSheet,
  aimNear,
  bringBackSteps,
  changeHand,
  checkSheet,
  cueDuration,
  entryAt,
  homeMoves,
  isCueNumber,
  keyNamed,
  listOf,
  makeEdits,
  mixFor,
  paletteFromHand,
  readEdits,
  readLine,
  sheetOf,
  unsetBecause,
} from "../../src/index.ts";
import { sameMarks } from "../../src/marks/marksByChannel.ts";
import { refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

/** What stands right at an edge, where a line that is off by one goes unseen elsewhere. */

test("a change of a value times the next cue that moves the key anew, cue-only ones passed", () => {
  const times = { up: 2, down: 7 };
  const sheet = smallShow([
    oneCue("1", { 5: { intensity: 20 } }, times),
    oneCue("2", { 5: { intensity: 90 } }, times, { carries: "cueOnly" }),
    oneCue("3", { 5: { intensity: 50 } }, times),
    oneCue("4", { 5: { intensity: 10 } }, times, { carries: "cueOnly" }),
    oneCue("5", { 5: { intensity: 60 } }, times),
  ]);
  const list = listOf(sheet);
  list.cues.forEach((_, row) => cueDuration(list, row));
  const after = makeEdits(
    sheet,
    readEdits({ op: "change", from: "1", to: "1", keys: { channels: [5] }, do: { set: 95 }, where: "moves" }),
  ).sheet;
  const durations = listOf(after).cues.map((_, row) => cueDuration(listOf(after), row));
  const anew = listOf(sheetOf(after.show));
  expect(durations).toEqual(anew.cues.map((_, row) => cueDuration(anew, row)));
  // 95 down to 90 in cue 2, 90 down to 50 in cue 3, then down to 10 and up to 60 as before.
  expect(durations).toEqual([2, 7, 7, 7, 2]);
});

test.each(["merge", "replace", "remove"] as const)(
  "%s into a wall, this cue only: what tracked out of it before tracks out of it still",
  (mode) => {
    const sheet = smallShow([
      oneCue("1", { 5: { intensity: 30 }, 1: { intensity: 10 } }),
      oneCue("2", { 5: { intensity: 80 }, 1: { intensity: 40 } }, {}, { block: true }),
      oneCue("3", { 1: { pan: 5 } }),
      oneCue("4", {}),
    ]);
    const before = [2, 3].map((row) => shownIn(sheet, row));
    const edit: EditInput = { op: "record", cue: "2", mode, scope: "cueOnly", moves: { 5: { intensity: mode === "remove" ? 80 : 55 } } };
    const { sheet: after, impact } = makeEdits(sheet, readEdits(edit));
    expect([2, 3].map((row) => shownIn(after, row))).toEqual(before);
    expect([...new Set(impact.looks.map(({ cue }) => cue))]).toEqual(["2"]);
    expect(shownIn(after, 1)["5.intensity"]).toBe(mode === "remove" ? undefined : 55);
    expect(shownIn(after, 1)["1.intensity"]).toBe(mode === "replace" ? undefined : 40);
  },
);

function shownIn(sheet: ReturnType<typeof smallShow>, row: number): Record<string, number> {
  const list = listOf(sheet);
  const shown = list.keys.all.map((key) => [key.name, entryAt(list, key, row).value] as const);
  return Object.fromEntries(shown.filter(([, value]) => !Number.isNaN(value)));
}

test("keeping values for a light leaves its type's entry; keeping for the type takes its own", () => {
  const palettes = [
    {
      id: "chair",
      family: "position",
      label: "Chair",
      values: [
        { attribute: "pan", value: 10, type: "mover" },
        { attribute: "pan", value: 20, channel: 1 },
        { attribute: "pan", value: 1 },
      ],
    },
  ];
  const sheet = smallShow([oneCue("1", {})], undefined, { palettes });
  const hand = changeHand(EMPTY_HAND, { do: "give", moves: { 1: { pan: 77 } } }, sheet, 0);
  const wish = { id: "chair", label: "Chair", family: "position" } as const;
  const values = (scope: "all" | "type" | "channel"): unknown =>
    paletteFromHand(sheet, hand, { ...wish, scope }).values.toSorted((a, b) => a.value - b.value);
  expect(values("channel")).toEqual([
    { attribute: "pan", value: 1 },
    { attribute: "pan", value: 10, type: "mover" },
    { attribute: "pan", value: 77, channel: 1 },
  ]);
  expect(values("type")).toEqual([
    { attribute: "pan", value: 1 },
    { attribute: "pan", value: 77, type: "mover" },
  ]);
  expect(values("all")).toEqual([{ attribute: "pan", value: 77 }]);
});

test.each([
  [511, []],
  [512, ["patch-clash"]],
])("a light of two addresses at %d: its last one is 512, or past the end", (address, codes) => {
  const channels = [{ number: 1, type: "mover", patch: { universe: 1, address } }];
  const sheet = smallShow([], undefined, { channels });
  expect(
    checkSheet(sheet)
      .filter(({ code }) => code === "patch-clash")
      .map(({ code }) => code),
  ).toEqual(codes);
});

test("a light is offered room that ends exactly at address 512", () => {
  const channels = [
    { number: 1, type: "mover", patch: { universe: 1, address: 512 } },
    ...Array.from({ length: 255 }, (_, index) => ({ number: index + 2, type: "mover", patch: { universe: 1, address: 1 + index * 2 } })),
  ];
  const [finding] = checkSheet(smallShow([], undefined, { channels })).filter(({ code }) => code === "patch-clash");
  expect(finding?.message).toMatch(/Addresses from 511 on are free/);
});

test("a wall that keeps to itself is told only where what stood before it comes back behind it", () => {
  const wall = { block: true, carries: "cueOnly" };
  const codes = (...cues: object[]): string[] =>
    checkSheet(smallShow(cues))
      .map(({ code }) => code)
      .filter((code) => code === "leaks-past-wall");
  const first = oneCue("1", { 5: { intensity: 60 } });
  expect(codes(first, oneCue("2", {}, {}, wall), oneCue("3", {}))).toEqual(["leaks-past-wall"]);
  // It says the same in the wall, says otherwise behind it, or nothing stood before.
  expect(codes(first, oneCue("2", { 5: { intensity: 60 } }, {}, wall), oneCue("3", {}))).toEqual([]);
  expect(codes(first, oneCue("2", {}, {}, wall), oneCue("3", { 5: { intensity: 60 } }))).toEqual([]);
  expect(codes(oneCue("1", {}), oneCue("2", { 5: { intensity: 60 } }, {}, wall), oneCue("3", {}))).toEqual([]);
  expect(codes(first, oneCue("2", {}, {}, wall))).toEqual([]);
});

test("mixing a colour leaves what it was asked with as it was", () => {
  const wanted = { red: 0.8, green: 0.5, blue: 0.1 };
  const colour = (id: string): Parameters<typeof mixFor>[0] extends Iterable<infer A> ? A : never => ({
    id,
    family: "colour",
    min: 0,
    max: 100,
    home: 0,
  });
  const levels = mixFor([colour("red"), colour("amber"), colour("green"), colour("blue")], wanted);
  expect(levels["amber"]).toBeGreaterThan(0);
  expect(wanted).toEqual({ red: 0.8, green: 0.5, blue: 0.1 });
});

test("cues are renumbered right up to their neighbours and no further", () => {
  const sheet = smallShow(["1", "2", "3", "4"].map((number) => oneCue(number, {})));
  const renumber = (start: string, step: string): EditInput => ({ op: "renumber", from: "2", to: "3", start, step });
  const numbers = (edit: EditInput): string[] => listOf(makeEdits(sheet, readEdits(edit)).sheet).cues.map(({ number }) => number);
  expect(numbers(renumber("1.001", "0.001"))).toEqual(["1", "1.001", "1.002", "4"]);
  expect(numbers(renumber("3.998", "0.001"))).toEqual(["1", "3.998", "3.999", "4"]);
  const byTable: EditInput = { op: "renumber", from: "2", to: "3", numbers: { "2": "1.001", "3": "03.50" } };
  expect(numbers(byTable)).toEqual(["1", "1.001", "3.5", "4"]);
  expect(numbers({ ...byTable, numbers: { "3": "3.999" } })).toEqual(["1", "2", "3.999", "4"]);
  expect(refusal(sheet, [renumber("1", "1")])).toMatch(/would begin at 1, and cue 1 stands before/);
  expect(refusal(sheet, [renumber("3", "1")])).toMatch(/would reach 4, and cue 4 stands behind/);
});

test("a copied look is held against what tracks in where it lands; what it lacks is let go", () => {
  const sheet = smallShow([oneCue("1", { 1: { pan: 5 } }), oneCue("2", { 5: { intensity: 80 } }), oneCue("3", {})]);
  const { sheet: after } = makeEdits(sheet, readEdits({ op: "copyCue", cue: "1", to: "2.5", what: "look" }));
  expect(listOf(after).cues.map((_, row) => shownIn(after, row)["5.intensity"])).toEqual([undefined, 80, undefined, undefined]);
});

test("an attribute sent home by name goes alone, a level too; without a name all but the level", () => {
  const { keys } = smallShow([]);
  expect(homeMoves(keys, { channels: [1] })).toEqual({ 1: { pan: 0 } });
  expect(homeMoves(keys, { channels: [1], attributes: ["intensity"] })).toEqual({ 1: { intensity: 0 } });
  expect(homeMoves(keys, { channels: [1], families: ["intensity"] })).toEqual({ 1: { intensity: 0 } });
  expect(() => homeMoves(keys, { channels: [5] })).toThrow(/nothing but a level/);
});

test.each([".5", ".5.3", "5.3.1", "..5", "5.", "1234567", "1.2345", ""])("%j is no cue number", (text) => {
  expect(isCueNumber(text)).toBe(false);
});

test("a typed block is forgotten where it was when it is moved, and stays when it is copied", () => {
  const sheet = smallShow([oneCue("1", { 5: { intensity: 20 } }), oneCue("2", { 1: { pan: 9 } })]);
  const typed = (text: string): EditInput[] => {
    const read = readLine(text, { sheet, list: listOf(sheet), cues: undefined, toHand: false });
    if ("fault" in read || read.request.kind !== "edit") throw new Error(text);
    return [...read.request.edits];
  };
  const levels = (text: string): (number | undefined)[] =>
    listOf(makeEdits(sheet, readEdits(typed(text))).sheet).cues.map((cue) => {
      const move = cue.parts[0]?.moves["5"]?.["intensity"];
      return typeof move === "number" ? move : undefined;
    });
  expect(levels("copy 5 of #1 to #2")).toEqual([20, 20]);
  expect(levels("move 5 of #1 to #2")).toEqual([undefined, 20]);
});

test("a light comes back into the part where it was, and into the first where that part is gone", () => {
  const parts = (second: object): object => ({
    number: "1",
    parts: [
      { number: 1, times: {}, moves: { 1: { intensity: 5 } } },
      { number: 2, times: {}, moves: second },
    ],
  });
  const then = smallShow([parts({ 5: { intensity: 40 }, 1: { pan: 3 } })]);
  const wanted = { list: "main", cues: ["1"], channels: [5] };
  const stands = smallShow([parts({ 1: { pan: 3 } })]);
  const back = (now: ShowSheet): unknown =>
    listOf(makeEdits(now, [{ op: "steps", steps: bringBackSteps(now, then, wanted) }]).sheet).cues[0]?.parts.map(({ number, moves }) => [
      number,
      moves["5"],
    ]);
  expect(back(stands)).toEqual([
    [1, undefined],
    [2, { intensity: 40 }],
  ]);
  expect(back(smallShow([oneCue("1", { 1: { intensity: 5 } })]))).toEqual([[1, { intensity: 40 }]]);
});

test("a key that the first cue lets go or sends to a palette without it is unset by that cue", () => {
  const palettes = [{ id: "chair", family: "position", label: "Chair", values: [] }];
  const why = (move: object): unknown => {
    const list = listOf(smallShow([oneCue("1", { 1: { pan: move } }), oneCue("2", {})], undefined, { palettes }));
    const key = keyNamed(list.keys, "1.pan");
    return key && [unsetBecause(list, key, 0), unsetBecause(list, key, 1)];
  };
  expect(why({ release: true })).toEqual([
    { why: "released", row: 0 },
    { why: "released", row: 0 },
  ]);
  expect(why({ palette: "chair" })).toEqual([
    { why: "palette", row: 0 },
    { why: "palette", row: 0 },
  ]);
});

test("what is written beside a cue is no change of what it stores; a time or a move is", () => {
  const sheet = smallShow([oneCue("1", { 5: { intensity: 20 } }), oneCue("2", {})]);
  const stored = (edit: EditInput): string[] => makeEdits(sheet, readEdits([edit])).impact.storedCues;
  expect(stored({ op: "setCue", from: "1", to: "1", label: "Dusk", note: "x", scene: "I" })).toEqual([]);
  expect(stored({ op: "setCue", from: "1", to: "1", carries: "cueOnly" })).toEqual(["1"]);
  expect(stored({ op: "setTimes", from: "1", to: "1", set: { up: 3 } })).toEqual(["1"]);
  expect(stored({ op: "record", cue: "2", moves: { 5: { intensity: 1 } } })).toEqual(["2"]);
});

test("cues that all change places keep their moves with them", () => {
  const sheet = smallShow([oneCue("1", { 5: { intensity: 20 } }), oneCue("2", { 5: { intensity: 70 } })]);
  const after = makeEdits(sheet, readEdits([{ op: "moveCue", cue: "1", to: "3" }])).sheet;
  const list = listOf(after);
  const key = keyNamed(list.keys, "5.intensity");
  expect(list.cues.map(({ number }) => number)).toEqual(["2", "3"]);
  expect(key && list.cues.map((_, row) => entryAt(list, key, row).value)).toEqual([70, 20]);
});

test("two marks are the same only where call, preparation and keys are", () => {
  const mark = {
    channel: 1,
    calledAt: 4,
    window: { first: 1, last: 3 },
    markAt: 3,
    strayCue: null,
    needed: 1,
    ordinals: [2, 3],
    fade: 0,
    delay: 0,
  };
  expect(sameMarks([mark], [{ ...mark }])).toBe(true);
  for (const other of [{ calledAt: 5 }, { markAt: 2 }, { ordinals: [2] }, { ordinals: [2, 4] }])
    expect(sameMarks([mark], [{ ...mark, ...other }])).toBe(false);
  expect(sameMarks([mark], [])).toBe(false);
  expect(sameMarks(undefined, [])).toBe(false);
});

test("a part that a record leaves without moves goes, except part 1", () => {
  const parts = [
    { number: 1, times: {}, moves: { 1: { intensity: 40 } } },
    { number: 2, times: { up: 3 }, moves: { 1: { pan: 10 }, 5: { intensity: 20 } } },
  ];
  const sheet = smallShow([{ number: "1", parts }]);
  const partsAfter = (edit: object): number[] =>
    listOf(makeEdits(sheet, readEdits({ op: "record", cue: "1", ...edit })).sheet).cues[0]?.parts.map(({ number }) => number) ?? [];
  const both = { 1: { pan: 10 }, 5: { intensity: 20 } };
  expect(partsAfter({ moves: both, mode: "remove" })).toEqual([1]);
  expect(partsAfter({ moves: both, part: 1 })).toEqual([1]);
  expect(partsAfter({ moves: { 1: { pan: 10 } }, mode: "remove" })).toEqual([1, 2]);
  expect(partsAfter({ moves: { 1: { pan: 99 } } })).toEqual([1, 2]);
  expect(partsAfter({ moves: { 5: { intensity: 1 } }, mode: "replace" })).toEqual([1, 2]);
  expect(partsAfter({ moves: { 1: { intensity: 1 } }, mode: "replace" })).toEqual([1]);
});

test("a light looks at a place that lies right at the end of its turn", () => {
  const [from, ahead] = [
    { x: 0, y: 5, z: 0 },
    { x: 0, y: 0, z: 5 },
  ];
  const range = (min: number, max: number): { pan: { min: number; max: number }; tilt: { min: number; max: number } } => ({
    pan: { min, max },
    tilt: { min: 0, max: 90 },
  });
  expect(aimNear(from, ahead, { pan: 0, tilt: 0 }, range(0, 90))?.pan).toBe(0);
  expect(aimNear(from, ahead, { pan: 0, tilt: 0 }, range(-90, 0))?.pan).toBe(0);
  expect(aimNear(from, ahead, { pan: 0, tilt: 0 }, range(1, 90))).toBeUndefined();
});
