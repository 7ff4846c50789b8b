import { expect, test } from "@playwright/test";
import { openView, ownShow, readText } from "../support/show.ts";

test("a show is exported as the open document and imported again as a show of its own", async ({ page, request }, info) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("button", { name: "Salt and Paraffin" }).click();
  const coming = page.waitForEvent("download");
  await page.getByRole("menuitem", { name: "Export the open document" }).click();
  const file = info.outputPath("show.json");
  await (await coming).saveAs(file);
  const text = readText(file);
  expect(JSON.parse(text)).toMatchObject({ format: "zealous-mark/show", version: 2, title: "Salt and Paraffin" });

  await page.getByLabel("Show document").setInputFiles({
    name: "copy.json",
    mimeType: "application/json",
    buffer: Buffer.from(text.replace("Salt and Paraffin", "Second house")),
  });
  await expect(page.getByRole("button", { name: "Second house" })).toBeVisible();
  await expect(page).not.toHaveURL(new RegExp(`/show/${show}/`));
  const added = /show\/(\d+)\//.exec(page.url())?.[1];
  const back = await request.get(`/api/shows/${added}/document`);
  expect(await back.text()).toBe(text.replace("Salt and Paraffin", "Second house"));
});

test("every fault of a bad file is named and nothing is loaded", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const document = JSON.parse(await (await request.get(`/api/shows/${show}/document`)).text());
  document.lists[0].cues[2].parts[0].moves["41"].intensity = 400;
  document.lists[0].cues[5].parts[0].moves["61"].pan = { palette: "nowhere" };
  const count = (await (await request.get("/api/shows")).json()).length;
  await page
    .getByLabel("Show document")
    .setInputFiles({ name: "bad.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(document)) });
  const faults = page.getByRole("dialog", { name: "The document was not imported" });
  await expect(faults.getByRole("listitem")).toHaveText([
    "list main, cue 1.5, part 1, 41.intensity: 400 is outside 0 to 100",
    'list main, cue 4, part 1, 61.pan: there is no palette "nowhere"',
  ]);
  await faults.getByRole("button", { name: "Close" }).click();
  await expect(page).toHaveURL(new RegExp(`/show/${show}/score`));
  expect((await (await request.get("/api/shows")).json()).length).toBeGreaterThanOrEqual(count);
  await page
    .getByLabel("Show document")
    .setInputFiles({ name: "cut.json", mimeType: "application/json", buffer: Buffer.from('{"format":') });
  await expect(faults.getByRole("listitem")).toContainText("not whole JSON");
});
