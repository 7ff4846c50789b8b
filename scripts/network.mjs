// Two servers, each on a machine of its own beside its node of a Galera cluster, with the arbitrator on a third (scripts/cluster.sh): the network is cut each way and healed, and a node of the
// database is killed, while presses and edits go on. Never may two lead at once, and what was answered must be there. network.mjs FOLDER
import { spawn, spawnSync } from "node:child_process";
import process from "node:process";
import { setTimeout as sleep } from "node:timers/promises";
import { Client, editLabels, pressGo, pressedShow } from "./spare/load.mjs";
import { conclude, faultsOf, pairOf } from "./spare/pair.mjs";
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

const client = new Client(servers.map(({ address }) => address));
const { until, whoLeads, isReady, leads, other } = pairOf(servers, client, told);

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
const signIn = async () => {
  const answer = await client.once(a.address, "POST", "/api/sessions", { name: "ada", password: PASSWORD });
  client.cookie = answer.headers.getSetCookie()[0].split(";")[0];
  return answer.status < 300;
};
await until(signIn, "Somebody signs in");
b.start();
await until(isReady, "The spare is ready");
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
  await until(isReady, `Both are there before ${words}`);
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
await until(isReady, "Both are there after the cut");
// What the leader sends to the two others is lost, and what they send comes.
await measured(
  "the spare leads",
  "the leader is heard by nobody",
  () => hole("b", "10.77.0.1", "10.77.0.3"),
  () => leads(a),
);
fill("b", "10.77.0.1", "10.77.0.3");
await until(isReady, "Both are there after one way was cut");
// What the others send to the leader is lost.
await measured(
  "somebody leads",
  "the leader hears nobody",
  () => {
    hole("b", "10.77.0.1");
    hole("c", "10.77.0.1");
  },
  () => leads(),
);
await sleep(3000);
fill("b", "10.77.0.1");
fill("c", "10.77.0.1");
await until(isReady, "Both are there after the other way was cut");
// The two do not hear each other, and both reach the arbitrator.
await measured(
  "somebody leads",
  "the two do not hear each other",
  () => {
    hole("a", "10.77.0.2");
    hole("b", "10.77.0.1");
  },
  () => leads(),
);
await sleep(3000);
fill("a", "10.77.0.2");
fill("b", "10.77.0.1");
await until(isReady, "Both are there after they were cut from each other");
// The leader's node of the database is killed: the one beside the spare is whole, and the lead goes there.
await until(isReady, "Both are there before a node is killed");
await sleep(3000);
await until(isReady, "Both are still there");
const leader = await whoLeads();
await measured(
  "the spare leads",
  "the leader's node of the database is killed",
  () => spawnSync("bash", ["-c", `kill -9 $(cat ${folder}/node-${leader.name}/pid)`]),
  () => leads(other(leader)),
);
spawn("bash", ["scripts/clusterNode.sh", folder, leader.name], { stdio: "ignore", detached: true }).unref();
await until(isReady, "Both are there after the node has come back", 90_000);

work.isOver = true;
await Promise.all(working);
const twoLed = together(servers);
const {
  stored,
  stands,
  faults: found,
} = await faultsOf(client, show, { pressed: work.pressed + 1, edits: work.edits, cues: CUES, twoLed });
faults.push(...found);
process.stdout.write(
  `${told.join("\n")}\npresses answered ${work.pressed}, the list stands in cue ${stands}; edits acknowledged ${work.edits}, stored ${stored.revision}\n` +
    `two leaders at once: ${twoLed.length === 0 ? "never" : twoLed.length}\n`,
);
conclude(servers, [work], faults);
