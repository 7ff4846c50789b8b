// Whether the server keeps what it has no more need of: eight large shows are imported at once, then the demo is called at sixty times its speed, again and
// again, while a side list steps, windows watch and edits come. soak.mjs [MINUTES]: so many minutes are so many hours of the play. Tells the memory of the process
// as the kernel counts it, and fails where it passes 1 GB or grows from the second quarter to the last.
import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { setTimeout as sleep } from "node:timers/promises";
import { clearInterval, setInterval } from "node:timers";
import { serializeShow } from "@zm/core";
import { trialShow } from "@zm/demo";
import { SHOW_TYPE } from "@zm/protocol";
import { io } from "socket.io-client";
import { serverFlags } from "./serverFlags.mjs";

const minutes = Number(process.argv[2] ?? 4);
if (!(minutes >= 1)) {
  console.error("soak.mjs takes how many minutes it is to run, 1 or more");
  process.exit(1);
}
const PORT = Number(process.env.ZM_PORT);
const SPEED = 60;
/** Megabytes. */
const MOST = 1000;
/** Memory is flat where the middle of the last quarter is at most so many times that of the second. */
const FLAT = 1.1;
const AT_ONCE = 8;

const at = (path) => `http://127.0.0.1:${PORT}/api${path}`;
const HEADERS = { "X-Requested-With": "zealous-mark" };
async function ask(method, path, body, type = "application/json") {
  const response = await fetch(at(path), {
    method,
    headers: { ...HEADERS, ...(body === undefined ? {} : { "Content-Type": type }) },
    body: typeof body === "object" ? JSON.stringify(body) : body,
  });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${(await response.text()).slice(0, 300)}`);
  return response.json();
}

const server = spawn("node", [...serverFlags(), "apps/server/dist/main.js"], {
  env: { ...process.env, ZM_OSC: `127.0.0.1:${PORT + 4165}` },
  stdio: ["ignore", "ignore", "inherit"],
});
const memory = (field) => Number(new RegExp(`${field}:\\s+(\\d+) kB`).exec(readFileSync(`/proc/${server.pid}/status`, "utf8"))?.[1]) / 1024;
const middle = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

try {
  await cameUp();
  const shows = await importAtOnce();
  const seen = await callOften();
  const quarter = Math.floor(seen.length / 4);
  const [early, late] = [middle(seen.slice(quarter, 2 * quarter)), middle(seen.slice(-quarter))];
  const [isSmall, isFlat] = [memory("VmHWM") < MOST, late < early * FLAT];
  console.log(
    `Memory at most ${memory("VmHWM").toFixed(0)} MB (under ${MOST}: ${isSmall ? "yes" : "NO"}), with ${shows} large shows beside the demo`,
  );
  console.log(`In the second quarter ${early.toFixed(0)} MB, in the last ${late.toFixed(0)} MB: flat ${isFlat ? "yes" : "NO"}`);
  process.exitCode = isSmall && isFlat ? 0 : 1;
} finally {
  server.kill("SIGTERM");
}

async function cameUp() {
  for (let tries = 0; ; tries += 1) {
    const isUp = await ask("GET", "/shows/1/run").then(
      () => true,
      () => false,
    );
    if (isUp) return;
    if (tries > 300) throw new Error("The server did not come up");
    await sleep(100);
  }
}

async function importAtOnce() {
  const text = serializeShow(trialShow("large"));
  const begun = performance.now();
  await Promise.all(Array.from({ length: AT_ONCE }, () => ask("POST", "/shows", text, SHOW_TYPE)));
  const took = (performance.now() - begun) / 1000;
  console.log(
    `${AT_ONCE} shows of ${(text.length / 1e6).toFixed(1)} MB imported at once in ${took.toFixed(1)} s; memory ${memory("VmRSS").toFixed(0)} MB, at most ${memory("VmHWM").toFixed(0)} MB`,
  );
  return AT_ONCE;
}

/** Has the play called for so long, and gives the memory seen every two seconds. */
async function callOften() {
  const windows = Array.from({ length: 3 }, () => io(`http://127.0.0.1:${PORT}`, { transports: ["websocket"], extraHeaders: HEADERS }));
  let heard = 0;
  for (const window of windows) {
    window.onAny(() => (heard += 1));
    window.on("connect", () => window.emit("watch", 1));
  }
  await ask("POST", "/shows/1/run", { press: "go", list: "flame" });
  const seen = [];
  const watch = setInterval(() => seen.push(memory("VmRSS")), 2000);
  const end = performance.now() + minutes * 60_000;
  let [plays, edits] = [0, 0];
  while (performance.now() < end) {
    const { running } = await ask("GET", "/shows/1/caller");
    if (!running) {
      plays += 1;
      await ask("POST", "/shows/1/caller", { speed: SPEED, from: "1" });
    }
    const [{ revision }] = (await ask("GET", "/shows")).filter(({ id }) => id === 1);
    edits += 1;
    const keys = { channels: [1, 2, 3] };
    const edit = { op: "change", from: "10", to: "30", keys, do: { add: edits % 2 ? 1 : -1 }, where: "look", after: "restore" };
    await ask("POST", "/shows/1/edits", { base: revision, edits: [edit] });
    await sleep(1000);
  }
  clearInterval(watch);
  for (const window of windows) window.close();
  console.log(
    `${minutes} minutes at ${SPEED} times the speed: the play was begun ${plays} times, ${edits} edits, ${heard} events heard by three windows`,
  );
  return seen;
}
