import { createSocket } from "node:dgram";
import { rmSync } from "node:fs";
import { readShow } from "@zm/core";
import { insertShow } from "../../src/shows/showRows.ts";
import { type TestServer, client, emptyDatabase, serve } from "../support/testServer.ts";
import { pause, until } from "../support/until.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
/** A show of one lamp in a universe of its own. */
const showIn = (universe: number, title: string): ReturnType<typeof readShow> =>
  readShow({
    format: "zealous-mark/show",
    version: 2,
    title,
    fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
    channels: [{ number: 1, type: "lamp", patch: { universe, address: 1 } }],
    lists: [{ id: "main", label: "Main", cues: [{ number: "1", parts: [{ number: 1, times: {}, moves: { 1: { intensity: 100 } } }] }] }],
  });

interface Heard {
  readonly universe: number;
  readonly ended: boolean;
  readonly level: number;
}
let heard: Heard[] = [];
const socket = createSocket("udp4");
let server: TestServer;
const press = (show: number, body: object) => client(server).post(`/api/shows/${show}/run`).send(body);
const stage = async () => (await client(server).get("/api/stage").expect(200)).body;
const endsOf = (universe: number): number => heard.filter((packet) => packet.universe === universe && packet.ended).length;

beforeAll(async () => {
  socket.on("message", (packet) =>
    heard.push({ universe: packet.readUInt16BE(113), ended: ((packet[112] ?? 0) & 0x40) !== 0, level: packet[126] ?? 0 }),
  );
  await new Promise<void>((resolve) => socket.bind(0, "127.0.0.1", () => resolve()));
});
afterAll(() => socket.close());
beforeEach(async () => {
  heard = [];
  const settings = await emptyDatabase();
  server = await serve({ ...settings, output: `127.0.0.1:${socket.address().port}` });
  await server.database.transaction((manager) => insertShow(manager, showIn(1, "Salt")));
  await server.database.transaction((manager) => insertShow(manager, showIn(2, "Paraffin")));
});
afterEach(async () => {
  await server.end();
});

test("a press that was done takes the stage; a refused one and a look at a show do not", async () => {
  await press(1, { press: "go" }).expect(200);
  await until(() => heard.some(({ universe, level }) => universe === 1 && level === 255));
  await client(server).get("/api/shows/2/run").expect(200);
  await press(2, { press: "back" }).expect(409);
  await press(2, { press: "goto", cue: "77" }).expect(422);
  expect(await stage()).toEqual({ show: 1, title: "Salt", lit: 1 });
  expect(endsOf(1)).toBe(0);
  await press(2, { press: "go" }).expect(200);
  await until(() => heard.some(({ universe, level }) => universe === 2 && level === 255));
  expect(await stage()).toMatchObject({ show: 2, title: "Paraffin" });
  // Of the universe that has left no more comes, said as the standard says it.
  expect(endsOf(1)).toBe(3);
});

test("a show is put on stage on purpose and stands there after a crash", async () => {
  await press(1, { press: "go" }).expect(200);
  await press(2, { press: "go" }).expect(200);
  const { body } = await client(server).put("/api/stage").send({ show: 1 }).expect(200);
  expect(body).toEqual({ show: 1, title: "Salt", lit: 1 });
  // What runs in the other show goes on being written down.
  await client(server)
    .post("/api/shows/2/hand")
    .send({ changes: [{ do: "give", moves: { 1: { intensity: 20 } } }] });
  server = await server.restart();
  expect(await stage()).toMatchObject({ show: 1 });
  heard = [];
  await until(() => heard.length > 0);
  expect(heard.every(({ universe }) => universe === 1)).toBe(true);
  await client(server).put("/api/stage").send({ show: 77 }).expect(404);
  await client(server).put("/api/stage").send({ show: "2" }).expect(400);
  expect(await stage()).toMatchObject({ show: 1 });
});

test("the show on stage is not removed before it leaves; then three packets end its universes", async () => {
  await press(1, { press: "go" }).expect(200);
  await until(() => heard.length > 0);
  const refused = await client(server).delete("/api/shows/1").send({ title: "Salt" }).expect(409);
  expect(refused.body.message).toContain("on stage");
  await client(server).put("/api/stage").send({ show: null }).expect(200);
  await until(() => endsOf(1) === 3);
  heard = [];
  await client(server).delete("/api/shows/1").send({ title: "Salt" }).expect(200);
  await pause(1200);
  expect(heard).toEqual([]);
});

test("a universe out of use ends, and one that goes elsewhere ends where it went before", async () => {
  await press(1, { press: "go" }).expect(200);
  await until(() => heard.some(({ universe }) => universe === 1));
  const channel = { number: 1, type: "lamp", patch: { universe: 5, address: 1 } };
  await client(server)
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "setChannel", channel }] })
    .expect(200);
  await until(() => heard.some(({ universe, level }) => universe === 5 && level === 255));
  expect(endsOf(1)).toBe(3);
  await client(server).put("/api/output").send({ on: true, address: "127.0.0.1:9", universes: {} }).expect(200);
  await until(() => endsOf(5) === 3);
});

test("what is in hand is in the output again before the first packet after a crash", async () => {
  await press(1, { press: "go" }).expect(200);
  await client(server)
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves: { 1: { intensity: 50 } } }] })
    .expect(200);
  await until(() => heard.at(-1)?.level === 128);
  server = await server.restart(async () => void (heard = []));
  // Nobody has opened the show or asked for its Hand since.
  await until(() => heard.filter(({ ended }) => !ended).length >= 3);
  expect([...new Set(heard.filter(({ ended }) => !ended).map(({ level }) => level))]).toEqual([128]);
});

test("a damaged file of the stage is told, and no other show takes its place in silence", async () => {
  await press(1, { press: "go" }).expect(200);
  server = await server.restart(async () => {
    for (const generation of ["a", "b"]) rmSync(`${server.runs}/stage.${generation}.json`, { force: true });
    const { writeFile } = await import("node:fs/promises");
    await writeFile(`${server.runs}/stage.a.json`, "{ half");
  });
  expect(await stage()).toEqual({ show: null, title: "", lit: 0 });
});
