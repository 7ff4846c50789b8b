import type { RunState } from "@zm/protocol";
import { readShow } from "@zm/core";
import { withImportThread } from "../support/importing.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const cue = (number: string, level: number, up: number, trigger?: object): object => ({
  number,
  ...(trigger ? { trigger } : {}),
  parts: [{ number: 1, times: { up }, moves: { "1": { intensity: level } } }],
});
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "History",
  fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
  channels: [
    { number: 1, type: "lamp" },
    { number: 2, type: "lamp" },
  ],
  lists: [
    { id: "main", label: "Main", cues: [cue("1", 100, 20), cue("2", 0, 0, { type: "follow", from: "go", after: 60 }), cue("3", 5, 0)] },
  ],
});

withImportThread();
let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const give = (moves: object, author: object = {}): ReturnType<ReturnType<typeof client>["post"]> =>
  http()
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves }], ...author });
const held = async (): Promise<string[]> => Object.keys((await http().get("/api/shows/1/hand")).body.hand.held);
const state = async (): Promise<RunState> => (await http().get("/api/shows/1/run")).body;
const main = async () => (await state()).mix.lists["main"];
/** Where the level of light 1 is on its way to, or at. */
const levelGoesTo = async () => (await state()).mix.layers.find(([key]) => key === "1.intensity")?.[4];
const record = (number: string, more: object): object => ({
  base: 0,
  edits: [{ op: "record", cue: number, moves: { "1": { intensity: 60 } } }],
  recorded: ["1.intensity"],
  onStage: "1",
  ...more,
});

beforeEach(async () => {
  server = await startServer(show);
});
afterEach(async () => {
  await server.end();
});

test("undo and redo go over show and Hand in the order of time, each step named before and after", async () => {
  await give({ "1": { intensity: 10 } }).expect(200);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "setCue", from: "1", to: "1", label: "One" }] })
    .expect(200);
  await give({ "2": { intensity: 20 } }).expect(200);
  const words: string[] = [];
  for (let step = 0; step < 3; step += 1) {
    const { body } = await http().post("/api/shows/1/undo").expect(200);
    words.push(body.words);
    expect(body.history.redo.words).toBe(body.words);
  }
  expect(words).toEqual(["In hand: light 2, intensity 20", "Cue 1: label “One”", "In hand: light 1, intensity 10"]);
  await http().post("/api/shows/1/undo").expect(409);
  expect(await held()).toEqual([]);
  for (let step = 0; step < 3; step += 1) await http().post("/api/shows/1/redo").expect(200);
  expect(await held()).toEqual(["1.intensity", "2.intensity"]);
  expect((await http().get("/api/shows/1")).body).toMatchObject({ revision: 3, show: { lists: [{ cues: [{ label: "One" }, {}, {}] }] } });
});

test("one gesture is one step, and a step that a window has not seen is not taken back by it", async () => {
  for (const intensity of [10, 20, 30]) await give({ "1": { intensity } }, { window: "a", gesture: "drag" }).expect(200);
  const { body } = await give({ "2": { intensity: 5 } }, { window: "b", gesture: "drag" }).expect(200);
  expect(body.history.undo).toMatchObject({ window: "b", words: "In hand: light 2, intensity 5" });
  const late = await http().post("/api/shows/1/undo").send({ step: "h1" }).expect(409);
  expect(late.body.message).toMatch(/next would be "In hand: light 2, intensity 5"/);
  await http().post("/api/shows/1/undo").send({ step: body.history.undo.id }).expect(200);
  expect(await held()).toEqual(["1.intensity"]);
  await http().post("/api/shows/1/undo").expect(200);
  expect(await held()).toEqual([]);
});

test("an update within a fade lets it go on to the new value, and undo takes all of it back", async () => {
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await give({ "1": { intensity: 60 } }).expect(200);
  const before = await main();
  const { body } = await http().post("/api/shows/1/run/edits").send(record("1", {})).expect(200);
  expect(body.hand.hand.held["1.intensity"].fresh).toBe(false);
  const after = await main();
  expect(before?.follow).toMatchObject({ cue: "2" });
  expect(after?.follow).toEqual(before?.follow);
  expect(await levelGoesTo()).toBe(60);
  await http().post("/api/shows/1/undo").expect(200);
  expect(await levelGoesTo()).toBe(100);
  expect((await http().get("/api/shows/1/hand")).body.hand.held["1.intensity"].fresh).toBe(true);
});

test("after a record of the next cue the list stands in it; undo, redo and a restart keep that", async () => {
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await give({ "1": { intensity: 60 } }).expect(200);
  await http()
    .post("/api/shows/1/run/edits")
    .send(record("1.5", { stands: "1.5" }))
    .expect(200);
  expect(await main()).toMatchObject({ cue: "1.5", follow: { cue: "2" } });
  server = await server.restart();
  expect(await main()).toMatchObject({ cue: "1.5" });
  await http().post("/api/shows/1/undo").expect(200);
  expect(await main()).toMatchObject({ cue: "1", onStage: { "1.intensity": 100 } });
  await http().post("/api/shows/1/redo").expect(200);
  expect(await main()).toMatchObject({ cue: "1.5", onStage: { "1.intensity": 60 } });
});

test("a record is refused whole when the list went on, and when the database does not take it", async () => {
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await give({ "1": { intensity: 60 } }).expect(200);
  await http().post("/api/shows/1/run").send({ press: "goto", cue: "3" }).expect(200);
  const late = await http().post("/api/shows/1/run/edits").send(record("1", {})).expect(409);
  expect(late.body.message).toMatch(/gone on to cue 3 meanwhile, and this was meant for cue 1/);
  await server.database.query("RENAME TABLE hands TO hands_away");
  await http()
    .post("/api/shows/1/run/edits")
    .send(record("3", { onStage: "3" }))
    .expect(503);
  await server.database.query("RENAME TABLE hands_away TO hands");
  expect((await http().get("/api/shows/1")).body.revision).toBe(0);
  expect((await http().get("/api/shows/1/hand")).body.hand.held["1.intensity"].fresh).toBe(true);
});

test("a cue on stage that gets another number is still on stage, and its follow still waits", async () => {
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "renumber", from: "1", to: "2", start: "0.1", step: "0.1" }] })
    .expect(200);
  expect(await main()).toMatchObject({ cue: "0.1", follow: { cue: "0.2" } });
});

test("a base from the future is refused, and so is catching up from there", async () => {
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 7, edits: [{ op: "setCue", from: "1", to: "1", label: "x" }] })
    .expect(409);
  await http().get("/api/shows/1/edits?after=7").expect(409);
  expect((await http().get("/api/shows/1/edits?after=0").expect(200)).body).toEqual([]);
});

test("a show is renamed as an edit, and removed only by its name, history and all", async () => {
  await http().patch("/api/shows/1").send({ title: "Renamed" }).expect(200);
  expect((await http().get("/api/shows")).body).toEqual([{ id: 1, title: "Renamed", revision: 1 }]);
  await http().post("/api/shows/1/undo").expect(200);
  expect((await http().get("/api/shows")).body[0].title).toBe("History");
  await http().patch("/api/shows/1").send({ title: "" }).expect(400);
  const wrong = await http().delete("/api/shows/1").send({ title: "Hist" }).expect(409);
  expect(wrong.body.message).toMatch(/is called "History", not "Hist"/);
  await http().delete("/api/shows/1").send({ title: "History" }).expect(200);
  await http().get("/api/shows/1").expect(404);
  for (const table of ["edits", "moves", "cues", "hands"])
    expect(Number((await server.database.query(`SELECT COUNT(*) AS n FROM ${table}`))[0].n)).toBe(0);
});

test("times that new cues start with are stored with the show", async () => {
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "setShow", newCue: { times: { up: 3, down: 5 } } }] })
    .expect(200);
  server = await server.restart();
  expect((await http().get("/api/shows/1")).body.show.newCue).toEqual({ times: { up: 3, down: 5 } });
});

test("an import says how far it is", async () => {
  const text = JSON.stringify((await http().get("/api/shows/1")).body.show);
  await http().get("/api/shows/imports/mine").expect(404);
  await http()
    .post("/api/shows")
    .set("Content-Type", "application/vnd.zealous-mark.show+json")
    .set("X-Import", "mine")
    .send(text)
    .expect(201);
  expect((await http().get("/api/shows/imports/mine").expect(200)).body.stage).toBe("over");
});
