import { type Locator, type Page, expect, test } from "@playwright/test";
import { inHand, onStage, openShow, stored } from "../support/build.ts";
import { cueOf, documentOf, openView, ownShow } from "../support/show.ts";

/** Drags from the middle of a thing by so many pixels. */
async function dragBy(page: Page, thing: Locator, x: number, y: number): Promise<void> {
  const box = await thing.boundingBox();
  if (!box) throw new Error("There is nothing to drag");
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + x / 2, from.y + y / 2);
  await page.mouse.move(from.x + x, from.y + y);
  await page.mouse.up();
}

/** Drags a landing point in the plan from one place on the floor to another, metres. */
async function dragLanding(page: Page, from: { x: number; z: number }, to: { x: number; z: number }): Promise<void> {
  const box = await page.getByRole("img").boundingBox();
  if (!box) throw new Error("The picture is not there");
  const scale = Math.min(box.width / 16, box.height / 14.6);
  const at = ({ x, z }: { x: number; z: number }): [number, number] => [
    box.x + box.width / 2 + x * scale,
    box.y + box.height / 2 - (z - 2.5) * scale,
  ];
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 8 });
  await page.mouse.up();
}

/** Draws a line around a part of the stage picture; the corners as shares of its width and height. */
async function lasso(page: Page, left: number, top: number, right: number, bottom: number): Promise<void> {
  const box = await page.getByRole("img").boundingBox();
  if (!box) throw new Error("The picture is not there");
  const at = (x: number, y: number): [number, number] => [box.x + x * box.width, box.y + y * box.height];
  await page.mouse.move(...at(left, top));
  await page.mouse.down();
  for (const [x, y] of [
    [right, top],
    [right, bottom],
    [left, bottom],
    [left, top],
  ] as const)
    await page.mouse.move(...at(x, y), { steps: 4 });
  await page.mouse.up();
}

test("by pointer from an empty show to a run: rig, palettes, a pace, ten cues", async ({ page, request }) => {
  test.setTimeout(120_000);
  const other = await ownShow(request);
  await openView(page, other);
  await page.getByRole("button", { name: "Salt and Paraffin" }).click();
  await page.getByRole("menuitem", { name: "New show …" }).click();
  await page.getByLabel("Name of the new show").fill("Rope and Candle");
  await page.keyboard.press("Enter");
  await expect.poll(() => openShow(page)).not.toBe(other);
  const show = openShow(page);
  const button = (name: string | RegExp): Locator => page.getByRole("button", { name, exact: typeof name === "string" });
  const views = page.getByRole("navigation", { name: "Views" });

  await test.step("the rig: two types, twelve lights hung in two rows, two groups", async () => {
    await views.getByRole("link", { name: "Rig" }).click();
    const tabs = page.getByRole("navigation", { name: "Rig" });
    await tabs.getByRole("link", { name: /Types/ }).click();
    await button("New type").click();
    await page.getByLabel("name", { exact: true }).fill("Lamp");
    await button("Save").click();
    await expect(page.getByRole("list", { name: "Types" }).getByRole("button", { name: /^Lamp/ })).toBeVisible();
    await button("New type").click();
    await page.getByRole("form", { name: "Type New type" }).getByLabel("name", { exact: true }).fill("Moving wash");
    await button("pan and tilt").click();
    await button("red green blue").click();
    await button("Save").click();
    await tabs.getByRole("link", { name: /Lights/ }).click();
    const add = page.getByRole("form", { name: "Add lights" });
    for (const [first, last, type, patch, called] of [
      ["1", "6", "Lamp", "1.1", "Front"],
      ["11", "16", "Moving wash", "1.4", "Wash"],
    ] as const) {
      await add.getByLabel("First light").fill(first);
      await add.getByLabel("Last light").fill(last);
      await add.getByLabel("Type of the lights").selectOption({ label: type });
      await add.getByLabel("First patch").fill(patch);
      await add.getByLabel("Called").fill(called);
      await expect(add.getByRole("status")).toHaveText(/^adds 6 lights/);
      await add.getByRole("button", { name: "Add" }).click();
      await expect(page.getByRole("heading", { name: `6 lights: ${first}–${last}` })).toBeVisible();
      const z = first === "1" ? "1" : "5";
      for (const [end, x] of [
        ["from", "-4"],
        ["to", "4"],
      ] as const) {
        await page.getByLabel(`${end} across`).fill(x);
        await page.getByLabel(`${end} up`).fill("6");
        await page.getByLabel(`${end} deep`).fill(z);
      }
      await page.getByRole("form", { name: "Hang them" }).getByRole("button", { name: "Do" }).click();
      await button("Make a group of them …").click();
      await page.getByLabel("Name of the group").fill(called);
      await page.keyboard.press("Enter");
    }
    await expect(page.getByText(/\d+ lights with a patch that clashes/)).toBeVisible();
    await page.getByLabel("Patch from").fill("1.11");
    await page.getByLabel("Patch from").locator("..").getByRole("button", { name: "Do" }).click();
    await expect(page.getByText("No patch clash")).toBeVisible();
  });

  const stage = page.getByRole("complementary", { name: "Inspector" });
  const record = page.getByRole("dialog", { name: "Record" });

  await test.step("a look: lights by a line around them, a tint, a fan and a landing point by drag, kept as palettes and a pace", async () => {
    await views.getByRole("link", { name: "Stage" }).click();
    await button("Plan").click();
    await lasso(page, 0.02, 0.2, 0.98, 0.45);
    await expect(page.getByTestId("chosen-lights")).toHaveText("6 lights: 11–16");
    await stage.getByRole("button", { name: "Half" }).click();
    await dragBy(page, stage.getByRole("slider", { name: "intensity of the last light" }), 0, -60);
    await stage.getByRole("tab", { name: "colour" }).click();
    await stage.getByRole("button", { name: "Foxglove" }).click();
    await button("Keep as palette …").click();
    await page.getByLabel("Name of the palette").fill("Storm");
    await button("Keep").click();
    await expect.poll(async () => (await inHand(request, show))["11.red"]?.move).toEqual({ palette: "storm" });
    await stage.getByRole("tab", { name: "position" }).click();
    await dragLanding(page, { x: -4, z: 5 }, { x: -4, z: 3 });
    await expect.poll(async () => Math.round(Number((await inHand(request, show))["16.tilt"]?.move) * 10) / 10).toBe(-18.4);
    await stage.getByLabel("tilt", { exact: true }).click();
    await dragBy(page, stage.getByRole("slider", { name: "tilt of the first light" }), 0, 40);
    await stage.getByLabel("own delay, seconds").fill("0~2");
    await stage.getByLabel("own fade, seconds").fill("4");
    await stage.getByLabel("own fade, seconds").blur();
    await button("Keep as pace …").click();
    await page.getByLabel("Name of the pace").fill("Slow sweep");
    await page.keyboard.press("Enter");
    await expect(stage.getByRole("button", { name: "Slow sweep" })).toBeVisible();
  });

  await test.step("ten cues", async () => {
    await button("Record …").click();
    await expect(page.getByTestId("record-sentence")).toHaveText("Adds cue 1: 36 values of 6 lights; it has no times, so it snaps.");
    await record.getByLabel("Label of the cue").fill("Preset");
    await record.getByLabel("up, seconds").fill("3");
    await record.getByLabel("down, seconds").fill("5");
    await record.getByLabel("down delay, seconds").fill("1");
    await record.getByRole("button", { name: /^Record \d/ }).click();
    await expect(page.getByText(/all recorded/)).toBeVisible();
    await expect(page.getByRole("banner").getByRole("status")).toHaveText("Live, cue 1, the last");

    await stage.getByRole("button", { name: "Front", exact: true }).click();
    for (const [index, operation] of ["Full", "Half", "Out", "+5", "Full", "−5", "Half", "+5"].entries()) {
      await stage.getByRole("button", { name: operation, exact: true }).click();
      await expect(button(`Record ${index + 2}`)).toBeEnabled();
      await button(`Record ${index + 2}`).click();
      await expect(page.getByRole("banner").getByRole("status")).toHaveText(`Live, cue ${index + 2}, the last`);
    }
    await stage.getByRole("button", { name: "Wash", exact: true }).click();
    await stage.getByRole("tab", { name: "level" }).click();
    await stage.getByRole("button", { name: "Out", exact: true }).click();
    await button("Record …").click();
    await record.getByLabel("Label of the cue").fill("Washes go");
    await record.getByRole("button", { name: "own times" }).first().click();
    await record.getByRole("button", { name: "Values", exact: true }).click();
    await expect(page.getByTestId("record-sentence")).toHaveText(
      "Adds cue 10 behind 9: 6 values of 6 lights; it has no times, so it snaps.",
    );
    await record.getByRole("button", { name: /^Record \d/ }).click();
    await expect(page.getByRole("banner").getByRole("status")).toHaveText("Live, cue 10, the last");
    const { lists } = await documentOf(request, show);
    expect(lists[0]?.cues.map((cue) => cue.number)).toEqual(["1", "2", "3", "4", "5", "6", "7", "8", "9", "10"]);
    const preset = (await cueOf(request, show, "1")).parts[0];
    expect(preset?.times).toEqual({ up: 3, down: 5, downDelay: 1 });
    expect(preset?.moves["13"]).toMatchObject({ red: { palette: "storm" }, tilt: { fade: 4, delay: 0.8 } });
    expect(Number(preset?.moves["16"]?.["intensity"])).toBeGreaterThan(60);
    expect(preset?.moves["11"]?.["intensity"]).toBe(50);
  });

  await test.step("an update at the source, and the run", async () => {
    await stage.getByRole("button", { name: "Wash", exact: true }).click();
    await stage.getByRole("tab", { name: "colour" }).click();
    await stage.getByRole("button", { name: "Sea glass" }).click();
    await button("Update …").click();
    const update = page.getByRole("dialog", { name: "Update" });
    await update.getByRole("button", { name: "In the palette" }).click();
    await expect(update.getByRole("status")).toHaveText("10 cues look different.");
    await update.getByRole("button", { name: "Update", exact: true }).click();
    await expect(update).toBeHidden();
    await stored(page);
    expect((await cueOf(request, show, "1")).parts[0]?.moves["11"]).toMatchObject({ red: { palette: "storm" } });

    await button("Drop all").click();
    await expect(page.getByText("dropped from the Hand")).toBeVisible();
    await views.getByRole("link", { name: "Run" }).click();
    await page.getByText("Preset").click();
    await button("At once").click();
    await expect(page.getByTestId("on-stage")).toHaveText("1");
    for (const cue of ["2", "3", "4", "5", "6", "7", "8", "9", "10"]) {
      await expect(page.getByTestId("next-cue")).toHaveText(cue);
      await button("Go").click();
      await expect(page.getByTestId("on-stage")).toHaveText(cue);
      // A second press right behind the first would be taken for the button bouncing.
      await page.waitForTimeout(200);
    }
    const { look } = await onStage(request, show);
    expect([look["11.intensity"], look["11.green"]]).toEqual([0, 96]);
  });
});

test("what is dropped fades back and can be held again; Escape lets go of the choice first", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  const stage = page.getByRole("complementary", { name: "Inspector" });
  await stage.getByRole("button", { name: "Front", exact: true }).click();
  await stage.getByRole("button", { name: "Full", exact: true }).click();
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("6 values of 6 lights, none recorded");
  await page.getByRole("button", { name: /^Drop light 41/ }).click();
  await expect.poll(async () => Object.keys(await inHand(request, show))).toHaveLength(5);
  await page.getByRole("img").click({ position: { x: 20, y: 500 } });
  await stage.getByRole("button", { name: "Front", exact: true }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByTestId("chosen-lights")).toHaveText("No light chosen");
  expect(Object.keys(await inHand(request, show))).toHaveLength(5);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("region", { name: "In hand" })).toContainText("In handnothing");
  await page.getByRole("button", { name: "Take up again" }).last().click();
  await expect.poll(async () => Object.keys(await inHand(request, show))).toHaveLength(5);
  await stage.getByRole("button", { name: "Front", exact: true }).click();
  await stage.getByRole("button", { name: "Half", exact: true }).click();
  await expect.poll(async () => (await inHand(request, show))["41.intensity"]?.move).toBe(50);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => Object.keys(await inHand(request, show))).toHaveLength(5);
  await expect.poll(async () => (await inHand(request, show))["42.intensity"]?.move).toBe(100);
});

test("removing a light that cues use says what uses it, and asks", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/rig`);
  await page.getByRole("grid", { name: "Lights" }).getByRole("button", { name: "3", exact: true }).click();
  await page.getByRole("button", { name: "Remove this light" }).click();
  const asked = page.getByRole("alert").filter({ hasText: "Light 3 is used by" });
  await expect(asked).toContainText(
    /Light 3 is used by \d+ moves in cues .*, group "cabin", held look "worklight"; take it out of those first/,
  );
  await asked.getByRole("button", { name: /show me/ }).click();
  await expect(page.getByRole("region", { name: "Impact" })).toContainText("light 3: 60 to unset");
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.getByRole("grid", { name: "Lights" }).getByRole("button", { name: "3", exact: true })).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("grid", { name: "Lights" }).getByRole("button", { name: "3", exact: true })).toBeVisible();
});

test("a list is gathered from cues of the show in an order of its own, and looks the same there", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByRole("button", { name: "Main list" }).click();
  await page.getByRole("menuitem", { name: "List gathered from cues …" }).click();
  const dialog = page.getByRole("dialog", { name: "List gathered from cues" });
  await dialog.getByLabel("name of the new list").fill("Storms");
  const from = dialog.getByRole("group", { name: "Cues to take" });
  for (const cue of ["Kettle", "Night sea", "A knock"]) await from.getByRole("button", { name: cue }).click();
  await dialog.getByRole("button", { name: "Cue 3 up" }).click();
  await dialog.getByRole("button", { name: "Make the list" }).click();
  await expect(page.getByRole("button", { name: "Storms list" })).toBeVisible();
  await expect(page.getByRole("row", { name: /^2 A knock/ })).toBeVisible();
  const { lists } = await documentOf(request, show);
  expect(lists.find(({ label }) => label === "Storms")?.cues.map(({ number, label }) => [number, label])).toEqual([
    ["1", "Kettle"],
    ["2", "A knock"],
    ["3", "Night sea"],
  ]);
  await page.getByRole("button", { name: "Storms list" }).click();
  await page.getByRole("menuitem", { name: "Rename this list …" }).click();
  await page.getByLabel("Name of this list").fill("All storms");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "All storms list" }).click();
  await page.getByRole("menuitem", { name: "Remove this list and its 3 cues" }).click();
  await expect(page.getByRole("button", { name: "Main list" })).toBeVisible();
  await expect.poll(async () => (await documentOf(request, show)).lists.length).toBe(lists.length - 1);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect.poll(async () => (await documentOf(request, show)).lists.map((list) => list.label)).toContain("All storms");
});

test("the rig goes out as a table and a changed table comes in, seen before it is taken", async ({ page, request }) => {
  const show = await ownShow(request);
  await page.goto(`/show/${show}/rig`);
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Table out (CSV)" }).click()]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(Buffer.from(chunk));
  const table = Buffer.concat(chunks).toString("utf8");
  expect(table.split("\n")[0]).toBe("channel,type,label,universe,address,x,y,z,aimX,aimY,aimZ");
  const load = (text: string) =>
    page.getByLabel("Rig table").setInputFiles({ name: "rig.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await load(table.replace("Cabin 1,1,1,", "Cabin one,9,1,"));
  await expect(page.getByRole("region", { name: "Impact" })).toBeVisible();
  await page.getByRole("button", { name: "Make it" }).click();
  await expect(page.getByLabel("Label of 1", { exact: true })).toHaveValue("Cabin one");
  await expect(page.getByLabel("Patch of 1", { exact: true })).toHaveValue("9.1");
  await load("channel,type\n1,laser\n");
  await expect(page.getByRole("alert").filter({ hasText: "Line 2" })).toContainText('there is no fixture type "laser"');
});
