import { type Page, expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { documentOf, openView, ownShow } from "../support/show.ts";
import { running } from "../support/running.ts";

const chosen = (page: Page) => page.getByTestId("chosen-lights");

test("a choice is halved, walked light by light, and had whole again, by pointer, key and line", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "1..8");
  await page.keyboard.press("Escape");
  await expect(chosen(page)).toHaveText("8 lights: 1–8");
  await page.getByRole("button", { name: "Every second of the chosen lights" }).click();
  await expect(chosen(page)).toHaveText("4 lights: 1, 3, 5, 7");
  await page.getByRole("button", { name: "The others" }).click();
  await expect(chosen(page)).toHaveText("4 lights: 2, 4, 6, 8");
  await page.keyboard.press("x");
  await expect(chosen(page)).toHaveText("light 2");
  await page.keyboard.press("x");
  await page.keyboard.press("Shift+X");
  await page.keyboard.press("Shift+X");
  await expect(chosen(page)).toHaveText("light 8");
  await page.keyboard.press("y");
  await expect(chosen(page)).toHaveText("4 lights: 2, 4, 6, 8");
  await enterLine(page, "walk");
  await expect(chosen(page)).toHaveText("light 2");
  await enterLine(page, "walk whole");
  await enterLine(page, "others");
  await expect(chosen(page)).toHaveText("4 lights: 1, 3, 5, 7");
});

test("lights are identified and parked, said in every view, and let run again; lit and at home in one press", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  const badge = page.getByRole("banner").getByRole("status");
  const over = async (): Promise<{ identify?: number[]; parked?: Record<string, number> }> => (await running(request, show)).grand;
  await enterLine(page, "61, 62");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Identify" }).click();
  await expect(badge).toHaveText(/^2 lights flash\. Live/);
  await expect.poll(async () => (await over()).identify).toEqual([61, 62]);
  await page.getByRole("button", { name: "Identify" }).click();
  await expect(badge).toHaveText(/^Live/);
  await enterLine(page, "61 lit", /In hand, live: light 61 at full, everything else at home/);
  await page.keyboard.press("Escape");
  await expect(page.getByText("In hand").first()).toBeVisible();
  await page.getByRole("button", { name: "Park", exact: true }).click();
  await expect(badge).toHaveText(/^1 parked\. Live/);
  await expect.poll(async () => (await over()).parked).toMatchObject({ "61.intensity": 100, "61.pan": 0 });
  await page.getByRole("link", { name: "Score" }).click();
  await expect(badge).toHaveText(/^1 parked\. Blind/);
  await enterLine(page, "unpark all", /everything that was parked runs again/);
  await expect(badge).toHaveText(/^Blind/);
  await expect.poll(async () => (await over()).parked).toBeUndefined();
});

test("a light that cannot turn is pointed, the next free number and address are filled in, and a type has modes and fine attributes", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show, "stage");
  await enterLine(page, "aim 1 at 1.5 across 3 deep", /no cue looks different/);
  expect((await documentOf(request, show)).channels[0]).toMatchObject({ number: 1, place: { aim: { x: 1.5, y: 0, z: 3 } } });
  const line = page.getByRole("combobox", { name: "Line entry" });
  await line.fill("aim 61 at 1 across");
  await expect(page.locator("#line-answer")).toContainText("Light 61 turns by itself");
  await line.fill("");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+z");
  await expect.poll(() => documentOf(request, show)).toEqual(before);

  await page.getByRole("link", { name: "Rig" }).click();
  await page.getByRole("button", { name: "Next free" }).click();
  const first = page.getByLabel("First light");
  const number = Number(await first.inputValue());
  expect(before.channels.some((channel) => channel.number === number)).toBe(false);
  await expect(page.getByLabel("First patch")).toHaveValue(/^\d+\.\d+$/);
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await stored(page);
  await expect(page.getByText("No patch clash")).toBeVisible();
  expect((await documentOf(request, show)).channels.some((channel) => channel.number === number)).toBe(true);

  await page.getByRole("link", { name: /^Types/ }).click();
  await page.getByRole("button", { name: /Moving profile/ }).click();
  await page.getByRole("button", { name: "turning gobo" }).click();
  await page.getByLabel("Modes of rotate").fill("nonsense");
  await page.getByLabel("Modes of rotate").press("Tab");
  await expect(page.getByLabel("Modes of rotate")).toHaveAttribute("aria-invalid", "true");
  await page.getByLabel("Modes of rotate").fill("index 0..50 = -180..180 deg, turn 51..100 = -60..60 rpm");
  await page.getByLabel("How finely pan is sent").selectOption("16");
  await page.getByRole("button", { name: "Save" }).click();
  await stored(page);
  await page.getByRole("link", { name: "Stage" }).click();
  await enterLine(page, "63 rotate = turn");
  await page.keyboard.press("Escape");
  await page.getByRole("tab", { name: "beam" }).click();
  const modes = page.getByRole("group", { name: "Modes of rotate" });
  await expect(modes.getByRole("button", { name: "turn" })).toHaveAttribute("aria-pressed", "true");
  await modes.getByLabel("rotate, turn").fill("30");
  await modes.getByLabel("rotate, turn").press("Enter");
  await expect(modes.getByLabel("rotate, turn")).toHaveValue("30");
});
