import { act, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { findRow, listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { considerEdits, useDraft } from "../../src/choice/draft.ts";
import { chooseNothing } from "../../src/choice/selection.ts";
import { closeUnder, useSheetView } from "../../src/choice/sheetView.ts";
import { TimesPicture } from "../../src/inspector/TimesPicture.tsx";
import { renderOpened } from "../support/opened.tsx";

const list = listOf(sheetOf(saltAndParaffin()));

function renderCue(number: string) {
  return renderOpened(<TimesPicture list={list} row={findRow(list, number)} />);
}

beforeEach(() => {
  chooseNothing();
  closeUnder();
});

test("a cue's bars say their times, and keys make one longer and later before anything is made", async () => {
  const user = userEvent.setup();
  const { asked } = renderCue("12");
  const bars = screen.getAllByRole("slider");
  expect(bars.map((bar) => bar.getAttribute("aria-valuetext"))).toEqual([
    "fade 3",
    "fade 5",
    "fade 6, delay 1",
    "fade 6, delay 1",
    "fade 6, delay 1",
  ]);
  const down = screen.getByRole("slider", { name: "Cue 12, part 1: down" });
  act(() => down.focus());
  await user.keyboard("{ArrowRight}{ArrowRight}{Shift>}{ArrowRight}{/Shift}{Alt>}{ArrowRight}{/Alt}");
  expect(down.getAttribute("aria-valuetext")).toBe("fade 6.2, delay 0.1");
  expect(asked).toEqual([]);
  expect(useDraft.getState().draft?.from).toBe("times");
  await user.keyboard("{Enter}");
  expect(asked.map(({ body }) => body)).toMatchObject([
    {
      edits: [
        { op: "setTimes", from: "12", part: 1, set: { down: 6.2 } },
        { op: "setTimes", from: "12", part: 1, set: { downDelay: 0.1 } },
      ],
    },
  ]);
  // The server refuses it here, so that it is still considered.
  await waitFor(() => expect(useDraft.getState().draft?.from).toBe("times"));
});

test("Escape drops what was considered, and the bar is as it was", async () => {
  const user = userEvent.setup();
  const { asked } = renderCue("12");
  const down = screen.getByRole("slider", { name: "Cue 12, part 1: down" });
  act(() => down.focus());
  await user.keyboard("{ArrowLeft}{ArrowLeft}");
  expect(down.getAttribute("aria-valuetext")).toBe("fade 4.8");
  await user.keyboard("{Escape}");
  expect(down.getAttribute("aria-valuetext")).toBe("fade 5");
  expect(useDraft.getState().draft).toBeNull();
  expect(asked).toEqual([]);
});

test("times of two bars are considered together, until another edit takes their place", async () => {
  const user = userEvent.setup();
  renderCue("12");
  const [up, down] = screen.getAllByRole("slider");
  act(() => up?.focus());
  await user.keyboard("{ArrowRight}");
  act(() => down?.focus());
  await user.keyboard("{ArrowRight}");
  expect(useDraft.getState().draft?.edits).toHaveLength(2);
  act(() => void considerEdits("line", [{ op: "deleteCue", cue: "12" }]));
  expect(up?.getAttribute("aria-valuetext")).toBe("fade 3");
  await user.keyboard("{ArrowRight}");
  expect(useDraft.getState().draft).toMatchObject({ from: "times", edits: [{ op: "setTimes", set: { down: 5.1 } }] });
});

test("the drawing is put under the Score and taken from there with one button", async () => {
  const user = userEvent.setup();
  renderCue("12");
  await user.click(screen.getByRole("button", { name: "Draw under the Score" }));
  expect(useSheetView.getState().under).toBe("times");
  expect(screen.queryAllByRole("slider")).toEqual([]);
  await user.click(screen.getByRole("button", { name: "Drawn under the Score" }));
  expect(screen.queryAllByRole("slider")).toHaveLength(5);
});
