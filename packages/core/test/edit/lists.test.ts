import { type ShowSheet, listOf, makeEdits, readEdits } from "../../src/index.ts";
import { refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

test("a list that cues start goes with those actions or is refused; one nobody starts just goes", () => {
  const action = { do: "start", list: "sea" };
  const withSea = (actions: object[]): ShowSheet =>
    smallShow([], undefined, {
      lists: [
        { id: "main", label: "Main", cues: [oneCue("1", {}, {}, actions.length > 0 ? { actions } : {})] },
        { id: "sea", label: "Sea", cues: [] },
      ],
    });
  const used = withSea([action, { do: "release", list: "main" }]);
  expect(refusal(used, [{ op: "removeList", list: "sea", used: "refuse" }])).toMatch(/List "sea" is started or stopped by 1 cues/);
  const without = makeEdits(used, readEdits([{ op: "removeList", list: "sea", used: "drop" }])).sheet;
  expect([...without.lists.keys()]).toEqual(["main"]);
  expect(listOf(without).cues[0]?.actions).toEqual([{ do: "release", list: "main" }]);
  expect([...makeEdits(withSea([]), readEdits([{ op: "removeList", list: "sea", used: "refuse" }])).sheet.lists.keys()]).toEqual(["main"]);
});

test("palettes that change places do so at once, and as many are named on both sides", () => {
  const values = (value: number): object[] => [{ attribute: "pan", value }];
  const palettes = ["chair", "door"].map((id, index) => ({ id, label: id, family: "position", values: values(10 + index) }));
  const sheet = smallShow(
    [oneCue("1", { 1: { pan: { palette: "chair", fade: 3 } } }), oneCue("2", { 1: { pan: { palette: "door" } } })],
    undefined,
    { palettes },
  );
  const swap = { op: "swapPalette" as const, from: "1", to: "2" };
  const after = makeEdits(sheet, readEdits([{ ...swap, palette: ["chair", "door"], as: ["door", "chair"] }])).sheet;
  expect(listOf(after).cues.map((cue) => cue.parts[0]?.moves["1"]?.["pan"])).toEqual([{ palette: "door", fade: 3 }, { palette: "chair" }]);
  expect(refusal(sheet, [{ ...swap, palette: ["chair", "door"], as: "door" }])).toMatch(/name as many palettes on both sides/);
  expect(refusal(sheet, [{ ...swap, palette: ["chair", "chair"], as: ["door", "door"] }])).toMatch(/"chair" is to become two others/);
});
