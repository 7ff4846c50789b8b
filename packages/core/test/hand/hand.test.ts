import fc from "fast-check";
import {
  Mix,
  EMPTY_HAND,
  type Hand,
  type MoveSpec,
  type Moves,
  type RecordWish,
  ShowError,
  type ShowSheet,
  changeHand,
  moveTiming,
  readHand,
  squashDiffs,
  diffHands,
  entryAt,
  fanAt,
  fanOf,
  fitHand,
  followHistory,
  freeId,
  giveMoves,
  givePace,
  giveTimes,
  giveWay,
  handOutput,
  invertSteps,
  keyNamed,
  listOf,
  makeEdits,
  nextNumber,
  offeredPlace,
  paceFromHand,
  paletteFromHand,
  planRecording,
  planUpdating,
  readEdits,
  recordSentence,
  sheetOf,
  stageWarning,
  standsAfter,
  stepHand,
  updateOptions,
} from "../../src/index.ts";
import { movesArbitrary, showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const wish: RecordWish = { cue: "12.5", from: "hand", what: "both", changed: false, mode: "merge", scope: "track" };
const holding = (sheet: ShowSheet, moves: Moves, hand: Hand = EMPTY_HAND): Hand => changeHand(hand, { do: "give", moves }, sheet, 0);
const moveOf = (hand: Hand, name: string): MoveSpec | undefined => {
  const held = hand.held[name];
  return held && "move" in held ? held.move : undefined;
};
const home = (): number => 0;
const key = (sheet: ShowSheet, name: string) => {
  const found = keyNamed(sheet.keys, name);
  if (!found) throw new Error(`no key ${name}`);
  return found;
};
const stage = { run: undefined, outputOf: home };

const three = smallShow([
  oneCue("12", { "1": { intensity: 40, pan: 10 }, "5": { intensity: 60 } }),
  oneCue("13", { "5": { intensity: 20 } }),
  oneCue("14", { "1": { intensity: 0 } }),
]);

test("what is given lies over the show at once, and fades back when it is let go", () => {
  const hand = holding(three, { "1": { intensity: 80 } });
  const level = key(three, "1.intensity");
  expect(handOutput(hand, level, three.palettes, 40, 0)).toBe(80);
  const gone = changeHand(hand, { do: "drop", fade: 2 }, three, 1000);
  expect(gone.held).toEqual({});
  expect([1000, 2000, 3000].map((now) => handOutput(gone, level, three.palettes, 40, now))).toEqual([80, 60, 40]);
  expect(changeHand(gone, { do: "restoreDropped" }, three, 1500).held).toEqual(hand.held);
  expect(handOutput(changeHand(gone, { do: "restoreDropped" }, three, 1500), level, three.palettes, 40, 1600)).toBe(80);
});

test("a bad value changes nothing and names the key", () => {
  expect(() => holding(three, { "1": { pan: 900 } })).toThrow(/1\.pan/);
  expect(() => holding(three, { "9": { intensity: 5 } })).toThrow(/channel 9 is not in the rig/);
});

test("what was recorded is told from what changed since, and gives way when the list goes on", () => {
  const recorded = changeHand(
    holding(three, { "1": { intensity: 80, pan: 5 } }),
    { do: "recorded", keys: ["1.intensity", "1.pan"] },
    three,
    0,
  );
  const hand = holding(three, { "1": { intensity: 80, pan: 6 } }, recorded);
  expect(Object.entries(hand.held).map(([name, { fresh }]) => [name, fresh])).toEqual([
    ["1.intensity", false],
    ["1.pan", true],
  ]);
  expect(Object.keys(giveWay(hand, three, 0).held)).toEqual(["1.pan"]);
  expect(planRecording(three, listOf(three), hand, stage, { ...wish, changed: true }).edit.moves).toEqual({ "1": { pan: 6 } });
});

test("values fan in the order of choice; adding starts from the stage and stops at the ends", () => {
  const sheet = smallShow([], {}, { channels: [1, 2, 3, 4, 5].map((number) => ({ number, type: "lamp" })) });
  expect(giveMoves(sheet, { channels: [5, 3, 1], families: ["intensity"] }, { set: "0~100" }, home)).toEqual({
    "5": { intensity: 0 },
    "3": { intensity: 50 },
    "1": { intensity: 100 },
  });
  expect(giveMoves(sheet, { channels: [2, 4] }, { add: 30 }, (each) => each.channel * 20)).toEqual({
    "2": { intensity: 70 },
    "4": { intensity: 100 },
  });
  expect(() => giveMoves(sheet, { channels: [2] }, { set: 101 }, home)).toThrow(ShowError);
  const hand = holding(sheet, { "5": { intensity: 10 }, "3": { intensity: 10 }, "1": { intensity: 10 } });
  const times = giveTimes(sheet, hand, { channels: [5, 3, 1] }, { delay: "0~2", fade: 3 });
  expect(times).toEqual({
    "5.intensity": { fade: 3, delay: 0, fans: { delay: "0~2" } },
    "3.intensity": { fade: 3, delay: 1, fans: { delay: "0~2" } },
    "1.intensity": { fade: 3, delay: 2, fans: { delay: "0~2" } },
  });
  const timed = changeHand(hand, { do: "time", times }, sheet, 0);
  expect(moveOf(timed, "3.intensity")).toEqual({ value: 10, fade: 3, delay: 1 });
  expect(moveOf(changeHand(timed, { do: "time", times: { "3.intensity": { fade: null } } }, sheet, 0), "3.intensity")).toEqual({
    value: 10,
    delay: 1,
  });
  const pace = paceFromHand(sheet, timed, { id: "sweep", label: "Sweep", channels: [5, 3, 1] });
  expect(pace).toEqual({ id: "sweep", label: "Sweep", intensity: { fade: 3, delay: "0~2" } });
  const partly = changeHand(timed, { do: "time", times: { "5.intensity": { fade: null, delay: null } } }, sheet, 0);
  expect(paceFromHand(sheet, partly, { id: "part", label: "Part", channels: [5, 3, 1] }).intensity).toEqual({ fade: 3, delay: "0~2" });
  expect(givePace(sheet, timed, { channels: [1, 3, 5] }, pace)["1.intensity"]).toEqual({ fade: 3, delay: 0, fans: { delay: "0~2" } });
  expect(() => giveTimes(sheet, EMPTY_HAND, { channels: [1] }, { fade: 3 })).toThrow(/Nothing of that is in hand/);
});

test("the fan that is found gives the very values it was found for", () => {
  const seconds = fc.integer({ min: 0, max: 400 }).map((each) => each / 8);
  fc.assert(
    fc.property(fc.array(seconds, { minLength: 1, maxLength: 9 }), (values) => {
      const fan = fanOf(values);
      expect(fan).toBeDefined();
      values.forEach((value, index) => expect(Math.abs(fanAt(fan ?? 0, index, values.length) - value)).toBeLessThan(0.005));
    }),
  );
  expect(fanOf([2, 3.5, 5, 3.5, 2])).toBe("2~5~2");
  expect(fanOf([1, undefined])).toBeUndefined();
});

test("recording what is in hand makes a cue that looks like the Hand, whatever the show", () => {
  fc.assert(
    fc.property(showArbitrary, movesArbitrary, fc.constantFrom("merge" as const, "replace" as const), (show, moves, mode) => {
      const sheet = sheetOf(show);
      const hand = holding(sheet, moves);
      fc.pre(Object.keys(hand.held).length > 0);
      const plan = planRecording(sheet, listOf(sheet), hand, stage, { ...wish, cue: "11.125", mode });
      const outcome = makeEdits(sheet, readEdits(plan.edit));
      const after = listOf(outcome.sheet);
      const row = after.cues.findIndex((cue) => cue.number === "11.125");
      for (const name of plan.keys) {
        const each = key(outcome.sheet, name);
        const wanted = handOutput(hand, each, sheet.palettes, Number.NaN, 0);
        if (!Number.isNaN(wanted)) expect(entryAt(after, each, row).value).toBe(wanted);
      }
    }),
  );
});

test("a record says in one sentence what it will do", () => {
  const list = listOf(three);
  const say = (more: Partial<RecordWish>, moves: Moves): string => {
    const plan = planRecording(three, list, holding(three, moves), stage, { ...wish, times: { up: 3 }, ...more });
    return recordSentence(list, plan, makeEdits(three, readEdits(plan.edit)));
  };
  const two: Moves = { "1": { intensity: 80, pan: 30 }, "5": { intensity: 70 } };
  expect(say({}, two)).toBe("Inserts cue 12.5 between 12 and 13: 3 values of 2 lights; cues 13 to 14 change on 1 light");
  expect(say({ scope: "cueOnly" }, two)).toBe(
    "Inserts cue 12.5 between 12 and 13: 3 values of 2 lights; no other cue changes; cue 13 gets 2 moves to stay as it is",
  );
  expect(say({ cue: "15" }, two)).toBe("Adds cue 15 behind 14: 3 values of 2 lights");
  expect(say({ cue: "11" }, { "5": { intensity: 70 } })).toBe("Inserts cue 11 before 12: 1 value of 1 light; no other cue changes");
  expect(say({ cue: "15", times: {} }, two)).toBe("Adds cue 15 behind 14: 3 values of 2 lights; it has no times, so it snaps");
  expect(say({ cue: "13", times: {} }, { "5": { intensity: 30 } })).toBe("Changes cue 13: 1 value of 1 light; cue 14 changes on 1 light");
  expect(say({ cue: "13", times: {} }, { "5": { intensity: 20 } })).toBe("Changes cue 13: nothing of it is new; no other cue changes");
  expect(say({ cue: "12", mode: "remove", times: {} }, { "5": { intensity: 1 } })).toMatch(
    /^Takes moves out of cue 12: 1 value of 1 light/,
  );
  expect(() => say({ families: ["beam"] }, two)).toThrow(/None of what is in hand passes/);
  expect(() => say({}, {})).toThrow(/Nothing is in hand/);
});

test("times alone go to the moves that a cue has, values alone leave the times that stand there", () => {
  const timed = smallShow([oneCue("12", { "1": { intensity: { value: 40, fade: 9 } } })]);
  const hand = holding(timed, { "1": { intensity: { value: 70, delay: 2 }, pan: { value: 3, fade: 1 } } });
  const plan = (what: RecordWish["what"]) => planRecording(timed, listOf(timed), hand, stage, { ...wish, cue: "12", what }).edit.moves;
  expect(plan("times")).toEqual({ "1": { intensity: { value: 40, delay: 2 } } });
  expect(plan("values")).toEqual({ "1": { intensity: { value: 70, fade: 9 }, pan: 3 } });
});

test("a record tells its cue what fires it, its scene and note, and isolates it, in one gesture that the sentence names", () => {
  const list = listOf(three);
  const hand = holding(three, { "1": { intensity: 80 } });
  const fields = { trigger: { type: "follow", from: "go", after: 1.5 }, scene: "I.9", note: "Wait" } as const;
  const plan = planRecording(three, list, hand, stage, { ...wish, cue: "12.5", scope: "isolated", fields });
  const outcome = makeEdits(three, readEdits([...plan.edits]));
  expect(listOf(outcome.sheet).cues[1]).toMatchObject({ number: "12.5", carries: "isolated", ...fields });
  expect(recordSentence(list, plan, outcome)).toBe(
    "Inserts cue 12.5 between 12 and 13: 1 value of 1 light; isolated: nothing tracks in or out; follows 1.5 s after the Go of the cue before; begins the scene I.9; with a note; no other cue changes; it has no times, so it snaps",
  );
  const bare = planRecording(three, list, hand, stage, { ...wish, cue: "12.5" });
  expect(bare.edits).toHaveLength(1);
});

test("what is on stage is recorded as seen: the running list under the Hand, palettes kept", () => {
  const palettes = [{ id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 15 }] }];
  const sheet = smallShow(
    [oneCue("1", { "1": { intensity: 40, pan: { palette: "chair" } }, "5": { intensity: 60 } }), oneCue("2", {})],
    {},
    { palettes },
  );
  const list = listOf(sheet);
  const mix = new Mix(sheet);
  mix.goto("main", "1", 0, 0);
  const run = mix.lists.get("main");
  const hand = holding(sheet, { "5": { intensity: 90 } });
  const outputOf = (each: { name: string }): number => ({ "1.intensity": 40, "1.pan": 15, "5.intensity": 90 })[each.name] ?? 0;
  const from = (changed: boolean) =>
    planRecording(sheet, list, hand, { run, outputOf }, { ...wish, cue: "3", from: "stage", changed }).edit.moves;
  expect(from(false)).toEqual({ "1": { intensity: 40, pan: { palette: "chair" } }, "5": { intensity: 90 } });
  expect(from(true)).toEqual({ "5": { intensity: 90 } });
});

test("the next number is the next free one behind the stage; a record elsewhere is warned of", () => {
  const list = listOf(three);
  expect([nextNumber(list, "12"), nextNumber(list, "14"), nextNumber(list, null)]).toEqual(["12.5", "15", "15"]);
  expect(nextNumber(listOf(smallShow([])), null)).toBe("1");
  expect(stageWarning(list, "12.5", "12")).toBeUndefined();
  expect(stageWarning(list, "13", "13")).toBeUndefined();
  expect(stageWarning(list, "12", null)).toBeUndefined();
  expect(stageWarning(list, "14", "12")).toMatch(/stands at cue 12, and the cue before 14 is 13/);
  expect(standsAfter(list, "13", "12")).toBe("13");
  expect(standsAfter(list, "14", "12")).toBeUndefined();
});

test("a palette is made for all, for types or for channels, and goes finer where lights differ", () => {
  const sheet = smallShow([], {}, { channels: [1, 2, 3].map((number) => ({ number, type: "mover" })) });
  const hand = holding(sheet, { "1": { pan: 10 }, "2": { pan: 10 }, "3": { pan: 10, intensity: 5 } });
  const made = (scope: "all" | "type" | "channel", held = hand) =>
    paletteFromHand(sheet, held, { id: "p", label: "P", family: "position", scope }).values;
  expect(made("all")).toEqual([{ attribute: "pan", value: 10 }]);
  expect(made("type")).toEqual([{ attribute: "pan", value: 10, type: "mover" }]);
  expect(made("channel")).toHaveLength(3);
  const differing = holding(sheet, { "2": { pan: 11 } }, hand);
  expect(made("all", differing).map((entry) => [entry.channel, entry.value])).toEqual([
    [1, 10],
    [2, 11],
    [3, 10],
  ]);
  expect(() => paletteFromHand(sheet, hand, { id: "c", label: "C", family: "colour", scope: "all" })).toThrow(/No colour is in hand/);
  expect(freeId("Dusk, wärm!", ["dusk-warm"])).toBe("dusk-warm-2");
});

test("an update is offered here, at its source, and in the palette, and goes where it was sent", () => {
  const palettes = [{ id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 15 }] }];
  const sheet = smallShow(
    [oneCue("1", { "1": { intensity: 40, pan: { palette: "chair" } } }), oneCue("2", { "5": { intensity: 60 } })],
    {},
    { palettes },
  );
  const list = listOf(sheet);
  const hand = holding(sheet, { "1": { intensity: 50, pan: 20 }, "5": { intensity: 70 } });
  const options = updateOptions(sheet, list, hand, "2");
  expect(options.map(({ key: { name }, before, source, palette }) => [name, before, source, palette])).toEqual([
    ["1.intensity", 40, "1", undefined],
    ["1.pan", 15, "1", "chair"],
    ["5.intensity", 60, undefined, undefined],
  ]);
  const edits = planUpdating(list, "2", options, (option) =>
    offeredPlace(option, option.key.name === "1.intensity" ? "atSource" : "inPalette"),
  );
  const { sheet: after } = makeEdits(sheet, readEdits(edits));
  expect(after.show.palettes[0]?.values[0]?.value).toBe(20);
  expect(after.show.lists[0]?.cues.map((cue) => cue.parts[0]?.moves)).toEqual([
    { "1": { intensity: 50, pan: { palette: "chair" } } },
    { "5": { intensity: 70 } },
  ]);
  expect(() => planUpdating(list, "2", options, () => null)).toThrow(/nothing to update/);
});

test("a Hand forgets what the rig no longer has", () => {
  const hand = holding(three, { "1": { intensity: 80 }, "5": { intensity: 10 } });
  const { sheet } = makeEdits(three, readEdits({ op: "removeChannel", channel: 5, used: "drop" }));
  expect(Object.keys(fitHand(hand, sheet).held)).toEqual(["1.intensity"]);
  expect(fitHand(hand, three)).toBe(hand);
});

test("a value whose record was taken back counts as changed, and as recorded when made again", () => {
  const hand = holding(three, { "1": { intensity: { value: 80, fade: 3 } }, "5": { intensity: 10 } });
  const plan = planRecording(three, listOf(three), hand, stage, { ...wish, channels: [1] });
  const { steps } = makeEdits(three, readEdits(plan.edit));
  const recorded = changeHand(hand, { do: "recorded", keys: [...plan.keys] }, three, 0);
  const told = (each: Hand): (boolean | undefined)[] => ["1.intensity", "5.intensity"].map((name) => each.held[name]?.fresh);
  expect(told(recorded)).toEqual([false, true]);
  const back = followHistory(recorded, invertSteps(steps));
  expect(told(back)).toEqual([true, true]);
  expect(told(followHistory(back, steps))).toEqual([false, true]);
  expect(followHistory(recorded, steps)).toBe(recorded);
});

test("a step back gives the Hand as it was; what came in since fades back to the show", () => {
  const first = holding(three, { "1": { intensity: 80 } });
  const second = holding(three, { "1": { intensity: 20 }, "5": { intensity: 50 } }, first);
  const back = stepHand(second, diffHands(first, second), "undo", three, 1000);
  expect(back.held).toEqual(first.held);
  expect(handOutput(back, key(three, "1.intensity"), three.palettes, 40, 1000)).toBe(80);
  expect([1000, 1500, 2000].map((now) => handOutput(back, key(three, "5.intensity"), three.palettes, 10, now))).toEqual([50, 30, 10]);
  expect(stepHand(first, diffHands(EMPTY_HAND, first), "undo", three, 0).held).toEqual({});
});

test("taking a step back leaves alone what has changed since, and steps of one gesture are one", () => {
  const first = holding(three, { "1": { intensity: 20 } });
  const second = holding(three, { "1": { intensity: 30 } }, first);
  const third = holding(three, { "1": { intensity: 40 }, "5": { intensity: 9 } }, second);
  const drag = squashDiffs(diffHands(first, second), diffHands(second, third));
  expect(stepHand(third, drag, "undo", three, 0).held).toEqual(first.held);
  const other = holding(three, { "5": { intensity: 77 } }, third);
  expect(stepHand(other, drag, "undo", three, 0).held).toEqual({ ...first.held, "5.intensity": other.held["5.intensity"] });
  expect(squashDiffs(diffHands(first, second), diffHands(second, first))).toEqual({});
});

test("a damaged Hand is told from an empty one", () => {
  expect(readHand(JSON.stringify(EMPTY_HAND))).toEqual(EMPTY_HAND);
  expect(readHand('{"held":')).toBeUndefined();
  expect(readHand('{"held":{"1.intensity":{"move":"much","fresh":true}},"dropped":{},"leaving":{}}')).toBeUndefined();
});

test("a pace keeps the fan that it was given, whatever the number of lights", () => {
  const lights = [1, 5, 6, 7];
  const sheet = smallShow([], undefined, {
    channels: [{ number: 1, type: "mover" }, ...lights.slice(1).map((number) => ({ number, type: "lamp" }))],
  });
  const moves = Object.fromEntries(lights.map((light) => [light, { intensity: 50 }]));
  const times = giveTimes(sheet, holding(sheet, moves), { channels: lights }, { fade: "4~1~4" });
  const hand = changeHand(holding(sheet, moves), { do: "time", times }, sheet, 0);
  expect(lights.map((light) => moveTiming(moveOf(hand, `${light}.intensity`) ?? 0).fade)).toEqual([4, 2, 2, 4]);
  expect(paceFromHand(sheet, hand, { id: "p", label: "P" }).intensity).toEqual({ fade: "4~1~4" });
  const anew = changeHand(hand, { do: "time", times: giveTimes(sheet, hand, { channels: [5] }, { fade: 3 }) }, sheet, 0);
  expect(paceFromHand(sheet, anew, { id: "p", label: "P" }).intensity).toEqual({ fade: "4~3~2~4" });
});
