import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { OWN, cueOf, documentOf, edit, openView, ownShow, liveLine } from "../support/show.ts";
import { openShelf, running } from "../support/running.ts";

test("a held look is made of the Hand, raised, bumped and taken out, in every window alike", async ({ page, request, context }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "41..43 = 60");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Shelf" }).click();
  await page.getByRole("button", { name: "New look" }).click();
  await page.getByText(/Of what is in hand: 3 values/).click();
  await page.getByLabel("Name of the new look, of what is in hand").fill("Front half");
  await page.keyboard.press("Enter");
  const strip = page.getByRole("region", { name: "Front half" });
  await expect(strip).toBeVisible();
  await stored(page);
  expect(JSON.stringify(await documentOf(request, show))).toContain('"label":"Front half"');

  const other = await context.newPage();
  await openShelf(other, show);
  const fader = strip.getByLabel("Front half, level");
  await fader.fill("9");
  await page.keyboard.press("ArrowUp");
  await expect.poll(async () => (await running(request, show)).looks["front-half"]?.level.to).toBe(10);
  await expect(other.getByLabel("Front half, per cent")).toHaveValue("10");
  const bump = strip.getByRole("button", { name: "Bump" });
  await bump.hover();
  await page.mouse.down();
  await expect.poll(async () => (await running(request, show)).looks["front-half"]?.level.to).toBe(100);
  await page.mouse.up();
  await expect.poll(async () => (await running(request, show)).looks["front-half"]?.level.to).toBe(10);
  await other.getByRole("region", { name: "Front half" }).getByRole("button", { name: "Out" }).click();
  await expect(strip.getByLabel("Front half, per cent")).toHaveValue("0");
  await page.keyboard.press("Control+z");
  await expect(strip).toBeHidden();
});

test("the standby set takes any cue of any list: by key, in the dialog, a step on, by line; it is seen in the spine", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show);
  const set = async (): Promise<string[]> => (await running(request, show)).standby.map(({ list, cue }) => `${list} ${cue}`).sort();
  await page.getByText("Kettle", { exact: true }).click();
  await page.keyboard.press("s");
  await expect.poll(set).toEqual(["main 8"]);
  const tag = page.getByTitle(/^In the standby set/);
  await expect(page.getByRole("row", { name: /^8 / }).getByTitle(/^In the standby set/)).toBeVisible();
  await enterLine(page, "standby", /opens the standby set/);
  const dialog = page.getByRole("dialog", { name: "Standby set" });
  await dialog.getByLabel("cue of Tower in the set").selectOption("2 Over the rail");
  await dialog.getByRole("button", { name: "the cue behind, of Main" }).click();
  await dialog.getByRole("button", { name: "the cue before, of Tower" }).click();
  await expect.poll(set).toEqual(["main 9", "tower 1"]);
  await page.keyboard.press("Escape");
  await enterLine(page, "standby also flame #2", /Live: chooses to go together: Main 9, Tower 1, Flame 2; nothing moves/);
  await expect.poll(async () => (await running(request, show)).lists["main"]?.cue).toBeNull();
  await page.keyboard.press("Control+Shift+G");
  await expect
    .poll(async () => Object.entries((await running(request, show)).lists).map(([id, { cue }]) => `${id} ${cue}`))
    .toEqual(["main 9", "tower 1", "flame 2"]);
  await expect(tag).toHaveCount(0);
});

test("everything goes dark and comes back, is held down, and let go of; a light that stays, stays", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("link", { name: "Rig" }).click();
  // Two fields of one light on a slow line, right after each other: both are kept.
  await page.route("**/edits", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
  });
  await page.getByLabel("Label of 1", { exact: true }).fill("House left");
  await page.getByLabel("Patch of 1", { exact: true }).fill("1.400");
  await page.getByLabel("1 stays when everything is put out", { exact: true }).check();
  await stored(page);
  await page.unroute("**/edits");
  const light = (await documentOf(request, show)).channels.find(({ number }) => number === 1);
  expect(light).toMatchObject({ label: "House left", patch: { universe: 1, address: 400 }, house: true });
  await page.getByRole("link", { name: "Run" }).click();
  await enterLine(page, "start main at #6", /Live: start Main at 6/);
  const masters = page.getByRole("group", { name: "Masters" });
  const badge = page.getByRole("banner").getByRole("status");
  await masters.getByRole("button", { name: "Blackout" }).click();
  await expect(badge).toHaveText("Blackout. Live, cue 6");
  await page.getByRole("link", { name: "Score" }).click();
  await expect(badge).toHaveText("Blackout. Blind, on stage cue 6");
  await page.keyboard.press("Control+b");
  await expect(badge).toHaveText("Blind, on stage cue 6");
  await enterLine(page, "grand 40", /Live: grand master to 40 %/);
  await expect(badge).toHaveText(/^Grand master 40 %\./);
  await page.getByRole("button", { name: "Shelf", exact: true }).click();
  await page.getByLabel("Grand master", { exact: true }).fill("100");
  await expect(badge).toHaveText("Blind, on stage cue 6");
  await enterLine(page, "raise preshow to 50", /raise|Preshow/);
  // Pressed twice at once it is one press, and it says how to go back.
  await page.getByRole("region", { name: "Everything" }).getByRole("button", { name: "All off" }).dblclick();
  await expect(badge).toHaveText("Blind, on stage nothing");
  await expect.poll(async () => (await running(request, show)).looks["preshow"]?.level.to).toBe(0);
  await page.getByRole("button", { name: "Back to 6" }).click();
  await expect(badge).toHaveText("Blind, on stage cue 6");
  await enterLine(page, "all out in 1", /lets go of every list, held look and the Hand in 1 s/);
  await expect(badge).toHaveText("Blind, on stage nothing");
});

test("a tempo is made, tapped and kept, and a list hung on it steps in another order, by pointer and line", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openShelf(page, show);
  await page.getByRole("button", { name: "New tempo" }).click();
  await page.getByText("A beat that lists and waves share …").click();
  await page.getByLabel("Name of the new tempo").fill("Pulse");
  await page.keyboard.press("Enter");
  await stored(page);
  const pulse = page.getByRole("region", { name: "Pulse" });
  await expect(pulse).toBeVisible();
  await pulse.getByRole("button", { name: "Tap" }).focus();
  for (let tap = 0; tap < 4; tap += 1) {
    await page.keyboard.press("Space");
    await page.waitForTimeout(400);
  }
  await expect.poll(async () => (await running(request, show)).tempos["pulse"] ?? 0).toBeGreaterThan(70);
  await pulse.getByRole("button", { name: "More of Pulse" }).click();
  await page.getByRole("menuitem", { name: /^Keep .* in the show/ }).click();
  await stored(page);
  await pulse.getByRole("button", { name: "More of Pulse" }).click();
  await page.getByRole("menuitem", { name: "Tower" }).click();
  await expect(pulse.getByText("for 1 list")).toBeVisible();
  await page.getByRole("button", { name: "Page before" }).click();
  await page.getByRole("button", { name: "More of Tower" }).click();
  await page.getByRole("menuitem", { name: /^By itself: a step at each beat of Pulse .*, there and back, for ever/ }).click();
  const dialog = page.getByRole("dialog", { name: "How Tower runs" });
  await dialog.getByRole("button", { name: "drawn anew each round" }).click();
  await dialog.getByLabel("rounds; empty: for ever").fill("3");
  await dialog.getByLabel("rounds; empty: for ever").press("Enter");
  await expect(dialog.getByRole("status")).toHaveText(/^a step at each beat of Pulse \(.* a minute\), drawn anew each round, 3 rounds$/);
  await page.keyboard.press("Escape");
  await enterLine(page, "steps tower every 0.6 back", /^List Tower set: a step every 0\.6 s, back, 3 rounds/);
  await page.getByRole("button", { name: "More of Tower" }).click();
  await page.getByRole("menuitem", { name: /^By itself: a step every 0\.6 s, back, 3 rounds/ }).click();
  await dialog.getByRole("button", { name: "On Go" }).click();
  await expect(dialog.getByRole("status")).toHaveText("waits for Go");
  await page.keyboard.press("Escape");
  await expect(dialog).toBeHidden();
  await stored(page);
  await expect(async () => {
    await page.keyboard.press("Control+z");
    await stored(page);
    expect(await documentOf(request, show)).toEqual(before);
  }).toPass();
});

test("a side list is started, quickened and released, and a set on two lists goes with one press", async ({ page, request }) => {
  const show = await ownShow(request);
  await openShelf(page, show);
  const tower = page.getByRole("region", { name: "Tower" });
  await tower.getByRole("button", { name: "Start" }).click();
  await expect(tower.getByText(/^1 of 3/)).toBeVisible();
  await expect(tower.getByText(/^2 of 3/)).toBeVisible({ timeout: 8000 });
  for (let tap = 0; tap < 4; tap += 1) {
    await tower.getByRole("button", { name: /Tap/ }).click();
    await page.waitForTimeout(300);
  }
  await expect.poll(async () => (await running(request, show)).tempos["swell"] ?? 0).toBeGreaterThan(40);
  await tower.getByRole("button").first().click();
  await page.getByRole("menuitem", { name: "Twice as fast" }).click();
  await expect.poll(async () => (await running(request, show)).lists["tower"]?.rate).toBe(2);
  await tower.getByRole("button", { name: "Release" }).click();
  await expect(tower.getByText("runs by itself")).toBeVisible();

  for (const name of ["Tower", "Flame"]) {
    await page.getByRole("region", { name }).getByRole("button").first().click();
    await page.getByRole("menuitem", { name: "Put its next cue into the standby set" }).click();
  }
  await expect(page.getByText("set: Tower 1, Flame 1")).toBeVisible();
  await expect.poll(async () => (await running(request, show)).lists["flame"]?.cue).toBeNull();
  await page.keyboard.press("Control+Shift+G");
  await expect.poll(async () => (await running(request, show)).lists["flame"]?.cue).toBe("1");
  await expect.poll(async () => (await running(request, show)).standby).toEqual([]);
  await expect(page.getByText(/^set:/)).toBeHidden();
});

test("a follow is caught by hand, a bounce of Go is one press and a second press is another", async ({ page, request }) => {
  const show = await ownShow(request);
  // There is to be time enough to catch it.
  await edit(request, show, { op: "setCue", from: "9.5", to: "9.5", trigger: { type: "follow", from: "go", after: 60 } });
  await openView(page, show, "run");
  await page.getByLabel("Go to cue").fill("9");
  await page.getByRole("button", { name: "At once" }).click();
  await expect(page.getByTestId("on-stage")).toHaveText("9");
  await expect(page.getByText("fires by itself in")).toBeVisible();
  await page.keyboard.press("Control+;");
  await expect(page.getByText("next, waits for Go")).toBeVisible();
  await expect.poll(async () => (await running(request, show)).lists["main"]?.follow).toBeNull();
  const go = page.getByRole("button", { name: "Go", exact: true });
  await go.evaluate((button: HTMLElement) => {
    button.click();
    button.click();
  });
  await expect(page.getByTestId("on-stage")).toHaveText("9.5");
  await page.waitForTimeout(300);
  await expect(page.getByTestId("on-stage")).toHaveText("9.5");
  await go.click();
  await page.waitForTimeout(200);
  await go.click();
  await expect(page.getByTestId("on-stage")).toHaveText("11");
});

test("a list that runs faster or darker is reported in Run and to who looks on, and set back", async ({ page, request, context }) => {
  const show = await ownShow(request);
  await openView(page, show, "run");
  await expect(page.getByRole("button", { name: /set back/ })).toHaveCount(0);
  const press = (data: object) => request.post(`/api/shows/${show}/run`, { headers: OWN, data });
  await press({ press: "rate", list: "main", rate: 20 });
  await press({ press: "master", list: "main", level: 60 });
  const looksOn = await context.newPage();
  await looksOn.goto(`/watch/${show}`);
  await expect(looksOn.getByText("20× as fast")).toBeVisible();
  await page.getByRole("button", { name: "20× as fast: set back" }).click();
  await page.getByRole("button", { name: "master 60 %: set back" }).click();
  await expect(page.getByRole("button", { name: /set back/ })).toHaveCount(0);
  await expect.poll(async () => (await running(request, show)).lists["main"]).toMatchObject({ rate: 1, master: { to: 100 } });
  await expect(looksOn.getByText("as fast")).toHaveCount(0);
});

test("a cue starts a list, and a go-to out of that stretch leaves it as running in order would", async ({ page, request }) => {
  const show = await ownShow(request);
  await openShelf(page, show);
  await page.getByLabel("Go to cue").fill("42");
  await page.getByRole("button", { name: "At once" }).click();
  await expect(page.getByRole("region", { name: "Tower" }).getByText(/^\d of 3/)).toBeVisible();
  await page.getByLabel("Go to cue").fill("46");
  await page.getByRole("button", { name: "At once" }).click();
  await expect(page.getByRole("region", { name: "Tower" }).getByText("runs by itself")).toBeVisible();
});

test("what a cue does besides is given in the inspector and typed, timed, and recorded", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "score");
  await page.getByText("Kettle").first().click();
  const besides = page.getByRole("group", { name: "What it does besides" });
  await besides.getByRole("button", { name: "Also does …" }).click();
  await besides.getByLabel("to what").selectOption("tower");
  await besides.getByRole("button", { name: "Add it" }).click();
  await expect(besides.getByText("start Tower")).toBeVisible();
  await besides.getByLabel("start Tower, seconds after its Go").fill("1.5");
  await page.keyboard.press("Enter");
  await enterLine(page, "#8: raise worklight to 30 in 4");
  await expect(besides.getByText("raise Worklight to 30 % in 4 s")).toBeVisible();
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "go", list: "flame" } });
  await besides.getByRole("button", { name: "What runs now: 1" }).click();
  await expect(besides.getByText("start Flame at 1")).toBeVisible();
  await stored(page);
  expect((await cueOf(request, show, "8")).actions).toEqual([
    { do: "start", list: "tower", after: 1.5 },
    { do: "look", look: "worklight", level: 30, time: 4 },
    { do: "start", list: "flame", cue: "1" },
  ]);
  await expect(page.getByRole("row", { name: /also: start Tower/ })).toBeVisible();
  await besides.getByRole("button", { name: "Take away: start Tower" }).click();
  await page.keyboard.press("Control+z");
  await expect(besides.getByText("start Tower")).toBeVisible();
  await enterLine(page, "#8: actions none");
  await expect(besides.getByText("start Tower")).toBeHidden();
});

test("a page that only looks on follows the show, in large letters too, over a lost server", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "run");
  const lookOn = page.getByRole("link", { name: "Look on" });
  const opened = page.waitForEvent("popup");
  await lookOn.click();
  expect(new URL((await opened).url()).pathname).toBe(`/watch/${show}`);
  await (await opened).close();
  await page.getByRole("button", { name: "Salt and Paraffin" }).first().click();
  await expect(page.getByRole("menuitem", { name: "Page that only looks on" })).toHaveAttribute("href", `/watch/${show}`);

  const live = await liveLine(page);
  await page.goto(`/watch/${show}`);
  await expect(page.getByTestId("next-cue")).toHaveText("0.5");
  const press = (data: object) => request.post(`/api/shows/${show}/run`, { headers: OWN, data });
  await press({ press: "goto", cue: "6", time: 0 });
  await expect(page.getByTestId("on-stage")).toHaveText("6");
  await page.getByRole("link", { name: "In large letters" }).click();
  await expect(page.getByTestId("on-stage")).toHaveText("6");
  await live.cut();
  await expect(page.getByRole("status")).toHaveText(/comes back by itself/);
  await press({ press: "go" });
  live.mend();
  await expect(page.getByTestId("on-stage")).toHaveText("7", { timeout: 30_000 });
  await expect(page.getByRole("button")).toHaveCount(0);
});
