import { setTimeout as wait } from "node:timers/promises";
import type { Page } from "@playwright/test";
import { type Show, readShow, serializeShow } from "@zm/core";
import { TRIAL_SIZES, type TrialSize, trialShow } from "@zm/demo";
import { Served, idOf, print, startBrowser } from "./drive.ts";
import { benchHistory } from "./longHistory.ts";
import { benchPackets } from "./packets.ts";

/** What each step may take on the large show, and the longest stall of the server's event loop; milliseconds. */
const TARGETS: Readonly<Record<string, number>> = {
  import: 5000,
  "first load on the server": 2000,
  "Score on screen, cold": 3000,
  "renumber 800 cues, stored": 1000,
  export: 1000,
};
const LONGEST_STALL = 50;
/** A follow chain that runs through all of it: this many cues, one every so many seconds. */
const CHAIN = { cues: 4000, every: 0.1 };

/** Does one step on the server, waits until it has settled, and prints time, stall and latest follow. `ownTime` is the time that a step has measured itself. */
async function step<T>(server: Served, name: string, idle: number, work: () => Promise<T>, ownTime?: (result: T) => number): Promise<T> {
  await server.read();
  // The first tick after a reading only sets the mark from which delays are taken.
  await wait(50);
  const start = performance.now();
  const result = await work();
  const took = ownTime ? ownTime(result) : performance.now() - start;
  await wait(300);
  const { stall, followLate } = await server.read();
  const target = TARGETS[name];
  const met = target === undefined ? "" : ` under ${target}: ${took < target ? "yes" : "NO"}`;
  const most = Math.max(LONGEST_STALL, 2 * idle);
  print(
    `  ${name.padEnd(28)} ${took.toFixed(0).padStart(7)} ms${met.padEnd(18)} longest stall ${stall.toFixed(1).padStart(7)} ms (under ${most.toFixed(0)}: ${stall < most ? "yes" : "NO"}), latest follow ${followLate.toFixed(1)} ms`,
  );
  return result;
}

async function bench(size: TrialSize): Promise<void> {
  const show = trialShow(size);
  const text = serializeShow(show);
  const { cues } = TRIAL_SIZES[size];
  print(`\n${size}: ${cues} cues, a document of ${(text.length / 1e6).toFixed(1)} MB`);
  benchPackets(show);
  let server = await Served.start();
  const chain = await idOf(server, serializeShow(followChain()));
  const idle = await idleOf(server, chain);
  const id = await step(server, "import", idle, () => idOf(server, text));
  await server.end();

  server = await Served.start();
  await idleOf(server, chain);
  await step(server, "first load on the server", idle, async () => (await server.request("GET", `/${id}/run`)).json());
  await step(server, "the open document sent", idle, async () => (await server.request("GET", `/${id}`)).text());
  const last = Math.min(800, cues);
  const edit = { op: "renumber", from: "1", to: String(last), start: "1", step: "0.5" };
  await step(server, `renumber ${last} cues, stored`, idle, () => server.request("POST", `/${id}/edits`, { base: 0, edits: [edit] }));
  await step(server, "the renumbering taken back", idle, () => server.request("POST", `/${id}/undo`, {}));
  const numbers = show.lists[0]?.cues.map(({ number }) => number) ?? [];
  for (const [name, gone] of Object.entries({ "a third of the cues": numbers.slice(10, Math.ceil(cues / 3)), "all cues": numbers })) {
    const edits = gone.map((cue) => ({ op: "deleteCue", cue, looks: "keepLooks" }));
    const base = await revisionOf(server, id);
    await step(server, `${name} deleted`, idle, () => server.request("POST", `/${id}/edits`, { base, edits }));
    await step(server, `${name} taken back`, idle, () => server.request("POST", `/${id}/undo`, {}));
  }
  const exported = await step(server, "export", idle, async () => (await server.request("GET", `/${id}/document`)).text());
  if (exported !== text) throw new Error("The exported document is not the one that was imported");
  await server.end();

  server = await Served.start();
  await idleOf(server, chain);
  const browser = await startBrowser();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    // What the machine takes from a server that has next to nothing to do while a browser starts up beside it.
    await server.read();
    await wait(50);
    await scoreOnScreen(page, `${server.address}/show/${chain}/score`);
    const besideBrowser = (await server.read()).stall;
    print(`  idle beside a browser: longest stall ${besideBrowser.toFixed(1)} ms`);
    await step(
      server,
      "Score on screen, cold",
      besideBrowser,
      () => scoreOnScreen(page, `${server.address}/show/${id}/score`),
      (painted) => painted,
    );
  } finally {
    await browser.close();
  }
  await server.end();
}

async function revisionOf(server: Served, show: number): Promise<number> {
  const shows = (await (await server.request("GET", "")).json()) as { id: number; revision: number }[];
  return shows.find(({ id }) => id === show)?.revision ?? Number.NaN;
}

/** Opens the Score in a window; gives the milliseconds from asking for the page to the painted sheet. */
async function scoreOnScreen(page: Page, address: string): Promise<number> {
  await page.goto(address);
  await page.waitForFunction(() => performance.getEntriesByName("score-painted").length > 0);
  return page.evaluate(() => performance.getEntriesByName("score-painted")[0]?.startTime ?? Number.NaN);
}

/** Starts the chain and tells the longest stall of a server that does nothing else. */
async function idleOf(server: Served, chain: number): Promise<number> {
  await server.request("POST", `/${chain}/run`, { press: "goto", cue: "1" });
  await wait(1000);
  await server.read();
  await wait(3000);
  const { stall, followLate, follows } = await server.read();
  print(`  idle: longest stall ${stall.toFixed(1)} ms, latest of ${follows} follows ${followLate.toFixed(1)} ms`);
  return stall;
}

function followChain(): Show {
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "A chain of follows",
    fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }] }],
    channels: [{ number: 1, type: "lamp" }],
    lists: [
      {
        id: "main",
        label: "Main",
        cues: Array.from({ length: CHAIN.cues }, (_, row) => ({
          number: String(row + 1),
          ...(row === 0 ? {} : { trigger: { type: "follow", from: "go", after: CHAIN.every } }),
          parts: [{ number: 1, times: {}, moves: { 1: { intensity: row % 100 } } }],
        })),
      },
    ],
  });
}

const asked = process.argv.slice(2);
const sizes = Object.keys(TRIAL_SIZES).filter((size): size is TrialSize => (asked.length === 0 ? size === "large" : asked.includes(size)));
print("One run on this machine; the server in a process of its own, a chain of follows running on it all the while.");
for (const size of sizes) await bench(size);
if (asked.length === 0 || asked.includes("history")) await benchHistory();
