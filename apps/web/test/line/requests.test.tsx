import { WINDOW } from "../../src/show/gesture.ts";
import { useHistoryStore } from "../../src/show/historyStore.ts";
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { EMPTY_HAND, Mix, changeHand, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { setLine } from "../../src/choice/lineText.ts";
import { useSelection } from "../../src/choice/selection.ts";
import { useSheetView } from "../../src/choice/sheetView.ts";
import { LineEntry } from "../../src/line/LineEntry.tsx";
import { useDialogs } from "../../src/shared/dialogs.ts";
import { useHand } from "../../src/show/handStore.ts";
import { useLive } from "../../src/show/liveStore.ts";
import { freshChoice } from "../support/freshChoice.ts";
import { type Asked, renderOpened } from "../support/opened.tsx";

const sheet = sheetOf(saltAndParaffin());

/** What is in hand, and which cue is on stage. */
function stand(moves: Record<string, Record<string, number>>, onStage: string | null): void {
  const hand = changeHand(EMPTY_HAND, { do: "give", moves }, sheet, 0);
  useHand.setState({ show: 1, hand, version: 1, damaged: false });
  const mix = new Mix(sheet);
  if (onStage !== null) {
    mix.goto("main", onStage, 0);
    mix.advance(60);
  }
  useLive.setState({ run: { show: 1, version: 1, origin: 0, base: mix, mix } });
}

beforeEach(() => {
  freshChoice();
  setLine("");
  stand({ 1: { intensity: 33 }, 2: { intensity: 44 } }, "6");
});

/** Enters a line as a user would, and gives what was asked of the server. */
async function entered(line: string, blind = true): Promise<Asked[]> {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LineEntry blind={blind} />);
  await user.click(screen.getByLabelText("Line entry"));
  await user.paste(line);
  await user.keyboard("{Enter}");
  await waitFor(() => expect(screen.getByTestId("line").dataset["waiting"]).toBe("0"));
  return asked.filter(({ method }) => method !== "GET");
}

describe("lines that ask the server", () => {
  test("a record takes the values in hand, and the run goes on in a cue that is the next", async () => {
    const [asked, ...more] = await entered('record #6.3 "Lamp glass"');
    expect(more).toEqual([]);
    expect(asked).toMatchObject({
      path: "/api/shows/1/run/edits",
      body: {
        edits: [{ op: "record", cue: "6.3", label: "Lamp glass", moves: { 1: { intensity: 33 }, 2: { intensity: 44 } } }],
        recorded: ["1.intensity", "2.intensity"],
        onStage: "6",
        stands: "6.3",
      },
    });
    expect(useSelection.getState().cue).toBe("6.3");
  });

  test("a record that is not next to the cue on stage leaves the run where it stands", async () => {
    const [asked] = await entered("record #20.5");
    expect(asked?.body).toMatchObject({ edits: [{ op: "record", cue: "20.5" }], onStage: "6" });
    expect(asked?.body).not.toHaveProperty("stands");
  });

  test("an update goes to the cue on stage, of the lights that are named alone", async () => {
    const [asked] = await entered("update here of 1");
    expect(asked).toMatchObject({ path: "/api/shows/1/run/edits", body: { recorded: ["1.intensity"], onStage: "6" } });
    expect(JSON.stringify(asked?.body)).not.toContain('"2":');
  });

  test("with nothing on stage an update asks for nothing, and the line comes back", async () => {
    stand({ 1: { intensity: 33 } }, null);
    expect(await entered("update here")).toEqual([]);
    expect(screen.getByLabelText<HTMLInputElement>("Line entry").value).toBe("update here");
  });

  test("undo asks for the one step that it names, and for nothing where there is none", async () => {
    expect(await entered("undo")).toEqual([]);
    useHistoryStore.setState({ undo: { id: "e7", of: "edit", words: "Cue 6 recorded", window: WINDOW, person: null } });
    cleanup();
    expect(await entered("undo")).toMatchObject([{ method: "POST", path: "/api/shows/1/undo", body: { step: "e7" } }]);
  });

  test("values without a cue go to the Hand where the view is live", async () => {
    const [asked] = await entered("5 = 60", false);
    expect(asked).toMatchObject({ path: "/api/shows/1/hand", body: { changes: [{ do: "give", moves: { 5: { intensity: 60 } } }] } });
  });
});

describe("lines that ask nothing of the server", () => {
  test("a cue, lights, and what the Score shows are chosen at once", async () => {
    expect(await entered("#12..14")).toEqual([]);
    expect(useSelection.getState()).toMatchObject({ cue: "12", cueEnd: "14" });
  });

  test("lights are chosen in the order in which they are named", async () => {
    expect(await entered("5, 1..3")).toEqual([]);
    expect(useSelection.getState().channels).toEqual([5, 1, 2, 3]);
  });

  test("what is found, and the numbers of cues, open their dialogs with what was typed", async () => {
    expect(await entered('find "storm"')).toEqual([]);
    expect(useDialogs.getState()).toMatchObject({ search: "storm" });
  });

  test("what the Score shows is shown", async () => {
    expect(await entered("show tracked")).toEqual([]);
    expect(useSheetView.getState().tracked).toBe(true);
  });
});
