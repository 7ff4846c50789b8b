import fc from "fast-check";
import {
  Mix,
  type ShowSheet,
  entryAt,
  findRow,
  keyNamed,
  listOf,
  makeEdits,
  mixAfterEdit,
  nextRow,
  readEdits,
  sheetOf,
  standingCue,
} from "../../src/index.ts";
import { attempt } from "../support/attempt.ts";
import { movesArbitrary, showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const edited = (sheet: ShowSheet, ...edits: object[]): ShowSheet => makeEdits(sheet, readEdits(edits)).sheet;
const follow = { trigger: { type: "follow", from: "go", after: 30 } };
const show = smallShow([oneCue("1", { "5": { intensity: 100 } }, { up: 20 }), oneCue("2", { "5": { intensity: 0 } }, {}, follow)]);

/** The run of the show in its first cue, five seconds on, with its show edited, and its list standing in a cue of the edited show. */
function settled(after: ShowSheet, cue: string | null): Mix {
  const mix = new Mix(show);
  mix.go("main", 0);
  const next = mixAfterEdit(mix, after, 5);
  next.settle("main", cue, 5);
  return next;
}
const main = (mix: Mix) => {
  const run = mix.lists.get("main");
  if (!run) throw new Error("The run has no main list");
  return run;
};
const output = (mix: Mix, name: string, time: number): number => {
  const key = keyNamed(mix.keys, name);
  if (!key) throw new Error(`no key ${name}`);
  return mix.output(key, time);
};

test("updating a running fade lets it end in the new value, and the follow still waits", () => {
  const mix = settled(edited(show, { op: "update", cue: "1", moves: { "5": { intensity: 60 } }, at: "here" }), "1");
  expect(main(mix).follow).toEqual({ cue: "2", at: 30 });
  expect([5, 12.5, 20, 25].map((time) => output(mix, "5.intensity", time))).toEqual([25, 42.5, 60, 60]);
  mix.advance(30);
  expect(main(mix).cue).toBe("2");
});

test("after a record of the next cue the list stands in it without a jump or an old follow", () => {
  const after = edited(show, { op: "record", cue: "1.5", moves: { "5": { intensity: 40 }, "1": { intensity: 10 } } });
  const mix = settled(after, "1.5");
  expect(main(mix).cue).toBe("1.5");
  expect(main(mix).follow).toEqual({ cue: "2", at: 30 });
  expect(output(mix, "5.intensity", 5)).toBe(25);
  expect(output(mix, "1.intensity", 6)).toBe(10);
  const back = mixAfterEdit(mix, show, 8);
  back.settle("main", "1", 8);
  expect([main(back).cue, output(back, "5.intensity", 20)]).toEqual(["1", 100]);
  expect(main(settled(edited(show, { op: "deleteCue", cue: "2" }), "1")).follow).toBeNull();
});

test("a cue that is gone is never named as the one on stage, and a new number is followed", () => {
  const second = new Mix(show);
  second.goto("main", "2", 40);
  expect(standingCue(main(second), listOf(show))).toEqual({ cue: "2", gone: false });
  expect(standingCue(main(second), listOf(edited(show, { op: "deleteCue", cue: "2" })))).toEqual({ cue: "1", gone: true });
  const mix = settled(edited(show, { op: "renumber", from: "1", to: "2", start: "7", step: "1" }), null);
  const moved = new Mix(show);
  moved.go("main", 0);
  moved.setStandby([{ list: "main", cue: "2" }]);
  moved.rename(
    "main",
    new Map([
      ["1", "7"],
      ["2", "8"],
    ]),
  );
  expect([main(moved).cue, main(moved).follow?.cue, moved.standby]).toEqual(["7", "8", [{ list: "main", cue: "8" }]]);
  expect(main(mix).cue).toBeNull();
});

test("settling never jumps, ends in the new look, and the next Go goes on from there", () => {
  let accepted = 0;
  fc.assert(
    fc.property(showArbitrary, movesArbitrary, fc.nat(), fc.integer({ min: 1, max: 60 }), (random, moves, pick, quarter) => {
      const sheet = sheetOf({
        ...random,
        lists: random.lists.slice(0, 1).map((list) => ({ ...list, marks: { policy: "view" as const } })),
      });
      const before = listOf(sheet);
      const row = pick % before.cues.length;
      const mix = new Mix(sheet);
      before.cues.slice(0, row + 1).forEach(({ number }, at) => {
        mix.goto("main", number, at < row ? at * 100 : 10_000);
        main(mix).follow = null;
      });
      const now = 10_000 + quarter / 4;
      const cue = before.cues[row]?.number ?? "";
      const outcome = attempt(sheet, [{ op: "update", cue, moves, at: "here" }]);
      if (!outcome) return;
      accepted += 1;
      const list = listOf(outcome.sheet);
      const next = mixAfterEdit(mix, outcome.sheet, now);
      const values = next.keys.all.map((key) => next.output(key, now));
      next.settle("main", cue, now);
      for (const key of list.keys.all) {
        if (key.attribute.snap !== true) expect(Math.abs(next.output(key, now) - (values[key.ordinal] ?? Number.NaN))).toBeLessThan(1e-6);
      }
      expect(nextRow(main(next))).toBe(row + 1 < list.cues.length ? row + 1 : -1);
      main(next).follow = null;
      for (const key of list.keys.all) {
        const shown = entryAt(list, key, findRow(list, cue)).value;
        if (!Number.isNaN(shown) && key.attribute.family === "intensity") expect(next.output(key, 99_999)).toBeCloseTo(shown, 6);
      }
    }),
    { numRuns: 150 },
  );
  expect(accepted).toBeGreaterThan(90);
});

test("a held look that is up becomes what an edit or palette makes of it, in its fade", () => {
  const held = { id: "warm", label: "Warm", values: { "1": { pan: 60, intensity: 40 }, "2": { intensity: 80 } }, fade: 2 };
  const sheet = smallShow([oneCue("1", {})], undefined, {
    heldLooks: [held, { ...held, id: "off", values: { "1": { pan: -100 } } }],
    channels: [
      { number: 1, type: "mover" },
      { number: 2, type: "mover" },
    ],
    palettes: [{ id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 30 }] }],
  });
  const mix = new Mix(sheet);
  mix.setLookLevel("warm", 100, 0);
  const at = (run: Mix, name: string, now: number): number => {
    const key = keyNamed(run.keys, name);
    return key ? Math.round(run.output(key, now) * 100) / 100 : Number.NaN;
  };
  const put = (from: typeof sheet, values: object) => makeEdits(from, readEdits({ op: "setHeldLook", look: { ...held, values } })).sheet;
  const edited = put(sheet, { "1": { pan: { palette: "chair" }, intensity: 90 } });
  const next = mixAfterEdit(mix, edited, 5);
  expect([5, 6, 7].map((now) => at(next, "1.pan", now))).toEqual([60, 45, 30]);
  expect([7].map((now) => at(next, "1.intensity", now))).toEqual([90]);
  const again = mixAfterEdit(new Mix(sheet), sheet, 0);
  again.setLookLevel("warm", 100, 0);
  const renewed = mixAfterEdit(again, edited, 5);
  expect([5, 6, 7].map((now) => [at(renewed, "1.intensity", now), at(renewed, "2.intensity", now)])).toEqual([
    [40, 80],
    [65, 40],
    [90, 0],
  ]);
  const palette = { id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 10 }] };
  const moved = mixAfterEdit(renewed, makeEdits(edited, readEdits({ op: "setPalette", palette })).sheet, 10);
  expect([10, 11, 12].map((now) => at(moved, "1.pan", now))).toEqual([30, 20, 10]);
  moved.setLookLevel("warm", 0, 13);
  expect(at(moved, "1.intensity", 20)).toBe(0);
  expect(at(moved, "2.intensity", 20)).toBe(0);
});

test("a tempo that an edit gives other beats goes at them at once, and one that was tapped stays where the edit is of something else", () => {
  const tempos = [{ id: "swell", label: "Swell", perMinute: 24 }];
  const beating = smallShow([oneCue("1", { "5": { intensity: 10 } })], undefined, { tempos });
  const mix = new Mix(beating);
  mix.tempo("swell", 90, 0);
  const renamed = mixAfterEdit(mix, edited(beating, { op: "setTempo", tempo: { id: "swell", label: "Sea", perMinute: 24 } }), 1);
  expect(renamed.tempos.get("swell")).toBe(90);
  const set = mixAfterEdit(mix, edited(beating, { op: "setTempo", tempo: { id: "swell", label: "Swell", perMinute: 30 } }), 1);
  expect(set.tempos.get("swell")).toBe(30);
});
