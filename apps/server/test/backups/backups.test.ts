import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { serializeShow } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import type { BackupEntry, BackupsState } from "@zm/protocol";
import { BackupsService } from "../../src/backups/backups.service.ts";
import { Troubles } from "../../src/shared/troubles.ts";
import { withImportThread } from "../support/importing.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer;
let show: number;
withImportThread();
beforeEach(async () => {
  server = await startServer();
  const [first] = (await ask().get("/api/shows")).body;
  show = first.id;
}, 60_000);
afterEach(() => server.end());

const ask = () => client(server);
const make = async (): Promise<BackupEntry> => (await ask().post(`/api/shows/${show}/backups`).expect(200)).body;
const state = async (): Promise<BackupsState> => (await ask().get("/api/backups").expect(200)).body;
const rename = (title: string) => ask().patch(`/api/shows/${show}`).send({ title, window: "w", request: title });

test("a backup holds the document byte for byte, under a name that people can read", async () => {
  const entry = await make();
  expect(entry).toMatchObject({ folder: `Salt-and-Paraffin ${show}`, title: "Salt and Paraffin", byHand: true });
  const { place, entries } = await state();
  expect(entries).toEqual([{ ...entry, made: Math.floor(entry.made / 1000) * 1000 }]);
  const document = gunzipSync(readFileSync(join(place, entry.folder, entry.file))).toString();
  expect(document).toBe(serializeShow(saltAndParaffin()));
  const { text } = await ask().get("/api/backups/document").query({ folder: entry.folder, file: entry.file }).buffer(true);
  expect(text).toBe(document);
  expect(readdirSync(join(place, entry.folder))).toEqual([entry.file]);
});

test("a backup is brought back as a new show, and the one that is there stays", async () => {
  const { folder, file } = await make();
  await rename("Other").expect(200);
  const { body } = await ask().post("/api/backups/restore").send({ folder, file }).expect(200);
  const { text } = await ask().get(`/api/shows/${body.id}/document`).buffer(true);
  expect(text).toBe(serializeShow(saltAndParaffin()));
  expect((await ask().get("/api/shows")).body.map(({ title }: { title: string }) => title)).toEqual(["Other", "Salt and Paraffin"]);
});

test("what is no backup is not brought back, and no other file is read", async () => {
  const { folder, file } = await make();
  for (const name of [
    { folder, file: "../../../../etc/passwd" },
    { folder: "..", file },
    { folder, file: "nothing.json.gz" },
  ]) {
    await ask().post("/api/backups/restore").send(name).expect(404);
    await ask().get("/api/backups/document").query(name).expect(404);
  }
});

test("a damaged backup is refused in words, and nothing is stored", async () => {
  const { folder, file } = await make();
  const { place } = await state();
  const path = join(place, folder, file);
  const bytes = readFileSync(path);
  writeFileSync(path, bytes.subarray(0, bytes.length / 2));
  const { body } = await ask().post("/api/backups/restore").send({ folder, file }).expect(500);
  expect(body.message).toContain(`The backup ${file} cannot be read`);
  expect((await ask().get("/api/shows")).body).toHaveLength(1);
});

test("settings are checked, kept, and put right when they are damaged", async () => {
  const folder = mkdtempSync(join(tmpdir(), "stick-"));
  await ask().put("/api/backups").send({ on: true, minutes: 0, folder: "" }).expect(400);
  const relative = await ask().put("/api/backups").send({ on: true, minutes: 5, folder: "stick" }).expect(422);
  expect(relative.body.message).toContain('"stick" is no whole path');
  const shut = await ask().put("/api/backups").send({ on: true, minutes: 5, folder: "/proc/none" }).expect(422);
  expect(shut.body.message).toBe("There is no folder /proc/none; make it first, or name one that is there");
  await ask().put("/api/backups").send({ on: true, minutes: 5, folder }).expect(200);
  expect(readdirSync(join(folder, (await make()).folder))).toHaveLength(1);
  server = await server.restart();
  expect((await state()).settings).toEqual({ on: true, minutes: 5, folder });
  server = await server.restart(async () => writeFileSync(join(server.runs, "backups.json"), "{"));
  expect((await state()).settings.minutes).toBe(10);
  expect(
    server.app
      .get(Troubles)
      .all.value.map(({ words }) => words)
      .join(),
  ).toContain("The stored settings of backups are damaged");
  await ask().put("/api/backups").send({ on: true, minutes: 5, folder }).expect(200);
  rmSync(folder, { recursive: true });
  expect((await ask().post(`/api/shows/${show}/backups`).expect(500)).body.message).toContain("ENOENT: no such file or directory");
  expect(existsSync(folder)).toBe(false);
});

test("a backup that fails is told in every window until one is made", async () => {
  const { place } = await state();
  writeFileSync(place, "a file stands where the folder should be");
  const { body } = await ask().post(`/api/shows/${show}/backups`).expect(500);
  expect(body.message).toContain("The backup of “Salt and Paraffin” failed");
  const troubles = (): string[] => server.app.get(Troubles).all.value.map(({ words }) => words);
  expect(troubles()).toEqual([expect.stringContaining("there is none yet. Look at Backups")]);
  rmSync(place);
  await make();
  expect(troubles()).toEqual([]);
});

test("shows that are edited are backed up by plan, once for all edits since, and not while nothing is edited", async () => {
  const backups = server.app.get(BackupsService);
  await ask().put("/api/backups").send({ on: true, minutes: 1, folder: "" }).expect(200);
  await rename("Edited").expect(200);
  await rename("Edited again").expect(200);
  const later = (minutes: number): number => performance.timeOrigin + performance.now() + minutes * 60_000;
  await backups.byPlan(later(0.5));
  expect((await state()).entries).toEqual([]);
  await backups.byPlan(later(1.5));
  await backups.byPlan(later(4));
  expect((await state()).entries).toMatchObject([{ byHand: false, title: "Edited again" }]);
  await rename("Edited thrice").expect(200);
  await backups.byPlan(later(5));
  expect((await state()).entries.map(({ title }) => title).sort()).toEqual(["Edited again", "Edited thrice"]);
  await ask().put("/api/backups").send({ on: false, minutes: 1, folder: "" }).expect(200);
  await rename("Edited once more").expect(200);
  await backups.byPlan(later(60));
  expect((await state()).entries).toHaveLength(2);
});
