import type { EntityManager, ObjectLiteral } from "typeorm";
import { chunksOf } from "../database/chunks.ts";

const CHUNK = 500;

/** Writes rows, each over the one with the same key if there is one. */
export async function upsertAll<T extends ObjectLiteral>(manager: EntityManager, entity: new () => T, rows: readonly T[]): Promise<void> {
  const metadata = manager.connection.getMetadata(entity);
  const conflict = metadata.primaryColumns.map((column) => column.databaseName);
  const columns = metadata.columns.map((column) => column.databaseName).filter((name) => !conflict.includes(name));
  for (const chunk of chunksOf(rows, CHUNK)) {
    await manager.createQueryBuilder().insert().into(entity).values(chunk).orUpdate(columns, conflict).updateEntity(false).execute();
  }
}
