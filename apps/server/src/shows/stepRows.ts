import {
  type CueDataStep,
  type EntryKind,
  type MoveSpec,
  type RenumberStep,
  type Show,
  type Step,
  addressOf,
  cueOrder,
  groupBy,
  isOfScript,
  stepGroupsInSlices,
  stretchesOfCues,
} from "@zm/core";
import type { EntityManager } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import { CueRow, MoveRow, PartRow, ShowRow } from "../database/entities.ts";
import { type Cell, loadRows, upsertRows } from "../database/rows.ts";
import { eachInSlices, inSlices } from "../shared/slices.ts";
import { settleEntries, writeEntries } from "./entryRows.ts";
import { MOVE_COLUMNS, cellsOf, cueRow, moveRow, partRow } from "./showRows.ts";

const CHUNK = 500;
/** So many new moves are loaded in bulk. */
const MANY = 700;
/** So many steps on cues are written together: enough that statements do not count, few enough that no table in memory grows large. */
const STRETCH = 8_000;

/**
 * Writes what steps leave behind: each touched row once, in an order that keeps every constraint. The document after them is asked for only where
 * something beside the content of cues has changed.
 */
export async function writeSteps(
  manager: EntityManager,
  showId: number,
  steps: readonly Step[],
  before: Show,
  showAfter: () => Promise<Show>,
): Promise<void> {
  const { entries, ofShow, ofScript } = await touchedBy(steps);
  const after = ofShow || ofScript || entries.size > 0 ? await showAfter() : before;
  if (ofShow)
    await manager.update(
      ShowRow,
      { id: showId },
      { title: after.title, newCue: after.newCue ?? null, editsAfter: after.editsAfter ?? null },
    );
  if (ofScript) await manager.update(ShowRow, { id: showId }, { script: after.script ?? null });
  await writeEntries(manager, showId, entries, after);
  for (const group of await inSlices(stepGroupsInSlices(steps))) {
    const [first] = group.steps;
    if (first?.at === "renumber") await writeNumbers(manager, showId, first);
    else if (group.onCues)
      for (const stretch of stretchesOfCues(group.onCues, STRETCH))
        for (const [listId, own] of groupBy(stretch, ({ list }) => list)) await new CueWriter(manager, showId, listId).write(own);
  }
  await settleEntries(manager, showId, entries, before, after);
}

/** What steps touch beside the content of cues. */
interface Touched {
  readonly entries: Map<EntryKind, Set<string>>;
  ofShow: boolean;
  ofScript: boolean;
}

async function touchedBy(steps: readonly Step[]): Promise<Touched> {
  const touched: Touched = { entries: new Map(), ofShow: false, ofScript: false };
  const { entries } = touched;
  await eachInSlices(steps, (step) => {
    if (step.at === "entry") entries.set(step.of, (entries.get(step.of) ?? new Set()).add(step.id));
    else if (step.at === "show") touched.ofShow = true;
    else if (isOfScript(step)) touched.ofScript = true;
  });
  return touched;
}

/** Gives cues other numbers. First below 0, so that two may exchange theirs. */
async function writeNumbers(manager: EntityManager, showId: number, { list, cues }: RenumberStep): Promise<void> {
  for (const chunk of chunksOf(cues, CHUNK)) {
    const cases = chunk.map(() => "WHEN ? THEN ?").join(" ");
    const pairs = chunk.flatMap(({ from, to }) => [cueOrder(from), -1 - cueOrder(to)]);
    const numbers = chunk.map(({ from }) => cueOrder(from));
    await manager.query(`UPDATE cues SET number = CASE number ${cases} END WHERE show_id = ? AND list_id = ? AND number IN (?)`, [
      ...pairs,
      showId,
      list,
      numbers,
    ]);
  }
  await manager.query("UPDATE cues SET number = -1 - number WHERE show_id = ? AND list_id = ? AND number < 0", [showId, list]);
}

type PartStep = Extract<CueDataStep, { at: "part" }>;

/** What is left of one key's move in a cue: the part that holds it, or none when it is gone. */
interface LastMove {
  readonly number: number;
  readonly channel: number;
  readonly attribute: string;
  readonly before: number | undefined;
  readonly after: { readonly part: number; readonly move: MoveSpec } | undefined;
}

/** Writes what steps on the cues of one list leave behind. */
class CueWriter {
  constructor(
    private readonly manager: EntityManager,
    private readonly showId: number,
    private readonly listId: string,
  ) {}

  async write(steps: readonly CueDataStep[]): Promise<void> {
    const { showId, listId, manager } = this;
    const ends = firstAndLast(steps);
    const goneCues = new Set(ends.flatMap(({ last }) => (last.at === "cue" && !last.after ? [cueOrder(last.cue)] : [])));
    const cues: Omit<CueRow, "id">[] = [];
    const parts: PartStep[] = [];
    const moves: LastMove[] = [];
    const standing = new Set<number>();
    for (const { first, last } of ends) {
      const number = cueOrder(last.cue);
      // What a cue held that is gone leaves with it.
      if (goneCues.has(number)) continue;
      standing.add(number);
      if (last.at === "part") parts.push(last);
      else if (last.at === "move") {
        const before = first.at === "move" ? first.before?.part : undefined;
        moves.push({ number, channel: last.channel, attribute: last.attribute, before, after: last.after });
      } else if (last.after) cues.push(cueRow({ showId, listId, number }, last.after));
    }
    await upsertRows<Omit<CueRow, "id">>(manager, CueRow, cues, ["showId", "listId", "number"]);
    const cueIds = await this.cueIds(standing);
    const goneParts = await this.writeParts(parts, cueIds);
    await this.writeMoves(moves, await this.partIds([...cueIds.values()]), cueIds);
    for (const chunk of chunksOf(goneParts, CHUNK)) await manager.query("DELETE FROM parts WHERE (cue_id, number) IN (?)", [chunk]);
    for (const chunk of chunksOf([...goneCues], CHUNK))
      await manager.query("DELETE FROM cues WHERE show_id = ? AND list_id = ? AND number IN (?)", [showId, listId, chunk]);
  }

  /** Writes the parts that stand; returns those that are gone, as pairs of cue and number, to be deleted behind their moves. */
  private async writeParts(lasts: readonly PartStep[], cueIds: ReadonlyMap<number, number>): Promise<[number, number][]> {
    const parts: Omit<PartRow, "id">[] = [];
    const gone: [number, number][] = [];
    for (const step of lasts) {
      const cue = cueIds.get(cueOrder(step.cue));
      if (cue === undefined) continue;
      if (step.after) parts.push(partRow(cue, step.part, step.after));
      else gone.push([cue, step.part]);
    }
    await upsertRows<Omit<PartRow, "id">>(this.manager, PartRow, parts, ["cueId", "number"]);
    return gone;
  }

  private async writeMoves(
    moves: readonly LastMove[],
    partIds: ReadonlyMap<string, number>,
    cueIds: ReadonlyMap<number, number>,
  ): Promise<void> {
    const partId = (number: number, part: number): number | undefined => partIds.get(`${cueIds.get(number) ?? ""}/${part}`);
    const gone = moves.flatMap(({ number, channel, attribute, before, after }) => {
      const old = before === undefined || before === after?.part ? undefined : partId(number, before);
      return old === undefined ? [] : [[old, channel, attribute]];
    });
    for (const chunk of chunksOf(gone, CHUNK))
      await this.manager.query("DELETE FROM moves WHERE (part_id, channel, attribute) IN (?)", [chunk]);
    function* rows(): Generator<MoveRow> {
      for (const { number, channel, attribute, after } of moves) {
        const part = after && partId(number, after.part);
        if (after && part !== undefined) yield moveRow(part, channel, attribute, after.move);
      }
    }
    const areNew = moves.every(({ before, after }) => before === undefined && after !== undefined);
    if (areNew && moves.length >= MANY) await loadRows(this.manager, "moves", MOVE_COLUMNS, allCells(rows()));
    else await upsertRows(this.manager, MoveRow, [...rows()]);
  }

  private async cueIds(numbers: ReadonlySet<number>): Promise<Map<number, number>> {
    const ids = new Map<number, number>();
    for (const chunk of chunksOf([...numbers], CHUNK)) {
      const rows: { id: number; number: number }[] = await this.manager.query(
        "SELECT id, number FROM cues WHERE show_id = ? AND list_id = ? AND number IN (?)",
        [this.showId, this.listId, chunk],
      );
      for (const { id, number } of rows) ids.set(number, id);
    }
    return ids;
  }

  private async partIds(cues: readonly number[]): Promise<Map<string, number>> {
    const ids = new Map<string, number>();
    for (const chunk of chunksOf(cues, CHUNK)) {
      const rows: { id: number; cue: number; number: number }[] = await this.manager.query(
        "SELECT id, cue_id AS cue, number FROM parts WHERE cue_id IN (?)",
        [chunk],
      );
      for (const { id, cue, number } of rows) ids.set(`${cue}/${number}`, id);
    }
    return ids;
  }
}

function* allCells(rows: Iterable<MoveRow>): Generator<readonly Cell[]> {
  for (const row of rows) yield cellsOf(row);
}

/** For each address that steps touch the first step and the last one. */
function firstAndLast(steps: readonly CueDataStep[]): { readonly first: CueDataStep; readonly last: CueDataStep }[] {
  const ends = new Map<string, { readonly first: CueDataStep; last: CueDataStep }>();
  for (const step of steps) {
    const address = addressOf(step);
    const own = ends.get(address);
    if (own) own.last = step;
    else ends.set(address, { first: step, last: step });
  }
  return [...ends.values()];
}
