import { expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { bring, openMenu, send } from "../support/files.ts";
import { OWN, cueOf, documentOf, edit, openView, ownShow } from "../support/show.ts";

test("a list goes out as ASCII text with what it cannot say, and one comes in, seen first, made once and taken back", async ({
  page,
  request,
}, info) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await openMenu(page, /^Send out/);
  await page.getByRole("button", { name: /^List as ASCII/ }).click();
  await expect(page.getByRole("group", { name: "What it cannot say" })).toContainText("with position, colour or beam");
  await page.keyboard.press("Escape");
  const { name, bytes } = await send(page, info, "List as ASCII text");
  expect(name).toBe("Salt-and-Paraffin.asc");
  const text = bytes.toString("latin1");
  expect(text).toMatch(/^Ident 3:0\r\n/);

  const other = "Ident 3:0\nManufacturer Somebody\n$Colours 4\nCue 701\nText Dawn\nUp 4\nChan 1@30 2@FL\nCue 702\nText Noon\nChan 1@80\n";
  await bring(page, { name: "dawn.asc", bytes: Buffer.from(other) });
  const dialog = page.getByRole("dialog", { name: "Bring in" });
  await expect(dialog.getByText("2 cues in 1 list, with 4 moves")).toBeVisible();
  await expect(dialog.getByText("line 3")).toBeVisible();
  await expect(dialog.getByText(/What the levels of a cue mean: 1 cue will look different/)).toBeVisible();
  await dialog.getByLabel(/^What the levels of a cue mean/).selectOption({ label: "a cue says what moves, and the rest tracks" });
  await expect(dialog.getByText("2 cues in 1 list, with 3 moves")).toBeVisible();
  await dialog.getByRole("button", { name: "Show what that does here" }).dblclick();
  await expect(page.getByText("Adds 2 cues")).toBeVisible();
  expect(await documentOf(request, show)).toEqual(before);
  await page.getByRole("button", { name: "Make it" }).dblclick();
  await stored(page);
  await expect
    .poll(async () => (await documentOf(request, show)).lists.at(-1))
    .toMatchObject({
      cues: [
        { number: "701", label: "Dawn" },
        { number: "702", label: "Noon" },
      ],
    });
  await page.keyboard.press("Control+z");
  await expect.poll(() => documentOf(request, show)).toEqual(before);
});

test("a bad file is refused line by line, a strange one says what is read, and nothing has changed", async ({ page, request }) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await bring(page, { name: "bad.asc", bytes: Buffer.from("Ident 3:0\nCue 1\nUp soon\nChan 1@999\n") });
  const dialog = page.getByRole("dialog", { name: "Bring in" });
  await expect(dialog.getByRole("alert").getByRole("listitem")).toHaveText([
    /^Line 3: "soon" is not a time/,
    /^Line 4: "999" is not a level/,
  ]);
  await dialog
    .getByLabel("Files to bring in")
    .setInputFiles({ name: "photo.png", mimeType: "image/png", buffer: Buffer.from([137, 80, 78, 71]) });
  await expect(dialog.getByRole("alert")).toContainText("photo.png is none of the files that are read here");
  await page.keyboard.press("Escape");
  await expect(dialog).toBeHidden();
  expect(await documentOf(request, show)).toEqual(before);
});

test("a drawing that was sent out puts the rig right again, difference by difference", async ({ page, request }, info) => {
  const show = await ownShow(request);
  await openView(page, show);
  const drawing = await send(page, info, "Drawing of the rig");
  const { channels } = await documentOf(request, show);
  const before = JSON.stringify(channels);
  const [first, second] = channels;
  await edit(
    request,
    show,
    { op: "setChannel", channel: { ...first, patch: { universe: 9, address: 7 } } },
    { op: "setChannel", channel: { ...second, label: "Other" } },
  );
  await bring(page, drawing);
  const dialog = page.getByRole("dialog", { name: "Bring in" });
  await expect(dialog.getByRole("group", { name: "What it makes" })).toContainText("patched elsewhere: 1");
  await expect(dialog.getByRole("group", { name: "What it makes" })).toContainText("called otherwise: 2");
  await dialog.getByRole("button", { name: "Show what that does here" }).click();
  await expect(page).toHaveURL(/\/rig/);
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect.poll(async () => JSON.stringify((await documentOf(request, show)).channels)).toBe(before);
});

test("a table of cues comes back changed, a column is mapped by hand, and the line opens both doors", async ({ page, request }, info) => {
  const show = await ownShow(request);
  await openView(page, show);
  const table = await send(page, info, "Cues as a table");
  const changed = table.bytes
    .toString()
    .replace(/^cue,label/, "cue,name")
    .replace(/^7,[^,]*/m, "7,Supper late");
  await enterLine(page, "bring in", /Enter opens the place where files of others are brought in/);
  await page.getByLabel("Files to bring in").setInputFiles({ name: "Main.csv", mimeType: "text/csv", buffer: Buffer.from(changed) });
  const dialog = page.getByRole("dialog", { name: "Bring in" });
  await expect(dialog.getByText("the column “name” of Main")).toBeVisible();
  await expect(dialog.getByRole("button", { name: "Show what that does here" })).toBeDisabled();
  await dialog.getByLabel("label", { exact: true }).selectOption({ label: "is the column “name”" });
  await expect(dialog.getByText(/^cue 7: label .* → Supper late$/)).toBeVisible();
  await dialog.getByRole("button", { name: "Show what that does here" }).click();
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect.poll(async () => (await cueOf(request, show, "7")).label).toBe("Supper late");
  await enterLine(page, "send out", /Enter opens the place where the show is written for others/);
  await expect(page.getByRole("dialog", { name: "Send out" })).toBeVisible();
});

test("a file dropped on the window is looked at; a play takes the place of the one that is there", async ({ page, request }) => {
  const show = await ownShow(request);
  await openView(page, show);
  const drop = async (kind: "dragover" | "drop", name: string, text: string): Promise<void> =>
    page.evaluate(
      ([type, file, content]) => {
        const data = new DataTransfer();
        data.items.add(new File([content ?? ""], file ?? ""));
        window.dispatchEvent(new DragEvent(type ?? "", { dataTransfer: data, bubbles: true, cancelable: true }));
      },
      [kind, name, text],
    );
  await drop("dragover", "play.txt", "");
  await expect(page.getByText("Drop it here; nothing is made before you have seen what it makes")).toBeVisible();
  await drop("drop", "play.txt", "# Act one\n\nADA: A new beginning.\n\nTOM: And an end.\n");
  const dialog = page.getByRole("dialog", { name: "Bring in" });
  await expect(dialog.getByText("3 lines of a play, 1 of them headings")).toBeVisible();
  await dialog.getByRole("button", { name: "Show what that does here" }).click();
  await expect(page).toHaveURL(/\/book/);
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(page.getByText("A new beginning.")).toBeVisible();
});

test("a bundle goes out with what belongs to the show, and becomes a new show", async ({ page, request }, info) => {
  const show = await ownShow(request);
  await openView(page, show);
  await enterLine(page, 'name "First night"');
  const bundle = await send(page, info, "Bundle");
  expect(bundle.bytes.includes("looks/0.5.png")).toBe(true);
  expect(bundle.bytes.includes("versions/001 First-night.json")).toBe(true);
  await bring(page, bundle);
  const dialog = page.getByRole("dialog", { name: "Bring in" });
  await expect(dialog.getByLabel("Which state of the show")).toHaveValue("show.json");
  await dialog.getByRole("button", { name: "Make a new show of it" }).dblclick();
  await expect(page).not.toHaveURL(new RegExp(`/show/${show}/`));
  const added = Number(/show\/(\d+)\//.exec(page.url())?.[1]);
  expect(await documentOf(request, added)).toEqual(await documentOf(request, show));
});

test("a backup is made, seen with what has changed since, and brought back as a new show; a folder that cannot be used is refused", async ({
  page,
  request,
}) => {
  const show = await ownShow(request);
  const before = await documentOf(request, show);
  await openView(page, show);
  await enterLine(page, "backup", /Enter makes a backup of the show now/);
  await expect(page.getByText(/^Backed up, and read back:/)).toBeVisible();
  await edit(request, show, { op: "setCue", list: "main", from: "7", to: "7", label: "Changed since" });
  await openMenu(page, /^Backups/);
  const dialog = page.getByRole("dialog", { name: "Backups" });
  await dialog.getByRole("group", { name: "Backups" }).getByRole("button").first().click();
  await expect(dialog.getByRole("group", { name: "What is different" })).toContainText("Changed since");
  await dialog.getByLabel("Folder of backups").fill("not/a/whole/path");
  await dialog.getByLabel("Folder of backups").press("Tab");
  await expect(page.getByText('"not/a/whole/path" is no whole path')).toBeVisible();
  await dialog.getByRole("button", { name: "Bring it back as a new show" }).click();
  await expect(page).not.toHaveURL(new RegExp(`/show/${show}/`));
  const added = Number(/show\/(\d+)\//.exec(page.url())?.[1]);
  expect(await documentOf(request, added)).toEqual(before);
  const { settings } = await (await request.get("/api/backups", { headers: OWN })).json();
  expect(settings.folder).toBe("");
});
