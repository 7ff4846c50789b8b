import { trialShow } from "@zm/demo";
import {
  type EditInput,
  type ListSheet,
  PLAN_WEIGHTS,
  type ShowSheet,
  checkSheet,
  listOf,
  makeEdits,
  marksOf,
  placeMark,
  planMarks,
  proposePlan,
  readEdits,
  rehearse,
  sheetOf,
  waysOut,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const script = (lines: readonly { seconds: number; quiet?: boolean }[]) => ({
  pace: 120,
  lines: lines.map((line, index) => ({ id: `L${index}`, text: "word", ...line })),
});
const call = (index: number): object => ({ call: { line: `L${index}` } });
const plan = (sheet: ShowSheet, weights = {}) =>
  proposePlan(listOf(sheet), { script: sheet.show.script, weights: { ...PLAN_WEIGHTS, ...weights } });
const made = (sheet: ShowSheet, edits: readonly EditInput[]): ShowSheet => makeEdits(sheet, readEdits([...edits])).sheet;
const types = (sheet: ShowSheet) => new Map(sheet.show.channels.map(({ number, type }) => [number, type]));

/** A mover that is dark from cue 2 on and called in cue 5, 90 degrees away: it needs a second. Lines are so long. */
function oneMark(seconds: readonly number[], quiet: readonly number[] = []): ShowSheet {
  const cues = [
    oneCue("1", { "1": { intensity: 80, pan: 0 } }, {}, call(0)),
    oneCue("2", { "1": { intensity: 0 } }, { down: 0 }, call(1)),
    oneCue("3", { "5": { intensity: 10 } }, {}, call(2)),
    oneCue("4", { "5": { intensity: 20 } }, {}, call(3)),
    oneCue("5", { "1": { intensity: 80, pan: 90 } }, {}, call(4)),
  ];
  return smallShow(
    cues,
    { policy: "before" },
    { script: script(seconds.map((each, index) => ({ seconds: each, ...(quiet.includes(index) ? { quiet: true } : {}) }))) },
  );
}

test("a mark with time stays right before its cue; one without goes to the latest with enough", () => {
  const enough = plan(oneMark([5, 5, 5, 5, 5]));
  expect(enough.edits).toEqual([]);
  expect(enough.proposals.map(({ moves, best, short }) => [moves, best?.row, short])).toEqual([[false, 3, 0]]);
  const short = plan(oneMark([5, 5, 5, 0.4, 5]));
  expect(short.proposals.map(({ moves, best, short }) => [moves, best?.row, short])).toEqual([[true, 2, 0]]);
  expect(short.edits).toEqual([{ op: "setCue", list: "main", from: "5", to: "5", mark: { channels: { "1": { at: "3" } } } }]);
  const mended = made(oneMark([5, 5, 5, 0.4, 5]), short.edits);
  expect(planMarks(listOf(mended), mended.show.script).map(({ available, known, report }) => [available, known, report])).toEqual([
    [5.4, "script", null],
  ]);
});

test("a quiet line is avoided where there is time elsewhere, unless quiet weighs nothing", () => {
  const sheet = oneMark([5, 5, 5, 5, 5], [3]);
  expect(plan(sheet).proposals[0]).toMatchObject({
    moves: true,
    best: { row: 2, cost: { quiet: 0, early: 1 } },
    now: { row: 3, cost: { quiet: 20 } },
  });
  expect(plan(sheet, { quiet: 0 }).edits).toEqual([]);
});

/** Four movers that are dark together and called together. */
function crowd(): ShowSheet {
  const numbers = [1, 2, 3, 4];
  const all = (moves: object) => Object.fromEntries(numbers.map((number) => [number, moves]));
  return smallShow(
    [
      oneCue("1", all({ intensity: 80, pan: 0 }), {}, call(0)),
      oneCue("2", all({ intensity: 0 }), { down: 0 }, call(1)),
      oneCue("3", { "5": { intensity: 10 } }, {}, call(2)),
      oneCue("4", { "5": { intensity: 20 } }, {}, call(3)),
      oneCue("5", all({ intensity: 80, pan: 90 }), {}, call(4)),
    ],
    { policy: "before" },
    {
      channels: [...numbers.map((number) => ({ number, type: "mover" })), { number: 5, type: "lamp" }],
      script: script([5, 5, 5, 5, 5].map((seconds) => ({ seconds }))),
    },
  );
}

test("few lights move at once where that weighs more, and all of it is one gesture", () => {
  const sheet = crowd();
  expect(plan(sheet).proposals.every(({ best }) => best?.row === 3 || best?.row === 2)).toBe(true);
  const spread = plan(sheet, { crowd: 10 });
  expect([...spread.crowd].sort()).toEqual([0, 0, 1, 1, 2]);
  const outcome = makeEdits(sheet, readEdits([...spread.edits]));
  expect(spread.edits).toHaveLength(1);
  expect(makeEdits(outcome.sheet, outcome.inverse).sheet.show).toEqual(sheet.show);
  expect(outcome.impact.looks).toEqual([]);
});

test("a live move stays live, and a mark in a lit cue is brought to a dark one", () => {
  const live = made(oneMark([5, 5, 5, 0.4, 5]), [placeMark(listOf(oneMark([5, 5, 5, 5, 5])), { calledAt: 4, channel: 1 }, null)]);
  expect(plan(live).proposals).toMatchObject([{ best: null, moves: false }]);
  const stray = made(oneMark([5, 5, 5, 5, 5]), [{ op: "setCue", from: "5", to: "5", mark: { channels: { "1": { at: "1" } } } }]);
  expect(planMarks(listOf(stray), stray.show.script)[0]?.report).toBe("mark-lit");
  expect(plan(stray).proposals).toMatchObject([{ moves: true, now: null, best: { row: 3 } }]);
  expect(planMarks(listOf(made(stray, plan(stray).edits)), stray.show.script)[0]?.report).toBeNull();
});

test("where no cue gives enough time the ways out are told, can be made, and help", () => {
  const sheet = made(oneMark([5, 5, 0.1, 0.2, 5]), [
    {
      op: "change",
      from: "2",
      to: "3",
      keys: { channels: [1], families: ["intensity"] },
      do: { set: 50 },
      where: "look",
      after: "restore",
    },
    { op: "setChannel", channel: { number: 2, type: "mover" } },
  ]);
  const list = listOf(sheet);
  const [proposal] = plan(sheet).proposals;
  expect(proposal).toMatchObject({ moves: false, best: { row: 3 } });
  expect(proposal?.short).toBeCloseTo(0.9, 6);
  const mark = proposal?.mark;
  if (!mark) throw new Error("There is no mark");
  const ways = waysOut(list, types(sheet), mark, proposal.short);
  expect(ways.map(({ kind, words }) => [kind, words])).toEqual([
    ["earlier", "Let light 1 go dark in cue 3 already"],
    ["later", "Let light 1 come up 0.9 s later in cue 5"],
    ["view", "Let light 1 move in view"],
    ["other", "Let light 2 do it in cues 5 to 5: it is free"],
  ]);
  const sweeps = (after: ShowSheet): number =>
    rehearse(after).findings.filter(({ code, channel }) => code === "sweep-seen" && channel === 1).length;
  expect(sweeps(sheet)).toBe(1);
  for (const way of ways) {
    const after = made(sheet, way.edits);
    if (way.kind === "later" || way.kind === "other") expect(sweeps(after)).toBe(0);
    if (way.kind === "earlier") expect(marksOf(listOf(after))[0]?.window?.first).toBe(2);
  }
});

test("measured times count before the script, and what nobody knows is told so", () => {
  const sheet = oneMark([5, 5, 5, 5, 5]);
  const list = listOf(sheet);
  const measured = (from: number, to: number): number | null => (from === 3 && to === 4 ? 0.3 : null);
  expect(planMarks(list, sheet.show.script, measured)[0]).toMatchObject({ available: 0.3, known: "measured", report: "mark-late" });
  expect(planMarks(list, undefined)[0]).toMatchObject({ available: null, known: null, report: null });
  expect(proposePlan(list, { script: sheet.show.script, measured }).proposals[0]).toMatchObject({ moves: true, best: { row: 2 } });
  expect(proposePlan(list, { script: undefined }).proposals[0]).toMatchObject({
    moves: false,
    best: { row: 3, cost: { unknown: PLAN_WEIGHTS.unknown } },
  });
});

test("a plan makes no mark worse, leaves fewer late, and changes no look", () => {
  for (const seed of [1, 2, 3]) {
    const sheet = sheetOf(trialShow("small", seed));
    const before = plan(sheet);
    const after = made(sheet, before.edits);
    const late = (list: ListSheet, show: ShowSheet["show"]): number =>
      planMarks(list, show.script).filter(({ report }) => report !== null).length;
    expect(late(listOf(after), after.show)).toBeLessThanOrEqual(late(listOf(sheet), sheet.show));
    expect(before.proposals.filter(({ moves }) => moves).length).toBeGreaterThan(0);
    const marks = marksOf(listOf(after));
    for (const { mark, best, now, moves } of before.proposals) {
      const own = marks.find(({ channel, calledAt }) => channel === mark.channel && calledAt === mark.calledAt);
      expect(own?.markAt).toBe(moves ? best?.row : mark.markAt);
      if (moves && now && best) expect(best.total).toBeLessThan(now.total);
    }
    expect(makeEdits(sheet, readEdits([...before.edits])).impact.looks).toEqual([]);
    expect(checkSheet(after).filter(({ code }) => code === "mark-lit")).toEqual([]);
  }
});

test("a plan leaves marks where their cue places them, unless told to move them too", () => {
  const early = { op: "setCue" as const, from: "5", to: "5" };
  for (const mark of [{ channels: { "1": { at: "2" } } }, { at: "2" }, { policy: "dark" as const }]) {
    const placed = made(oneMark([5, 5, 5, 5, 5]), [
      { op: "change", from: "1", to: "1", keys: { channels: [1], families: ["intensity"] }, do: { set: 0 } },
      { ...early, mark },
    ]);
    const list = listOf(placed);
    const kept = proposePlan(list, { script: placed.show.script });
    expect([mark, kept.edits, kept.proposals[0]?.pinned, kept.proposals[0]?.moves]).toEqual([mark, [], true, false]);
    const all = proposePlan(list, { script: placed.show.script, pinnedToo: true });
    expect([mark, all.proposals[0]?.pinned, all.edits.length]).toEqual([mark, false, 1]);
  }
});

test("a mark with just what it needs is not late because it eases", () => {
  const [tight, short] = [oneMark([5, 0.35, 0.35, 0.35, 5]), oneMark([5, 0.2, 0.2, 0.2, 5])];
  const proposals = [tight, short].map((sheet) => plan(sheet).proposals[0]);
  expect(planMarks(listOf(short), short.show.script)[0]?.report).toBe("mark-late");
  expect(proposals.map((own) => [own?.isLate, (own?.short ?? 0) > 0])).toEqual([
    [false, true],
    [true, true],
  ]);
});
