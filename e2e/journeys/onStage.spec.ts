import { renameSync, rmSync, writeFileSync } from "node:fs";
import { type APIRequestContext, expect, type Locator, type Page, test } from "@playwright/test";
import { enterLine } from "../support/build.ts";
import { openView, ownShow } from "../support/show.ts";

const onStage = async (request: APIRequestContext): Promise<number | null> => (await (await request.get("/api/stage")).json()).show;

async function standsIn(page: Page, cue: string): Promise<void> {
  await page.getByLabel("Go to cue").fill(cue);
  await page.getByRole("button", { name: "At once" }).click();
  await expect(page.getByTestId("on-stage")).toHaveText(cue);
}

test("a show is put on stage by a press that says first what goes dark, on a slow line too", async ({ page, context, request }) => {
  const [first, second] = [await ownShow(request), await ownShow(request)];
  await openView(page, first, "run");
  await standsIn(page, "3");
  await expect(page.getByText("This show is on stage")).toBeVisible();
  const other = await context.newPage();
  await openView(other, second, "run");
  await expect(other.getByText("On stage is Salt and Paraffin")).toBeVisible();
  // Looking at a show moves nothing on stage.
  expect(await onStage(request)).toBe(first);

  const question = other.getByRole("dialog", { name: "The stage" });
  await other.getByRole("button", { name: "Put this show on stage" }).click();
  await expect(question).toContainText(/\d+ lights of Salt and Paraffin are lit, and go dark unless this show lights them too/);
  await question.getByRole("button", { name: "Leave it" }).click();
  expect(await onStage(request)).toBe(first);

  let asked = 0;
  await other.route("**/api/stage", async (route) => {
    if (route.request().method() !== "GET") {
      asked += 1;
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
    await route.continue();
  });
  await other.getByRole("button", { name: "Put this show on stage" }).click();
  const put = question.getByRole("button", { name: "Put it on stage" });
  await put.dblclick();
  await expect(question).toBeHidden();
  expect(asked).toBe(1);
  await expect(other.getByText("This show is on stage")).toBeVisible();
  await expect(page.getByText("On stage is Salt and Paraffin")).toBeVisible();
  expect(await onStage(request)).toBe(second);

  await enterLine(page, "put on stage");
  await expect(page.getByText("This show is on stage")).toBeVisible();
  await expect.poll(() => onStage(request)).toBe(first);
  // A refused press takes nothing; one that was done does.
  await request.post(`/api/shows/${second}/run`, { data: { press: "goto", cue: "nowhere" } });
  expect(await onStage(request)).toBe(first);
  await standsIn(other, "2");
  await expect.poll(() => onStage(request)).toBe(second);
});

test("a disk that fails is told in every window for as long as it does, and the show goes on", async ({ page, context, request }) => {
  const data = process.env["ZM_DATA"];
  if (!data) throw new Error("ZM_DATA names the folder of the server's data");
  const [runs, aside] = [`${data}/runs/zealous_mark`, `${data}/runs/aside`];
  const show = await ownShow(request);
  await openView(page, show, "run");
  const other = await context.newPage();
  await openView(other, show, "score");
  const trouble = (window: Page): Locator => window.getByRole("alert", { name: "Trouble" });
  renameSync(runs, aside);
  writeFileSync(runs, "");
  try {
    await standsIn(page, "3");
    for (const window of [page, other]) await expect(trouble(window)).toContainText(`Where show ${show} stands cannot be written down`);
    const told = trouble(other)
      .getByRole("listitem")
      .filter({ hasText: `Where show ${show} stands` });
    await told.getByRole("button", { name: "Put away" }).click();
    await expect(told).toBeHidden();
    await page.getByRole("button", { name: "Go", exact: true }).click();
    await expect(page.getByTestId("on-stage")).toHaveText("4");
  } finally {
    rmSync(runs);
    renameSync(aside, runs);
  }
  await page.getByRole("button", { name: "Back" }).click();
  await expect(page.getByTestId("on-stage")).toHaveText("3");
  await expect(trouble(page)).toBeHidden();
});
