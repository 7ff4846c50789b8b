import { readSettings } from "../../src/settings.ts";
import { type DatabaseDoor, doorTo } from "../support/databaseDoor.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

let door: DatabaseDoor;
let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const label = (words: string, base: number): object => ({ base, edits: [{ op: "setCue", from: "6", to: "6", label: words }] });

beforeEach(async () => {
  door = await doorTo(readSettings(process.env).database.port);
  server = await startServer(undefined, door.port);
});
afterEach(async () => {
  await server.end();
  await door.shut();
});

test("while the database is away the show runs, edits say why not, and it all works again after", async () => {
  await http().get("/api/shows/1/run").expect(200);
  await http().get("/api/shows/1/hand").expect(200);
  await http().post("/api/shows/1/edits").send(label("Before", 0)).expect(200);
  await door.shut();
  for (let round = 0; round < 3; round += 1) await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await http().post("/api/shows/1/run").send({ press: "back" }).expect(200);
  await http().get("/api/shows/1").expect(200);
  const { body: document } = await http().get("/api/shows/1/document").expect(200);
  expect(document.lists[0].cues.find((cue: { number: string }) => cue.number === "6").label).toBe("Before");
  const refused = await http().post("/api/shows/1/edits").send(label("Away", 1)).expect(503);
  expect(refused.body.message).toMatch(/database is away.*nothing was changed/);
  await http().post("/api/shows/1/undo").expect(503);
  const list = await http().get("/api/shows").expect(503);
  expect(list.body.message).toBe(refused.body.message);
  const given = await http()
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves: { "1": { intensity: 5 } } }] })
    .expect(200);
  expect(given.body.stored).toBe(false);

  await door.open();
  await until(async () => (await http().post("/api/shows/1/edits").send(label("Back", 1))).status === 200);
  await until(async () => JSON.stringify(await server.database.query("SELECT hand FROM hands")).includes("1.intensity"));
}, 40_000);

test("a show that cannot be opened while the database is away can be opened when it is back", async () => {
  await door.shut();
  await http().get("/api/shows/1").expect(503);
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(503);
  await door.open();
  await until(async () => (await http().get("/api/shows/1")).status === 200);
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
}, 40_000);

test("whether a request was stored is answered when the database is back, and not guessed before", async () => {
  await http()
    .post("/api/shows/1/edits")
    .send({ ...label("Stored", 0), request: "first" })
    .expect(200);
  expect((await http().get("/api/shows/1/requests/first").expect(200)).body).toEqual({ stored: true });
  await door.shut();
  await http()
    .post("/api/shows/1/edits")
    .send({ ...label("Lost", 1), request: "second" })
    .expect(503);
  await http().get("/api/shows/1/requests/second").expect(503);
  await door.open();
  await until(async () => (await http().get("/api/shows/1/requests/second")).status === 200);
  expect((await http().get("/api/shows/1/requests/second").expect(200)).body).toEqual({ stored: false });
  expect((await http().get("/api/shows/1/requests/first").expect(200)).body).toEqual({ stored: true });
}, 40_000);
