import { AxeBuilder } from "@axe-core/playwright";
import { type APIRequestContext, type Locator, type Page, expect, test } from "@playwright/test";
import { enterLine, stored } from "../support/build.ts";
import { OWN, ownShow } from "../support/show.ts";

interface PlayDocument {
  script?: {
    pace?: number;
    standby?: number;
    lines: { id: string; who?: string; text: string; quiet?: boolean; heading?: boolean; pace?: number }[];
  };
  lists: { cues: { number: string; call?: { line: string; word?: string; nth?: number; kind?: string } }[] }[];
}

async function playOf(request: APIRequestContext, show: number): Promise<PlayDocument> {
  return (await request.get(`/api/shows/${show}/document`)).json();
}

async function callOf(request: APIRequestContext, show: number, cue: string): Promise<object | undefined> {
  return (await playOf(request, show)).lists[0]?.cues.find(({ number }) => number === cue)?.call;
}

async function lineOf(request: APIRequestContext, show: number, id: string) {
  return (await playOf(request, show)).script?.lines.find((line) => line.id === id);
}

/** A word of the play by its line and its place in it. */
const wordAt = (page: Page, line: string, word: number): Locator => page.locator(`[data-line="${line}"][data-word="${word}"]`);

async function openBook(page: Page, show: number, cue: string): Promise<void> {
  await page.goto(`/show/${show}/book`);
  await expect(page.getByRole("grid", { name: /^The play/ })).toBeVisible();
  await enterLine(page, `#${cue}`);
  await expect(page.locator(`[data-cue="${cue}"]`)).toBeVisible();
}

async function dragTo(page: Page, from: Locator, to: Locator): Promise<void> {
  const [start, end] = [await from.boundingBox(), await to.boundingBox()];
  if (!start || !end) throw new Error("One of the ends is not in sight");
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 6 });
}

test("a cue is dragged to another word, told before, taken back; keys, line and click do so too", async ({ page, request }) => {
  const show = await ownShow(request);
  await openBook(page, show, "14");
  await expect(page.getByRole("region", { name: "Call", exact: true })).toContainText("on “first”");
  await dragTo(page, page.locator('[data-cue="14"]'), wordAt(page, "I.3.8", 0));
  await expect(page.getByText(/^Cue 14 The crate on “Careful”, line I\.3\.8, [\d.]+ s after 13/)).toBeVisible();
  await page.mouse.up();
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "Careful", kind: "on" });
  await page.keyboard.press("Control+z");
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "first", kind: "on" });
  // Dropped with Escape, or let go beside the words, nothing happens.
  await dragTo(page, page.locator('[data-cue="14"]'), wordAt(page, "I.3.8", 0));
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "first", kind: "on" });
  // The keyboard walks to the next word, and c calls the cue there.
  await wordAt(page, "I.3.8", 7).click();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("c");
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "of", kind: "on" });
  await page.getByRole("region", { name: "Call", exact: true }).getByRole("button", { name: "after it" }).click();
  await stored(page);
  expect(await callOf(request, show, "14")).toMatchObject({ word: "of", kind: "after" });
  await wordAt(page, "I.3.9", 1).click({ modifiers: ["Control"] });
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.9", word: "what", kind: "after" });
  await enterLine(page, '#14: call "it is the first"');
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "first", kind: "on" });
});

test("silence is stroked, taken away by key and line; pace and standby are set", async ({ page, request }) => {
  const show = await ownShow(request);
  await openBook(page, show, "14");
  const margin = (line: string): Locator => page.getByRole("button", { name: new RegExp(`^Line ${line.replaceAll(".", "\\.")} is `) });
  await dragTo(page, margin("I.3.8"), margin("I.3.9"));
  await page.mouse.up();
  await stored(page);
  for (const id of ["I.3.8", "I.3.9"]) expect((await lineOf(request, show, id))?.quiet).toBe(true);
  await wordAt(page, "I.3.8", 0).click();
  await page.keyboard.press("Shift+ArrowDown");
  await expect(page.getByRole("region", { name: "Chosen lines" })).toContainText("2 lines");
  await page.keyboard.press("q");
  await stored(page);
  for (const id of ["I.3.8", "I.3.9"]) expect((await lineOf(request, show, id))?.quiet).toBeUndefined();
  await enterLine(page, "quiet #12..14");
  expect((await lineOf(request, show, "I.3.8"))?.quiet).toBe(true);
  await enterLine(page, "script pace 70 standby 3");
  const { pace, standby } = (await playOf(request, show)).script ?? {};
  expect([pace, standby]).toEqual([70, 3]);
  await expect(page.getByRole("region", { name: "Call", exact: true })).toContainText("3 s before");
  const length = page.getByRole("region", { name: "The play" });
  await length.getByLabel("words a minute of the play").fill("140");
  await length.getByLabel("words a minute of the play").press("Enter");
  await stored(page);
  expect((await playOf(request, show)).script?.pace).toBe(140);
  await enterLine(page, "#14..17");
  const between = page.getByRole("region", { name: "Between two cues" });
  await expect(between).toContainText(/time[\d.]+ s, script/);
});

test("a scene is written: cues stay with their words, and one step brings the text back", async ({ page, request }) => {
  const show = await ownShow(request);
  await openBook(page, show, "14");
  await page.getByLabel("Find in the play").fill("careful with it");
  await expect(page.getByRole("main").getByText("1×")).toBeVisible();
  await page.getByLabel("Find in the play").press("Enter");
  await page.getByLabel("Find in the play").press("Escape");
  await wordAt(page, "I.3.8", 0).click();
  await page.keyboard.press("e");
  const text = page.getByRole("textbox", { name: "Text of the scene" });
  await expect(text).toBeFocused();
  await expect(page.locator(".book-cues")).toContainText("14");
  // The line begins with who says it; a word comes in before the others.
  await page.keyboard.press("Home");
  for (let letter = 0; letter < "EDWIN: ".length; letter += 1) await page.keyboard.press("ArrowRight");
  await page.keyboard.type("Very ");
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("In the script: 1 line changed.");
  await expect(impact).not.toContainText("Cue 14:");
  await page.keyboard.press("Control+Enter");
  await stored(page);
  await expect(page.getByRole("grid", { name: /^The play/ })).toBeVisible();
  expect((await lineOf(request, show, "I.3.8"))?.text).toBe("Very Careful with it, please. It is the first of eleven.");
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "first", kind: "on" });
  await page.keyboard.press("Control+z");
  await stored(page);
  expect((await lineOf(request, show, "I.3.8"))?.text).toBe("Careful with it, please. It is the first of eleven.");
});

test("a new version comes in as Fountain; cues whose words are gone are named before", async ({ page, request }) => {
  const show = await ownShow(request);
  await openBook(page, show, "14");
  await page.getByRole("button", { name: "New version" }).click();
  await page.getByLabel("Script file").setInputFiles({
    name: "salt.fountain",
    mimeType: "text/plain",
    buffer: Buffer.from(
      "Title: Salt\n\n# Act one\n\nINT. LIGHTHOUSE - NIGHT\n\nEdwin comes in.\n\nEDWIN\nCareful with it, please. It is the last of eleven.\n\nADA\nEleven what?\n",
    ),
  });
  await expect(page.getByText("5 lines: 2 headings, 1 direction, 1 EDWIN, 1 ADA")).toBeVisible();
  const impact = page.getByRole("region", { name: "Impact" });
  await expect(impact).toContainText("Cue 14: “first” is gone; it is called on “last” now.");
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  const { script } = await playOf(request, show);
  expect(script?.lines.map(({ who, text, heading }) => [who ?? (heading ? "#" : ""), text])).toEqual([
    ["#", "Act one"],
    ["#", "INT. LIGHTHOUSE - NIGHT"],
    ["", "Edwin comes in."],
    ["EDWIN", "Careful with it, please. It is the last of eleven."],
    ["ADA", "Eleven what?"],
  ]);
  expect(await callOf(request, show, "14")).toMatchObject({ word: "last" });
  await page.keyboard.press("Control+z");
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "first", kind: "on" });
});

test("a show without a play says what comes first, and does it; the Book passes axe", async ({ page, request }) => {
  const made = await request.post("/api/shows", {
    headers: { ...OWN, "Content-Type": "application/vnd.zealous-mark.show+json" },
    data: JSON.stringify({
      format: "zealous-mark/show",
      version: 2,
      title: "No play",
      lists: [{ id: "main", label: "Main", cues: [{ number: "1" }] }],
    }),
  });
  const { id }: { id: number } = await made.json();
  await page.goto(`/show/${id}/book`);
  await page.getByRole("button", { name: "Paste or open a script" }).click();
  await page.getByRole("textbox", { name: "Text of the script" }).fill("ADA: The lamp is out.");
  await expect(page.getByText("1 line: 1 ADA")).toBeVisible();
  await page.getByRole("button", { name: "Make it" }).click();
  await stored(page);
  await expect(page.getByRole("grid", { name: /^The play/ })).toContainText("The lamp is out.");
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(
    violations.filter(({ impact }) => impact === "serious" || impact === "critical").map(({ id: rule, nodes }) => [rule, nodes[0]?.html]),
  ).toEqual([]);
});

test("on a slow line what is pressed twice ends as it was, and an undo takes back the last", async ({ page, request }) => {
  const show = await ownShow(request);
  await openBook(page, show, "14");
  await page.route(/\/api\/shows\/\d+\/(edits|undo)$/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1000));
    await route.continue();
  });
  await wordAt(page, "I.3.8", 0).click();
  await page.keyboard.press("q");
  await page.keyboard.press("q");
  await stored(page);
  expect((await lineOf(request, show, "I.3.8"))?.quiet).toBeUndefined();
  await page.keyboard.press("c");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("c");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("c");
  await page.keyboard.press("Control+z");
  await stored(page);
  expect(await callOf(request, show, "14")).toEqual({ line: "I.3.8", word: "with", kind: "on" });
  // What is being written is not replaced by somebody else's edit, and does not undo it.
  await page.keyboard.press("e");
  const text = page.getByRole("textbox", { name: "Text of the scene" });
  await expect(text).toBeFocused();
  const { revision }: { revision: number } = await (await request.get(`/api/shows/${show}`)).json();
  await request.post(`/api/shows/${show}/edits`, {
    headers: OWN,
    data: { base: revision, edits: [{ op: "setLines", lines: ["I.4.3"], quiet: true }] },
  });
  await page.keyboard.press("End");
  await page.keyboard.type(" Mind.");
  await page.keyboard.press("Control+Enter");
  // What is typed while it is on its way stays in the text, and is made with the next press.
  await page.keyboard.type(" Now.");
  await stored(page);
  expect((await lineOf(request, show, "I.3.8"))?.text).toMatch(/ Mind\.$/);
  expect((await lineOf(request, show, "I.4.3"))?.quiet).toBe(true);
  await expect(text).toContainText("Mind. Now.");
  await page.keyboard.press("Control+Enter");
  await stored(page);
  await expect(text).toBeHidden();
  expect((await lineOf(request, show, "I.3.8"))?.text).toMatch(/ Mind\. Now\.$/);
});

test("two who write in one scene keep each other's words, and nothing written is lost", async ({ page, request }) => {
  const show = await ownShow(request);
  // What the window is told live is held back while it should not have heard yet.
  let held: (() => void)[] | null = null;
  await page.routeWebSocket(/socket\.io/, (line) => {
    line.connectToServer().onMessage((message) => {
      if (held) held.push(() => line.send(message));
      else line.send(message);
    });
  });
  await openBook(page, show, "14");
  const text = page.getByRole("textbox", { name: "Text of the scene" });
  const write = async (): Promise<void> => {
    await wordAt(page, "I.3.8", 0).click();
    await page.keyboard.press("e");
    await expect(text).toBeFocused();
    await page.keyboard.press("End");
  };
  /** Somebody else writes a line anew. */
  const elsewhere = async (line: string, words: string): Promise<void> => {
    const { revision }: { revision: number } = await (await request.get(`/api/shows/${show}`)).json();
    const edit = { op: "setText", first: line, last: line, text: words, format: "plain" };
    const answer = await request.post(`/api/shows/${show}/edits`, { headers: OWN, data: { base: revision, edits: [edit] } });
    expect(answer.status()).toBe(200);
  };
  const find = async (): Promise<void> => {
    await page.getByLabel("Find in the play").fill("first of eleven");
    await page.getByLabel("Find in the play").press("Enter");
    await page.getByLabel("Find in the play").press("Escape");
  };
  await find();
  await write();
  await page.keyboard.type(" Mind.");
  held = [];
  await elsewhere("I.3.5", "ADA: Somebody else wrote this.");
  await page.keyboard.press("Control+Enter");
  await expect(page.getByText("Somebody else has written in this scene meanwhile; both are in it now")).toBeVisible();
  for (const tell of held) tell();
  held = null;
  await stored(page);
  expect((await lineOf(request, show, "I.3.8"))?.text).toMatch(/ Mind\.$/);
  expect((await lineOf(request, show, "I.3.5"))?.text).toBe("Somebody else wrote this.");

  await write();
  await page.keyboard.type(" Now.");
  await page.getByRole("link", { name: "Score" }).click();
  await expect(page.getByText("What was written is not made yet; it is kept in the Book")).toBeVisible();
  await page.getByRole("link", { name: "Book" }).click();
  await expect(text).toContainText("Now.");
  await page.reload();
  await page.getByRole("button", { name: "Write on" }).click();
  await expect(text).toContainText("Now.");
  await text.press("Escape");
  await page.getByRole("button", { name: "Write on" }).click();
  await expect(text).toContainText("Now.");
  await elsewhere("I.3.8", "EDWIN: Theirs.");
  await page.keyboard.press("Control+Enter");
  const asked = page.getByRole("alert").filter({ hasText: "changed the same lines of this scene" });
  await expect(asked).toBeVisible();
  expect((await lineOf(request, show, "I.3.8"))?.text).toBe("Theirs.");
  await asked.getByRole("button", { name: "Mine stands" }).click();
  await expect(asked).toBeHidden();
  await text.press("Control+Enter");
  await expect(page.getByRole("grid", { name: /^The play/ })).toBeVisible();
  await stored(page);
  expect((await lineOf(request, show, "I.3.8"))?.text).toMatch(/Now\./);
});
