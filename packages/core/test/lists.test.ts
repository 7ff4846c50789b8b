import { type ShowSheet, listOf, makeEdits, readEdits } from "../src/index.ts";
import { refusal } from "./support/attempt.ts";
import { oneCue, smallShow } from "./support/smallShow.ts";

test("a list that other cues start is taken away with those actions, or refused where they are to stay; one that nobody starts goes at once", () => {
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
