import fc from "fast-check";
import {
  type EditInput,
  type Finding,
  type ShowSheet,
  type CheckCache,
  checkSheet,
  checkSheetInSlices,
  listOf,
  makeEdits,
  mendAll,
  newCheckCache,
  readEdits,
  readShow,
  serializeShow,
  sheetOf,
} from "../../src/index.ts";
import { attempt, looksOf } from "../support/attempt.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue } from "../support/smallShow.ts";

fc.configureGlobal({ numRuns: 50 });

const attributes = [
  { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
  { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90 },
  { id: "red", family: "colour", min: 0, max: 100, home: 0 },
  { id: "gobo", family: "beam", min: 0, max: 8, home: 0, snap: true },
];

/** A show of one mover (1) and two lamps (5, 6) with two palettes. */
function show(cues: object[], more: object = {}): ShowSheet {
  return sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "Check",
      fixtureTypes: [
        { id: "mover", name: "Mover", attributes },
        { id: "lamp", name: "Lamp", attributes: attributes.slice(0, 1) },
      ],
      channels: [
        { number: 1, type: "mover" },
        { number: 5, type: "lamp" },
        { number: 6, type: "lamp" },
      ],
      palettes: [
        { id: "dusk", family: "colour", label: "Dusk", values: [{ attribute: "red", value: 30 }] },
        { id: "empty", family: "colour", label: "Empty", values: [] },
      ],
      lists: [{ id: "main", label: "Main", cues }],
      ...more,
    }),
  );
}

const up = { up: 3 };
const set = { pan: 10, red: 5 };
const follow = (from: string, after: number): object => ({ trigger: { type: "follow", from, after } });

/** The findings of one code. */
function of(sheet: ShowSheet, code: string): Finding[] {
  return checkSheet(sheet).filter((finding) => finding.code === code);
}

function mended(sheet: ShowSheet, finding: Finding | undefined): ShowSheet {
  if (!finding?.mend) throw new Error("nothing mends it");
  return makeEdits(sheet, readEdits(finding.mend)).sheet;
}

test("a show in order has no findings", () => {
  const sheet = show([
    oneCue("1", { "1": { intensity: 50, ...set }, "5": { intensity: 20 } }, up),
    oneCue("2", { "1": { intensity: 20 } }, up),
  ]);
  expect(checkSheet(sheet)).toEqual([]);
});

test("mark-late: the edit that mends it moves the mark to the last cue that has the time", () => {
  const cues = [
    oneCue("1", { "1": { intensity: 50, ...set } }, up),
    oneCue("2", { "1": { intensity: 0 } }, { down: 1 }),
    oneCue("3", { "5": { intensity: 9 } }, {}, follow("go", 8)),
    oneCue("4", { "1": { intensity: 50, pan: 190 } }, up, follow("go", 1)),
  ];
  const sheet = show(cues);
  const [finding] = of(sheet, "mark-late");
  expect(finding).toMatchObject({
    severity: "warning",
    cue: "4",
    channel: 1,
    message: "Light 1 needs 2 s for its pan and has 1 s before cue 4: it is still moving when it comes up. A mark in cue 2 has 8 s.",
  });
  expect(of(mended(sheet, finding), "mark-late")).toEqual([]);
  const hopeless = show([...cues.slice(0, 2), oneCue("4", { "1": { intensity: 50, pan: 190 } }, up, follow("go", 1.5))]);
  expect(of(hopeless, "mark-late")[0]).toMatchObject({ message: expect.stringContaining("No cue of its dark window gives it more") });
  expect(of(hopeless, "mark-late")[0]?.mend).toBeUndefined();
});

test("mark-lit: a mark in a cue in which the light is lit", () => {
  const sheet = show([
    oneCue("1", { "1": { intensity: 50, ...set } }, up),
    oneCue("2", { "1": { intensity: 0 } }, up),
    oneCue("3", { "1": { intensity: 50, pan: 90 } }, up, { mark: { at: "1" } }),
  ]);
  const [finding] = of(sheet, "mark-lit");
  expect(finding).toMatchObject({
    severity: "error",
    cue: "3",
    channel: 1,
    message: expect.stringContaining("it is dark from cue 2 to cue 2 only"),
  });
  expect(of(mended(sheet, finding), "mark-lit")).toEqual([]);
});

test("moves-in-view: a position, wheel or palette that jumps while its light is lit", () => {
  const moved = (move: object): ShowSheet =>
    show([oneCue("1", { "1": { intensity: 50, ...set, gobo: 1 } }, up), oneCue("2", { "1": { intensity: 60, ...move } })]);
  const [finding] = of(moved({ pan: 100 }), "moves-in-view");
  expect(finding).toMatchObject({ cue: "2", channel: 1, message: expect.stringContaining("its pan jumps in view in cue 2") });
  expect(of(mended(moved({ pan: 100 }), finding), "moves-in-view")).toEqual([]);
  expect(of(moved({ gobo: 4 }), "moves-in-view")).toHaveLength(1);
  expect(of(moved({ red: { palette: "dusk" } }), "moves-in-view")).toHaveLength(1);
  expect(of(moved({ red: 90 }), "moves-in-view")).toEqual([]);
  expect(of(moved({ pan: { value: 100, fade: 2 } }), "moves-in-view")).toEqual([]);
  expect(of(moved({ pan: { value: 100, fade: 2, curve: "atEnd" } }), "moves-in-view")).toHaveLength(1);
});

test("moves-in-view is a hint where a colour jumps together with its level, as in lightning", () => {
  const second = (moves: object, times: object): (string | undefined)[] =>
    of(show([oneCue("1", { "1": { intensity: 50, ...set } }, up), oneCue("2", { "1": moves }, times)]), "moves-in-view").map(
      ({ severity }) => severity,
    );
  const dusk = { red: { palette: "dusk" } };
  expect(second({ intensity: 90, ...dusk }, { up: 0 })).toEqual(["hint"]);
  expect(second({ intensity: 90, ...dusk }, { up: 3, colour: { fade: 0 } })).toEqual(["warning"]);
  expect(second(dusk, { up: 0 })).toEqual(["warning"]);
  expect(second({ intensity: 50, ...dusk }, { up: 0 })).toEqual(["warning"]);
  expect(second({ intensity: 90, ...dusk, pan: 100 }, { up: 0 })).toEqual(["warning"]);
});

test("no-change: a move to what tracks in anyway, unless a wall or another source explains it", () => {
  const again = (second: object, fields: object = {}): ShowSheet =>
    show([
      oneCue("1", { "5": { intensity: 40 }, "1": { intensity: 9, pan: 1, red: { palette: "dusk" } } }, up),
      oneCue("2", second, up, fields),
    ]);
  const sheet = again({ "5": { intensity: 40 }, "6": { intensity: 5 } });
  const [finding] = of(sheet, "no-change");
  expect(finding).toMatchObject({ severity: "hint", cue: "2", channel: 5 });
  const after = mended(sheet, finding);
  expect(looksOf(after)).toEqual(looksOf(sheet));
  expect(of(after, "no-change")).toEqual([]);
  expect(of(again({ "5": { intensity: 40 } }, { block: true }), "no-change")).toEqual([]);
  expect(of(again({ "1": { red: 30 } }), "no-change")).toEqual([]);
  expect(of(again({ "1": { red: { palette: "dusk" } } }), "no-change")).toHaveLength(1);
});

test("never-seen: values for a light that stays dark until they are overwritten", () => {
  const cues = [oneCue("1", { "1": set }, up), oneCue("2", { "1": { pan: 50 } }, up), oneCue("3", { "1": { intensity: 50 } }, up)];
  const [finding, ...others] = of(show(cues), "never-seen");
  expect(others).toEqual([]);
  expect(finding).toMatchObject({
    cue: "1",
    channel: 1,
    message: expect.stringContaining("sets the pan of light 1, which stays dark until cue 2 ends it"),
  });
  expect(of(mended(show(cues), finding), "never-seen")).toEqual([]);
  expect(of(show(cues.slice(0, 2)), "never-seen").map(({ cue, message }) => [cue, message.includes("to the end of the list")])).toEqual([
    ["1", false],
    ["1", true],
    ["2", true],
  ]);
});

test("fades-overlap: a follow that cuts a fade short, and the edit that lets it wait", () => {
  const sheet = show([
    oneCue("1", { "5": { intensity: 100 }, "6": { intensity: 10 } }, { up: 6 }),
    oneCue("2", { "5": { intensity: 0 } }, { down: 2 }, follow("go", 4)),
    oneCue("3", { "6": { intensity: 0 } }, {}, follow("complete", 1)),
  ]);
  const found = of(sheet, "fades-overlap");
  expect(found.map(({ cue, channel }) => [cue, channel])).toEqual([["2", 5]]);
  expect(found[0]?.message).toContain("light 5 is still fading from cue 1");
  expect(of(mended(sheet, found[0]), "fades-overlap")).toEqual([]);
});

test("lit-in-blackout and dark-but-labelled-lit hold the label against the look", () => {
  const labelled = (label: string, level: number): ShowSheet =>
    show([oneCue("1", { "5": { intensity: 40 } }, up), oneCue("2", { "5": { intensity: level } }, up, { label })]);
  const [finding] = of(labelled("Blackout", 3), "lit-in-blackout");
  expect(finding).toMatchObject({ severity: "error", cue: "2", channel: 5, message: expect.stringContaining("1 light stays on: 5 at 3") });
  expect(of(mended(labelled("Blackout", 3), finding), "lit-in-blackout")).toEqual([]);
  expect(of(labelled("BLACK-OUT", 3), "lit-in-blackout")).toHaveLength(1);
  expect(of(labelled("Blackout", 0), "lit-in-blackout")).toEqual([]);
  expect(of(labelled("Lights up", 0), "dark-but-labelled-lit")).toHaveLength(1);
  expect(of(labelled("Lights up", 1), "dark-but-labelled-lit")).toEqual([]);
});

test("leaks-past-wall: a wall that keeps its moves to itself lets what stood before it come back", () => {
  const walled = (fields: object): ShowSheet =>
    show([
      oneCue("1", { "5": { intensity: 40 } }, up),
      oneCue("2", { "6": { intensity: 1 } }, up, fields),
      oneCue("3", { "6": { intensity: 50 } }, up),
    ]);
  const sheet = walled({ block: true, carries: "cueOnly" });
  const [finding] = of(sheet, "leaks-past-wall");
  expect(finding).toMatchObject({ cue: "2", channel: 5, message: expect.stringContaining("in cue 3 what stood before it comes back") });
  expect(of(mended(sheet, finding), "leaks-past-wall")).toEqual([]);
  expect(of(walled({ block: true }), "leaks-past-wall")).toEqual([]);
  expect(of(walled({ carries: "cueOnly" }), "leaks-past-wall")).toEqual([]);
});

test("at-home-while-lit: a light that comes up with position or colour never set, told once", () => {
  const sheet = show([
    oneCue("1", { "1": { intensity: 50, pan: 3 } }, up),
    oneCue("1.5", {}, up),
    oneCue("2", { "1": { intensity: 0 } }, up),
    oneCue("3", { "1": { intensity: 50 } }, up),
    oneCue("4", {}, up),
  ]);
  expect(of(sheet, "at-home-while-lit")).toMatchObject([
    { cue: "1", channel: 1, message: expect.stringContaining("comes up in cue 1, and so in 1 more cue with its red never set") },
  ]);
});

test("palette-gap: a move to a palette that has no value for the light", () => {
  const sheet = show([oneCue("1", { "1": { intensity: 50, pan: 1, red: { palette: "empty" } } }, up)]);
  expect(of(sheet, "palette-gap")).toMatchObject([
    { severity: "error", cue: "1", channel: 1, message: expect.stringContaining('palette "empty"') },
  ]);
});

test("patch-clash: shared addresses or past the universe, with the first free place", () => {
  const patched = (...patches: [number, string, number][]): ShowSheet =>
    show([oneCue("1", {})], { channels: patches.map(([number, type, address]) => ({ number, type, patch: { universe: 2, address } })) });
  const sheet = patched([1, "mover", 10], [5, "lamp", 13], [6, "lamp", 14]);
  const [finding, ...others] = of(sheet, "patch-clash");
  expect(others).toEqual([]);
  expect(finding).toMatchObject({
    cue: null,
    channel: 5,
    message:
      "Light 5 at 2.13 to 2.13 shares addresses with light 1, which has 10 to 13: both answer to the same values. Addresses from 1 on are free.",
  });
  expect(of(mended(sheet, finding), "patch-clash")).toEqual([]);
  expect(of(patched([1, "mover", 510]), "patch-clash")[0]?.message).toContain("reaches past the end of its universe");
  expect(of(patched([1, "mover", 509], [5, "lamp", 508]), "patch-clash")).toEqual([]);
});

test("unreachable-cue: a list nobody starts, a first cue that follows, a call at no line", () => {
  const side = { id: "sea", label: "Sea", cues: [oneCue("1", {})] };
  const lists = (actions: object[]): object => ({ lists: [{ id: "main", label: "Main", cues: [oneCue("1", {}, {}, { actions })] }, side] });
  expect(of(show([], lists([])), "unreachable-cue")).toMatchObject([
    { list: "sea", cue: "1", message: expect.stringContaining('No cue starts list "Sea"') },
  ]);
  expect(of(show([], lists([{ do: "start", list: "sea" }])), "unreachable-cue")).toEqual([]);
  const first = show([oneCue("1", {}, {}, follow("go", 1))]);
  expect(of(mended(first, of(first, "unreachable-cue")[0]), "unreachable-cue")).toEqual([]);
  const called = show([oneCue("1", {}, {}, { call: { line: "x" } })], { script: { lines: [{ id: "a", text: "One" }] } });
  expect(of(called, "unreachable-cue")).toMatchObject([
    { cue: "1", message: expect.stringContaining("line x, which the script does not have") },
  ]);
});

test("long-chain: a Go that starts many cues, or a few that run for very long", () => {
  const chain = (count: number, after: number): object[] =>
    Array.from({ length: count }, (_, index) => oneCue(String(index + 1), {}, {}, index === 0 ? {} : follow("go", after)));
  expect(of(show(chain(9, 1)), "long-chain")).toMatchObject([
    { cue: "1", message: expect.stringContaining("starts 8 more cues that run by themselves for 8 s, to cue 9") },
  ]);
  expect(of(show(chain(8, 1)), "long-chain")).toEqual([]);
  expect(of(show(chain(3, 200)), "long-chain")).toHaveLength(1);
});

test("several late lights of one cue are mended together, none taking back what another says", () => {
  const base = {
    format: "zealous-mark/show",
    version: 2,
    title: "Marks",
    fixtureTypes: [{ id: "mover", name: "Mover", attributes }],
    channels: [1, 2].map((number) => ({ number, type: "mover" })),
  };
  const both = (pan: number, intensity: number): object => ({ 1: { intensity, pan }, 2: { intensity, pan } });
  const after = (seconds: number): object => ({ trigger: { type: "follow", from: "go", after: seconds } });
  const dark = { 1: { intensity: 0 }, 2: { intensity: 0 } };
  const cues = [
    oneCue("1", both(0, 50)),
    oneCue("2", dark),
    oneCue("3", {}, {}, after(6)),
    oneCue("4", both(200, 50), {}, after(1)),
    oneCue("5", dark, {}, after(9)),
  ];
  const sheet = sheetOf(readShow({ ...base, lists: [{ id: "main", label: "Main", cues }] }));
  const late = of(sheet, "mark-late");
  expect(late.map(({ cue, channel }) => [cue, channel])).toEqual([
    ["4", 1],
    ["4", 2],
  ]);
  const mended = makeEdits(sheet, readEdits(mendAll([...late, ...of(sheet, "no-change")]))).sheet;
  expect(of(mended, "mark-late")).toEqual([]);
  expect(listOf(mended).cues[3]?.mark?.channels).toEqual({ 1: { at: "2" }, 2: { at: "2" } });
});

/** Codes whose mend can bring up another of the same code elsewhere, or that only a person can judge. */
const LOOKS_KEPT = new Set(["no-change"]);

test("every mend can be made, changes the document, is undone exactly, and keeps what it keeps", () => {
  let mends = 0;
  fc.assert(
    fc.property(showArbitrary, (raw) => {
      const sheet = sheetOf(raw);
      for (const finding of checkSheet(sheet)) {
        if (!finding.mend) continue;
        const outcome = attempt(sheet, finding.mend satisfies EditInput[]);
        if (!outcome) throw new Error(`refused: ${JSON.stringify(finding)}`);
        mends += 1;
        expect(outcome.steps.length).toBeGreaterThan(0);
        expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(raw));
        if (LOOKS_KEPT.has(finding.code)) expect(outcome.impact.looks).toEqual([]);
      }
    }),
  );
  expect(mends).toBeGreaterThan(200);
});

test("no-change and never-seen tell what they say: dropping such moves changes no lit light", () => {
  fc.assert(
    fc.property(showArbitrary, (raw) => {
      const sheet = sheetOf(raw);
      for (const finding of checkSheet(sheet)) {
        if (finding.code !== "never-seen" || !finding.mend) continue;
        const outcome = makeEdits(sheet, readEdits(finding.mend));
        const lit = looksOf(outcome.sheet);
        const cues = listOf(sheet).cues.map((cue) => cue.number);
        for (const { cue, list } of outcome.impact.looks) {
          if (list !== undefined) continue;
          const look = lit[cues.indexOf(cue)];
          expect(look?.get(`${finding.channel ?? 0}.intensity`) ?? 0).toBe(0);
        }
      }
    }),
  );
});

test("findings come in the order of the cues, and each names list, severity and place", () => {
  fc.assert(
    fc.property(showArbitrary, (raw) => {
      for (const finding of checkSheet(sheetOf(raw))) {
        expect(["error", "warning", "hint"]).toContain(finding.severity);
        expect(finding.message).toMatch(/^[A-Z].*\.$/);
        expect(finding.list === null).toBe(finding.code === "patch-clash");
      }
    }),
  );
});

/** Runs a check to its end with what an earlier one has kept. */
function checkAgain(sheet: ShowSheet, cache: CheckCache): Finding[] {
  const steps = checkSheetInSlices(sheet, cache);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

test("a check that goes on from an earlier one finds what a check from nothing finds", () => {
  let kept = 0;
  let edits = 0;
  fc.assert(
    fc.property(showArbitrary, fc.array(fc.nat(), { minLength: 3, maxLength: 6 }), (raw, seeds) => {
      let sheet = sheetOf(raw);
      const cache = newCheckCache();
      expect(checkAgain(sheet, cache)).toEqual(checkSheet(sheet));
      for (const seed of seeds) {
        const cues = listOf(sheet).cues;
        const cue = cues[seed % cues.length]?.number ?? "1";
        const channels = [...sheet.keys.byChannel.keys()];
        const channel = channels[(seed >> 3) % channels.length] ?? 1;
        const cell: EditInput = {
          op: "change",
          from: cue,
          to: cue,
          keys: { channels: [channel], families: ["intensity"] },
          do: { set: seed % 3 === 0 ? 0 : seed % 101 },
          after: seed % 2 === 0 ? "restore" : "track",
        };
        const time: EditInput = { op: "setTimes", from: cue, to: cue, set: { up: seed % 7 } };
        const flag: EditInput = { op: "setCue", from: cue, to: cue, carries: seed % 2 === 0 ? "cueOnly" : "track" };
        const outcome = attempt(sheet, [[cell, cell, cell, time, flag][seed % 5] ?? cell]);
        if (!outcome) continue;
        edits += 1;
        const before = cache.lists.get("main");
        sheet = outcome.sheet;
        expect(checkAgain(sheet, cache)).toEqual(checkSheet(sheet));
        const after = cache.lists.get("main");
        for (const [light, found] of after?.moves ?? []) if (before?.moves.get(light) === found) kept += 1;
      }
    }),
  );
  // Most of what was found is found again, not looked for again.
  expect(edits).toBeGreaterThan(150);
  expect(kept).toBeGreaterThan(edits);
});

describe("actions", () => {
  const firing = (number: string, ...actions: object[]): object => ({
    ...oneCue(number, { "5": { intensity: 20 + Number(number) } }, up),
    actions,
  });
  /** A show in which the given cues fire what they say on the lists `sea` and `rain`. */
  const fires = (cues: object[], sea: object[] = [oneCue("1", { "6": { intensity: 30 } }, up)], rain: object[] = []): ShowSheet =>
    show(cues, {
      lists: [
        { id: "main", label: "Main", cues },
        { id: "sea", label: "Sea", cues: sea },
        { id: "rain", label: "Rain", cues: rain },
      ],
    });
  const start = { do: "start", list: "sea" };
  const release = { do: "release", list: "sea" };

  test("never-stopped: a list is started, and no later cue lets it go", () => {
    const found = of(fires([firing("1", release), firing("2", start), firing("3")]), "never-stopped");
    expect(found).toMatchObject([{ list: "main", cue: "2", severity: "warning" }]);
    expect(found[0]?.message).toContain("starts list Sea");
    expect(of(fires([firing("2", start), firing("3", release)]), "never-stopped")).toEqual([]);
    expect(of(fires([firing("2", start), firing("3", release), firing("4", { do: "go", list: "sea" })]), "never-stopped")).toMatchObject([
      { cue: "4" },
    ]);
  });

  test("never-stopped: a list that lets go of itself, or is let go of, comes to its end", () => {
    const ends = [firing("1", { do: "release" })];
    expect(of(fires([firing("2", start)], ends), "never-stopped")).toEqual([]);
    expect(of(fires([firing("2", start)], undefined, [firing("1", release)]), "never-stopped")).toEqual([]);
  });

  test("not-running: a list is let go of that no cue before has started; the release is taken out", () => {
    const sheet = fires([firing("1", release, { do: "rate", list: "sea", rate: 2 }), firing("2", start), firing("3", release)]);
    const found = of(sheet, "not-running");
    expect(found).toMatchObject([{ list: "main", cue: "1", severity: "warning" }]);
    const after = mended(sheet, found[0]);
    expect(of(after, "not-running")).toEqual([]);
    expect(listOf(after, "main").cues[0]?.actions).toEqual([{ do: "rate", list: "sea", rate: 2 }]);
    expect(of(fires([firing("1", release)], undefined, [firing("1", start)]), "not-running")).toEqual([]);
  });

  test("action-loop: lists fire each other at one moment, over whatever lists it leads", () => {
    const go = (list: string, after?: number): object => ({ do: "go", list, ...(after === undefined ? {} : { after }) });
    const round = fires([firing("1", go("sea"))], [firing("1", go("rain"))], [firing("1", go("main"))]);
    expect(of(round, "action-loop").map(({ list }) => list)).toEqual(["main", "sea", "rain"]);
    expect(of(fires([firing("1", go("main"))]), "action-loop")).toMatchObject([{ cue: "1", severity: "error" }]);
    expect(of(fires([firing("1", go("sea"))], [firing("1", go("rain", 2))], [firing("1", go("main"))]), "action-loop")).toEqual([]);
    expect(of(fires([firing("1", go("sea"))], [firing("1", go("sea"))]), "action-loop").map(({ list }) => list)).toEqual(["sea"]);
  });
});
