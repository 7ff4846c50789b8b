import { expect, test } from "@playwright/test";
import { enterLine, inHand, onStage, openShow, tabTo } from "../support/build.ts";
import { cueOf, documentOf, openView, ownShow } from "../support/show.ts";

test("by keyboard alone from an empty show to a run: rig, palettes, a pace, ten cues", async ({ page, request }) => {
  test.setTimeout(120_000);
  const other = await ownShow(request);
  await openView(page, other);
  const { keyboard } = page;
  await tabTo(page, page.getByRole("button", { name: "Salt and Paraffin" }));
  await keyboard.press("Enter");
  await expect(page.getByRole("menuitem", { name: "New show …" })).toBeFocused();
  await keyboard.press("Enter");
  await keyboard.type("Tar and Feathers");
  await keyboard.press("Enter");
  await expect.poll(() => openShow(page)).not.toBe(other);
  const show = openShow(page);

  await test.step("the rig", async () => {
    await enterLine(page, "rig", /Enter goes to Rig/);
    await keyboard.press("Escape");
    await tabTo(page, page.getByRole("link", { name: /^Types/ }));
    await keyboard.press("Enter");
    await tabTo(page, page.getByRole("button", { name: "New type" }));
    await keyboard.press("Enter");
    await tabTo(page, page.getByLabel("name", { exact: true }));
    await keyboard.press("Control+a");
    await keyboard.type("Lamp");
    await keyboard.press("Enter");
    await expect(page.getByRole("list", { name: "Types" }).getByRole("button", { name: /^Lamp/ })).toBeVisible();
    await tabTo(page, page.getByRole("button", { name: "New type" }));
    await keyboard.press("Enter");
    await expect(page.getByRole("form", { name: "Type New type" })).toBeVisible();
    await tabTo(page, page.getByLabel("name", { exact: true }));
    await keyboard.press("Control+a");
    await keyboard.type("Moving wash");
    for (const some of ["pan and tilt", "red green blue"]) {
      await tabTo(page, page.getByRole("button", { name: some }));
      await keyboard.press("Enter");
    }
    await tabTo(page, page.getByRole("button", { name: "Save" }));
    await keyboard.press("Enter");
    await expect(page.getByText("0 lights, 6 addresses each")).toBeVisible();
    await enterLine(page, 'patch 1..6 as lamp from 1.1 "Front"');
    await enterLine(page, 'patch 11..16 as moving-wash from 1.11 "Wash"');
    await enterLine(page, 'keep group "Front" 1..6');
    await enterLine(page, 'keep group "Washes" 11..16');
    const { channels } = await documentOf(request, show);
    expect(channels.map((each) => each.label)).toEqual(
      [1, 2, 3, 4, 5, 6].map((n) => `Front ${n}`).concat([1, 2, 3, 4, 5, 6].map((n) => `Wash ${n}`)),
    );
    expect(channels[11]?.patch).toEqual({ universe: 1, address: 41 });
  });

  await test.step("palettes and a pace, out of the Hand", async () => {
    await enterLine(page, "stage");
    await enterLine(page, "@washes red = 10");
    await enterLine(page, "@washes green = 20");
    await enterLine(page, "@washes blue = 90", /^In hand, live: 6 lights: 11–16, blue to 90/);
    await enterLine(page, 'keep palette "Night" colour');
    await expect.poll(async () => (await inHand(request, show))["11.red"]?.move).toEqual({ palette: "night" });
    await enterLine(page, "@washes pan = -40~40");
    await enterLine(page, "@washes tilt = 35");
    await enterLine(page, 'keep palette "Spread" position for each');
    await enterLine(page, "@washes position fade 4 delay 0~2");
    await enterLine(page, 'keep pace "Slow sweep"');
    await enterLine(page, "drop");
    await expect.poll(() => inHand(request, show)).toEqual({});
  });

  await test.step("ten cues, each stacked on the one before", async () => {
    await enterLine(page, "@front = 30");
    await enterLine(page, "@washes = spread");
    await enterLine(page, 'record #1 "Preset" up 4 down 6 delay 1', /^Adds cue 1: 18 values of 12 lights\. Enter records it/);
    await enterLine(page, "@front = out");
    await enterLine(page, 'record new "House out" up 3', /^Adds cue 2 behind 1: 6 values of 6 lights/);
    await enterLine(page, "@washes = 40~80");
    await enterLine(page, "@washes = night");
    await enterLine(page, 'record new "Night" up 5 delay 0.5 down 2');
    for (const [level, label] of [
      ["20~60", "Dawn"],
      ["70", "Day"],
      ["out", "Noon out"],
    ]) {
      await enterLine(page, `@front = ${level}`);
      await enterLine(page, `record new "${label}" up 2`);
    }
    await enterLine(page, "@washes pan = 60~-60");
    await enterLine(page, "@washes pace slow-sweep");
    await enterLine(page, 'record new "The sweep" up 1 down 8', /^Adds cue 7 behind 6: 12 values of 6 lights/);
    for (const level of ["10", "45~5"]) {
      await enterLine(page, `1..6 / 2 = ${level}`);
      await keyboard.press("Escape");
      await keyboard.press("n");
      await expect(page.getByText(/^Recorded as cue \d+: 3 values/).last()).toBeVisible();
    }
    await enterLine(page, "1..6, 11..16 = out");
    await enterLine(page, 'record new "Blackout" up 0');
    await enterLine(page, "block #10", /no cue looks different/);

    const { lists } = await documentOf(request, show);
    expect(lists[0]?.cues.map(({ number, label }) => [number, label])).toEqual([
      ["1", "Preset"],
      ["2", "House out"],
      ["3", "Night"],
      ["4", "Dawn"],
      ["5", "Day"],
      ["6", "Noon out"],
      ["7", "The sweep"],
      ["8", undefined],
      ["9", undefined],
      ["10", "Blackout"],
    ]);
    expect((await cueOf(request, show, "1")).parts[0]).toMatchObject({
      times: { up: 4, down: 6, downDelay: 1 },
      moves: { "1": { intensity: 30 }, "11": { pan: { palette: "spread" } } },
    });
    expect((await cueOf(request, show, "3")).parts[0]?.moves["12"]).toMatchObject({ intensity: 48, red: { palette: "night" } });
    const sweep = (await cueOf(request, show, "7")).parts[0];
    expect(sweep?.times).toEqual({ up: 1, down: 8 });
    expect(["11", "12", "16"].map((channel) => sweep?.moves[channel]?.["pan"])).toEqual([
      { value: 60, fade: 4, delay: 0 },
      { value: 36, fade: 4, delay: 0.4 },
      { value: -60, fade: 4, delay: 2 },
    ]);
  });

  await test.step("the run", async () => {
    await enterLine(page, "drop");
    await enterLine(page, "run");
    await keyboard.press("Escape");
    await tabTo(page, page.getByLabel("Go to cue"));
    await keyboard.press("Control+a");
    await keyboard.type("1");
    await keyboard.press("Enter");
    await expect(page.getByTestId("on-stage")).toHaveText("1");
    for (const cue of ["2", "3", "4", "5", "6", "7", "8", "9", "10"]) {
      await expect(page.getByTestId("next-cue")).toHaveText(cue);
      await keyboard.press("Control+Enter");
      await expect(page.getByTestId("on-stage")).toHaveText(cue);
      // A second press right behind the first would be taken for the key bouncing.
      await page.waitForTimeout(200);
    }
    const { look } = await onStage(request, show);
    expect(Object.entries(look).filter(([name, value]) => name.endsWith("intensity") && value > 0)).toEqual([]);
    expect(look["11.pan"]).toBe(60);
  });
});

test("the line completes words, brings back what was typed, and the help is searched", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  const { keyboard } = page;
  const line = page.getByRole("combobox", { name: "Line entry" });
  await keyboard.press("/");
  await keyboard.type("@s");
  await expect(page.getByRole("option", { selected: false })).toHaveCount(1);
  await keyboard.press("Tab");
  await expect(line).toHaveValue("@sea ");
  await keyboard.type("= 4");
  await keyboard.press("Enter");
  await expect.poll(async () => Object.keys(await inHand(request, show))).toHaveLength(12);
  await keyboard.press("ArrowUp");
  await expect(line).toHaveValue("@sea = 4");
  await keyboard.press("Escape");
  await keyboard.press("?");
  await keyboard.type("source");
  await expect(page.getByRole("dialog").getByText("update at source", { exact: true })).toBeVisible();
  await keyboard.press("Enter");
  await expect(line).toBeFocused();
  await expect(line).toHaveValue("update at source");
  await keyboard.press("Escape");
  await keyboard.press("?");
  await keyboard.type("record new");
  await expect(page.getByRole("dialog").getByRole("option", { selected: true })).toContainText("record new");
  await keyboard.press("Enter");
  await expect(line).toHaveValue("record new");
});
