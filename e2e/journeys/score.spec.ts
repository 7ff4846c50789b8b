import { enterLine, stored } from "../support/build.ts";
import { expect, test } from "@playwright/test";
import { cellAt, cueOf, documentOf, drawFrame, openView, ownShow } from "../support/show.ts";

const ROW_6 = 9;
const LIGHT_3 = 8 + 2 * 43 + 12;

test("a frame around cells is changed blind, seen before, taken back and made again", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await drawFrame(page, await cellAt(page, ROW_6, LIGHT_3), await cellAt(page, ROW_6 + 3, LIGHT_3 + 3 * 43));
  const panel = page.getByRole("complementary", { name: "Inspector" });
  await expect(panel.getByRole("heading", { name: "Cues 6 to 9" })).toBeVisible();
  await expect(panel.getByText("4 lights: 3–6")).toBeVisible();
  await panel.getByLabel("level").fill("+10");
  const impact = panel.getByRole("region", { name: "Impact" });
  await expect(impact.getByRole("listitem")).toHaveText([
    "6lights 3–6: 45–60 to 55–70",
    "7lights 3–6: 40–65 to 50–75",
    "8lights 3–6: 40–70 to 50–80",
    "9lights 3–6: 40–70 to 50–80",
  ]);
  await expect(impact.getByText("4 cues look different.")).toBeVisible();
  expect(await documentOf(request, show)).toEqual(before);

  await panel.getByRole("button", { name: "Make it" }).click();
  await expect(impact).toBeHidden();
  await stored(page);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["3"]).toEqual({ intensity: 70 });
  const after = await documentOf(request, show);

  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/^Taken back: Cues 6 to 9, 4 lights/)).toBeVisible();
  expect(await documentOf(request, show)).toEqual(before);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(page.getByText(/^Made again/)).toBeVisible();
  expect(await documentOf(request, show)).toEqual(after);
  await page.reload();
  await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
  expect(await documentOf(request, show)).toEqual(after);
});

test("a range edit works by keyboard alone, and tracks on when that is asked", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const grid = page.getByRole("grid", { name: "Score" });
  await grid.focus();
  for (let step = 0; step < 10; step += 1) await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowRight");
  await expect(page.locator("#cell-readout")).toHaveText(
    /Cue 6 The keeper's room\. Light 1: 60, a move of this cue, until cue 7 Ada sets the table, which moves it to 50/,
  );
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByRole("heading", { name: "Cues 6 to 7" })).toBeVisible();
  await page.getByRole("button", { name: "Track on" }).press("Enter");
  await page.getByLabel("level").fill("+1");
  await page.keyboard.press("Backspace");
  await expect(page.getByLabel("level")).toHaveValue("+");
  await page.getByLabel("level").fill("33");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
  await stored(page);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["1"]).toEqual({ intensity: 33 });
  expect((await cueOf(request, show, "7")).parts[0]?.moves["1"]).toBeUndefined();
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/^Taken back/)).toBeVisible();
  expect((await cueOf(request, show, "6")).parts[0]?.moves["1"]).toEqual({ intensity: 60 });
});

test("a typed line is read back with its impact, made with Enter, and a wrong word is pointed at", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.keyboard.press("/");
  const line = page.getByLabel("Line entry");
  await expect(line).toBeFocused();
  await line.fill("#6..9: 3..6 + 10 ohne");
  await expect(page.locator("#line-answer")).toHaveText('"ohne" means nothing here; here could stand by, others, along, stored, only …');
  await line.fill("#6..9: 3..6 + 10 onl");
  await expect(page.locator("#line-answer")).toHaveText("Tab: only");
  await line.fill("#6..9: 3..6 + 10 only");
  await expect(page.locator("#line-answer")).toHaveText(
    "Cues 6 to 9, 4 lights: intensity +10, restored after: 4 cues look different. Enter makes it, Esc drops it",
  );
  await expect(page.getByRole("region", { name: "Impact" }).getByRole("listitem")).toHaveCount(4);
  await line.press("Enter");
  await expect(line).toHaveValue("");
  await stored(page);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["3"]).toEqual({ intensity: 70 });
  await line.fill("#6: up 2.5 down 4");
  await line.press("Enter");
  await expect(page.getByRole("row", { name: /^6 The keeper's room/ })).toContainText("2.5");
  expect((await cueOf(request, show, "6")).parts[0]?.times).toMatchObject({ up: 2.5, down: 4, downDelay: 2 });
});

test("whole cues are blocked, recast, copied and renumbered by line, and taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await page.keyboard.press("/");
  const line = page.getByLabel("Line entry");
  const make = async (text: string, answer: RegExp): Promise<void> => {
    await line.fill(text);
    await expect(page.locator("#line-answer")).toHaveText(answer);
    await line.press("Enter");
    await expect(line).toHaveValue("");
    await stored(page);
  };
  await make("block #7", /^Cue 7: blocked: no cue looks different/);
  expect((await cueOf(request, show, "7")).block).toBe(true);
  await make("recast 3 as 4 in #6..9", /^Cues 6 to 9: 3 recast as 4: \d+ cues? looks? different/);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["3"]).toBeUndefined();
  await make("copy look of #6 to #6.5", /^Cue 6 copied to 6.5, whole look/);
  await make("renumber #6.5..7 from 6.1 by 0.1", /^Cues 6.5 to 7 renumbered from 6.1 in steps of 0.1/);
  await expect(page.getByRole("row", { name: /^6.2 / })).toBeVisible();
  await make('label #6.1 "The keeper again"', /^Cue 6.1: label “The keeper again”/);
  await make("61..64 position fade 2~6", /^Cue 6.1, 4 lights: position fade 2~6/);
  await line.press("Escape");
  for (const words of ["position fade 2~6", "label “The keeper again”", "renumbered", "copied to 6.5", "recast as 4", "blocked"]) {
    await page.keyboard.press("Control+z");
    await expect(page.getByText(new RegExp(`^Taken back: .*${words}`))).toBeVisible();
  }
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("the Colour lens gives a palette to a range, and says where a colour comes from", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("button", { name: "Colour", exact: true }).click();
  const cell = await cellAt(page, 4, 20);
  await page.mouse.click(cell.x, cell.y);
  const story = page.getByRole("region", { name: "Where it comes from" });
  await expect(story).toContainText("46 62 92 (Moon)");
  await expect(story).toContainText("tracked from cue 2 Night sea, until cue 9 Wind gets up, which moves it to Storm");
  await page.getByRole("button", { name: "Dusk" }).click();
  await expect(page.getByRole("region", { name: "Impact" }).getByRole("listitem").first()).toContainText(/light \d+: colour/);
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(story).toContainText("(Dusk)");
  expect((await cueOf(request, show, "3")).parts[0]?.moves["21"]).toEqual({
    red: { palette: "dusk" },
    green: { palette: "dusk" },
    blue: { palette: "dusk" },
  });
});

test("positions are changed blind in their lens, and the Times lens fans times", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("button", { name: "Position", exact: true }).click();
  await expect(page.getByRole("button", { name: "Choose light 1", exact: true })).toHaveCount(0);
  // Cue 5.5, lights 63 to 66.
  await drawFrame(page, await cellAt(page, 8, 2 * 76 + 20), await cellAt(page, 8, 5 * 76 + 20));
  const panel = page.getByRole("region", { name: "Chosen cells" });
  await expect(panel).toContainText("4 lights");
  await page.keyboard.press("Enter");
  await panel.getByLabel("attribute", { exact: true }).selectOption("pan");
  await panel.getByLabel("pan of the cells").fill("-30~30");
  await panel.getByRole("button", { name: "Track on" }).click();
  await expect(page.getByRole("region", { name: "Impact" }).getByRole("listitem").first()).toContainText("5.5");
  await page.getByRole("button", { name: "Make it" }).click();
  const pans = async (): Promise<unknown[]> => {
    const moves = (await cueOf(request, show, "5.5")).parts[0]?.moves ?? {};
    return ["63", "64", "65", "66"].map((channel) => moves[channel]?.["pan"]);
  };
  await expect.poll(pans).toEqual([-30, -10, 10, 30]);

  await page.getByRole("button", { name: "Times", exact: true }).click();
  await expect(page.locator("#cell-readout")).toContainText("Light 66: 4 seconds, as the cue");
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("Enter");
  await page.keyboard.type("2");
  await panel.getByLabel("own delay of the moves, seconds").fill("0~3");
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.locator("#cell-readout")).toContainText("Light 66: 2+3 seconds, times of its own");
  await expect.poll(async () => (await pans())[1]).toEqual({ value: -10, fade: 2, delay: 1 });
});

test("groups fold and unfold, and tracked values are shown on demand", async ({ page, request }) => {
  await openView(page, await ownShow(request));
  await page.getByRole("button", { name: "Cabin wash" }).click();
  await expect(page.getByRole("button", { name: "Choose 8 lights" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Choose light 3", exact: true })).toHaveCount(0);
  await page.getByRole("button", { name: "Cabin wash" }).click();
  await expect(page.getByRole("button", { name: "Choose light 3", exact: true })).toBeVisible();
  await page.getByRole("grid", { name: "Score" }).focus();
  const shot = (): Promise<Buffer> => page.locator("[aria-label=Score]").screenshot();
  const without = await shot();
  await page.keyboard.press("t");
  await expect(page.getByRole("button", { name: "Tracked" })).toHaveAttribute("aria-pressed", "true");
  expect((await shot()).equals(without)).toBe(false);
});

test("an unusual word is explained until its hint is put away; a line brings it back", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const spine = page.getByText("The spine is the column of cues at the left.");
  const hand = page.getByText(/^The Hand holds what you give to lights/);
  await expect(spine).toBeVisible();
  await expect(hand).toBeVisible();
  await page.getByRole("button", { name: "I know what spine means" }).click();
  await expect(spine).toHaveCount(0);
  await page.reload();
  await expect(hand).toBeVisible();
  await expect(spine).toHaveCount(0);
  await enterLine(page, "hide hints", /puts away: what unusual words mean/);
  await expect(hand).toHaveCount(0);
  await enterLine(page, "show hints", /shows: what unusual words mean/);
  await expect(spine).toBeVisible();
});

test("a frame drawn to the edge takes the sheet along; a click beside the edge does not", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const sheet = page.getByRole("grid", { name: "Score" });
  const box = await sheet.boundingBox();
  if (!box) throw new Error("The sheet is not in sight");
  const scrolled = (): Promise<number[]> => sheet.evaluate((element) => [element.scrollLeft, element.scrollTop]);
  await page.mouse.click(box.x + 500, box.y + box.height - 20);
  await page.waitForTimeout(300);
  const [left = 0, top = 0] = await scrolled();
  expect([left, top]).toEqual([0, 0]);
  await page.mouse.move(box.x + 500, box.y + 200);
  await page.mouse.down();
  await page.mouse.move(box.x + 520, box.y + 260, { steps: 3 });
  await page.mouse.move(box.x + box.width - 6, box.y + box.height - 6, { steps: 4 });
  await expect.poll(async () => (await scrolled())[1]).toBeGreaterThan(400);
  await expect.poll(async () => (await scrolled())[0]).toBeGreaterThan(100);
  await page.mouse.up();
  const rest = await scrolled();
  await page.waitForTimeout(200);
  expect(await scrolled()).toEqual(rest);
  // What has come in sight is chosen too: more than the rows that the window has at once.
  const heading = await page
    .getByRole("complementary", { name: "Inspector" })
    .getByRole("heading", { name: /^Cues \S+ to \S+$/ })
    .textContent();
  const [, first = "", last = ""] = /^Cues (\S+) to (\S+)$/.exec(heading ?? "") ?? [];
  const cues = (await documentOf(request, show)).lists[0]?.cues.map(({ number }) => number) ?? [];
  expect(cues.indexOf(last) - cues.indexOf(first)).toBeGreaterThan(30);
});
