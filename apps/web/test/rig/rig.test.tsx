import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type Show } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chooseNothing, useSelection } from "../../src/choice/selection.ts";
import { usePaletteDrafts } from "../../src/rig/PaletteForm.tsx";
import { PalettesTab } from "../../src/rig/PalettesTab.tsx";
import { LightsTab } from "../../src/rig/LightsTab.tsx";
import { TypesTab } from "../../src/rig/TypesTab.tsx";
import { type Asked, renderOpened } from "../support/opened.tsx";

beforeEach(() => {
  chooseNothing();
  usePaletteDrafts.setState({ drafts: {} });
});

const editsIn = (asked: readonly Asked[]): unknown[] => asked.filter(({ path }) => path.endsWith("edits")).map(({ body }) => body);

/** The demo with its first palette under another label, as another window may have stored it. */
function relabelled(label: string): Show {
  const show = saltAndParaffin();
  return { ...show, palettes: show.palettes.map((palette) => (palette.id === "table" ? { ...palette, label } : palette)) };
}

test("arrows walk to the same cell of the next row, and what is typed there is one edit", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LightsTab />);
  screen.getByLabelText("Label of 1").focus();
  await user.keyboard("{ArrowDown}");
  expect(document.activeElement).toBe(screen.getByLabelText("Label of 2"));
  await user.keyboard("{ArrowUp}{ArrowUp}");
  expect(document.activeElement).toBe(screen.getByLabelText("Label of 1"));
  await user.keyboard("Porch{Enter}");
  expect(editsIn(asked)).toMatchObject([{ edits: [{ op: "setChannel", channel: { number: 1, label: "Porch" } }] }]);
});

test("what is no patch stays marked in its cell and asks for nothing; Escape drops it", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LightsTab />);
  const cell = screen.getByLabelText("Patch of 2");
  await user.click(cell);
  await user.keyboard("nowhere{Enter}");
  expect(cell.getAttribute("aria-invalid")).toBe("true");
  expect(cell.title).toContain('"nowhere" is not a patch');
  expect(editsIn(asked)).toEqual([]);
  await user.click(cell);
  await user.keyboard("{Escape}");
  expect(cell.getAttribute("aria-invalid")).toBe("false");
  expect(cell).toHaveProperty("value", "1.2");
});

test("a heading sorts the lights, and a row of them is chosen as it is shown", async () => {
  const user = userEvent.setup();
  renderOpened(<LightsTab />);
  const numbers = (): string[] =>
    screen
      .getAllByRole("rowheader")
      .slice(0, 3)
      .map((cell) => cell.textContent ?? "");
  expect(numbers()).toEqual(["1", "2", "3"]);
  await user.click(within(screen.getByRole("columnheader", { name: "light" })).getByRole("button"));
  await user.click(within(screen.getByRole("columnheader", { name: "light" })).getByRole("button"));
  const [first = "", , third = ""] = numbers();
  expect(Number(first)).toBeGreaterThan(Number(third));
  await user.click(screen.getByRole("button", { name: first }));
  await user.keyboard("{Shift>}");
  await user.click(screen.getByRole("button", { name: third }));
  await user.keyboard("{/Shift}");
  expect(useSelection.getState().channels).toHaveLength(3);
  expect(useSelection.getState().channels[0]).toBe(Number(first));
});

test("what is entered into a form outlives the view, and is marked until saved or dropped", async () => {
  const user = userEvent.setup();
  renderOpened(<PalettesTab />);
  const label = screen.getByLabelText("label");
  await user.clear(label);
  await user.type(label, "Long table");
  cleanup();
  renderOpened(<PalettesTab />);
  expect(screen.getByLabelText("label")).toHaveProperty("value", "Long table");
  expect(screen.getByRole("button", { name: /^Table.*changed/ })).toBeDefined();
  await user.click(screen.getByRole("button", { name: "Drop what is entered" }));
  expect(screen.getByLabelText("label")).toHaveProperty("value", "Table");
  expect(screen.queryByRole("button", { name: /^Table.*changed/ })).toBeNull();
});

test("a half-entered form says when what is stored was changed elsewhere, and keeps its text", async () => {
  const user = userEvent.setup();
  renderOpened(<PalettesTab />);
  const label = screen.getByLabelText("label");
  await user.clear(label);
  await user.type(label, "Long table");
  cleanup();
  renderOpened(<PalettesTab />, relabelled("Round table"));
  expect(screen.getByRole("alert").textContent).toContain("changed elsewhere");
  expect(screen.getByLabelText("label")).toHaveProperty("value", "Long table");
  await user.click(screen.getByRole("button", { name: "Take what is stored" }));
  expect(screen.getByLabelText("label")).toHaveProperty("value", "Round table");
});

test("the core's schema speaks at the field, and nothing is asked for", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<PalettesTab />);
  const label = screen.getByLabelText("label");
  await user.click(label);
  await user.paste("x".repeat(201));
  expect(await screen.findByText("is longer than 200 characters")).toBeDefined();
  expect(label.getAttribute("aria-invalid")).toBe("true");
  await user.click(screen.getByRole("button", { name: "Save" }));
  expect(editsIn(asked)).toEqual([]);
});

test("values of a palette are changed, added and taken out, and saved as one edit", async () => {
  const user = userEvent.setup();
  const { asked, sheet } = renderOpened(<PalettesTab />);
  const before = sheet.palettes.byId.get("table")?.values ?? [];
  const first = screen.getByLabelText("Value 1, pan");
  await user.click(first);
  await user.keyboard("12,5{Tab}");
  // Leaving a cell takes it and goes on to the next field of its row.
  expect(document.activeElement).toBe(screen.getByLabelText("Value 1 is for"));
  await user.click(screen.getByRole("button", { name: "Take value 2 out" }));
  await user.click(screen.getByRole("button", { name: "One more value" }));
  await user.click(screen.getByRole("button", { name: "Save" }));
  const [edit] = editsIn(asked);
  expect(edit).toMatchObject({ edits: [{ op: "setPalette", palette: { id: "table" } }] });
  const values: unknown = JSON.parse(JSON.stringify(edit), (key, value: unknown) =>
    key === "edits" && Array.isArray(value) ? value[0] : value,
  );
  expect(values).toMatchObject({
    edits: { palette: { values: [{ ...before[0], value: 12.5 }, ...before.slice(2), { attribute: "pan", value: 0 }] } },
  });
});

test("a type gets common attributes with one press, and one without a name is reported", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<TypesTab />);
  await user.click(screen.getByRole("button", { name: "zoom" }));
  expect(screen.getByLabelText("max of zoom")).toHaveProperty("value", "50");
  expect(screen.queryByRole("button", { name: "zoom" })).toBeNull();
  const name = screen.getByLabelText("Attribute 2");
  await user.clear(name);
  await user.tab();
  expect(name.title).toContain("An attribute has a name");
  await user.click(name);
  await user.keyboard("{Escape}");
  await user.click(screen.getByRole("button", { name: "Save" }));
  expect(editsIn(asked)).toMatchObject([
    { edits: [{ op: "setType", type: { attributes: [{ id: "intensity" }, { id: "zoom", max: 50 }] } }] },
  ]);
});
