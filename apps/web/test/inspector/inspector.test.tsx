import { act, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import userEvent from "@testing-library/user-event";
import { listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chooseNothing } from "../../src/choice/selection.ts";
import { CueInspector } from "../../src/inspector/CueInspector.tsx";
import { loadLazyParts } from "../../src/shared/lazyPart.ts";
import { useNotices } from "../../src/shared/notices.ts";
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
  expect(note.value).toBe("Not before the second gust.");
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

test("what is typed into a field of a cue is taken for that cue when another one is shown in its place", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<Shown />);
  await user.click(screen.getByLabelText("note"));
  await user.keyboard("Careful");
  act(() => setShown("11"));
  await user.click(screen.getByLabelText("up time, part 1"));
  await user.keyboard("{Control>}a{/Control}7.5");
  act(() => setShown("13"));
  await user.click(screen.getByLabelText("up time, part 1"));
  await user.keyboard("soon");
  act(() => setShown("8"));
  await user.click(screen.getByLabelText("label"));
  await user.keyboard("{Escape}");
  act(() => setShown("13"));
  await waitFor(() => expect(asked).toHaveLength(2));
  expect(asked.map(({ body }) => body)).toMatchObject([
    { edits: [{ op: "setCue", from: "8", to: "8", note: "Careful" }] },
    { edits: [{ op: "setTimes", from: "11", to: "11", set: { up: 7.5 } }] },
  ]);
  expect(useNotices.getState().notices.some(({ text }) => /“.*soon” is not a time.*it was not taken/.test(text))).toBe(true);
});

let setShown: (cue: string) => void = () => undefined;
/** The inspector of one cue after another. */
function Shown() {
  const [cue, set] = useState("8");
  setShown = set;
  return <CueInspector key={cue} list={list} row={list.cues.findIndex(({ number }) => number === cue)} />;
}
