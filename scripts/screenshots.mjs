// Takes the pictures of docs/screenshots. Called by screenshots.sh with the server running over a fresh demo.
import { Buffer } from "node:buffer";
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

const address = `http://127.0.0.1:${process.env.ZM_PORT}/show/1`;
const flags = JSON.parse(readFileSync(new URL("../e2e/chromium.json", import.meta.url), "utf8"));
const browser = await chromium.launch({ executablePath: process.env.ZM_CHROMIUM, args: flags });

async function shot(name, view, prepare) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/${view}`);
  await page.getByRole("navigation", { name: "Views" }).waitFor();
  await page.waitForTimeout(500);
  await prepare(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
}

await shot("score", "score", async (page) => {
  await page.getByRole("button", { name: "Fold scene I.2" }).click();
  await page.getByText("Edwin at the door").click();
});
await shot("times-drawn", "score", async (page) => {
  await page.getByRole("rowheader", { name: "12", exact: true }).click();
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("p");
  await page.keyboard.press("d");
  const bar = page.getByRole("slider", { name: "Cue 12, part 1: down" });
  await bar.focus();
  for (let times = 0; times < 15; times += 1) await bar.press("ArrowRight");
});
await shot("score-foolscap", "score", async (page) => {
  await page.getByRole("button", { name: "Light: foolscap" }).click();
  await page.getByRole("button", { name: "Tracked" }).click();
  await page.getByText("Kettle").click();
});
await shot("impact", "score", async (page) => {
  await page.getByRole("grid", { name: "Score" }).focus();
  await page.keyboard.press("v");
  await page.getByLabel("Line entry").fill("delete #12.3");
});
const press = (what) =>
  fetch(`http://127.0.0.1:${process.env.ZM_PORT}/api/shows/1/run`, {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" },
    body: JSON.stringify(what),
  });
const hand = (...changes) =>
  fetch(`http://127.0.0.1:${process.env.ZM_PORT}/api/shows/1/hand`, {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" },
    body: JSON.stringify({ changes }),
  });
async function line(page, text) {
  await page.getByLabel("Line entry").fill(text);
  await page.getByLabel("Line entry").press("Enter");
  await page.waitForTimeout(150);
}

await press({ press: "goto", cue: "6", time: 0 });
await shot("stage", "stage", async (page) => {
  await line(page, "@profiles = 80");
  await line(page, "@profiles pan = -40~40");
  await line(page, "@profiles tilt = 40");
  await page.getByRole("tab", { name: "colour" }).click();
  await page.getByRole("button", { name: "Foxglove" }).click();
  await line(page, "@profiles position fade 4 delay 0~2");
});
await shot("record", "stage", async (page) => {
  await page.keyboard.press("r");
  await page.getByLabel("Label of the cue").fill("Foxglove weather");
  await page.getByLabel("up, seconds").fill("3");
  await page.getByLabel("down, seconds").fill("5");
  await page.getByLabel("down delay, seconds").focus();
});
await hand({ do: "drop", fade: 0 });
await hand({ do: "drop", fade: 0 });
await shot("waves", "stage", async (page) => {
  await line(page, "61..64 = 70");
  await line(page, "61..64 pan = -30~30");
  await line(page, "61..64 pan wave sine 25 every 4 spread 0~360");
  await page.keyboard.press("Escape");
  await page.getByRole("tab", { name: "position" }).click();
  await page.getByRole("group", { name: "Wave" }).getByRole("button").first().click();
  await page.getByRole("group", { name: "Movements" }).scrollIntoViewIfNeeded();
});
await hand({ do: "drop", fade: 0 });
await shot("rig", "rig", async (page) => {
  await page.getByRole("button", { name: "21", exact: true }).click();
  await page.getByRole("button", { name: "26", exact: true }).click({ modifiers: ["Shift"] });
  await page.getByLabel("First light").fill("101");
  await page.getByLabel("Last light").fill("112");
  await page.getByLabel("First patch").fill("4.1");
});
await shot("check", "check", async (page) => {
  await page.getByRole("button", { name: /hints$/ }).click();
  await page.getByRole("button", { name: "By kind" }).click();
  await page
    .getByRole("button", { name: /^Mend all/ })
    .first()
    .click();
});
await shot("planner", "planner", async (page) => {
  await page.getByRole("button", { name: "Ask for a plan" }).click();
  await page.waitForTimeout(1500);
});
await shot("rehearsal", "check/rehearsal", async (page) => {
  await page.getByRole("button", { name: /^Rehearse / }).click();
  await page.getByRole("button", { name: /cut fades$/ }).click({ timeout: 60_000 });
  await page
    .getByRole("button", { name: /^Light 73, .* is seen travelling/ })
    .first()
    .click();
  await page.getByRole("img", { name: /^The stage / }).waitFor({ timeout: 60_000 });
});
await shot("book", "book", async (page) => {
  await line(page, "#15");
  await page.waitForTimeout(600);
});
const osc = (on) =>
  fetch(`http://127.0.0.1:${process.env.ZM_PORT}/api/osc`, {
    method: "PUT",
    headers: { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" },
    body: JSON.stringify({ on, address: `127.0.0.1:${Number(process.env.ZM_PORT) + 3}`, show: null }),
  });
await osc(true);
await shot("run-log", "log", async (page) => {
  await line(page, "call from #40 at 20");
  await page.waitForTimeout(4000);
  await line(page, "call stop");
  await page.getByRole("button", { name: /^called, 20 times as fast/ }).waitFor();
});
await osc(false);
await press({ press: "rate", rate: 1 });
await shot("run", "run", async (page) => {
  await page.getByRole("button", { name: "Shelf" }).click();
  await page.getByRole("button", { name: "More of Flame" }).click();
  await page.getByRole("menuitem", { name: "Put its next cue into the standby set" }).click();
  await page.getByLabel("Cold wash, level").fill("45");
  await page.getByLabel("Go to cue").fill("41");
  await page.getByRole("button", { name: "Go to" }).click();
  await page.waitForTimeout(5000);
});
await shot("stage-rig", "stage", async (page) => {
  await page.getByRole("button", { name: "Both" }).click();
  await page.waitForTimeout(2500);
});
await shot("bring-in", "score", async (page) => {
  await line(page, "bring in");
  await page.getByLabel("Files to bring in").setInputFiles({
    name: "storm.asc",
    mimeType: "text/plain",
    buffer: Buffer.from(
      [
        ...[
          "Ident 3:0",
          "Manufacturer Somebody",
          "! A storm from another house",
          "Set Channels 120",
          "Patch 1 1<1@FL 2<2@80 3<3@FL",
          "$Colours 12",
        ],
        ...[
          "Sub 3",
          " Text Work light",
          " Chan 81@FL 82@60",
          "Cue 701",
          " Text Wind rises",
          " Up 6",
          " Down 9 2",
          " Chan 1@40 2@55 21@30 22@30",
        ],
        ...[
          "Cue 702",
          " Text First thunder",
          " Up 0",
          " Followon 1.5",
          " Chan 1@40 2@55 41@FL",
          "$$Strobe 4",
          "Cue 703",
          " Text It passes",
          " Up 12",
          " Chan 1@20 2@20 21@15",
        ],
        ...[" Link 701", "EndData"],
      ].join("\n"),
    ),
  });
  await page.getByText("What it leaves open").waitFor();
  await page.waitForTimeout(800);
});
await shot("paper", "paper", async (page) => {
  await page.getByRole("button", { name: "What each cue changes" }).click();
  await page.getByRole("list", { name: "Pages" }).waitFor();
  await page.waitForTimeout(1500);
});
await shot("history", "score", async (page) => {
  const edits = [
    "#6..9: 1..8 + 10 only",
    'name "after first dress"',
    "delete #12.3",
    "move #16 to #16.9",
    "#12: up 8",
    'insert #20.7 "Lamp flickers"',
  ];
  for (const text of edits) {
    await line(page, text);
    await page.waitForTimeout(300);
  }
  await page.getByRole("link", { name: "History" }).click();
  await page.getByRole("button", { name: "How the show began" }).first().click();
  await page.getByRole("row", { name: /Kettle/ }).click();
  await page.getByRole("button", { name: "This cue", exact: true }).click();
});
// Last of all, since from then on everybody signs in.
await shot("people", "score", async (page) => {
  const invite = async (role) => {
    await page.getByRole("group", { name: "Role" }).getByRole("button", { name: role }).click();
    await page.getByRole("button", { name: "Make an invitation" }).click();
    await page.getByTestId("invitation-code").waitFor();
    await page.waitForTimeout(500);
    return page.getByTestId("invitation-code").innerText();
  };
  await line(page, "people");
  await page.getByLabel("Your name, as others see it").fill("Ada Lind");
  await page.getByLabel(/^A password/).fill("lamp-oil-and-salt");
  await page.getByRole("button", { name: "Make my account, as programmer" }).click();
  for (const [name, role, cue] of [
    ["Bea Holm", "operator", "#14"],
    ["Cy Ware", "designer", "#12.6"],
  ]) {
    const code = await invite(role);
    const other = await (await browser.newContext()).newPage();
    await other.goto(`http://127.0.0.1:${process.env.ZM_PORT}/join#${code}`);
    await other.getByLabel("Your name, as others see it").fill(name);
    await other.getByLabel(/^A password/).fill("wick-and-paraffin");
    await other.getByRole("button", { name: "Come in" }).click();
    await other.getByLabel("Line entry").waitFor();
    await line(other, cue);
  }
  await invite("watcher");
});
await browser.close();
