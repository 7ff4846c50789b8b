import { type APIRequestContext, type Locator, type Page, expect } from "@playwright/test";

/** Walks with Tab, and with Tab alone, until something has the focus. */
export async function tabTo(page: Page, goal: Locator): Promise<void> {
  for (let presses = 0; presses < 150; presses += 1) {
    if ((await goal.count()) > 0 && (await goal.first().evaluate((element) => element === document.activeElement))) return;
    await page.keyboard.press("Tab");
  }
  throw new Error("Tab does not get there");
}

/** Types a line into the line entry and enters it; it must be taken. */
export async function enterLine(page: Page, text: string, answer?: RegExp): Promise<void> {
  const line = page.getByRole("combobox", { name: "Line entry" });
  if (!(await line.evaluate((element) => element === document.activeElement))) {
    await page.keyboard.press("/");
    await expect(line).toBeFocused();
  }
  await page.keyboard.type(text);
  await expect(line).toHaveValue(text);
  if (answer) await expect(page.locator("#line-answer")).toHaveText(answer);
  await page.keyboard.press("Enter");
  await expect(line).toHaveValue("");
  await stored(page);
}

/** Waits until everything that this window has asked for is stored. */
export async function stored(page: Page): Promise<void> {
  await expect(page.getByTestId("line")).toHaveAttribute("data-waiting", "0");
}

/** The number of the show that the window has open. */
export function openShow(page: Page): number {
  return Number(/\/show\/(\d+)/.exec(page.url())?.[1]);
}

/** What the stage is being told by the running list and the Hand, by key name. */
export async function onStage(request: APIRequestContext, show: number): Promise<{ cue: string | null; look: Record<string, number> }> {
  const { mix }: { mix: { lists: Record<string, { cue: string | null; onStage: Record<string, number> }> } } = await (
    await request.get(`/api/shows/${show}/run`)
  ).json();
  const [first] = Object.values(mix.lists);
  return { cue: first?.cue ?? null, look: first?.onStage ?? {} };
}

/** What is in hand, by key name, and whether it has been recorded. */
export async function inHand(request: APIRequestContext, show: number): Promise<Record<string, { move: unknown; fresh: boolean }>> {
  const { hand }: { hand: { held: Record<string, { move: unknown; fresh: boolean }> } } = await (
    await request.get(`/api/shows/${show}/hand`)
  ).json();
  return hand.held;
}
