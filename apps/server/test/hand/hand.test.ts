import type { Hand, HandChange } from "@zm/core";
import { io } from "socket.io-client";
import request from "supertest";
import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer;
const change = (...changes: (HandChange | object)[]): request.Test => client(server).post("/api/shows/1/hand").send({ changes });
const hand = async (): Promise<Hand> => (await client(server).get("/api/shows/1/hand")).body.hand;
const press = (body: object): request.Test => client(server).post("/api/shows/1/run").send(body);
const edit = async (...edits: object[]): Promise<request.Response> => {
  const { revision } = (await client(server).get("/api/shows/1")).body;
  return client(server).post("/api/shows/1/edits").send({ base: revision, edits });
};

beforeEach(async () => {
  server = await startServer();
});
afterEach(async () => {
  await server.end();
});

test("what is in hand outlives the server, and so does what was let go last", async () => {
  await change({ do: "give", moves: { "61": { intensity: 55, pan: { value: 12, fade: 3 } } } }).expect(200);
  server = await server.restart();
  expect((await hand()).held).toEqual({
    "61.intensity": { move: 55, fresh: true },
    "61.pan": { move: { value: 12, fade: 3 }, fresh: true },
  });
  await change({ do: "drop" }).expect(200);
  server = await server.restart();
  expect((await hand()).held).toEqual({});
  const reply = await change({ do: "restoreDropped" }).expect(200);
  expect(reply.body.stored).toBe(true);
  expect(Object.keys((await hand()).held)).toEqual(["61.intensity", "61.pan"]);
});

test("bad changes are refused whole, with the place that is wrong", async () => {
  const bad = await change({ do: "give", moves: { "61": { intensity: 55 } } }, { do: "give", moves: { "61": { intensity: 155 } } }).expect(
    422,
  );
  expect(JSON.stringify(bad.body)).toMatch(/61\.intensity/);
  const unknown = await change({ do: "juggle" }).expect(422);
  expect(JSON.stringify(unknown.body)).toMatch(/Change 1 of the Hand/);
  await client(server).post("/api/shows/1/hand").send({ changes: "x" }).expect(400);
  await client(server)
    .post("/api/shows/99/hand")
    .send({ changes: [{ do: "drop" }] })
    .expect(404);
  expect((await hand()).held).toEqual({});
});

test("every window hears of it; a Go lets recorded values give way", async () => {
  const socket = io(server.address, { transports: ["websocket"] });
  try {
    const heard: Hand[] = [];
    socket.on("hand", (news: { hand: Hand }) => heard.push(news.hand));
    await new Promise<void>((resolve) => socket.on("connect", () => resolve()));
    await socket.emitWithAck("watch", 1);
    await change({ do: "give", moves: { "1": { intensity: 55 }, "2": { intensity: 66 } } }).expect(200);
    await change({ do: "recorded", keys: ["1.intensity"] }).expect(200);
    expect(Object.keys((await hand()).held)).toEqual(["1.intensity", "2.intensity"]);
    const run = await press({ press: "go" }).expect(200);
    expect(run.body.cues.main).toBe("0.5");
    await new Promise<void>((resolve, reject) => {
      const end = Date.now() + 5000;
      const look = (): void => {
        if (Object.keys(heard.at(-1)?.held ?? {}).join() === "2.intensity") resolve();
        else if (Date.now() > end) reject(new Error("the window did not hear that the recorded value gave way"));
        else setTimeout(look, 10);
      };
      look();
    });
    expect(Object.keys((await hand()).leaving)).toEqual(["1.intensity"]);
  } finally {
    socket.close();
  }
});

test("a light that leaves the rig leaves the Hand, and a renumbered one keeps all that it does", async () => {
  await change({ do: "give", moves: { "1": { intensity: 55 }, "2": { intensity: 66 } } }).expect(200);
  const before = (await client(server).get("/api/shows/1/document")).text;
  expect((await edit({ op: "renumberChannel", channel: 2, to: 502 })).status).toBe(200);
  expect(Object.keys((await hand()).held)).toEqual(["1.intensity"]);
  server = await server.restart();
  const { body } = await client(server).get("/api/shows/1/document");
  const cues: { parts: { moves: Record<string, object> }[] }[] = body.lists[0].cues;
  expect(cues.some((cue) => cue.parts.some((part) => part.moves["502"]))).toBe(true);
  expect(cues.some((cue) => cue.parts.some((part) => part.moves["2"]))).toBe(false);
  await client(server).post("/api/shows/1/undo").expect(200);
  server = await server.restart();
  expect((await client(server).get("/api/shows/1/document")).text).toBe(before);
});

test("a damaged Hand is kept as it was found and said, until it is thrown away", async () => {
  await change({ do: "give", moves: { "1": { intensity: 55 } } }).expect(200);
  await server.database.query(`UPDATE hands SET hand = '{"held":{"1.inten' WHERE show_id = 1`);
  server = await server.restart();
  const state = await client(server).get("/api/shows/1/hand").expect(200);
  expect(state.body).toMatchObject({ damaged: true, hand: { held: {} } });
  await change({ do: "give", moves: { "2": { intensity: 5 } } }).expect(200);
  server = await server.restart();
  expect((await client(server).get("/api/shows/1/hand")).body).toMatchObject({ damaged: true });
  expect((await client(server).get("/api/shows/1/hand/damaged").expect(200)).text).toBe('{"held":{"1.inten');
  await client(server).delete("/api/shows/1/hand/damaged").expect(200);
  expect((await client(server).get("/api/shows/1/hand")).body.damaged).toBe(false);
  await client(server).get("/api/shows/1/hand/damaged").expect(404);
});

test("a newer turn is never below one that a window has seen, not even after a restart", async () => {
  const first = await change({ do: "give", moves: { "1": { intensity: 55 } } }).expect(200);
  server = await server.restart();
  expect((await client(server).get("/api/shows/1/hand")).body.version).toBeGreaterThan(first.body.version);
});
