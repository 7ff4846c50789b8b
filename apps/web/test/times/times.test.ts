import { type TimeBar, chainAround, findRow, linksOver, listOf, makeEdits, readEdits, sheetOf, timeBars } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { barEdit, barLabel, barName, barWords, cutWords, followEdit, linkWords, rowLabel } from "../../src/times/barEdits.ts";
import { placeOf, snapped, timeScale } from "../../src/times/scale.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const row = (cue: string): number => findRow(list, cue);
const bars = timeBars(list, chainAround(list, row("12")));

function barNamed(cue: string, label: string): TimeBar {
  const found = bars.find((bar) => bar.row === row(cue) && barLabel(list, bar) === label);
  if (!found) throw new Error(`${cue} has no bar ${label}`);
  return found;
}

test("time is laid out from 0 to a little past the last second, on round ticks", () => {
  const scale = timeScale(13.8, 190, 990);
  expect(placeOf(scale, 0)).toBe(190);
  expect(placeOf(scale, 13.8)).toBeLessThan(990);
  expect(placeOf(scale, 13.8)).toBeGreaterThan(850);
  expect(scale.ticks.slice(0, 4)).toEqual([0, 1, 2, 3]);
  for (const longest of [0, 0.4, 3, 60, 900, 20_000]) {
    const { ticks, perSecond } = timeScale(longest, 88, 240);
    expect(ticks.length).toBeGreaterThan(0);
    ticks.slice(1).forEach((tick, index) => expect((tick - (ticks[index] ?? 0)) * perSecond).toBeGreaterThanOrEqual(40));
  }
});

test("a dragged time is a tenth of a second, or ever so finely a hundredth, and never below none", () => {
  expect([snapped(3.26, false), snapped(3.264, true), snapped(-2, false)]).toEqual([3.3, 3.26, 0]);
});

test("a bar is named by cue, part, kind and lights, the same while its times change", () => {
  const down = barNamed("12", "part 1: down");
  const edited = makeEdits(sheet, readEdits(barEdit(list, down, { fade: 9 }))).sheet;
  const again = timeBars(listOf(edited), chainAround(listOf(edited), row("12")));
  expect(again.map(barName)).toEqual(bars.map(barName));
  expect(new Set(bars.map(barName)).size).toBe(bars.length);
});

test("what is asked of a bar becomes the time of its part, its family or its own moves", () => {
  expect(barEdit(list, barNamed("12", "part 1: down"), { fade: 9 })).toEqual([
    { op: "setTimes", list: "main", from: "12", to: "12", part: 1, set: { down: 9 } },
  ]);
  expect(barEdit(list, barNamed("12", "part 2 Cold from outside: colour"), { delay: 3 })).toEqual([
    { op: "setTimes", list: "main", from: "12", to: "12", part: 2, set: { colour: { delay: 3 } } },
  ]);
  const own = timeBars(list, linksOver(list, row("9"), row("9"), 1)).find((bar) => bar.own);
  expect(own && barEdit(list, own, { fade: 4, delay: 1 })).toEqual([
    {
      op: "setMoveTimes",
      list: "main",
      from: "9",
      to: "9",
      keys: { channels: [21, 22, 23, 24, 25, 26, 27, 28, 29, 30, 31, 32], attributes: ["red", "green", "blue"] },
      fade: 4,
      delay: 1,
    },
  ]);
  expect(own && barLabel(list, own)).toBe("21..32 colour");
});

test("the wait before a following cue is changed as it counts; one behind a Go has none", () => {
  expect(followEdit(list, row("12.3"), 2)).toEqual([
    { op: "setCue", list: "main", from: "12.3", to: "12.3", trigger: { type: "follow", from: "complete", after: 2 } },
  ]);
  expect(followEdit(list, row("12"), 2)).toEqual([]);
});

test("bars, threads and cut fades are told in words", () => {
  expect(barWords(barNamed("12", "part 2 Cold from outside: up"))).toBe("fade 6, delay 1");
  expect(rowLabel(list, barNamed("12", "part 1: down"), barNamed("12", "part 1: up"))).toBe("down");
  expect(rowLabel(list, barNamed("12", "part 2 Cold from outside: up"), barNamed("12", "part 1: down"))).toBe("part 2 up");
  const links = linksOver(list, row("12"), row("14"), 1);
  expect(links.map((link) => linkWords(list, link))).toEqual(["Go", "end + 0.4", "go + 0.6", "end + 1", "Go"]);
  const cut = timeBars(list, linksOver(list, row("40"), row("40.5"), 1)).find((bar) => bar.cut);
  expect(cut && cutWords(list, cut)).toMatch(/^(\d+ of \d+ )?cut short by 40\.5 after 8 s$/);
  // A wall that leaves lights where they are has no fades of them.
  expect(timeBars(list, linksOver(list, row("22"), row("22.5"), 1)).filter((bar) => bar.cut)).toEqual([]);
  expect(cutWords(list, barNamed("12", "part 1: up"))).toBeUndefined();
});
