import { readFileSync } from "node:fs";
import { DataSource } from "typeorm";
import { databaseOptions } from "../../src/database/dataSource.ts";
import { FirstTables1764000000000 } from "../../src/database/migrations/firstTables.ts";
import { Hands1764100000000 } from "../../src/database/migrations/hands.ts";
import { Histories1764200000000 } from "../../src/database/migrations/histories.ts";
import type { Settings } from "../../src/settings.ts";
import { type TestServer, client, emptyDatabase, serve } from "../support/testServer.ts";

/** A database of the state before cues had an identity of their own, with one show, number 2, that was edited and stands in a cue. */
const fixture = (name: string): string => readFileSync(new URL(`../fixtures/${name}`, import.meta.url), "utf8");
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

test("a show of the state before is the identical document, with its history and its Hand", async () => {
  server = await serve(settings);
  const http = client(server);
  const { text } = await http.get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
  expect((await http.get("/api/shows/2/hand").expect(200)).body.hand.held).toHaveProperty(["1.intensity"]);
  await http.post("/api/shows/2/redo").send({}).expect(200);
  // The edit was stored when restating and policies had other names.
  const redone: { number: string }[] = (await http.get("/api/shows/2").expect(200)).body.show.lists[0].cues;
  expect(redone.find(({ number }) => number === "15")).toMatchObject({ label: "Lamp", restate: true, mark: { policy: "dark" } });
  for (let steps = 0; steps < 3; steps += 1) await http.post("/api/shows/2/undo").send({}).expect(200);
  const undone = (await http.get("/api/shows/2").expect(200)).body.show.lists[0].cues;
  expect(undone.map((cue: { number: string }) => cue.number)).toEqual(["1", "2.5", "3"]);
  expect(undone[0].parts[0].moves["2"].intensity.value).toBe(40);
});

test("a migration cut off while it fills its tables begins again and loses nothing", async () => {
  const old = await new DataSource(databaseOptions(settings.database)).initialize();
  await old.query("CREATE TABLE new_cues (id INT PRIMARY KEY)");
  await old.query("CREATE TABLE new_moves (part_id INT PRIMARY KEY)");
  await old.destroy();
  server = await serve(settings);
  const { text } = await client(server).get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
});

test("a migration cut off after it exchanged its tables ends its work and loses nothing", async () => {
  server = await serve(settings);
  await server.database.query("DELETE FROM migrations WHERE name LIKE 'CueIdentity%'");
  await server.database.query("CREATE TABLE old_cues (id INT PRIMARY KEY)");
  server = await server.restart();
  const { text } = await client(server).get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
  expect(await server.database.query("SHOW TABLES LIKE 'old_%'")).toEqual([]);
});

/** A database of which the statement of a number is never done: what the server does to it breaks there. */
async function cutAt(settings: Settings, statement: number): Promise<boolean> {
  const source = await new DataSource(databaseOptions(settings.database)).initialize();
  const make = source.createQueryRunner.bind(source);
  let count = 0;
  let isCut = false;
  source.createQueryRunner = (mode) => {
    const runner = make(mode);
    const query = runner.query.bind(runner);
    runner.query = async (sql: string, parameters?: unknown[], structured?: boolean) => {
      if (isCut) throw new Error("cut off");
      if (!/^\s*(SELECT|SHOW|START|COMMIT|ROLLBACK)/i.test(sql)) count += 1;
      if (count === statement) {
        isCut = true;
        throw new Error("cut off");
      }
      return structured === undefined ? query(sql, parameters) : query(sql, parameters, structured as true);
    };
    return runner;
  };
  await source.runMigrations({ transaction: "each" }).catch(() => undefined);
  await source.destroy();
  return isCut;
}

test("an upgrade that is cut off at any statement goes on at the next start, and loses nothing", async () => {
  let cuts = 0;
  // Each start is cut off one statement later than the one before, over what those have left.
  for (let statement = 1; await cutAt(settings, statement); statement += 1) cuts += 1;
  expect(cuts).toBeGreaterThan(12);
  server = await serve(settings);
  const { text } = await client(server).get("/api/shows/2/document").buffer(true).expect(200);
  expect(text).toBe(fixture("beforeCueIds.json"));
});

test("a first start that is cut off at any statement ends in the tables of one that is not", async () => {
  const tables = async (source: DataSource): Promise<unknown[]> => {
    const names: Record<string, string>[] = await source.query("SHOW TABLES");
    return Promise.all(names.flatMap((row) => Object.values(row)).map((name) => source.query(`SHOW CREATE TABLE ${name}`)));
  };
  const own = await emptyDatabase();
  let cuts = 0;
  for (let statement = 1; await cutAt(own, statement); statement += 1) cuts += 1;
  expect(cuts).toBeGreaterThan(15);
  const whole = await emptyDatabase();
  const [cutOff, notCut] = [await serve(own), await serve(whole)];
  const plain = async ({ database }: TestServer): Promise<string> =>
    JSON.stringify(await tables(database)).replace(/AUTO_INCREMENT=\d+ /g, "");
  try {
    expect(await plain(cutOff)).toBe(await plain(notCut));
  } finally {
    await cutOff.end();
    await notCut.end();
  }
});
