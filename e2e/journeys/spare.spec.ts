import { type Page, expect, test } from "@playwright/test";
import { findingsInBoth } from "../support/axe.ts";
import { enterLine } from "../support/build.ts";
import { type OwnServer, ownServer } from "../support/ownServer.ts";

let leader: OwnServer;
let spare: OwnServer;
test.beforeEach(async () => {
  leader = await ownServer();
});
test.afterEach(async () => {
  await spare.end();
  await leader.end();
});

const servers = (page: Page) => page.getByRole("region", { name: "Servers" });

/** Opens the place where the servers are seen. */
async function seeServers(page: Page): Promise<void> {
  await enterLine(page, "servers");
  await expect(servers(page)).toBeVisible();
}

async function pressGo(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Go", exact: true }).click();
}

test("a server that is alone says so; a spare is seen, handed the lead, and taken over by itself, and the page stays as it is", async ({
  browser,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${leader.address}/show/1/run`);
  await seeServers(page);
  await expect(servers(page)).toContainText("This server is alone");
  await page.keyboard.press("Escape");

  spare = await leader.spare();
  await enterLine(page, "hand over");
  await expect(page.getByText(/No spare is ready to take over/)).toBeVisible();
  await seeServers(page);
  await expect(servers(page)).toContainText("stands ready to take over");
  expect(await findingsInBoth(page)).toEqual([]);
  await page.keyboard.press("Escape");
  await pressGo(page);
  await expect(page.getByText("Live, cue 0.5")).toBeVisible();
  await page.getByRole("combobox", { name: "Line entry" }).fill("#12: note");

  await leader.kill();
  await expect(page.getByText("Live, cue 0.5")).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue("#12: note");
  await pressGo(page);
  await expect(page.getByText("Live, cue 1", { exact: true })).toBeVisible();
  await page.getByRole("combobox", { name: "Line entry" }).fill("");
  await seeServers(page);
  await expect(servers(page)).toContainText(`${spare.address}leads; this window asks it`);
});

test("the lead is handed over by its button, and a window of either server goes on", async ({ browser }) => {
  spare = await leader.spare();
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${spare.address}/show/1/run`);
  await pressGo(page);
  await expect(page.getByText("Live, cue 0.5")).toBeVisible();
  await seeServers(page);
  await servers(page).getByRole("button", { name: "Hand the lead over" }).dblclick();
  await expect(page.getByText(`The server at ${spare.address} leads now`)).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByText("Live, cue 0.5")).toBeVisible({ timeout: 15_000 });
  await pressGo(page);
  await expect(page.getByText("Live, cue 1", { exact: true })).toBeVisible();
});
