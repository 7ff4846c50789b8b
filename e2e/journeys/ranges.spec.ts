import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { cueOf, documentOf, openView, ownShow, readText } from "../support/show.ts";

test.use({ permissions: ["clipboard-read", "clipboard-write"] });

test("a chain gets a length by field and line, sees its times first, and gets the old ones back", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "12", exact: true }).click();
  await page.getByRole("rowheader", { name: "13", exact: true }).click({ modifiers: ["Shift"] });
  const times = page.getByRole("region", { name: "Times of these cues" });
  await expect(times).toContainText("They last 13.8 s in all.");
  await times.getByLabel("these cues last, seconds in all").fill("27.6");
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("Cues 12 to 13 last 27.6 s in all.");
  await expect(impact).toContainText("lasts 7 → 14 s");
  await page.keyboard.press("Enter");
  await stored(page);
  await expect(times).toContainText("They last 27.6 s in all.");
  expect((await cueOf(request, show, "13")).trigger).toEqual({ type: "follow", from: "complete", after: 2 });
  await enterLine(page, "last 13.8", /last 13\.8 s in all/);
  await expect(times).toContainText("They last 13.8 s in all.");
  await page.keyboard.press("Control+z");
  await expect(times).toContainText("They last 27.6 s in all.");
  await page.keyboard.press("Control+z");
  await expect(times).toContainText("They last 13.8 s in all.");
  expect((await cueOf(request, show, "13")).trigger).toEqual({ type: "follow", from: "complete", after: 1 });
});

test("a range has one column scaled, a family set, its curve and what fires it chosen, each with its impact first", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "8", exact: true }).click();
  await page.getByRole("rowheader", { name: "10", exact: true }).click({ modifiers: ["Shift"] });
  const times = page.getByRole("region", { name: "Times of these cues" });
  const impact = page.getByRole("region", { name: "Impact" });
  await times.getByLabel("which times of these cues").selectOption("down");
  await times.getByLabel("down of these cues by a factor").fill("+50 %");
  await expect(impact).toContainText("Cues 8 to 10: down × 1.5.");
  await page.keyboard.press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "9")).parts[0]?.times).toEqual({ up: 8, down: 12 });
  await times.getByLabel("which times of these cues").selectOption("position");
  await times.getByLabel("position of these cues, seconds").fill("4+1");
  await expect(impact).toContainText("Cues 8 to 10: position 4, position delay 1.");
  await page.keyboard.press("Enter");
  await stored(page);
  await times.getByLabel("position curve of these cues").selectOption("slow start");
  await expect(impact).toContainText("position curve slowStart");
  await impact.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "10")).parts[0]?.times).toMatchObject({ position: { fade: 4, delay: 1, curve: "slowStart" } });
  await times.getByLabel("what fires these cues").selectOption("after end");
  await times.getByLabel("follow wait of these cues, seconds").fill("3");
  await times.getByLabel("follow wait of these cues, seconds").press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "10")).trigger).toEqual({ type: "follow", from: "complete", after: 3 });
  await enterLine(page, "#8..10: curve ease", /^Cues 8 to 10: curve ease/);
  await page.getByText("Wind gets up", { exact: true }).click();
  const part = page.getByRole("group", { name: "Times of part 1" });
  await expect(part.getByLabel("curve, part 1", { exact: true })).toHaveValue("ease");
  await part.getByLabel("curve, part 1", { exact: true }).selectOption("even");
  await stored(page);
  expect((await cueOf(request, show, "9")).parts[0]).not.toHaveProperty("curve");
  for (let step = 0; step < 6; step += 1) await page.keyboard.press("Control+z");
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("a block is copied and pasted by keys, and carried with Alt, its impact shown before", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const cells = page.locator("[data-cells]");
  const row = (index: number): { position: { x: number; y: number } } => ({ position: { x: 15, y: 28 * index + 14 } });
  await cells.click(row(9));
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Control+c");
  await expect(page.getByText("6 moves of 3 lights in 2 cues copied, intensity alone")).toBeVisible();
  await cells.click(row(17));
  await page.keyboard.press("Control+v");
  await expect(page.getByRole("region", { name: "Impact" })).toContainText(/12\.3\s*lights 1–3: 40–50 to 55–60/);
  await page.keyboard.press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "12.3")).parts[0]?.moves["1"]).toMatchObject({ intensity: 60 });
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await cueOf(request, show, "12.3")).parts[0]?.moves["1"]?.["intensity"]).not.toBe(60);

  await cells.click(row(9));
  const box = await cells.boundingBox();
  if (!box) throw new Error("There is no sheet");
  await page.keyboard.down("Alt");
  await page.mouse.move(box.x + 15, box.y + 28 * 9 + 14);
  await page.mouse.down();
  await page.mouse.move(box.x + 15, box.y + 28 * 8 + 14);
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await page.getByRole("region", { name: "Impact" }).getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["1"]?.["intensity"]).toBeUndefined();
  expect((await cueOf(request, show, "5.5")).parts[0]?.moves["1"]).toMatchObject({ intensity: 60 });
});

test("text that is no block is refused in words, and rows, columns and all are chosen", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.locator("[data-cells]").click({ position: { x: 15, y: 28 * 9 + 14 } });
  await page.evaluate(() => navigator.clipboard.writeText("not a block"));
  await page.keyboard.press("Control+v");
  await expect(page.getByText(/^Nothing is pasted: This is no block of moves/)).toBeVisible();
  const chosen = page.getByRole("region", { name: "Chosen cells" });
  await page.keyboard.press("a");
  await expect(chosen.getByRole("heading", { name: "Cue 6" })).toBeVisible();
  const { channels } = await documentOf(request, show);
  await expect(chosen).toContainText(`${channels.length} lights`);
  await page.keyboard.press("c");
  await expect(chosen.getByRole("heading", { name: "Cues 0.5 to" })).toBeVisible();
  await page.locator("[data-cells]").click({ position: { x: 15, y: 28 * 9 + 14 } });
  await page.keyboard.press("Control+a");
  await expect(chosen.getByRole("heading", { name: "Cues 0.5 to" })).toBeVisible();
});

test("a part is made of chosen lights, named, and merged back; a wall says what it stops", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await enterLine(page, "#7: 1..3 to part 2", /to part 2/);
  await page.getByRole("rowheader", { name: "7", exact: true }).click();
  const second = page.getByRole("group", { name: "Times of part 2" });
  await expect(second).toContainText("3 moves of 3 lights: 1–3");
  await second.getByLabel("name of part 2").fill("Table");
  await second.getByLabel("name of part 2").press("Enter");
  await expect.poll(async () => (await cueOf(request, show, "7")).parts[1]).toMatchObject({ number: 2, label: "Table" });
  await second.getByRole("button", { name: "Merge" }).click();
  await page.keyboard.press("Enter");
  await expect(second).toBeHidden();
  expect((await cueOf(request, show, "7")).parts).toHaveLength(1);
  await enterLine(page, "block #8");
  await enterLine(page, "#8: 1..2 = 5 only");
  await enterLine(page, "#8");
  await page.getByText(/^This block stops \d+ values$/).click();
  await expect(page.getByRole("row", { name: "1.intensity 50 5" })).toBeVisible();
});

test("several lights are recast at once, ranges go elsewhere, and all of it is taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await enterLine(page, "recast 1..3 as 2, 3, 1 in #6..8", /1 to 3 recast as 2, 3, 1/);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["2"]).toMatchObject({ intensity: 60 });
  await enterLine(page, "move #7..8 to #30.9 keep looks", /moved to 30.9 on, looks kept/);
  expect((await documentOf(request, show)).lists[0]?.cues.map(({ number }) => number)).not.toContain("7");
  await enterLine(page, 'copy list as "Matinee"', /copied as Matinee/);
  expect((await documentOf(request, show)).lists.map(({ label }) => label)).toContain("Matinee");
  await page.keyboard.press("Escape");
  await page.getByRole("grid", { name: "Score" }).focus();
  for (let step = 0; step < 3; step += 1) {
    await page.keyboard.press("Control+z");
    await stored(page);
  }
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("pickers stand in for sentences: who does it instead, other palettes, copies in other colours, all with impact", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await enterLine(page, "#4..8");
  await enterLine(page, "63, 66");
  const open = async (name: string): Promise<void> => {
    const button = page.getByRole("button", { name });
    if (!(await button.isVisible())) await page.getByText("More with these cues").click();
    await button.click();
  };
  await open("Who does it instead …");
  const recast = page.getByRole("dialog", { name: "Who does it instead" });
  await recast.getByLabel("lights whose work it is").fill("63, 66");
  await recast.getByLabel("lights that do it instead").fill("71");
  await expect(recast.getByRole("alert")).toHaveText(/2 lights cannot be recast as 1 light/);
  await recast.getByLabel("lights that do it instead").fill("71, 72");
  await expect(recast.getByRole("region", { name: "What the others lack" })).toContainText("gobo");
  await expect(recast.getByRole("button", { name: "Make it" })).toBeDisabled();
  await recast.getByRole("button", { name: "is forgotten" }).click();
  await expect(recast.getByTestId("pick-sentence")).toHaveText("recast look of 63, 66 as 71, 72 in #4..8 only drop");
  await expect(recast.getByRole("region", { name: "What it changes" })).toContainText(/cues look different/);
  // On a slow line the form stays as it is until it is made; pressed twice it is made once.
  await page.route("**/edits", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
  });
  await recast.getByRole("button", { name: "Make it" }).dblclick();
  await expect(recast).toBeHidden();
  await stored(page);
  await page.unroute("**/edits");
  expect((await cueOf(request, show, "5.5")).parts[0]?.moves["71"]).toBeDefined();
  await open("Copy …");
  const copy = page.getByRole("dialog", { name: "Copy cues" });
  await copy.getByLabel("the number of the first").fill("80");
  await copy.getByRole("button", { name: "other palettes …" }).click();
  await copy.getByLabel("palette 1", { exact: true }).selectOption("lamplight");
  await copy.getByLabel("what stands for palette 1").selectOption("moon");
  await expect(copy.getByTestId("pick-sentence")).toHaveText("copy look of #4..8 to #80 keep looks with lamplight for moon");
  await copy.getByRole("button", { name: "Make it" }).click();
  await expect(copy).toBeHidden();
  expect(JSON.stringify((await cueOf(request, show, "80")).parts)).toContain('"palette":"moon"');
  expect(JSON.stringify((await cueOf(request, show, "80")).parts)).not.toContain('"palette":"lamplight"');
  await enterLine(page, "#4..8");
  await open("Palettes for others …");
  const swap = page.getByRole("dialog", { name: "Palettes for others" });
  await swap.getByLabel("palette 1", { exact: true }).selectOption("lamplight");
  await swap.getByLabel("what stands for palette 1").selectOption("dusk");
  await swap.getByRole("button", { name: "To the line" }).click();
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue("swap lamplight for dusk in #4..8");
  await page.keyboard.press("Enter");
  await stored(page);
  for (let step = 0; step < 3; step += 1) await page.keyboard.press("Control+z");
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("what happens behind a changed range has one default a show, in panel and line", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "6", exact: true }).click();
  await enterLine(page, "1", /./);
  const behind = page.getByRole("group", { name: "After the range" });
  await expect(behind.getByRole("button", { name: "Track on" })).toHaveAttribute("aria-pressed", "true");
  await expect(behind.getByRole("button", { name: "Always" })).toHaveCount(0);
  await behind.getByRole("button", { name: "Restore after" }).click();
  await behind.getByRole("button", { name: "Always" }).click();
  await stored(page);
  expect((await documentOf(request, show)).editsAfter).toBe("restore");
  // The line has the same default now, and a word for the other.
  await enterLine(page, "#6: 1 = 33", /restored after/);
  await enterLine(page, "#6: 1 = 34 track", /^(?!.*restored after)/);
  await enterLine(page, "ranges track", /track on/);
  await expect(behind.getByRole("button", { name: "Track on" })).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Escape");
  await page.getByRole("grid", { name: "Score" }).focus();
  for (let step = 0; step < 4; step += 1) {
    await page.keyboard.press("Control+z");
    await stored(page);
  }
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("two states are compared, a cue is brought back, and the whole show gone back to", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await enterLine(page, 'name "first dress"', /calls the show as it is now “first dress”/);
  await enterLine(page, "#6..9: 1..8 + 10 only");
  await enterLine(page, "delete #12.3");
  await enterLine(page, "history", /Enter goes to History/);
  const edits = page.getByRole("group", { name: "Edits, the newest first" });
  await expect(edits.getByRole("listitem")).toHaveCount(3);
  await edits.getByRole("button", { name: "first dress" }).click();
  const table = page.getByRole("grid", { name: "What is different" });
  await expect(table.getByRole("row", { name: /− 12\.3 Lightning/ })).toBeVisible();
  await expect(table.getByRole("row", { name: /≠ 6 The keeper's room/ })).toContainText("6070");
  await table.getByRole("row", { name: /12\.3 Lightning/ }).click();
  await page.getByRole("button", { name: "This cue", exact: true }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toContainText("Cue 12.3 as in “first dress”.");
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(table.getByRole("row", { name: /Lightning/ })).toBeHidden();
  await page.getByRole("button", { name: "Go back to “first dress”" }).click();
  await expect(page.getByText("No cue is different")).toBeVisible();
  expect(await documentOf(request, show)).toEqual(before);
  await page.keyboard.press("Control+z");
  await expect(table.getByRole("row", { name: /≠ 6 The keeper's room/ })).toBeVisible();

  // Cues that took other numbers are the same cues: each is told once, and comes back as itself.
  await enterLine(page, "renumber #6..8 from 6.2 by 0.1");
  await expect(table.getByRole("row", { name: /→ 6\.3 Ada sets the table/ })).toBeVisible();
  await expect(page.getByRole("region", { name: "Bring back" })).toContainText("3 cues change their numbers");
  await table.getByRole("row", { name: /→ 6\.3 Ada sets the table/ }).click();
  await page.getByRole("button", { name: "This cue", exact: true }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toContainText("Moves 1 cue");
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect(await cueOf(request, show, "7")).toEqual(before.lists[0]?.cues.find(({ number }) => number === "7"));
  expect((await cueOf(request, show, "6.2")).label).toBe("The keeper's room");
});

test("the cue sheet is seen as printed, for all or chosen cues, and saved as PDF and table", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "12", exact: true }).click();
  await page.getByRole("rowheader", { name: "13", exact: true }).click({ modifiers: ["Shift"] });
  await enterLine(page, "paper", /Enter goes to Paper/);
  const pages = page.getByRole("list", { name: "Pages" });
  await expect(pages.getByRole("listitem")).toHaveCount(8);
  await page.getByRole("button", { name: "Only the chosen cues" }).click();
  await expect(pages.getByRole("listitem")).toHaveCount(1);
  const saved = async (button: string): Promise<string> => {
    const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: button }).click()]);
    return readText(await download.path());
  };
  const table = await saved("Save as CSV");
  expect(table.split("\n")[0]).toBe("part of the play,cue,called at,what happens,fired by,times,lasts,notes");
  expect(table).toMatch(/\nScene I\.3,12,.*Edwin at the door,call,"part 1: up 3, down 5, colour 4/);
  expect(table.match(/^(Scene I\.3)?,1[23]/gm)).toHaveLength(4);
  expect((await saved("Save as PDF")).slice(0, 5)).toBe("%PDF-");
  await page.getByRole("button", { name: "Palettes" }).click();
  await expect(page.getByRole("button", { name: "Only the chosen cues" })).toBeDisabled();
  await expect(page.getByRole("button", { name: "Differences" })).toBeDisabled();
});

test("cues of another show are taken into this one, seen with their impact first, and taken back", async ({ page, request }) => {
  const [other, show] = [await ownShow(request), await ownShow(request)];
  await openView(page, show);
  const before = await documentOf(request, show);
  await page.getByRole("button", { name: "Main list" }).click();
  await page.getByRole("menuitem", { name: "Cues of another show …" }).click();
  const dialog = page.getByRole("dialog", { name: "Cues of another show" });
  await dialog.getByRole("combobox", { name: "show" }).selectOption({ value: String(other) });
  await dialog.getByRole("button", { name: "6 The keeper's room" }).click();
  await dialog.getByRole("button", { name: "8 Kettle" }).click({ modifiers: ["Shift"] });
  await expect(dialog.getByRole("alert")).toContainText("already has a cue 6");
  await dialog.getByLabel("first becomes").fill("80");
  await dialog.getByRole("button", { name: "Show what that does" }).click();
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("Adds 3 cues");
  expect(await documentOf(request, show)).toEqual(before);
  await impact.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "81")).parts[0]?.moves["64"]).toMatchObject({ intensity: 60, pan: { palette: "table" } });
  expect((await cueOf(request, show, "82")).label).toBe("Kettle");
  await page.keyboard.press("Control+z");
  await stored(page);
  expect(await documentOf(request, show)).toEqual(before);
});
