import { makeEdits, readEdits } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

test("a wall in a cue that keeps its moves to itself says that it holds in that cue alone", () => {
  const cues = [oneCue("1", { "1": { intensity: 50 } }), oneCue("2", {}, {}, { carries: "cueOnly" }), oneCue("3", {})];
  const noted = (from: string): readonly string[] => makeEdits(smallShow(cues), readEdits([{ op: "block", from, to: from }])).notes;
  expect(noted("2")).toEqual([
    "Cue 2 keeps its moves to itself, so the wall holds in it alone: behind it what came before tracks on. Block cue 3 to stop that",
  ]);
  expect(noted("3")).toEqual([]);
});
