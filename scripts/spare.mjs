// A server that leads and its spare, over a database of their own, while presses, edits and OSC go on: the leader is killed at random moments, hands the lead over, stands still, and
// has a slow and bad link; clocks are an hour apart; the database goes. What was answered must be there, no cue may be skipped or fired twice, and never do two lead at once.
// spare.mjs KILLS HAND-OVERS SEED
import { Buffer } from "node:buffer";
import { createSocket } from "node:dgram";
import { mkdirSync, writeFileSync } from "node:fs";
import { clearInterval, setInterval } from "node:timers";
import { setTimeout as sleep } from "node:timers/promises";
import { doorTo } from "../apps/server/test/support/databaseDoor.ts";
import { Client, editLabels, pressGo, pressedShow } from "./spare/load.mjs";
import { conclude, faultsOf, pairOf } from "./spare/pair.mjs";
import { receive } from "./spare/receiver.mjs";
import { OwnServer, together } from "./spare/servers.mjs";
import { slowLink } from "./spare/slowLink.mjs";

const [kills, handOvers] = process.argv.slice(2).map(Number);
const PORT = Number(process.env.ZM_PORT);
const LEVELS = PORT + 968;
const OSC = PORT + 970;
const CUES = 2000;
const DATA = process.env.ZM_DATA;
const HOUR = 3_600_000;
const faults = [];
const expectThat = (good, words) => (good ? undefined : faults.push(words));

mkdirSync(DATA, { recursive: true });
const door = await doorTo(Number(process.env.ZM_DB_PORT));
const receiver = await receive(LEVELS);
const links = [];

/** A server of the script. Others reach it over a link of its own, which can be made bad; its clock is so far off. */
async function makeServer(name, port, clock, env = {}) {
  const link = await slowLink("127.0.0.1", port, { wait: 0, loss: 0 });
  links.push(link);
  const jump = `${DATA}/clock-${name}`;
  writeFileSync(jump, String(clock));
  return new OwnServer({
    name,
    address: `http://127.0.0.1:${port}`,
    inside: ["env", `NODE_OPTIONS=--import=${new URL("jumpingClock.mjs", import.meta.url).pathname}`],
    env: {
      ZM_PORT: String(port),
      ZM_DATA: `${DATA}/${name}`,
      ZM_DB_PORT: String(door.port),
      ZM_ADDRESS: `http://127.0.0.1:${link.port}`,
      ZM_OSC: `127.0.0.1:${OSC}`,
      ZM_JUMP_FILE: jump,
      ...env,
    },
  });
}

const one = await makeServer("one", PORT, 0);
const other = await makeServer("other", PORT + 2, HOUR, { ZM_SPARE_OF: `127.0.0.1:${PORT}` });
const servers = [one, other];
process.on("exit", () => servers.forEach((server) => server.end()));
const client = new Client(servers.map(({ address }) => address));

const { until, whoLeads, isReady, leads, other: otherOf } = pairOf(servers, client);

one.start();
await leads(one);
other.start();
await until(isReady, "The spare is ready");
const imported = await client.once(
  one.address,
  "POST",
  "/api/shows",
  JSON.stringify(pressedShow(CUES)),
  "application/vnd.zealous-mark.show+json",
);
const show = imported.body.id;
await client.ask("PUT", "/api/output", { on: true, address: `127.0.0.1:${LEVELS}`, universes: {} });
await client.ask("POST", `/api/shows/${show}/run`, { press: "go", id: "first" });
await sleep(1500);

/** The list is pressed from its first cue again before it ends, so that a short one serves. */
const run = { name: "press", isOver: false, pressed: 0, edits: 0, pressesRefused: [], refused: [], labels: new Map() };
const second = { name: "again", isOver: false, pressed: 0, edits: 0, pressesRefused: [], refused: [], labels: new Map() };
const pressing = pressGo(new Client(client.addresses), show, run);
const editing = editLabels(new Client(client.addresses), show, run, 40);
const editingToo = editLabels(new Client([...client.addresses].reverse()), show, second, 40);
// Every OSC message goes to one address at which whoever leads listens.
const osc = createSocket("udp4");
const oscWords = (address) => Buffer.from(`${address}\0`.padEnd(Math.ceil((address.length + 1) / 4) * 4, "\0") + ",\0\0\0");
const pinging = setInterval(() => osc.send(oscWords("/zm/hello"), OSC, "127.0.0.1"), 100);
let oscAnswers = 0;
osc.on("message", () => (oscAnswers += 1));

const gaps = { kill: [], hand: [], slow: [], still: [] };
const took = [];
receiver.longestGap();
for (let count = 0; count < kills; count += 1) {
  await sleep(300 + Math.random() * 1200);
  const leader = await whoLeads();
  receiver.longestGap();
  leader.kill();
  took.push(await leads(otherOf(leader)));
  const before = oscAnswers;
  await until(async () => oscAnswers > before, "OSC is heard");
  await sleep(300);
  gaps.kill.push(receiver.longestGap());
  await until(isReady, "The one that was killed follows");
}
for (let count = 0; count < handOvers; count += 1) {
  await sleep(300 + Math.random() * 500);
  receiver.longestGap();
  const answer = await client.ask("POST", "/api/servers/hand-over", {});
  expectThat(answer.status === 200, `A hand-over was refused: ${answer.body?.message}`);
  await sleep(1500);
  gaps.hand.push(receiver.longestGap());
  await until(isReady, "The one that handed over follows");
}
// A slow and bad link between the two.
for (const link of links) link.set({ wait: 50, loss: 0.02 });
receiver.longestGap();
await sleep(2500);
gaps.slow.push(receiver.longestGap());
const slow = await whoLeads();
await until(isReady, "The spare is ready over a slow link");
receiver.longestGap();
slow.kill();
took.push(await leads(otherOf(slow)));
await sleep(300);
gaps.kill.push(receiver.longestGap());
await until(isReady, "Both are there over a slow link");
for (const link of links) link.set({ wait: 0, loss: 0 });
// The leader's machine stands still for a while, and goes on as if nothing had been.
const still = await whoLeads();
receiver.longestGap();
still.note("ends");
still.process.kill("SIGSTOP");
await leads(otherOf(still));
await sleep(500);
gaps.still.push(receiver.longestGap());
still.process.kill("SIGCONT");
await until(isReady, "The one that stood still follows");
// The database goes and comes: nobody takes anything over.
const led = await whoLeads();
await door.shut();
await sleep(2500);
await door.open();
await until(async () => (await whoLeads()) === led, "The same one leads after the database was away");

run.isOver = true;
second.isOver = true;
await Promise.all([pressing, editing, editingToo]);
clearInterval(pinging);
osc.close();
await until(isReady, "Both are there at the end");

// What was answered is there: each edit once, and each press is one cue.
const edits = run.edits + second.edits;
const fired = run.pressed + 1;
const twoLed = together(servers);
const { stored, stands, faults: found } = await faultsOf(client, show, { pressed: fired, edits, cues: CUES, twoLed });
faults.push(...found);
const labels = new Map(stored.show.lists[0].cues.map(({ number, label }) => [number, label]));
let lost = 0;
for (const [cue, label] of run.labels) if (labels.get(cue) !== label && labels.get(cue) !== second.labels.get(cue)) lost += 1;
expectThat(lost === 0, `${lost} edits that were acknowledged are lost`);
// The log has every cue once, in order.
const { body: logged } = await client.ask("GET", `/api/shows/${show}/runs/newest`);
const inLog = logged.runs
  .flatMap(({ entries }) => entries)
  .filter(({ list }) => list === "main")
  .map(({ cue }) => Number(cue));
const jumps = inLog.flatMap((cue, index) => (index > 0 && cue !== inLog[index - 1] + 1 ? [`${inLog[index - 1]} then ${cue}`] : []));
expectThat(jumps.length === 0, `The run log has cues skipped or twice: ${jumps.slice(0, 10).join("; ")}`);
const most = (all) => (all.length === 0 ? "none" : Math.max(...all).toFixed(0));
expectThat(Math.max(0, ...took) < 1500, `A spare took ${most(took)} ms to lead`);
expectThat(Math.max(0, ...gaps.hand) < 150, `A hand-over left ${most(gaps.hand)} ms without levels`);
process.stdout.write(
  `${kills} kills of the leader, ${handOvers} hand-overs, one slow link, one that stood still, the database away once; clocks an hour apart\n` +
    `presses answered ${run.pressed}, refused ${run.pressesRefused.length}; edits acknowledged ${edits}, refused ${run.refused.length + second.refused.length}, lost ${lost}\n` +
    `the list stands in cue ${stands} after ${fired} presses; OSC answered ${oscAnswers}\n` +
    `a spare led after at most ${most(took)} ms; longest gap of levels: killed ${most(gaps.kill)} ms, handed over ${most(gaps.hand)} ms, slow link ${most(gaps.slow)} ms, stood still ${most(gaps.still)} ms\n` +
    `two leaders at once: ${twoLed.length === 0 ? "never" : twoLed.length}\n`,
);
conclude(servers, [run, second], faults);
