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
