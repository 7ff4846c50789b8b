import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { cueOf, openView, ownShow } from "../support/show.ts";

test("the database is killed under a run: Go goes on, edits say why not, and all comes back", async ({ page, context, request }) => {
  const file = process.env["ZM_DB_PID_FILE"];
  if (!file) throw new Error("ZM_DB_PID_FILE names the file with the number of the database's process");
  const show = await ownShow(request);
  await openView(page, show);
  const run = await context.newPage();
  await openView(run, show, "run");
  await enterLine(page, 'label #6 "Before"');
  const killed = Date.now();
  process.kill(Number(readFileSync(file, "utf8")), "SIGKILL");

  const line = page.getByRole("combobox", { name: "Line entry" });
  await line.fill('label #6 "While away"');
  await line.press("Enter");
  // It may be back before the line is sent; then the edit is simply made.
  await run.getByRole("button", { name: "Go", exact: true }).click();
  await expect(run.getByTestId("on-stage")).toHaveText("0.5");
  await stored(page);
  const refused = (await line.inputValue()) !== "";
  if (refused) {
    await expect(page.getByRole("alert")).toContainText("database");
    await expect(line).toHaveValue('label #6 "While away"');
  }
  await expect(page.getByRole("banner").getByRole("status")).not.toContainText("Database away", { timeout: 15_000 });
  await expect(async () => {
    await line.fill('label #6 "Back"');
    await line.press("Enter");
    await stored(page);
    expect((await cueOf(request, show, "6")).label).toBe("Back");
  }).toPass({ timeout: 15_000 });
  expect(Date.now() - killed).toBeLessThan(30_000);
  await run.getByRole("button", { name: "Go", exact: true }).click();
  await expect(run.getByTestId("on-stage")).toHaveText("1");
});
