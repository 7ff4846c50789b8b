import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { documentOf, openView, ownShow } from "../support/show.ts";

test("findings are counted where they are, by cue and by kind, and hints are folded away", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const views = page.getByRole("navigation", { name: "Views" });
  await expect(views.getByLabel("12 findings")).toBeVisible();
  await enterLine(page, "check", /Enter goes to Check/);
  const findings = page.getByRole("group", { name: "Findings" });
  await expect(findings.getByRole("heading", { name: /^Cue 39\.5 Switch/ })).toContainText("2");
  // Lightning that changes colour and level at once is a hint, and folded away.
  await expect(findings.getByRole("heading", { name: /^Cue 12\.3/ })).toBeHidden();
  await expect(findings.getByText(/Cue 40\.5 follows while 14 lights are still fading/)).toBeVisible();
  await expect(findings).not.toContainText("nobody ever sees it");
  await page.getByRole("button", { name: /hints$/ }).click();
  await expect(findings.getByText(/nobody ever sees it/).first()).toBeVisible();
  await page.getByRole("button", { name: "By kind" }).click();
  await expect(findings.getByRole("heading", { name: /^too little time in the dark/ })).toContainText("4");
  await page.getByRole("button", { name: /likely slips$/ }).click();
  await expect(findings.getByRole("heading", { name: /^too little time in the dark/ })).toBeHidden();
});

test("a finding is gone to, mended with its impact shown first, and the mend taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check`);
  const findings = page.getByRole("group", { name: "Findings" });
  await findings.getByRole("button", { name: "Mend all 2: show me" }).first().click();
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("Cue 47: mark set");
  await expect(page.getByRole("navigation", { name: "Views" }).getByLabel("12 findings")).toBeVisible();
  await impact.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(page.getByRole("navigation", { name: "Views" }).getByLabel("10 findings")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("navigation", { name: "Views" }).getByLabel("12 findings")).toBeVisible();
  // The mend stood further down the list than this one.
  await findings.evaluate((list) => list.scrollTo(0, 0));
  await findings.getByRole("listitem").filter({ hasText: "Cue 40.5 follows" }).getByRole("button", { name: "Go there" }).click();
  await expect(page).toHaveURL(/\/score$/);
  await expect(page.getByRole("region", { name: "Cue 40.5" })).toBeVisible();
});

test("a finding is accepted with a note, outlives the window, and is shown again", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check`);
  const findings = page.getByRole("group", { name: "Findings" });
  const counted = (number: number) =>
    page.getByRole("navigation", { name: "Views" }).getByLabel(`${number} finding${number === 1 ? "" : "s"}`);
  await findings.getByRole("listitem").filter({ hasText: "Cue 40.5 follows" }).getByRole("button", { name: "Accept …" }).click();
  await page.getByLabel("Why this is accepted").fill("it is meant to be cut");
  await page.getByLabel("Why this is accepted").press("Enter");
  await expect(counted(11)).toBeVisible();
  await enterLine(page, 'accept #39.5 "they rest at white"', /Enter accepts 2 findings with this note/);
  await expect(page.getByRole("button", { name: "3 accepted" })).toBeEnabled();
  await page.reload();
  await page.getByRole("button", { name: "3 accepted" }).click();
  const accepted = page.getByRole("list", { name: "Accepted findings" });
  await expect(accepted.getByText("Accepted: it is meant to be cut")).toBeVisible();
  await accepted.getByRole("listitem").filter({ hasText: "Cue 40.5 follows" }).getByRole("button", { name: "Show it again" }).click();
  await expect(counted(10)).toBeVisible();
});

test("a light that is lit without light is found, and a darkness that holds nothing back is made a wall", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/check`);
  const findings = page.getByRole("group", { name: "Findings" });
  for (const emitter of ["red", "green", "blue"]) await enterLine(page, `#19: 21 ${emitter} = 0`);
  await expect(findings.getByText("Light 21 is lit in cues 19 to 20.5 and gives no light: its colours are all at 0.")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(findings.getByText(/^Light 21 is lit in cues 19/)).toBeHidden();

  await enterLine(page, "unblock #21..22");
  await page.getByRole("button", { name: /hints$/ }).click();
  const dark = findings.getByRole("listitem").filter({ hasText: "Cue 21 puts everything out, cue 22 rises from 0" });
  await expect(async () => {
    await findings.evaluate((list) => list.scrollBy(0, 400));
    await expect(dark).toBeVisible({ timeout: 300 });
  }).toPass();
  await dark.getByRole("button", { name: "Mend: show me" }).click();
  const impact = page.getByRole("region", { name: "Impact" });
  await impact.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(dark).toBeHidden();
  const { lists } = await documentOf(request, show);
  expect(lists[0]?.cues.find(({ number }) => number === "21")?.block).toBe(true);
});
