import type { Connection, QueryError, ResultSetHeader } from "mysql2";
import { Readable } from "node:stream";
import { setImmediate as nextTick } from "node:timers/promises";
import type { EntityManager, EntityMetadata, ObjectLiteral } from "typeorm";
import { chunksOf } from "./chunks.ts";

/** So many rows go in one statement: enough that statements do not count, few enough that making one does not hold the server up. */
const ROWS_A_STATEMENT = 1000;
/** So many rows go in one piece of a stream, and no more characters than this where a row is long. */
const ROWS_A_PIECE = 2000;
const CHARACTERS_A_PIECE = 200_000;

/** Inserts rows, several in a statement, without making entities of them. */
export async function insertRows<T extends ObjectLiteral>(manager: EntityManager, entity: new () => T, rows: readonly T[]): Promise<void> {
  await write(manager, entity, rows, () => "");
}

/** Writes rows, each over the one with the same key if there is one; `key` names the fields of that key, else it is the primary key. */
export async function upsertRows<T extends ObjectLiteral>(
  manager: EntityManager,
  entity: new () => T,
  rows: readonly T[],
  key?: readonly (keyof T)[],
): Promise<void> {
  await write(manager, entity, rows, (metadata) => {
    const changed = columnsOf(metadata).filter(({ propertyName, isPrimary }) => (key ? !key.includes(propertyName) : !isPrimary));
    return ` ON DUPLICATE KEY UPDATE ${changed.map(({ databaseName }) => `${databaseName} = VALUES(${databaseName})`).join(", ")}`;
  });
}

/** The columns that a statement writes; a number that the database gives by itself is not among them. */
function columnsOf(metadata: EntityMetadata): EntityMetadata["columns"] {
  return metadata.columns.filter((column) => !column.isGenerated);
}

async function write<T extends ObjectLiteral>(
  manager: EntityManager,
  entity: new () => T,
  rows: readonly T[],
  ending: (metadata: EntityMetadata) => string,
): Promise<void> {
  const metadata = manager.connection.getMetadata(entity);
  const columns = columnsOf(metadata);
  const names = columns.map(({ databaseName }) => databaseName).join(", ");
  for (const chunk of chunksOf(rows, ROWS_A_STATEMENT)) {
    const { driver } = manager.connection;
    const cells = chunk.map((row) => columns.map((column) => driver.preparePersistentValue(column.getEntityValue(row), column) ?? null));
    await manager.query(`INSERT INTO ${metadata.tableName} (${names}) VALUES ?${ending(metadata)}`, [cells]);
  }
}

/** One value of a row that is loaded in bulk. */
export type Cell = string | number | boolean | null;

/**
 * Streams rows into a table, the fastest way in that the database has: for hundreds of thousands at once. Only within a transaction,
 * and only rows that refer to what the same transaction has stored: the database does not look at each reference again. `after` is called for each piece that has gone out, in rows. A row that the table does not take is left out by the database with a
 * warning only, so the rows taken are counted: throws Error where they are fewer than were sent.
 */
export async function loadRows(
  manager: EntityManager,
  table: string,
  columns: readonly string[],
  rows: Iterable<readonly Cell[]>,
  after?: (rows: number) => void,
): Promise<void> {
  const connection: Connection | undefined = await manager.queryRunner?.connect();
  if (!connection) throw new Error(`Rows of ${table} are loaded within a transaction only`);
  const sql = `LOAD DATA LOCAL INFILE 'rows' INTO TABLE ${table} CHARACTER SET utf8mb4 (${columns.join(", ")})`;
  let sent = 0;
  const count = (some: number): void => {
    sent += some;
    after?.(some);
  };
  await manager.query("SET SESSION foreign_key_checks = 0");
  const taken = await new Promise<number>((resolve, reject) => {
    const infileStreamFactory = (): Readable => Readable.from(withTurns(piecesOf(rows, count)), { objectMode: true });
    connection.query<ResultSetHeader>({ sql, infileStreamFactory }, (error: QueryError | null, result) =>
      error ? reject(error) : resolve(result.affectedRows),
    );
  }).finally(() => manager.query("SET SESSION foreign_key_checks = 1"));
  if (taken !== sent) throw new Error(`${table} took ${taken} of ${sent} rows; nothing is stored`);
}

/** Pieces of a stream, with a turn of the event loop behind each: a socket that takes everything at once would leave none. */
async function* withTurns(pieces: Iterable<Buffer>): AsyncGenerator<Buffer> {
  for (const piece of pieces) {
    yield piece;
    await nextTick();
  }
}

function* piecesOf(rows: Iterable<readonly Cell[]>, after: (rows: number) => void): Generator<Buffer> {
  let lines: string[] = [];
  let characters = 0;
  const piece = (): Buffer => {
    const text = Buffer.from(lines.join(""));
    after(lines.length);
    lines = [];
    characters = 0;
    return text;
  };
  for (const row of rows) {
    const line = `${row.map(cellText).join("\t")}\n`;
    lines.push(line);
    characters += line.length;
    if (lines.length >= ROWS_A_PIECE || characters >= CHARACTERS_A_PIECE) yield piece();
  }
  if (lines.length > 0) yield piece();
}

const ESCAPES: Readonly<Record<string, string>> = { "\\": "\\\\", "\t": "\\t", "\n": "\\n", "\0": "\\0" };

function cellText(cell: Cell): string {
  if (cell === null) return "\\N";
  if (typeof cell === "boolean") return cell ? "1" : "0";
  return typeof cell === "number" ? String(cell) : cell.replace(/[\\\t\n\0]/g, (sign) => ESCAPES[sign] ?? sign);
}
