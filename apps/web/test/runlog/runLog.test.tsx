import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { LogEntry } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import type { LoggedRunReply, RunSummary, RunsReply } from "@zm/protocol";
import { LogView } from "../../src/runlog/LogView.tsx";
import { renderOpened } from "../support/opened.tsx";

const BEGAN = Date.UTC(2026, 2, 14, 19, 30);
const main = saltAndParaffin().lists[0]?.id ?? "";
const entry = (seconds: number, cue: string | null, fields: Partial<LogEntry> = {}): LogEntry => ({
  at: BEGAN + seconds * 1000,
  list: main,
  cue,
  how: "next",
  by: "window",
  who: "booth",
  ...fields,
});
const run = (id: number, fields: Partial<RunSummary> = {}): RunSummary => ({
  id,
  name: "",
  began: BEGAN,
  ended: BEGAN + 3_661_000,
  speed: 1,
  cues: 3,
  begun: "window",
  counts: true,
  open: false,
  ...fields,
});
const logged = ({ id, name, began, speed, begun, counts }: RunSummary, entries: LogEntry[]): LoggedRunReply => ({
  id,
  name,
  began,
  speed,
  begun,
  counts,
  entries,
});

const evening = run(2, { name: "second dress" });
const called = run(1, { speed: 20, cues: 1, begun: "caller", counts: false });
const runs: RunsReply = { runs: [evening, called], waiting: 0 };
const entries = [
  entry(0, "14", { how: "goto" }),
  entry(2, "1", { list: "flame", by: "action", who: "" }),
  entry(12.34, "15"),
  entry(13, null, { how: "hold" }),
  entry(20, "15.5", { by: "follow", who: "" }),
];
const answers = {
  "GET /api/shows/1/runs": runs,
  "GET /api/shows/1/runs/newest": { runs: [logged(evening, entries)] },
  "GET /api/shows/1/runs/2": logged(evening, entries),
  "GET /api/shows/1/runs/1": logged(called, [entry(0, "3", { by: "osc", who: "127.0.0.1" })]),
};

const fired = (): Promise<HTMLElement[]> => within(screen.getByRole("group", { name: "Fired, in order" })).findAllByRole("listitem");
/** A row of the log as its cells are read, empty ones left out. */
const cells = (row: HTMLElement | undefined): string[] =>
  [...(row?.firstElementChild?.children ?? [])].map(({ textContent }) => textContent.trim()).filter((text) => text !== "");

test("the newest run stands open: each cue with moment, time since the last, and who fired it", async () => {
  renderOpened(<LogView />, saltAndParaffin(), answers);
  await screen.findByRole("button", { name: /^second dress/ });
  const rows = await fired();
  // A go-to begins no time; what was fired in another list is no cue before.
  expect(cells(rows[0])).toEqual(["0:00", "14", "The crate", "go to", "booth"]);
  expect(cells(rows[1])?.at(-1)).toBe("an action");
  expect(cells(rows[2]).slice(0, 4)).toEqual(["0:12", "12.3 s", "157.4 s", "15"]);
  expect(cells(rows[3])).toEqual(["0:13", "held", "booth"]);
  expect(cells(rows[4])?.slice(0, 2)).toEqual(["0:20", "7.7 s"]);
  expect(cells(rows[4])?.at(-1)).toBe("follows");
});

test("a run called faster than it is spoken says that it does not count, and opens when chosen", async () => {
  const user = userEvent.setup();
  renderOpened(<LogView />, saltAndParaffin(), answers);
  const row = await screen.findByRole("button", { name: /20 times as fast: not counted/ });
  expect(row.textContent).toContain("1 cue in 61:01");
  expect(screen.queryByRole("button", { name: "Count it" })).toBeNull();
  await user.click(row);
  await waitFor(async () => expect(cells((await fired())[0])).toContain("OSC 127.0.0.1"));
});

test("a run is named once when the name is taken, and removed only with a second press", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LogView />, saltAndParaffin(), {
    ...answers,
    "PATCH /api/shows/1/runs/2": { ...runs, runs: [{ ...evening, name: "third dress" }, called] },
    "DELETE /api/shows/1/runs/2": { ...runs, runs: [called] },
  });
  const changes = (): unknown[] => asked.filter(({ method }) => method !== "GET").map(({ method, body }) => [method, body]);
  await user.click(await screen.findByRole("button", { name: "Name it" }));
  await user.clear(screen.getByLabelText("name of the run"));
  await user.type(screen.getByLabelText("name of the run"), "third dress{Enter}");
  await screen.findByRole("button", { name: /^third dress/ });
  expect(changes()).toEqual([["PATCH", { name: "third dress" }]]);
  await user.click(screen.getByRole("button", { name: "Remove …" }));
  expect(changes()).toHaveLength(1);
  await user.click(screen.getByRole("button", { name: "Press once more to remove it" }));
  await waitFor(() => expect(screen.queryByRole("button", { name: /^third dress/ })).toBeNull());
  expect(changes().at(-1)).toEqual(["DELETE", null]);
});

test("a run not begun on purpose does not count until somebody says so; one under way is ended", async () => {
  const user = userEvent.setup();
  const own = run(3, { begun: "itself", counts: false });
  const { asked } = renderOpened(<LogView />, saltAndParaffin(), {
    ...answers,
    "GET /api/shows/1/runs": { runs: [own, called], waiting: 0 },
    "GET /api/shows/1/runs/3": logged(own, entries),
    "PATCH /api/shows/1/runs/3": { runs: [{ ...own, counts: true, begun: "window", open: true }, called], waiting: 0 },
  });
  const changes = (): unknown[] => asked.filter(({ method }) => method !== "GET").map(({ body }) => body);
  await screen.findByRole("button", { name: /not begun on purpose: not counted/ });
  expect(screen.getByRole("button", { name: "Begin a run" })).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Count it" }));
  await screen.findByRole("button", { name: "Do not count it" });
  expect(screen.queryByText(/not begun on purpose/)).toBeNull();
  await user.click(screen.getByRole("button", { name: "End the run" }));
  await waitFor(() => expect(changes()).toEqual([{ counts: true }, { ends: true }]));
});

test("a name that is left as it was asks nothing of the server", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LogView />, saltAndParaffin(), answers);
  await user.click(await screen.findByRole("button", { name: "Name it" }));
  await user.keyboard("{Enter}");
  await screen.findByRole("button", { name: "Name it" });
  expect(asked.filter(({ method }) => method !== "GET")).toEqual([]);
});

test("a log without a run says what it will hold, and begins one", async () => {
  const user = userEvent.setup();
  const { asked } = renderOpened(<LogView />, saltAndParaffin(), {
    "GET /api/shows/1/runs": { runs: [], waiting: 0 },
    "POST /api/shows/1/runs": { runs: [run(3, { cues: 0 })], waiting: 0 },
    "GET /api/shows/1/runs/3": logged(run(3), []),
  });
  expect(await screen.findByText("Nothing has been fired yet")).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Begin a run" }));
  expect(await screen.findByText("Nothing has been fired in this run yet.")).toBeTruthy();
  expect(asked.filter(({ method }) => method === "POST")).toHaveLength(1);
});

test("what the server cannot answer is said in its words", async () => {
  renderOpened(<LogView />);
  expect((await screen.findByRole("alert")).textContent).toContain("Not here");
});
