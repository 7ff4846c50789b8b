import { readShow } from "@zm/core";
import { afterFiring, listOf, playbackCheck, sheetOf } from "@zm/core";
import { type Socket, io } from "socket.io-client";
import request from "supertest";
import type { FromServer, RunEvent, RunState, ToServer } from "@zm/protocol";
import { type TestServer, client, startServer } from "./support/testServer.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const cue = (number: string, level: number, trigger?: object): object => ({
  number,
  ...(trigger ? { trigger } : {}),
  parts: [{ number: 1, times: { up: 0.2 }, moves: { "1": { intensity: level } } }],
});
const show = readShow({
  format: "zealous-mark/show",
  version: 1,
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
const cueNow = async (): Promise<string | null> => (await client(server).get("/api/shows/1/run")).body.playback.cue;

/** A window that watches the show and keeps what it hears. */
async function watch(): Promise<{ socket: Socket; runs: RunState[]; fired: RunEvent[]; edits: { revision: number }[] }> {
  const socket: Socket<FromServer, ToServer> = io(server.address, { transports: ["websocket"] });
  sockets.push(socket);
  const heard = { socket, runs: [] as RunState[], fired: [] as RunEvent[], edits: [] as { revision: number }[] };
  socket.on("run", (state) => heard.runs.push(state));
  socket.on("fired", (event) => heard.fired.push(event));
  socket.on("edit", (event) => heard.edits.push(event));
  await new Promise<void>((resolve) => socket.on("connect", () => resolve()));
  await socket.emitWithAck("watch", 1);
  return heard;
}

async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  const end = Date.now() + 5000;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error("It did not come about within five seconds");
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
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
  const { body } = await client(server).get("/api/shows/1/run");
  expect(body.playback.follow).toBeNull();
  expect(body.playback.onStage).toEqual({ "1.intensity": 90 });
});

test("two presses at once on the same next cue fire it once", async () => {
  const replies = await Promise.all([press({ press: "go", cue: "1" }), press({ press: "go", cue: "1" })]);
  expect(replies.map((reply) => reply.status).sort()).toEqual([200, 409]);
  expect(await cueNow()).toBe("1");
});

test("hold stops the clock and the follow, and Go lets them go on", async () => {
  await press({ press: "goto", cue: "2" }).expect(200);
  const held = await press({ press: "hold" }).expect(200);
  expect(held.body.clock.held).toBe(true);
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect(await cueNow()).toBe("2");
  const on = await press({ press: "go" }).expect(200);
  expect(on.body.cue).toBe("2");
  await until(async () => (await cueNow()) === "3");
});

test("back and go to run out of order; what cannot be done is said", async () => {
  await press({ press: "goto", cue: "4", time: 0 }).expect(200);
  const back = await press({ press: "back" }).expect(200);
  expect(back.body).toMatchObject({ cue: "3", follow: null });
  await press({ press: "goto", cue: "9" }).expect(422);
  await press({ press: "goto", cue: "1" }).expect(200);
  await press({ press: "back" }).expect(409);
  await press({ press: "jump" }).expect(400);
});

test("two windows hear the same, and an edit made through one reaches the other", async () => {
  const [one, two] = [await watch(), await watch()];
  await press({ press: "go" }).expect(200);
  await until(() => one.fired.at(-1)?.cue === "1" && two.fired.at(-1)?.cue === "1");
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

test("what was fired is told, not the whole playback, and whoever has the one before computes the one after", async () => {
  const window = await watch();
  const list = listOf(sheetOf(show));
  await press({ press: "go" }).expect(200);
  await press({ press: "goto", cue: "2", time: 0.05 }).expect(200);
  await until(async () => (await cueNow()) === "3");
  await press({ press: "back" }).expect(200);
  await press({ press: "hold" }).expect(200);
  await until(() => window.fired.at(-1)?.clock.held === true);
  let playback = window.runs[0]?.playback;
  if (!playback) throw new Error("The window was not told where the list stands");
  for (const { firings, check } of window.fired) {
    for (const firing of firings) playback = afterFiring(playback, list, firing);
    expect(playbackCheck(playback, list.keys)).toBe(check);
  }
  expect(window.fired.map(({ turn }) => turn - (window.runs[0]?.turn ?? 0))).toEqual(window.fired.map((_, index) => index + 1));
  expect(JSON.parse(JSON.stringify(playback))).toEqual((await client(server).get("/api/shows/1/run")).body.playback);
  for (const event of window.fired) expect(event).not.toHaveProperty("playback");
});

test("after a restart the stage stands at the cue where it stood and waits for a Go", async () => {
  await press({ press: "goto", cue: "2" }).expect(200);
  await until(async () => (await cueNow()) === "3");
  await until(async () => (await server.database.query("SELECT cue FROM runs"))[0]?.cue === 3000);
  server = await server.restart();
  const { body } = await client(server).get("/api/shows/1/run");
  expect(body.playback).toMatchObject({ cue: "3", follow: null, onStage: { "1.intensity": 90 } });
});

test("an edit during a run never makes a running fade jump", async () => {
  await press({ press: "goto", cue: "1", time: 30 }).expect(200);
  const before = (await client(server).get("/api/shows/1/run")).body.playback.tracks;
  await client(server)
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "record", cue: "1", moves: { "1": { intensity: 99 } } }] })
    .expect(200);
  expect((await client(server).get("/api/shows/1/run")).body.playback.tracks).toEqual(before);
});
