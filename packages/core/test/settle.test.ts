import fc from "fast-check";
import {
  type ListSheet,
  type Playback,
  type ShowSheet,
  advance,
  entryAt,
  fireNext,
  idlePlayback,
  keyNamed,
  keyOutput,
  listOf,
  makeEdits,
  nextRow,
  readEdits,
  renamingOf,
  settleInto,
  sheetOf,
  standingCue,
} from "../src/index.ts";
import { attempt } from "./support/attempt.ts";
import { movesArbitrary, showArbitrary } from "./support/randomShow.ts";
import { oneCue, smallShow } from "./support/smallShow.ts";

const edited = (sheet: ShowSheet, ...edits: object[]): ListSheet => listOf(makeEdits(sheet, readEdits(edits)).sheet);
const output = (playback: Playback, list: ListSheet, name: string, time: number): number => {
  const key = keyNamed(list.keys, name);
  if (!key) throw new Error(`no key ${name}`);
  return keyOutput(playback, key, time);
};

const follow = { trigger: { type: "follow", from: "go", after: 30 } };
const show = smallShow([oneCue("1", { "5": { intensity: 100 } }, { up: 20 }), oneCue("2", { "5": { intensity: 0 } }, {}, follow)]);
const running = fireNext(idlePlayback("main"), listOf(show), 0, 0);

test("updating a fade that runs lets it go on from where it is and end in the new value, and the follow still waits", () => {
  const list = edited(show, { op: "update", cue: "1", moves: { "5": { intensity: 60 } }, at: "here" });
  const settled = settleInto(running, list, 0, 5);
  expect([5, 12.5, 20, 25].map((time) => output(settled, list, "5.intensity", time))).toEqual([25, 42.5, 60, 60]);
  expect(settled.follow).toEqual({ cue: "2", at: 30 });
  expect(advance(settled, list, 30).cue).toBe("2");
});

test("after a record of the next cue the list stands in it without a jump, and the follow is dropped when it is no longer next", () => {
  const list = edited(show, { op: "record", cue: "1.5", moves: { "5": { intensity: 40 }, "1": { intensity: 10 } } });
  const settled = settleInto(running, list, 1, 5);
  expect(settled.cue).toBe("1.5");
  expect(output(settled, list, "5.intensity", 5)).toBe(25);
  expect(output(settled, list, "5.intensity", 20)).toBe(40);
  expect(output(settled, list, "1.intensity", 6)).toBe(10);
  expect(settled.follow).toEqual({ cue: "2", at: 30 });
  const back = settleInto(settled, listOf(show), 0, 8);
  expect([back.cue, output(back, listOf(show), "5.intensity", 20)]).toEqual(["1", 100]);
  const deleted = edited(show, { op: "deleteCue", cue: "2" });
  expect(settleInto(running, deleted, 0, 5).follow).toBeNull();
});

test("a cue that is gone is never named as the one on stage, and a new number is followed", () => {
  const second = fireNext(running, listOf(show), 1, 40);
  expect(standingCue(second, listOf(show))).toEqual({ cue: "2", gone: false });
  expect(standingCue(second, edited(show, { op: "deleteCue", cue: "2" }))).toEqual({ cue: "1", gone: true });
  expect(standingCue(running, listOf(show))).toEqual({ cue: "1", gone: false });
  expect(standingCue(idlePlayback("main"), listOf(show))).toEqual({ cue: null, gone: false });
  expect(renamingOf(running, new Map([["2", "7"]]))).toEqual({ do: "name", cue: "1", follow: "7" });
  expect(renamingOf(running, new Map([["3", "7"]]))).toBeUndefined();
});

test("settling never jumps, ends in the new look, and the next Go goes on from there", () => {
  fc.assert(
    fc.property(showArbitrary, movesArbitrary, fc.nat(), fc.integer({ min: 0, max: 60 }), (random, moves, pick, quarter) => {
      const sheet = sheetOf(random);
      const before = listOf(sheet);
      const row = pick % before.cues.length;
      const now = quarter / 4;
      let playback: Playback = idlePlayback("main");
      for (let at = 0; at <= row; at += 1) playback = { ...fireNext(playback, before, at, at < row ? -1000 + at * 100 : 0), follow: null };
      const cue = before.cues[row]?.number ?? "";
      const outcome = attempt(sheet, [{ op: "update", cue, moves, at: "here" }]);
      if (!outcome) return;
      const list = listOf(outcome.sheet);
      const settled = settleInto(playback, list, row, now);
      for (const key of list.keys.all) {
        const jump = Math.abs(keyOutput(settled, key, now) - keyOutput(playback, key, now));
        const snaps = key.attribute.snap === true;
        if (!snaps) expect(jump).toBeLessThan(1e-6);
        const shown = entryAt(list, key, row).value;
        const was = entryAt(before, key, row).value;
        if (!Number.isNaN(shown) && key.attribute.family === "intensity") expect(keyOutput(settled, key, 9999)).toBeCloseTo(shown, 6);
        if (Number.isNaN(shown) && Number.isNaN(was)) expect(settled.tracks[key.name]).toBe(playback.tracks[key.name]);
      }
      const next = nextRow(settled, list);
      expect(next).toBe(row + 1 < list.cues.length ? row + 1 : -1);
    }),
    { numRuns: 200 },
  );
});
