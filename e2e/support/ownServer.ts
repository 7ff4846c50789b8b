import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

/** A server over a database and a folder of its own, for journeys that change what there is one of for all, such as who may in. */
export interface OwnServer {
  readonly address: string;
  /** A spare of it, over the same database. */
  spare(): Promise<OwnServer>;
  /** Ends it as a machine dies: at once. */
  kill(): Promise<void>;
  end(): Promise<void>;
}

const SERVER = fileURLToPath(new URL("../../apps/server/dist/main.js", import.meta.url));
/** So long it may take until it serves; milliseconds. */
const COMING = 60_000;

/** Starts it, with the demo in it. */
export async function ownServer(): Promise<OwnServer> {
  const name = `zealous_test_journey_${process.pid}_${await freePort()}`;
  sql(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`);
  const server = await serverOver(name, {});
  return {
    ...server,
    end: async () => {
      await server.end();
      sql(`DROP DATABASE ${name}`);
    },
  };
}

/** Starts a server over a database as it is. */
async function serverOver(name: string, more: NodeJS.ProcessEnv): Promise<OwnServer> {
  const port = await freePort();
  const folder = mkdtempSync(join(tmpdir(), `${name}-`));
  const server = spawn(process.execPath, [SERVER], {
    env: {
      ...process.env,
      ZM_PORT: String(port),
      ZM_DB_NAME: name,
      ZM_DATA: folder,
      ZM_OUTPUT: undefined,
      ZM_OSC: undefined,
      ZM_LOCAL_KEY: undefined,
      ...more,
    },
    stdio: ["ignore", "pipe", "inherit"],
  });
  await untilItServes(server);
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    if (server.exitCode !== null || server.signalCode !== null) return;
    const ended = new Promise((resolve) => server.once("exit", resolve));
    server.kill(signal);
    await ended;
  };
  return {
    address: `http://127.0.0.1:${port}`,
    spare: () => serverOver(name, { ZM_SPARE_OF: `127.0.0.1:${port}` }),
    kill: () => end("SIGKILL"),
    end: async () => {
      await end("SIGTERM");
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

function untilItServes(server: ChildProcess): Promise<void> {
  return new Promise((resolve, reject) => {
    let said = "";
    const late = setTimeout(() => reject(new Error(`The server did not come up: ${said}`)), COMING);
    server.once("exit", (code) => reject(new Error(`The server ended with ${code}: ${said}`)));
    server.stdout?.on("data", (chunk: Buffer) => {
      said += chunk.toString();
      if (!said.includes("Zealous Mark is at")) return;
      clearTimeout(late);
      resolve();
    });
  });
}

/** Has the database do something, as the application's own user. */
function sql(statement: string): void {
  const { ZM_DB_PORT: port = "4601", ZM_DB_USER: user = "zealous", ZM_DB_PASSWORD: password = "" } = process.env;
  execFileSync("mariadb", ["--no-defaults", "--protocol=tcp", "-h127.0.0.1", `-P${port}`, `-u${user}`, "-e", statement], {
    env: { ...process.env, MYSQL_PWD: password },
  });
}

async function freePort(): Promise<number> {
  const probe = createServer().listen(0, "127.0.0.1");
  await new Promise((resolve) => probe.once("listening", resolve));
  const address = probe.address();
  await new Promise((resolve) => probe.close(resolve));
  if (address === null || typeof address === "string") throw new Error("No port is free");
  return address.port;
}
