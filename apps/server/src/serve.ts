import "reflect-metadata";
import type { NestExpressApplication } from "@nestjs/platform-express";
import { setTimeout as wait } from "node:timers/promises";
import { saltAndParaffin } from "@zm/demo";
import { createApp } from "./app.ts";
import { connectDatabase, openDatabase } from "./database/dataSource.ts";
import { AccountRow, ShowRow } from "./database/entities.ts";
import { Lease } from "./lease/lease.ts";
import { makeLog } from "./shared/pinoLogger.ts";
import { type Settings, readSettings } from "./settings.ts";
import { isLoopback, reachedAt } from "./door/addresses.ts";
import { Certificate } from "./door/certificate.ts";
import { openFrontDoor } from "./door/frontDoor.ts";
import { SparesService } from "./spare/spares.service.ts";
import { importThread } from "./shows/importWorker.ts";
import { insertShow } from "./shows/showRows.ts";
import { errorMessage } from "./shared/errorMessage.ts";

/** Longer than this the server does not take to end; milliseconds. */
const LONGEST_END = 3500;

/** So long a server that is told to end takes to hand the lead over. Milliseconds. */
const LONGEST_HANDING = 1500;
/** It ends so to be started again as a server that follows. */
const FOLLOWS_NOW = 75;

/** Opens the database, has the demo where there is no show yet, and serves until it is told to end. A server that is not the one that writes only reads. */
async function serve(): Promise<void> {
  const settings = readSettings(process.env);
  const address = `http://${isLoopback(settings.host) ? settings.host : "127.0.0.1"}:${settings.port}`;
  const elsewhere = settings.address ?? reachedAt(settings)[0] ?? address;
  const lock = await Lease.take(settings, elsewhere);
  const database = await (lock.leads ? openDatabase(settings) : connectDatabase(settings.database));
  if (lock.leads && (await database.manager.count(ShowRow)) === 0)
    await database.transaction((manager) => insertShow(manager, saltAndParaffin()));
  if (!isLoopback(settings.host) && (await database.manager.count(AccountRow)) === 0)
    throw new Error(
      `ZM_HOST=${settings.host} lets other machines in, and nobody has an account yet. Make the first one on this machine: npm run account -- add YOUR-NAME --role programmer`,
    );
  const app = await createApp(database, settings, lock);
  await lock.tellPlace(elsewhere, app.get(Certificate).pair?.cert ?? null);
  // Longer than anybody lets a connection rest between two requests: one that is closed while a request is on its way loses it.
  app.getHttpServer().keepAliveTimeout = 75_000;
  const closeDoor = await listen(app, settings);
  importThread();
  for (const place of reachedAt(settings)) process.stdout.write(`Other machines find it at ${place}\n`);
  const { fingerprint } = app.get(Certificate);
  if (fingerprint !== null) process.stdout.write(`Its certificate has the fingerprint ${fingerprint}\n`);
  process.stdout.write(`Zealous Mark is at ${address}\n`);
  if (lock.role.value === "follows") process.stdout.write(`${followingWords(lock, settings)}\n`);
  if (lock.readingBecause !== null) process.stdout.write(`${lock.readingBecause}\n`);
  const end = (status: number): void => {
    // A database that hangs, or a window that does not let go, must not keep it from ending.
    setTimeout(() => process.exit(status), LONGEST_END).unref();
    closeDoor();
    app
      .close()
      .then(() => database.destroy())
      .catch((error: unknown) => process.stderr.write(`It did not end well: ${errorMessage(error)}\n`))
      .finally(() => process.exit(status));
  };
  // Whoever stops a server on purpose does not mean the show.
  const stop = (): void => {
    const spares = app.get(SparesService);
    if (!lock.leads || spares.ready.length === 0) return end(0);
    Promise.race([spares.handOver(), wait(LONGEST_HANDING)])
      .catch((error: unknown) => process.stderr.write(`The lead was not handed over: ${errorMessage(error)}\n`))
      .finally(() => end(0));
  };
  // Another server leads by now: this one begins anew as one that follows.
  lock.lost.subscribe((isLost) => {
    if (isLost) end(FOLLOWS_NOW);
  });
  process.once("SIGINT", stop);
  process.once("SIGTERM", stop);
  const log = makeLog(settings);
  // What nobody has caught concerns one request, or one window; the show goes on.
  process.on("uncaughtException", (error) => log.error({ stack: error.stack }, `Nobody had caught this: ${error.message}`));
  process.on("unhandledRejection", (error) => log.error(`Nobody had caught this: ${errorMessage(error)}`));
}

/** Which server this one follows; where that is another than the settings name, that too, since the lease in the database decides it. */
function followingWords({ leader }: Lease, { spareOf }: Settings): string {
  const address = leader?.address ?? "another address";
  const named = spareOf?.replace(/:\d+$/, "");
  const other =
    named === undefined || address.includes(`//${named}:`)
      ? ""
      : `; ZM_SPARE_OF names ${named}, and by the lease in the database that one does not lead`;
  return `It follows the server at ${address}${other}`;
}

/** Listens: for this machine alone as it is, for others behind a door that encrypts. */
async function listen(app: NestExpressApplication, settings: Settings): Promise<() => void> {
  if (isLoopback(settings.host)) {
    await app.listen(settings.port, settings.host);
    return () => undefined;
  }
  await app.init();
  return openFrontDoor(app.getHttpServer(), app.get(Certificate), settings.port, settings.host);
}

serve().catch((error: unknown) => {
  const text = errorMessage(error);
  const inUse = text.includes("EADDRINUSE");
  process.stderr.write(
    inUse
      ? `Port ${readSettings(process.env).port} is in use by another program; stop it, or choose another with ZM_PORT=4700 ./start\n`
      : `The server could not start: ${text}\n`,
  );
  process.exit(1);
});
