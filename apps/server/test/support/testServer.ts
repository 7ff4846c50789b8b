import "reflect-metadata";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { NestExpressApplication } from "@nestjs/platform-express";
import { saltAndParaffin } from "@zm/demo";
import type { Show } from "@zm/core";
import request from "supertest";
import { DataSource } from "typeorm";
import { createApp } from "../../src/app.ts";
import { openDatabase } from "../../src/database/dataSource.ts";
import { Lease } from "../../src/lease/lease.ts";
import { readSettings, type Settings } from "../../src/settings.ts";
import { insertShow } from "../../src/shows/showRows.ts";
import { until } from "./until.ts";

/** A server of its own over a database of its own, on a free port. */
export interface TestServer {
  readonly app: NestExpressApplication;
  readonly database: DataSource;
  readonly address: string;
  /** The folder in which it writes down what runs. */
  readonly runs: string;
  readonly settings: Settings;
  /** Stops the server, does something to what it has written down, and starts another over the same database and folder. */
  restart(meanwhile?: () => Promise<void>): Promise<TestServer>;
  /** Stops it; the database stays. */
  stop(): Promise<void>;
  /** Stops everything and drops the database. */
  end(): Promise<void>;
}

/** A client that sends what the application's own windows send. */
export function client({ address }: Pick<TestServer, "address">): ReturnType<typeof request.agent> {
  return request.agent(address).set("X-Requested-With", "zealous-mark");
}

let count = 0;

/** Starts a server with one show in it, number 1; `through` is a port to reach the database by. */
export async function startServer(show: Show = saltAndParaffin(), through?: number, engineHere = true): Promise<TestServer> {
  const own = await emptyDatabase();
  const server = await serve({ ...own, engineHere, database: { ...own.database, port: through ?? own.database.port } });
  await server.database.transaction((manager) => insertShow(manager, show));
  return server;
}

/** True once the thread of the engine has answered. */
async function engineAnswers(app: NestExpressApplication): Promise<boolean> {
  const health = await (await fetch(`${await app.getUrl()}/api/health`)).text();
  return /"engine":\{[^}]*"status":"up"/.test(health);
}

/** Makes a database without tables, and gives the settings of a server over it. */
export async function emptyDatabase(): Promise<Settings> {
  count += 1;
  const settings = readSettings(process.env);
  const name = `zealous_test_${process.pid}_${count}`;
  const admin = await new DataSource({ type: "mariadb", ...settings.database, database: "zealous_mark" }).initialize();
  await admin.query(`DROP DATABASE IF EXISTS ${name}`);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`);
  await admin.destroy();
  // A thread of its own for each of many short-lived servers would take longer to start than what is tried.
  return { ...settings, database: { ...settings.database, name }, engineHere: true, ...ownFolders(name) };
}

/** Starts a server over a database as it is. */
export async function serve(settings: Settings): Promise<TestServer> {
  const lock = await Lease.take(settings);
  const database = await openDatabase(settings);
  const app = await createApp(database, { ...settings, pages: "/nowhere" }, lock);
  await app.listen(0, "127.0.0.1");
  await lock.tellPlace(await app.getUrl(), null);
  // On a busy machine the thread takes longer to stand than a press is waited for.
  if (!settings.engineHere) await until(() => engineAnswers(app));
  const stop = async (): Promise<void> => {
    await app.close();
    await database.destroy();
  };
  return {
    app,
    database,
    runs: settings.runs,
    settings,
    address: await app.getUrl(),
    stop,
    restart: async (meanwhile) => {
      await stop();
      await meanwhile?.();
      return serve(settings);
    },
    // What the server still has under way ends before its database goes.
    end: async () => {
      await app.close();
      // Something may still be written there in this moment.
      rmSync(settings.runs, { recursive: true, force: true, maxRetries: 5, retryDelay: 50 });
      await database.query(`DROP DATABASE ${settings.database.name}`);
      await database.destroy();
    },
  };
}

/** Folders of one server's own: for what it writes down, and for backups. */
function ownFolders(name: string): Pick<Settings, "runs" | "backups"> {
  const runs = mkdtempSync(join(tmpdir(), `${name}-`));
  return { runs, backups: join(runs, "backups") };
}
