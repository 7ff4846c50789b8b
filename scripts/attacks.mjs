// Walks every route and event of the contract against a running server and sends what it should refuse: wrong types, huge, missing, control characters, foreign hosts, twice.
// attacks.mjs PORT [REQUESTS] [SEED]: the server must be one whose shows may be lost. Counts crashes, hangs, answers of 500, and refusals that are not in words of ours.
import { createSocket } from "node:dgram";
import { request as ask } from "node:http";
import { Buffer } from "node:buffer";
import { setTimeout as sleep } from "node:timers/promises";
import { clearInterval, setInterval, setTimeout } from "node:timers";
import { routes } from "@zm/protocol";
import { io } from "socket.io-client";

const [port = 0, wanted = 100_000, seed = 1] = process.argv.slice(2).map(Number);
if (!Number.isInteger(port) || port < 1 || port > 65_535) {
  console.error("attacks.mjs takes the port of a running server whose shows may be lost, such as 4650");
  process.exit(1);
}
/** So many requests are under way at once; one that is not answered within so long hangs. Milliseconds. */
const AT_ONCE = 24;
const HANGS = 40_000;
/** Words of libraries, which nobody should read. */
const NOT_OURS =
  /invalid_union|Invalid input|must contain|must be|should not exist|Unexpected token|ZodError|expected string|expected number|ER_[A-Z]|ECONN|QueryFailed|Cannot (GET|POST|PUT|read)|undefined|\[object/;

let state = seed >>> 0 || 1;
function random() {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
}
const pick = (things) => things[Math.floor(random() * things.length)];

const NONSENSE = [
  null,
  true,
  -1,
  0,
  1e308,
  0.1,
  "",
  " ",
  "nonsense",
  "\u0000",
  "a\u0007b\n",
  "\ud800",
  "x".repeat(5000),
  "💡".repeat(300),
  "__proto__",
  "'; DROP TABLE shows; --",
  "../../etc/passwd",
  [],
  [[]],
  [null],
  {},
  { op: "nonsense" },
  { $gt: "" },
  Array.from({ length: 300 }, (_, index) => index),
];
const NUMBERS = ["1", "2", "0", "-1", "999999", "99999999999999999999", "1e3", "abc", "%00", "1%2F2", "..", "null"];
/** Bodies that are nearly right, by the name of the route: one field of each is made wrong. */
const NEARLY = {
  rename: { title: "Attacked" },
  remove: { title: "Not its name" },
  edit: { base: 0, edits: [{ op: "setCue", from: "1", to: "2", label: "attack" }], request: "same", window: "w", gesture: "g" },
  nameVersion: { revision: 0, name: "before" },
  goBack: { revision: 0 },
  accept: { findings: ["0123456789abcdef"], note: "seen" },
  undo: { step: "e1" },
  redo: { step: "e1" },
  editRunning: { base: 0, edits: [{ op: "record", cue: "1", moves: { 1: { intensity: 5 } } }], recorded: ["1.intensity"], onStage: null },
  press: { press: "goto", cue: "1", time: 0, list: "main", id: "same" },
  changeHand: { changes: [{ do: "give", moves: { 1: { intensity: 40 } } }] },
  setOutput: { on: false, address: "127.0.0.1:5568", universes: { 1: "127.0.0.1:5569" } },
  putOnStage: { show: 1 },
  setOsc: { on: false, address: "127.0.0.1:8765", show: null },
  beginRun: { name: "attack", speed: 1 },
  changeRun: { name: "attack", counts: true },
  startCaller: { speed: 20, from: "1" },
  signIn: { name: "Ada", password: "not-the-password" },
  join: { code: "K7QM-2XPD", name: "Eve", password: "not-the-password" },
  invite: { role: "watcher" },
  keepCue: { window: "w", list: "main", cue: "1", keep: false },
  setBackups: { on: false, minutes: 10, folder: "" },
  backUp: {},
  restore: { folder: "Attacked 1", file: "2026-11-14 20-30-00Z r3.json.gz" },
};
/** Edits of every kind, of which one field is made wrong. */
const EDITS = [
  { op: "record", cue: "2", moves: { 1: { intensity: 5 } }, mode: "merge", scope: "track" },
  { op: "change", from: "1", to: "3", keys: { channels: [1] }, do: { set: 50 }, where: "look", after: "restore" },
  { op: "setTimes", from: "1", to: "2", set: { up: 3 } },
  { op: "setMoveTimes", from: "1", to: "2", keys: {}, fade: "0~4" },
  { op: "setCue", from: "1", to: "1", note: "x", trigger: { type: "go" }, actions: [{ do: "start", list: "beam" }] },
  { op: "deleteCue", cue: "2", looks: "keepLooks" },
  { op: "copyCue", cue: "1", to: "200" },
  { op: "renumber", from: "1", to: "3", start: "1", step: "1" },
  { op: "recast", from: "1", to: "3", channel: 1, as: 2, how: "swap" },
  { op: "setWave", from: "1", to: "1", keys: { channels: [1] }, wave: { shape: "sine", size: 5, period: 2 } },
  { op: "setPalette", palette: { id: "p", family: "colour", label: "P", values: [] } },
  { op: "setGroup", group: { id: "g", label: "G", channels: [1] } },
  { op: "setHeldLook", look: { id: "h", label: "H", values: {} } },
  { op: "setTempo", tempo: { id: "t", label: "T", perMinute: 60 } },
  { op: "steps", steps: [{ at: "cue", list: "main", cue: "1" }] },
];

function damaged(thing, depth = 0) {
  if (depth > 4 || random() < 0.25 || typeof thing !== "object" || thing === null) return pick(NONSENSE);
  if (Array.isArray(thing))
    return thing.length === 0 ? [pick(NONSENSE)] : thing.map((each, index) => (index === 0 ? damaged(each, depth + 1) : each));
  const names = Object.keys(thing);
  if (names.length === 0) return { nonsense: pick(NONSENSE) };
  const name = pick(names);
  const how = random();
  if (how < 0.15) return Object.fromEntries(names.filter((each) => each !== name).map((each) => [each, thing[each]]));
  if (how < 0.3) return { ...thing, [pick(["nonsense", "__proto__", "constructor", "id"])]: pick(NONSENSE) };
  return { ...thing, [name]: damaged(thing[name], depth + 1) };
}

const report = { requests: 0, accepted: 0, refused: 0, answersOf500: 0, hangs: 0, cut: 0, notOurWords: 0, crashes: 0 };
const examples = new Set();
const met = new Set();
/** Keeps one example of each kind. */
const note = (what, words, kind = words) => {
  const plain = `${what} ${kind.replace(/[\d"'].*/, "").slice(0, 60)}`;
  if (examples.size >= 20 || met.has(plain)) return;
  met.add(plain);
  examples.add(`${what}: ${words}`);
};

function send({ method, path, headers = {}, body }) {
  return new Promise((resolve) => {
    const request = ask({ host: "127.0.0.1", port, method, path, headers, timeout: HANGS }, (response) => {
      let text = "";
      response.on("data", (data) => (text = text.length < 4000 ? text + data : text));
      response.on("end", () => resolve({ status: response.statusCode, text }));
      response.on("error", () => resolve({ status: 0, text: "cut" }));
    });
    request.on("timeout", () => {
      request.destroy();
      resolve({ status: -1, text: "hangs" });
    });
    request.on("error", (error) => resolve({ status: 0, text: error.code ?? "cut" }));
    if (body !== undefined) request.write(body);
    request.end();
  });
}

function attackOn([name, { method, path }]) {
  const own =
    path.replace(/{(\w+)}/g, () => (random() < 0.7 ? "1" : pick(NUMBERS))) +
    (random() < 0.1 ? `?after=${pick(NUMBERS)}&before=${pick(NUMBERS)}` : "");
  const headers = { "X-Requested-With": "zealous-mark" };
  if (random() < 0.03) headers.Host = pick(["evil.example", "127.0.0.1:1", "localhost.evil.example"]);
  if (random() < 0.03) headers.Origin = "http://evil.example";
  if (random() < 0.03) delete headers["X-Requested-With"];
  if (method === "GET") return { method, path: own, headers };
  headers["Content-Type"] = random() < 0.04 ? pick(["text/plain", "application/xml", "multipart/form-data"]) : "application/json";
  if (name === "importShow") {
    headers["Content-Type"] = "application/vnd.zealous-mark.show+json";
    return {
      method,
      path: own,
      headers,
      body: pick(["", "{", "[]", "null", '{"format":"zealous-mark/show"}', "\u0000", "x".repeat(100_000)]),
    };
  }
  // A show is not removed, nor the caller begun, by an attack that happens to be right.
  const base = name === "edit" && random() < 0.8 ? { base: 0, edits: [damaged(pick(EDITS))] } : (NEARLY[name] ?? {});
  const wrong = random() < 0.9 ? damaged(base) : base;
  let body = JSON.stringify(wrong) ?? "null";
  const how = random();
  if (how < 0.03) body = body.slice(0, body.length / 2);
  else if (how < 0.04) body = JSON.stringify({ ...base, huge: "x".repeat(1_200_000) });
  else if (how < 0.05) body = "[".repeat(20_000);
  return { method, path: own, headers, body };
}

async function attack() {
  // What reads a whole history or begins a program is asked less often: it would be all that there is time for.
  const all = Object.entries(routes).filter(
    ([name]) => !["goBack", "pastShow", "startCaller", "importShow", "setOsc"].includes(name) || random() < 0.05,
  );
  const asked = attackOn(pick(all));
  for (let times = random() < 0.1 ? 2 : 1; times > 0; times -= 1) {
    const { status, text } = await send(asked);
    report.requests += 1;
    if (status === -1) {
      report.hangs += 1;
      note("hangs", `${asked.method} ${asked.path}`);
    } else if (status === 0) report.cut += 1;
    else if (status >= 500 && status !== 503) {
      report.answersOf500 += 1;
      note(String(status), `${asked.method} ${asked.path} ${String(asked.body).slice(0, 300)} -> ${text.slice(0, 200)}`);
    } else if (status >= 400) {
      report.refused += 1;
      if (NOT_OURS.test(text)) {
        report.notOurWords += 1;
        note(
          "words",
          `${asked.method} ${asked.path} ${String(asked.body).slice(0, 160)} -> ${text.slice(0, 300)}`,
          text.replace('{"message":"', ""),
        );
      }
    } else report.accepted += 1;
  }
}

/** Live events with nonsense, and packets to the OSC port where one is open. */
async function events() {
  const line = io(`http://127.0.0.1:${port}`, { transports: ["websocket"], reconnection: false });
  line.on("connect_error", () => undefined);
  await new Promise((resolve) => (line.on("connect", resolve), setTimeout(resolve, 2000)));
  for (let count = 0; count < 400; count += 1)
    line.emit(pick(["watch", "rig", "clock", "nonsense", "edit"]), pick(NONSENSE), pick(NONSENSE));
  await sleep(300);
  line.close();
  const socket = createSocket("udp4");
  socket.on("error", () => undefined);
  for (let count = 0; count < 400; count += 1) {
    const bytes = Buffer.from(Array.from({ length: Math.floor(random() * 200) }, () => Math.floor(random() * 256)));
    socket.send(
      random() < 0.5 ? bytes : Buffer.concat([Buffer.from("/zm/go\0\0,s\0\0"), bytes]),
      port + 4165,
      "127.0.0.1",
      () => undefined,
    );
  }
  await sleep(200);
  socket.close();
}

/** True where the server answers, and is the process that it was. */
let startedAt;
async function lives() {
  const { status, text } = await send({ method: "GET", path: "/api/health" });
  if (status !== 200) return false;
  const frames = JSON.parse(text).info?.engine?.frames ?? 0;
  return frames >= 0;
}

startedAt = performance.now();
if (!(await lives())) {
  console.error(`No sound server answers at port ${port}`);
  process.exit(1);
}
const progress = setInterval(() => process.env.ZM_PROGRESS && console.error(JSON.stringify(report), [...examples].slice(-2)), 5000);
while (report.requests < wanted) {
  // Each goes on by itself, so that one that takes its time holds up no other.
  const end = Math.min(wanted, report.requests + 2000);
  const attacks = async () => {
    while (report.requests < end) await attack();
  };
  await Promise.all(Array.from({ length: AT_ONCE }, attacks));
  await events();
  if (!(await lives())) {
    report.crashes += 1;
    for (let tries = 0; tries < 100 && !(await lives()); tries += 1) await sleep(100);
  }
}
clearInterval(progress);
const { status } = await send({ method: "GET", path: "/api/shows/1" });
const sound = (await lives()) && status === 200;
console.log(
  JSON.stringify({ seed, ...report, soundAfterwards: sound, seconds: Math.round((performance.now() - startedAt) / 1000) }, null, 2),
);
for (const example of examples) console.log(example);
process.exitCode = sound && report.answersOf500 + report.hangs + report.crashes + report.notOurWords === 0 ? 0 : 1;
