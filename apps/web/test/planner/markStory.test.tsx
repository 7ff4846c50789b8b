import { screen, within } from "@testing-library/react";
import { type Show, findRow, listOf, readShow, sheetOf } from "@zm/core";
import { MarkStory } from "../../src/planner/MarkStory.tsx";
import { renderOpened } from "../support/opened.tsx";

const cue = (number: string, moves: object, fields: object = {}): object => ({
  number,
  label: `Moment ${number}`,
  ...fields,
  parts: [{ number: 1, times: {}, moves }],
});
const follows = (after: number): object => ({ trigger: { type: "follow", from: "go", after } });

/** One light that turns at 45 degrees a second: out in cue 2, up again in cue 4, a quarter turn further on. */
const show = (mark: object | undefined, wait = 3): Show =>
  readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "A turn",
    fixtureTypes: [
      {
        id: "mover",
        name: "Mover",
        attributes: [
          { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
          { id: "pan", name: "Pan", family: "position", min: -270, max: 270, home: 0, speed: 45 },
        ],
      },
    ],
    channels: [{ number: 1, type: "mover" }],
    lists: [
      {
        id: "main",
        label: "Main",
        cues: [
          cue("1", { 1: { intensity: 50, pan: 0 } }),
          cue("2", { 1: { intensity: 0 } }),
          cue("3", {}, follows(1)),
          cue("4", { 1: { intensity: 60, pan: 90 } }, { ...follows(wait), ...(mark ? { mark } : {}) }),
        ],
      },
    ],
  });

/** What is told of the light in a cue, or null where nothing is. */
function told(of: Show, number: string): HTMLElement | null {
  const list = listOf(sheetOf(of));
  renderOpened(<MarkStory list={list} row={findRow(list, number)} channel={1} />, of);
  return screen.queryByRole("region", { name: "Prepared in the dark" });
}
const facts = (): Record<string, string> =>
  Object.fromEntries(
    screen
      .getAllByRole("term")
      .map((term) => [term.textContent, within(term.parentElement ?? document.body).getByRole("definition").textContent]),
  );

test("a dark light tells for which cue it moves, what it needs and has, and why there", () => {
  expect(told(show(undefined), "3")?.textContent).toContain("Moves here, in the dark, for 4 Moment 4.");
  expect(facts()).toEqual({
    "dark in": "2 to 3",
    needs: "2 s",
    has: "3 s, by the chain of follows",
    "why there": "just before, said of the list",
  });
});

test("a light says before its mark where it moves, behind it that it waits, then where it did", () => {
  expect(told(show({ channels: { 1: { at: "2" } } }), "3")?.textContent).toContain("Waits where it belongs in 4 Moment 4.");
  expect(facts()["why there"]).toBe("in 2, said of this light");
});
test("in the first cue of its dark it says where it will move", () => {
  expect(told(show(undefined), "2")?.textContent).toContain("Is dark; it moves in 3 Moment 3, for 4 Moment 4.");
});
test("in the cue that calls it, it says where it was prepared", () => {
  expect(told(show({ policy: "dark" }), "4")?.textContent).toContain("Was prepared in 2 Moment 2.");
  expect(facts()["why there"]).toBe("as soon as it is dark, said of its cue");
});

test("a light that moves in view needs no time in the dark; one lit all along says nothing", () => {
  expect(told(show({ policy: "view" }), "3")?.textContent).toContain("Moves in view as it comes up in 4 Moment 4.");
  expect(Object.keys(facts())).toEqual(["dark in", "why there"]);
});
test("where a light stays lit there is nothing to tell", () => {
  expect(told(show(undefined), "1")).toBeNull();
});

test("too little time is marked as trouble, and a cue in which it is lit as no place for it", () => {
  expect(told(show(undefined, 0.5), "3")).not.toBeNull();
  expect(facts()["has"]).toBe("0.5 s, by the chain of follows");
  expect(screen.getByText("0.5 s, by the chain of follows").className).toContain("text-error");
});
test("a cue in which the light is lit is named as no place for its mark", () => {
  expect(told(show({ at: "1" }), "4")?.textContent).toContain("It is lit in cue 1, which is named for it: it moves in view.");
});
