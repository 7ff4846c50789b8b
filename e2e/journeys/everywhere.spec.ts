import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { OWN, cueOf, documentOf, openView, ownShow } from "../support/show.ts";
import { openShelf, running } from "../support/running.ts";

interface LooksDocument {
  heldLooks?: { id: string; values: Record<string, Record<string, unknown>> }[];
  movements?: { label: string }[];
  lists: { label?: string; cues: { label?: string }[] }[];
}

test("an edit of the cue on stage is seen there at once where the switch says so, and blind where not", async ({
  page,
  request,
  context,
}) => {
  const show = await ownShow(request);
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "8", time: 0 } });
  const before = await documentOf(request, show);
  await openView(page, show);
  const stage = await context.newPage();
  await openView(stage, show, "stage");
  await enterLine(stage, "1");
  const level = stage.getByLabel("intensity", { exact: true });
  const stood = await level.inputValue();
  expect(["", "77", "66"]).not.toContain(stood);
  await enterLine(page, "#8: 1 = 77 only");
  await expect(level).toHaveValue(stood);
  await page.getByRole("button", { name: "Edits blind" }).click();
  await page.getByLabel("edits are seen in seconds").fill("0.2");
  await page.getByLabel("edits are seen in seconds").press("Enter");
  await enterLine(page, "#8: 1 = 66 only");
  await expect(page.getByRole("button", { name: "Edits of 8 live" })).toHaveAttribute("aria-pressed", "true");
  // The lamp is told what the cue now says, and the list still stands where it stood.
  await expect(level).toHaveValue("66");
  await expect.poll(async () => (await running(request, show)).lists["main"]?.cue).toBe("8");
  // The list goes on meanwhile: what was meant for its cue on stage is edited blind, and nothing is refused.
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "6", time: 0 } });
  await enterLine(page, "#8: 1 = 55 only");
  expect((await cueOf(request, show, "8")).parts[0]?.moves["1"]).toMatchObject({ intensity: 55 });
  await expect(async () => {
    await page.keyboard.press("Control+z");
    await stored(page);
    expect(await documentOf(request, show)).toEqual(before);
  }).toPass();
});

test("a light is recast in every list and held look by a picker, with its impact, and taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await page.getByText("Kettle", { exact: true }).click();
  await page.getByText("More with this cue").click();
  await page.getByRole("button", { name: "Who does it instead …" }).click();
  const picker = page.getByRole("dialog", { name: "Who does it instead" });
  await picker.getByRole("button", { name: "all lists and held looks" }).click();
  await picker.getByLabel("lights whose work it is").fill("1");
  await picker.getByLabel("lights that do it instead").fill("2");
  await picker.getByRole("button", { name: "what is stored" }).click();
  await expect(picker.getByTestId("pick-sentence")).toHaveText(/^recast 1 as 2 everywhere/);
  await expect(picker.getByRole("region", { name: "What it changes" })).toContainText("look different");
  await picker.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  const text = JSON.stringify(await documentOf(request, show));
  expect(text).not.toMatch(/"moves":\{"1":/);
  await page.keyboard.press("Control+z");
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("a held look is seen and changed as a list of values, and looks are gathered into a list", async ({ page, request }) => {
  const show = await ownShow(request);
  await openShelf(page, show);
  await page.getByRole("button", { name: "More of Worklight" }).click();
  await page.getByRole("menuitem", { name: "Its values …" }).click();
  const values = page.getByRole("dialog", { name: "Values of Worklight" });
  await values.getByLabel("What is laid into it").fill("1 = 900");
  await values.getByLabel("What is laid into it").press("Enter");
  await expect(page.getByText(/900 is outside 0 to 100/).first()).toBeAttached();
  await values.getByLabel("What is laid into it").fill("1, 2 = 35");
  await values.getByLabel("What is laid into it").press("Enter");
  await expect(values.getByLabel("1 intensity", { exact: true })).toHaveValue("35");
  await values.getByLabel("2 intensity", { exact: true }).fill("45");
  await values.getByLabel("2 intensity", { exact: true }).press("Enter");
  await values.getByRole("button", { name: "Take 1 intensity out" }).click();
  await expect(values.getByLabel("1 intensity", { exact: true })).toHaveCount(0);
  await page.keyboard.press("Escape");
  await expect(values).toBeHidden();
  await stored(page);
  const looks = async (): Promise<LooksDocument> => (await documentOf(request, show)) as unknown as LooksDocument;
  expect((await looks()).heldLooks?.find(({ id }) => id === "worklight")?.values["2"]).toEqual({ intensity: 45 });
  await page.getByRole("button", { name: "New look" }).click();
  await page.getByText("Gather all held looks into a list …").click();
  await page.getByLabel("Name of the list of held looks").fill("Looks");
  await page.keyboard.press("Enter");
  await stored(page);
  const made = (await looks()).lists.find(({ label }) => label === "Looks");
  expect(made?.cues.map(({ label }) => label)).toEqual(["Preshow", "Worklight", "Cold wash"]);
});

test("a ready movement sways several attributes at once, and what sways in hand is kept as one", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "61..64 movement circle", /In hand, live: 4 lights: 61–64 move as Circle: pan, tilt/);
  await page.keyboard.press("Escape");
  await page.getByRole("tab", { name: "position" }).click();
  await page.getByRole("group", { name: "Wave" }).getByRole("button").first().click();
  await page.getByRole("group", { name: "Movements" }).getByRole("button", { name: "Figure" }).click();
  await page.getByRole("button", { name: "Keep as a movement" }).click();
  await page.getByText("What these lights sway in hand …").click();
  await page.getByLabel("Name of the movement").fill("Lantern sway");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("group", { name: "Movements" }).getByRole("button", { name: "Lantern sway", exact: true })).toBeVisible();
  await stored(page);
  expect(((await documentOf(request, show)) as unknown as LooksDocument).movements?.at(-1)).toMatchObject({
    label: "Lantern sway",
  });
  await enterLine(page, "#8: 61 movement lantern-sway", /^Cue 8, 1 light: pan sine 24 every 8 s/);
});
