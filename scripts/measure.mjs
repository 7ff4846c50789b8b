// Prints what windows of a running Zealous Mark take: first paint of the Score, a 20-cue edit until the sheet shows it; and on the large trial
// show from a key in the line until the impact of 200 cues x 20 lights is on the screen, until another window shows that edit, and scrolling.
// Usage: start it with ./start, then  node scripts/measure.mjs [rounds]
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

const rounds = Number(process.argv[2] ?? 15);
const address = `http://127.0.0.1:${process.env.ZM_PORT ?? 4600}`;
const TYPE = "application/vnd.zealous-mark.show+json";
const flags = JSON.parse(readFileSync(new URL("../e2e/chromium.json", import.meta.url), "utf8"));

function median(values) {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
}

/** Stores a document as one more show, and gives its number. */
async function importShow(body) {
  const headers = { "X-Requested-With": "zealous-mark", "Content-Type": TYPE };
  const reply = await fetch(`${address}/api/shows`, { method: "POST", headers, body });
  if (!reply.ok) throw new Error(`The show could not be imported: ${await reply.text()}`);
  return (await reply.json()).id;
}

// A copy of the first show, so that nobody's work is touched; it stays behind as one more show.
const id = await importShow(await (await fetch(`${address}/api/shows/1/document`)).text());
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
await page.close();

/** From a key in the line until its impact is painted, and the longest frame meanwhile; milliseconds. */
async function timeKey(on, text) {
  return on.evaluate(async (typed) => {
    const input = document.getElementById("line-entry");
    const answer = document.getElementById("line-answer");
    if (!(input instanceof HTMLInputElement) || !answer) throw new Error("There is no line entry");
    const before = answer.textContent;
    let last = performance.now();
    let longest = 0;
    let going = true;
    const tick = () => {
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
      if (going) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    const start = performance.now();
    const shown = new Promise((resolve) => {
      const observer = new MutationObserver(() => {
        if (answer.textContent === before || !/cues look different/.test(answer.textContent ?? "")) return;
        observer.disconnect();
        requestAnimationFrame(() => resolve(performance.now() - start));
      });
      observer.observe(answer, { subtree: true, childList: true, characterData: true });
    });
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(input, typed);
    input.dispatchEvent(new Event("input", { bubbles: true }));
    const took = await shown;
    await new Promise((resolve) => setTimeout(resolve, 400));
    going = false;
    return { took, longest };
  }, text);
}

const trial = execFileSync("npm", ["run", "-s", "zm", "--", "trial", "large"], {
  cwd: new URL("..", import.meta.url).pathname,
  maxBuffer: 1e9,
});
const large = await importShow(trial);
const wide = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await wide.goto(`${address}/show/${large}/score`);
await wide.waitForFunction(() => performance.getEntriesByName("score-painted").length > 0);
await wide.waitForTimeout(6000);
const keys = [];
for (let round = 0; round < 3 * rounds; round += 1) {
  keys.push(await timeKey(wide, `#100..299: 1..20 = ${10 + (round % 80)}`));
  await wide.waitForTimeout(200);
}

/** When a milestone was passed last, milliseconds of the machine's clock; 0 where it was not. */
const passed = (on, name) =>
  on.evaluate((mark) => performance.timeOrigin + (performance.getEntriesByName(mark).at(-1)?.startTime ?? -performance.timeOrigin), name);

// The same edit made in one window and seen in another, which holds the same show.
const other = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await other.goto(`${address}/show/${large}/score`);
await other.waitForFunction(() => performance.getEntriesByName("score-painted").length > 0);
await other.waitForTimeout(6000);
const elsewhere = [];
for (let round = 0; round < rounds; round += 1) {
  const line = wide.getByLabel("Line entry");
  await line.fill(`#1..200: 1..20 = ${10 + (round % 80)}`);
  await wide.waitForTimeout(600);
  const before = await passed(other, "score-painted");
  await line.press("Enter");
  await other.waitForFunction(
    (seen) => performance.timeOrigin + (performance.getEntriesByName("score-painted").at(-1)?.startTime ?? 0) > seen,
    before,
  );
  elsewhere.push((await passed(other, "score-painted")) - (await passed(wide, "edit-sent")));
  await wide.waitForTimeout(300);
}

/** The lengths of the frames while the sheet scrolls down by so much each; milliseconds. */
const frames = await other.evaluate(async () => {
  const sheet = document.querySelector('[role="grid"][aria-label="Score"]');
  if (!sheet) throw new Error("There is no Score");
  const lengths = [];
  let last = performance.now();
  for (let frame = 0; frame < 240; frame += 1) {
    await new Promise((resolve) => requestAnimationFrame(resolve));
    lengths.push(performance.now() - last);
    last = performance.now();
    sheet.scrollTop += 45;
  }
  return lengths.slice(5);
});
await browser.close();
console.log(`first paint of the Score, median of ${rounds}: ${median(paints).toFixed(0)} ms`);
console.log(`20-cue edit of 8 lights, from sending to the sheet showing it, median of ${rounds}: ${median(edits).toFixed(0)} ms`);
const took = median(keys.map((key) => key.took)).toFixed(0);
const longest = median(keys.map((key) => key.longest)).toFixed(0);
console.log(
  `a key to the impact of 200 cues x 20 lights, large trial show, median of ${keys.length}: ${took} ms; longest frame meanwhile ${longest} ms`,
);
console.log(
  `200 cues x 20 lights, large trial show, from sending to another window showing it, median of ${rounds}: ${median(elsewhere).toFixed(0)} ms`,
);
const slow = frames.filter((length) => length > 25).length;
console.log(
  `scrolling the large trial show: ${(1000 / (frames.reduce((sum, each) => sum + each, 0) / frames.length)).toFixed(0)} frames a second, ${slow} of ${frames.length} longer than 25 ms`,
);
