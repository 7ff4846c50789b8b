// Two servers, each on a machine of its own beside its node of a Galera cluster, with the arbitrator on a third (scripts/cluster.sh): the network is cut each way and healed, and a node of the
// database is killed, while presses and edits go on. Never may two lead at once, and what was answered must be there. network.mjs FOLDER
import { spawn, spawnSync } from "node:child_process";
import process from "node:process";
import { setTimeout as sleep } from "node:timers/promises";
import { Client, editLabels, pressGo, pressedShow } from "./spare/load.mjs";
import { receive } from "./spare/receiver.mjs";
import { OwnServer, together } from "./spare/servers.mjs";

process.env.NODE_TLS_REJECT_UNAUTHORIZED = "0";
const [folder] = process.argv.slice(2);
const HUB = "10.77.0.254";
const LEVELS = 5568;
const CUES = 2000;
const PASSWORD = "a long enough password";
const faults = [];
/** What was tried, and what came of it. */
const told = [];
const expectThat = (good, words) => (good ? undefined : faults.push(words));
const inside = (machine) => ["ip", "netns", "exec", `zm-${machine}`];

const server = (machine, address, more = {}) =>
  new OwnServer({
    name: machine,
    address: `https://${address}:4600`,
    inside: inside(machine),
    env: {
      ZM_HOST: address,
      ZM_PORT: "4600",
      ZM_DATA: `${folder}/server-${machine}`,
      ZM_DB_HOST: address,
      ZM_DB_PORT: "3306",
      ...more,
    },
  });
const a = server("a", "10.77.0.1");
const b = server("b", "10.77.0.2", { ZM_SPARE_OF: "10.77.0.1" });
const servers = [a, b];
process.on("exit", () => servers.forEach((each) => each.end()));

/** Runs a command in a machine. */
function run(machine, ...command) {
  const [name, ...rest] = machine === null ? command : [...inside(machine), ...command];
  const { status, stderr } = spawnSync(name, rest, { encoding: "utf8" });
  if (status !== 0) throw new Error(`${[name, ...rest].join(" ")}: ${stderr}`);
}

async function until(what, words, most = 60_000) {
  const began = performance.now();
  while (performance.now() - began < most) {
    if (await what().catch(() => false)) return performance.now() - began;
    await sleep(20);
  }
  process.stderr.write(`${told.join("\n")}\n`);
  for (const { name, lines } of servers) process.stderr.write(`${name}:\n${lines.slice(-25).join("\n")}\n`);
  throw new Error(`${words}: not within ${most / 1000} s`);
}

// The tables and the first account come from a server that serves its own machine alone.
const first = new OwnServer({ name: "first", address: "", inside: inside("a"), env: { ...a.env, ZM_HOST: "127.0.0.1" } });
first.start();
await until(async () => first.lines.some((line) => line.startsWith("Zealous Mark is at")), "The first server is up");
const made = spawnSync("ip", [...inside("a").slice(1), "node", "apps/server/dist/account.js", "add", "ada", "--role", "programmer"], {
  encoding: "utf8",
  input: `${PASSWORD}\n`,
  env: { ...process.env, ...a.env },
});
if (made.status !== 0) throw new Error(made.stderr);
first.ended = true;
first.process.kill("SIGTERM");
await sleep(1500);

a.start();
const client = new Client(servers.map(({ address }) => address));
const signIn = async () => {
  const answer = await client.once(a.address, "POST", "/api/sessions", { name: "ada", password: PASSWORD });
  client.cookie = answer.headers.getSetCookie()[0].split(";")[0];
  return answer.status < 300;
};
await until(signIn, "Somebody signs in");
/** What a server says of itself, asked from its own machine too: the network may be cut. */
async function stateOf({ address }) {
  const { body } = await client.once(address, "GET", "/api/servers");
  return body.servers.find(({ id }) => id === body.own)?.state;
}
const ready = async () => {
  const states = await Promise.all(servers.map((each) => stateOf(each).catch(() => null)));
  return states.includes("leads") && states.includes("ready");
};
const leads = (each) => until(() => stateOf(each).then((state) => state === "leads"), `${each.name} leads`);
b.start();
await until(ready, "The spare is ready");
const receiver = await receive(LEVELS, HUB);
const imported = await client.once(
  a.address,
  "POST",
  "/api/shows",
  JSON.stringify(pressedShow(CUES)),
  "application/vnd.zealous-mark.show+json",
);
const show = imported.body.id;
await client.ask("PUT", "/api/output", { on: true, address: `${HUB}:${LEVELS}`, universes: {} });
await client.ask("POST", `/api/shows/${show}/run`, { press: "go", id: "first" });
await sleep(1500);
const work = { name: "press", isOver: false, pressed: 0, edits: 0, pressesRefused: [], refused: [], labels: new Map() };
const working = [
  pressGo(new Client(client.addresses, client.cookie), show, work),
  editLabels(new Client(client.addresses, client.cookie), show, work, 40),
];
const tell = (words) => told.push(words);
const measured = async (what, words, act, wanted) => {
  await until(ready, `Both are there before ${words}`);
  await sleep(1000);
  receiver.longestGap();
  act();
  const took = await wanted();
  await sleep(400);
  tell(`${words}: ${what} after ${took.toFixed(0)} ms, longest gap of levels ${receiver.longestGap().toFixed(0)} ms`);
};
const hole = (machine, ...others) => others.forEach((to) => run(machine, "ip", "route", "add", "blackhole", `${to}/32`));
const fill = (machine, ...others) => others.forEach((to) => run(machine, "ip", "route", "del", "blackhole", `${to}/32`));

// The machine of the leader is cut off from everybody: the other one reaches the majority, and leads.
await measured(
  "the spare leads",
  "the leader's machine is cut off",
  () => run(null, "ip", "link", "set", "zm-a", "down"),
  () => leads(b),
);
await sleep(2000);
expectThat(
  a.lines.some((line) => line.includes("leads no more")),
  "The server that was cut off did not say so",
);
run(null, "ip", "link", "set", "zm-a", "up");
await until(ready, "Both are there after the cut");
// What the leader sends to the two others is lost, and what they send comes.
await measured(
  "the spare leads",
  "the leader is heard by nobody",
  () => hole("b", "10.77.0.1", "10.77.0.3"),
  () => leads(a),
);
fill("b", "10.77.0.1", "10.77.0.3");
await until(ready, "Both are there after one way was cut");
// What the others send to the leader is lost.
await measured(
  "somebody leads",
  "the leader hears nobody",
  () => {
    hole("b", "10.77.0.1");
    hole("c", "10.77.0.1");
  },
  () => until(async () => (await Promise.all(servers.map((each) => stateOf(each).catch(() => null)))).includes("leads"), "Somebody leads"),
);
await sleep(3000);
fill("b", "10.77.0.1");
fill("c", "10.77.0.1");
await until(ready, "Both are there after the other way was cut");
// The two do not hear each other, and both reach the arbitrator.
await measured(
  "somebody leads",
  "the two do not hear each other",
  () => {
    hole("a", "10.77.0.2");
    hole("b", "10.77.0.1");
  },
  () => until(async () => (await Promise.all(servers.map((each) => stateOf(each).catch(() => null)))).includes("leads"), "Somebody leads"),
);
await sleep(3000);
fill("a", "10.77.0.2");
fill("b", "10.77.0.1");
await until(ready, "Both are there after they were cut from each other");
// The leader's node of the database is killed: the one beside the spare is whole, and the lead goes there.
await until(ready, "Both are there before a node is killed");
await sleep(3000);
await until(ready, "Both are still there");
const leader = (await stateOf(a)) === "leads" ? a : b;
await measured(
  "the spare leads",
  "the leader's node of the database is killed",
  () => spawnSync("bash", ["-c", `kill -9 $(cat ${folder}/node-${leader.name}/pid)`]),
  () => leads(leader === a ? b : a),
);
spawn("bash", ["scripts/clusterNode.sh", folder, leader.name], { stdio: "ignore", detached: true }).unref();
await until(ready, "Both are there after the node has come back", 90_000);

work.isOver = true;
await Promise.all(working);
const { body: stored } = await client.ask("GET", `/api/shows/${show}`);
const { body: state } = await client.ask("GET", `/api/shows/${show}/run`);
const stands = state.mix.lists.main.cue;
const fired = work.pressed + 1;
expectThat(stored.revision === work.edits, `${work.edits} edits were acknowledged, and the show has ${stored.revision}`);
expectThat(stands === String(Math.min(fired, CUES)), `The list stands in cue ${stands} after ${fired} presses that were answered`);
const twoLed = together(servers);
expectThat(twoLed.length === 0, `Two servers led at once for ${twoLed.map((span) => span.toFixed(0)).join(", ")} ms`);
process.stdout.write(
  `${told.join("\n")}\npresses answered ${work.pressed}, the list stands in cue ${stands}; edits acknowledged ${work.edits}, stored ${stored.revision}\n` +
    `two leaders at once: ${twoLed.length === 0 ? "never" : twoLed.length}\n`,
);
for (const words of [...new Set([...work.pressesRefused, ...work.refused])].slice(0, 5)) process.stdout.write(`refused: ${words}\n`);
for (const words of faults) process.stdout.write(`FAULT: ${words}\n`);
servers.forEach((each) => each.end());
process.exit(faults.length === 0 ? 0 : 1);
