import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chooseNothing } from "../../src/choice/selection.ts";
import { CueInspector } from "../../src/inspector/CueInspector.tsx";
import { loadLazyParts } from "../../src/shared/lazyPart.ts";
import { renderOpened } from "../support/opened.tsx";

const list = listOf(sheetOf(saltAndParaffin()));

function renderCue(number: string) {
  return renderOpened(<CueInspector list={list} row={list.cues.findIndex((cue) => cue.number === number)} />);
}

beforeAll(loadLazyParts);
beforeEach(chooseNothing);

test("a cue's label, follow and times stand in fields, and its parts one below the other", () => {
  renderCue("27");
  expect(screen.getByRole("heading", { name: /^Cue 27/ })).toBeTruthy();
  expect(screen.getByLabelText<HTMLInputElement>("label").value).toBe("Second switch");
  expect(list.cues.find(({ number }) => number === "27")?.parts.length).toBe(3);
  expect(screen.getAllByText(/^Part \d/).length).toBe(3);
});

test("a label is one edit when it is taken, and none when it is left as it was", async () => {
  const user = userEvent.setup();
  const { asked } = renderCue("27");
  const label = screen.getByLabelText("label");
  await user.click(label);
  await user.keyboard("{Enter}");
  expect(asked).toEqual([]);
  await user.clear(label);
  await user.type(label, "Third switch{Enter}");
  expect(asked.map(({ path, body }) => [path, body])).toMatchObject([
    ["/api/shows/1/edits", { edits: [{ op: "setCue", from: "27", to: "27", label: "Third switch" }] }],
  ]);
});

test("a note of several lines and a scene are one edit each, and emptied they are taken away", async () => {
  const user = userEvent.setup();
  const { asked } = renderCue("9");
  const note = screen.getByLabelText<HTMLTextAreaElement>("note");
  expect(note.value).toBe("Only once the kettle is off the stove.");
  await user.clear(note);
  await user.type(note, "Wait{Shift>}{Enter}{/Shift}for the door{Enter}");
  const scene = screen.getByLabelText<HTMLInputElement>("scene");
  await user.clear(scene);
  await user.type(scene, "{Enter}");
  expect(asked.map(({ body }) => body)).toMatchObject([
    { edits: [{ op: "setCue", from: "9", to: "9", note: "Wait\nfor the door" }] },
    { edits: [{ op: "setCue", from: "9", to: "9", scene: null }] },
  ]);
});

test("a called cue offers the heading of the play under which it is called, and takes it with one press", async () => {
  const user = userEvent.setup();
  const { asked } = renderCue("6");
  await user.click(screen.getByRole("button", { name: /^as in the play: / }));
  const heading = screen.getByRole("button", { name: /^as in the play: / }).textContent?.replace("as in the play: ", "");
  expect(heading).toMatch(/scene/i);
  expect(asked.map(({ body }) => body)).toMatchObject([{ edits: [{ op: "setCue", from: "6", to: "6", scene: heading }] }]);
});
