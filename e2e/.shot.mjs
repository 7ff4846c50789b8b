import { chromium } from "@playwright/test";
// node shot.mjs OUT PATH [JS step file]
const [out, path, steps] = process.argv.slice(2);
const [w,h]=(process.env.SIZE??"1280x800").split("x").map(Number);
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox","--disable-gpu","--disable-background-networking"] });
const page = await browser.newPage({ viewport: { width: w, height: h } });
page.on("pageerror", e => console.log("PAGEERROR", e.message));
page.on("console", m => { if (m.type()==="error") console.log("CONSOLE", m.text()); });
await page.goto(`http://127.0.0.1:${process.env.P??4700}${path}`);
await page.waitForTimeout(2500);
if (steps) { const f = new Function("page", `return (async()=>{${steps}})()`); const r = await f(page); if (r!==undefined) console.log(JSON.stringify(r)); }
await page.screenshot({ path: out });
await browser.close();
