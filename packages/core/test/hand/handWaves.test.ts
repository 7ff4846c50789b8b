import {
  type Action,
  EMPTY_HAND,
  listSheet,
  listSpans,
  recordSentence,
  runningActions,
  type GivenWave,
  type Hand,
  type HandChange,
  type Key,
  Mix,
  type RecordWish,
  changeHand,
  describeHandChanges,
  diffHands,
  fitHand,
  followHistory,
  giveWaves,
  handLayer,
  keyNamed,
  applyHand,
  listOf,
  makeEdits,
  planRecording,
  readEdits,
  readHand,
  readHandChanges,
  sheetOf,
  squashDiffs,
  stepHand,
  waveOver,
  wavesOf,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const RUNNING = smallShow(
  [
    {
      ...oneCue("1", { "1": { intensity: 40, pan: 10 } }),
      parts: [
        {
          number: 1,
          times: {},
          moves: { "1": { intensity: 40, pan: 10 } },
          waves: { "1": { pan: { shape: "square", size: 20, period: 4 } } },
        },
      ],
    },
    oneCue("2", { "1": { intensity: 80 } }),
  ],
  undefined,
  {
    channels: [
      { number: 1, type: "mover" },
      { number: 2, type: "mover" },
      { number: 5, type: "mover" },
    ],
    tempos: [{ id: "slow", label: "Slow", perMinute: 30 }],
  },
);
const key = (name: string): Key => {
  const found = keyNamed(RUNNING.keys, name);
  if (!found) throw new Error(name);
  return found;
};
const change = (hand: Hand, ...changes: readonly [HandChange, number][]): Hand =>
  changes.reduce((before, [one, now]) => changeHand(before, one, RUNNING, now), hand);
const wave = (channels: number[], given: GivenWave): HandChange => ({
  do: "wave",
  waves: giveWaves(RUNNING, { channels, attributes: ["pan"] }, given),
});
const SQUARE: GivenWave = { shape: "square", size: 30, period: 2 };

/** What a key puts out with the Hand over a steady value, at some moments in milliseconds. */
function over(hand: Hand, name: string, moments: readonly number[], under: number, still = under): number[] {
  const layer = handLayer(hand, { ...RUNNING, perMinute: (tempo) => (tempo === "slow" ? 30 : undefined) });
  return moments.map((now) => {
    const values = new Float64Array(RUNNING.keys.all.length).fill(under);
    applyHand(layer, now, values, () => still);
    return values[key(name).ordinal] ?? Number.NaN;
  });
}

test("a wave in hand is spread over the lights in order, and adds to what lies under it", () => {
  const hand = change(EMPTY_HAND, [wave([5, 1, 2], { shape: "rise", size: 10, period: 4, phase: "0~180" }), 1000]);
  const phases = [5, 1, 2].map((channel) => hand.held[`${channel}.pan wave`]);
  expect(phases.map((held) => (held && "wave" in held && !("stop" in held.wave) ? held.wave.phase : undefined))).toEqual([0, 90, 180]);
  // A rise of 4 s is at -10 where it begins and at 0 after 2 s; half a turn on it is at 0 and 10.
  expect(over(hand, "5.pan", [1000, 3000], 50)).toEqual([40, 50]);
  expect(over(hand, "2.pan", [1000, 2999.999], 50).map(Math.round)).toEqual([50, 60]);
  expect(over(hand, "5.intensity", [1000, 3000], 50)).toEqual([50, 50]);
});

test("what runs under a wave in hand counts without its own waves, and a stop lets it stand", () => {
  const swayed = change(EMPTY_HAND, [wave([1], SQUARE), 0]);
  expect(over(swayed, "1.pan", [0, 500, 1500], 30, 10)).toEqual([40, 40, -20]);
  const stopped = change(EMPTY_HAND, [wave([1], { stop: true }), 0]);
  expect(over(stopped, "1.pan", [0, 1500], 30, 10)).toEqual([10, 10]);
  // A value in hand stands by itself; a wave in hand is added to it and stops at the ends of the range.
  const both = change(EMPTY_HAND, [{ do: "give", moves: { "1": { pan: 260 } } }, 0], [wave([1], SQUARE), 0]);
  expect(over(both, "1.pan", [0, 1500], 30, 10)).toEqual([270, 230]);
});

test("a dropped wave goes in a second while what it stilled returns, and can be held again", () => {
  const hand = change(EMPTY_HAND, [wave([1], SQUARE), 0]);
  const gone = change(hand, [{ do: "drop" }, 4000]);
  expect(Object.keys(gone.held)).toEqual([]);
  expect(over(gone, "1.pan", [4000, 4500, 5000, 6000], 30, 10)).toEqual([40, 35, 30, 30]);
  expect(change(gone, [{ do: "restoreDropped" }, 4600]).held).toEqual(hand.held);
});

test("a wave that goes by a tempo keeps its beat, and leaves the Hand with it", () => {
  const hand = change(EMPTY_HAND, [wave([1], { shape: "square", size: 30, tempo: "slow" }), 0]);
  expect(over(hand, "1.pan", [0, 999, 1001, 1999, 2001], 0)).toEqual([30, 30, -30, -30, 30]);
  expect(() => change(EMPTY_HAND, [wave([1], { shape: "square", size: 30, tempo: "fast" }), 0])).toThrow(
    /There is no tempo "fast"; the tempos are slow/,
  );
  const { sheet } = makeEdits(RUNNING, readEdits({ op: "removeTempo", tempo: "slow" }));
  expect(Object.keys(fitHand(hand, sheet).held)).toEqual([]);
});

test("undo takes a wave back and redo gives it again; one changed since is left alone", () => {
  const first = change(EMPTY_HAND, [wave([1, 2], SQUARE), 0]);
  const second = change(first, [wave([1], { ...SQUARE, size: 5 }), 1000]);
  const diff = diffHands(first, second);
  expect(Object.keys(diff)).toEqual(["1.pan wave"]);
  expect(stepHand(second, diff, "undo", RUNNING, 2000).held).toEqual(first.held);
  expect(stepHand(stepHand(second, diff, "undo", RUNNING, 2000), diff, "redo", RUNNING, 2000).held).toEqual(second.held);
  const third = change(second, [wave([1], { stop: true }), 1500]);
  expect(stepHand(third, diff, "undo", RUNNING, 2000).held).toEqual(third.held);
  expect(squashDiffs(diff, diffHands(second, change(second, [wave([1], SQUARE), 3000])))).toEqual({});
  expect(describeHandChanges([wave([1, 2], { ...SQUARE, phase: "0~90" })], diff)).toBe("In hand: 2 lights, pan square 30 every 2 s");
});

test("a Hand with waves is read back as it was stored; a wave that is none is refused", () => {
  const hand = change(EMPTY_HAND, [wave([1], SQUARE), 7], [{ do: "inTime", on: true }, 8]);
  expect(readHand(JSON.stringify(hand))).toEqual(hand);
  expect(
    readHand(JSON.stringify({ ...hand, held: { "1.pan wave": { wave: { shape: "wobble", size: 1 }, fresh: true, since: 0 } } })),
  ).toBeUndefined();
  expect(() => readHandChanges([{ do: "wave", waves: { "1": { pan: { shape: "wobble", size: 1, period: 1 } } } }])).toThrow(
    /Change 1 of the Hand/,
  );
  expect(() => change(EMPTY_HAND, [{ do: "wave", waves: { "9": { pan: { shape: "sine", size: 1, period: 1 } } } }, 0])).toThrow(
    /channel 9 is not in the rig/,
  );
});

const stage = (mix: Mix) => ({ run: mix.lists.get("main"), outputOf: () => 0 });
const wish: RecordWish = { cue: "2", from: "hand", what: "both", changed: true, mode: "merge", scope: "track" };

test("a record takes the waves in hand, and they count as recorded until that is taken back", () => {
  const hand = change(EMPTY_HAND, [{ do: "give", moves: { "2": { pan: 5 } } }, 0], [wave([1, 2], SQUARE), 0]);
  const list = listOf(RUNNING);
  const mix = new Mix(RUNNING);
  const plan = planRecording(RUNNING, list, hand, stage(mix), wish);
  expect(plan.keys).toEqual(["2.pan", "1.pan wave", "2.pan wave"]);
  const outcome = makeEdits(RUNNING, readEdits(plan.edit));
  const shown = [...wavesOf(listOf(outcome.sheet))].map(([each, rows]) => [each.name, rows.map((entry) => entry?.wave?.size ?? null)]);
  expect(shown).toEqual([
    ["1.pan", [20, 30]],
    ["2.pan", [null, 30]],
  ]);
  const recorded = change(hand, [{ do: "recorded", keys: [...plan.keys] }, 1]);
  expect(Object.values(recorded.held).map(({ fresh }) => fresh)).toEqual([false, false, false]);
  expect(planRecording(RUNNING, list, recorded, stage(mix), { ...wish, changed: false }).edit.waves).toEqual(plan.edit.waves);
  expect(() => planRecording(RUNNING, list, recorded, stage(mix), wish)).toThrow(/None of what is in hand passes/);
  const inverse = outcome.steps.map((step) => (step.at === "part" ? { ...step, before: step.after, after: step.before } : step));
  expect(Object.values(followHistory(recorded, inverse).held).map(({ fresh }) => fresh)).toEqual([false, true, true]);
  expect(Object.values(followHistory(hand, outcome.steps).held).map(({ fresh }) => fresh)).toEqual([false, false, false]);
  // Narrowed to levels, or to times, it takes no wave.
  expect(() => planRecording(RUNNING, list, hand, stage(mix), { ...wish, families: ["intensity"] })).toThrow(/None of what is in hand/);
  expect(() => planRecording(RUNNING, list, hand, stage(mix), { ...wish, what: "times" })).toThrow(/stores none of the values/);
});

test("the stage is recorded with the waves that run, and a stop where the cue would sway", () => {
  const mix = new Mix(RUNNING);
  mix.go("main", 0);
  const list = listOf(RUNNING);
  const still = change(EMPTY_HAND, [wave([1], { stop: true }), 0]);
  const fromStage: RecordWish = { ...wish, cue: "3", from: "stage" };
  expect(planRecording(RUNNING, list, still, stage(mix), fromStage).edit.waves).toEqual({ "1": { pan: { stop: true } } });
  expect(planRecording(RUNNING, list, EMPTY_HAND, stage(mix), { ...fromStage, changed: false }).edit.waves).toEqual({
    "1": { pan: { shape: "square", size: 20, period: 4 } },
  });
  expect(planRecording(RUNNING, list, EMPTY_HAND, { run: undefined, outputOf: () => 0 }, fromStage).edit.waves).toEqual({
    "1": { pan: { stop: true } },
  });
});

test("a record into this cue only leaves later waves; replace and remove take the cue's own", () => {
  const record = (fields: object) => makeEdits(RUNNING, readEdits({ op: "record", ...fields }));
  const sizes = (sheet: ReturnType<typeof sheetOf>): (number | null)[] =>
    ([...wavesOf(listOf(sheet))].find(([each]) => each.name === "1.pan")?.[1] ?? []).map((entry) => entry?.wave?.size ?? null);
  const only = record({ cue: "1", waves: { "1": { pan: { shape: "sine", size: 7, period: 3 } } }, scope: "cueOnly" });
  expect(sizes(only.sheet)).toEqual([7, 20]);
  expect(sizes(record({ cue: "1", waves: { "1": { pan: { shape: "sine", size: 7, period: 3 } } } }).sheet)).toEqual([7, 7]);
  expect(sizes(record({ cue: "1", moves: { "1": { pan: 4 } }, mode: "replace" }).sheet)).toEqual([]);
  expect(sizes(record({ cue: "1", waves: { "1": { pan: { stop: true } } }, mode: "remove" }).sheet)).toEqual([]);
  const part = record({ cue: "1", waves: { "1": { pan: { shape: "sine", size: 7, period: 3 } } }, part: 2 });
  expect(listOf(part.sheet).cues[0]?.parts.map(({ waves }) => Object.keys(waves ?? {}))).toEqual([[], ["1"]]);
  expect(makeEdits(part.sheet, part.inverse).sheet.show).toEqual(RUNNING.show);
  expect(() => record({ cue: "1", waves: { "1": { glow: { shape: "sine", size: 7, period: 3 } } } })).toThrow(
    /channel 1 has no attribute "glow"/,
  );
});

test("in its own times a value rises from what lies under it, and goes on when given anew", () => {
  const slow = { value: 80, fade: 4, delay: 1 };
  const hand = change(EMPTY_HAND, [{ do: "inTime", on: true }, 0], [{ do: "give", moves: { "1": { intensity: slow } } }, 1000]);
  expect(over(hand, "1.intensity", [1000, 1900, 2000, 4000, 6000, 9000], 20)).toEqual([20, 20, 20, 50, 80, 80]);
  const again = change(hand, [{ do: "give", moves: { "1": { intensity: 0 } }, from: { "1.intensity": 50 } }, 4000]);
  expect(over(again, "1.intensity", [4000, 5000, 7000, 9000], 20)).toEqual([50, 50, 25, 0]);
  const atOnce = change(again, [{ do: "inTime", on: false }, 4500], [{ do: "give", moves: { "1": { intensity: 66 } } }, 4600]);
  expect(over(atOnce, "1.intensity", [4600], 20)).toEqual([66]);
  // A wave grows in the times of its value.
  const swayed = change(hand, [{ do: "give", moves: { "2": { pan: { value: 0, fade: 2 } } } }, 9000], [wave([2], SQUARE), 20_000]);
  expect(over(swayed, "2.pan", [20_000, 20_500, 21_500, 22_500], 0)).toEqual([0, 7.5, -22.5, 30]);
});

test("a wave spread over a whole round runs along the lights: the last is not the first", () => {
  const phasesOf = (phase: number | string, channels: number[]): unknown[] => {
    const waves = giveWaves(RUNNING, { channels, attributes: ["pan"] }, { shape: "sine", size: 10, period: 4, phase });
    return channels.map((channel) => {
      const said = waves[channel]?.pan;
      return said && "phase" in said ? said.phase : undefined;
    });
  };
  expect(phasesOf("0~360", [5, 1, 2])).toEqual([0, 120, 240]);
  expect(phasesOf("90~-630", [5, 1])).toEqual([90, -270]);
  expect(phasesOf("0~180", [5, 1, 2])).toEqual([0, 90, 180]);
  expect(phasesOf("0~360~0", [5, 1, 2])).toEqual([0, 360, 0]);
  expect(phasesOf("0~360", [5])).toEqual([0]);
});

test("what was given to lights is told again of their waves, as fields show it", () => {
  const given: GivenWave[] = [
    { shape: "sine", size: "10~40", period: 4, phase: "0~360" },
    { shape: "flicker", size: 20, tempo: "slow" },
    { stop: true },
  ];
  for (const each of given) {
    const waves = giveWaves(RUNNING, { channels: [5, 1, 2], attributes: ["pan"] }, each);
    expect(waveOver([5, 1, 2].map((channel) => waves[channel]?.pan))).toEqual(each);
  }
  expect(waveOver([{ stop: true }, { shape: "sine", size: 1, period: 1 }])).toBeUndefined();
  expect(waveOver([{ shape: "sine", size: 1, period: 1 }, undefined])).toBeUndefined();
  expect(waveOver([])).toBeUndefined();
});

test("a record with what runs now brings it about as actions of the cue, and says so", () => {
  const hand = change(EMPTY_HAND, [{ do: "give", moves: { "2": { pan: 5 } } }, 0]);
  const list = listOf(RUNNING);
  const actions: Action[] = [{ do: "look", look: "warm", level: 60 }];
  const show = makeEdits(
    RUNNING,
    readEdits({ op: "setHeldLook", look: { id: "warm", label: "Warm", values: { "5": { intensity: 50 } } } }),
  ).sheet;
  const mix = new Mix(show);
  mix.setLookLevel("warm", 60, 0);
  expect(runningActions(mix, "main")).toEqual(actions);
  const plan = planRecording(show, list, hand, { ...stage(mix), actions }, { ...wish, running: true });
  const outcome = makeEdits(show, readEdits([...plan.edits]));
  expect(listOf(outcome.sheet).cues[1]?.actions).toEqual(actions);
  expect(recordSentence(list, plan, outcome)).toMatch(/^Changes cue 2: 1 value of 1 light, and 1 action of what runs now/);
  // Nothing in hand is no refusal while something runs; where nothing does, what the cue did besides goes.
  const only = planRecording(show, list, EMPTY_HAND, { ...stage(mix), actions }, { ...wish, running: true });
  expect(only.edit.moves).toEqual({});
  expect(planRecording(show, list, hand, stage(mix), { ...wish, running: true }).edits.at(-1)).toMatchObject({
    op: "setCue",
    actions: null,
  });
});

test("other lists are told over the cues in which they run, from start to let-go", () => {
  const doing = (number: string, ...actions: Action[]) => ({ number, actions, parts: [{ number: 1, times: {}, moves: {} }] });
  const cues = [
    doing("1", { do: "start", list: "sea" }),
    doing("2"),
    doing("3", { do: "release", list: "sea" }, { do: "rate", list: "rain", rate: 2 }),
    doing("4", { do: "go", list: "rain" }, { do: "start", list: "gone" }),
    doing("5", { do: "start", list: "sea", cue: "1" }),
    doing("6", { do: "release", list: "sea" }, { do: "start", list: "sea" }),
  ];
  const list = listSheet({ id: "main", label: "Main", cues }, RUNNING.keys, RUNNING.palettes);
  const others = new Map(["sea", "rain"].map((id) => [id, listOf(smallShow([oneCue("1", {})], undefined, {}))]));
  expect(listSpans(list, (id) => others.get(id))).toEqual([
    { list: "sea", from: 0, to: 2, ends: true },
    { list: "rain", from: 3, to: 5, ends: false },
    { list: "sea", from: 4, to: 5, ends: false },
  ]);
});
