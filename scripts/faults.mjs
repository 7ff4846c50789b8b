// Two clients edit, a list is run, levels are sent; meanwhile the server and the database are killed at random moments, clients are cut, clocks jump, the disk is
// full for a while, the database hangs, answers of COMMITs are lost, and a second server comes to the same database. What was acknowledged must be there afterwards, the
// list must stand in the cue that was fired last, and nobody may fire one twice. In a second show every edit, record and undo is asked for until it is answered, and done once.
import { spawn, spawnSync } from "node:child_process";
import { createSocket } from "node:dgram";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { setTimeout as sleep } from "node:timers/promises";
import { io } from "socket.io-client";
import { doorTo } from "../apps/server/test/support/databaseDoor.ts";
import { serverFlags } from "./serverFlags.mjs";

/* global AbortSignal */

if (process.argv[2] === "client") await cutClient(process.argv[3], process.argv.slice(4));
const [serverKills, databaseKills, seed] = process.argv.slice(2).map(Number);
const PORT = Number(process.env.ZM_PORT);
const LEVELS = PORT + 968;
const HEADERS = { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" };
/** Between the servers and their database; it loses answers. */
const door = await doorTo(Number(process.env.ZM_DB_PORT));
/** No list is pressed faster than this; milliseconds. */
const PRESSING = 400;

let state = seed >>> 0 || 1;
/** A number from 0 to below 1, the same for the same seed. */
function random() {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
}

const JUMP_FILE = `${process.env.ZM_DATA}/clock`;
mkdirSync(process.env.ZM_DATA, { recursive: true });
/** Sets the wall clock of the servers so many milliseconds off. */
const setClock = (offset) => writeFileSync(JUMP_FILE, String(offset));
setClock(0);

function serverProcess(env) {
  return spawn("node", [...serverFlags(), "--no-warnings", "--import", "./scripts/jumpingClock.mjs", "apps/server/dist/main.js"], {
    env: { ...process.env, NODE_OPTIONS: "", ZM_JUMP_FILE: JUMP_FILE, ZM_DB_PORT: String(door.port), ...env },
    stdio: process.env.ZM_FAULTS_LOG ? "inherit" : "ignore",
  });
}

let server;
let ended = false;
process.on("exit", () => server?.kill("SIGKILL"));
function startServer() {
  server = serverProcess({ ZM_OUTPUT: `127.0.0.1:${LEVELS}` });
  // As ./start does: a server that has stopped is started again.
  server.on("exit", () => {
    if (!ended) void sleep(500).then(startServer);
  });
}

async function ask(path, body, port = PORT) {
  const response = await fetch(`http://127.0.0.1:${port}${path}`, {
    signal: AbortSignal.timeout(5000),
    ...(body ? { method: "POST", headers: HEADERS, body: JSON.stringify(body) } : {}),
  });
  return { status: response.status, body: await response.json() };
}

/** A show as a second one, of its own. */
async function importShow(show) {
  const response = await fetch(`http://127.0.0.1:${PORT}/api/shows`, {
    method: "POST",
    headers: { ...HEADERS, "Content-Type": "application/vnd.zealous-mark.show+json" },
    body: JSON.stringify({ ...show, title: `${show.title}, a second` }),
  });
  return { body: await response.json() };
}

async function until(what, most = 240_000) {
  const began = performance.now();
  for (;;) {
    const found = await what().catch(() => undefined);
    if (found) return performance.now() - began;
    if (performance.now() - began > most) throw new Error(`It did not come back within ${most / 1000} s`);
    await sleep(50);
  }
}

const report = {
  serverKills: 0,
  databaseKills: 0,
  clocksSet: 0,
  clientsCut: 0,
  commitsCut: 0,
  editsAcknowledged: 0,
  editsLost: 0,
  cuesFired: 0,
  cuesSkipped: 0,
  skippedWhere: [],
  cuesTwice: 0,
  askedUntilAnswered: 0,
  notDoneOnce: [],
};
const stands = [];

/** Notes that were acknowledged, by cue; each client has cues of its own. */
const notes = new Map();
async function edit(cues, port = () => PORT) {
  for (let count = 0; !ended; count += 1) {
    await writeNote(cues, count, port());
    await sleep(20 + random() * 100);
  }
}

/** Writes one note; it is expected to be there once it has been acknowledged. */
async function writeNote(cues, count, port) {
  const cue = cues[Math.floor(random() * cues.length)];
  const note = `${cue} ${count} ${port}`;
  try {
    const { body: shown } = await ask("/api/shows", undefined, port);
    const { status } = await ask(
      "/api/shows/1/edits",
      { base: shown[0].revision, edits: [{ op: "setCue", from: cue, to: cue, note }] },
      port,
    );
    if (status === 200) {
      notes.set(cue, note);
      report.editsAcknowledged += 1;
    } else if (status >= 500) notes.delete(cue);
  } catch {
    // It is not known whether it was stored, so nothing is expected of this cue until the next one.
    notes.delete(cue);
  }
}

/** A client of its own process that writes notes until it is cut; it tells of each before it asks and when it is acknowledged. */
async function cutClient(port, cues) {
  for (let count = 0; ; count += 1) {
    const cue = cues[count % cues.length];
    const note = `${cue} ${count} cut ${process.pid}`;
    process.send({ cue, asks: true });
    try {
      const get = await fetch(`http://127.0.0.1:${port}/api/shows`);
      const [{ revision: base }] = await get.json();
      const response = await fetch(`http://127.0.0.1:${port}/api/shows/1/edits`, {
        method: "POST",
        headers: { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" },
        body: JSON.stringify({ base, edits: [{ op: "setCue", from: cue, to: cue, note }] }),
      });
      if (response.status === 200) process.send({ cue, note });
    } catch {
      // The server is away; the next one is asked in its time.
    }
    await sleep(30);
  }
}

/** Lets a client write for a while and cuts it at any moment. */
async function cutOneClient(cues) {
  const client = spawn(process.execPath, [...process.execArgv, "scripts/faults.mjs", "client", String(PORT), ...cues], {
    stdio: ["ignore", "inherit", "inherit", "ipc"],
  });
  client.on("message", ({ cue, note }) => {
    if (note === undefined) return notes.delete(cue);
    notes.set(cue, note);
    report.editsAcknowledged += 1;
  });
  await sleep(700 + random() * 1200);
  client.kill("SIGKILL");
  report.clientsCut += 1;
}

/** Lets nothing more be written by a process, as on a full disk; then again. */
function fillDisk(pid, full) {
  // The soft limit alone: the hard one could not be raised again.
  return spawnSync("prlimit", ["--pid", String(pid), `--fsize=${full ? 0 : "unlimited"}:unlimited`]).status === 0;
}

/** The disk is full for the server, then for the database too; edits may be refused, the list goes on and nothing acknowledged is lost. */
async function fullDisk() {
  const fired = report.cuesFired;
  const own = server;
  if (!fillDisk(own.pid, true)) throw new Error("prlimit could not be run");
  await sleep(4000);
  await until(async () => report.cuesFired > fired);
  const alive = own.exitCode === null && own.signalCode === null;
  const firedMeanwhile = report.cuesFired - fired;
  const database = Number(readFileSync(process.env.ZM_DB_PID_FILE, "utf8"));
  fillDisk(database, true);
  await sleep(4000);
  fillDisk(database, false);
  if (!fillDisk(own.pid, false)) throw new Error("the disk of the server could not be emptied again");
  await until(async () => (await ask("/api/shows")).status === 200);
  return { alive, firedMeanwhile };
}

/** The database hangs: it is stopped and not dead. Edits are refused in words within a few seconds, the list goes on, and everything works again when it wakes. */
async function hungDatabase() {
  const fired = report.cuesFired;
  const database = Number(readFileSync(process.env.ZM_DB_PID_FILE, "utf8"));
  process.kill(database, "SIGSTOP");
  const began = performance.now();
  const refused = await until(async () => (await ask("/api/shows")).status === 503, 60_000);
  await sleep(4000);
  await until(async () => report.cuesFired > fired);
  const firedMeanwhile = report.cuesFired - fired;
  process.kill(database, "SIGCONT");
  await until(async () => (await ask("/api/shows")).status === 200);
  return { refusedAfter: Math.round(refused), firedMeanwhile, hungFor: Math.round(performance.now() - began) };
}

/** What is in hand, and which show is on stage, are the same after a kill of the server, before anybody has asked for them. */
async function handAndStage() {
  const level = 40 + Math.floor(random() * 50);
  await ask("/api/shows/1/hand", { changes: [{ do: "give", moves: { 1: { intensity: level } } }] });
  const { body: before } = await ask("/api/stage");
  server.kill("SIGKILL");
  await sleep(20);
  await until(async () => (await ask("/api/shows/1/run")).status === 200);
  const { body: hand } = await ask("/api/shows/1/hand");
  const { body: after } = await ask("/api/stage");
  await ask("/api/shows/1/hand", { changes: [{ do: "drop", keys: ["1.intensity"], fade: 0 }] });
  return hand.hand?.held?.["1.intensity"]?.move === level && after.show === before.show;
}

/** A second server on the same database, with a data folder of its own: it reads, and takes no edit. Gives how many it refused; -1 where it took one. */
async function secondServer(cues) {
  // The port behind the server's is usually the database's.
  const port = PORT + 2;
  const second = serverProcess({ ZM_PORT: String(port), ZM_DATA: `${process.env.ZM_DATA}/second` });
  await until(async () => (await ask("/api/shows/1", undefined, port)).status === 200);
  let refused = 0;
  for (let count = 0; count < 20 && refused >= 0; count += 1) {
    const { status } = await ask(
      "/api/shows/1/edits",
      { base: 0, edits: [{ op: "setCue", from: cues[0], to: cues[0], note: "second" }] },
      port,
    );
    refused = status === 503 ? refused + 1 : -1;
  }
  second.kill("SIGTERM");
  return refused;
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
    // Follows fire by themselves meanwhile, behind the first cue too where it was asked for and not acknowledged; what lies behind the last acknowledged cue was lost.
    if (is < was && asked !== order[0]) {
      report.cuesSkipped += 1;
      report.skippedWhere.push(`stood in ${now} where ${last} was acknowledged and ${asked} asked for`);
    }
  }
  last = now;
}

/** Asks until it is answered, by the same name each time: whatever happened to the answers, it is done once. */
async function askUntilAnswered(path, body) {
  const request = `once-${report.askedUntilAnswered}`;
  report.askedUntilAnswered += 1;
  const { body: answer } = await new Promise((resolve, reject) => {
    until(async () => {
      const answer = await ask(path, { ...body, request });
      if (answer.status >= 500) return false;
      resolve(answer);
      return true;
    }).catch(reject);
  });
  return answer;
}

/** What a show says of itself: its revision, its cues with their notes, and where its list stands. */
async function standOf(show) {
  let stand;
  await until(async () => {
    const [{ body: open }, { body: run }] = [await ask(`/api/shows/${show}`), await ask(`/api/shows/${show}/run`)];
    if (!open.show || !run.mix) return false;
    const [{ cues }] = open.show.lists;
    stand = { revision: open.revision, cues: cues.map(({ number, note = "" }) => `${number} ${note}`).join(), at: run.mix.lists.main.cue };
    return true;
  });
  return stand;
}

/** In a show of its own: a note, a record that the list stands in afterwards, and an undo of each, over and over; what the show says is held against what was asked. */
async function once(show) {
  await ask(`/api/shows/${show}/run`, { press: "go", list: "main" });
  const hold = (what, is, wanted) => {
    const [a, b] = [JSON.stringify(is), JSON.stringify(wanted)];
    if (a !== b) report.notDoneOnce.push(`${what}: ${a.slice(0, 120)} where ${b.slice(0, 120)} was expected`);
  };
  for (let count = 0; !ended; count += 1) {
    const before = await standOf(show);
    await askUntilAnswered(`/api/shows/${show}/edits`, {
      base: before.revision,
      edits: [{ op: "setCue", from: "1", to: "1", note: `once ${count}` }],
    });
    const noted = await standOf(show);
    hold("a note", { revision: noted.revision, at: noted.at }, { revision: before.revision + 1, at: before.at });
    const level = 1 + (count % 99);
    await until(
      async () => (await ask(`/api/shows/${show}/hand`, { changes: [{ do: "give", moves: { 1: { intensity: level } } }] })).status < 300,
    );
    await askUntilAnswered(`/api/shows/${show}/run/edits`, {
      base: noted.revision,
      edits: [{ op: "record", cue: "0.1", moves: { 1: { intensity: level } } }],
      recorded: ["1.intensity"],
      onStage: noted.at,
      stands: "0.1",
    });
    const recorded = await standOf(show);
    hold("a record", recorded, { revision: noted.revision + 1, cues: `0.1 ,${noted.cues}`, at: "0.1" });
    await askUntilAnswered(`/api/shows/${show}/undo`, {});
    hold("an undo", await standOf(show), { revision: recorded.revision + 1, cues: noted.cues, at: noted.at });
    await sleep(50);
  }
}

/** Watches what is fired, over every start of the server: a cue that goes twice running without having been gone to was fired twice. */
const line = io(`http://127.0.0.1:${PORT}`, { transports: ["websocket"] });
let firedLast = null;
line.on("connect", () => line.emit("watch", 1, () => undefined));
line.on("fired", ({ fired, change }) => {
  for (const { cue, list } of fired) {
    if (list !== "main") continue;
    if (cue === firedLast && !("goto" in change)) report.cuesTwice += 1;
    firedLast = cue;
  }
});

const socket = createSocket("udp4");
let heardAt;
let longestGap = 0;
/** What was being done to the server, and what was when the longest gap of its levels ended. */
let phase = "at the beginning";
let longestGapAt = phase;
socket.on("message", () => {
  const now = performance.now();
  if (heardAt !== undefined && now - heardAt > longestGap) [longestGap, longestGapAt] = [now - heardAt, phase];
  heardAt = now;
});
await new Promise((resolve) => socket.bind(LEVELS, "127.0.0.1", resolve));

startServer();
await until(async () => (await ask("/api/shows/1/run")).status === 200);
const { body: opened } = await ask("/api/shows/1");
const cues = opened.show.lists[0].cues.map(({ number }) => number);
order.push(...cues);
const [ownCues, cutCues, secondCues] = [cues.slice(0, 90), cues.slice(90, 97), cues.slice(97)];
const { body: second } = await importShow(opened.show);
const work = [edit(ownCues.slice(0, 45)), edit(ownCues.slice(45)), run(), once(second.id)];
await sleep(2000);

const kills = [
  ...Array(serverKills).fill("server"),
  ...Array(databaseKills).fill("database"),
  ...Array(Math.ceil(serverKills / 3)).fill("commit"),
].sort(() => random() - 0.5);
for (const [place, what] of kills.entries()) {
  await sleep(500 + random() * 2500);
  phase = `${place}: ${what}`;
  if (place % 4 === 3) {
    // An hour on or back, or right again.
    setClock([0, 3_600_000, -3_600_000][Math.floor(random() * 3)]);
    report.clocksSet += 1;
  }
  if (place % 5 === 4) await cutOneClient(cutCues);
  if (what === "server") {
    server.kill("SIGKILL");
    report.serverKills += 1;
    await sleep(20);
    stands.push(await until(async () => (await ask("/api/shows/1/run")).status === 200));
  } else if (what === "commit") {
    await door.loseNextCommit();
    report.commitsCut += 1;
    await sleep(random() * 1000);
    await door.open();
    await until(async () => (await ask("/api/shows")).status === 200);
  } else {
    process.kill(Number(readFileSync(process.env.ZM_DB_PID_FILE, "utf8")), "SIGKILL");
    report.databaseKills += 1;
    await until(async () => (await ask("/api/shows")).status === 200);
  }
}
await sleep(1500);
setClock(0);
phase = "disk";
const disk = await fullDisk();
phase = "hung database";
const hung = await hungDatabase();
phase = "Hand and stage";
const handKept = await handAndStage();
phase = "second server";
const refusedBySecond = await secondServer(secondCues);
await sleep(500);
ended = true;
for (const { reason } of await Promise.allSettled(work)) if (reason) report.notDoneOnce.push(`a client ended: ${reason}`);
const { body: after } = await ask("/api/shows/1");
const kept = new Map(after.show.lists[0].cues.map(({ number, note }) => [number, note]));
for (const [cue, note] of notes) if (kept.get(cue) !== note) report.editsLost += 1;
server.kill("SIGTERM");
line.close();
socket.close();
await door.shut();
const slowest = Math.round(Math.max(0, ...stands));
console.log(
  JSON.stringify(
    {
      seed,
      ...report,
      diskFull: disk,
      databaseHung: hung,
      handAndStageKept: handKept,
      refusedBySecondServer: refusedBySecond,
      longestGapOfLevels: Math.round(longestGap),
      longestGapAt,
      slowestToStandAgain: slowest,
    },
    null,
    2,
  ),
);
process.exitCode =
  report.editsLost + report.cuesSkipped + report.cuesTwice + report.notDoneOnce.length === 0 &&
  report.askedUntilAnswered > 0 &&
  disk.alive &&
  disk.firedMeanwhile > 0 &&
  // Long for a machine that is starved; how long it took stands above.
  hung.refusedAfter < 30_000 &&
  hung.firedMeanwhile > 0 &&
  handKept &&
  refusedBySecond > 0
    ? 0
    : 1;
