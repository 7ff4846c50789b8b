import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { ownShow } from "../support/show.ts";

test("a show is rehearsed, made worse and rehearsed again: what came leads to cue and lights", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check`);
  await page.getByRole("link", { name: "Rehearsal" }).click();
  await expect(page.getByRole("heading", { name: "Not rehearsed yet" })).toBeVisible();
  await page.getByRole("button", { name: /^Rehearse / }).click();
  const main = page.getByRole("main");
  await expect(main.getByText(/^Found: .*15 sweeps/)).toBeVisible({ timeout: 30_000 });
  await expect(main.getByText(/^\d+:\d\d of show\./)).toBeVisible();

  await enterLine(page, "#12.3: up 9");
  await stored(page);
  await expect(main.getByText(/The show has been edited since/)).toBeVisible();
  await enterLine(page, "rehearse");
  const fresh = main.getByRole("button", { name: /^\d+ new$/ });
  await expect(fresh).toBeEnabled({ timeout: 30_000 });
  await expect(main.getByText(/ before: \d+ came, 0 went/)).toBeVisible();
  await expect(main.getByText(/The show has been edited since/)).toBeHidden();
  await fresh.click();
  const found = main.getByRole("group", { name: "What was seen" });
  await expect(found.getByRole("heading")).toHaveText([/^Cue 12\.3 Lightning/]);
  await found.getByRole("button", { name: "Go there" }).first().click();
  await expect(page).toHaveURL(/\/score$/);
  await expect(page.getByRole("heading", { name: "12.3", exact: false }).first()).toBeVisible();
  await expect(page.getByText(/lights? chosen/)).toBeVisible();
});

test("a rehearsal is held against a named state, given up, and lost by no change of view", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check/rehearsal`);
  await enterLine(page, 'name "before the cut"');
  await enterLine(page, "#12.3: up 9");
  await stored(page);
  await page.getByLabel("Called").selectOption("as spoken");
  await page.getByRole("button", { name: /^Rehearse / }).click();
  const main = page.getByRole("main");
  await expect(main.getByText(/^Found: /)).toBeVisible({ timeout: 30_000 });
  await page.getByLabel("Held against").selectOption("before the cut");
  await expect(main.getByText(/ before: \d+ came, 0 went/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("link", { name: "Planner" }).click();
  await expect(page).toHaveURL(/\/planner$/);
  await page.goBack();
  await expect(main.getByText(/ before: \d+ came, 0 went/)).toBeVisible();

  // The answer is held back until it is given up: what was found before stays, and a late answer changes nothing.
  await page.route("**/at/*", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue().catch(() => undefined);
  });
  await page.getByRole("button", { name: "Rehearse again" }).click();
  await expect(main.getByText("Running the whole list …")).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(main.getByText("Running the whole list …")).toBeHidden();
  await expect(main.getByText(/^Found: /)).toBeVisible();
});

test("what a rehearsal found is seen in the picture, in the Score and beside its cue", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check/rehearsal`);
  await page.getByRole("button", { name: /^Rehearse / }).click();
  const found = page.getByRole("group", { name: "What was seen" });
  await found
    .getByRole("button", { name: /^Light 65, .* is seen travelling/ })
    .first()
    .click({ timeout: 30_000 });
  const picture = page.getByRole("region", { name: "The stage at that moment" });
  await expect(picture.getByRole("img", { name: /^The stage 11:1\d into the show: Light 65/ })).toBeVisible({ timeout: 30_000 });
  await found.getByRole("button", { name: "In the planner" }).first().click();
  await expect(page).toHaveURL(/\/planner$/);
  await enterLine(page, "score");
  await enterLine(page, "#24.2");
  const seen = page.getByRole("list", { name: "Seen in the rehearsal" });
  await expect(seen).toContainText("Light 65");
  await seen.getByRole("button").first().click();
  // The cell of that light in that cue says why it is late, and leads to the planner.
  const prepared = page.getByRole("region", { name: "Prepared in the dark" });
  await expect(prepared).toContainText("Was prepared in 24 Unpacking.");
  await expect(prepared).toContainText(/needs11 s/);
  await expect(prepared).toContainText(/has9 s, by the script/);
  await expect(prepared).toContainText("just before, said of the list");
  await enterLine(page, "#24");
  await expect(prepared).toContainText("Moves here, in the dark, for 24.2 The first coil.");
  await expect(page.getByRole("list", { name: "Prepares" })).toContainText("65 for 24.2 (11 s)");
  await prepared.getByRole("link", { name: "In the planner" }).click();
  await expect(page.getByRole("region", { name: "Chosen mark" })).toContainText("comes up in 24.2");
});
