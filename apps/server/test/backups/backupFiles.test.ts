import { mkdtemp, readdir, rm, utimes, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { emptyShow } from "@zm/core";
import { backupsIn, writeBackup } from "../../src/backups/backupFiles.ts";

const NOW = Date.UTC(2026, 10, 14, 20, 30);
const HALF = [".00000000-0000-4000-8000-000000000001.part", ".00000000-0000-4000-8000-000000000002.part"] as const;

let place = "";
beforeEach(async () => void (place = await mkdtemp(join(tmpdir(), "backups-"))));
afterEach(() => rm(place, { recursive: true }));

test("what a killed backup left half written goes with a later one; what may still be written stays, and so does everything else", async () => {
  const backup = { show: 1, revision: 3, document: emptyShow("Salt and Paraffin"), made: NOW, byHand: false };
  await writeBackup(place, backup);
  const folder = join(place, "Salt-and-Paraffin 1");
  for (const [name, hours] of [...HALF.map((name, at) => [name, at * 5] as const), ["notes.part", 9] as const]) {
    await writeFile(join(folder, name), "half");
    await utimes(join(folder, name), (NOW - hours * 3_600_000) / 1000, (NOW - hours * 3_600_000) / 1000);
  }
  await writeBackup(place, { ...backup, revision: 4, made: NOW + 1000 });
  expect((await readdir(folder)).filter((name) => name.endsWith(".part")).sort()).toEqual([HALF[0], "notes.part"]);
  expect((await backupsIn(place)).map(({ revision }) => revision)).toEqual([4, 3]);
});
