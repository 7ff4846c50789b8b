// Prints how many frames a second the Stage paints with 100 lights lit, and how long the painting of one frame takes.
// Usage: start it with ./start, then  node scripts/measureStage.mjs [seconds]
import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

const seconds = Number(process.argv[2] ?? 5);
const address = `http://127.0.0.1:${process.env.ZM_PORT ?? 4600}`;
const TYPE = "application/vnd.zealous-mark.show+json";
const flags = JSON.parse(readFileSync(new URL("../e2e/chromium.json", import.meta.url), "utf8"));
const json = { "Content-Type": "application/json" };

// A copy of the first show with its rig brought to 100 lights, all of them moving washes lit by the Hand while a long cue runs.
const show = await (await fetch(`${address}/api/shows/1/document`)).json();
const more = 100 - show.channels.length;
for (let index = 0; index < more; index += 1)
  show.channels.push({ number: 201 + index, type: "wash", place: { x: -6 + (12 * index) / (more - 1), y: 6.8, z: 1 + (index % 5) } });
const { id } = await (
  await fetch(`${address}/api/shows`, {
    method: "POST",
    headers: { "X-Requested-With": "zealous-mark", "Content-Type": TYPE },
    body: JSON.stringify(show),
  })
).json();
const moves = Object.fromEntries(
  show.channels.map(({ number, type }, index) => [
    number,
    {
      intensity: 40 + (index % 50),
      ...(type === "wash" || type === "profile" ? { pan: (index * 7) % 90, tilt: 20 + (index % 30), red: 20 + (index % 80) } : {}),
    },
  ]),
);
await fetch(`${address}/api/shows/${id}/hand`, {
  method: "POST",
  headers: json,
  body: JSON.stringify({ changes: [{ do: "give", moves }] }),
});
await fetch(`${address}/api/shows/${id}/run`, {
  method: "POST",
  headers: json,
  body: JSON.stringify({ press: "goto", cue: "10", time: 60 }),
});

const browser = await chromium.launch({ executablePath: process.env.ZM_CHROMIUM ?? "/usr/bin/chromium", args: flags });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => {
  const ask = window.requestAnimationFrame.bind(window);
  window.frameTimes = [];
  // Every painting writes its light twice, beams and pools; frames in which nothing changed write none and do not count.
  window.written = 0;
  const write = CanvasRenderingContext2D.prototype.putImageData;
  CanvasRenderingContext2D.prototype.putImageData = function (...given) {
    window.written += 1;
    return write.apply(this, given);
  };
  window.requestAnimationFrame = (work) =>
    ask((now) => {
      const begun = performance.now();
      work(now);
      window.frameTimes.push(performance.now() - begun);
    });
});
await page.goto(`${address}/show/${id}/stage`);
await page.locator("canvas").first().waitFor();
await page.waitForTimeout(1500);
for (const view of ["Front", "Plan"]) {
  await page.getByRole("group", { name: "Seen from" }).getByRole("button", { name: view }).click();
  const counted = await page.evaluate(
    (span) =>
      new Promise((resolve) => {
        window.frameTimes = [];
        window.written = 0;
        const begin = performance.now();
        const tick = (now) => {
          if (now - begin < span * 1000) return requestAnimationFrame(tick);
          const painted = window.frameTimes.filter((time) => time > 0.2);
          painted.sort((a, b) => a - b);
          resolve({
            rate: window.written / 2 / ((now - begin) / 1000),
            median: painted[painted.length >> 1],
            slow: painted[Math.floor(painted.length * 0.95)],
          });
        };
        requestAnimationFrame(tick);
      }),
    seconds,
  );
  console.log(
    `Stage, ${view.toLowerCase()}, ${show.channels.length} lights lit: ${counted.rate.toFixed(1)} pictures a second; script of one frame ${counted.median?.toFixed(2)} ms median, ${counted.slow?.toFixed(2)} ms at 95 %`,
  );
}
await browser.close();
