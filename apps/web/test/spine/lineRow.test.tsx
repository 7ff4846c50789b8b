import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { findRow, listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chooseList, chooseNothing, useSelection } from "../../src/choice/selection.ts";
import { showFoldedScenes, showOpenCues, useSheetView } from "../../src/choice/sheetView.ts";
import { LineRow } from "../../src/spine/LineRow.tsx";
import { type SheetLine, sheetLines } from "../../src/spine/lines.ts";
import { renderOpened } from "../support/opened.tsx";

const list = listOf(sheetOf(saltAndParaffin()));
const row = (cue: string): number => findRow(list, cue);

function renderLine(line: SheetLine) {
  return renderOpened(<LineRow list={list} line={line} top={0} width={424} />);
}

beforeEach(() => {
  chooseNothing();
  showFoldedScenes(new Set());
  showOpenCues(new Set());
  chooseList(null);
});

test("a folded scene says its cues, is chosen as all of them, and opens", async () => {
  const user = userEvent.setup();
  const { lines } = sheetLines(list, { foldedScenes: new Set(["main/I.2"]), openCues: new Set() });
  const scene = lines.find(({ kind }) => kind === "scene");
  if (!scene) throw new Error("No scene is folded");
  showFoldedScenes(new Set(["main/I.2"]));
  renderLine(scene);
  const shown = screen.getByRole("row");
  expect(shown.textContent).toContain("7 cues, 6 to 11");
  await user.click(within(shown).getByRole("button", { name: /I\.2/ }));
  expect(useSelection.getState()).toMatchObject({ cue: "6", cueEnd: "11" });
  expect(useSheetView.getState().foldedScenes.size).toBe(0);
});

test("a part says its name, its share of the moves and its times", () => {
  renderLine({ kind: "part", row: row("4"), part: 2 });
  const part = screen.getByRole("row", { name: "Part 2 of cue 4" });
  expect(part.textContent).toContain("The stairs");
  expect(part.textContent).toContain("up 4+3");
  expect(part.getAttribute("title")).toMatch(/^12 moves of 20/);
});

test("the first cue of a scene folds it, one in its midst does not; a cue with parts shows them", async () => {
  const user = userEvent.setup();
  renderLine({ kind: "cue", row: row("12") });
  await user.click(screen.getByRole("button", { name: "Fold scene I.3" }));
  expect([...useSheetView.getState().foldedScenes]).toEqual(["main/I.3"]);
  await user.click(screen.getByTitle(/2 parts; show them/));
  expect([...useSheetView.getState().openCues]).toEqual(["main/12"]);
  // Neither of them chooses the cue.
  expect(useSelection.getState().cue).toBeNull();
});

test("a cue in the midst of its scene folds nothing", () => {
  renderLine({ kind: "cue", row: row("13") });
  expect(screen.queryByRole("button", { name: /Fold scene/ })).toBeNull();
});
