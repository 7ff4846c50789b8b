import { type APIRequestContext, type Page, expect } from "@playwright/test";
import { openView } from "./show.ts";

/** What runs of a show, as far as the journeys look at it. */
export interface Running {
  lists: Record<string, { cue: string | null; rate: number; master: { to: number }; follow: unknown }>;
  looks: Record<string, { level: { to: number } }>;
  standby: { list: string; cue: string }[];
  tempos: Record<string, number>;
  grand: { identify?: number[]; parked?: Record<string, number> };
}

/** What the server says of what runs. */
export async function running(request: APIRequestContext, show: number): Promise<Running> {
  return (await (await request.get(`/api/shows/${show}/run`)).json()).mix;
}

/** Opens Run with the shelf under it. */
export async function openShelf(page: Page, show: number): Promise<void> {
  await openView(page, show, "run");
  await page.getByRole("button", { name: "Shelf" }).click();
  await expect(page.getByRole("region", { name: "Shelf" })).toBeVisible();
}
