// Takes the pictures of docs/screenshots. Called by screenshots.sh with the server running over a fresh demo.
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

const address = `http://127.0.0.1:${process.env.ZM_PORT}/show/1`;
const flags = JSON.parse(readFileSync(new URL("../e2e/chromium.json", import.meta.url), "utf8"));
const browser = await chromium.launch({ executablePath: process.env.ZM_CHROMIUM, args: flags });

async function shot(name, view, prepare) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/${view}`);
  await page.getByRole("rowheader", { name: "0.5" }).first().waitFor();
  await page.waitForTimeout(500);
  await prepare(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
}

async function drag(page, from, to) {
  const box = await page.locator("canvas").boundingBox();
  const at = ({ row, x }) => [box.x + x, box.y + row * 28 + 14];
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 4 });
  await page.mouse.up();
}

await shot("score", "score", async (page) => {
  await page.getByText("Edwin at the door").click();
});
await shot("score-range-edit", "score", async (page) => {
  await drag(page, { row: 9, x: 110 }, { row: 12, x: 240 });
  await page.getByLabel("level").fill("+10");
});
await shot("score-colour", "score", async (page) => {
  await page.getByRole("button", { name: "Colour", exact: true }).click();
  await drag(page, { row: 4, x: 20 }, { row: 4, x: 20 });
});
await shot("score-foolscap", "score", async (page) => {
  await page.getByRole("button", { name: "Light: foolscap" }).click();
  await page.getByRole("button", { name: "Tracked" }).click();
  await page.getByText("Kettle").click();
});
await shot("line-entry", "score", async (page) => {
  await page.getByLabel("Line entry").fill("#6..9: 3..6, 11..12 + 10 only");
});
await shot("stage", "stage", async (page) => {
  await page.getByText("Edwin at the door").click();
});
await shot("run", "run", async (page) => {
  await page.getByLabel("Go to cue").fill("27");
  await page.getByRole("button", { name: "Go to" }).click();
  await page.waitForTimeout(5000);
});
await browser.close();
