import { type Step, addressOf, cueOrder } from "@zm/core";
import type { EntityManager, ObjectLiteral } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import { CueRow, MoveRow, PartRow } from "../database/entities.ts";
import { type CuePlace, cueRow, moveRow, partRow } from "./showRows.ts";

const CHUNK = 500;

/** Writes what steps leave behind: each touched row once, in an order that keeps every constraint. */
export async function writeSteps(manager: EntityManager, showId: number, steps: readonly Step[]): Promise<void> {
  const last = new Map<string, Step>();
  for (const step of steps) last.set(addressOf(step), step);
  const cues: CueRow[] = [];
  const parts: PartRow[] = [];
  const moves: MoveRow[] = [];
  const gone: { cues: CuePlace[]; parts: (CuePlace & { part: number })[]; moves: (CuePlace & { channel: number; attribute: string })[] } = {
    cues: [],
    parts: [],
    moves: [],
  };
  for (const step of last.values()) {
    const place = { showId, listId: step.list, cue: cueOrder(step.cue) };
    if (step.at === "cue") {
      if (step.after) cues.push(cueRow(place, step.after));
      else gone.cues.push(place);
    } else if (step.at === "part") {
      if (step.after) parts.push(partRow(place, step.part, step.after));
      else gone.parts.push({ ...place, part: step.part });
    } else if (step.after) moves.push(moveRow(place, step.channel, step.attribute, step.after.part, step.after.move));
    else gone.moves.push({ ...place, channel: step.channel, attribute: step.attribute });
  }
  const cuesGone = new Set(gone.cues.map((place) => `${place.listId}/${place.cue}`));
  const stays = (place: CuePlace): boolean => !cuesGone.has(`${place.listId}/${place.cue}`);
  await upsertAll(manager, CueRow, cues);
  await upsertAll(manager, PartRow, parts);
  await deleteMoves(manager, gone.moves.filter(stays));
  await upsertAll(manager, MoveRow, moves);
  for (const place of gone.parts.filter(stays)) await manager.delete(PartRow, place);
  for (const place of gone.cues) await manager.delete(CueRow, place);
}

async function upsertAll<T extends ObjectLiteral>(manager: EntityManager, entity: new () => T, rows: readonly T[]): Promise<void> {
  const metadata = manager.connection.getMetadata(entity);
  const conflict = metadata.primaryColumns.map((column) => column.databaseName);
  const columns = metadata.columns.map((column) => column.databaseName).filter((name) => !conflict.includes(name));
  for (const chunk of chunksOf(rows, CHUNK)) {
    await manager.createQueryBuilder().insert().into(entity).values(chunk).orUpdate(columns, conflict).updateEntity(false).execute();
  }
}

async function deleteMoves(manager: EntityManager, places: readonly (CuePlace & { channel: number; attribute: string })[]): Promise<void> {
  for (const chunk of chunksOf(places, CHUNK)) {
    const rows = chunk.map(() => "(?, ?, ?, ?, ?)").join(", ");
    const values = chunk.flatMap(({ showId, listId, cue, channel, attribute }) => [showId, listId, cue, channel, attribute]);
    await manager.query(`DELETE FROM moves WHERE (show_id, list_id, cue, channel, attribute) IN (${rows})`, values);
  }
}
