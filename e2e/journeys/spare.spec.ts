import { type Page, expect, test } from "@playwright/test";
import { runState } from "@zm/protocol";
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

/** The cue in which a server says that the main list stands. */
async function standing(page: Page, server: OwnServer): Promise<string | null | undefined> {
  const answer = await page.request.get(`${server.address}/api/shows/1/run`);
  return answer.ok() ? runState.parse(await answer.json()).mix.lists["main"]?.cue : undefined;
}

/** Presses Go until a server says that the cue stands; what is pressed while no server answers is refused in words, and pressed once more. */
async function pressGo(page: Page, server: OwnServer, cue: string): Promise<void> {
  await expect(async () => {
    if ((await standing(page, server)) !== cue) await page.getByRole("button", { name: "Go", exact: true }).click();
    await expect.poll(() => standing(page, server), { timeout: 3000 }).toBe(cue);
  }).toPass({ timeout: 40_000 });
  await expect(page.getByText(`Live, cue ${cue}`, { exact: true })).toBeVisible();
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
  await pressGo(page, leader, "0.5");
  await page.getByRole("combobox", { name: "Line entry" }).fill("#12: note");

  await leader.kill();
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue("#12: note");
  await pressGo(page, spare, "1");
  await page.getByRole("combobox", { name: "Line entry" }).fill("");
  await seeServers(page);
  await expect(servers(page)).toContainText(`${spare.address}leads; this window asks it`);
});

test("the lead is handed over by its button, and a window of either server goes on", async ({ browser }) => {
  spare = await leader.spare();
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${spare.address}/show/1/run`);
  await pressGo(page, leader, "0.5");
  await seeServers(page);
  await servers(page).getByRole("button", { name: "Hand the lead over" }).dblclick();
  await expect(page.getByText(`The server at ${spare.address} leads now`)).toBeVisible();
  await page.keyboard.press("Escape");
  await pressGo(page, spare, "1");
});
