import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { cueOf, documentOf, openView, ownShow } from "../support/show.ts";

test("a note and a scene are typed and written in the inspector, seen in the spine, and taken back", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await enterLine(page, '#12: note "Wait for the door"', /^Cue 12: note “Wait for the door”: no cue looks different/);
  expect((await cueOf(request, show, "12")).note).toBe("Wait for the door");
  const row = page.getByRole("row", { name: /^12 / });
  await expect(row.getByTitle("Note: Wait for the door")).toBeVisible();
  await page.getByText("Kettle", { exact: true }).click();
  // Typed on a slow line, and left at once for another cue: it lands where it was begun.
  await page.route("**/edits", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 800));
    await route.continue();
  });
  const note = page.getByLabel("note", { exact: true });
  await note.fill("Careful");
  await note.press("Shift+Enter");
  await note.pressSequentially("with the steam");
  await page.getByText("A knock", { exact: true }).click();
  await stored(page);
  expect((await cueOf(request, show, "8")).note).toBe("Careful\nwith the steam");
  expect((await cueOf(request, show, "11")).note).toBeUndefined();
  await page.unroute("**/edits");
  const scene = page.getByLabel("scene", { exact: true });
  await scene.fill("I.2b");
  await scene.press("Enter");
  await stored(page);
  await expect(page.getByText("scene I.2b, complete after")).toBeVisible();
  await enterLine(page, '#13: label "He is in"', /^Cue 13: label “He is in”/);
  for (const words of ["label “He is in”", "scene “I.2b”", "note “Careful with the steam”", "note “Wait for the door”"]) {
    await page.keyboard.press("Control+z");
    await expect(page.getByText(new RegExp(`^Taken back: .*${words}`))).toBeVisible();
  }
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("scenes are taken from the play for one cue or a range, told before they are made, and refused in words", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show);
  await page.getByText("Kettle", { exact: true }).click();
  const offered = page.getByRole("button", { name: /^as in the play: / });
  const heading = (await offered.textContent())?.replace("as in the play: ", "") ?? "";
  await offered.click();
  await stored(page);
  expect((await cueOf(request, show, "8")).scene).toBe(heading);
  await expect(offered).toHaveCount(0);
  await enterLine(page, "#0.5..30: scene from book", /scene “/);
  expect((await cueOf(request, show, "7")).scene).toBe(heading);
  await enterLineRefused(page, "#0.5..30: scene from book", /have the scenes of the play already/);
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/^Taken back: /)).toBeVisible();
  expect((await cueOf(request, show, "7")).scene).toBe("I.2");
});

test("a record says what fires its cue, its scene and note; choices are kept for the next one as long as that is wished", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  await openView(page, show, "stage");
  await enterLine(page, "5 = 50");
  await enterLine(page, "record");
  const sheet = page.getByRole("dialog", { name: "Record" });
  await sheet.getByLabel("Cue number").fill("12.45");
  await sheet.getByLabel("Scene that begins with the cue").fill("I.3b");
  await sheet.getByRole("button", { name: "After 12.3 end" }).click();
  await sheet.getByLabel("follow wait, seconds").fill("2.5");
  await sheet.getByRole("textbox", { name: "note" }).fill("Behind the second clap");
  await sheet.getByRole("button", { name: "This cue only" }).click();
  await sheet.getByRole("button", { name: "Keep these choices" }).click();
  await expect(sheet.getByTestId("record-sentence")).toHaveText(
    /^Inserts cue 12\.45 between .*; follows 2\.5 s after the end of the cue before; begins the scene I\.3b; with a note/,
  );
  await sheet.getByRole("button", { name: "Record 12.45" }).click();
  await stored(page);
  expect(await cueOf(request, show, "12.45")).toMatchObject({
    scene: "I.3b",
    note: "Behind the second clap",
    trigger: { type: "follow", from: "complete", after: 2.5 },
  });
  await enterLine(page, "6 = 50");
  await enterLine(page, "record");
  await expect(sheet.getByRole("button", { name: "This cue only" })).toHaveAttribute("aria-pressed", "true");
  await sheet.getByRole("button", { name: "Plain choices again" }).click();
  await expect(sheet.getByRole("button", { name: "Later cues change too" })).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Escape");
  await enterLine(page, 'record #12.48 isolated note "Alone"', /isolated: nothing tracks in or out; with a note/);
  expect(await cueOf(request, show, "12.48")).toMatchObject({ carries: "isolated", note: "Alone" });
});

/** Types a line that is refused, with its reason beside it; it stays. */
async function enterLineRefused(page: Parameters<typeof enterLine>[0], text: string, why: RegExp): Promise<void> {
  await page.keyboard.press("/");
  await page.keyboard.type(text);
  await expect(page.locator("#line-answer")).toHaveText(why);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("combobox", { name: "Line entry" })).toHaveValue(text);
}
