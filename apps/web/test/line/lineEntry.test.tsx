import { act, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useDraft } from "../../src/choice/draft.ts";
import { chooseCue, chooseNothing } from "../../src/choice/selection.ts";
import { LineEntry } from "../../src/line/LineEntry.tsx";
import { setLine } from "../../src/choice/lineText.ts";
import { renderOpened } from "../support/opened.tsx";

beforeEach(() => {
  chooseNothing();
  setLine("");
});

test("a typed edit is read back with its impact, and Enter asks the server for exactly that edit", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LineEntry blind />);
  await user.type(screen.getByLabelText("Line entry"), "#8..10: 1 = 40 only");
  expect(screen.getByRole("status").textContent).toMatch(
    /^Cues 8 to 10, 1 light: intensity to 40, restored after: \d cues? looks? different.*Enter makes it, Esc drops it$/,
  );
  expect(useDraft.getState().draft?.from).toBe("line");
  await user.keyboard("{Enter}");
  expect(screen.getByLabelText<HTMLInputElement>("Line entry").value === "" || asked.length > 0).toBe(true);
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual(["POST /api/shows/1/edits"]);
  expect(asked[0]?.body).toMatchObject({ base: 0, edits: [{ op: "change", from: "8", to: "10", do: { set: 40 }, after: "restore" }] });
});

test("an unreadable word is told, nothing is asked of the server, and Escape empties the line", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LineEntry blind />);
  const line = screen.getByLabelText<HTMLInputElement>("Line entry");
  await user.type(line, "#8: 1 = 400");
  expect(screen.getByRole("status").textContent).toMatch(/400 is outside 0 to 100/);
  await user.keyboard("{Enter}");
  expect(asked).toEqual([]);
  expect(line.value).toBe("#8: 1 = 400");
  await user.keyboard("{Escape}");
  expect(line.value).toBe("");
  expect(useDraft.getState().draft).toBeNull();
});

test("where a line will land stands beside it, and stays with what was chosen when it began", async () => {
  const user = userEvent.setup();
  chooseCue("8");
  renderOpened(<LineEntry blind />);
  expect(screen.getByTestId("line-target").textContent).toBe("blind 8");
  await user.type(screen.getByLabelText("Line entry"), "1 = ");
  act(() => chooseCue("20"));
  await user.type(screen.getByLabelText("Line entry"), "40");
  expect(screen.getByTestId("line-target").textContent).toBe("blind 8");
});

describe("the words that are offered", () => {
  const line = (): HTMLInputElement => screen.getByLabelText<HTMLInputElement>("Line entry");
  const picked = (): string[] => screen.queryAllByRole("option", { selected: true }).map(({ textContent }) => textContent ?? "");

  test("arrows pick a word, Enter takes it and does not enter the line; Tab takes the first", async () => {
    const user = userEvent.setup();
    const { asked } = renderOpened(<LineEntry blind />);
    await user.type(line(), "upd");
    expect(picked()).toEqual([]);
    await user.keyboard("{ArrowDown}");
    expect(picked()).toHaveLength(1);
    expect(line().getAttribute("aria-activedescendant")).toBe(screen.getByRole("option", { selected: true }).id);
    await user.keyboard("{Enter}");
    expect(line().value).toBe("update ");
    expect(picked()).toEqual([]);
    await user.clear(line());
    await user.type(line(), "upd{Tab}");
    expect(line().value).toBe("update ");
    expect(asked).toEqual([]);
  });

  test("a pointer that rests on a word picks nothing; a click takes the word", async () => {
    const user = userEvent.setup();
    const { asked } = renderOpened(<LineEntry blind />);
    await user.type(line(), "#8: 1 = 40");
    const [first] = screen.getAllByRole("option");
    if (!first) throw new Error("nothing is offered");
    await user.hover(first);
    expect(picked()).toEqual([]);
    await user.keyboard("{Enter}");
    expect(asked).toHaveLength(1);
    await user.clear(line());
    await user.type(line(), "upd");
    await user.click(screen.getByRole("option", { name: /^update/ }));
    expect(line().value).toBe("update ");
    expect(document.activeElement).toBe(line());
  });

  test("whoever leaves the line takes no word into it, and Home and End move the caret", async () => {
    const user = userEvent.setup();
    renderOpened(<LineEntry blind />);
    await user.type(line(), "upd{ArrowDown}");
    expect(picked()).toHaveLength(1);
    await user.keyboard("{Home}");
    expect(line().selectionStart).toBe(0);
    act(() => line().blur());
    expect(line().value).toBe("upd");
    expect(screen.queryByRole("listbox")).toBeNull();
  });
});
