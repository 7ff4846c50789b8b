import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { OWN, cueOf, documentOf, openView, ownShow } from "../support/show.ts";
import { openShelf, running } from "../support/running.ts";

test("a side list is stepped, held, gone back on, gone to and set by number on its strip", async ({ page, request }) => {
  const show = await ownShow(request);
  await openShelf(page, show);
  const tower = page.getByRole("region", { name: "Tower" });
  const stands = async (): Promise<string | null | undefined> => (await running(request, show)).lists["tower"]?.cue;
  await enterLine(page, "steps tower none");
  await tower.getByRole("button", { name: "Start" }).click();
  await expect.poll(stands).toBe("1");
  await tower.getByRole("button", { name: "Next" }).click();
  await expect.poll(stands).toBe("2");
  await tower.getByRole("button", { name: "Back on Tower" }).click();
  await expect.poll(stands).toBe("1");
  await tower.getByRole("button", { name: "Hold Tower" }).click();
  await expect(tower.getByRole("button", { name: "Go on with Tower" })).toHaveAttribute("aria-pressed", "true");
  await tower.getByRole("button", { name: "Go on with Tower" }).click();
  await tower.getByRole("button", { name: "More of Tower" }).click();
  await page.getByRole("menuitem", { name: "Go to a cue …" }).click();
  await page.getByLabel("Go to cue").last().fill("3");
  await page.keyboard.press("Enter");
  await expect.poll(stands).toBe("3");
  await tower.getByLabel("Tower, per cent").fill("40");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await running(request, show)).lists["tower"]?.master.to).toBe(40);
  // Its button is told what it does: it runs while it is pressed, or from one press to the next.
  await tower.getByRole("button", { name: "Release" }).click();
  await tower.getByRole("button", { name: "More of Tower" }).click();
  await page.getByRole("menuitem", { name: "It runs while it is pressed" }).click();
  const held = tower.getByRole("button", { name: "While held" });
  await held.hover();
  await page.mouse.down();
  await expect.poll(stands).toBe("1");
  await page.mouse.up();
  await expect.poll(stands).toBeNull();
});

test("a list or a look is seen alone, said in every view, and let go of", async ({ page, request }) => {
  const show = await ownShow(request);
  await openShelf(page, show);
  await page.getByRole("button", { name: "Solo Worklight" }).click();
  await expect(page.getByRole("banner").getByRole("status")).toHaveText(/^Solo worklight\. Live/);
  await page.getByRole("button", { name: "Solo Worklight" }).click();
  await expect(page.getByRole("banner").getByRole("status")).toHaveText(/^Live/);
  await enterLine(page, "solo tower", /Live: solo: only lights come out that Tower holds/);
  await expect(page.getByRole("button", { name: "Solo Tower" })).toHaveAttribute("aria-pressed", "true");
  await enterLine(page, "solo off", /everything comes out again/);
});

test("a page of strips and buttons is made, arranged, pressed by key, and taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openShelf(page, show);
  await page.getByRole("button", { name: "New page" }).click();
  await page.getByText("Strips and buttons of your own …").click();
  await page.getByLabel("Name of the new page").fill("Storm");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Nothing stands on this page yet.")).toBeVisible();
  await page.getByRole("button", { name: "Add to Storm" }).click();
  await page.getByRole("menuitem", { name: "Worklight" }).click();
  await page.getByRole("button", { name: "Add to Storm" }).click();
  await page.getByRole("menuitem", { name: /^A button: a cue/ }).click();
  const form = page.getByRole("dialog", { name: "A button for the shelf" });
  await form.getByLabel("what is done").selectOption("goto");
  await form.getByLabel("to what").selectOption("tower");
  await expect(form.getByText("Choose a cue.")).toBeVisible();
  await form.getByLabel("which cue").selectOption("2");
  await form.getByRole("button", { name: "Put it there" }).click();
  await expect(form).toBeHidden();
  await stored(page);
  await enterLine(page, 'page "Storm" press raise worklight to 70 in 1', /^Page Storm of the shelf set/);
  await expect(page.getByRole("button", { name: /^Raise Worklight to 70 % in 1 s/ })).toBeVisible();
  await page.keyboard.press("Control+Alt+1");
  await expect.poll(async () => (await running(request, show)).lists["tower"]?.cue).toBe("2");
  await page.keyboard.press("Control+Alt+2");
  await expect.poll(async () => (await running(request, show)).looks["worklight"]?.level.to).toBe(70);
  await expect(page.getByRole("button", { name: /^Raise Worklight to 70 % in 1 s/ })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Arrange" }).click();
  await page.getByRole("button", { name: "Off the page: worklight" }).click();
  await expect(page.getByRole("region", { name: "Worklight" })).toBeHidden();
  await page.getByRole("button", { name: "Done" }).click();
  await stored(page);
  const after: object = await documentOf(request, show);
  expect(after).toMatchObject({
    pages: [{ label: "Second act" }, { label: "Storm", items: [{ do: { do: "goto", list: "tower", cue: "2" } }, { do: { do: "look" } }] }],
  });
  await page.reload();
  await expect(page.getByRole("heading", { name: "Run, Salt and Paraffin" })).toBeAttached();
  await expect(async () => {
    await page.keyboard.press("Control+z");
    await stored(page);
    expect(await documentOf(request, show)).toEqual(before);
  }).toPass();
});

test("a cue lets its own list go, and raises by number, in a form; the cue of a side list is updated", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "score");
  await page.getByText("Kettle").first().click();
  const besides = page.getByRole("group", { name: "What it does besides" });
  await besides.getByRole("button", { name: "Also does …" }).click();
  await besides.getByLabel("what is done").selectOption("release");
  await expect(besides.getByText("release this list when it is complete")).toBeVisible();
  await besides.getByRole("button", { name: "Add it" }).click();
  await stored(page);
  await besides.getByRole("button", { name: "Also does …" }).click();
  await besides.getByLabel("what is done").selectOption("master");
  await besides.getByLabel("to what").selectOption("flame");
  await besides.getByLabel("per cent").fill("45");
  await besides.getByLabel("in seconds").fill("2.5");
  await besides.getByLabel("in seconds").press("Tab");
  await besides.getByRole("button", { name: "Add it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "8")).actions).toEqual([{ do: "release" }, { do: "master", list: "flame", level: 45, time: 2.5 }]);
  await besides.getByRole("button", { name: "Flame at 45 % in 2.5 s", exact: true }).click();
  await besides.getByLabel("per cent").fill("60");
  await besides.getByLabel("per cent").press("Tab");
  await besides.getByRole("button", { name: "Change it" }).click();
  await stored(page);
  expect((await cueOf(request, show, "8")).actions?.[1]).toEqual({ do: "master", list: "flame", level: 60, time: 2.5 });

  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "go", list: "tower" } });
  await page.getByRole("link", { name: "Stage" }).click();
  await enterLine(page, "41 = 33");
  await page.keyboard.press("Escape");
  await page.keyboard.press("u");
  const drawer = page.getByRole("dialog", { name: "Update" });
  await drawer.getByRole("button", { name: "Tower" }).click();
  await expect(drawer.getByText(/1 value in hand over cue 1/)).toBeVisible();
  await drawer.getByRole("button", { name: "Update", exact: true }).click();
  await stored(page);
  const { lists }: { lists: { id?: string; cues: { parts: { moves: object }[] }[] }[] } = await documentOf(request, show);
  expect(lists.find(({ id }) => id === "tower")?.cues[0]?.parts[0]?.moves).toMatchObject({ 41: { intensity: 33 } });
});
