import fc from "fast-check";
import { type Key, type ListSheet, type Show, chainFrom, cutFades, listOf, sheetOf, transitionAt, transitionOf } from "../../src/index.ts";
import { type Press, rehearse } from "../support/alone/index.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallList } from "../support/smallShow.ts";

const FAR = 1000;
/** So close to a moment, seconds. */
const JUST = 1e-5;

/** The show with nothing prepared in the dark, and with a follow on most cues. */
function chained(show: Show): Show {
  return {
    ...show,
    lists: show.lists.map((list) => ({
      ...list,
      marks: { policy: "view" as const },
      cues: list.cues.map(({ mark: _mark, trigger: _trigger, ...cue }, row) => ({
        ...cue,
        ...(row % 3 === 0 ? {} : { trigger: { type: "follow" as const, from: "go" as const, after: row % 2 } }),
      })),
    })),
  };
}

/** What stands on stage at moments after the Go of a row, the list having rested in the cue before. */
function stageAfter(list: ListSheet, row: number, moments: readonly number[]): (key: Key, place: number) => number | undefined {
  const before = list.cues[row - 1]?.number;
  const presses: Press[] = [...(before === undefined ? [] : [{ t: 0, goto: before, time: 0 }]), { t: FAR, go: true }];
  const order = [...new Set(moments)].sort((a, b) => a - b);
  const samples = rehearse(
    list,
    presses,
    order.map((moment) => FAR + moment),
  );
  return (key, place) => samples[order.indexOf(moments[place] ?? 0)]?.values[String(key.channel)]?.[key.attribute.id];
}

test("a fade said to be cut short has not arrived when it is taken, and others arrive", () => {
  const seen = { cut: 0, whole: 0 };
  fc.assert(
    fc.property(showArbitrary, (random) => {
      const list = listOf(sheetOf(chained(random)));
      for (let row = 0; row < list.cues.length; row += 3) {
        const links = chainFrom(list, row);
        if (links.length < 2) continue;
        const cut = cutFades(list, links);
        // Keys that the chain also lets go of are told by a test of their own.
        const letGo = new Set(links.flatMap((link) => transitionOf(list, link.row).letGo.map(({ key }) => key)));
        const fades = links.flatMap((link, place) =>
          transitionAt(list, link.row)
            .filter(({ from, to, fade }) => from !== to && fade > 0.2)
            .map((run) => ({ run, link, last: place === links.length - 1 })),
        );
        const said = fades.map(({ run, link }) => ({
          run,
          begins: link.start + run.delay,
          cut: cut.find((each) => each.row === link.row && each.key === run.key),
        }));
        const moments = said.map(({ run, begins, cut: by }) => (by ? begins + by.after - JUST : begins + run.fade - JUST));
        // Some move nothing as they are fired: the key is there already.
        const stage = stageAfter(list, row, [...moments, ...said.map(({ begins }) => begins + JUST)]);
        said.forEach(({ run, begins, cut: by }, place) => {
          const value = stage(run.key, place) ?? Number.NaN;
          // What jumps is there, or is not, from one moment to the next.
          if (run.key.attribute.snap === true || run.curve !== "linear") return;
          // Of several that take a key in one moment nobody sees any but the last.
          const isOne = links.filter((link) =>
            transitionAt(list, link.row).some(({ key, delay }) => key === run.key && Math.abs(link.start + delay - begins) < 1e-9),
          );
          if (isOne.length > 1 || letGo.has(run.key)) return;
          const first = stage(run.key, moments.length + place) ?? Number.NaN;
          if (!by && Math.abs(first - run.to) > 1e-2) {
            seen.whole += 1;
            expect(Math.abs(value - run.to)).toBeLessThan(Math.abs(run.to - run.from) * 0.05 + 1e-6);
          } else if (by && by.after > 2 * JUST) {
            seen.cut += 1;
            expect(Math.abs(value - run.to)).toBeGreaterThan(1e-9);
          }
        });
      }
    }),
    { numRuns: 200 },
  );
  expect(seen.cut).toBeGreaterThan(50);
  expect(seen.whole).toBeGreaterThan(200);
});

test("a wall that leaves a light where it is has no fade of it that the next cue could cut", () => {
  const list = smallList([
    oneCue("1", { 1: { intensity: 40 }, 5: { intensity: 0 } }),
    oneCue("2", { 1: { intensity: 80 } }, { up: 12 }, { block: true }),
    oneCue("3", { 5: { intensity: 60 } }, { up: 15 }, { trigger: { type: "follow", from: "go", after: 6 } }),
  ]);
  expect(cutFades(list, chainFrom(list, 1))).toEqual([]);
});

test("what a wall lets go of while it still turns is cut short", () => {
  const list = smallList([
    oneCue("1", { 1: { intensity: 40, pan: 0 } }),
    oneCue("2", { 1: { pan: 60 } }, { position: { fade: 10 } }),
    oneCue("3", { 5: { intensity: 60 } }, {}, { block: true, trigger: { type: "follow", from: "go", after: 4 } }),
  ]);
  expect(cutFades(list, chainFrom(list, 1)).map(({ key, row, by, after }) => [key.name, row, by, after])).toEqual([["1.pan", 1, 2, 4]]);
});
