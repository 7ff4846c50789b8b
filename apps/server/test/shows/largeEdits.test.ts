import type { EditEvent } from "@zm/protocol";
import { type EditInput, invertSteps, makeEdits, readEdits, readShow, serializeShow, sheetOf } from "@zm/core";
import { io } from "socket.io-client";
import { RunService } from "../../src/run/run.service.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const LIGHTS = Array.from({ length: 90 }, (_, index) => index + 1);
const CUES = Array.from({ length: 100 }, (_, index) => String(index + 1));

/** A hundred cues in which ninety lights move each time. */
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Large",
  fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
  channels: LIGHTS.map((number) => ({ number, type: "lamp" })),
  lists: [
    {
      id: "main",
      label: "Main",
      cues: CUES.map((number, row) => ({
        number,
        parts: [{ number: 1, times: {}, moves: Object.fromEntries(LIGHTS.map((light) => [light, { intensity: (row + light) % 101 }])) }],
      })),
    },
  ],
});

/** What an edit's row takes of its steps, characters. */
const LARGEST_TEXT = 500_000;

let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const document = async (): Promise<string> => (await http().get("/api/shows/1/document").buffer(true).expect(200)).text;
const state = async (revision: number): Promise<string> =>
  serializeShow(readShow((await http().get(`/api/shows/1/at/${revision}`).expect(200)).body.show));
const stands = async () => (await http().get("/api/shows/1/run").expect(200)).body.mix.lists.main;

beforeEach(async () => {
  server = await startServer(show, undefined, false);
});
afterEach(async () => {
  await server.end();
});

test("an edit of very many moves is told without them, is on stage, and is taken back exactly", async () => {
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  const heard: EditEvent[] = [];
  const window = io(server.address, { transports: ["websocket"], extraHeaders: { "X-Requested-With": "zealous-mark" } });
  window.on("edit", (event: EditEvent) => heard.push(event));
  await window.emitWithAck("watch", 1);
  const edits: EditInput[] = CUES.slice(1).map((cue) => ({ op: "deleteCue", cue, looks: "letGo" }));
  const { body } = await http().post("/api/shows/1/edits").send({ base: 0, edits }).expect(200);
  expect(body).toMatchObject({ revision: 1, steps: null });
  await until(() => Promise.resolve(heard.length === 1));
  expect(heard[0]).toMatchObject({ revision: 1, steps: null, kind: "edit" });
  // The list has one cue in the engine too, and nowhere to go behind it.
  await server.app.get(RunService).followed(1);
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(409);
  server = await server.restart();
  const { body: caughtUp } = await http().get("/api/shows/1/edits?after=0").expect(200);
  expect(caughtUp).toMatchObject([{ revision: 1, steps: null }]);
  await http().post("/api/shows/1/undo").send({}).expect(200);
  expect(await document()).toBe(serializeShow(show));
  await server.app.get(RunService).followed(1);
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  expect(await stands()).toMatchObject({ cue: "2" });
  server = await server.restart();
  expect(await document()).toBe(serializeShow(show));
  window.disconnect();
});

test("states around a very large edit, its undo and redo are read back from what is stored", async () => {
  const edits: EditInput[] = CUES.slice(1).map((cue) => ({ op: "deleteCue", cue, looks: "letGo" }));
  await http().post("/api/shows/1/edits").send({ base: 0, edits }).expect(200);
  const without = await document();
  await http().post("/api/shows/1/undo").send({}).expect(200);
  await http().post("/api/shows/1/redo").send({}).expect(200);
  expect(await document()).toBe(without);
  await http().post("/api/shows/1/undo").send({}).expect(200);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 4, edits: [{ op: "setCue", from: "2", to: "2", note: "later" }] })
    .expect(200);
  server = await server.restart();
  const states = [await state(0), await state(1), await state(2), await state(3), await state(4)];
  expect(states).toEqual([serializeShow(show), without, serializeShow(show), without, serializeShow(show)]);
});

test("an edit just short enough for its own row is read back behind its longer undo", async () => {
  const play = (letters: number) => ({
    op: "setText" as const,
    format: "plain" as const,
    text: [...Array.from({ length: 52 }, () => "a".repeat(9500)), "b".repeat(letters)].join("\n\n"),
  });
  const stepsOf = (edit: EditInput) => makeEdits(sheetOf(show), readEdits([edit])).steps;
  const edit = play(1 + LARGEST_TEXT - JSON.stringify(stepsOf(play(1))).length);
  const steps = stepsOf(edit);
  expect(JSON.stringify(steps).length).toBe(LARGEST_TEXT);
  expect(JSON.stringify(invertSteps(steps)).length).toBeGreaterThan(LARGEST_TEXT);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [edit] })
    .expect(200);
  const written = await document();
  await http().post("/api/shows/1/undo").send({}).expect(200);
  server = await server.restart();
  expect(await state(0)).toBe(serializeShow(show));
  expect(await state(1)).toBe(written);
  expect(await state(2)).toBe(serializeShow(show));
});

test("an edit thought out before a very large one is refused only where they meet", async () => {
  const edits: EditInput[] = CUES.slice(40).map((cue) => ({ op: "deleteCue", cue, looks: "letGo" }));
  await http().post("/api/shows/1/edits").send({ base: 0, edits }).expect(200);
  const note = (cue: string): object => ({ base: 0, edits: [{ op: "setCue", from: cue, to: cue, note: "late" }] });
  await http().post("/api/shows/1/edits").send(note("2")).expect(200);
  server = await server.restart();
  const level = { op: "record", cue: "50", moves: { "1": { intensity: 1 } } };
  const { body } = await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [level] })
    .expect(409);
  expect(body.message).toContain("Cue 50 has just been changed in another window");
});
