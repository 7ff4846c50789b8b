import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { EMPTY_HAND, changeHand, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { chooseNothing } from "../../src/choice/selection.ts";
import { RecordDrawer } from "../../src/hand/RecordDrawer.tsx";
import { useHand } from "../../src/show/handStore.ts";
import { renderOpened } from "../support/opened.tsx";

function hold(moves: Record<string, Record<string, number>>): void {
  const hand = changeHand(EMPTY_HAND, { do: "give", moves }, sheetOf(saltAndParaffin()), 0);
  useHand.setState({ show: 1, hand, version: 1, damaged: false });
}

beforeEach(() => {
  chooseNothing();
  hold({ 1: { intensity: 66 }, 2: { intensity: 44 } });
});

test("the sentence says what is taken and where it goes, and follows every choice", async () => {
  const user = userEvent.setup();
  renderOpened(<RecordDrawer />);
  const sentence = (): string => screen.getByTestId("record-sentence").textContent ?? "";
  const cue = screen.getByLabelText("Cue number");
  await user.clear(cue);
  await user.type(cue, "8.7");
  expect(sentence()).toMatch(/^Inserts cue 8\.7 between .*2 values of 2 lights/);
  await user.click(screen.getByRole("button", { name: "This cue only" }));
  expect(sentence()).not.toMatch(/cues? .* changes? on/);
  await user.clear(cue);
  await user.type(cue, "8");
  expect(sentence()).toMatch(/^Changes cue 8/);
  await user.clear(cue);
  await user.type(cue, "8.0001");
  expect(sentence()).toMatch(/8\.0001 is not a cue number/);
});

test("Record asks for exactly the edit that the sentence told of", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<RecordDrawer />);
  const cue = screen.getByLabelText("Cue number");
  await user.clear(cue);
  await user.type(cue, "8.7");
  await user.click(screen.getByRole("button", { name: /^Record \d/ }));
  expect(asked.filter(({ path }) => path.endsWith("edits")).map(({ body }) => body)).toMatchObject([
    { edits: [{ op: "record", cue: "8.7", mode: "merge", scope: "track", moves: { 1: { intensity: 66 }, 2: { intensity: 44 } } }] },
  ]);
});
