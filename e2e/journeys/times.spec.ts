import { expect, test } from "@playwright/test";
import { cueOf, openView, ownShow } from "../support/show.ts";

test("label and times are written into the spine where they stand", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const row = page.getByRole("row", { name: /^7 Ada sets the table/ });
  await row.getByText("Ada sets the table").dblclick();
  await page.getByLabel("Label of cue 7").fill("Supper");
  await page.keyboard.press("Enter");
  const supper = page.getByRole("row", { name: /^7 Supper/ });
  await expect(supper).toBeVisible();
  await supper.getByRole("gridcell").nth(3).dblclick();
  await page.getByLabel("down time of cue 7").fill("1:30");
  await page.keyboard.press("Enter");
  await expect(supper.getByRole("gridcell").nth(4)).toHaveText("90");
  expect(await cueOf(request, show, "7")).toMatchObject({ label: "Supper", parts: [{ times: { up: 4, down: 90 } }] });
});

test("a label is written where there is none yet, and what fires a cue where nothing stands", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const row = page.getByRole("row", { name: /^7 Ada sets the table/ });
  await row.getByText("Ada sets the table").dblclick();
  await page.getByLabel("Label of cue 7").fill("");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await cueOf(request, show, "7")).label).toBeUndefined();
  const bare = page.getByRole("row").filter({ has: page.getByRole("rowheader", { name: "7", exact: true }) });
  await bare.getByRole("gridcell").nth(0).dblclick();
  await page.getByLabel("Label of cue 7").fill("Supper");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await cueOf(request, show, "7")).label).toBe("Supper");
  await bare.getByRole("gridcell").nth(1).dblclick();
  await page.getByLabel("What cue 7 follows").fill("end + 2");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await cueOf(request, show, "7")).trigger).toEqual({ type: "follow", from: "complete", after: 2 });
});

test("times, delays, family times and trigger are set in the inspector, and the chain follows", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("Edwin at the door").click();
  const panel = page.getByRole("complementary", { name: "Inspector" });
  const chain = panel.getByRole("list", { name: "Chain" });
  await expect(chain.getByRole("listitem")).toHaveText(["12at 0to 7 s", "12.3at 7.4to 7.4 s", "12.6at 8to 8.8 s", "13at 9.8to 13.8 s"]);
  await panel.getByLabel("down time, part 1").fill("11");
  await panel.getByLabel("down time, part 1").press("Enter");
  await expect(chain.getByRole("listitem").nth(1)).toHaveText("12.3at 11.4to 11.4 s");
  await panel.getByLabel("up delay, part 2").fill("20");
  await panel.getByLabel("up delay, part 2").press("Tab");
  await expect(panel.getByText("complete after 26 s")).toBeVisible();
  await panel.getByLabel("colour time, part 1").fill("2.5");
  await panel.getByLabel("colour time, part 1").press("Enter");
  await expect
    .poll(async () => (await cueOf(request, show, "12")).parts.map((part) => part.times))
    .toEqual([
      { up: 3, down: 11, colour: { fade: 2.5 } },
      { up: 6, upDelay: 20 },
    ]);

  await page.getByText("The crate").click();
  await panel.getByLabel("fires").selectOption("after end");
  const impact = panel.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("Cue 14 ");
  expect((await cueOf(request, show, "14")).trigger).toBeUndefined();
  await impact.getByRole("button", { name: "Drop" }).press("Enter");
  await expect(panel.getByLabel("fires")).toHaveValue("press");
  expect((await cueOf(request, show, "14")).trigger).toBeUndefined();
  await panel.getByLabel("fires").selectOption("after end");
  await panel.getByLabel("follow wait, seconds").fill("3");
  await panel.getByLabel("follow wait, seconds").press("Enter");
  await expect(page.getByRole("row", { name: /14 The crate/ })).toContainText("end + 3 s");
  expect((await cueOf(request, show, "14")).trigger).toEqual({ type: "follow", from: "complete", after: 3 });
  await expect(panel.getByRole("list", { name: "Chain" }).getByRole("listitem")).toHaveCount(5);
});

test("a time that is none stays in its field, marked, until Escape drops it", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("Kettle").click();
  const field = page.getByLabel("up time, part 1");
  await field.fill("soon");
  await field.press("Enter");
  await expect(field).toHaveAttribute("aria-invalid", "true");
  await expect(field).toHaveAttribute("title", /not a time; write seconds such as 3 or 2\.5, 1:30/);
  await expect(field).toHaveValue("soon");
  await field.press("Escape");
  await expect(field).toHaveValue("2");
  expect((await cueOf(request, show, "8")).parts[0]?.times).toEqual({ up: 2 });
});

test("a cue is inserted behind another with a free number, and deleted with later looks kept", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("Wind gets up").click();
  await page.getByRole("button", { name: "Insert cue 9.1" }).click();
  await expect(page.getByRole("row", { name: /^9\.1/ })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Cue 9.1" })).toBeVisible();
  await page.getByText("Ada sets the table", { exact: true }).click();
  await page.getByRole("button", { name: "Delete …" }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toContainText("Removes 1 cue");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Ada sets the table")).toHaveCount(0);
  expect((await cueOf(request, show, "8")).parts[0]?.moves["1"]).toEqual({ intensity: 50 });
});

test("times typed one right after the other are all kept", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("Kettle").click();
  await page.route("**/edits", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 300));
    await route.continue();
  });
  await page.getByLabel("up time, part 1").fill("6");
  await page.keyboard.press("Tab");
  await page.getByLabel("down time, part 1").fill("7");
  await page.keyboard.press("Tab");
  await page.getByLabel("position time, part 1").fill("8");
  await page.keyboard.press("Tab");
  await expect.poll(async () => (await cueOf(request, show, "8")).parts[0]?.times).toEqual({ up: 6, down: 7, position: { fade: 8 } });
});
