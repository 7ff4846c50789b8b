import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useRef } from "react";
import { countModal } from "../../src/shared/dialogs.ts";
import { KEYS, type KeyEntry, type KeyName } from "../../src/shared/keys.ts";
import { useShortcut } from "../../src/shared/useShortcut.ts";

const NAMES: readonly KeyName[] = ["record", "help", "line", "find", "undo", "redo", "letGo", "goAnywhere"];

function Bound({ name, onKey }: { name: KeyName; onKey: (name: KeyName) => void }) {
  useShortcut(name, () => onKey(name));
  return null;
}

function Grid({ onKey }: { onKey: () => void }) {
  const grid = useRef<HTMLDivElement>(null);
  useShortcut("tracked", onKey, { on: grid });
  return (
    <div ref={grid} tabIndex={0} aria-label="grid">
      <button type="button">inside</button>
    </div>
  );
}

/** The shortcuts with a field, a slider and a drawer; gives what was heard, in order. */
function renderBound(): KeyName[] {
  const heard: KeyName[] = [];
  render(
    <>
      {NAMES.map((name) => (
        <Bound key={name} name={name} onKey={(each) => heard.push(each)} />
      ))}
      <input aria-label="field" />
      <input aria-label="slider" type="range" />
      <div role="dialog">
        <button type="button">in the drawer</button>
      </div>
    </>,
  );
  return heard;
}

test("keys do what the table says, by their character wherever it stands on the keyboard", async () => {
  const heard = renderBound();
  const user = userEvent.setup();
  await user.keyboard("r");
  await user.keyboard("?");
  // "/" with Shift, as on keyboards where it stands over a figure.
  await user.keyboard("{Shift>}/{/Shift}");
  await user.keyboard("{Control>}z{/Control}{Control>}{Shift>}z{/Shift}{/Control}{Control>}y{/Control}");
  expect(heard).toEqual(["record", "help", "line", "undo", "redo", "redo"]);
});

test("a letter with Ctrl or Alt is another key", async () => {
  const heard = renderBound();
  await userEvent.setup().keyboard("{Control>}r{/Control}{Alt>}r{/Alt}");
  expect(heard).toEqual([]);
});

test("what is typed into a field belongs to it; finding and Go come through", async () => {
  const heard = renderBound();
  const user = userEvent.setup();
  await user.click(screen.getByLabelText("field"));
  await user.keyboard("r?/{Control>}z{/Control}");
  expect(heard).toEqual([]);
  await user.keyboard("{Control>}f{/Control}{Control>}{Enter}{/Control}");
  expect(heard).toEqual(["find", "goAnywhere"]);
  screen.getByLabelText("slider").focus();
  await user.keyboard("r");
  expect(heard).toEqual(["find", "goAnywhere", "record"]);
});

test("a drawer keeps letters and Escape to itself, and lets undo through", async () => {
  const heard = renderBound();
  const user = userEvent.setup();
  screen.getByRole("button", { name: "in the drawer" }).focus();
  await user.keyboard("r{Escape}{Control>}z{/Control}");
  expect(heard).toEqual(["undo"]);
});

test("over an open dialog no key reaches what lies behind it", async () => {
  const heard = renderBound();
  const user = userEvent.setup();
  const close = countModal();
  await user.keyboard("r{Control>}f{/Control}{Control>}{Enter}{/Control}");
  expect(heard).toEqual([]);
  close();
  await user.keyboard("r");
  expect(heard).toEqual(["record"]);
});

test("a key of a grid holds while the grid itself has the focus, not what stands in it", async () => {
  let heard = 0;
  render(<Grid onKey={() => (heard += 1)} />);
  const user = userEvent.setup();
  screen.getByRole("button", { name: "inside" }).focus();
  await user.keyboard("t");
  expect(heard).toBe(0);
  screen.getByLabelText("grid").focus();
  await user.keyboard("t");
  expect(heard).toBe(1);
});

test("no two keys that hold in one view are pressed alike", () => {
  const entries: KeyEntry[] = Object.values(KEYS);
  for (const view of ["Stage", "Score", "Run"]) {
    const pressed = entries
      .filter(({ where }) => where === "everywhere" || where === view)
      .flatMap(({ keys = "" }) => keys.split(", ").filter((key) => key !== ""));
    expect(pressed.filter((key, index) => pressed.indexOf(key) !== index)).toEqual([]);
  }
});
