import { readFileSync } from "node:fs";
import { type Page, type TestInfo, expect } from "@playwright/test";

/** A file as a journey hands it over. */
export interface JourneyFile {
  readonly name: string;
  readonly bytes: Buffer;
}

/** Opens an entry of the show's menu. */
export async function openMenu(page: Page, entry: RegExp): Promise<void> {
  await page.getByRole("banner").getByRole("button", { expanded: false }).first().click();
  await page.getByRole("menuitem", { name: entry }).click();
}

/** Brings files in by the dialog, as far as they are read. */
export async function bring(page: Page, ...files: readonly JourneyFile[]): Promise<void> {
  await openMenu(page, /^Bring in/);
  await expect(page.getByRole("dialog", { name: "Bring in" })).toBeVisible();
  await page
    .getByLabel("Files to bring in")
    .setInputFiles(files.map(({ name, bytes }) => ({ name, mimeType: "application/octet-stream", buffer: bytes })));
  await expect(page.getByText("Reading …")).toBeHidden();
}

/** Sends the show out in a format and gives the file that was saved. */
export async function send(page: Page, info: TestInfo, format: string): Promise<JourneyFile> {
  await openMenu(page, /^Send out/);
  const dialog = page.getByRole("dialog", { name: "Send out" });
  await dialog.getByRole("list", { name: "Formats" }).getByRole("button", { name: format }).click();
  const coming = page.waitForEvent("download");
  await dialog.getByRole("button", { name: "Save the file" }).click();
  const download = await coming;
  const path = info.outputPath(download.suggestedFilename());
  await download.saveAs(path);
  await dialog.getByRole("button", { name: "Close" }).click();
  await expect(dialog).toBeHidden();
  return { name: download.suggestedFilename(), bytes: readFileSync(path) };
}
