// Prints what a window of a running Zealous Mark takes: first paint of the Score, and a 20-cue edit until the sheet shows it.
// Usage: start it with ./start, then  node scripts/measure.mjs [rounds]
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

const rounds = Number(process.argv[2] ?? 15);
const address = `http://127.0.0.1:${process.env.ZM_PORT ?? 4600}`;
const TYPE = "application/vnd.zealous-mark.show+json";
const flags = JSON.parse(readFileSync(new URL("../e2e/chromium.json", import.meta.url), "utf8"));

function median(values) {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
}

// A copy of the first show, so that nobody's work is touched; it stays behind as one more show.
const showText = await (await fetch(`${address}/api/shows/1/document`)).text();
const { id } = await (
  await fetch(`${address}/api/shows`, {
    method: "POST",
    headers: { "X-Requested-With": "zealous-mark", "Content-Type": TYPE },
    body: showText,
  })
).json();
const browser = await chromium.launch({ executablePath: process.env.ZM_CHROMIUM ?? "/usr/bin/chromium", args: flags });

const paints = [];
for (let round = 0; round < rounds; round += 1) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/show/${id}/score`);
  await page.waitForFunction(() => performance.getEntriesByName("score-painted").length > 0);
  paints.push(await page.evaluate(() => performance.getEntriesByName("score-painted")[0].startTime));
  await page.close();
}

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/show/${id}/score`);
await page.getByRole("rowheader", { name: "0.5" }).first().waitFor();
const edits = [];
for (let round = 0; round < rounds; round += 1) {
  const line = page.getByLabel("Line entry");
  await line.fill(`#6..20: 1..8 = ${round % 2 ? 40 : 60} only`);
  await page.waitForTimeout(150);
  await page.evaluate(() => performance.clearMarks());
  await line.press("Enter");
  await page.waitForFunction(() => {
    const [sent] = performance.getEntriesByName("edit-sent");
    return sent && performance.getEntriesByName("score-painted").some((mark) => mark.startTime > sent.startTime);
  });
  await page.waitForTimeout(100);
  edits.push(
    await page.evaluate(() => {
      const [sent] = performance.getEntriesByName("edit-sent");
      return performance.getEntriesByName("score-painted").find((mark) => mark.startTime > sent.startTime).startTime - sent.startTime;
    }),
  );
}
await browser.close();
console.log(`first paint of the Score, median of ${rounds}: ${median(paints).toFixed(0)} ms`);
console.log(`20-cue edit of 8 lights, from sending to the sheet showing it, median of ${rounds}: ${median(edits).toFixed(0)} ms`);
