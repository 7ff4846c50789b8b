import { cpSync, rmSync } from "node:fs";
import { readShow } from "@zm/core";
import { readSettings } from "../../src/settings.ts";
import { type DatabaseDoor, doorTo } from "../support/databaseDoor.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Once",
  fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
  channels: [{ number: 1, type: "lamp" }],
  lists: [
    {
      id: "main",
      label: "Main",
      cues: ["1", "2"].map((number) => ({ number, parts: [{ number: 1, times: {}, moves: { 1: { intensity: 50 } } }] })),
    },
  ],
});

let door: DatabaseDoor;
let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const note = (words: string, fields: object = {}): object => ({
  base: 0,
  edits: [{ op: "setCue", from: "1", to: "1", note: words }],
  ...fields,
});
const open = async () => (await http().get("/api/shows/1").expect(200)).body;
const list = async () => (await http().get("/api/shows/1/run").expect(200)).body.mix.lists.main;
const hand = async () => (await http().get("/api/shows/1/hand").expect(200)).body.hand;
const isFresh = async (): Promise<boolean> => (await hand()).held["1.intensity"].fresh;
/** A record of what is in hand into a new cue, in which the list stands from then on. */
const recordNext = (fields: object = {}): object => ({
  base: 0,
  edits: [{ op: "record", cue: "1.5", moves: { 1: { intensity: 77 } } }],
  recorded: ["1.intensity"],
  onStage: "1",
  stands: "1.5",
  ...fields,
});

beforeEach(async () => {
  door = await doorTo(readSettings(process.env).database.port);
  server = await startServer(show, door.port);
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await http()
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves: { 1: { intensity: 77 } } }] })
    .expect(200);
});
afterEach(async () => {
  await server.end();
  await door.shut();
});

test("the same request sent twice is done once, over a restart too; undo and redo likewise", async () => {
  const [first, second] = await Promise.all([
    http()
      .post("/api/shows/1/edits")
      .send(note("A", { request: "r1" }))
      .expect(200),
    http()
      .post("/api/shows/1/edits")
      .send(note("A", { request: "r1" }))
      .expect(200),
  ]);
  expect([first.body.revision, second.body.revision]).toEqual([1, 1]);
  server = await server.restart();
  expect(
    (
      await http()
        .post("/api/shows/1/edits")
        .send(note("A", { request: "r1" }))
        .expect(200)
    ).body.revision,
  ).toBe(1);
  for (let time = 0; time < 2; time += 1) await http().post("/api/shows/1/undo").send({ request: "u1" }).expect(200);
  expect((await open()).revision).toBe(2);
  expect((await open()).history).toMatchObject({ undo: null, redo: { of: "edit" } });
});

test("the same record made with the run twice is done once, and answered alike", async () => {
  for (let time = 0; time < 2; time += 1) {
    const { body } = await http()
      .post("/api/shows/1/run/edits")
      .send(recordNext({ request: "r2" }))
      .expect(200);
    expect(body.edit.revision).toBe(1);
    expect(body.hand.hand.held["1.intensity"].fresh).toBe(false);
  }
  expect(await list()).toMatchObject({ cue: "1.5" });
});

test("a crash between the commit and the run leaves no half: what the run has to do is taken up", async () => {
  const kept = `${server.runs}-before`;
  cpSync(server.runs, kept, { recursive: true });
  await http().post("/api/shows/1/run/edits").send(recordNext()).expect(200);
  expect(await list()).toMatchObject({ cue: "1.5" });
  // The run as it was written down before the record; the database has the record.
  server = await server.restart(async () => {
    rmSync(server.runs, { recursive: true });
    cpSync(kept, server.runs, { recursive: true });
    rmSync(kept, { recursive: true });
  });
  expect(await list()).toMatchObject({ cue: "1.5", onStage: { "1.intensity": 77 } });
  expect(await isFresh()).toBe(false);
});

test("cues that were renumbered while the run was away are the same cues", async () => {
  const kept = `${server.runs}-before`;
  cpSync(server.runs, kept, { recursive: true });
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "renumber", from: "1", to: "2", start: "10", step: "10" }] })
    .expect(200);
  server = await server.restart(async () => {
    rmSync(server.runs, { recursive: true });
    cpSync(kept, server.runs, { recursive: true });
    rmSync(kept, { recursive: true });
  });
  expect(await list()).toMatchObject({ cue: "10" });
});

test("a record whose COMMIT was done but not answered is taken in, and undo takes it back alone", async () => {
  await http().post("/api/shows/1/edits").send(note("before")).expect(200);
  void door.loseNextCommit();
  const lost = await http()
    .post("/api/shows/1/run/edits")
    .send(recordNext({ request: "r3" }))
    .expect(503);
  expect(lost.body.message).toContain("before it confirmed");
  await door.open();
  await until(async () => (await http().get("/api/shows")).status === 200);
  await until(async () => (await open()).revision === 2);
  await until(async () => (await list()).cue === "1.5");
  await until(async () => !(await isFresh()));
  // The window asks once more, with the same name.
  expect(
    (
      await http()
        .post("/api/shows/1/run/edits")
        .send(recordNext({ request: "r3" }))
        .expect(200)
    ).body.edit.revision,
  ).toBe(2);
  await http().post("/api/shows/1/undo").send({}).expect(200);
  const { show: now, history } = await open();
  expect(now.lists[0].cues.map((cue: { number: string; note?: string }) => [cue.number, cue.note])).toEqual([
    ["1", "before"],
    ["2", undefined],
  ]);
  expect(history.undo.words).toContain("1");
  expect(await list()).toMatchObject({ cue: "1" });
});
