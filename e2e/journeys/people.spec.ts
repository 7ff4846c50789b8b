import { type Browser, type Page, expect, test } from "@playwright/test";
import { findingsInBoth } from "../support/axe.ts";
import { enterLine } from "../support/build.ts";
import { openMenu } from "../support/files.ts";
import { type OwnServer, ownServer } from "../support/ownServer.ts";

let server: OwnServer;
test.beforeEach(async () => void (server = await ownServer()));
test.afterEach(() => server.end());

/** A browser of somebody's own. */
async function person(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ baseURL: server.address, viewport: { width: 1280, height: 800 } });
  return context.newPage();
}

async function standsInScore(page: Page): Promise<void> {
  await page.waitForURL(/\/show\/1\/score/);
  await expect(page.getByText("Night sea").first()).toBeVisible();
}

/** Ada makes the first account, and invites somebody; gives the code. */
async function invitationByAda(page: Page, role: string): Promise<string> {
  await page.goto("/");
  await standsInScore(page);
  await openMenu(page, /^People/);
  await page.getByLabel("Your name, as others see it").fill("Ada");
  await page.getByLabel(/^A password/).fill("lamp-oil-and-salt");
  await page.getByRole("button", { name: "Make my account, as programmer" }).dblclick();
  return invitation(page, role);
}

async function invitation(page: Page, role: string): Promise<string> {
  await page.getByRole("group", { name: "Role" }).getByRole("button", { name: role }).click();
  await page.getByRole("button", { name: "Make an invitation" }).click();
  await expect(page.getByRole("img", { name: /^The address of this invitation/ })).toBeVisible();
  return page.getByTestId("invitation-code").innerText();
}

async function comeIn(page: Page, code: string, name: string): Promise<void> {
  await page.goto(`/join#${code}`);
  await page.getByLabel("Your name, as others see it").fill(name);
  await page.getByLabel(/^A password/).fill("wick-and-paraffin");
  await page.getByRole("button", { name: "Come in" }).click();
  await standsInScore(page);
}

test("an operator who was invited runs the show and edits nothing, and both are told who did what", async ({ browser }) => {
  const ada = await person(browser);
  const code = await invitationByAda(ada, "operator");
  const bea = await person(browser);
  // Whoever has not signed in is sent to the door, and from there on to where they wanted to go.
  await bea.goto("/show/1/book");
  await expect(bea.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await comeIn(bea, code.toLowerCase(), "Bea");
  await expect(ada.getByRole("region", { name: "Accounts" })).toContainText("Bea");
  await ada.keyboard.press("Escape");

  await expect(bea.getByRole("button", { name: "Record" })).toHaveCount(0);
  const line = bea.getByRole("combobox", { name: "Line entry" });
  await line.click();
  await bea.keyboard.type('#2: label "Dawn"');
  const only = "Bea is an operator, who runs the show and sees everything, and edits nothing; only a programmer edits.";
  await expect(bea.locator("#line-answer")).toHaveText(only);
  await expect(bea.getByRole("region", { name: "Impact" })).toContainText(only);
  await expect(bea.getByRole("region", { name: "Impact" }).getByRole("button", { name: "Make it" })).toBeDisabled();
  // Entered all the same it is refused, and comes back.
  await bea.keyboard.press("Enter");
  await expect(bea.getByText(`Not done: #2: label "Dawn" — ${only} Nothing was changed.`)).toBeVisible();
  await expect(line).toHaveValue('#2: label "Dawn"');
  await line.fill("");
  await expect(bea.getByText("Night sea").first()).toBeVisible();
  await enterLine(bea, "go main to #3");
  await expect(ada.getByRole("banner")).toContainText("on stage cue 3");

  await enterLine(ada, '#2: label "Dawn over the sea"');
  await expect(bea.getByText("Dawn over the sea").first()).toBeVisible();
  await enterLine(bea, "history");
  await expect(bea.getByRole("group", { name: "Edits, the newest first" })).toContainText("Ada");
  await ada.goto("/show/1/log");
  await expect(ada.getByText("Bea").first()).toBeVisible();
});

test("who else is here is seen and followed; what they change flashes, what they keep is theirs, and what the designer asks arrives", async ({
  browser,
}) => {
  const ada = await person(browser);
  const code = await invitationByAda(ada, "programmer");
  const bea = await person(browser);
  await comeIn(bea, code, "Bea Holm");
  const designer = await invitation(ada, "designer");
  await ada.keyboard.press("Escape");
  const cy = await person(browser);
  await comeIn(cy, designer, "Cy");

  await enterLine(bea, "#12");
  const twelve = ada.getByRole("row", { name: /^12 / }).first();
  await expect(twelve).toContainText("Bea Holm is at this cue");
  await ada.getByRole("button", { name: /2 other windows are here/ }).click();
  await expect(ada.getByRole("menuitem", { name: "Bea Holm score, cue 12" })).toBeVisible();
  await ada.getByRole("menuitem", { name: "Bea Holm score, cue 12" }).click();
  await expect(ada.getByText("You see what Bea Holm sees; a key or a press ends it")).toBeVisible();
  await bea.getByRole("link", { name: "Book", exact: true }).click();
  await enterLine(bea, "#14");
  await ada.waitForURL(/\/book$/);
  await expect(ada.getByRole("region", { name: "Call", exact: true })).toContainText("on “first”");
  await ada.keyboard.press("Escape");
  await expect(ada.getByText("You see what Bea Holm sees")).toHaveCount(0);
  await enterLine(bea, "#20");
  await expect(bea.getByRole("row", { name: /^20 / }).first()).toHaveAttribute("aria-selected", "true");
  await expect(ada.getByRole("row", { name: /^20 / }).first()).toContainText("Bea Holm is at this cue");
  await expect(ada.getByRole("row", { name: /^14 / }).first()).toHaveAttribute("aria-selected", "true");

  await enterLine(ada, "score");
  await enterLine(bea, "score");
  await enterLine(bea, "keep #12", /^Enter keeps cue 12 for you for ten minutes/);
  await expect(twelve).toContainText("Bea Holm keeps this cue");
  await ada.getByRole("combobox", { name: "Line entry" }).click();
  await ada.keyboard.type('#12: label "Edwin, wet through"');
  await ada.keyboard.press("Enter");
  await expect(
    ada.getByText(/Bea Holm keeps cue 12, for 10 more minutes\. Nothing was changed; take it over first: keep #12/),
  ).toBeVisible();
  await ada.getByRole("combobox", { name: "Line entry" }).fill("");
  await enterLine(ada, "#12");
  await ada.getByRole("button", { name: "Take it over" }).dblclick();
  await expect(bea.getByText("Ada has taken cue 12 over")).toBeVisible();
  await enterLine(ada, '#12: label "Edwin, wet through"');
  await expect(bea.getByRole("row", { name: /^12 Edwin, wet through/ }).first()).toHaveClass(/flash/);

  await enterLine(cy, 'leave note "A third too bright" #17');
  await expect(ada.getByText("Cy asks, at cue 17: A third too bright")).toBeVisible();
  await ada.getByRole("button", { name: "Go there" }).click();
  await expect(ada.getByRole("row", { name: /^17 / }).first()).toHaveAttribute("aria-selected", "true");
  await cy.context().close();
  await expect(ada.getByRole("button", { name: /one other window is here/ })).toBeVisible();
});

test("another role holds at once, and who is taken away, or signs out everywhere, stands before the door", async ({ browser }) => {
  const ada = await person(browser);
  const code = await invitationByAda(ada, "watcher");
  const dot = await person(browser);
  await comeIn(dot, code, "Dot");
  await expect(dot.getByText("watcher: edits nothing")).toBeVisible();
  await ada.getByLabel("Role of Dot").selectOption("programmer");
  await expect(dot.getByRole("button", { name: "Record" })).toBeVisible();
  await expect(dot.getByText("watcher: edits nothing")).toHaveCount(0);
  await ada.getByRole("button", { name: "Take Dot's account away" }).click();
  await ada.getByRole("button", { name: "Take it away" }).dblclick();
  await expect(dot.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await dot.getByLabel("Name").fill("Dot");
  await dot.getByLabel("Password").fill("wick-and-paraffin");
  await dot.keyboard.press("Enter");
  await expect(dot.getByRole("alert")).toHaveText("Name and password do not go together");
  // Ada herself, in two windows of one browser.
  const second = await ada.context().newPage();
  await second.goto("/show/1/score");
  await standsInScore(second);
  await ada.keyboard.press("Escape");
  await ada.getByRole("button", { name: /^Ada, programmer/ }).click();
  await ada.getByRole("menuitem", { name: "Sign out in every browser" }).click();
  for (const page of [ada, second]) await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await ada.getByLabel("Name").fill("ada");
  await ada.getByLabel("Password").fill("lamp-oil-and-salt");
  await ada.getByRole("button", { name: "Sign in" }).dblclick();
  await standsInScore(ada);
});

test("an invitation that was taken back, used, or mistyped lets nobody in, and says so where it is entered", async ({ browser }) => {
  const ada = await person(browser);
  const code = await invitationByAda(ada, "designer");
  await ada.getByRole("button", { name: "Take back" }).click();
  await expect(ada.getByTestId("invitation-code")).toHaveCount(0);
  const eve = await person(browser);
  await eve.goto("/join");
  await eve.getByLabel("Code of the invitation").fill(code);
  await eve.getByLabel("Your name, as others see it").fill("Eve");
  await eve.getByLabel(/^A password/).fill("wick-and-paraffin");
  await eve.keyboard.press("Enter");
  await expect(eve.getByRole("alert")).toContainText("There is no such invitation, or it has ended or been used");
  await expect(eve.getByLabel("Your name, as others see it")).toHaveValue("Eve");
  await eve.getByLabel("Code of the invitation").fill(await invitation(ada, "designer"));
  await eve.getByRole("button", { name: "Come in" }).click();
  await standsInScore(eve);
});

test("the door and the place of people have no serious finding, in desk and in foolscap", async ({ browser }) => {
  const ada = await person(browser);
  await ada.goto("/");
  await standsInScore(ada);
  await openMenu(ada, /^People/);
  await expect(ada.getByRole("form", { name: "First account" })).toBeVisible();
  expect(["first account", await findingsInBoth(ada, "dialog[open]")]).toEqual(["first account", []]);
  await ada.keyboard.press("Escape");
  await invitationByAda(ada, "operator");
  expect(["people", await findingsInBoth(ada, "dialog[open]")]).toEqual(["people", []]);
  const eve = await person(browser);
  for (const path of ["/sign-in", "/join"]) {
    await eve.goto(path);
    await expect(eve.getByRole("heading", { level: 1 })).toBeVisible();
    expect([path, await findingsInBoth(eve, "main")]).toEqual([path, []]);
  }
});
