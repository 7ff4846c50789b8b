import fc from "fast-check";
import {
  type LogEntry,
  type LoggedRun,
  callSteps,
  learntPace,
  listOf,
  logEntries,
  measuredTimes,
  planMarks,
  sheetOf,
  timesInRuns,
  writeLogCsv,
} from "../../src/index.ts";
import { oneCue, smallList, smallShow } from "../support/smallShow.ts";

const cues = ["1", "2", "3", "4", "5"].map((number) => oneCue(number, { 5: { intensity: Number(number) } }));
const list = smallList(cues);

const fired = (cue: string, at: number, how: LogEntry["how"] = "next", of = "main"): LogEntry => ({
  at: at * 1000,
  list: of,
  cue,
  how,
  by: "window",
  who: "",
});
const held = (at: number): LogEntry => ({ at: at * 1000, list: "main", cue: null, how: "hold", by: "window", who: "" });
let count = 0;
const run = (entries: LogEntry[], speed = 1): LoggedRun => ({ id: (count += 1), name: "", began: entries[0]?.at ?? 0, speed, entries });
const straight = (...moments: number[]): LogEntry[] => moments.map((moment, row) => fired(String(row + 1), moment));

describe("measured times", () => {
  test("the shortest Go-to-Go time of the runs that fired all cues between them counts", () => {
    const measured = measuredTimes(list, [run(straight(0, 10, 25, 40)), run(straight(100, 108, 130, 140))]);
    expect(measured(0, 1)).toBe(8);
    expect(measured(1, 3)).toBe(30);
    expect(measured(0, 3)).toBe(40);
    expect(measured(3, 4)).toBeNull();
  });

  test("a go-to, back or hold in between takes a run out; a cue gone to begins no time", () => {
    expect(measuredTimes(list, [run([fired("1", 0), fired("3", 4, "goto"), fired("4", 9)])])(2, 3)).toBeNull();
    expect(measuredTimes(list, [run([fired("1", 0), fired("3", 4, "goto"), fired("4", 9), fired("5", 15)])])(3, 4)).toBe(6);
    expect(measuredTimes(list, [run([fired("1", 0), held(2), fired("2", 9)])])(0, 1)).toBeNull();
    const back = [fired("1", 0), fired("2", 5), fired("1", 7, "back"), fired("2", 9), fired("3", 12)];
    expect(measuredTimes(list, [run(back)])(0, 1)).toBe(5);
    expect(measuredTimes(list, [run(back)])(1, 2)).toBe(3);
  });

  test("cues of other lists come between without doing anything", () => {
    expect(measuredTimes(list, [run([fired("1", 0), fired("1", 1, "goto", "sea"), fired("2", 6)])])(0, 1)).toBe(6);
  });

  test("a run that was called faster than it is spoken says nothing", () => {
    expect(measuredTimes(list, [run(straight(0, 1, 2), 20)])(0, 1)).toBeNull();
  });

  test("only the newest ten that fired all count, and of one run the shortest", () => {
    const old = run(straight(0, 1));
    const newer = Array.from({ length: 10 }, (_, index) => run(straight(0, 20 + index)));
    expect(measuredTimes(list, [...newer, old])(0, 1)).toBe(20);
    expect(measuredTimes(list, [...newer.slice(1), run(straight(50)), old])(0, 1)).toBe(1);
    const twice = run([...straight(0, 9), ...straight(100, 104)]);
    expect(timesInRuns(list, [twice], 0, 1)).toEqual([{ run: twice, seconds: 4 }]);
  });

  test("they are what a brute search over all entries finds", () => {
    const entry = fc.record({
      cue: fc.constantFrom("1", "2", "3", "4", "5"),
      how: fc.constantFrom("next", "next", "next", "goto", "back", "hold"),
      gap: fc.integer({ min: 1, max: 9 }),
    });
    let found = 0;
    fc.assert(
      fc.property(
        fc.array(fc.array(entry, { maxLength: 14 }), { minLength: 1, maxLength: 4 }),
        fc.nat({ max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        (all, from, by) => {
          const to = Math.min(4, from + by);
          const runs = all.map((entries) => {
            let at = 0;
            let next = 0;
            return run(
              entries.map(({ cue, how, gap }): LogEntry => {
                at += gap;
                // Mostly in order, so that there is something to find.
                const number = how === "next" ? String(((next += 1) % 5) + 1) : cue;
                return how === "hold" ? held(at) : fired(number, at, how as LogEntry["how"]);
              }),
            );
          });
          const times = runs.flatMap(({ entries }) =>
            entries.flatMap((_, start) => {
              const stretch = entries.slice(start, start + (to - from) + 1);
              const fits =
                stretch.length === to - from + 1 &&
                stretch.every(({ how, cue }, index) => how === "next" && cue === String(from + index + 1));
              return fits ? [((stretch.at(-1)?.at ?? 0) - (stretch[0]?.at ?? 0)) / 1000] : [];
            }),
          );
          if (times.length > 0) found += 1;
          expect(measuredTimes(list, runs)(from, to)).toBe(times.length > 0 ? Math.min(...times) : null);
        },
      ),
      { numRuns: 300 },
    );
    expect(found).toBeGreaterThan(60);
  });

  test("the planner takes a measured time before the script, and says so", () => {
    const movers = [
      oneCue("1", { 1: { intensity: 50 } }, {}, { call: { line: "a" } }),
      oneCue("2", { 1: { intensity: 0 } }, {}, { call: { line: "b" } }),
      oneCue("3", { 1: { intensity: 80, pan: 90 } }, {}, { call: { line: "c" } }),
    ];
    const script = { pace: 60, lines: ["a", "b", "c"].map((id) => ({ id, text: "one two three four five" })) };
    const { show } = smallShow(movers, { policy: "before" }, { script });
    const own = listOf(sheetOf(show));
    expect(planMarks(own, show.script)).toMatchObject([{ available: 5, known: "script", report: null }]);
    const measured = measuredTimes(own, [run(straight(0, 5, 5.5))]);
    expect(planMarks(own, show.script, measured)).toMatchObject([{ available: 0.5, known: "measured", report: "mark-late" }]);
  });
});

describe("the pace that is learnt", () => {
  const line = (id: string, words: number, fields: object = {}): object => ({
    id,
    text: Array.from({ length: words }, () => "word").join(" "),
    ...fields,
  });
  const script = { pace: 60, lines: [line("a", 20), line("b", 3, { seconds: 8 }), line("c", 40), line("d", 5)] };
  const called = ["a", "b", "c", "d"].map((id, index) =>
    oneCue(String(index + 1), { 5: { intensity: index + 1 } }, {}, { call: { line: id } }),
  );
  const { show } = smallShow(called, { policy: "before" }, { script });
  const own = listOf(sheetOf(show));

  test("it is the words between calls over the time they took, without known lengths", () => {
    // 20 words in 10 s, 8 s of business, 40 words in 20 s: 120 words a minute.
    const pace = show.script && learntPace(own, show.script, [run(straight(0, 10, 18, 38))]);
    expect(pace?.pace).toBeCloseTo(120);
    expect([pace?.words, pace?.runs]).toEqual([60, 1]);
  });

  test("nothing is learnt from too few words, from faster runs, or across a go-to", () => {
    const learn = (entries: LogEntry[], speed = 1) => show.script && learntPace(own, show.script, [run(entries, speed)]);
    expect(learn(straight(0, 10))).toBeNull();
    expect(learn(straight(0, 1, 2, 3), 20)).toBeNull();
    expect(learn([fired("1", 0), fired("2", 5, "goto"), fired("4", 9, "goto")])).toBeNull();
  });
});

describe("entries of the log", () => {
  const press = (change: object, cue: string) =>
    logEntries(
      {
        change: { t: 3, ...change } as never,
        fired: [{ at: 3, list: "main", cue, by: "press" }],
        origin: 1000,
        from: { by: "osc", who: "127.0.0.1:9" },
      },
      "main",
    );
  test("a press says who pressed, and how", () => {
    expect(press({ go: true }, "2")).toEqual([{ at: 4000, list: "main", cue: "2", how: "next", by: "osc", who: "127.0.0.1:9" }]);
    expect(press({ goto: "4" }, "4")).toMatchObject([{ how: "goto" }]);
    expect(press({ back: true }, "1")).toMatchObject([{ how: "back" }]);
  });
  test("what fires by itself says so, and a hold and a release are entries without a cue", () => {
    const at = { origin: 0, from: null };
    expect(
      logEntries({ ...at, change: { t: 2, passed: true }, fired: [{ at: 1.5, list: "sea", cue: "3", by: "follow" }] }, "main"),
    ).toEqual([{ at: 1500, list: "sea", cue: "3", how: "next", by: "follow", who: "" }]);
    expect(logEntries({ ...at, change: { t: 2, hold: true }, fired: [] }, "main")).toMatchObject([
      { list: "main", cue: null, how: "hold", at: 2000 },
    ]);
    expect(logEntries({ ...at, change: { t: 2, list: "sea", release: true }, fired: [] }, "main")).toMatchObject([
      { list: "sea", how: "release" },
    ]);
    expect(logEntries({ ...at, change: { t: 2, list: "sea", rate: 2 }, fired: [] }, "main")).toEqual([]);
  });
  test("what was pressed stands before its effects in the same moment, behind what was earlier", () => {
    const cues = [
      { at: 3, list: "sea", cue: "1", by: "action" },
      { at: 3, list: "main", cue: "4", by: "press" },
      { at: 2.5, list: "main", cue: "3", by: "follow" },
    ] as const;
    const entries = logEntries({ change: { t: 3, goto: "4" } as never, fired: cues, origin: 0, from: null }, "main");
    expect(entries.map(({ list: of, cue, at }) => [of, cue, at])).toEqual([
      ["main", "3", 2500],
      ["main", "4", 3000],
      ["sea", "1", 3000],
    ]);
  });
  test("the table has a line for each entry, seconds from the beginning of its run", () => {
    const { show } = smallShow([oneCue("1", {}, {}, { label: "=Storm" })]);
    const text = writeLogCsv(sheetOf(show), [{ id: 7, name: "dress", began: 5000, speed: 1, entries: [fired("1", 6.5)] }], String);
    expect(text.split("\n")).toEqual([
      "run,name,speed,time,seconds,list,cue,label,how,by,who,steps",
      '7,dress,1,6500,1.500,main,1,"\'=Storm",next,window,,',
      "",
    ]);
  });
});

describe("what is called", () => {
  test("cues at their calls, others 8 s after the last, followers by nobody", () => {
    const script = {
      pace: 60,
      lines: [
        { id: "a", text: "one two three four" },
        { id: "b", text: "one two three four five six seven eight" },
      ],
    };
    const own = [
      oneCue("1", { 5: { intensity: 1 } }, {}, { call: { line: "a", word: "three" } }),
      oneCue("2", { 5: { intensity: 2 } }, { up: 2 }, { trigger: { type: "follow", from: "go", after: 3 } }),
      oneCue("3", { 5: { intensity: 3 } }, {}, { call: { line: "b", word: "one" } }),
      oneCue("4", { 5: { intensity: 4 } }),
      oneCue("5", { 5: { intensity: 5 } }, {}, { call: { line: "b", word: "eight" } }),
    ];
    const { show } = smallShow(own, { policy: "before" }, { script });
    const steps = callSteps(listOf(sheetOf(show)), show.script);
    // Cue 2 fires at 5, after the word at which cue 3 is called.
    expect(steps.map(({ cue, standby, go, called }) => [cue, standby, go, called])).toEqual([
      ["1", -3, 2, true],
      ["3", 5, 5, true],
      ["4", 8, 13, false],
      ["5", 13, 13, true],
    ]);
    expect(callSteps(listOf(sheetOf(show)), show.script, 2).map(({ cue }) => cue)).toEqual(["3", "4", "5"]);
  });
});
