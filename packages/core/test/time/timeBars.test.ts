import { saltAndParaffin } from "@zm/demo";
import { type TimeBar, chainAround, findRow, linksOver, listOf, sheetOf, timeBars } from "../../src/index.ts";
import { oneCue, smallList } from "../support/smallShow.ts";

const list = listOf(sheetOf(saltAndParaffin()));
const row = (cue: string): number => findRow(list, cue);
const short = ({ part, kind, delay, fade }: TimeBar): unknown[] => [part, kind, delay, fade];

test("a cue is drawn as one bar for each part and kind of move, in that order", () => {
  const bars = timeBars(list, chainAround(list, row("12"))).filter((bar) => bar.row === row("12"));
  expect(bars.map(short)).toEqual([
    [1, "up", 0, 3],
    [1, "down", 0, 5],
    [2, "up", 1, 6],
    [2, "down", 1, 6],
    [2, "colour", 1, 6],
  ]);
  expect(bars.every(({ own }) => own === undefined)).toBe(true);
  expect(bars[2]?.channels.every((channel) => channel >= 81 && channel <= 86)).toBe(true);
});

test("moves with times of their own have bars of their own, together where they agree", () => {
  const own = smallList([
    oneCue(
      "1",
      { "1": { intensity: { value: 50, fade: 4 }, pan: { value: 30, fade: 4, delay: 1 } }, "5": { intensity: { value: 20, fade: 4 } } },
      { up: 2 },
    ),
  ]);
  const bars = timeBars(own, chainAround(own, 0));
  expect(bars.map(({ kind, own: of, channels, delay, fade }) => [kind, of, channels, delay, fade])).toEqual([
    ["up", ["intensity"], [1, 5], 0, 4],
    ["position", ["pan"], [1], 1, 4],
  ]);
});

test("a fade that a later cue of the chain takes over is cut there, unless it is over", () => {
  const follow = (after: number): object => ({ trigger: { type: "follow", from: "go", after } });
  const cut = smallList([
    oneCue("1", { "1": { intensity: 50 }, "5": { intensity: 80 } }, { up: 4, upDelay: 1 }),
    oneCue("2", { "5": { intensity: 10 } }, { down: 1, downDelay: 0.5 }, follow(2)),
    oneCue("3", { "1": { intensity: 0 } }, { down: 1 }, follow(5)),
  ]);
  const bars = timeBars(cut, chainAround(cut, 0));
  // Cue 2 takes light 5 at 2.5, a second and a half into its fade; cue 3 takes light 1 when it has ended.
  expect(bars.map(({ row: at, cut: by }) => [at, by])).toEqual([
    [0, { row: 1, after: 1.5, lights: 1 }],
    [1, undefined],
    [2, undefined],
  ]);
  // A light that is taken before its own delay is over never moves for the first cue.
  const early = smallList([
    oneCue("1", { "5": { intensity: 80 } }, { up: 4, upDelay: 3 }),
    oneCue("2", { "5": { intensity: 10 } }, {}, follow(1)),
  ]);
  expect(timeBars(early, chainAround(early, 0))[0]?.cut).toEqual({ row: 1, after: 0, lights: 1 });
});

test("on a line of time follows stand in their chain, and a Go behind all that is complete", () => {
  const links = linksOver(list, row("12"), row("14"), 1);
  expect(links.map(({ row: at, start, pressed }) => [list.cues[at]?.number, Math.round(start * 10) / 10, pressed])).toEqual([
    ["12", 0, true],
    ["12.3", 7.4, false],
    ["12.6", 8, false],
    ["13", 9.8, false],
    ["14", 14.8, true],
  ]);
  // A range that ends inside a chain ends there.
  expect(linksOver(list, row("12.3"), row("12.6"), 1).map(({ row: at, start }) => [list.cues[at]?.number, start])).toEqual([
    ["12.3", 0],
    ["12.6", 0.6],
  ]);
});
