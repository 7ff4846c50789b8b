import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { cueOf, openView, ownShow } from "../support/show.ts";

test("scenes fold into one line, a folded scene is chosen as all its cues, and a cue that is gone to opens it", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("button", { name: "Fold scene I.2" }).click();
  await expect(page.getByRole("row", { name: /^8 Kettle/ })).toBeHidden();
  const folded = page.getByRole("row", { name: /I\.2 7 cues, 6 to 11/ });
  await expect(folded).toBeVisible();
  await page.getByRole("rowheader", { name: "5.5", exact: true }).click();
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("ArrowDown");
  await expect(
    page.getByRole("complementary", { name: "Inspector" }).getByText("Times of these cues").or(page.getByText("They last")),
  ).toBeVisible();
  await expect(folded).toHaveAttribute("aria-selected", "true");
  await enterLine(page, "#8", /Enter chooses/);
  await expect(page.getByRole("row", { name: /^8 Kettle/ })).toBeVisible();
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("f");
  await expect(folded).toBeVisible();
});

test("the parts of a cue stand under it, and chosen cells are dragged into one with Alt", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "4", exact: true }).click();
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("p");
  await expect(page.getByRole("row", { name: "Part 2 of cue 4" })).toContainText("The stairs");
  expect((await cueOf(request, show, "4")).parts[1]?.moves["51"]).toBeUndefined();
  // Only what moves in this cue is shown: the door's four lights stand first.
  await page.keyboard.press("m");
  const cells = page.locator("[data-cells]");
  const row = (line: number): { position: { x: number; y: number } } => ({ position: { x: 20, y: 28 * line + 14 } });
  await cells.click(row(5));
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText("light 51");
  const box = await cells.boundingBox();
  if (!box) throw new Error("There is no sheet");
  await page.keyboard.down("Alt");
  await page.mouse.move(box.x + 20, box.y + 28 * 5 + 14);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 28 * 7 + 14, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await page.getByRole("region", { name: "Impact" }).getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "4")).parts[1]?.moves["51"]).toEqual({ intensity: 20 });
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await cueOf(request, show, "4")).parts[1]?.moves["51"]).toBeUndefined();
});

test("a light opens into its attributes, one of them is changed alone, and a wheel goes by the names of its slots", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "7", exact: true }).click();
  await page.getByRole("button", { name: "Choose light 64", exact: true }).dblclick();
  await page.getByRole("button", { name: "Choose gobo of light 64" }).click();
  const panel = page.getByRole("complementary", { name: "Inspector" });
  await expect(panel).toContainText("gobo alone");
  await panel.getByLabel("gobo of the cells").fill("rain");
  await panel.getByRole("button", { name: "Track on" }).click();
  await expect(panel.getByRole("region", { name: "Impact" })).toContainText("gobo");
  await panel.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "7")).parts[0]?.moves["64"]).toMatchObject({ gobo: 4, zoom: 14 });
  await enterLine(page, "#7: 64 gobo = leaves", /gobo to 3/);
  expect((await cueOf(request, show, "7")).parts[0]?.moves["64"]).toMatchObject({ gobo: 3 });
  await page.getByRole("button", { name: "Beam" }).click();
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowRight");
  await expect(page.locator("#cell-readout")).toContainText("gobo Leaves");
});

test("times are drawn over the chain, dragged and pressed and typed, with their impact before they are made", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "12", exact: true }).click();
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("d");
  const drawn = page.getByRole("region", { name: "Times drawn" });
  await expect(drawn).toContainText("Times of 12 to 13");
  await expect(drawn).toContainText("one Go, runs 13.8 s by itself");
  const bar = drawn.getByRole("slider", { name: "Cue 12, part 1: down" });
  await bar.focus();
  for (let times = 0; times < 5; times += 1) await page.keyboard.press("ArrowRight");
  await expect(bar).toHaveAttribute("aria-valuetext", "fade 5.5");
  await expect(bar).toBeFocused();
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("Cue 12, part 1: down 5.5.");
  expect((await cueOf(request, show, "12")).parts[0]?.times).toMatchObject({ down: 5 });
  await page.keyboard.press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "12")).parts[0]?.times).toMatchObject({ down: 5.5 });
  // Dragged at its end, from where it ends.
  const grip = await bar.locator("rect").last().boundingBox();
  if (!grip) throw new Error("The bar has no end");
  await page.mouse.move(grip.x + 4, grip.y + 8);
  await page.mouse.down();
  await page.mouse.move(grip.x + 64, grip.y + 8, { steps: 4 });
  await page.mouse.up();
  await expect(impact).toContainText(/part 1: down [67]\.?\d*\./);
  await impact.getByRole("button", { name: "Drop" }).click();
  await expect(bar).toHaveAttribute("aria-valuetext", "fade 5.5");
  await drawn.getByLabel("delay of Cue 12, part 1: down").fill("2");
  await expect(impact).toContainText("down delay 2");
  await page.keyboard.press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "12")).parts[0]?.times).toMatchObject({ down: 5.5, downDelay: 2 });
  await drawn.getByLabel("all that is drawn lasts, seconds").fill("30");
  await expect(impact).toContainText("Cues 12 to 13 last 30 s in all.");
  await page.keyboard.press("Escape");
  await expect(impact).toBeHidden();
  await page.keyboard.press("Control+z");
  await stored(page);
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await cueOf(request, show, "12")).parts[0]?.times).toEqual({ up: 3, down: 5, colour: { fade: 4 } });
});

test("an impact is walked with the keys while the stage before, after and the difference stands under the Score", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("v");
  const pictures = page.getByRole("region", { name: "Stage pictures" });
  await expect(pictures).toContainText("Choose a cue");
  await page.getByRole("rowheader", { name: "12", exact: true }).click();
  await expect(pictures).toContainText("Cue 12 Edwin at the door");
  await expect(pictures).toContainText("beside the cue before it");
  await page.keyboard.press("/");
  await page.keyboard.type("#12..14: 41..46 = 80 only");
  await expect(pictures).toContainText("difference: 6 lights");
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("i");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(pictures).toContainText("Cue 12.6 And again");
  await expect(pictures.getByRole("img", { name: "afterwards" })).toBeVisible();
  await expect(pictures.getByRole("img", { name: "difference: 6 lights" })).toBeVisible();
  await page.keyboard.press("v");
  await expect(pictures).toBeHidden();
});

test("the lights of a part are dragged to another part in the spine, after the impact was shown", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "4", exact: true }).click();
  await enterLine(page, "show parts", /Enter shows: the parts of the chosen cues/);
  const [first, second] = [page.getByRole("row", { name: "Part 1 of cue 4" }), page.getByRole("row", { name: "Part 2 of cue 4" })];
  const before = await cueOf(request, show, "4");
  const lights = Object.keys(before.parts[1]?.moves ?? {});
  expect(lights.length).toBeGreaterThan(0);
  const handle = second.getByRole("button", { name: /^Choose lights/ }).first();
  await handle.dragTo(first);
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("to part 1");
  expect(await cueOf(request, show, "4")).toEqual(before);
  await impact.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "4")).parts[0]?.moves).toMatchObject(before.parts[1]?.moves ?? {});
  await page.keyboard.press("Control+z");
  await stored(page);
  expect(await cueOf(request, show, "4")).toEqual(before);
  await enterLine(page, "hide parts", /Enter puts away/);
  await expect(second).toBeHidden();
});

test("what the Score shows is asked for in the line too, and refused where nothing is chosen that it could speak of", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show);
  await enterLine(page, "hide scenes", /Enter puts away: the cues of each scene/);
  await expect(page.getByRole("row", { name: /I\.2 7 cues, 6 to 11/ })).toBeVisible();
  await enterLine(page, "show scenes");
  await expect(page.getByRole("row", { name: /^8 Kettle/ })).toBeVisible();
  await enterLine(page, "#12");
  await enterLine(page, "show times");
  await expect(page.getByRole("region", { name: "Times drawn" })).toContainText("Times of 12 to 13");
  await enterLine(page, "show pictures");
  await expect(page.getByRole("region", { name: "Stage pictures" })).toBeVisible();
  await enterLine(page, "hide pictures");
  await expect(page.getByRole("region", { name: "Stage pictures" })).toBeHidden();
  const line = page.getByRole("combobox", { name: "Line entry" });
  await page.keyboard.type("show attributes");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Choose lights first; then their attributes are shown")).toBeVisible();
  // A line that could not be done stands there again, to be mended.
  await expect(line).toHaveValue("show attributes");
  await line.fill("");
  await enterLine(page, "61");
  await enterLine(page, "show attributes");
  await expect(page.getByRole("button", { name: "Choose pan of light 61" })).toBeAttached();
});

test("cues get other numbers by a table, printed before and kept after, in one step that is taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("rowheader", { name: "12", exact: true }).click();
  await page.getByRole("rowheader", { name: "13", exact: true }).click({ modifiers: ["Shift"] });
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("k");
  const dialog = page.getByRole("dialog", { name: "Numbers, old and new" });
  await dialog.getByLabel("in steps of").fill("0.1");
  await expect(dialog.getByLabel("New number of cue 13")).toHaveValue("12.3");
  await dialog.getByLabel("New number of cue 12.3", { exact: true }).fill("12.2");
  await expect(dialog.getByRole("alert")).toContainText("Cue 12.6 would become 12.2, and cue 12.3 before it 12.2");
  await expect(dialog.getByRole("button", { name: "Give these numbers" })).toBeDisabled();
  await dialog.getByLabel("New number of cue 12.6", { exact: true }).fill("12.25");
  await expect(dialog.getByRole("status")).toContainText("3 cues change their numbers, no cue looks different");
  // What was written is still there when the table is opened again.
  await page.keyboard.press("Escape");
  await expect(dialog).toBeHidden();
  await enterLine(page, "renumber #12..13", /Enter opens the table/);
  await expect(dialog.getByLabel("New number of cue 12.6", { exact: true })).toHaveValue("12.25");
  const [download] = await Promise.all([page.waitForEvent("download"), dialog.getByRole("button", { name: "Table as CSV" }).click()]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(Buffer.from(chunk));
  const table = Buffer.concat(chunks).toString("utf8").trim().split("\n");
  expect(table).toEqual(["old,new,label", "12.3,12.2,Lightning", "12.6,12.25,And again", "13,12.3,He comes in"]);
  await dialog.getByRole("button", { name: "Give these numbers" }).click();
  await stored(page);
  await expect(page.getByRole("rowheader", { name: "12.25", exact: true })).toBeVisible();
  expect((await cueOf(request, show, "12.3")).label).toBe("He comes in");
  await enterLine(page, "paper");
  await page.getByRole("button", { name: "Numbers, old and new" }).click();
  await expect(page.getByRole("list", { name: "Pages" }).getByRole("listitem")).toHaveCount(1);
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await cueOf(request, show, "12.6")).label).toBe("And again");
});
