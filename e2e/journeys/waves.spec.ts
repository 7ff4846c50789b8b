import { expect, test } from "@playwright/test";
import { enterLine, inHand, stored } from "../support/build.ts";
import { cueOf, openView, ownShow } from "../support/show.ts";

test("lights are made to sway from the give panel, recorded with the cue, and stopped", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "61..64 = 60");
  await page.keyboard.press("Escape");
  await page.getByRole("tab", { name: "position" }).click();
  const wave = page.getByRole("group", { name: "Wave" });
  await wave.getByRole("button", { name: /^wave/ }).click();
  await wave.getByRole("button", { name: "sine", exact: true }).click();
  await expect(wave.getByRole("button", { name: "sine", exact: true })).toHaveAttribute("aria-pressed", "true");
  await expect(wave.getByRole("img", { name: /sine wave of .* over 4 lights/ })).toBeVisible();
  const size = wave.getByLabel("Size of the wave");
  await size.fill("10~40");
  await size.press("Enter");
  await wave.getByLabel("One round of the wave, seconds").fill("2");
  await wave.getByLabel("One round of the wave, seconds").press("Enter");
  await stored(page);
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("4 values and 4 waves of 4 lights");
  await expect
    .poll(async () => (await inHand(request, show))["64.pan wave"])
    .toMatchObject({
      wave: { shape: "sine", size: 40, period: 2, phase: 270 },
      fresh: true,
    });
  // One step back takes the last change back, one more the one before.
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+z");
  await stored(page);
  await expect.poll(async () => (await inHand(request, show))["64.pan wave"]).toMatchObject({ wave: { size: 40, period: 4 } });
  await page.keyboard.press("Control+Shift+z");
  await stored(page);
  await enterLine(page, "record #80", /Adds cue 80 behind 73: 4 values of 4 lights and 4 waves/);
  const recorded = await cueOf(request, show, "80");
  expect(recorded.parts[0]?.waves?.["61"]?.pan).toMatchObject({ shape: "sine", size: 10, period: 2 });
  await expect.poll(async () => (await inHand(request, show))["64.pan wave"]).toMatchObject({ fresh: false });
  await page.keyboard.press("Escape");
  await wave.getByRole("button", { name: "Stop" }).click();
  await stored(page);
  await expect.poll(async () => (await inHand(request, show))["61.pan wave"]).toMatchObject({ wave: { stop: true } });
  await wave.getByRole("button", { name: "Drop" }).click();
  await stored(page);
  expect(Object.keys(await inHand(request, show))).not.toContain("61.pan wave");
});

test("a wave is edited blind over a range with its impact before, from cells and typed", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "score");
  await enterLine(page, "#10..14: 61..62 pan wave sine 30 every 4 spread 0~180 only", /6 cues look different/);
  expect((await cueOf(request, show, "10")).parts[0]?.waves).toEqual({
    "61": { pan: { shape: "sine", size: 30, period: 4, phase: 0 } },
    "62": { pan: { shape: "sine", size: 30, period: 4, phase: 180 } },
  });
  expect((await cueOf(request, show, "15")).parts[0]?.waves).toEqual({ "61": { pan: { stop: true } }, "62": { pan: { stop: true } } });
  await enterLine(page, "#12");
  await enterLine(page, "61..62");
  await page.keyboard.press("Escape");
  await page
    .getByRole("radio", { name: "Position" })
    .or(page.getByRole("button", { name: "Position" }))
    .first()
    .click();
  const wave = page.getByRole("group", { name: "Wave" });
  await wave.getByRole("button", { name: /^wave: pan sine 30/ }).click();
  await wave.getByRole("button", { name: "triangle", exact: true }).click();
  await expect(page.getByText(/pan of 2 lights sways otherwise/).first()).toBeVisible();
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "12")).parts[0]?.waves?.["62"]?.pan).toMatchObject({ shape: "triangle", size: 30 });
  await page.getByRole("combobox", { name: "waves" }).selectOption("stop");
  await stored(page);
  expect((await cueOf(request, show, "12")).waves).toBe("stop");
  await page.keyboard.press("Control+z");
  await stored(page);
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await cueOf(request, show, "12")).waves).toBeUndefined();
  expect((await cueOf(request, show, "12")).parts[0]?.waves).toBeUndefined();
});

test("what is given takes its own times where the Hand is told so; what runs is pressed by name", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "41 = 0");
  await enterLine(page, "41 intensity fade 8");
  await enterLine(page, "hand in times", /takes hold in its own delay, fade and curve/);
  await expect(page.getByRole("button", { name: "In its times" })).toHaveAttribute("aria-pressed", "true");
  await enterLine(page, "41 = 100");
  await page.keyboard.press("Escape");
  const level = page.getByLabel("intensity", { exact: true });
  await expect.poll(async () => Number(await level.inputValue())).toBeGreaterThan(0);
  expect(Number(await level.inputValue())).toBeLessThan(100);
  await page.getByRole("button", { name: "In its times" }).click();
  await enterLine(page, "41 = 30");
  await expect(level).toHaveValue("30");
  await enterLine(page, "start tower", /Live: start Tower/);
  const running = async (): Promise<{
    lists: Record<string, { cue: string | null; master: { to: number } }>;
    looks: Record<string, { level: { to: number } }>;
  }> => (await (await request.get(`/api/shows/${show}/run`)).json()).mix;
  await expect.poll(async () => (await running()).lists.tower?.cue).not.toBeNull();
  await enterLine(page, "master tower 40 in 1");
  await enterLine(page, "raise worklight to 55", /raise Worklight to 55 %/);
  await expect.poll(async () => (await running()).looks.worklight?.level.to).toBe(55);
  await expect.poll(async () => (await running()).lists.tower?.master.to).toBe(40);
  await enterLine(page, "start tower", /already runs; nothing happens/);
  await enterLine(page, "release tower in 0.5");
  await expect.poll(async () => (await running()).lists.tower?.cue).toBeNull();
  await enterLine(page, 'keep look "Typed wash"', /Keeps what is in hand as held look/);
  await enterLine(page, "priority typed-wash 70");
  const document: { heldLooks: { id: string; priority?: number; values: object }[] } = await (
    await request.get(`/api/shows/${show}/document`)
  ).json();
  expect(document.heldLooks.find(({ id }) => id === "typed-wash")).toMatchObject({ priority: 70, values: { "41": { intensity: 30 } } });
});

test("a record with what runs brings it about as what the cue does besides", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "run");
  await enterLine(page, "go flame");
  await enterLine(page, "record #90 running all", /and 1 action of what runs now/);
  expect((await cueOf(request, show, "90")).actions).toMatchObject([{ do: "start", list: "flame" }]);
});
