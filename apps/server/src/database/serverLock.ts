import { createHash } from "node:crypto";
import { mkdirSync, realpathSync } from "node:fs";
import { type Server, createServer } from "node:net";
import { Logger } from "@nestjs/common";
import { type Connection, type RowDataPacket, createConnection } from "mysql2/promise";
import type { Settings } from "../settings.ts";

/** So long a server that starts waits for the one before it to let go; seconds. */
const WAITING = 3;
const NAME = "main";

/**
 * Says that this server, and no other, writes to its database and to its data folder. The lock lies in the database and ends with its connection; the folder's
 * ends with the process. A server that has not both only reads. It does not take over by itself; a spare that does would ask `holds` here.
 */
export class ServerLock {
  private readonly log = new Logger("Lock");

  private constructor(
    private readonly settings: Settings,
    private connection: Connection | null,
    private readonly folder: Server | null,
    /** Why this server only reads; null where it is the one that writes. */
    readonly readingBecause: string | null,
  ) {}

  get onlyReads(): boolean {
    return this.readingBecause !== null;
  }

  /** Takes the lock, or finds out who has it. What keeps the database from being reached comes through. */
  static async take(settings: Settings): Promise<ServerLock> {
    const connection = await connect(settings);
    const folder = await claimFolder(settings.runs);
    if (!folder) {
      await connection.end();
      return new ServerLock(settings, null, null, `Another server writes to the data folder ${settings.runs}; this one only reads`);
    }
    if (await getLock(connection, settings, WAITING)) return new ServerLock(settings, connection, folder, null);
    const words = await holderWords(connection);
    await connection.end();
    folder.close();
    return new ServerLock(settings, null, null, `${words}; this server only reads. Stop the other one, or open the shows there`);
  }

  /** Writes down which server has the lock, for those who do not; once the tables are there. */
  async tellHolder(address: string): Promise<void> {
    await this.connection?.query("REPLACE INTO servers (name, address, pid, since) VALUES (?, ?, ?, UTC_TIMESTAMP())", [
      NAME,
      address,
      process.pid,
    ]);
  }

  /** True while the lock is held. One whose connection has gone takes it again where nobody else has it by now; says who has. */
  async holds(): Promise<boolean> {
    if (this.onlyReads) return true;
    try {
      if (this.connection) {
        await this.connection.query("SELECT 1");
        return true;
      }
      const connection = await connect(this.settings);
      if (await getLock(connection, this.settings, 0)) {
        this.connection = connection;
        return true;
      }
      this.log.error(`The database was away, and by now another server has it: ${await holderWords(connection)}`);
      await connection.end();
      return false;
    } catch {
      this.connection?.destroy();
      this.connection = null;
      return false;
    }
  }

  async end(): Promise<void> {
    this.folder?.close();
    this.connection?.destroy();
    this.connection = null;
  }
}

async function connect({ database }: Settings): Promise<Connection> {
  const { host, port, username: user, password, name } = database;
  const connection = await createConnection({ host, port, user, password, database: name, connectTimeout: 3000 });
  // One that breaks is found broken when it is asked next.
  connection.on("error", () => undefined);
  return connection;
}

async function getLock(connection: Connection, { database }: Settings, seconds: number): Promise<boolean> {
  const [rows] = await connection.query<RowDataPacket[]>("SELECT GET_LOCK(?, ?) AS taken", [
    `zealous_mark.${database.name}`.slice(0, 64),
    seconds,
  ]);
  return rows[0]?.["taken"] === 1;
}

/** Which server has the lock, as far as it has said. */
async function holderWords(connection: Connection): Promise<string> {
  const nobody = "Another server has this database";
  try {
    const [rows] = await connection.query<RowDataPacket[]>("SELECT address, pid FROM servers WHERE name = ?", [NAME]);
    const [row] = rows;
    return row ? `The server at ${String(row["address"])} (process ${String(row["pid"])}) has this database` : nobody;
  } catch {
    return nobody;
  }
}

/** Takes a data folder for this process; null where another has it. A name that the system itself lets go of when the process ends, however it does. */
function claimFolder(folder: string): Promise<Server | null> {
  mkdirSync(folder, { recursive: true });
  const name = createHash("sha256").update(realpathSync(folder)).digest("hex").slice(0, 32);
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.destroy());
    server.unref();
    server.once("error", (error) => ("code" in error && error.code === "EADDRINUSE" ? resolve(null) : reject(error)));
    server.listen({ path: `\0zealous-mark-${name}` }, () => resolve(server));
  });
}
