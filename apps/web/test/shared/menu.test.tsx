import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { DropMenu, MenuEntry, NamedEntry, NumberEntry, SecondsEntry } from "../../src/shared/DropMenu.tsx";

function renderMenu(): { heard: string[]; open: () => Promise<void> } {
  const heard: string[] = [];
  render(
    <DropMenu label="Salt and Paraffin" button="" list="" onOpen={(open) => heard.push(open ? "opened" : "closed")}>
      <NamedEntry label="Name of the new show" placeholder="name" onName={(name) => heard.push(`new ${name}`)}>
        New show …
      </NamedEntry>
      <MenuEntry onAct={() => heard.push("import")}>Import …</MenuEntry>
      <MenuEntry current onAct={() => heard.push("other")}>
        Other show
      </MenuEntry>
    </DropMenu>,
  );
  return { heard, open: () => userEvent.click(screen.getByRole("button", { name: "Salt and Paraffin" })) };
}

test("arrows walk the entries and Enter does one; the menu is put away first", async () => {
  const { heard, open } = renderMenu();
  const user = userEvent.setup();
  await open();
  await user.keyboard("{ArrowDown}{ArrowDown}");
  expect(document.activeElement?.textContent).toBe("Import …");
  await user.keyboard("{Enter}");
  expect(heard).toEqual(["opened", "closed", "import"].toSorted((a, b) => heard.indexOf(a) - heard.indexOf(b)));
  expect(screen.queryByRole("menu")).toBeNull();
});

test("Escape closes the menu, does nothing, and gives the focus back to its button", async () => {
  const { heard, open } = renderMenu();
  const user = userEvent.setup();
  await open();
  await user.keyboard("{ArrowDown}{Escape}");
  expect(screen.queryByRole("menu")).toBeNull();
  expect(heard).toEqual(["opened", "closed"]);
  expect(document.activeElement).toBe(screen.getByRole("button", { name: "Salt and Paraffin" }));
});

test("an entry that wants a name asks for it in place, and does nothing without one", async () => {
  const { heard, open } = renderMenu();
  const user = userEvent.setup();
  await open();
  await user.click(screen.getByRole("menuitem", { name: "New show …" }));
  const field = screen.getByLabelText("Name of the new show");
  expect(document.activeElement).toBe(field);
  await user.keyboard("{Enter}");
  expect(heard).toEqual(["opened"]);
  // Letters that begin other entries go into the name; so do arrows and Home.
  await user.keyboard("Iron Oxide{Home}Old ");
  // On its way the pointer crosses another entry.
  await user.hover(screen.getByRole("menuitem", { name: "Import …" }));
  await user.keyboard("!");
  expect(document.activeElement).toBe(field);
  await user.keyboard("{Enter}");
  expect(heard.at(-1)).toBe("new Old !Iron Oxide");
  expect(screen.queryByRole("menu")).toBeNull();
});

test("the entry for what is open now says so", async () => {
  const { open } = renderMenu();
  await open();
  expect(screen.getByRole("menuitem", { name: "Other show" }).getAttribute("aria-current")).toBe("true");
  expect(screen.getByRole("menuitem", { name: "Import …" }).getAttribute("aria-current")).toBeNull();
});

test("an entry that wants a number keeps nonsense, marked; it takes a comma, and times as 1:30", async () => {
  const heard: (number | null)[] = [];
  render(
    <DropMenu label="Sea" button="" list="">
      <NumberEntry label="Priority" placeholder="" bounds={{ min: 0, max: 100, whole: true }} onNumber={(number) => heard.push(number)}>
        Priority …
      </NumberEntry>
      <NumberEntry label="Rate" placeholder="" bounds={{ min: 0.01, max: 100 }} mayBeEmpty onNumber={(number) => heard.push(number)}>
        Speed …
      </NumberEntry>
      <SecondsEntry label="Seconds" placeholder="" onSeconds={(seconds) => heard.push(seconds)}>
        Fades …
      </SecondsEntry>
    </DropMenu>,
  );
  const user = userEvent.setup();
  const open = (): Promise<void> => user.click(screen.getByRole("button", { name: "Sea" }));
  const ask = async (entry: string): Promise<void> => user.click(screen.getByRole("menuitem", { name: entry }));
  await open();
  await ask("Priority …");
  await user.keyboard("3752{Enter}");
  expect(screen.getByRole("alert").textContent).toBe("This is no whole number from 0 to 100");
  expect(screen.getByLabelText("Priority")).toMatchObject({ value: "3752", ariaInvalid: "true" });
  await user.keyboard("{Backspace}{Backspace}{Enter}");
  await open();
  await ask("Speed …");
  await user.keyboard("1,5{Enter}");
  await open();
  await ask("Speed …");
  await user.keyboard("{Enter}");
  await open();
  await ask("Fades …");
  await user.keyboard("soon{Enter}");
  expect(screen.getByRole("alert").textContent).toContain("is not a time; write seconds such as 3");
  await user.clear(screen.getByLabelText("Seconds"));
  await user.keyboard("1:30{Enter}");
  expect(heard).toEqual([37, 1.5, null, 90]);
});
