import {
  type CueDataStep,
  type EntryKind,
  type RenumberStep,
  type Show,
  type Step,
  addressOf,
  cueOrder,
  isCueData,
  stretches,
} from "@zm/core";
import type { EntityManager } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import { CueRow, MoveRow, PartRow, ShowRow } from "../database/entities.ts";
import { settleEntries, writeEntries } from "./entryRows.ts";
import { type CuePlace, cueRow, moveRow, partRow } from "./showRows.ts";
import { upsertAll } from "./upsert.ts";

const CHUNK = 500;

/** Writes what steps leave behind: each touched row once, in an order that keeps every constraint. */
export async function writeSteps(manager: EntityManager, showId: number, steps: readonly Step[], before: Show, after: Show): Promise<void> {
  const touched = touchedEntries(steps);
  if (steps.some((step) => step.at === "show"))
    await manager.update(ShowRow, { id: showId }, { title: after.title, newCue: after.newCue ?? null });
  await writeEntries(manager, showId, touched, after);
  for (const stretch of stretches(steps)) {
    const [first] = stretch.steps;
    if (first?.at === "renumber") await writeNumbers(manager, showId, first);
    else await writeCueData(manager, showId, stretch.steps.filter(isCueData));
  }
  await settleEntries(manager, showId, touched, before, after);
}

function touchedEntries(steps: readonly Step[]): Map<EntryKind, Set<string>> {
  const touched = new Map<EntryKind, Set<string>>();
  for (const step of steps) {
    if (step.at !== "entry") continue;
    touched.set(step.of, (touched.get(step.of) ?? new Set()).add(step.id));
  }
  return touched;
}

/** Gives cues other numbers; parts, moves and where a list stands follow. First below 0, so that two may exchange theirs. */
async function writeNumbers(manager: EntityManager, showId: number, step: RenumberStep): Promise<void> {
  for (const chunk of chunksOf(step.cues, CHUNK)) {
    const cases = chunk.map(() => "WHEN ? THEN ?").join(" ");
    const pairs = chunk.flatMap(({ from, to }) => [cueOrder(from), -1 - cueOrder(to)]);
    const numbers = chunk.map(({ from }) => cueOrder(from));
    const marks = numbers.map(() => "?").join(", ");
    for (const table of ["cues", "runs"])
      await manager.query(`UPDATE ${table} SET cue = CASE cue ${cases} END WHERE show_id = ? AND list_id = ? AND cue IN (${marks})`, [
        ...pairs,
        showId,
        step.list,
        ...numbers,
      ]);
  }
  for (const table of ["cues", "runs"])
    await manager.query(`UPDATE ${table} SET cue = -1 - cue WHERE show_id = ? AND list_id = ? AND cue < 0`, [showId, step.list]);
}

async function writeCueData(manager: EntityManager, showId: number, steps: readonly CueDataStep[]): Promise<void> {
  const last = new Map<string, CueDataStep>();
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

async function deleteMoves(manager: EntityManager, places: readonly (CuePlace & { channel: number; attribute: string })[]): Promise<void> {
  for (const chunk of chunksOf(places, CHUNK)) {
    const rows = chunk.map(() => "(?, ?, ?, ?, ?)").join(", ");
    const values = chunk.flatMap(({ showId, listId, cue, channel, attribute }) => [showId, listId, cue, channel, attribute]);
    await manager.query(`DELETE FROM moves WHERE (show_id, list_id, cue, channel, attribute) IN (${rows})`, values);
  }
}
