import {
  type Key,
  Mix,
  type MixPress,
  type MixSample,
  type ShowSheet,
  keyNamed,
  mixFrom,
  playMix,
  rampAt,
  readMixRun,
  readShow,
  sheetOf,
  snapshotOf,
} from "../../src/index.ts";
import { stepAfter, stepRow } from "../../src/mix/steps.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

/** A show of several lists over a mover (1) and a lamp (5). */
function several(lists: readonly object[], fields: object = {}): ShowSheet {
  const { lists: _main, ...show } = smallShow([]).show;
  return sheetOf(readShow({ ...show, ...fields, lists: lists.map((list, index) => ({ id: `l${index}`, label: "", cues: [], ...list })) }));
}

function keyOf(sheet: ShowSheet, name: string): Key {
  const key = keyNamed(sheet.keys, name);
  if (!key) throw new Error(`no key ${name}`);
  return key;
}

function run(sheet: ShowSheet, presses: readonly MixPress[], at: readonly number[]): MixSample[] {
  return playMix(sheet, presses, at);
}

/** The level of the lamp at each moment. */
function levels(samples: readonly MixSample[], key = "5.intensity"): number[] {
  const [channel = "", attribute = ""] = key.split(".");
  return samples.map(({ values }) => Math.round((values[channel]?.[attribute] ?? NaN) * 1000) / 1000);
}

test("every order of steps begins with the first cue and goes as it is called", () => {
  const rows = (order: "forward" | "back" | "bounce", steps: number): number[] =>
    Array.from({ length: steps }, (_, step) => stepRow("sea", order, 4, step));
  expect(rows("forward", 6)).toEqual([0, 1, 2, 3, 0, 1]);
  expect(rows("back", 6)).toEqual([0, 3, 2, 1, 0, 3]);
  expect(rows("bounce", 8)).toEqual([0, 1, 2, 3, 2, 1, 0, 1]);
  expect(stepAfter({ order: "bounce", interval: 1, rounds: 1 }, 4, 5)).toBe(-1);
  expect(stepAfter({ order: "bounce", interval: 1, rounds: 2 }, 4, 5)).toBe(6);
});

test("a shuffle draws every round anew, alike in every window, never one step twice in a row", () => {
  const rounds = Array.from({ length: 40 }, (_, round) =>
    Array.from({ length: 6 }, (_, step) => stepRow("sea", "shuffle", 6, round * 6 + step)),
  );
  for (const round of rounds) expect([...round].sort()).toEqual([0, 1, 2, 3, 4, 5]);
  const all = rounds.flat();
  expect(all.filter((row, step) => row === all[step + 1])).toEqual([]);
  expect(new Set(rounds.map(String)).size).toBeGreaterThan(20);
  expect(stepRow("sea", "shuffle", 6, 9)).toBe(stepRow("sea", "shuffle", 6, 9));
  expect(rounds.map(String)).not.toEqual(
    Array.from({ length: 40 }, (_, round) =>
      String(Array.from({ length: 6 }, (_, step) => stepRow("rain", "shuffle", 6, round * 6 + step))),
    ),
  );
});

test("a list without steps never goes round; one with rounds stays in its last step", () => {
  const cues = [oneCue("1", { 5: { intensity: 10 } }), oneCue("2", { 5: { intensity: 20 } })];
  const plain = run(
    several([{ cues }]),
    [0, 1, 2, 3].map((t) => ({ t, go: true as const })),
    [0.5, 1.5, 2.5, 3.5],
  );
  expect(plain.map(({ cue }) => cue)).toEqual(["1", "2", "2", "2"]);
  const twice = run(several([{ cues, steps: { interval: 1, rounds: 2 } }]), [{ t: 0, go: true }], [0.5, 1.5, 2.5, 3.5, 4.5, 60]);
  expect(twice.map(({ cue }) => cue)).toEqual(["1", "2", "1", "2", "2", "2"]);
});

test("lists at one tempo keep in step when it is set anew, and own follows count before it", () => {
  const cues = [oneCue("1", { 5: { intensity: 10 } }), oneCue("2", { 5: { intensity: 20 } })];
  const beat = { steps: { tempo: "slow" } };
  const own = [cues[0], oneCue("2", {}, {}, { trigger: { type: "follow", from: "go", after: 0.25 } })];
  const sheet = several(
    [
      { cues, ...beat },
      { cues, ...beat },
      { cues: own, ...beat },
    ],
    {
      tempos: [{ id: "slow", label: "Slow", perMinute: 60 }],
    },
  );
  const start = ["l0", "l1", "l2"].map((list) => ({ t: 0, list, go: true as const }));
  const samples = run(sheet, [...start, { t: 1.5, tempo: "slow", perMinute: 30 }], [0.2, 0.3, 1.1, 2.9, 3.1]);
  expect(samples.map(({ cues: at }) => [at["l0"], at["l1"], at["l2"]])).toEqual([
    ["1", "1", "1"],
    ["1", "1", "2"],
    ["2", "2", "2"],
    ["2", "2", "2"],
    ["1", "1", "2"],
  ]);
});

test("a held look by the latest crosses without a jump; by the highest it never takes away", () => {
  const cues = [oneCue("1", { 5: { intensity: 40 } }, { up: 0 })];
  const look = (levels: string): object => ({ heldLooks: [{ id: "dim", label: "Dim", values: { 5: { intensity: 10 } }, levels }] });
  const presses: MixPress[] = [
    { t: 0, go: true },
    { t: 1, look: "dim", level: 100, time: 2 },
    { t: 5, look: "dim", level: 0, time: 2 },
  ];
  expect(levels(run(several([{ cues }], look("latest")), presses, [1, 2, 3, 5, 6, 7]))).toEqual([40, 25, 10, 10, 25, 40]);
  expect(levels(run(several([{ cues }], look("highest")), presses, [1, 2, 3, 5, 6, 7]))).toEqual([40, 40, 40, 40, 40, 40]);
});

test("a fader that turns round before it is down keeps what it holds", () => {
  const heldLooks = [{ id: "warm", label: "Warm", values: { 1: { pan: 60 }, 5: { intensity: 100 } }, fade: 1 }];
  const presses: MixPress[] = [
    { t: 0, look: "warm", level: 100 },
    { t: 2, look: "warm", level: 0, time: 4 },
    { t: 4, look: "warm", level: 100, time: 1 },
  ];
  const samples = run(several([{ cues: [oneCue("1", {})] }], { heldLooks }), presses, [2, 4, 5, 9]);
  expect(levels(samples)).toEqual([100, 50, 100, 100]);
  expect(levels(samples, "1.pan")).toEqual([60, 60, 60, 60]);
});

test("actions that start each other round and round end, and are told of once", () => {
  const goes = (list: string): object => ({ steps: { interval: 60 }, cues: [oneCue("1", {}, {}, { actions: [{ do: "go", list }] })] });
  const sheet = several([goes("l1"), goes("l0")]);
  const mix = new Mix(sheet);
  mix.go("l0", 0);
  mix.advance(1);
  expect(mix.reports.map(({ code, at }) => [code, at])).toEqual([["action-loop", 0]]);
  expect(mix.log.length).toBeLessThan(200);
  expect(mix.lists.get("l0")?.cue).toBe("1");
});

test("a list that fires itself at every moment is stopped, reported, and stays stopped", () => {
  const sheet = several([{ steps: { interval: 60 }, cues: [oneCue("1", {}, {}, { actions: [{ do: "go", list: "l0", after: 0.0001 }] })] }]);
  const mix = new Mix(sheet);
  mix.go("l0", 0);
  mix.advance(30);
  expect(mix.reports).toMatchObject([{ code: "action-loop", list: "l0" }]);
  expect(mix.log.length).toBeLessThan(600);
  const again = mixFrom(sheet, snapshotOf(mix));
  again.advance(60);
  expect(again.log).toEqual([]);
  again.go("l0", 61);
  expect(again.log.length).toBe(1);
});

describe("after a go-to before them, what later cues have started and set", () => {
  const actions = [
    { do: "start", list: "l1" },
    { do: "rate", list: "l1", rate: 2 },
    { do: "master", list: "l1", level: 40 },
    { do: "look", look: "warm", level: 80 },
    { do: "tempo", tempo: "slow", perMinute: 200 },
  ];
  const sheet = several(
    [
      { cues: [oneCue("1", {}), oneCue("2", {}, {}, { actions }), oneCue("3", {})] },
      { releaseTime: 2, master: 90, cues: [oneCue("1", { 5: { intensity: 50 } })] },
    ],
    {
      heldLooks: [{ id: "warm", label: "Warm", values: { 1: { intensity: 100 } } }],
      tempos: [{ id: "slow", label: "Slow", perMinute: 60 }],
    },
  );
  const standing = (mix: Mix): object => ({
    cue: mix.lists.get("l1")?.cue,
    rate: mix.lists.get("l1")?.rate,
    master: mix.lists.get("l1")?.master.to,
    look: mix.looks.get("warm")?.level.to,
    tempo: mix.tempos.get("slow"),
  });
  const before = { cue: null, rate: 1, master: 90, look: 0, tempo: 60 };
  const ran = (): Mix => {
    const mix = new Mix(sheet);
    for (const t of [0, 1, 2]) mix.go("l0", t);
    mix.advance(3);
    expect(standing(mix)).toEqual({ cue: "1", rate: 2, master: 40, look: 80, tempo: 200 });
    return mix;
  };

  test.each<[string, (mix: Mix) => void]>([
    ["at once", (mix) => mix.goto("l0", "1", 4, 0)],
    ["in a time", (mix) => mix.goto("l0", "1", 4, 3)],
    [
      "by Back, twice",
      (mix) => {
        mix.back("l0", 4);
        expect(standing(mix)).toEqual({ cue: "1", rate: 2, master: 40, look: 80, tempo: 200 });
        mix.back("l0", 5);
      },
    ],
    [
      "after its run was written down and taken up again",
      (mix) => {
        const again = mixFrom(sheet, snapshotOf(mix));
        again.goto("l0", "1", 4, 0);
        expect(standing(again)).toEqual(before);
        mix.goto("l0", "1", 4, 0);
      },
    ],
  ])("is as before the first cue: %s", (_, going) => {
    const mix = ran();
    going(mix);
    expect(standing(mix)).toEqual(before);
    // The list goes in its own release time.
    mix.advance(9);
    expect(mix.output(keyOf(sheet, "5.intensity"), 9)).toBe(0);
  });

  test("stays as it is where somebody has set it by hand since", () => {
    const mix = ran();
    mix.go("l1", 3);
    mix.rate("l1", 3, 3);
    mix.setLookLevel("warm", 10, 3);
    mix.goto("l0", "1", 4, 0);
    expect(standing(mix)).toEqual({ cue: "1", rate: 3, master: 90, look: 10, tempo: 60 });
  });
});

test("after a go-to the lists that cues speak of stand as in order; others are left alone", () => {
  const cues = [
    oneCue(
      "1",
      {},
      {},
      {
        actions: [
          { do: "start", list: "l1" },
          { do: "rate", list: "l1", rate: 2 },
        ],
      },
    ),
    oneCue(
      "2",
      {},
      {},
      {
        actions: [
          { do: "go", list: "l1" },
          { do: "look", look: "warm", level: 60 },
        ],
      },
    ),
    oneCue(
      "3",
      {},
      {},
      {
        actions: [
          { do: "release", list: "l1" },
          { do: "master", list: "l2", level: 30 },
        ],
      },
    ),
  ];
  const side = [oneCue("1", { 5: { intensity: 10 } }), oneCue("2", { 5: { intensity: 20 } })];
  const sheet = several([{ cues }, { cues: side }, { cues: side }], {
    heldLooks: [{ id: "warm", label: "Warm", values: { 1: { intensity: 100 } } }],
  });
  const inOrder = (last: number): MixPress[] => Array.from({ length: last }, (_, index) => ({ t: index, go: true as const }));
  for (const [number, last] of [
    ["1", 1],
    ["2", 2],
    ["3", 3],
  ] as const) {
    const [ran] = run(sheet, [{ t: 0, list: "l2", go: true }, ...inOrder(last)], [100]);
    const [gone] = run(
      sheet,
      [
        { t: 0, list: "l2", go: true },
        { t: 5, goto: number },
      ],
      [100],
    );
    expect(gone).toEqual(ran);
  }
});

test("a mark whose light another list lights waits until that has let go, and it is reported", () => {
  const main = [
    oneCue("1", { 1: { intensity: 50, pan: 0 } }),
    oneCue("2", { 1: { intensity: 0 } }),
    oneCue("3", { 1: { intensity: 50, pan: 90 } }),
  ];
  const sheet = several([{ cues: main }, { cues: [oneCue("1", { 1: { intensity: 80 } })], releaseTime: 2 }]);
  const presses: MixPress[] = [
    { t: 0, go: true },
    { t: 1, list: "l1", go: true },
    { t: 2, go: true },
    { t: 5, list: "l1", release: true },
  ];
  // From 7 on, when the other list is out, at 90 degrees a second, however seldom anybody looks.
  const pan = levels(run(sheet, presses, [2.5, 5, 7, 8.1]), "1.pan");
  expect(pan).toEqual([0, 0, 0, 90]);
  expect(levels(run(sheet, presses, [7.5]), "1.pan")).toEqual([45]);
  const mix = new Mix(sheet);
  mix.go("l0", 0);
  mix.go("l1", 1);
  mix.go("l0", 2);
  mix.advance(3);
  expect(mix.reports.map(({ code, message }) => `${code}: ${message}`)).toEqual([
    "mark-lit: Light 1 is lit by something else while list l0 would prepare it: its mark waits until it is dark.",
  ]);
});

test("what names a list, cue or look that is not there is refused, and so is an unreadable run", () => {
  const sheet = several([{ cues: [oneCue("1", {})] }]);
  expect(() => run(sheet, [{ t: 0, list: "rain", go: true }], [1])).toThrow(/There is no list "rain"; the lists are l0/);
  expect(() => run(sheet, [{ t: 0, look: "warm", level: 5 }], [1])).toThrow(/There is no held look "warm"; the held looks are none yet/);
  expect(() => run(sheet, [{ t: 0, standby: [{ list: "l0", cue: "9" }] }], [1])).toThrow(/has no cue 9/);
  expect(() => readMixRun([{ t: 0, list: "l0", master: 150 }])).toThrow(/The run: /);
});

test("a fader that jumps is looked at before it does: it is where it was, and never no number", () => {
  const ramp = { from: 20, to: 80, start: 5, fade: 0 };
  expect([4.9, 5, 6].map((time) => rampAt(ramp, time))).toEqual([20, 80, 80]);
});

test("four hours of running at speed keep no more than four minutes do", () => {
  const sheet = several(
    [
      { cues: [oneCue("1", { 1: { intensity: 80, pan: 20 } }), oneCue("2", { 1: { intensity: 40, pan: { release: true } } })] },
      {
        steps: { interval: 0.6 },
        cues: [1, 2, 3].map((step) => ({
          number: String(step),
          parts: [
            {
              number: 1,
              times: { up: 0.4 },
              moves: { 5: { intensity: step * 20 } },
              waves: { 1: { pan: { shape: "sine", size: 5, period: 2 } } },
            },
          ],
        })),
      },
    ],
    { heldLooks: [{ id: "warm", label: "Warm", values: { 1: { intensity: 30 } } }] },
  );
  const mix = new Mix(sheet);
  const sizeAfter = (minutes: number): number => {
    for (; mix.now < minutes * 60;) {
      const now = mix.now + 5;
      if (now % 20 === 0) mix.goto("l0", now % 40 === 0 ? "1" : "2", now);
      if (now % 35 === 0) mix.setLookLevel("warm", now % 70 === 0 ? 100 : 0, now, 2);
      mix.advance(now);
      mix.log.length = 0;
    }
    return JSON.stringify(snapshotOf(mix)).length;
  };
  mix.go("l1", 0);
  mix.rate("l1", 2, 0);
  mix.rate("l0", 20, 0);
  const early = sizeAfter(4);
  const late = sizeAfter(240);
  expect(late).toBeLessThan(early * 1.3);
  expect(mix.reports.length).toBeLessThan(5);
});
