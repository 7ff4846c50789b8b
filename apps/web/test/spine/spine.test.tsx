import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chooseNothing, useSelection } from "../../src/choice/selection.ts";
import { SpineRow } from "../../src/spine/SpineRow.tsx";
import { renderOpened } from "../support/opened.tsx";

const list = listOf(sheetOf(saltAndParaffin()));
const rowOf = (number: string): number => list.cues.findIndex((cue) => cue.number === number);

function renderRow(number: string) {
  return renderOpened(<SpineRow list={list} row={rowOf(number)} top={0} width={424} editable />);
}

beforeEach(chooseNothing);

test("a cue says its number, label, follow, times and length, and a press chooses it", async () => {
  const user = userEvent.setup();
  renderRow("22.5");
  const row = screen.getByRole("row");
  expect(within(row).getByRole("rowheader").textContent).toBe("22.5");
  expect(
    within(row)
      .getAllByRole("gridcell")
      .map((cell) => cell.textContent),
  ).toEqual(["Sun on the step", "go + 6 s", "15", "", "15"]);
  expect(row.getAttribute("aria-selected")).toBe("false");
  await user.click(row);
  expect(useSelection.getState()).toMatchObject({ cue: "22.5", cueEnd: "22.5" });
  expect(row.getAttribute("aria-selected")).toBe("true");
});

test("a time typed in its place is one edit; Escape leaves it, and nonsense is not sent", async () => {
  const user = userEvent.setup();
  const { asked } = renderRow("22.5");
  const [, , up] = screen.getAllByRole("gridcell");
  if (!up) throw new Error("The row has no up time");
  await user.dblClick(up);
  await user.keyboard("{Control>}a{/Control}9{Escape}");
  expect(asked).toEqual([]);
  await user.dblClick(up);
  await user.keyboard("{Control>}a{/Control}soon{Enter}");
  expect(asked).toEqual([]);
  await user.keyboard("{Control>}a{/Control}4.5{Enter}");
  expect(asked.map(({ body }) => body)).toMatchObject([
    { edits: [{ op: "setTimes", list: "main", from: "22.5", to: "22.5", part: 1, set: { up: 4.5 } }] },
  ]);
});

test("a pointer kept pressed draws the range out over other cues until it is let go", async () => {
  const user = userEvent.setup();
  const rows = ["6", "7", "8"].map(rowOf);
  renderOpened(
    <div>
      {rows.map((row) => (
        <SpineRow key={row} list={list} row={row} top={0} width={424} editable />
      ))}
    </div>,
  );
  const [first, middle, last] = screen.getAllByRole("row");
  if (!first || !middle || !last) throw new Error("three rows are shown");
  const at = (y: number) => ({ clientX: 50, clientY: y });
  // A row that scrolls beneath the pressed pointer is not drawn over.
  await user.pointer([
    { keys: "[MouseLeft>]", target: middle, coords: at(40) },
    { target: last, coords: at(40) },
  ]);
  expect(useSelection.getState()).toMatchObject({ cue: "7", cueEnd: "7" });
  await user.pointer([
    { target: middle, coords: at(41) },
    { target: last, coords: at(70) },
  ]);
  expect(useSelection.getState()).toMatchObject({ cue: "7", cueEnd: "8" });
  await user.pointer({ target: first, coords: at(10) });
  expect(useSelection.getState()).toMatchObject({ cue: "7", cueEnd: "6" });
  await user.pointer([
    { keys: "[/MouseLeft]", target: first, coords: at(10) },
    { target: last, coords: at(70) },
  ]);
  expect(useSelection.getState()).toMatchObject({ cue: "7", cueEnd: "6" });
});

test("in a time that is being written a pointer that is kept pressed selects text and no cues", async () => {
  const user = userEvent.setup();
  const rows = ["6", "7"].map(rowOf);
  renderOpened(
    <div>
      {rows.map((row) => (
        <SpineRow key={row} list={list} row={row} top={0} width={424} editable />
      ))}
    </div>,
  );
  const [first, second] = screen.getAllByRole("row");
  const up = first && within(first).getAllByRole("gridcell")[2];
  if (!up || !second) throw new Error("two rows are shown");
  await user.dblClick(up);
  await user.pointer([
    { keys: "[MouseLeft>]", target: within(first).getByRole("textbox"), coords: { clientX: 50, clientY: 10 } },
    { target: second, coords: { clientX: 50, clientY: 40 } },
    { keys: "[/MouseLeft]" },
  ]);
  expect(useSelection.getState()).toMatchObject({ cue: "6", cueEnd: "6" });
});
