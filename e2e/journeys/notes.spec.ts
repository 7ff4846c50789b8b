import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { OWN, documentOf, openView, ownShow, readText } from "../support/show.ts";

interface NotesDocument {
  notes?: { text: string; cue?: string; channels?: number[]; done?: boolean; answer?: string; line?: string }[];
}

test("a note is left from a tablet at the moment on stage, seen in the spine, ticked off, printed and put away", async ({
  page,
  request,
  context,
}) => {
  const show = await ownShow(request);
  const notesOf = async (): Promise<NonNullable<NotesDocument["notes"]>> =>
    ((await documentOf(request, show)) as NotesDocument).notes ?? [];
  const before = await notesOf();
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "17", time: 0 } });
  const tablet = await context.newPage();
  await tablet.setViewportSize({ width: 1180, height: 820 });
  await tablet.goto(`/watch/${show}/notes`);
  await expect(tablet.getByTestId("notes-on-stage")).toHaveText(/^on stage: 17/);
  await expect(tablet.getByRole("button", { name: "Go", exact: true })).toHaveCount(0);
  const wanted = tablet.getByLabel("What is wanted");
  await wanted.fill("A third too bright");
  // The show goes on while it is written: the note belongs to the moment in which it was begun. Pressed twice it is left once.
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "20", time: 0 } });
  await expect(tablet.getByTestId("notes-on-stage")).toHaveText(/^on stage: 20/);
  await tablet.getByRole("button", { name: "Leave it" }).dblclick();
  await expect(tablet.getByText("2 open, 1 done", { exact: true })).toBeVisible();
  await expect(wanted).toHaveValue("");
  expect((await notesOf()).slice(before.length)).toMatchObject([{ text: "A third too bright", cue: "17" }]);

  await openView(page, show);
  await expect(page.getByRole("row", { name: /^17 .*asked: A third too bright/ })).toBeVisible();
  await page.keyboard.press("j");
  const drawer = page.getByRole("dialog", { name: "Notes" });
  await drawer.getByRole("button", { name: "17", exact: true }).click();
  await expect(page.getByRole("row", { name: /^17 / })).toHaveAttribute("aria-selected", "true");
  await drawer.getByLabel("What was done: A third too bright").fill("62 taken down");
  await drawer.getByLabel("What was done: A third too bright").press("Enter");
  await drawer.getByRole("checkbox", { name: "Done: A third too bright" }).click();
  await stored(page);
  await drawer.getByRole("checkbox", { name: /^Done: The flame fainter/ }).click();
  await stored(page);
  await expect(drawer.getByText("Nothing is open.")).toBeVisible();
  await expect(tablet.getByText("done: 62 taken down")).toBeVisible();
  await page.keyboard.press("Escape");
  await enterLine(page, 'leave note "Colder by a little" #33 for 64', /^Note set: Colder by a little/);
  await page.getByRole("link", { name: "Paper" }).click();
  await page.getByRole("button", { name: "Notes", exact: true }).click();
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Save as CSV" }).click()]);
  expect(readText(await download.path())).toMatch(
    /17,Quarrel,A third too bright,,.*,62 taken down\n27,Second switch,.*\n33,.*,Colder by a little,64,,\[ {2}\]/,
  );
  await page.getByRole("link", { name: "Score" }).click();
  await page.keyboard.press("j");
  await drawer.getByRole("button", { name: "Put away what is done" }).click();
  await stored(page);
  expect(await notesOf()).toMatchObject([{ text: "Colder by a little", cue: "33", channels: [64] }]);
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+z");
  await expect.poll(async () => (await notesOf()).length).toBe(before.length + 2);
});

test("a note that cannot be left says why, outlives a reload, and is left once when it can be", async ({ page, request }) => {
  const show = await ownShow(request);
  const count = async (): Promise<number> => ((await documentOf(request, show)) as NotesDocument).notes?.length ?? 0;
  const before = await count();
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "17", time: 0 } });
  await page.goto(`/watch/${show}/notes`);
  await expect(page.getByTestId("notes-on-stage")).toHaveText(/^on stage: 17/);
  const wanted = page.getByLabel("What is wanted");
  await wanted.fill("x".repeat(2001));
  await page.getByRole("button", { name: "Leave it" }).click();
  await expect(page.getByRole("alert")).toContainText("is longer than 2000 letters");
  // Stored, and the answer lost: nobody knows, and a second press must not leave it twice.
  await wanted.fill("Warmer at the door");
  await page.route(`**/api/shows/${show}/edits`, async (route) => {
    await route.fetch();
    await route.abort();
  });
  await page.getByRole("button", { name: "Leave it" }).click();
  await expect(page.getByRole("alert")).toContainText("The server does not answer");
  await request.post(`/api/shows/${show}/run`, { headers: OWN, data: { press: "goto", cue: "20", time: 0 } });
  await page.unrouteAll();
  await page.reload();
  await expect(page.getByTestId("notes-on-stage")).toHaveText(/^on stage: 20/);
  await expect(wanted).toHaveValue("Warmer at the door");
  await expect(page.getByRole("button", { name: "cue 17" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Leave it" }).click();
  await expect(wanted).toHaveValue("");
  expect(await count()).toBe(before + 1);
});
