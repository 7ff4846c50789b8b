import { readFile, readdir, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { applyRunChange, mixCheck, mixFrom, readShow, sheetOf, snapshotOf } from "@zm/core";
import { type Socket, io } from "socket.io-client";
import request from "supertest";
import type { FromServer, RunEvent, RunState, ToServer, Trouble } from "@zm/protocol";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const cue = (number: string, level: number, trigger?: object): object => ({
  number,
  ...(trigger ? { trigger } : {}),
  parts: [{ number: 1, times: { up: 0.2 }, moves: { "1": { intensity: level } } }],
});
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Run",
  fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
  channels: [{ number: 1, type: "lamp" }],
  lists: [
    {
      id: "main",
      label: "Main",
      cues: [cue("1", 50), cue("2", 70), cue("3", 90, { type: "follow", from: "complete", after: 0.1 }), cue("4", 10)],
    },
  ],
});

let server: TestServer;
const sockets: Socket[] = [];
const press = (body: object): request.Test => client(server).post("/api/shows/1/run").send(body);
const stateNow = async (): Promise<RunState> => (await client(server).get("/api/shows/1/run")).body;
const mainNow = async () => (await stateNow()).mix.lists["main"];
const cueNow = async (): Promise<string | null | undefined> => (await mainNow())?.cue;

/** A window that watches the show and keeps what it hears. */
async function watch(): Promise<{
  socket: Socket;
  runs: RunState[];
  fired: RunEvent[];
  edits: { revision: number }[];
  troubles: (readonly Trouble[])[];
}> {
  const socket: Socket<FromServer, ToServer> = io(server.address, { transports: ["websocket"] });
  sockets.push(socket);
  const heard = {
    socket,
    runs: [] as RunState[],
    fired: [] as RunEvent[],
    edits: [] as { revision: number }[],
    troubles: [] as (readonly Trouble[])[],
  };
  socket.on("run", (state) => heard.runs.push(state));
  socket.on("fired", (event) => heard.fired.push(event));
  socket.on("troubles", (troubles) => heard.troubles.push(troubles));
  socket.on("edit", (event) => heard.edits.push(event));
  await new Promise<void>((resolve) => socket.on("connect", () => resolve()));
  await socket.emitWithAck("watch", 1);
  return heard;
}

beforeEach(async () => {
  server = await startServer(show);
});
afterEach(async () => {
  for (const socket of sockets.splice(0)) socket.close();
  await server.end();
});

test("Go fires the next cue, and the follow behind it fires by itself", async () => {
  await press({ press: "go", cue: "1" }).expect(200);
  expect(await cueNow()).toBe("1");
  await press({ press: "go", cue: "2" }).expect(200);
  await until(async () => (await cueNow()) === "3");
  expect((await mainNow())?.follow).toBeNull();
  expect((await mainNow())?.onStage).toEqual({ "1.intensity": 90 });
});

test("two presses at once on the same next cue fire it once", async () => {
  const replies = await Promise.all([press({ press: "go", cue: "1" }), press({ press: "go", cue: "1" })]);
  expect(replies.map((reply) => reply.status).sort()).toEqual([200, 409]);
  expect(await cueNow()).toBe("1");
});

/** Goes to a cue and holds the list; gives the answer to the hold. */
async function heldIn(cue: string) {
  await press({ press: "goto", cue }).expect(200);
  return press({ press: "hold" }).expect(200);
}

test("hold stops the clock and the follow, and Go lets them go on", async () => {
  let held = await heldIn("2");
  // On a busy machine the follow may be quicker than the press.
  for (let tries = 0; held.body.cues.main !== "2" && tries < 20; tries += 1) held = await heldIn("2");
  expect(held.body.change).toMatchObject({ list: "main", hold: true });
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect(await cueNow()).toBe("2");
  const on = await press({ press: "go" }).expect(200);
  expect(on.body.cues).toEqual({ main: "2" });
  await until(async () => (await cueNow()) === "3");
});

test("back and go to run out of order; what cannot be done is said", async () => {
  await press({ press: "goto", cue: "4", time: 0 }).expect(200);
  const back = await press({ press: "back" }).expect(200);
  expect(back.body.cues).toEqual({ main: "3" });
  expect((await mainNow())?.follow).toBeNull();
  await press({ press: "goto", cue: "9" }).expect(422);
  await press({ press: "goto", cue: "1" }).expect(200);
  await press({ press: "back" }).expect(409);
  await press({ press: "jump" }).expect(400);
});

test("two windows hear the same, and an edit made through one reaches the other", async () => {
  const [one, two] = [await watch(), await watch()];
  await press({ press: "go" }).expect(200);
  await until(() => one.fired.at(-1)?.cues["main"] === "1" && two.fired.at(-1)?.cues["main"] === "1");
  expect(one.fired).toEqual(two.fired);
  await client(server)
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "setCue", from: "2", to: "2", label: "Two" }] })
    .expect(200);
  await until(() => two.edits.length === 1);
  expect(two.edits[0]).toEqual(one.edits[0]);
  const missed = await client(server).get("/api/shows/1/edits?after=0").expect(200);
  expect(missed.body).toEqual(JSON.parse(JSON.stringify(one.edits)));
});

test("changes are told, not the whole; with the run before them the run after is computed", async () => {
  const window = await watch();
  const sheet = sheetOf(show);
  await until(() => window.runs.length === 1);
  await press({ press: "go" }).expect(200);
  await press({ press: "goto", cue: "2", time: 0.05 }).expect(200);
  await until(async () => (await cueNow()) === "3");
  await press({ press: "back" }).expect(200);
  await press({ press: "hold" }).expect(200);
  await until(() => window.fired.some(({ change }) => "hold" in change));
  const [first] = window.runs;
  if (!first) throw new Error("The window was not told what runs");
  let mix = mixFrom(sheet, first.mix);
  for (const { change, check } of window.fired) {
    mix = applyRunChange(mix, change, sheet, "main");
    expect(mixCheck(mix)).toBe(check);
  }
  expect(window.fired.map(({ version }) => version - first.version)).toEqual(window.fired.map((_, index) => index + 1));
  expect(JSON.parse(JSON.stringify(snapshotOf(mix).lists))).toEqual((await stateNow()).mix.lists);
  for (const event of window.fired) expect(JSON.stringify(event).length).toBeLessThan(1000);
});

test("lists, masters, rates and standby sets are pressed, and what cannot be is said", async () => {
  await press({ press: "fire" }).expect(409);
  await press({ press: "standby", chosen: [{ list: "main", cue: "2" }] }).expect(200);
  expect((await stateNow()).mix.standby).toEqual([{ list: "main", cue: "2" }]);
  expect(await cueNow()).toBeNull();
  await press({ press: "fire" }).expect(200);
  expect(await cueNow()).toBe("2");
  await press({ press: "master", level: 40, time: 2 }).expect(200);
  await press({ press: "rate", rate: 2 }).expect(200);
  expect(await mainNow()).toMatchObject({ rate: 2, master: { from: 100, to: 40, fade: 2 } });
  await press({ press: "master", level: 140 }).expect(400);
  await press({ press: "look", look: "none", level: 10 }).expect(422);
  await press({ press: "tempo", tempo: "none", perMinute: 90 }).expect(422);
  await press({ press: "go", list: "sea" }).expect(422);
  await press({ press: "release", time: 0 }).expect(200);
  expect(await cueNow()).toBeNull();
});

test("a server started again goes on in the same cue, in its fade, with no follow missed", async () => {
  await server.end();
  server = await startServer(show, undefined, false);
  await press({ press: "goto", cue: "1", time: 40 }).expect(200);
  const before = await stateNow();
  server = await server.restart();
  const after = await stateNow();
  expect(after.mix.lists["main"]).toMatchObject({ cue: "1", onStage: { "1.intensity": 50 } });
  expect(after.mix.layers).toEqual(before.mix.layers);
  // The run's clock went on while the server was away.
  expect(Math.abs(after.origin - before.origin)).toBeLessThan(500);
  await press({ press: "goto", cue: "2" }).expect(200);
  server = await server.restart();
  await until(async () => (await cueNow()) === "3");
});

test("where the newest file is damaged the list stands as the one before says, and windows know", async () => {
  await press({ press: "goto", cue: "1", time: 0 }).expect(200);
  await press({ press: "goto", cue: "4", time: 0 }).expect(200);
  const serial = async (path: string): Promise<number> => JSON.parse(await readFile(path, "utf8")).serial;
  const paths = ["a", "b"].map((generation) => join(server.runs, `show-1.${generation}.json`));
  const serials = await Promise.all(paths.map(serial));
  const newest = paths[(serials[0] ?? 0) > (serials[1] ?? 0) ? 0 : 1] ?? "";
  const sound = JSON.parse(await readFile(newest, "utf8"));
  delete sound.data.mix.lists.main.firedAt;
  server = await server.restart(async () => writeFile(newest, JSON.stringify(sound)));
  expect(await cueNow()).toBe("1");
  const { troubles } = await watch();
  await until(
    () => troubles.at(-1)?.some(({ words }) => /Where show 1 stood .*firedAt.*kept as .*damaged-.*the file before/.test(words)) ?? false,
  );
  expect((await readdir(server.runs)).some((name) => name.includes("damaged"))).toBe(true);
  await press({ press: "go", cue: "2" }).expect(200);
});

test("where both files are damaged the list stands before its first cue, and that is told", async () => {
  await press({ press: "goto", cue: "1", time: 0 }).expect(200);
  await press({ press: "goto", cue: "4", time: 0 }).expect(200);
  server = await server.restart(async () => {
    for (const generation of ["a", "b"]) await writeFile(join(server.runs, `show-1.${generation}.json`), '{"serial":7,"data":null}');
  });
  expect(await cueNow()).toBeNull();
  const { troubles } = await watch();
  await until(() => troubles.at(-1)?.some(({ words }) => words.includes("before its first cue")) ?? false);
});

test("a run of the version before is taken over", async () => {
  await press({ press: "goto", cue: "4", time: 0 }).expect(200);
  server = await server.restart(async () => {
    const path = join(server.runs, "show-1.b.json");
    const { data } = JSON.parse(await readFile(path, "utf8"));
    const { owners: _owners, leftBy: _left, remainders: _remainders, ...mix } = data.mix;
    const { revision: _revision, done: _done, ...head } = data;
    await writeFile(join(server.runs, "show-1.json"), JSON.stringify({ ...head, version: 1, mix }));
    for (const generation of ["a", "b"]) await rm(join(server.runs, `show-1.${generation}.json`), { force: true });
  });
  expect(await cueNow()).toBe("4");
});

describe("a press carries what the window saw", () => {
  test("two windows press Go on a held list: it goes on once, and no cue is fired", async () => {
    await press({ press: "go", cue: "1" }).expect(200);
    await press({ press: "hold", held: true }).expect(200);
    const answers = await Promise.all([press({ press: "go", held: true }), press({ press: "go", held: true })]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect(await mainNow()).toMatchObject({ cue: "1", clock: { held: false } });
  });

  test("Go that saw the list run does not let go on what was held meanwhile", async () => {
    await press({ press: "go", cue: "1" }).expect(200);
    await press({ press: "hold", held: true }).expect(200);
    const { body } = await press({ press: "go", cue: "2", held: false }).expect(409);
    expect(body.message).toContain("held meanwhile");
    expect(await mainNow()).toMatchObject({ cue: "1", clock: { held: true } });
  });

  test("Back from two windows at once goes back one cue", async () => {
    await press({ press: "goto", cue: "4", time: 0 }).expect(200);
    const answers = await Promise.all([press({ press: "back", cue: "4" }), press({ press: "back", cue: "4" })]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect(await cueNow()).toBe("3");
  });

  test("the same press twice, by its name, is done once; after a restart too", async () => {
    const go = { press: "go", id: "one" };
    const [first, second] = await Promise.all([press(go).expect(200), press(go).expect(200)]);
    expect(second.body.version).toBe(first.body.version);
    expect(await cueNow()).toBe("1");
    server = await server.restart();
    await press(go).expect(200);
    expect(await cueNow()).toBe("1");
    await press({ press: "go", id: "two" }).expect(200);
    expect(await cueNow()).toBe("2");
  });
});

test("an edit during a run never makes a running fade jump", async () => {
  await press({ press: "goto", cue: "1", time: 30 }).expect(200);
  const before = (await stateNow()).mix.layers;
  await client(server)
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "record", cue: "1", moves: { "1": { intensity: 99 } } }] })
    .expect(200);
  await until(async () => (await stateNow()).revision === 1);
  expect((await stateNow()).mix.layers).toEqual(before);
});
