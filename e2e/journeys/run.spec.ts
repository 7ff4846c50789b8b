import { type Page, expect, test } from "@playwright/test";
import { OWN, cueOf, edit, openView, ownShow, liveLine } from "../support/show.ts";

/** How bright the stage picture is, 0 to 255, over all its points. */
async function brightness(page: Page): Promise<number> {
  return page
    .locator("canvas")
    .first()
    .evaluate((canvas) => {
      if (!(canvas instanceof HTMLCanvasElement)) return 0;
      const context = canvas.getContext("2d");
      const { data } = context?.getImageData(0, 0, canvas.width, canvas.height) ?? { data: [] };
      let sum = 0;
      for (let index = 0; index < data.length; index += 4) sum += (data[index] ?? 0) + (data[index + 1] ?? 0) + (data[index + 2] ?? 0);
      return sum / (data.length / 4) / 3;
    });
}

test("Go, back, hold and go to run the list, and the stage shows it", async ({ page, request }) => {
  const show = await ownShow(request);
  // The blackout is to stand long enough to be looked at.
  await edit(request, show, { op: "setCue", from: "30.5", to: "30.5", trigger: { type: "follow", from: "go", after: 12 } });
  await openView(page, show, "run");
  await expect(page.getByText("Nothing has been fired")).toBeVisible();
  const dark = await brightness(page);
  await page.getByRole("button", { name: "Go", exact: true }).click();
  await expect(page.getByTestId("on-stage")).toHaveText("0.5");
  await expect(page.getByTestId("next-cue")).toHaveText("1");
  await page.getByLabel("Go to cue").fill("27");
  await page.getByRole("button", { name: "At once" }).click();
  await expect(page.getByTestId("on-stage")).toHaveText("27");
  await expect.poll(() => brightness(page)).toBeGreaterThan(dark + 10);
  await page.keyboard.press("Control+Backspace");
  await expect(page.getByTestId("on-stage")).toHaveText("26");
  await page.getByRole("button", { name: "Hold" }).click();
  await expect(page.getByText("on stage, held")).toBeVisible();
  await page.getByRole("button", { name: "Go on" }).click();
  await expect(page.getByTestId("on-stage")).toHaveText("26");
  // Behind the press that let it go on, at once it would be a bounce.
  await page.waitForTimeout(200);
  await page.keyboard.press("Control+Enter");
  await expect(page.getByTestId("on-stage")).toHaveText("27");
  await page.getByLabel("Go to cue").fill("30");
  await page.getByRole("button", { name: "Go to" }).click();
  await expect.poll(() => brightness(page)).toBeLessThan(dark + 2);
  await expect(page.getByText("fires by itself in")).toBeVisible();
  await expect(page.getByTestId("on-stage")).toHaveText("30.5", { timeout: 20_000 });
});

test("two windows show the same run, and an edit made in one appears in the other", async ({ page, context, request }) => {
  const show = await ownShow(request);
  const other = await context.newPage();
  await openView(page, show, "run");
  await openView(other, show, "score");
  await page.getByRole("button", { name: "Go", exact: true }).click();
  await expect(other.getByRole("banner").getByRole("status")).toHaveText("Blind, on stage cue 0.5");
  await other.getByText("House to half").dblclick();
  await other.getByLabel("Label of cue 1").fill("Half");
  await other.keyboard.press("Enter");
  await expect(page.getByRole("row", { name: /^1 Half/ })).toBeVisible();
  await expect.poll(async () => (await cueOf(request, show, "1")).label).toBe("Half");
  await page.getByRole("button", { name: "Go", exact: true }).click();
  await expect(other.getByRole("banner").getByRole("status")).toHaveText("Blind, on stage cue 1");
});

test("a window whose line was cut catches up with edits and firings without opening anew", async ({ page, request }) => {
  const show = await ownShow(request);
  const live = await liveLine(page);
  // What a window asks for when its line comes is answered before the line is cut.
  const caughtUp = page.waitForResponse(/\/edits\?/);
  await openView(page, show);
  await caughtUp;
  await page.evaluate(() => document.body.setAttribute("data-opened", "once"));
  await live.cut();
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("No line to the server");
  await edit(request, show, { op: "setCue", from: "8", to: "8", label: "Pot boils" });
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "8", time: 0 } });
  await expect(page.getByRole("row", { name: /^8 Pot boils/ })).toHaveCount(0);
  live.mend();
  await expect(page.getByRole("row", { name: /^(on stage)? ?8 Pot boils/ })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("Blind, on stage cue 8");
  await expect(page.locator("body[data-opened=once]")).toHaveCount(1);
});

test("no single letter fires a cue while a sheet is edited", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("grid", { name: "Score" }).focus();
  for (const key of ["g", "G", " ", "b", "h", "Enter", "Control+Enter"]) await page.keyboard.press(key);
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("Blind, on stage nothing");
});

test("the Stage shows the chosen cue blind, apart from what runs", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await page.getByText("Blackout", { exact: true }).click();
  await page.getByRole("button", { name: "Chosen cue" }).click();
  await expect(page.getByText("Cue 21 Blackout, blind")).toBeVisible();
  await expect.poll(() => brightness(page)).toBeLessThan(6);
  const dark = await brightness(page);
  await page.getByText("Morning, low tide").click();
  await expect.poll(() => brightness(page)).toBeGreaterThan(dark + 8);
  await page.getByRole("button", { name: "On stage" }).click();
  await expect(page.getByText("On stage: nothing")).toBeVisible();
});

test("a press that nobody answers is named, and what is on stage is told when the server is back", async ({ page, request }) => {
  const show = await ownShow(request);
  const live = await liveLine(page);
  await openView(page, show, "run");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "8", time: 0 } });
  await expect(page.getByTestId("on-stage")).toHaveText("8");
  await page.route(/\/api\/shows\/\d+\/run$/, (route) => route.abort(), { times: 1 });
  await page.getByRole("button", { name: "Go", exact: true }).click();
  const told = page.getByRole("alert").filter({ hasText: "Go 9" });
  await expect(told).toContainText("The server does not answer");
  await live.cut();
  live.mend();
  await expect(page.getByRole("status").filter({ hasText: "The server is back; cue 8 is on stage" })).toBeVisible({ timeout: 30_000 });
  await expect(told).toBeHidden();
});
