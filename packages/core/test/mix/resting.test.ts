import fc from "fast-check";
import {
  type Cue,
  type ListSheet,
  type Show,
  chainFrom,
  cueDuration,
  listOf,
  restingAt,
  keyNamed,
  sheetOf,
  stageAtRest,
} from "../../src/index.ts";
import { type Press, advance, fireNext, idlePlayback, rehearse } from "../support/alone/index.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallList } from "../support/smallShow.ts";

const FAR = 1000;

/** The show with every cue waiting for a Go, so that each can be stood in. */
function pressedOnly(show: Show): Show {
  const plain = ({ trigger: _trigger, ...cue }: Cue): Cue => cue;
  return { ...show, lists: show.lists.map((list) => ({ ...list, cues: list.cues.map(plain) })) };
}

function stageAfter(list: ListSheet, presses: Press[]): Record<string, Record<string, number>> {
  const end = Math.max(...presses.map(({ t }) => t)) + FAR;
  return rehearse(list, presses, [end])[0]?.values ?? {};
}

function runTo(row: number): Press[] {
  return Array.from({ length: row + 1 }, (_, index): Press => ({ t: index * FAR, go: true }));
}

function rounded(values: Record<string, Record<string, number>>): unknown {
  return JSON.parse(JSON.stringify(values, (_, each: unknown) => (typeof each === "number" ? Math.round(each * 1e5) / 1e5 + 0 : each)));
}

test("the stage after a go-to of any cue is the stage after running there by Go, marks included", () => {
  fc.assert(
    fc.property(
      showArbitrary,
      fc.nat(),
      fc.nat(),
      fc.option(fc.integer({ min: 0, max: 9 }), { nil: undefined }),
      (show, from, to, time) => {
        const list = listOf(sheetOf(pressedOnly(show)));
        const start = from % list.cues.length;
        const row = to % list.cues.length;
        const cue = list.cues[row]?.number ?? "";
        const jump: Press = { t: (start + 1) * FAR, goto: cue, ...(time === undefined ? {} : { time }) };
        expect(rounded(stageAfter(list, [...runTo(start), jump]))).toEqual(rounded(stageAfter(list, runTo(row))));
      },
    ),
    { numRuns: 150 },
  );
});

test("a go-to in the middle of a fade leaves the same stage as one at rest", () => {
  fc.assert(
    fc.property(
      showArbitrary,
      fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 5 }),
      fc.nat(),
      (show, quarters, to) => {
        const list = listOf(sheetOf(pressedOnly(show)));
        const row = to % list.cues.length;
        const gos = [...quarters].sort((a, b) => a - b).map((quarter): Press => ({ t: quarter / 4, go: true }));
        const jump: Press = { t: Math.max(...quarters) / 4, goto: list.cues[row]?.number ?? "" };
        expect(rounded(stageAfter(list, [...gos, jump]))).toEqual(rounded(stageAfter(list, runTo(row))));
      },
    ),
    { numRuns: 150 },
  );
});

test("the blind picture of a cue is the stage after running there", () => {
  fc.assert(
    fc.property(showArbitrary, fc.nat(), (show, to) => {
      const list = listOf(sheetOf(pressedOnly(show)));
      const row = to % list.cues.length;
      const picture = stageAtRest(list, row);
      for (const [channel, values] of Object.entries(stageAfter(list, runTo(row)))) {
        for (const [attribute, value] of Object.entries(values)) {
          const key = keyNamed(list.keys, `${channel}.${attribute}`);
          expect(picture[key?.ordinal ?? -1]).toBeCloseTo(value, 5);
        }
      }
    }),
    { numRuns: 200 },
  );
});

test("a key that nothing holds rests where the newest look before put it, walls and all", () => {
  const list = smallList([
    oneCue("1", { "1": { intensity: 50, pan: 20 } }),
    oneCue("2", { "1": { pan: 70 } }, {}, { carries: "cueOnly" }),
    oneCue("3", { "5": { intensity: 10 } }, {}, { block: true }),
    oneCue("4", {}),
    oneCue("5", { "1": { pan: 5 } }),
    oneCue("6", { "1": { pan: { release: true } } }),
  ]);
  const pan = keyNamed(list.keys, "1.pan");
  if (!pan) throw new Error("no key");
  expect([-1, 0, 1, 2, 3, 4, 5].map((row) => restingAt(list, pan, row))).toEqual([0, 20, 70, 70, 70, 5, 5]);
});

test("a key that is let go goes on with its fade, and what waits longer is dropped", () => {
  const waiting = (delay: number): ListSheet =>
    smallList([
      oneCue("1", { "1": { intensity: 50, pan: 0 } }),
      oneCue("2", { "1": { pan: { value: 90, delay: 8, fade: 2 } } }),
      oneCue("3", { "1": { pan: { release: true, delay } } }),
    ]);
  const pan = (list: ListSheet): (number | undefined)[] =>
    rehearse(
      list,
      [0, 1, 2].map((t): Press => ({ t, go: true })),
      [8, 10, 20],
    ).map((sample) => sample.values["1"]?.["pan"]);
  expect(pan(waiting(3))).toEqual([0, 0, 0]);
  expect(pan(waiting(9))).toEqual([0, 45, 90]);
});

test("a cue lasts as long as its releases let go of what was set, not of what was unset", () => {
  const list = smallList([
    oneCue("1", { "1": { intensity: 50, pan: 10 } }),
    oneCue("2", { "1": { pan: { release: true, fade: 4, delay: 1 } } }, { up: 2 }),
    oneCue("3", { "1": { pan: { release: true, fade: 7 } } }),
    oneCue("4", { "5": { intensity: 1 } }, { up: 1 }, { trigger: { type: "follow", from: "complete", after: 0 } }),
  ]);
  expect([0, 1, 2].map((row) => cueDuration(list, row))).toEqual([0, 5, 0]);
  expect(chainFrom(list, 2)[1]?.start).toBe(0);
});

test("a mark waits for the light to be at 0 for good, by jump or by fade", () => {
  const list = (curve: string): ListSheet =>
    smallList(
      [
        oneCue("1", { "1": { intensity: 50, pan: 0 } }),
        oneCue("2", { "1": { intensity: { value: 0, fade: 6, curve } } }),
        oneCue("3", { "1": { intensity: 50, pan: 90 } }),
      ],
      { policy: "dark" },
    );
  const pan = (curve: string): (number | undefined)[] =>
    rehearse(
      list(curve),
      [
        { t: 0, go: true },
        { t: 1, go: true },
      ],
      [1.5, 2, 7, 7.5, 8],
    ).map((sample) => sample.values["1"]?.["pan"]);
  expect(pan("atStart")).toEqual([45, 90, 90, 90, 90]);
  expect(pan("linear")).toEqual([0, 0, 0, 45, 90]);
});

test("a follow whose cue is no longer the next one fires nothing", () => {
  const follow = { trigger: { type: "follow", from: "go", after: 5 } };
  const [one, three] = [oneCue("1", { "5": { intensity: 10 } }), oneCue("3", { "5": { intensity: 30 } }, {}, follow)];
  const running = fireNext(idlePlayback("main"), smallList([one, three]), 0, 0);
  expect(advance(running, smallList([one, three]), 6).cue).toBe("3");
  const inserted = advance(running, smallList([one, oneCue("2", {}), three]), 6);
  expect([inserted.cue, inserted.follow]).toEqual(["1", null]);
});
