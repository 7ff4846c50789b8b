import { expect, test } from "@playwright/test";
import { enterLine, inHand, openShow, stored } from "../support/build.ts";
import { cueOf, documentOf, openView, ownShow } from "../support/show.ts";

test("a new show says in every view what comes first, and does it, up to its first cue", async ({ page, request }) => {
  const other = await ownShow(request);
  await openView(page, other);
  await page.getByRole("button", { name: "Salt and Paraffin" }).click();
  await page.getByRole("menuitem", { name: "New show …" }).click();
  await page.getByLabel("Name of the new show").fill("First night");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "No cue yet, and no light" })).toBeVisible();
  const show = openShow(page);
  await page.getByRole("link", { name: "Stage" }).click();
  await expect(page.getByRole("heading", { name: "No light hangs here yet" })).toBeVisible();
  await page.getByRole("link", { name: "Go to the Rig" }).click();
  await page.getByRole("button", { name: "New type" }).click();
  await page.getByLabel("name", { exact: true }).fill("Lamp");
  await page.getByRole("button", { name: "Save" }).click();
  await page.getByRole("link", { name: /^Lights/ }).click();
  await expect(page.getByRole("heading", { name: "No light yet" })).toBeVisible();
  await page.getByRole("button", { name: "Add the first lights" }).click();
  await page.keyboard.type("1");
  await page.getByLabel("Last light").fill("6");
  await page.getByLabel("First patch").fill("1.1");
  // The next lights are typed while the first are still under way: what was sent is emptied then, what is new stays.
  await page.route(
    "**/edits",
    async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 1000));
      await route.continue();
    },
    { times: 1 },
  );
  await page.getByRole("button", { name: "Add", exact: true }).dblclick();
  await page.getByLabel("First light").fill("7");
  await page.getByLabel("First patch").fill("1.3");
  await expect(page.getByLabel("Patch of 6", { exact: true })).toHaveValue("1.6");
  await expect(page.getByLabel("Last light")).toHaveValue("");
  await expect(page.getByRole("form", { name: "Add lights" })).toContainText("shares addresses with light 7");
  await page.getByRole("link", { name: "Score" }).click();
  await page.getByRole("link", { name: "Build the first look" }).click();
  await enterLine(page, "new cues up 3 down 5");
  await enterLine(page, "1..3 = 70");
  await page.keyboard.press("Escape");
  await page.keyboard.press("n");
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("Live, cue 1, the last");
  expect((await cueOf(request, show, "1")).parts[0]).toMatchObject({ times: { up: 3, down: 5 }, moves: { "1": { intensity: 70 } } });
});

test("a show is renamed and taken back, and removed only when its name is typed", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("button", { name: "Salt and Paraffin" }).click();
  await page.getByRole("menuitem", { name: "Rename this show …" }).click();
  await page.getByLabel("Name of this show").fill("Tar and Salt");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Tar and Salt" })).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("button", { name: "Salt and Paraffin" })).toBeVisible();
  await page.keyboard.press("Control+Shift+z");
  await page.getByRole("button", { name: "Tar and Salt" }).click();
  await page.getByRole("menuitem", { name: "Remove this show …" }).click();
  const dialog = page.getByRole("dialog", { name: "Remove this show" });
  const remove = dialog.getByRole("button", { name: "Remove the show" });
  await expect(remove).toBeDisabled();
  await page.keyboard.press("Escape");
  await expect(dialog).toBeHidden();
  await page.getByRole("button", { name: "Tar and Salt" }).click();
  await page.getByRole("menuitem", { name: "Remove this show …" }).click();
  await dialog.getByRole("textbox").fill("Tar and Salt");
  await remove.click();
  await expect(page).not.toHaveURL(new RegExp(`/show/${show}/`));
  expect((await request.get(`/api/shows/${show}`)).status()).toBe(404);
});

test("times, follows and how cues carry are written in place and by the line alike", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const row = page.getByRole("row", { name: /8 Kettle/ });
  await row.getByRole("gridcell").nth(2).dblclick();
  await page.getByLabel("up time of cue 8").fill("1:30+2");
  await page.keyboard.press("Enter");
  await row.getByRole("gridcell").nth(3).dblclick();
  await page.getByLabel("down time of cue 8").fill("soon");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("down time of cue 8")).toHaveAttribute("aria-invalid", "true");
  await page.getByLabel("down time of cue 8").fill("4");
  await page.keyboard.press("Enter");
  await row.getByRole("gridcell").nth(1).dblclick();
  await page.getByLabel("What cue 8 follows").fill("go + 2.5");
  await page.keyboard.press("Enter");
  await stored(page);
  expect(await cueOf(request, show, "8")).toMatchObject({
    trigger: { type: "follow", from: "go", after: 2.5 },
    parts: [{ times: { up: 90, upDelay: 2, down: 4 } }],
  });
  await row.getByText("Kettle").click();
  await page.getByLabel("carries", { exact: true }).selectOption("this cue only");
  await stored(page);
  expect(await cueOf(request, show, "8")).toHaveProperty("carries", "cueOnly");
  await enterLine(page, "#8..9 carries track", /what it moves tracks on/);
  expect(await cueOf(request, show, "8")).not.toHaveProperty("carries", "cueOnly");
});

test("one light alone, everything home, earlier choices and groups that the rig makes", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "1..4 = 60");
  await enterLine(page, "61 pan = 30");
  await enterLine(page, "61 = 80 others out", /every other light that is lit goes out/);
  expect(await inHand(request, show)).toMatchObject({ "1.intensity": { move: 0 }, "61.intensity": { move: 80 }, "61.pan": { move: 30 } });
  expect(await inHand(request, show)).not.toHaveProperty("5.intensity");
  await enterLine(page, "61 home", /all but the level home/);
  expect(await inHand(request, show)).toMatchObject({ "61.intensity": { move: 80 }, "61.pan": { move: 0 } });
  await enterLine(page, "@moving-wash");
  await expect(page.getByTestId("chosen-lights")).toHaveText(/^\d+ lights/);
  await enterLine(page, "again 2");
  await expect(page.getByTestId("chosen-lights")).toHaveText("4 lights: 1–4");
  expect((await documentOf(request, show)).title).toBe("Salt and Paraffin");
});
