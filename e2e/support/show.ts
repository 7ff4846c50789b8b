import { readFileSync } from "node:fs";
import { type APIRequestContext, type Page, expect } from "@playwright/test";

/** The parts of a show document that the journeys look at. */
export interface ShowDocument {
  title: string;
  editsAfter?: string;
  channels: { number: number; label?: string; patch?: object }[];
  lists: { label?: string; cues: CueDocument[] }[];
}
interface CueDocument {
  block?: boolean;
  carries?: string;
  number: string;
  label?: string;
  note?: string;
  scene?: string;
  trigger?: object;
  actions?: object[];
  mark?: object;
  waves?: string;
  parts: {
    times: Record<string, unknown>;
    moves: Record<string, Record<string, unknown>>;
    waves?: Record<string, Record<string, unknown>>;
  }[];
}

/** What the application's own windows send with whatever changes something. */
export const OWN = { "X-Requested-With": "zealous-mark" };

const TYPE = "application/vnd.zealous-mark.show+json";

/** Imports a copy of the demo as a show of the journey's own and gives its number. */
export async function ownShow(request: APIRequestContext): Promise<number> {
  const demo = await request.get("/api/shows/1/document");
  const added = await request.post("/api/shows", { headers: { ...OWN, "Content-Type": TYPE }, data: await demo.text() });
  expect(added.status()).toBe(201);
  const { id }: { id: number } = await added.json();
  return id;
}

/** Opens a view of a show and waits until the cues are there. */
export async function openView(page: Page, show: number, view: "score" | "stage" | "run" = "score"): Promise<void> {
  await page.goto(`/show/${show}/${view}`);
  await expect(page.getByRole("rowheader", { name: "0.5", exact: false }).first()).toBeVisible();
  await expect(page.getByRole("banner").getByRole("status")).not.toHaveText("No line to the server");
}

/** The live line of a page, run through here so that it can be cut, kept cut and let come back. Before the page is opened. */
export async function liveLine(page: Page): Promise<{ cut: () => Promise<void>; mend: () => void }> {
  let isCut = false;
  const lines: { close: () => Promise<void> }[] = [];
  await page.routeWebSocket(/socket\.io/, (line) => {
    if (isCut) return void line.close();
    line.connectToServer();
    lines.push(line);
  });
  return {
    cut: async () => {
      isCut = true;
      for (const line of lines.splice(0)) await line.close();
    },
    mend: () => {
      isCut = false;
    },
  };
}

/** The show document as the server has it now. */
export async function documentOf(request: APIRequestContext, show: number): Promise<ShowDocument> {
  const reply = await request.get(`/api/shows/${show}/document`);
  return reply.json();
}

/** Makes edits in a show as another window does. */
export async function edit(request: APIRequestContext, show: number, ...edits: readonly object[]): Promise<void> {
  const made = await request.post(`/api/shows/${show}/edits`, { headers: OWN, data: { base: 0, edits } });
  expect(made.ok()).toBe(true);
}

/** One cue of the document. */
export async function cueOf(request: APIRequestContext, show: number, number: string): Promise<CueDocument> {
  const { lists } = await documentOf(request, show);
  const cue = lists[0]?.cues.find((each) => each.number === number);
  if (!cue) throw new Error(`The document has no cue ${number}`);
  return cue;
}

/** Where the first light's number stands in a sheet without threads of other lists, pixels. */
const FIRST_LIGHT = 11;

/** The middle of a cell of the sheet, in the window; `x` counts from where the lights begin, behind the threads of other lists. */
export async function cellAt(page: Page, row: number, x: number): Promise<{ x: number; y: number }> {
  const box = await page.locator("[data-cells]").boundingBox();
  const first = await page
    .getByRole("columnheader", { name: "Lights" })
    .getByRole("button", { name: /^Choose / })
    .first()
    .boundingBox();
  if (!box || !first) throw new Error("The sheet is not there");
  const lanes = first.x - box.x - FIRST_LIGHT;
  return { x: box.x + lanes + x, y: box.y + row * 28 + 14 };
}

/** Draws a frame around cells with the pointer. */
export async function drawFrame(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2);
  await page.mouse.move(to.x, to.y);
  await page.mouse.up();
}

/** A file's text. */
export function readText(path: string): string {
  return readFileSync(path, "utf8");
}
