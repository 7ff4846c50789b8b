import { type Page, type Route, expect, test } from "@playwright/test";
import { enterLine, inHand, onStage, stored } from "../support/build.ts";
import { OWN, cueOf, documentOf, openView, ownShow } from "../support/show.ts";

/** Every change takes a second longer to answer. */
async function slowServer(page: Page): Promise<void> {
  await page.route(/\/api\/shows\/\d+\/(edits|hand|undo|redo|run)/, async (route: Route) => {
    await new Promise((resolve) => setTimeout(resolve, 1000));
    await route.continue();
  });
}

const level = async (request: Parameters<typeof cueOf>[0], show: number, cue: string, light: string): Promise<unknown> =>
  (await cueOf(request, show, cue)).parts[0]?.moves[light]?.["intensity"];

test("lines typed ahead of a slow server are made in order, each on its own cues", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await slowServer(page);
  const line = page.getByRole("combobox", { name: "Line entry" });
  await page.keyboard.press("/");
  await page.keyboard.type("#6..9: 1..4 + 1 only\n");
  await expect(line).toHaveValue("");
  await page.keyboard.type("#15: 7 = 55\n");
  await page.keyboard.type('insert #15.75 "Late"\n');
  await page.keyboard.type("#15.75: 5 = 44\n");
  await page.keyboard.type("#11: 3 = ");
  await stored(page);
  await expect(line).toHaveValue("#11: 3 = ");
  expect(await level(request, show, "6", "1")).toBe(61);
  expect(await level(request, show, "15", "7")).toBe(55);
  expect(await level(request, show, "15.75", "5")).toBe(44);
  expect((await cueOf(request, show, "15.75")).label).toBe("Late");
});

test("what is chosen while a line is half typed does not change where it lands", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("Ada sets the table").click();
  await page.keyboard.press("/");
  await page.keyboard.type("1 = ");
  await expect(page.getByTestId("line-target")).toHaveText("blind 7");
  await page.getByText("Wind gets up").click();
  await expect(page.getByTestId("line-target")).toHaveText("blind 7");
  await page.getByLabel("Line entry").focus();
  await page.keyboard.press("End");
  await page.keyboard.type("12\n");
  await stored(page);
  expect(await level(request, show, "7", "1")).toBe(12);
  expect(await level(request, show, "9", "1")).not.toBe(12);
});

test("a refused line comes back into an empty line, or can be taken back into it", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await slowServer(page);
  const line = page.getByRole("combobox", { name: "Line entry" });
  await page.keyboard.press("/");
  await page.keyboard.type("insert #6.5\n");
  await page.keyboard.type("insert #6.5\n");
  await expect(line).toHaveValue("insert #6.5");
  await stored(page);
  await page.keyboard.press("Control+a");
  await page.keyboard.type("insert #6.7\n");
  await page.keyboard.type("insert #6.7\n");
  await page.keyboard.type("#8: 3 = 4");
  const back = page.getByRole("button", { name: "Take it back into the line" });
  await expect(back).toBeVisible();
  await expect(line).toHaveValue("#8: 3 = 4");
  await back.click();
  await expect(line).toHaveValue("insert #6.7");

  await line.fill("#8: 3 = 41");
  await page.route("**/edits", (route) => route.fulfill({ status: 503, json: { message: "The database is away" } }), { times: 1 });
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(line).toHaveValue("#8: 3 = 41");
  expect(await level(request, show, "8", "3")).not.toBe(41);
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(line).toHaveValue("");
  expect(await level(request, show, "8", "3")).toBe(41);
});

test("pressed twice is pressed once: Make it, Insert, Record and Enter on a slow server", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await slowServer(page);
  const before = (await documentOf(request, show)).lists[0]?.cues.length ?? 0;
  await page.getByText("Kettle").click();
  await page.getByRole("button", { name: /^Insert cue/ }).dblclick();
  await stored(page);
  expect((await documentOf(request, show)).lists[0]?.cues).toHaveLength(before + 1);
  await page.keyboard.press("/");
  await page.keyboard.type("#6: 1 + 5");
  await page.getByRole("button", { name: "Make it" }).dblclick();
  await stored(page);
  expect(await level(request, show, "6", "1")).toBe(65);
  await page.goto(`/show/${show}/stage`);
  await enterLine(page, "1..4 = 80");
  await page.keyboard.press("Escape");
  await page.keyboard.press("r");
  const sheet = page.getByRole("dialog", { name: "Record" });
  await sheet.getByLabel("Cue number").fill("90");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await stored(page);
  await page.keyboard.press("n");
  await page.keyboard.press("n");
  await stored(page);
  const { lists } = await documentOf(request, show);
  expect(lists[0]?.cues.map(({ number }) => number).filter((number) => Number(number) >= 90)).toEqual(["90"]);
});

test("one undo goes back over Hand and show in the order of time, a drag is one step", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "1..3 = 40");
  const slider = page.getByRole("slider", { name: "intensity, all chosen lights" });
  const box = await slider.boundingBox();
  if (!box) throw new Error("no slider");
  await page.mouse.move(box.x + box.width * 0.4, box.y + box.height / 2);
  await page.mouse.down();
  for (let step = 1; step <= 12; step += 1) await page.mouse.move(box.x + box.width * (0.4 + step * 0.04), box.y + box.height / 2);
  await page.mouse.up();
  await enterLine(page, "#6 carries only");
  await enterLine(page, "5 = 30");
  const given = await inHand(request, show);
  expect(Number(given["1.intensity"]?.move)).toBeGreaterThan(70);
  await page.keyboard.press("Escape");
  const undo = page.getByRole("button", { name: "Undo" });
  await expect(undo).toHaveAttribute("title", /In hand: light 5, intensity 30/);
  await page.keyboard.press("/");
  await page.keyboard.press("Control+z");
  await expect.poll(async () => Object.keys(await inHand(request, show))).toEqual(["1.intensity", "2.intensity", "3.intensity"]);
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await cueOf(request, show, "6")) as object).not.toHaveProperty("carries");
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await inHand(request, show))["1.intensity"]?.move).toBe(40);
  await page.keyboard.press("Control+z");
  await expect.poll(() => inHand(request, show)).toEqual({});
  for (let step = 0; step < 4; step += 1) await page.keyboard.press("Control+Shift+z");
  await expect.poll(() => inHand(request, show)).toEqual(given);
  await stored(page);
  expect(await cueOf(request, show, "6")).toHaveProperty("carries", "cueOnly");
});

test("another window's step is named before it is taken back", async ({ page, context, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const other = await context.newPage();
  await openView(other, show);
  await enterLine(other, 'label #6 "From elsewhere"');
  await expect(page.getByText("From elsewhere").first()).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("Another window did this: Cue 6: label");
  expect((await cueOf(request, show, "6")).label).toBe("From elsewhere");
  await page.waitForTimeout(1000);
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await cueOf(request, show, "6")).label).toBe("The keeper's room");
});

test("recording the next cue within a fade leaves the stage alone, and undo puts it back", async ({ page, request }) => {
  const show = await ownShow(request);
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "7" } });
  await openView(page, show, "stage");
  await enterLine(page, "11 = 66");
  await page.keyboard.press("Escape");
  await page.keyboard.press("n");
  const status = page.getByRole("banner").getByRole("status");
  await expect(status).toHaveText("Live, cue 7.5");
  await expect.poll(async () => (await onStage(request, show)).look["11.intensity"]).toBe(66);
  await page.keyboard.press("Control+z");
  await expect(status).toHaveText("Live, cue 7");
  await expect.poll(async () => (await inHand(request, show))["11.intensity"]).toEqual({ move: 66, fresh: true });
  await expect.poll(async () => (await onStage(request, show)).look["11.intensity"]).not.toBe(66);
});

test("a refused record opens its sheet again as it was, and takes no key from the line", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "1..4 = 80");
  await page.keyboard.press("Escape");
  await page.keyboard.press("r");
  const sheet = page.getByRole("dialog", { name: "Record" });
  await sheet.getByLabel("Cue number").fill("90");
  await sheet.getByLabel("Label of the cue").fill("Late light");
  await sheet.getByRole("button", { name: "This cue only" }).click();
  await page.route(
    "**/run/edits",
    async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 1000));
      await route.fulfill({ status: 503, json: { statusCode: 503, message: "The database is away; nothing was changed" } });
    },
    { times: 1 },
  );
  await sheet.getByRole("button", { name: /^Record \d/ }).click();
  await expect(sheet).toBeHidden();
  await page.keyboard.press("/");
  await page.keyboard.type("#8: 3");
  await expect(sheet.getByLabel("Label of the cue")).toHaveValue("Late light");
  await page.keyboard.type(" = 4");
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue("#8: 3 = 4");
  expect((await documentOf(request, show)).lists[0]?.cues.map(({ number }) => number)).not.toContain("90");
  await sheet.getByRole("button", { name: /^Record \d/ }).click();
  await stored(page);
  await expect(sheet).toBeHidden();
  expect(await cueOf(request, show, "90")).toMatchObject({ label: "Late light", carries: "cueOnly" });
});

test("a half-entered palette outlives another choice, a foreign edit and another show", async ({ page, context, request }) => {
  test.setTimeout(60_000);
  const show = await ownShow(request);
  await page.goto(`/show/${show}/rig/palettes`);
  await page.getByRole("button", { name: /^Dusk/ }).click();
  await page.getByLabel("label", { exact: true }).fill("Dusk, late");
  await page
    .getByRole("button", { name: /^Storm/ })
    .first()
    .click();
  const other = await context.newPage();
  await openView(other, show);
  await enterLine(other, 'label #6 "Changed"');
  await page.bringToFront();
  await page.getByRole("button", { name: /^Dusk/ }).click();
  await expect(page.getByLabel("label", { exact: true })).toHaveValue("Dusk, late");
  await page.getByRole("link", { name: /^Lights/ }).click();
  await page.getByRole("link", { name: /^Palettes/ }).click();
  await page.getByRole("button", { name: /^Dusk/ }).click();
  await expect(page.getByLabel("label", { exact: true })).toHaveValue("Dusk, late");

  const second = await ownShow(request);
  for (const [to, label] of [
    [second, "Dusk"],
    [show, "Dusk, late"],
  ] as const) {
    await page.getByRole("banner").getByRole("button", { name: "Salt and Paraffin", exact: true }).click();
    await page.getByRole("menuitem", { name: `Salt and Paraffin no. ${to}`, exact: true }).click();
    await expect(page).toHaveURL(new RegExp(`/show/${to}/`));
    await page.getByRole("link", { name: "Rig" }).click();
    await page.getByRole("link", { name: /^Palettes/ }).click();
    await page.getByRole("button", { name: /^Dusk/ }).click();
    await expect(page.getByLabel("label", { exact: true })).toHaveValue(label);
  }
});

test("cues are found from any view by the words of their label", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await page.keyboard.press("Control+f");
  await page.keyboard.type("kettle");
  await expect(page.getByRole("option", { name: /^8 Kettle/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("row", { name: /^8 Kettle/ })).toHaveAttribute("aria-selected", "true");
  await page.keyboard.press("Control+f");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Find a cue" })).toBeHidden();
});

test("after an edit of very many moves windows read anew, and one undo brings all back", async ({ page, context, request }) => {
  const lights = Array.from({ length: 90 }, (_, index) => index + 1);
  const cues = Array.from({ length: 100 }, (_, index) => ({
    number: String(index + 1),
    label: `Moment ${index + 1}`,
    parts: [{ number: 1, times: {}, moves: Object.fromEntries(lights.map((light) => [light, { intensity: (index + light) % 101 }])) }],
  }));
  const lamp = { id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }] };
  const added = await request.post("/api/shows", {
    headers: { ...OWN, "Content-Type": "application/vnd.zealous-mark.show+json" },
    data: {
      format: "zealous-mark/show",
      version: 2,
      title: "Large",
      fixtureTypes: [lamp],
      channels: lights.map((number) => ({ number, type: "lamp" })),
      lists: [{ id: "main", label: "Main", cues }],
    },
  });
  const { id }: { id: number } = await added.json();
  const other = await context.newPage();
  for (const window of [page, other]) {
    await window.goto(`/show/${id}/score`);
    await expect(window.getByText("Moment 2", { exact: true }).first()).toBeVisible();
  }
  await enterLine(page, "delete #2..100 drop");
  for (const window of [page, other]) await expect(window.getByText("Moment 2", { exact: true })).toHaveCount(0);
  await stored(page);
  await page.keyboard.press("Control+z");
  for (const window of [page, other]) await expect(window.getByText("Moment 2", { exact: true }).first()).toBeVisible();
  await stored(page);
  const { lists } = await documentOf(request, id);
  expect(lists[0]?.cues).toHaveLength(100);
});

test("a digit, # or @ begins a line from Score and Stage, and a press answers beside it", async ({ page, request }) => {
  const show = await ownShow(request);
  // On a busy machine a frame comes late, behind the next keys.
  await page.addInitScript(() => {
    const nextFrame = window.requestAnimationFrame.bind(window);
    window.requestAnimationFrame = (draw) => {
      setTimeout(() => nextFrame(draw), 150);
      return 0;
    };
  });
  await openView(page, show);
  const line = page.getByRole("combobox", { name: "Line entry" });
  await page.getByText("Kettle").click();
  await page.keyboard.type("/7: = ");
  await expect(line).toHaveValue("7: = ");
  await page.keyboard.press("Escape");
  await page.keyboard.type("#8: 3 = 41\n", { delay: 40 });
  await expect(line).toHaveValue("");
  await stored(page);
  expect(await level(request, show, "8", "3")).toBe(41);
  const said = page.locator("#line-answer");
  await expect(said).toContainText("Cue 8");
  await page.getByRole("link", { name: "Stage" }).click();
  await page.keyboard.type("1..3 = 20\n");
  await expect.poll(async () => Object.keys(await inHand(request, show))).toContain("1.intensity");
  await page.keyboard.type("= 55\n");
  await expect.poll(async () => (await inHand(request, show))["2.intensity"]?.move).toBe(55);
  await enterLine(page, "start tower");
  await expect(said).toContainText(/[Tt]ower/);
  await expect(said).not.toContainText("Cue 8");
});

test("what is done while database or server is away is named, and told once they are back", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const line = page.getByRole("combobox", { name: "Line entry" });
  const type = async (text: string): Promise<void> => {
    await line.fill(text);
    await line.press("Enter");
  };
  const told = page.getByRole("alert").filter({ hasText: "label" });
  // Nobody can say what was stored before both have come back.
  let away = true;
  await page.route("**/requests/*", (route) =>
    away ? route.fulfill({ status: 503, json: { message: "Away", faults: [] } }) : route.continue(),
  );

  await page.route(
    "**/edits",
    (route) => route.fulfill({ status: 503, json: { message: "The database is away: nothing was changed", faults: [] } }),
    { times: 1 },
  );
  await type('label #8 "Pot boils"');
  await expect(told).toContainText("Pot boils");
  await expect(told).toContainText("The database is away");
  await line.fill("");
  away = false;
  await expect(told).toContainText("Not stored");
  expect((await cueOf(request, show, "8")).label).toBe("Kettle");
  await page.getByRole("button", { name: "Do it now" }).click();
  await stored(page);
  expect((await cueOf(request, show, "8")).label).toBe("Pot boils");
  await expect(told).toBeHidden();

  // The edit arrives; both answers are lost on the way.
  away = true;
  let lost = 0;
  await page.route(
    "**/edits",
    async (route) => {
      if (lost === 0) await route.fetch();
      lost += 1;
      await route.abort();
    },
    { times: 2 },
  );
  await type('label #9 "It blows"');
  await expect(page.getByRole("alert").filter({ hasText: "It blows" })).toContainText("does not answer");
  expect(lost).toBe(2);
  away = false;
  await expect(page.getByRole("status").filter({ hasText: "Stored after all" })).toContainText("It blows");
  expect((await cueOf(request, show, "9")).label).toBe("It blows");

  // Done again by hand before that is known, there is nothing more to tell.
  away = true;
  await page.route("**/edits", (route) => route.fulfill({ status: 503, json: { message: "The database is away", faults: [] } }), {
    times: 1,
  });
  await type('label #10 "Latched"');
  await expect(page.getByRole("alert").filter({ hasText: "Latched" })).toContainText("The database is away");
  await line.press("Enter");
  await stored(page);
  expect((await cueOf(request, show, "10")).label).toBe("Latched");
  await expect(page.getByRole("alert").filter({ hasText: "Latched" })).toBeHidden();
});
