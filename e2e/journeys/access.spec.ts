import { expect, test } from "@playwright/test";
import { findingsInBoth, seriousFindings } from "../support/axe.ts";
import { enterLine } from "../support/build.ts";
import { bring, openMenu } from "../support/files.ts";
import { OWN, openView, ownShow } from "../support/show.ts";

for (const view of ["score", "stage", "run"] as const) {
  test(`${view} has no serious finding, in desk and in foolscap`, async ({ page, request }) => {
    await openView(page, await ownShow(request), view);
    await page.getByText("Night sea").first().click();
    if (view === "run") await expect(page.getByRole("button", { name: "Hold" })).toBeEnabled();
    for (const [theme, other] of [
      ["desk", "Light: foolscap"],
      ["foolscap", "Dark: desk"],
    ] as const) {
      expect([theme, await seriousFindings(page, theme)]).toEqual([theme, []]);
      await page.getByRole("button", { name: other }).click();
    }
  });
}

test("the rig and what leaves for it have no serious finding, in desk and in foolscap", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/rig/lights`);
  for (const tab of ["Lights", "Types", "Groups", "Palettes", "Paces", "Output", "OSC"]) {
    await page.getByRole("navigation", { name: "Rig" }).getByRole("link", { name: tab }).click();
    if (tab === "Lights") await page.getByRole("grid", { name: "Lights" }).getByRole("button", { name: "3", exact: true }).click();
    expect([tab, await findingsInBoth(page)]).toEqual([tab, []]);
  }
});

test("the planner has no serious finding, in desk and in foolscap", async ({ page, request }) => {
  await page.goto(`/show/${await ownShow(request)}/planner`);
  await page.getByRole("button", { name: "Ask for a plan" }).click();
  await page
    .getByRole("button", { name: /^Light \d+ for cue/ })
    .first()
    .click();
  await expect(page.getByRole("region", { name: "Chosen mark" })).toBeVisible();
  expect(["planner", await findingsInBoth(page)]).toEqual(["planner", []]);
});

test("the Book, and writing in it, have no serious finding, in desk and in foolscap", async ({ page, request }) => {
  await page.goto(`/show/${await ownShow(request)}/book`);
  await enterLine(page, "#14");
  await expect(page.getByRole("region", { name: "Call", exact: true })).toContainText("on “first”");
  expect(["book", await findingsInBoth(page)]).toEqual(["book", []]);
  await page.getByRole("button", { name: "Write", exact: true }).click();
  await expect(page.getByRole("textbox", { name: "Text of the scene" })).toBeFocused();
  expect(["writing", await findingsInBoth(page)]).toEqual(["writing", []]);
});

test("Check, History, Paper and the run log have no serious finding, in desk and in foolscap", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check`);
  await page
    .getByRole("button", { name: /^Mend all/ })
    .first()
    .click();
  await expect(page.getByRole("region", { name: "Impact" })).toBeVisible();
  expect(["check", await findingsInBoth(page)]).toEqual(["check", []]);
  await page.goto(`/show/${show}/score`);
  await enterLine(page, "#6..9: 1..8 + 10 only");
  await enterLine(page, "delete #12.3");
  await enterLine(page, "history");
  await page.getByRole("button", { name: "How the show began" }).first().click();
  await page.getByRole("row", { name: /Kettle/ }).click();
  await page.getByRole("button", { name: "This cue", exact: true }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toBeVisible();
  expect(["history", await findingsInBoth(page)]).toEqual(["history", []]);
  await enterLine(page, "paper");
  await expect(page.getByRole("list", { name: "Pages" })).toBeVisible();
  expect(["paper", await findingsInBoth(page)]).toEqual(["paper", []]);
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "go" } });
  await enterLine(page, "log");
  await expect(page.getByRole("group", { name: "Fired, in order" })).toContainText("Preset");
  expect(["log", await findingsInBoth(page)]).toEqual(["log", []]);
});

test("Hand, recording, updating, shelf, help and pages that look on have no serious finding", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "4", time: 0 } });
  await enterLine(page, "@washes = 20~80");
  await enterLine(page, "@washes colour = dusk");
  for (const tab of ["level", "position", "colour", "beam"]) {
    await page.getByRole("tab", { name: tab }).click();
    expect([tab, await findingsInBoth(page, "aside")]).toEqual([tab, []]);
  }
  expect(["the Hand", await findingsInBoth(page, '[aria-label="In hand"]')]).toEqual(["the Hand", []]);
  for (const drawer of ["Record …", "Update …"]) {
    await page.getByRole("button", { name: drawer }).click();
    await expect(page.getByRole("dialog", { name: drawer.replace(" …", "") })).toBeVisible();
    expect([drawer, await findingsInBoth(page, "form[role=dialog]")]).toEqual([drawer, []]);
    await page.getByRole("button", { name: "Not now" }).click();
  }
  await page.getByRole("button", { name: "Shelf" }).click();
  expect(["shelf", await findingsInBoth(page, '[aria-label="Shelf"]')]).toEqual(["shelf", []]);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Help" })).toBeVisible();
  expect(["help", await findingsInBoth(page, "dialog[open]")]).toEqual(["help", []]);
  await page.goto(`/watch/${show}`);
  await expect(page.getByTestId("on-stage")).toHaveText("4");
  expect(["watch", await findingsInBoth(page)]).toEqual(["watch", []]);
});

test("files of others, files for others and backups have no serious finding", async ({ page, request }) => {
  await openView(page, await ownShow(request));
  await bring(page, {
    name: "dawn.asc",
    bytes: Buffer.from("Ident 3:0\n$Own 1\nCue 701\nChan 1@30\nCue 702\nFollowon 2\nCue 703\nChan 2@20\n"),
  });
  await expect(page.getByRole("dialog", { name: "Bring in" }).getByText("line 2")).toBeVisible();
  expect(["bring in", await findingsInBoth(page, "dialog[open]")]).toEqual(["bring in", []]);
  await page.keyboard.press("Escape");
  await openMenu(page, /^Send out/);
  await page.getByRole("button", { name: /^List as ASCII/ }).click();
  await expect(page.getByRole("group", { name: "What it cannot say" })).toBeVisible();
  expect(["send out", await findingsInBoth(page, "dialog[open]")]).toEqual(["send out", []]);
  await page.keyboard.press("Escape");
  await enterLine(page, "backup");
  await openMenu(page, /^Backups/);
  await page.getByRole("group", { name: "Backups" }).getByRole("button").first().click();
  await expect(page.getByText("Nothing is different.")).toBeVisible();
  expect(["backups", await findingsInBoth(page, "dialog[open]")]).toEqual(["backups", []]);
});

test("? shows the keys, Escape puts them away", async ({ page, request }) => {
  await openView(page, await ownShow(request));
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Help" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Help" })).toBeHidden();
});
