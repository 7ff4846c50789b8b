import { expect, test } from "@playwright/test";
import { enterLine, inHand, onStage, stored } from "../support/build.ts";
import { OWN, cueOf, documentOf, openView, ownShow } from "../support/show.ts";

test("what is in hand is one for all windows, and a record taken back leaves it changed again", async ({ page, context, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  const other = await context.newPage();
  await openView(other, show, "score");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "8", time: 0 } });
  const before = await documentOf(request, show);
  await enterLine(page, "@cabin + 15");
  await expect(other.getByRole("region", { name: "In hand" })).toContainText("8 values of 8 lights, none recorded");
  await other.getByRole("button", { name: "Record 8.5" }).click();
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("all recorded");
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("Live, cue 8.5");
  const { look } = await onStage(request, show);
  expect(look["3.intensity"]).toBe(85);
  // Another window's record is named first, and a second press in the same breath takes nothing back.
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("Another window did this: Cue 8.5: 8 lights recorded");
  await page.waitForTimeout(1000);
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("all recorded");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("none recorded");
  await expect.poll(() => documentOf(request, show)).toEqual(before);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("all recorded");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "go" } });
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("In handnothing");
  await expect(other.getByRole("region", { name: "In hand" })).toContainText("In handnothing");
});

test("an update sends each value where it is wanted, and says first which cues change", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "8", time: 0 } });
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("Live, cue 8");
  const sevenHas = (await cueOf(request, show, "7")).parts[0]?.moves["1"];
  expect(sevenHas).toEqual({ intensity: 50 });
  await enterLine(page, "1, 2, 3 = 44");
  await page.keyboard.press("Escape");
  await page.keyboard.press("u");
  const sheet = page.getByRole("dialog", { name: "Update" });
  await expect(sheet.getByText("3 values in hand over cue 8 Kettle")).toBeVisible();
  await sheet.getByRole("button", { name: "At its source" }).click();
  await sheet.getByLabel("Where 2.intensity goes").selectOption("nowhere");
  await expect(sheet.getByRole("list", { name: "Cues" })).toContainText("7");
  await sheet.getByRole("button", { name: "Update", exact: true }).click();
  await expect(sheet).toBeHidden();
  await stored(page);
  expect((await cueOf(request, show, "7")).parts[0]?.moves["1"]).toEqual({ intensity: 44 });
  expect((await cueOf(request, show, "8")).parts[0]?.moves["3"]).toEqual({ intensity: 44 });
  expect((await cueOf(request, show, "7")).parts[0]?.moves["2"]).toEqual({ intensity: 60 });
  const held = await inHand(request, show);
  expect(["1.intensity", "2.intensity", "3.intensity"].map((name) => held[name]?.fresh)).toEqual([false, true, false]);
});

test("the record sheet filters, takes out, keeps to one cue, and warns of the stage", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "6", time: 0 } });
  await enterLine(page, "1..3 = 90");
  await enterLine(page, "21..24 blue = 33");
  await page.keyboard.press("Escape");
  await page.keyboard.press("r");
  const sheet = page.getByRole("dialog", { name: "Record" });
  const sentence = page.getByTestId("record-sentence");
  await expect(sentence).toHaveText(/^Inserts cue 6\.5 between 6 and 7: 7 values of 7 lights; /);
  await sheet.getByRole("button", { name: "colour", exact: true }).click();
  await expect(sentence).toHaveText(/3 values of 3 lights/);
  await sheet.getByRole("button", { name: "This cue only" }).click();
  await expect(sentence).toHaveText(
    "Inserts cue 6.5 between 6 and 7: 3 values of 3 lights; no other cue changes; it has no times, so it snaps.",
  );
  await sheet.getByLabel("Cue number").fill("12");
  await expect(sheet.getByRole("alert")).toHaveText(
    "The stage stands at cue 6, and the cue before 12 is 11: it will look different from what you see.",
  );
  await sheet.getByLabel("Cue number").fill("6");
  await expect(sheet.getByRole("alert")).toBeHidden();
  await sheet.getByRole("button", { name: "Take out" }).click();
  await sheet.getByRole("button", { name: "Later cues change too" }).click();
  await expect(sentence).toHaveText(
    /^Takes moves out of cue 6: 3 values of 3 lights; cue 6|^Takes moves out of cue 6: 3 values of 3 lights/,
  );
  await sheet.getByLabel("Cue number").press("Enter");
  await expect(sheet).toBeHidden();
  await stored(page);
  expect((await cueOf(request, show, "6")).parts[0]?.moves["1"]).toBeUndefined();
  expect((await cueOf(request, show, "6")).parts[0]?.moves["4"]).toEqual({ intensity: 45 });
});

test("stored moves get times of their own from the inspector; the line works on whole cues", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("The keeper's room").click();
  await enterLine(page, "1..4");
  await page.keyboard.press("Escape");
  await page.getByText("Own times of stored moves").click();
  await page.getByLabel("own delay of the moves, seconds").fill("0~3");
  await page.getByLabel("own curve of the moves").selectOption({ label: "ease" });
  await expect(page.getByRole("region", { name: "Impact" })).toContainText("changes 4 moves; looks as before");
  await page.getByRole("button", { name: "Make it" }).click();
  await expect
    .poll(async () => (await cueOf(request, show, "6")).parts[0]?.moves["3"])
    .toEqual({ intensity: { value: 60, delay: 2, curve: "ease" } });
  await page.getByText("More with this cue").click();
  await page.getByRole("button", { name: "Copy …" }).click();
  const picker = page.getByRole("dialog", { name: "Copy cues" });
  await picker.getByRole("button", { name: "follows" }).click();
  await picker.getByRole("button", { name: "To the line" }).click();
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue("copy look of #6 to #6.5");
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.getByRole("row", { name: /^6\.5 The keeper's room/ })).toBeVisible();
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue("");
});

test("updates, palettes and cue times are typed with their impact told first", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "7", time: 0 } });
  await expect(page.getByRole("banner").getByRole("status")).toHaveText("Live, cue 7");
  await enterLine(page, "1..4 = 33");
  await enterLine(page, "update here of 3, 4", /^Cue 7: 2 lights updated here: \d+ cues? looks? different\. Enter updates$/);
  await expect.poll(async () => (await cueOf(request, show, "7")).parts[0]?.moves["4"]).toEqual({ intensity: 33 });
  const held = await inHand(request, show);
  expect(["1", "3"].map((channel) => held[`${channel}.intensity`]?.fresh)).toEqual([true, false]);

  await enterLine(page, "21 red = 12");
  await enterLine(page, 'keep palette "storm" colour for each', /Palette Storm set: \d+ cues look different\. Enter keeps it$/);
  await enterLine(page, "#7: position 4 delay 1 up none", /^Cue 7: up none, position 4, position delay 1: no cue looks different/);
  await enterLine(page, "#8: follows end 2", /^Cue 8: follows 2 s after the end of the cue before/);
  await enterLine(page, 'insert #7.5 "Between"', /^Cue 7\.5 inserted, “Between”/);
  await expect(page.getByRole("row", { name: /^7\.5 Between/ })).toBeVisible();
  expect((await cueOf(request, show, "7")).parts[0]?.times).toMatchObject({ position: { fade: 4, delay: 1 } });
  expect((await cueOf(request, show, "7")).parts[0]?.times).not.toHaveProperty("up");
  expect((await cueOf(request, show, "8")).trigger).toEqual({ type: "follow", from: "complete", after: 2 });
});

test("a record gives times to families, and what is no time is not recorded past", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "61..64 pan = -20~20");
  await page.keyboard.press("Escape");
  await page.keyboard.press("r");
  const sheet = page.getByRole("dialog", { name: "Record" });
  await sheet.getByLabel("Cue number").fill("40.7");
  await sheet.getByLabel("position, seconds", { exact: true }).fill("4");
  await sheet.getByLabel("beam delay, seconds").fill("abc");
  await page.keyboard.press("Enter");
  await expect(sheet.getByLabel("beam delay, seconds")).toHaveAttribute("aria-invalid", "true");
  await expect(sheet).toBeVisible();
  await sheet.getByLabel("beam delay, seconds").fill("1:10");
  await page.keyboard.press("Enter");
  await expect(sheet).toBeHidden();
  await stored(page);
  await expect
    .poll(async () => (await documentOf(request, show)).lists[0]?.cues.find(({ number }) => number === "40.7")?.parts[0]?.times)
    .toEqual({ position: { fade: 4 }, beam: { delay: 70 } });
});

test("what is in hand is retyped where it stands, released in its time, recorded by attribute, and seen alone", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "61 = 50");
  await enterLine(page, "61 pan = 20");
  await enterLine(page, "61 zoom = 30");
  await enterLine(page, "61 tilt wave sine 10 every 4");
  const sheet = page.getByRole("group", { name: "Values in hand" });
  await sheet.getByRole("button", { name: /^61\.pan, 20/ }).focus();
  await page.keyboard.type("35");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await inHand(request, show))["61.pan"]?.move).toBe(35);
  await sheet.getByRole("button", { name: /^61\.zoom, 30/ }).click();
  const field = page.getByLabel("New value of 61.zoom");
  await field.fill("wide");
  await expect(field).toHaveAttribute("aria-invalid", "true");
  await field.press("Escape");
  await sheet.getByRole("button", { name: /^61\.zoom, 30/ }).click();
  await field.fill("+4");
  await field.press("Enter");
  await expect.poll(async () => (await inHand(request, show))["61.zoom"]?.move).toBe(34);
  await page.getByRole("button", { name: "Hand alone" }).click();
  await expect(page.getByText("What is in hand, alone")).toBeVisible();
  await page.getByRole("button", { name: "On stage", exact: true }).click();
  await enterLine(page, "61");
  await page.getByRole("tab", { name: "position" }).click();
  await page.getByRole("button", { name: "Release", exact: true }).click();
  await expect.poll(async () => (await inHand(request, show))["61.pan"]?.move).toEqual({ release: true });
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await inHand(request, show))["61.pan"]?.move).toBe(35);
  await enterLine(page, "record");
  const record = page.getByRole("dialog", { name: "Record" });
  await record.getByText("some attributes alone").click();
  await record.getByRole("group", { name: "attributes" }).getByRole("button", { name: "pan" }).click();
  await record.getByRole("button", { name: "No waves" }).click();
  await record.getByLabel("Cue number").fill("80");
  await expect(record.getByTestId("record-sentence")).toHaveText(/: 1 value of 1 light/);
  await record.getByRole("button", { name: "Record 80" }).click();
  await stored(page);
  expect((await cueOf(request, show, "80")).parts[0]?.moves).toEqual({ "61": { pan: 35 } });
  await enterLine(page, "record #81 waves", /1 wave/);
  expect((await cueOf(request, show, "81")).parts[0]?.moves).toEqual({});
  await enterLine(page, 'keep palette "Narrow" zoom', /Narrow/);
  await expect.poll(async () => (await inHand(request, show))["61.zoom"]?.move).toEqual({ palette: "narrow" });
});

test("a palette changes its cues only after it has said which, and removing it asks", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/rig/palettes`);
  await page.getByRole("button", { name: /^Dusk/ }).click();
  const form = page.getByRole("form", { name: "Palette Dusk" });
  const uses = /used by (\d+) moves/.exec((await form.textContent()) ?? "")?.[1];
  await form.getByLabel("Value 1, red").fill("55");
  await page.keyboard.press("Tab");
  await expect(form.getByRole("status")).toHaveText(/^Saving it: \d+ cues look different\.$/);
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByRole("button", { name: "Save" })).toBeDisabled();
  await form.getByRole("button", { name: "Remove the palette" }).click();
  await expect(form.getByRole("alert")).toContainText(`Palette "dusk" is used by ${uses} moves in cues`);
  await form.getByRole("button", { name: "Remove it, cues keep its numbers" }).click();
  await expect(form).toBeHidden();
  expect(JSON.stringify(await documentOf(request, show))).not.toContain('"palette":"dusk"');
});

test("lights are renumbered and groups ordered in the rig, and every cue goes along", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/rig/lights`);
  const grid = page.getByRole("grid", { name: "Lights" });
  await grid.getByRole("button", { name: "1", exact: true }).click();
  await grid.getByRole("button", { name: "4", exact: true }).click({ modifiers: ["Shift"] });
  const before = (await cueOf(request, show, "6")).parts[0]?.moves["2"];
  await page.getByLabel("Renumber from").fill("3");
  await page.getByLabel("Renumber from").press("Enter");
  await expect(page.getByRole("alert")).toContainText("Light 5 is in the rig already");
  await page.getByRole("button", { name: "Put away" }).click();
  await page.getByLabel("Renumber from").fill("301");
  await page.getByLabel("Renumber from").press("Enter");
  await expect(page.getByRole("heading", { name: "4 lights: 301–304" })).toBeVisible();
  expect((await cueOf(request, show, "6")).parts[0]?.moves["302"]).toEqual(before);
  await page
    .getByRole("navigation", { name: "Rig" })
    .getByRole("link", { name: /Groups/ })
    .click();
  const form = page.getByRole("form", { name: "Group Cabin wash" });
  await expect(form.getByLabel(/lights, in the order/)).toHaveValue("301..304, 5..8");
  await form.getByRole("button", { name: "Turn round" }).click();
  await expect(form.getByLabel(/lights, in the order/)).toHaveValue("8, 7, 6, 5, 304, 303, 302, 301");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByRole("button", { name: "Save" })).toBeDisabled();
  await form.getByLabel(/lights, in the order/).fill("1..2");
  await expect(form.getByText("No light from 1 to 2 is in the rig")).toBeVisible();
});
