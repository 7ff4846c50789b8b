import fc from "fast-check";
import { type EditInput, entryAt, giveMoves, keyNamed, listOf, makeEdits, readEdits, sheetOf, threadsOf } from "../../src/index.ts";
import { stored } from "../support/attempt.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

test("threads cover every row in which a key is set, each as far as one move is shown", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const list = listOf(sheetOf(show));
      for (const key of list.keys.all) {
        const drawn = new Map<number, { value: number; origin: number }>();
        for (const { from, to, value, origin } of threadsOf(list, key))
          for (let row = from; row <= to; row += 1) {
            expect(drawn.has(row)).toBe(false);
            drawn.set(row, { value, origin });
          }
        list.cues.forEach((_, row) => {
          const { value, row: origin } = entryAt(list, key, row);
          expect(drawn.get(row)).toEqual(Number.isNaN(value) ? undefined : { value, origin });
        });
      }
    }),
  );
});

test("two moves in neighbouring cues are two threads, also where they say the same", () => {
  const sheet = smallShow([oneCue("1", { "5": { intensity: 50 } }), oneCue("2", { "5": { intensity: 50 } }), oneCue("3", {})]);
  const key = keyNamed(sheet.keys, "5.intensity");
  if (!key) throw new Error("The lamp has no intensity");
  expect(threadsOf(listOf(sheet), key).map(({ from, to }) => [from, to])).toEqual([
    [0, 0],
    [1, 2],
  ]);
});

test("a change of stored moves touches those alone and makes none, whatever the looks show", () => {
  const sheet = smallShow([
    oneCue("1", { "5": { intensity: 10 } }),
    oneCue("2", {}),
    oneCue("3", { "5": { intensity: 30 } }),
    oneCue("4", { "1": { pan: 3 } }),
  ]);
  const edit: EditInput = { op: "change", from: "2", to: "4", keys: { channels: [5, 1] }, do: { add: 5 }, where: "moves" };
  expect([...stored(makeEdits(sheet, readEdits([edit])).sheet)]).toEqual([
    ["1/5.intensity", 10],
    ["3/5.intensity", 35],
    ["4/1.pan", 8],
  ]);
});

test("a palette is given to what it has a value for, and to nothing else", () => {
  const palettes = [{ id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 40, channel: 1 }] }];
  const sheet = smallShow([], undefined, { palettes });
  const given = giveMoves(sheet, { channels: [1, 5] }, { palette: "chair" }, () => 0);
  expect(given).toEqual({ "1": { pan: { palette: "chair" } } });
  expect(() => giveMoves(sheet, { channels: [5] }, { palette: "chair" }, () => 0)).toThrow("has no value for the chosen lights");
});
