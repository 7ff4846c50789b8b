import fc from "fast-check";
import {
  CURVES,
  type Attribute,
  chainAround,
  chainFrom,
  cueDuration,
  curveAt,
  durationOf,
  listOf,
  sheetOf,
  timingOf,
  transitionOf,
} from "../../src/index.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallList } from "../support/smallShow.ts";

const intensity: Attribute = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const pan: Attribute = { id: "pan", family: "position", min: -270, max: 270, home: 0 };
const gobo: Attribute = { id: "gobo", family: "beam", min: 0, max: 8, home: 0, snap: true };
const part = (times: object): Parameters<typeof timingOf>[2] => ({ number: 1, times, moves: {} });

test("every curve starts at the start and ends at the end, and never leaves the way between", () => {
  for (const curve of CURVES) {
    expect(curveAt(curve, 1)).toBe(1);
    if (curve !== "atStart") expect(curveAt(curve, 0)).toBe(0);
    fc.assert(fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (p) => curveAt(curve, p) >= 0 && curveAt(curve, p) <= 1));
  }
});

test.each([
  ["a rising level takes up", intensity, 0, 50, { up: 3, down: 5, upDelay: 1, downDelay: 2 }, { fade: 3, delay: 1 }],
  ["a level that stays counts as rising", intensity, 50, 50, { up: 3, down: 5 }, { fade: 3, delay: 0 }],
  ["a falling level takes down", intensity, 50, 0, { up: 3, down: 5, upDelay: 1, downDelay: 2 }, { fade: 5, delay: 2 }],
  ["down left out is up", intensity, 50, 0, { up: 3, upDelay: 1 }, { fade: 3, delay: 1 }],
  ["nothing given is at once", intensity, 0, 50, {}, { fade: 0, delay: 0 }],
  ["position has its own, field by field", pan, 0, 50, { up: 3, upDelay: 1, position: { fade: 9 } }, { fade: 9, delay: 1 }],
  ["a snapping attribute does not fade with its family", gobo, 0, 3, { up: 3, upDelay: 1, beam: { fade: 9 } }, { fade: 0, delay: 0 }],
  ["but waits for its family's delay", gobo, 0, 3, { up: 3, beam: { delay: 2 } }, { fade: 0, delay: 2 }],
])("%s", (_, attribute, from, to, times, expected) => {
  expect(timingOf(attribute, undefined, part(times), from, to)).toMatchObject(expected);
});

test("the move's own times win, field by field", () => {
  expect(timingOf(gobo, { value: 3, fade: 4 }, part({ beam: { delay: 2 } }), 0, 3)).toEqual({ fade: 4, delay: 2, curve: "linear" });
  expect(timingOf(pan, { value: 3, delay: 0, curve: "ease" }, part({ up: 5, upDelay: 9 }), 0, 3)).toEqual({
    fade: 5,
    delay: 0,
    curve: "ease",
  });
});

test("a cue lasts as long as its longest key, and an empty one not at all", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const list = listOf(sheetOf(show));
      list.cues.forEach((_, row) => {
        const { runs, letGo } = transitionOf(list, row);
        const ends = [...runs, ...letGo.filter((each) => each.counts)].map((each) => each.delay + each.fade);
        expect(durationOf(transitionOf(list, row))).toBe(Math.max(0, ...ends));
        expect(cueDuration(list, row)).toBe(Math.max(0, ...ends));
      });
    }),
  );
});

test("a chain reaches to the first cue that waits for a Go, alike for every cue in it", () => {
  const follow = (from: string, after: number): object => ({ trigger: { type: "follow", from, after } });
  const list = smallList([
    oneCue("1", { "5": { intensity: 50 } }, { up: 4 }),
    oneCue("2", { "5": { intensity: 20 } }, { down: 2 }, follow("go", 1)),
    oneCue("3", {}, {}, follow("complete", 0.5)),
    oneCue("4", {}),
  ]);
  expect(chainFrom(list, 0)).toEqual([
    { row: 0, start: 0, duration: 4 },
    { row: 1, start: 1, duration: 2 },
    { row: 2, start: 3.5, duration: 0 },
  ]);
  expect(chainFrom(list, 1)[1]).toEqual({ row: 2, start: 2.5, duration: 0 });
  for (const row of [0, 1, 2]) expect(chainAround(list, row)).toEqual(chainFrom(list, 0));
  expect(chainAround(list, 3)).toEqual([{ row: 3, start: 0, duration: 0 }]);
});

test("a cue lasts as long as the longest run of its transition", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const list = listOf(sheetOf(show));
      list.cues.forEach((_, row) => expect(cueDuration(list, row)).toBe(durationOf(transitionOf(list, row))));
    }),
  );
});
