import { Mix, applyRunChange, runChangeOf, listOf, makeEdits, readEdits, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { unusualOf } from "../../src/run/unusual.ts";

const sheet = sheetOf(saltAndParaffin());
const main = listOf(sheet).id;

/** What is unusual of a list after some presses. */
function after(press: (mix: Mix) => void, list = main): ReturnType<typeof unusualOf> {
  const mix = new Mix(sheet);
  press(mix);
  const run = mix.lists.get(list);
  if (!run) throw new Error(`There is no list ${list}`);
  return unusualOf(run);
}

test("a list that runs as its cues say has nothing unusual, whatever it is at", () => {
  expect(after(() => undefined)).toEqual([]);
  expect(after((mix) => mix.goto(main, "14", 0, 0))).toEqual([]);
  expect(
    after((mix) => {
      mix.rate(main, 20, 0);
      mix.rate(main, 1, 1);
    }),
  ).toEqual([]);
});

test("a rate and a master that are not its own are said, each with the press that sets it back", () => {
  const found = after((mix) => {
    mix.rate(main, 20, 0);
    mix.master(main, 60, 0);
  });
  expect(found.map(({ words, press }) => [words, press])).toEqual([
    ["20× as fast", { press: "rate", list: main, rate: 1 }],
    ["master 60 %", { press: "master", list: main, level: 100, time: 1 }],
  ]);
  expect(after((mix) => mix.rate(main, 0.5, 0)).map(({ words }) => words)).toEqual(["at 0.5 of its speed"]);
});

test("a list that has a master of its own is usual at it", () => {
  const { show } = sheet;
  const dimmed = sheetOf({ ...show, lists: show.lists.map((list, index) => (index === 0 ? { ...list, master: 80 } : list)) });
  const mix = new Mix(dimmed);
  const run = (): ReturnType<typeof unusualOf> => {
    const own = mix.lists.get(main);
    return own ? unusualOf(own) : [];
  };
  expect(run()).toEqual([]);
  mix.master(main, 100, 0);
  expect(run().map(({ words, press }) => [words, press])).toEqual([["master 100 %", { press: "master", list: main, level: 80, time: 1 }]]);
});

test("what sets it back leaves nothing unusual", () => {
  const mix = new Mix(sheet);
  mix.rate(main, 20, 0);
  const own = mix.lists.get(main);
  const [found] = own ? unusualOf(own) : [];
  if (!own || !found) throw new Error("Nothing was found to set back");
  applyRunChange(mix, runChangeOf(mix, found.press, 3, main), sheet, main);
  expect(unusualOf(own)).toEqual([]);
});

test("what a cue of the list sets besides is as its cues say, from that cue on", () => {
  const slow = listOf(
    makeEdits(sheet, readEdits([{ op: "setCue", from: "14", to: "14", actions: [{ do: "rate", list: main, rate: 0.5 }] }])).sheet,
  );
  const mix = new Mix(sheetOf({ ...sheet.show, lists: sheet.show.lists.map((list) => (list.id === main ? slow.list : list)) }));
  const words = (): string[] => {
    const own = mix.lists.get(main);
    return own ? unusualOf(own).map((each) => each.words) : [];
  };
  mix.goto(main, "13", 0, 0);
  mix.go(main, 1);
  mix.advance(2);
  expect(mix.lists.get(main)?.rate).toBe(0.5);
  expect(words()).toEqual([]);
  mix.rate(main, 3, 3);
  expect(words()).toEqual(["3× as fast"]);
  mix.rate(main, 0.5, 4);
  mix.goto(main, "8", 5, 0);
  expect(words()).toEqual(["at 0.5 of its speed"]);
});
