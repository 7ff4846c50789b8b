// Two clients edit, a list is run, levels are sent; meanwhile the server and the database are killed at random moments. What was acknowledged must be there
// afterwards, the list must stand in the cue that was fired last, and nobody may fire one twice.
import { spawn } from "node:child_process";
import { createSocket } from "node:dgram";
import { readFileSync } from "node:fs";
import { setTimeout as sleep } from "node:timers/promises";
import { io } from "socket.io-client";

/* global AbortSignal */

const [serverKills, databaseKills, seed] = process.argv.slice(2).map(Number);
const PORT = Number(process.env.ZM_PORT);
const LEVELS = PORT + 968;
const HEADERS = { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" };
/** No list is pressed faster than this; milliseconds. */
const PRESSING = 400;

let state = seed >>> 0 || 1;
/** A number from 0 to below 1, the same for the same seed. */
function random() {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
}

let server;
let ended = false;
function startServer() {
  server = spawn("node", ["apps/server/dist/main.js"], {
    env: { ...process.env, ZM_OUTPUT: `127.0.0.1:${LEVELS}` },
    stdio: "ignore",
  });
  // As ./start does: a server that has stopped is started again.
  server.on("exit", () => {
    if (!ended) void sleep(500).then(startServer);
  });
}

async function ask(path, body) {
  const response = await fetch(`http://127.0.0.1:${PORT}${path}`, {
    signal: AbortSignal.timeout(5000),
    ...(body ? { method: "POST", headers: HEADERS, body: JSON.stringify(body) } : {}),
  });
  return { status: response.status, body: await response.json() };
}

async function until(what, most = 60_000) {
  const began = performance.now();
  for (;;) {
    const found = await what().catch(() => undefined);
    if (found) return performance.now() - began;
    if (performance.now() - began > most) throw new Error(`It did not come back within ${most / 1000} s`);
    await sleep(50);
  }
}

const report = { serverKills: 0, databaseKills: 0, editsAcknowledged: 0, editsLost: 0, cuesFired: 0, cuesSkipped: 0, cuesTwice: 0 };
const stands = [];

/** Notes that were acknowledged, by cue; each client has cues of its own. */
const notes = new Map();
async function edit(cues) {
  for (let count = 0; !ended; count += 1) {
    const cue = cues[Math.floor(random() * cues.length)];
    const note = `${cue} ${count}`;
    try {
      const { body: shown } = await ask("/api/shows");
      const { status } = await ask("/api/shows/1/edits", { base: shown[0].revision, edits: [{ op: "setCue", from: cue, to: cue, note }] });
      if (status === 200) {
        notes.set(cue, note);
        report.editsAcknowledged += 1;
      } else if (status >= 500) notes.delete(cue);
    } catch {
      // It is not known whether it was stored, so nothing is expected of this cue until the next one.
      notes.delete(cue);
    }
    await sleep(20 + random() * 100);
  }
}

/** Fires the list cue by cue; what was acknowledged is where it must stand. */
const order = [];
let last = null;
async function run() {
  while (!ended) {
    await sleep(PRESSING);
    const place = last === null ? 0 : (order.indexOf(last) + 1) % order.length;
    const cue = order[place];
    try {
      const back = place === 0 && last !== null;
      const { status, body } = await ask("/api/shows/1/run", back ? { press: "goto", cue, time: 0 } : { press: "go", cue, list: "main" });
      if (status === 200) {
        report.cuesFired += 1;
        last = body.cues.main;
      } else if (status === 409) await hold(cue);
    } catch {
      await until(async () => (await ask("/api/shows/1/run")).status === 200).catch(() => undefined);
      await hold(cue);
    }
  }
}

/** Holds where the list stands against what was acknowledged; `asked` is the cue of which that is not known. */
async function hold(asked) {
  const { body } = await ask("/api/shows/1/run");
  const now = body?.mix?.lists.main.cue ?? null;
  if (now !== last && now !== asked) {
    const [is, was] = [order.indexOf(now), order.indexOf(last)];
    // Follows fire by themselves meanwhile; what lies behind the last acknowledged cue was lost.
    if (is < was) report.cuesSkipped += 1;
  }
  last = now;
}

/** Watches what is fired, over every start of the server: a cue that goes twice running without having been gone to was fired twice. */
const line = io(`http://127.0.0.1:${PORT}`, { transports: ["websocket"] });
let firedLast = null;
line.on("connect", () => line.emit("watch", 1, () => undefined));
line.on("fired", ({ fired, happening }) => {
  for (const { cue, list } of fired) {
    if (list !== "main") continue;
    if (cue === firedLast && !("goto" in happening)) report.cuesTwice += 1;
    firedLast = cue;
  }
});

const socket = createSocket("udp4");
let heardAt;
let longestGap = 0;
socket.on("message", () => {
  const now = performance.now();
  if (heardAt !== undefined) longestGap = Math.max(longestGap, now - heardAt);
  heardAt = now;
});
await new Promise((resolve) => socket.bind(LEVELS, "127.0.0.1", resolve));

startServer();
await until(async () => (await ask("/api/shows/1/run")).status === 200);
const { body: opened } = await ask("/api/shows/1");
const cues = opened.show.lists[0].cues.map(({ number }) => number);
order.push(...cues);
const work = [edit(cues.slice(0, 50)), edit(cues.slice(50)), run()];
await sleep(2000);

const kills = [...Array(serverKills).fill("server"), ...Array(databaseKills).fill("database")].sort(() => random() - 0.5);
for (const what of kills) {
  await sleep(500 + random() * 2500);
  if (what === "server") {
    server.kill("SIGKILL");
    report.serverKills += 1;
    await sleep(20);
    stands.push(await until(async () => (await ask("/api/shows/1/run")).status === 200));
  } else {
    process.kill(Number(readFileSync(process.env.ZM_DB_PID_FILE, "utf8")), "SIGKILL");
    report.databaseKills += 1;
    await until(async () => (await ask("/api/shows")).status === 200);
  }
}
await sleep(1500);
ended = true;
await Promise.allSettled(work);
const { body: after } = await ask("/api/shows/1");
const kept = new Map(after.show.lists[0].cues.map(({ number, note }) => [number, note]));
for (const [cue, note] of notes) if (kept.get(cue) !== note) report.editsLost += 1;
server.kill("SIGTERM");
line.close();
socket.close();
const slowest = Math.round(Math.max(0, ...stands));
console.log(JSON.stringify({ seed, ...report, longestGapOfLevels: Math.round(longestGap), slowestToStandAgain: slowest }, null, 2));
process.exitCode = report.editsLost + report.cuesSkipped + report.cuesTwice === 0 ? 0 : 1;
