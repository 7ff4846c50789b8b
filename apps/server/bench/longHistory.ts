import { serializeShow } from "@zm/core";
import { trialShow } from "@zm/demo";
import { Served, idOf, print, startBrowser } from "./drive.ts";

/** So many edits lie behind the show, and the state that is compared lies so many of them back. */
const EDITS = 10_000;
const BACK = 5_000;
/** What the history may take: milliseconds, and bytes of the database for an ordinary edit. */
const OPENS = 1000;
const COMPARES = 2000;
const BYTES = 2048;

/** Measures the history of the middle trial show behind ten thousand ordinary edits: how long it opens and compares, and how the database grows. */
export async function benchHistory(): Promise<void> {
  print(`\nhistory: the middle trial show behind ${EDITS} edits`);
  const server = await Served.start();
  const id = await idOf(server, serializeShow(trialShow("middle")));
  const before = await server.size();
  const start = performance.now();
  for (let made = 0; made < EDITS; made += 1) await server.request("POST", `/${id}/edits`, { base: made, edits: [ordinary(made)] });
  print(`  made in ${((performance.now() - start) / EDITS).toFixed(1)} ms each`);
  const bytes = ((await server.size()) - before) / EDITS;
  print(`  the database grows by ${bytes.toFixed(0)} bytes an edit (under ${BYTES}: ${bytes < BYTES ? "yes" : "NO"})`);
  await server.request("POST", `/${id}/versions`, { revision: EDITS - BACK, name: "Half way" });
  const browser = await startBrowser();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.address}/show/${id}/score`);
    await page.getByRole("link", { name: "History" }).waitFor();
    const opens = await taken(async () => {
      await page.getByRole("link", { name: "History" }).click();
      await page.getByRole("group", { name: "Edits, the newest first" }).locator("li").first().waitFor();
    });
    told("opens", opens, OPENS);
    const compares = await taken(async () => {
      await page.getByLabel("Named states").selectOption({ label: "Half way" });
      await page.getByRole("grid", { name: "What is different" }).getByRole("row").nth(1).waitFor();
    });
    told(`compares with ${BACK} edits back`, compares, COMPARES);
  } finally {
    await browser.close();
    await server.end();
  }
}

/** An edit as they are made all day: a level in a few cues, a time, a label; none says what stands there already. */
function ordinary(made: number): object {
  const cue = String(1 + (made % 300));
  if (made % 5 === 3) return { op: "setTimes", from: cue, to: cue, set: { up: 1 + made / 10_000 } };
  if (made % 5 === 4) return { op: "setCue", from: cue, to: cue, label: `Edit ${made}` };
  const channels = [1 + (made % 60), 1 + ((made + 7) % 60)];
  return { op: "change", from: cue, to: cue, keys: { channels, families: ["intensity"] }, do: { set: made / 100 }, after: "restore" };
}

async function taken(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

function told(what: string, took: number, target: number): void {
  print(`  ${what}: ${took.toFixed(0)} ms (under ${target}: ${took < target ? "yes" : "NO"})`);
}
