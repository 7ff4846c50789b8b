import { type EditInput, listOf, makeEdits, readEdits, reportImpact } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

/** Two lights that are dark from cue 2 on; the mover is called somewhere else in 4. */
const SHOW = smallShow([
  oneCue("1", { "1": { intensity: 80, pan: 0 } }),
  oneCue("2", { "1": { intensity: 0 } }),
  oneCue("3", { "5": { intensity: 10 } }),
  oneCue("4", { "1": { intensity: 80, pan: 90 } }),
]);

/** What the impact says of cue 4. */
function said(mark: object | null): string {
  const edit: EditInput = { op: "setCue", from: "4", to: "4", mark: mark ?? null };
  const outcome = makeEdits(SHOW, readEdits([edit]));
  return reportImpact(SHOW, outcome, listOf(SHOW).id)
    .lines.map(({ cue, words }) => `${cue} ${words()}`)
    .join();
}

test("a mark that is put elsewhere is told with its light, before and after", () => {
  expect(said({ policy: "dark" })).toBe("4 1 is prepared in 2 instead of 3");
  expect(said({ channels: { "1": { view: true } } })).toBe("4 1 moves in view instead of being prepared in 3");
  expect(said({ fade: 3 })).toContain("each is prepared where it was");
});
