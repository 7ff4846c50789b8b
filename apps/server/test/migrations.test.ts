import { readFileSync } from "node:fs";
import { DataSource } from "typeorm";
import { databaseOptions } from "../src/database/dataSource.ts";
import { FirstTables1764000000000 } from "../src/database/migrations/firstTables.ts";
import { Hands1764100000000 } from "../src/database/migrations/hands.ts";
import { Histories1764200000000 } from "../src/database/migrations/histories.ts";
import type { Settings } from "../src/settings.ts";
import { type TestServer, client, emptyDatabase, serve } from "./support/testServer.ts";

/** A database of the state before cues had an identity of their own, with one show, number 2, that was edited and stands in a cue. */
const fixture = (name: string): string => readFileSync(new URL(`fixtures/${name}`, import.meta.url), "utf8");
const BEFORE = [FirstTables1764000000000, Hands1764100000000, Histories1764200000000];

let settings: Settings;
let server: TestServer | undefined;

beforeEach(async () => {
  settings = await emptyDatabase();
  const old = await new DataSource({ ...databaseOptions(settings.database), migrations: BEFORE }).initialize();
  await old.runMigrations({ transaction: "each" });
  await old.transaction(async (manager) => {
    await manager.query("SET foreign_key_checks = 0");
    for (const statement of fixture("beforeCueIds.sql")
      .split("\n")
      .filter((line) => line !== ""))
      await manager.query(statement);
    await manager.query("SET foreign_key_checks = 1");
  });
  await old.destroy();
});
afterEach(async () => {
  await server?.end();
  server = undefined;
});

test("a show of the state before is the identical document, with its history and what was in hand", async () => {
  server = await serve(settings);
  const http = client(server);
  const { text } = await http.get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
  expect((await http.get("/api/shows/2/hand").expect(200)).body.hand.held).toHaveProperty(["1.intensity"]);
  await http.post("/api/shows/2/redo").send({}).expect(200);
  for (let steps = 0; steps < 3; steps += 1) await http.post("/api/shows/2/undo").send({}).expect(200);
  const undone = (await http.get("/api/shows/2").expect(200)).body.show.lists[0].cues;
  expect(undone.map((cue: { number: string }) => cue.number)).toEqual(["1", "2.5", "3"]);
  expect(undone[0].parts[0].moves["2"].intensity.value).toBe(40);
});

test("a migration that was cut off while the tables were being filled begins again and loses nothing", async () => {
  const old = await new DataSource(databaseOptions(settings.database)).initialize();
  await old.query("CREATE TABLE new_cues (id INT PRIMARY KEY)");
  await old.query("CREATE TABLE new_moves (part_id INT PRIMARY KEY)");
  await old.destroy();
  server = await serve(settings);
  const { text } = await client(server).get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
});

test("a migration that was cut off behind the exchange of the tables ends its work and loses nothing", async () => {
  server = await serve(settings);
  await server.database.query("DELETE FROM migrations WHERE name LIKE 'CueIdentity%'");
  await server.database.query("CREATE TABLE old_cues (id INT PRIMARY KEY)");
  server = await server.restart();
  const { text } = await client(server).get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
  expect(await server.database.query("SHOW TABLES LIKE 'old_%'")).toEqual([]);
});
