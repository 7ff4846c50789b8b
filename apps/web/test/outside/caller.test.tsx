import { act, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { saltAndParaffin } from "@zm/demo";
import type { CallerEvent, CallerState } from "@zm/protocol";
import { chooseCue, chooseNothing } from "../../src/choice/selection.ts";
import { CallerPart } from "../../src/show/run/CallerPart.tsx";
import { useNotices } from "../../src/shared/notices.ts";
import { leaveCaller, receiveCallerEvent } from "../../src/show/caller.ts";
import { renderOpened } from "../support/opened.tsx";

const event = (what: CallerEvent["what"], words: string, moment = 0): CallerEvent => ({
  show: 1,
  what,
  moment,
  words,
  line: what === "reads" ? "I.3.8" : null,
  cue: null,
});
const state = (running: boolean, said: CallerEvent[] = []): CallerState => ({ running, speed: 5, said });
const answers = { "POST /api/shows/1/caller": state(true), "DELETE /api/shows/1/caller": state(false) };
const tell = (told: CallerEvent): void => act(() => receiveCallerEvent(told));
const lines = (): string[] => screen.getAllByRole("listitem").map(({ textContent }) => textContent);

beforeEach(() => {
  chooseNothing();
  leaveCaller();
  useNotices.setState({ notices: [] });
});

test("the play is called from the first or the chosen cue at a speed, and the caller sent away", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<CallerPart />, saltAndParaffin(), answers);
  const first = saltAndParaffin().lists[0]?.cues[0]?.number;
  await user.selectOptions(screen.getByLabelText("Speed of the caller"), "5×");
  await user.click(screen.getByRole("button", { name: "Call the play" }));
  const away = await screen.findByRole("button", { name: "Send the caller away (5×)" });
  expect(screen.queryByRole("button", { name: "Call the play" })).toBeNull();
  await user.click(away);
  await screen.findByRole("button", { name: "Call the play" });
  act(() => chooseCue("14"));
  await user.selectOptions(screen.getByLabelText("Speed of the caller"), "60×");
  await user.click(screen.getByRole("button", { name: "from 14" }));
  await screen.findByRole("button", { name: /^Send the caller away/ });
  expect(asked.map(({ method, body }) => [method, body])).toEqual([
    ["POST", { speed: 5, from: first }],
    ["DELETE", null],
    ["POST", { speed: 60, from: "14" }],
  ]);
});

test("what is said stands with its moment, newest first, and the play can be called again", () => {
  renderOpened(<CallerPart />, saltAndParaffin(), answers);
  expect(screen.getByText(/Live: it moves what is on stage/)).toBeTruthy();
  tell(event("begins", "Reads the play from cue 14", 312));
  tell(event("reads", "EDWIN: Careful with it, please.", 313));
  tell(event("standby", "Stand by cue 14", 313));
  tell(event("says", "Cue 14 is not pressed", 320));
  expect(lines()).toEqual(["5:20Cue 14 is not pressed", "5:13Stand by cue 14", "5:12Reads the play from cue 14"]);
  expect(screen.getByRole("button", { name: /^Send the caller away/ })).toBeTruthy();
  for (let cue = 15; cue < 22; cue += 1) tell(event("standby", `Stand by cue ${cue}`, 400));
  expect(lines()).toHaveLength(5);
  tell(event("ends", "0 cues called, 1 not pressed", 500));
  expect(lines()[0]).toBe("8:20" + "0 cues called, 1 not pressed");
  expect(screen.getByRole("button", { name: "Call the play" })).toBeTruthy();
});

test("a refusal is told in the server's words, and the play can be called again", async () => {
  const user = userEvent.setup();
  renderOpened(<CallerPart />);
  await user.click(screen.getByRole("button", { name: "Call the play" }));
  expect(useNotices.getState().notices.map(({ text, kind }) => [text, kind])).toEqual([["Not here", "trouble"]]);
  expect(screen.getByRole("button", { name: "Call the play" })).toBeTruthy();
});
