import {
  type RehearsalCode,
  type ShowSheet,
  alikeFindings,
  compareRehearsals,
  makeEdits,
  readEdits,
  rehearsalMoment,
  rehearsalWords,
  rehearse,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

type Moves = Parameters<typeof oneCue>[1];

/** A show of cues that are called so many seconds apart, with lights that turn 60 degrees a second. */
function called(seconds: number, cues: readonly { moves: Moves; times?: object; fields?: object; label?: string }[]): ShowSheet {
  const lines = cues.map((_, index) => ({ id: `L${index}`, text: "word", seconds }));
  return smallShow(
    cues.map(({ moves, times = {}, fields = {}, label }, index) =>
      oneCue(String(index + 1), moves, times, { call: { line: `L${index}` }, ...(label === undefined ? {} : { label }), ...fields }),
    ),
    undefined,
    {
      fixtureTypes: [
        {
          id: "mover",
          name: "Mover",
          attributes: [
            { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
            { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 60 },
            { id: "red", family: "colour", min: 0, max: 100, home: 0 },
          ],
        },
      ],
      channels: [
        { number: 1, type: "mover" },
        { number: 2, type: "mover" },
      ],
      script: { pace: 120, lines },
    },
  );
}

/** What a rehearsal finds, in short. */
function found(sheet: ShowSheet): { code: RehearsalCode; cue: string; key: string; at: number; seconds: number }[] {
  return rehearse(sheet).findings.map(({ code, cue, key, at, seconds }) => ({
    code,
    cue,
    key,
    at: Math.round(at * 20) / 20,
    seconds: Math.round(seconds * 10) / 10,
  }));
}

const edited = (sheet: ShowSheet, edit: object): ShowSheet => makeEdits(sheet, readEdits(edit)).sheet;

const SWEEP = called(3, [
  { moves: { "1": { intensity: 80, pan: 0 } } },
  { moves: { "1": { intensity: 0 } }, times: { down: 2.5 } },
  { moves: { "1": { intensity: 80, pan: 120 } } },
]);

test("a light whose mark has too little time is seen sweeping; one that gets the time is not", () => {
  // It is dark at 5.5 and called at 6: half a second of the two that it needs. Easing in and out it comes 0.2 s later than at full speed.
  expect(found(SWEEP)).toEqual([{ code: "sweep-seen", cue: "3", key: "1.pan", at: 6, seconds: 1.7 }]);
  expect(rehearse(SWEEP)).toMatchObject({ clean: false, assumed: [] });
  expect(rehearse(SWEEP).findings[0]?.message).toMatch(
    /^Light 1, pan, is seen travelling for 1.7 s as cue 3 has it lit; prepare it earlier/,
  );
  const mended = edited(SWEEP, { op: "setTimes", from: "2", to: "2", set: { down: 0.5 } });
  expect(rehearse(mended)).toMatchObject({ clean: true, findings: [] });
});

test("a light that is lit and told to be elsewhere at once is seen sweeping, and is late", () => {
  const jump = called(5, [{ moves: { "1": { intensity: 80, pan: 0 } } }, { moves: { "1": { pan: 90 } } }]);
  expect(found(jump)).toEqual([
    { code: "sweep-seen", cue: "2", key: "1.pan", at: 5, seconds: 1.5 },
    { code: "late", cue: "2", key: "1.pan", at: 5, seconds: 1.5 },
  ]);
  expect(found(edited(jump, { op: "setTimes", from: "2", to: "2", set: { position: { fade: 2 } } }))).toEqual([]);
});

test("a fade that is faster than the light can turn is late; a quarter of a second is let pass", () => {
  const fast = called(6, [
    { moves: { "1": { intensity: 80, pan: 0 } } },
    { moves: { "1": { pan: 120 } }, times: { position: { fade: 1 } } },
  ]);
  expect(found(fast)).toEqual([{ code: "late", cue: "2", key: "1.pan", at: 7, seconds: 1 }]);
  expect(found(edited(fast, { op: "setTimes", from: "2", to: "2", set: { position: { fade: 1.8 } } }))).toEqual([]);
  // In the dark nobody sees it.
  const dark = called(6, [
    { moves: { "1": { intensity: 0, pan: 0 } } },
    { moves: { "1": { pan: 120 } }, times: { position: { fade: 1 } } },
  ]);
  expect(found(dark)).toEqual([]);
});

test("a fade that a later cue takes away early is cut short by what it lost", () => {
  const cut = called(4, [
    { moves: { "1": { intensity: 80 } }, times: { up: 6 } },
    { moves: { "1": { intensity: 20 } }, times: { down: 1 } },
  ]);
  expect(found(cut)).toEqual([{ code: "cut-short", cue: "1", key: "1.intensity", at: 4, seconds: 2 }]);
  expect(rehearse(cut).findings[0]?.message).toMatch(/loses 2 s of its fade in cue 1: cue 2 takes it away/);
  expect(found(edited(cut, { op: "setTimes", from: "1", to: "1", set: { up: 3.5 } }))).toEqual([]);
  const same = called(4, [
    { moves: { "1": { intensity: 80 } }, times: { up: 6 } },
    { moves: { "1": { intensity: 80 } }, times: { up: 1 } },
  ]);
  expect(found(same)).toEqual([]);
  // An older cue's delay is dropped by the newer one and cuts nothing.
  const delayed = called(4, [
    { moves: { "1": { intensity: 80 } }, times: { up: 2, upDelay: 7 } },
    { moves: { "1": { intensity: 50 } }, times: { up: 1 } },
  ]);
  expect(found(delayed)).toEqual([]);
});

test("light in a cue called a blackout is found when its time is over, for as long as it lasts", () => {
  const dark = called(5, [
    { moves: { "1": { intensity: 80 }, "2": { intensity: 40 } } },
    { moves: { "1": { intensity: 0 } }, times: { down: 2 }, label: "Blackout" },
    { moves: { "2": { intensity: 50 } } },
  ]);
  expect(found(dark)).toEqual([{ code: "dark-missed", cue: "2", key: "2.intensity", at: 7.05, seconds: 3 }]);
  expect(
    found(edited(dark, { op: "change", from: "2", to: "2", keys: { channels: [2], families: ["intensity"] }, do: { set: 0 } })),
  ).toEqual([]);
  // The first light of the rig counts as any other.
  const first = edited(dark, { op: "change", from: "2", to: "2", keys: { families: ["intensity"] }, do: { set: 0 } });
  const lit = edited(first, { op: "change", from: "2", to: "2", keys: { channels: [1], families: ["intensity"] }, do: { set: 30 } });
  expect(found(lit).map(({ code, key }) => [code, key])).toEqual([["dark-missed", "1.intensity"]]);
  // Half a per cent is dark.
  expect(
    found(edited(dark, { op: "change", from: "2", to: "2", keys: { channels: [2], families: ["intensity"] }, do: { set: 0.5 } })),
  ).toEqual([]);
});

test("cues without a call come 8 s after the one before and are named; follows by themselves", () => {
  const show = called(3, [{ moves: { "1": { intensity: 10 } } }, { moves: { "1": { intensity: 20 } } }]);
  const more = edited(show, {
    op: "insertCue",
    cue: "3",
    trigger: { type: "follow", from: "go", after: 1 },
    parts: [{ number: 1, times: { up: 2 }, moves: { "1": { intensity: 0 } } }],
  });
  const all = edited(more, { op: "insertCue", cue: "4", parts: [{ number: 1, times: {}, moves: { "1": { intensity: 5 } } }] });
  expect(rehearse(all)).toMatchObject({ clean: true, assumed: ["4"] });
  // The last Go is that of cue 3, at 3 + 1 s.
  expect(Math.round(rehearse(all).seconds)).toBe(12);
  expect(Math.round(rehearse(all, { speed: 2 }).seconds * 2) / 2).toBe(6.5);
  const relaxed = called(6, [
    { moves: { "1": { intensity: 80, pan: 0 } } },
    { moves: { "1": { intensity: 0 } }, times: { down: 1 } },
    { moves: { "1": { intensity: 80, pan: 120 } } },
  ]);
  expect(rehearse(relaxed).clean).toBe(true);
  expect(rehearse(relaxed, { speed: 3 }).findings.map(({ code }) => code)).toEqual(["sweep-seen"]);
});

test("a show without cues is clean, and a list that is not there is refused", () => {
  const empty = smallShow([], undefined, {});
  expect(rehearse(empty)).toEqual({ clean: true, seconds: 0, assumed: [], findings: [] });
  expect(() => rehearse(empty, { list: "sea" })).toThrow(/There is no list "sea"/);
});

test("two rehearsals are held against one another: what came, what went, and both in words", () => {
  const cut = called(4, [
    { moves: { "1": { intensity: 80 }, "2": { intensity: 60 } }, times: { up: 6 } },
    { moves: { "1": { intensity: 20 } }, times: { down: 1 } },
  ]);
  const worse = edited(cut, { op: "change", from: "2", to: "2", keys: { channels: [2], families: ["intensity"] }, do: { set: 10 } });
  const [before, after] = [rehearse(cut), rehearse(worse)];
  const change = compareRehearsals(before, after);
  expect(change.appeared.map(({ key }) => key)).toEqual(["2.intensity"]);
  expect(change.gone).toEqual([]);
  expect(compareRehearsals(after, before).gone.map(({ key }) => key)).toEqual(["2.intensity"]);
  expect([rehearsalWords(before), rehearsalWords(after)]).toEqual(["1 cut fade", "2 cut fades"]);
  // A fade that loses less than before is the same finding.
  const shorter = edited(cut, { op: "setTimes", from: "1", to: "1", set: { up: 5 } });
  expect(compareRehearsals(before, rehearse(shorter))).toEqual({ appeared: [], gone: [] });
  const clean = edited(cut, { op: "setTimes", from: "1", to: "1", set: { up: 3 } });
  expect(rehearsalWords(rehearse(clean))).toBe("clean");
});

test("what differs in the light alone is gathered; another kind, moment or attribute is not", () => {
  const both = called(5, [
    { moves: { "1": { intensity: 80, pan: 0 }, "2": { intensity: 80, pan: 0 } } },
    { moves: { "1": { pan: 90 }, "2": { pan: 90 } } },
    { moves: { "1": { pan: 0 }, "2": { pan: 30 } } },
  ]);
  expect(alikeFindings(rehearse(both).findings).map(({ findings: [{ code, cue }], channels }) => [code, cue, channels])).toEqual([
    ["sweep-seen", "2", [1, 2]],
    ["late", "2", [1, 2]],
    ["sweep-seen", "3", [1]],
    ["late", "3", [1]],
    ["sweep-seen", "3", [2]],
    ["late", "3", [2]],
  ]);
});

test("the stage at a moment has each light where it was sent, and where its speed has got it", () => {
  const show = called(4, [
    { moves: { 1: { intensity: 50, pan: 0 } } },
    // It turns 60 degrees a second and is told to be there at once.
    { moves: { 1: { pan: 120 } }, times: { up: 0 } },
    { moves: { 2: { intensity: 10 } } },
  ]);
  const pan = [...show.keys.all].find(({ name }) => name === "1.pan")?.ordinal ?? -1;
  const at = (moment: number) => {
    const { target, actual } = rehearsalMoment(show, {}, moment);
    return [target[pan], Math.round(actual[pan] ?? 0)];
  };
  expect(at(3.9)).toEqual([0, 0]);
  expect(at(5)).toEqual([120, 60]);
  expect(at(7)).toEqual([120, 120]);
  expect(at(1000)).toEqual([120, 120]);
});
