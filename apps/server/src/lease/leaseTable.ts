import { randomBytes } from "node:crypto";
import { type Connection, type ResultSetHeader, type RowDataPacket, createConnection } from "mysql2/promise";
import type { Settings } from "../settings.ts";
import type { SeenLease } from "./leaseRules.ts";

/** A database that does not answer the lease is asked anew after so long; milliseconds. */
const PATIENCE = 1000;
const NAME = "main";

/** Where a server is reached: its address, and the certificate that it shows there, as PEM; null where it is not encrypted. */
export interface ServerPlace {
  readonly id: string;
  readonly address: string;
  readonly certificate: string | null;
}

/** A server that has led or been a spare of these shows. */
export interface Member extends ServerPlace {
  /** Seconds since it was last seen, by the database's clock. */
  readonly silent: number;
}

/** The lease as it is stored. */
export interface LeaseRow extends SeenLease {
  readonly address: string | null;
  readonly certificate: string | null;
  readonly pid: number;
  /** What servers of these shows know each other by. */
  readonly secret: string;
}

/** Asks for the lease of this holder, and keeps it from going to another until the transaction that asks has ended. No row: another has it. */
export const FENCE = `SELECT number FROM leases WHERE name = '${NAME}' AND holder = ? AND number = ? LOCK IN SHARE MODE`;

/** The lease in the database, over a connection of its own that is opened anew where it breaks. Every question throws while the database does not answer. */
export class LeaseTable {
  private connection: Promise<Connection> | null = null;

  constructor(private readonly database: Settings["database"]) {}

  /** Makes the tables, which come before all others: whoever holds the lease brings those up to date. */
  async prepare(): Promise<void> {
    await this.ask(
      `CREATE TABLE IF NOT EXISTS leases (name VARCHAR(20) PRIMARY KEY, holder CHAR(32) NULL, address VARCHAR(100) NULL, certificate TEXT NULL,
        pid INT NOT NULL, number BIGINT NOT NULL, beat BIGINT NOT NULL, spares VARCHAR(400) NOT NULL, secret CHAR(64) NOT NULL) COLLATE utf8mb4_bin`,
    );
    await this.ask(
      `CREATE TABLE IF NOT EXISTS members (id CHAR(32) PRIMARY KEY, address VARCHAR(100) NOT NULL, certificate TEXT NULL,
        seen_at DATETIME(3) NOT NULL) COLLATE utf8mb4_bin`,
    );
    await this.ask("INSERT IGNORE INTO leases (name, holder, pid, number, beat, spares, secret) VALUES (?, NULL, 0, 0, 0, '', ?)", [
      NAME,
      randomBytes(32).toString("hex"),
    ]);
  }

  async read(): Promise<LeaseRow> {
    const [row] = await this.ask<RowDataPacket[]>("SELECT * FROM leases WHERE name = ?", [NAME]);
    if (!row) throw new Error("The lease is missing in the database");
    const text = (value: unknown): string | null => (typeof value === "string" ? value : null);
    return {
      holder: text(row["holder"]),
      address: text(row["address"]),
      certificate: text(row["certificate"]),
      pid: Number(row["pid"]),
      number: Number(row["number"]),
      beat: Number(row["beat"]),
      spares: String(row["spares"])
        .split(",")
        .filter((id) => id !== ""),
      secret: String(row["secret"]),
    };
  }

  /** Renews the lease of this holder with this number. False where another has it. */
  async renew(me: string, number: number, spares: readonly string[]): Promise<boolean> {
    const { affectedRows } = await this.ask<ResultSetHeader>(
      "UPDATE leases SET beat = beat + 1, spares = ? WHERE name = ? AND holder = ? AND number = ?",
      [spares.join(), NAME, me, number],
    );
    return affectedRows === 1;
  }

  /** Gives the lease, as it was seen, to a server. False where it is another by now. */
  async give(seen: SeenLease, to: ServerPlace, pid: number): Promise<boolean> {
    const { affectedRows } = await this.ask<ResultSetHeader>(
      `UPDATE leases SET holder = ?, address = ?, certificate = ?, pid = ?, number = number + 1, beat = 0, spares = ''
        WHERE name = ? AND holder <=> ? AND number = ? AND beat = ?`,
      [to.id, to.address, to.certificate, pid, NAME, seen.holder, seen.number, seen.beat],
    );
    return affectedRows === 1;
  }

  /** Hands the lease that this holder has over to another. False where it is not its own any more. */
  async handOver(me: string, number: number, to: ServerPlace): Promise<boolean> {
    const { affectedRows } = await this.ask<ResultSetHeader>(
      `UPDATE leases SET holder = ?, address = ?, certificate = ?, pid = 0, number = number + 1, beat = 0, spares = ''
        WHERE name = ? AND holder = ? AND number = ?`,
      [to.id, to.address, to.certificate, NAME, me, number],
    );
    return affectedRows === 1;
  }

  /** Where this holder is reached. */
  async tell(me: ServerPlace, pid: number): Promise<void> {
    await this.ask("UPDATE leases SET address = ?, certificate = ?, pid = ? WHERE name = ? AND holder = ?", [
      me.address,
      me.certificate,
      pid,
      NAME,
      me.id,
    ]);
  }

  /** Lets go of the lease. */
  async release(me: string, number: number): Promise<void> {
    await this.ask("UPDATE leases SET holder = NULL, spares = '' WHERE name = ? AND holder = ? AND number = ?", [NAME, me, number]);
  }

  /** Writes down that a server belongs to these shows, and is there. */
  async join({ id, address, certificate }: ServerPlace): Promise<void> {
    await this.ask("REPLACE INTO members (id, address, certificate, seen_at) VALUES (?, ?, ?, UTC_TIMESTAMP(3))", [
      id,
      address,
      certificate,
    ]);
  }

  /** The servers that belong to these shows. */
  async members(): Promise<Member[]> {
    const rows = await this.ask<RowDataPacket[]>(
      "SELECT id, address, certificate, TIMESTAMPDIFF(MICROSECOND, seen_at, UTC_TIMESTAMP(3)) / 1000000 AS silent FROM members ORDER BY address",
    );
    return rows.map((row) => ({
      id: String(row["id"]),
      address: String(row["address"]),
      certificate: typeof row["certificate"] === "string" ? row["certificate"] : null,
      silent: Number(row["silent"]),
    }));
  }

  /** Forgets a server that is no more. */
  async forget(id: string): Promise<void> {
    await this.ask("DELETE FROM members WHERE id = ?", [id]);
  }

  end(): void {
    const ending = this.connection;
    this.connection = null;
    ending?.then((connection) => connection.destroy()).catch(() => undefined);
  }

  private async ask<T extends RowDataPacket[] | ResultSetHeader>(sql: string, values: unknown[] = []): Promise<T> {
    const opening = (this.connection ??= this.connect());
    try {
      const [result] = await (await opening).query<T>({ sql, values, timeout: PATIENCE });
      return result;
    } catch (error) {
      if (this.connection === opening) this.end();
      throw error;
    }
  }

  private async connect(): Promise<Connection> {
    const { host, port, username: user, password, name } = this.database;
    const connection = await createConnection({ host, port, user, password, database: name, connectTimeout: PATIENCE });
    // One that breaks is found broken when it is asked next.
    connection.on("error", () => undefined);
    return connection;
  }
}
