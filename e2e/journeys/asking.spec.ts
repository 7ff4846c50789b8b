import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { cueOf, documentOf, openView, ownShow } from "../support/show.ts";

test("a question finds cues, walks them, and changes all of them as one edit", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await page.keyboard.press("h");
  const ask = page.getByRole("dialog", { name: "Which cues …" });
  await ask.getByLabel("lights that are asked for").fill("1");
  await ask.getByLabel("value that is asked for").fill("50");
  await expect(ask.getByRole("status")).toHaveText("9 cues");
  await ask.getByRole("button", { name: /^6 The keeper's room/ }).click();
  await expect(page.getByRole("row", { name: /^6 The keeper's room/ })).toHaveAttribute("aria-selected", "true");
  await ask.getByLabel("what is done in all of them").fill("1 = 50 only");
  await expect(ask.getByText("9 cues look different.")).toBeVisible();
  await ask.getByLabel("what is done in all of them").press("Enter");
  await stored(page);
  await expect(ask.getByText("No cue is like that.")).toBeVisible();
  expect((await cueOf(request, show, "6")).parts[0]?.moves["1"]).toMatchObject({ intensity: 50 });
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  expect(await documentOf(request, show)).toEqual(before);
  // The keys walk what was found last, from where one stands, round and round.
  await page.getByText("He comes in", { exact: true }).click();
  await page.keyboard.press("g");
  await expect(page.getByRole("row", { name: /^14 The crate/ })).toHaveAttribute("aria-selected", "true");
  await page.keyboard.press("Shift+G");
  await page.keyboard.press("Shift+G");
  await expect(page.getByRole("row", { name: /^6 The keeper's room/ })).toHaveAttribute("aria-selected", "true");
});

test("who uses a palette is typed, over every list; nonsense is refused in words", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const line = page.getByRole("combobox", { name: "Line entry" });
  await line.fill("where uses dusk");
  await expect(page.locator("#line-answer")).toHaveText(/^\d+ cues.* Enter lists them/);
  await line.press("Enter");
  const ask = page.getByRole("dialog", { name: "Which cues …" });
  await expect(ask.getByRole("combobox", { name: "what is used" })).toHaveValue("dusk");
  await expect(ask.getByRole("status")).toHaveText(/cues/);
  await ask.getByRole("button", { name: "have a time" }).click();
  await ask.getByLabel("value that is asked for").fill("much");
  await expect(ask.getByRole("alert")).toBeVisible();
  await ask.getByLabel("value that is asked for").fill("9000");
  await expect(ask.getByText("No cue is like that.")).toBeVisible();
  await page.keyboard.press("Escape");
  await line.fill("where uses nobody");
  await expect(page.locator("#line-answer")).toContainText('Nothing that cues use is called "nobody"');
});

test("a cue is switched off and on again, skipped, kept and seen", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await page.getByText("Kettle", { exact: true }).click();
  await page.getByText("More with this cue").click();
  await page.getByRole("button", { name: "Switch off", exact: true }).click();
  await expect(page.locator("#line-answer")).toContainText("Cue 8 switched off: removes 1 cue");
  await page.keyboard.press("Enter");
  await stored(page);
  const off = page.getByRole("row", { name: "Cue 8, switched off" });
  await expect(off).toContainText("Kettle");
  expect((await documentOf(request, show)).lists[0]?.cues.some(({ number }) => number === "8")).toBe(false);
  // What is off is walked past, and reloading keeps it.
  await page.getByText("Ada sets the table", { exact: true }).click();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("row", { name: /^9 Wind gets up/ })).toHaveAttribute("aria-selected", "true");
  await page.reload();
  await enterLine(page, "switch off #9..10", /^Cues 9 to 10 switched off/);
  await expect(page.getByRole("row", { name: /, switched off$/ })).toHaveCount(4);
  // Pressed twice it is switched on once.
  await off.getByRole("button", { name: "Switch cue 8 on" }).dblclick();
  await stored(page);
  await expect(off).toHaveCount(0);
  await enterLine(page, "switch on #9..10", /^Cues 9 to 10 switched on/);
  expect(await documentOf(request, show)).toEqual(before);
});
