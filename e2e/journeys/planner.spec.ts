import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { cueOf, documentOf, ownShow } from "../support/show.ts";

test("a mark that has no time is found in the planner, moved along its window, and put back", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/planner`);
  await expect(page.getByText("4 late")).toBeVisible();
  await enterLine(page, "#32");
  const late = page.getByRole("button", { name: /too little/ }).first();
  await late.scrollIntoViewIfNeeded();
  await late.click();
  const panel = page.getByRole("region", { name: "Chosen mark" });
  await expect(panel.getByText(/It would still move for/)).toBeVisible();
  const name = (await late.getAttribute("aria-label")) ?? "";
  const [, light = "", cue = ""] = /Light (\d+) for cue ([\d.]+)/.exec(name) ?? [];
  const own = page.getByRole("button", { name: new RegExp(`^Light ${light} for cue ${cue.replace(".", "\\.")}:`) });
  // One cue earlier, with the keyboard; one step back puts it where it was.
  await own.press("ArrowUp");
  await stored(page);
  const before = (await cueOf(request, show, cue)).mark;
  expect(JSON.stringify(before)).toContain(`"${light}":{"at"`);
  await page.keyboard.press("Control+z");
  await stored(page);
  expect(JSON.stringify((await cueOf(request, show, cue)).mark ?? {})).not.toContain(`"${light}":{"at"`);
  // A place is shown with its impact before it is taken.
  await panel.getByRole("group", { name: "Places" }).getByRole("button", { name: /^in / }).first().click();
  await expect(page.getByRole("region", { name: "Impact" })).toBeVisible();
  await page.getByRole("button", { name: "Drop", exact: true }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toBeHidden();
});

test("the late marks are led to, and one light is slowed by itself in planner, Score and line; the list has a time", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await page.goto(`/show/${show}/planner`);
  await page.getByRole("button", { name: "4 late" }).click();
  const panel = page.getByRole("region", { name: "Chosen mark" });
  await expect(panel.getByText(/It would still move for/)).toBeVisible();
  const first = await panel.textContent();
  await page.getByRole("button", { name: "4 late" }).click();
  await expect.poll(() => panel.textContent()).not.toBe(first);
  await enterLine(page, "#4: 75 prepared takes 2 waits 1", /^Cue 4: mark set/);
  expect((await cueOf(request, show, "4")).mark).toEqual({ channels: { "75": { fade: 2, delay: 1 } } });
  await page.getByRole("link", { name: "Score", exact: true }).click();
  await enterLine(page, "75");
  await enterLine(page, "#4");
  const story = page.getByRole("region", { name: "Prepared in the dark" });
  const takes = story.getByLabel("75 takes, seconds");
  await expect(takes).toHaveValue("2");
  await takes.fill("3");
  await takes.press("Enter");
  await story.getByLabel("75 waits, seconds").fill("");
  await story.getByLabel("75 waits, seconds").press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "4")).mark).toEqual({ channels: { "75": { fade: 3 } } });
  await enterLine(page, "list prepared dark takes 3", /^List Main set/);
  await page.getByRole("link", { name: "Planner", exact: true }).click();
  const list = page.getByLabel("marks of the list take, seconds");
  await expect(list).toHaveValue("3");
  await list.fill("1.5");
  await list.press("Enter");
  await stored(page);
  for (let step = 0; step < 5; step += 1) await page.keyboard.press("Control+z");
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("a plan is made as one edit after its impact was shown, and taken back with one step", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/planner`);
  const plan = page.getByRole("region", { name: "Plan" });
  await plan.getByRole("button", { name: "Ask for a plan" }).click();
  await expect(plan.getByRole("status")).toContainText(/^Moves \d+ marks: \d+ gain time/);
  await plan.getByRole("button", { name: "Make the plan …" }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toContainText("No cue looks different");
  const revision = async (): Promise<number> => (await (await request.get(`/api/shows/${show}`)).json()).revision;
  const was = await revision();
  // Light 65 moves earlier: in cue 23 it waits already, where it was not prepared before.
  await page.getByRole("button", { name: "Pictures" }).click();
  await enterLine(page, "#23");
  await expect(page.getByRole("region", { name: "Stage pictures" })).toContainText(/difference: \d+ lights?/);
  await page.getByRole("button", { name: "Put the pictures away" }).click();
  await plan.getByRole("button", { name: "Make the plan …" }).click();
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect(await revision()).toBe(was + 1);
  await expect(page.getByText("4 late")).toBeHidden();
  await page.keyboard.press("Control+z");
  await stored(page);
  await expect(page.getByText("4 late")).toBeVisible();
  // Other weights, another plan: nothing is said of quiet lines where they weigh nothing.
  await page.getByText("Weights").click();
  await plan.getByLabel("a second in a quiet line").fill("0");
  await plan.getByLabel("a second in a quiet line").press("Enter");
  await expect(plan.getByRole("status")).not.toContainText("quiet");
  await page.getByRole("group", { name: "When lights are prepared" }).getByRole("button", { name: "as soon as it is dark" }).click();
  await stored(page);
  await expect(
    page.getByRole("group", { name: "When lights are prepared" }).getByRole("button", { name: "as soon as it is dark" }),
  ).toHaveAttribute("aria-pressed", "true");
});

test("in haste: arrows on a mark add up, what was refused is still considered, Ctrl Z drops it", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/planner`);
  await expect(page.getByText("4 late")).toBeVisible();
  await enterLine(page, "#33");
  const lozenge = page.getByRole("button", { name: /^Light \d+ for cue 33:.*too little/ }).first();
  await lozenge.scrollIntoViewIfNeeded();
  await lozenge.click();
  const [, light = ""] = /Light (\d+) for/.exec((await lozenge.getAttribute("aria-label")) ?? "") ?? [];
  const own = page.getByRole("button", { name: new RegExp(`^Light ${light} for cue 33:`) });
  const { lists } = await documentOf(request, show);
  const cues = lists[0]?.cues.map(({ number }) => number) ?? [];
  await page.route("**/edits", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1000));
    await route.continue();
  });
  await own.press("ArrowUp");
  await page.keyboard.press("ArrowUp");
  await stored(page);
  expect((await cueOf(request, show, "33")).mark).toMatchObject({ channels: { [light]: { at: cues[cues.indexOf("33") - 3] } } });
  await page.unroute("**/edits");

  const panel = page.getByRole("region", { name: "Chosen mark" });
  await panel.getByRole("group", { name: "Places" }).getByRole("button", { name: "it moves in view" }).click();
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText(`${light} moves in view instead of being prepared in`);
  await page.route("**/edits", (route) => route.fulfill({ status: 409, json: { message: "Cue 33 has just been changed" } }), { times: 1 });
  const refused = page.waitForResponse((response) => response.status() === 409);
  await page.getByRole("button", { name: "Make it" }).click();
  await refused;
  await stored(page);
  await expect(impact).toBeVisible();
  const before = await cueOf(request, show, "33");
  await page.keyboard.press("Control+z");
  await expect(impact).toBeHidden();
  await stored(page);
  expect(await cueOf(request, show, "33")).toEqual(before);
});
