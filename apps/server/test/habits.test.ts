import { io } from "socket.io-client";
import { IdleShows } from "../src/live/idleShows.ts";
import { loadRows } from "../src/database/rows.ts";
import { readSettings } from "../src/settings.ts";
import { now } from "../src/shared/clock.ts";
import { ShowsService } from "../src/shows/shows.service.ts";
import { type DatabaseDoor, doorTo } from "./support/databaseDoor.ts";
import { type TestServer, client, startServer } from "./support/testServer.ts";

let server: TestServer | undefined;
let door: DatabaseDoor | undefined;
afterEach(async () => {
  await server?.end();
  server = undefined;
  await door?.shut();
  door = undefined;
});

test("settings that are wrong are refused, each by its name and with what could stand there", () => {
  const good = { ZM_PORT: "4600", ZM_DB_PORT: "4601", ZM_DB_PASSWORD: "secret" };
  expect(readSettings(good)).toMatchObject({ port: 4600, database: { port: 4601, password: "secret", name: "zealous_mark" } });
  expect(() => readSettings({ ...good, ZM_PORT: "seven" })).toThrow("ZM_PORT is a port, a whole number such as 4600");
  expect(() => readSettings({ ...good, ZM_DB_PORT: "99999" })).toThrow("ZM_DB_PORT is a port, 1 to 65535");
  expect(() => readSettings({ ZM_PORT: "4600" })).toThrow("ZM_DB_PASSWORD is missing");
  expect(() => readSettings({ ...good, ZM_DB_NAME: "a;b", ZM_LOG_LEVEL: "loud" })).toThrow(/ZM_LOG_LEVEL is one of/);
});

test("health says that database and engine are well, and which of them is not", async () => {
  door = await doorTo(readSettings(process.env).database.port);
  server = await startServer(undefined, door.port);
  const well = await client(server).get("/api/health").expect(200);
  expect(well.body).toMatchObject({ status: "ok", details: { database: { status: "up" }, engine: { status: "up" } } });
  await door.shut();
  const end = Date.now() + 8000;
  let status = 200;
  while (status === 200 && Date.now() < end) status = (await client(server).get("/api/health")).status;
  expect(status).toBe(503);
  await door.open();
}, 20_000);

test("a bulk load of which the database leaves rows out is refused whole", async () => {
  server = await startServer();
  const { database } = server;
  const before = await database.query("SELECT COUNT(*) AS rows_there FROM moves");
  const columns = ["part_id", "channel", "attribute", "value", "released"];
  const [{ id }]: [{ id: number }] = await database.query("SELECT MIN(part_id) AS id FROM moves");
  const rows = [
    [id, 901, "intensity", 10, false],
    [id, 901, "intensity", 10, false],
  ];
  await expect(database.transaction((manager) => loadRows(manager, "moves", columns, rows))).rejects.toThrow("moves took 1 of 2 rows");
  expect(await database.query("SELECT COUNT(*) AS rows_there FROM moves")).toEqual(before);
});

test("a window that missed very many edits opens the show anew, and its own edit is still made", async () => {
  server = await startServer();
  const values = Array.from({ length: 501 }, (_, index) => [1, index + 1, "edit", "x", "[]", "2026-01-01 00:00:00"]);
  await server.database.query("INSERT INTO edits (show_id, revision, kind, summary, steps, made_at) VALUES ?", [values]);
  await server.database.query("UPDATE shows SET revision = 501 WHERE id = 1");
  const http = client(server);
  expect((await http.get("/api/shows/1/edits?after=0").expect(409)).body.message).toMatch(/missed too many edits/);
  expect((await http.get("/api/shows/1/edits?after=1").expect(200)).body).toHaveLength(500);
  const edit = { op: "setCue", from: "1", to: "1", label: "Other" };
  expect(
    (
      await http
        .post("/api/shows/1/edits")
        .send({ base: 0, edits: [edit] })
        .expect(200)
    ).body.revision,
  ).toBe(502);
});

test("a show that nobody watches leaves memory and comes back; a watched one stays", async () => {
  server = await startServer();
  const http = client(server);
  const idle = server.app.get(IdleShows);
  const shows = server.app.get(ShowsService);
  const before = (await http.get("/api/shows/1/document").buffer(true)).text;
  await http.post("/api/shows/1/run").send({ press: "goto", cue: "20", time: 0 }).expect(200);
  await http
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves: { 1: { intensity: 5 } } }] })
    .expect(200);
  expect(await idle.releaseIdle(now() + 1)).toEqual([]);
  await http
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "drop", fade: 0 }] })
    .expect(200);
  const socket = io(server.address, { transports: ["websocket"] });
  await socket.emitWithAck("watch", 1);
  expect(await idle.releaseIdle(now() + 1)).toEqual([]);
  socket.close();
  const end = Date.now() + 15_000;
  let released: number[] = [];
  while (released.length === 0 && Date.now() < end) {
    released = await idle.releaseIdle(now() + 1);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  expect(released).toEqual([1]);
  expect(shows.inMemory()).toEqual([]);
  expect((await http.get("/api/shows/1/document").buffer(true)).text).toBe(before);
  expect((await http.get("/api/shows/1/run")).body.mix.lists.main.cue).toBe("20");
}, 20_000);
