import { type APIRequestContext, type Page, expect, test } from "@playwright/test";
import { enterLine } from "../support/build.ts";
import { OWN, ownShow } from "../support/show.ts";

/** Whoever is outside speaks to one show at a time: these journeys have it in turn. */
test.describe.configure({ mode: "serial" });

interface Run {
  name: string;
  speed: number;
  cues: number;
}

async function runsOf(request: APIRequestContext, show: number): Promise<Run[]> {
  return (await (await request.get(`/api/shows/${show}/runs`)).json()).runs;
}

async function press(request: APIRequestContext, show: number, data: object): Promise<void> {
  expect((await request.post(`/api/shows/${show}/run`, { headers: OWN, data })).ok()).toBe(true);
}

/** Switches OSC on for one show, as its page does. */
async function listenFor(page: Page, show: number): Promise<void> {
  await page.goto(`/show/${show}/rig/osc`);
  await page.getByLabel("they speak to").selectOption("this show");
  const listen = page.getByLabel("Listen to programs outside, by OSC");
  if (!(await listen.isChecked())) await listen.click();
  await expect(listen).toBeChecked();
  await expect(page.getByText("UDP: /zm/go")).toBeVisible();
}

test("with OSC on the caller reads the play, tells standbys and presses Go at the words", async ({ page, request }) => {
  const show = await ownShow(request);
  await request.put("/api/osc", { headers: OWN, data: { on: false, address: "127.0.0.1:8795", show: null } });
  await page.goto(`/show/${show}/book`);
  await enterLine(page, "#14");
  const caller = page.getByRole("region", { name: "Caller" });
  await caller.getByRole("button", { name: "from 14" }).click();
  await expect(page.getByText(/which is switched off/)).toBeVisible();
  await listenFor(page, show);
  await enterLine(page, "book");
  await enterLine(page, "#14");
  await caller.getByLabel("Speed of the caller").selectOption("20×");
  await caller.getByRole("button", { name: "from 14" }).click();
  await expect(caller.getByRole("list", { name: "The caller says" })).toContainText("Cue 14, go: on “first”", { timeout: 20_000 });
  await expect(page.locator('[aria-current="step"]')).toBeVisible();
  await expect(page.getByRole("banner").getByRole("status")).toContainText(/on stage cue (1[5-9]|2)/, { timeout: 20_000 });
  await caller.getByRole("button", { name: /Send the caller away/ }).click();
  await expect(caller.getByRole("button", { name: "Call the play" })).toBeVisible();
  // What it pressed is a run of its own, which does not count.
  await expect.poll(async () => await runsOf(request, show)).toContainEqual(expect.objectContaining({ speed: 20 }));
  await enterLine(page, "log");
  // What follows by itself when the caller has gone is a run behind it.
  const called = page.getByRole("button", { name: /^called, 20 times as fast/ });
  await expect(called).toContainText("not counted");
  await called.click();
  await expect(page.getByRole("group", { name: "Fired, in order" })).toContainText("OSC 127.0.0.1");
});

test("the line has the play called and sends the caller away; what cannot be pressed is said", async ({ page, request }) => {
  const show = await ownShow(request);
  await listenFor(page, show);
  await enterLine(page, "book");
  await enterLine(page, "call from #22 at 5", /^Live: Enter has the play called from cue 22, 5 times as fast/);
  const says = page.getByRole("list", { name: "The caller says" });
  await expect(says).toContainText("Cue 22, go", { timeout: 20_000 });
  // Somebody goes elsewhere: the next cue is not pressed, and that is said.
  await press(request, show, { press: "goto", cue: "40", time: 0 });
  await expect(says).toContainText(/Cue 23 is not pressed: the list is at cue 40(\.5)? and not at cue 22\.5/, { timeout: 20_000 });
  await enterLine(page, "call stop");
  await expect(page.getByRole("button", { name: "Call the play" })).toBeVisible();
  await enterLine(page, "osc off");
  await expect(page.getByText("Nobody outside is listened to")).toBeVisible();
});

test("runs are kept with what was fired, named and exported; planner and Book use their times", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/log`);
  await expect(page.getByText("Nothing has been fired yet")).toBeVisible();
  // Without one there is none to end, and the line comes back.
  const line = page.getByRole("combobox", { name: "Line entry" });
  await page.keyboard.press("/");
  await page.keyboard.type("end run\n");
  await expect(page.getByText("No run is under way; begin run begins one")).toBeVisible();
  await expect(line).toHaveValue("end run");
  await page.keyboard.press("Escape");
  await enterLine(page, "begin run");
  await expect(page.getByText("Nothing has been fired in this run yet.")).toBeVisible();
  // The flame of the lamp runs there as well, in a list of its own.
  await press(request, show, { press: "goto", cue: "13", time: 0 });
  await press(request, show, { press: "go" });
  await page.waitForTimeout(1200);
  await press(request, show, { press: "go" });
  const fired = page.getByRole("group", { name: "Fired, in order" });
  await expect(fired).toContainText("Then leave the lamp");
  await expect(fired).toContainText("go to");
  await page.getByRole("button", { name: "Name it" }).click();
  await page.getByLabel("name of the run").fill("second dress");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^second dress/ })).toContainText("4 cues");
  const csv = await request.get(`/api/shows/${show}/runs.csv`);
  expect((await csv.text()).split("\n").filter((line) => line.includes(",second dress,"))).toHaveLength(4);
  // From 14 to 15 the play says two and a half minutes; this run took a second.
  await enterLine(page, "book");
  await enterLine(page, "#15");
  await expect(page.getByRole("region", { name: "Call", exact: true })).toContainText(/since 141\.\d s, in runs/);
  await enterLine(page, "planner");
  await enterLine(page, "#14");
  await expect(page.getByText(/^1\.\d$/).first()).toBeVisible();
  await expect(page.getByText("in runs", { exact: true }).first()).toBeVisible();
  await enterLine(page, "log");
  await page.getByRole("button", { name: "Remove …" }).click();
  await page.getByRole("button", { name: "Press once more to remove it" }).click();
  await expect(page.getByText("Nothing has been fired yet")).toBeVisible();
});
