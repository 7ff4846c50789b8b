import { type APIRequestContext, expect, type Page, test } from "@playwright/test";
import { openView, ownShow } from "../support/show.ts";

interface Seen {
  show: number | null;
  told: Record<string, number>;
  seen: Record<string, number>;
  universes: Record<string, number[]>;
}

/** What the simulated lights tell of themselves. */
async function lights(request: APIRequestContext): Promise<Seen> {
  return (await request.get(`http://127.0.0.1:${process.env["ZM_RIG_WEB_PORT"]}/`)).json();
}

/** Off and on again before the first answer is there: it shows at once, and ends as it was. */
async function switchedTwiceOnASlowLine(page: Page, request: APIRequestContext): Promise<void> {
  let answered = 0;
  await page.route("**/api/output", async (route) => {
    if (route.request().method() === "GET") return route.continue();
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
    answered += 1;
  });
  const sending = page.getByLabel("Send levels to the lights");
  await sending.click();
  await expect(sending).not.toBeChecked({ timeout: 600 });
  await sending.click();
  await expect(sending).toBeChecked({ timeout: 600 });
  await expect.poll(() => answered).toBe(2);
  await expect(sending).toBeChecked();
  await expect.poll(async () => (await (await request.get("/api/output")).json()).on).toBe(true);
  await page.unroute("**/api/output");
}

test("a cue fired in the window reaches the lights, and the picture shows how far they are", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "run");
  await page.getByLabel("Go to cue").fill("3");
  await page.getByRole("button", { name: "At once" }).click();
  await expect.poll(async () => (await lights(request)).show, { timeout: 15_000 }).toBe(show);
  await expect.poll(async () => (await lights(request)).seen["61.intensity"]).toBeCloseTo(35, 0);
  await expect
    .poll(async () => Math.abs(((await lights(request)).seen["61.pan"] ?? 0) - ((await lights(request)).told["61.pan"] ?? 99)))
    .toBeLessThan(0.1);

  await page.getByRole("link", { name: "Rig" }).click();
  await page.getByRole("link", { name: "Output" }).click();
  await page.getByRole("button", { name: "Universe 2" }).click();
  const sent = (await lights(request)).universes["2"]?.[0] ?? -1;
  await expect(page.getByRole("table", { name: "Levels of universe 2" }).getByRole("cell").first()).toHaveText(String(sent));
  await page.getByLabel("To", { exact: true }).fill("nowhere");
  await expect(page.getByLabel("To", { exact: true })).toHaveAttribute("aria-invalid", "true");
  await page.keyboard.press("Escape");
  await switchedTwiceOnASlowLine(page, request);

  await page.getByRole("link", { name: "Stage" }).click();
  await page.getByRole("button", { name: "As it is" }).click();
  await expect(page.getByRole("button", { name: "As it is" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Both" }).click();
  await expect(page.getByRole("button", { name: "Both" })).toHaveAttribute("aria-pressed", "true");
});
