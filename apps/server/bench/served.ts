import "reflect-metadata";
import { monitorEventLoopDelay } from "node:perf_hooks";
import type { DataSource } from "typeorm";
import { createApp } from "../src/app.ts";
import { openDatabase } from "../src/database/dataSource.ts";
import { RunService } from "../src/run/run.service.ts";
import { Lease } from "../src/lease/lease.ts";
import { readSettings } from "../src/settings.ts";
import { importThread } from "../src/shows/importWorker.ts";
import { now } from "../src/shared/clock.ts";

/** The resolution of the delay histogram; a loop that never waits shows about this. Milliseconds. */
const RESOLUTION = 5;

/** What the driver asks of the measured server. */
export type Ask = "read" | "size" | "end";
/** What the measured server answers: the longest stall and the latest follow since the last reading, in milliseconds. */
export interface Reading {
  readonly stall: number;
  readonly followLate: number;
  readonly follows: number;
}

/** A server as it is started for users, with its event loop and its follows watched, driven over its process channel. */
async function main(): Promise<void> {
  const settings = readSettings(process.env);
  const database = await openDatabase(settings);
  const app = await createApp(database, settings, await Lease.take(settings));
  await app.listen(0, "127.0.0.1");
  importThread();
  const delay = monitorEventLoopDelay({ resolution: RESOLUTION });
  delay.enable();
  let followLate = 0;
  let follows = 0;
  const runs = app.get(RunService);
  const origins = new Map<number, number>();
  runs.changes.subscribe(({ show, fired }) => {
    const heard = now();
    for (const { at, by } of fired) {
      const origin = origins.get(show);
      if (origin === undefined) void runs.state(show).then((state) => origins.set(show, state.origin));
      else if (by === "follow") {
        follows += 1;
        followLate = Math.max(followLate, heard - (origin + at * 1000));
      }
    }
  });
  process.on("message", (ask: Ask) => {
    if (ask === "end") {
      void app
        .close()
        .then(() => database.destroy())
        .finally(() => process.exit(0));
      return;
    }
    if (ask === "size") return void sizeOf(database).then((bytes) => process.send?.(bytes));
    const reading: Reading = { stall: Math.max(0, delay.max / 1e6 - RESOLUTION), followLate, follows };
    delay.reset();
    followLate = 0;
    follows = 0;
    process.send?.(reading);
  });
  process.send?.({ address: await app.getUrl() });
}

/** How much room the database takes on the disk, bytes. */
async function sizeOf(database: DataSource): Promise<number> {
  const tables: { name: string }[] = await database.query(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()",
  );
  for (const { name } of tables) await database.query(`ANALYZE TABLE \`${name}\``);
  const [row]: { bytes: string }[] = await database.query(
    "SELECT SUM(data_length + index_length) AS bytes FROM information_schema.tables WHERE table_schema = DATABASE()",
  );
  return Number(row?.bytes ?? Number.NaN);
}

main().catch((error: unknown) => {
  process.stderr.write(`${String(error)}\n`);
  process.exit(1);
});
