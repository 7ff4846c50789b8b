import {
  CURVES,
  type Channel,
  type Cue,
  type CueHead,
  type FixtureType,
  type Group,
  type ListHead,
  type MoveSpec,
  type Pace,
  type Palette,
  type Part,
  type PartHead,
  type Show,
  cueNumberAt,
  cueOrder,
  isRelease,
  makeMove,
  moveTiming,
  movesOf,
  keysOf,
  paletteOf,
  plainValue,
  readShow,
} from "@zm/core";
import type { EntityManager } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import {
  ChannelRow,
  CueRow,
  FixtureTypeRow,
  GroupRow,
  ListRow,
  MoveRow,
  PaceRow,
  PaletteRow,
  PaletteValueRow,
  PartRow,
  ShowRow,
} from "../database/entities.ts";

const CHUNK = 1000;

/** Makes the row of an entry that stands at a place among its like. */
type RowOf<E, R> = (entry: E, position: number) => R;

export function typeRow(showId: number): RowOf<FixtureType, FixtureTypeRow> {
  return ({ id, name, attributes }, position) => ({ showId, id, name, attributes, position });
}

export function channelRow(showId: number): RowOf<Channel, ChannelRow> {
  return ({ number, type, label, patch, place }, position) => ({
    showId,
    number,
    type,
    position,
    label: label ?? null,
    patch: patch ?? null,
    place: place ?? null,
  });
}

export function groupRow(showId: number): RowOf<Group, GroupRow> {
  return ({ id, label, channels }, position) => ({ showId, id, label, channels, position });
}

export function paletteRow(showId: number): RowOf<Palette, PaletteRow> {
  return ({ id, family, label }, position) => ({ showId, id, family, label, position });
}

/** The values of a palette as rows, in their order. */
export function paletteValueRows(showId: number, palette: Palette): PaletteValueRow[] {
  return palette.values.map(({ attribute, value, type, channel }, position) => ({
    showId,
    paletteId: palette.id,
    position,
    attribute,
    value,
    type: type ?? null,
    channel: channel ?? null,
  }));
}

export function paceRow(showId: number): RowOf<Pace, PaceRow> {
  return ({ id, label, ...timing }, position) => ({ showId, id, label, timing, position });
}

export function listRow(showId: number): RowOf<ListHead, ListRow> {
  return ({ id, label, marks }, position) => ({ showId, id, label, marks: marks ?? null, position });
}

/** Where a cue stands in the database. */
export interface CuePlace {
  showId: number;
  listId: string;
  cue: number;
}

/** Hears how many of all moves are stored. */
export type Progress = (stored: number, all: number) => void;

/** Stores a whole new show as rows and gives back its number. */
export async function insertShow(manager: EntityManager, show: Show, progress?: Progress): Promise<number> {
  const { title, script = null, newCue = null } = show;
  const { id: showId } = await manager.save(manager.create(ShowRow, { title, revision: 0, script, newCue }));
  const all = show.lists.reduce((sum, list) => sum + list.cues.reduce((cues, cue) => cues + movesIn(cue), 0), 0);
  let stored = 0;
  progress?.(0, all);
  await insertAll(manager, FixtureTypeRow, show.fixtureTypes.map(typeRow(showId)));
  await insertAll(manager, ChannelRow, show.channels.map(channelRow(showId)));
  await insertAll(manager, GroupRow, show.groups.map(groupRow(showId)));
  await insertAll(manager, PaletteRow, show.palettes.map(paletteRow(showId)));
  await insertAll(
    manager,
    PaletteValueRow,
    show.palettes.flatMap((palette) => paletteValueRows(showId, palette)),
  );
  await insertAll(manager, PaceRow, show.paces.map(paceRow(showId)));
  await insertAll(manager, ListRow, show.lists.map(listRow(showId)));
  const keys = keysOf(show);
  for (const list of show.lists) {
    const place = (cue: Cue): CuePlace => ({ showId, listId: list.id, cue: cueOrder(cue.number) });
    await insertAll(
      manager,
      CueRow,
      list.cues.map((cue) => cueRow(place(cue), cue)),
    );
    await insertAll(
      manager,
      PartRow,
      list.cues.flatMap((cue) => cue.parts.map((part) => partRow(place(cue), part.number, part))),
    );
    await insertAll(
      manager,
      MoveRow,
      list.cues.flatMap((cue) =>
        movesOf(cue, keys).map(({ key, part, spec }) => moveRow(place(cue), key.channel, key.attribute.id, part, spec)),
      ),
      (rows) => {
        stored += rows;
        progress?.(stored, all);
      },
    );
  }
  return showId;
}

function movesIn(cue: Cue): number {
  return cue.parts.reduce(
    (sum, part) => sum + Object.values(part.moves).reduce((own, attributes) => own + Object.keys(attributes).length, 0),
    0,
  );
}

/** Inserts rows in pieces that the database takes at once; `after` hears of each piece. */
export async function insertAll<T extends object>(
  manager: EntityManager,
  entity: new () => T,
  rows: readonly object[],
  after?: (rows: number) => void,
): Promise<void> {
  for (const chunk of chunksOf(rows, CHUNK)) {
    await manager.createQueryBuilder().insert().into(entity).values(chunk).updateEntity(false).execute();
    after?.(chunk.length);
  }
}

/** A cue's own fields as a row. */
export function cueRow(place: CuePlace, head: CueHead): CueRow {
  return {
    ...place,
    label: head.label ?? null,
    note: head.note ?? null,
    scene: head.scene ?? null,
    block: head.block ?? null,
    assert: head.assert ?? null,
    carries: head.carries ?? null,
    trigger: head.trigger ?? null,
    mark: head.mark ?? null,
    call: head.call ?? null,
    actions: head.actions ?? null,
  };
}

/** A part's own fields as a row. */
export function partRow(place: CuePlace, part: number, head: PartHead): PartRow {
  const { up, down, upDelay, downDelay, ...families } = head.times;
  return {
    ...place,
    part,
    label: head.label ?? null,
    curve: head.curve ?? null,
    up: up ?? null,
    down: down ?? null,
    upDelay: upDelay ?? null,
    downDelay: downDelay ?? null,
    families: Object.keys(families).length > 0 ? families : null,
  };
}

/** One move as a row. */
export function moveRow(place: CuePlace, channel: number, attribute: string, part: number, spec: MoveSpec): MoveRow {
  const { fade, delay, curve } = moveTiming(spec);
  return {
    ...place,
    channel,
    attribute,
    part,
    value: plainValue(spec) ?? null,
    palette: paletteOf(spec) ?? null,
    released: isRelease(spec),
    fade: fade ?? null,
    delay: delay ?? null,
    curve: curve ?? null,
  };
}

/** Reads a whole show from its rows and checks it as an import is checked. Null when there is no such show. */
export async function readShowRows(manager: EntityManager, showId: number): Promise<{ show: Show; revision: number } | null> {
  const row = await manager.findOneBy(ShowRow, { id: showId });
  if (!row) return null;
  const ordered = { where: { showId }, order: { position: "ASC" as const } };
  const palettes = await manager.find(PaletteRow, ordered);
  const values = await manager.find(PaletteValueRow, ordered);
  const lists = await manager.find(ListRow, ordered);
  const cues = await readCues(manager, showId);
  const show = readShow({
    format: "zealous-mark/show",
    version: 1,
    title: row.title,
    fixtureTypes: (await manager.find(FixtureTypeRow, ordered)).map(({ id, name, attributes }) => ({ id, name, attributes })),
    channels: (await manager.find(ChannelRow, ordered)).map(({ number, type, label, patch, place }) =>
      present({ number, type, label, patch, place }),
    ),
    groups: (await manager.find(GroupRow, ordered)).map(({ id, label, channels }) => ({ id, label, channels })),
    palettes: palettes.map(({ id, family, label }) => ({
      id,
      family,
      label,
      values: values
        .filter((value) => value.paletteId === id)
        .map(({ attribute, value, type, channel }) => present({ attribute, value, type, channel })),
    })),
    paces: (await manager.find(PaceRow, ordered)).map(({ id, label, timing }) => ({ id, label, ...timing })),
    lists: lists.map(({ id, label, marks }) => present({ id, label, marks, cues: cues.get(id) ?? [] })),
    ...(row.script === null ? {} : { script: row.script }),
    ...(row.newCue === null ? {} : { newCue: row.newCue }),
  });
  return { show, revision: row.revision };
}

async function readCues(manager: EntityManager, showId: number): Promise<Map<string, object[]>> {
  const parts = new Map<string, object[]>();
  const moves = await readMoves(manager, showId);
  const partRows = await manager.find(PartRow, { where: { showId }, order: { listId: "ASC", cue: "ASC", part: "ASC" } });
  for (const { listId, cue, part, label, curve, up, down, upDelay, downDelay, families } of partRows) {
    const times = { ...present({ up, down, upDelay, downDelay }), ...families };
    const place = `${listId}/${cue}`;
    const row = present({ number: part, label, curve, times, moves: moves.get(`${place}/${part}`) ?? {} });
    parts.set(place, [...(parts.get(place) ?? []), row]);
  }
  const lists = new Map<string, object[]>();
  const cueRows = await manager.find(CueRow, { where: { showId }, order: { listId: "ASC", cue: "ASC" } });
  for (const { showId: _showId, listId, cue, ...head } of cueRows) {
    const own = lists.get(listId) ?? [];
    own.push({
      number: cueNumberAt(cue),
      ...present({ ...head, block: flag(head.block), assert: flag(head.assert) }),
      parts: parts.get(`${listId}/${cue}`) ?? [],
    });
    lists.set(listId, own);
  }
  return lists;
}

async function readMoves(manager: EntityManager, showId: number): Promise<Map<string, Part["moves"]>> {
  const rows: MoveRow[] = await manager.createQueryBuilder(MoveRow, "move").where("move.show_id = :showId", { showId }).getMany();
  const moves = new Map<string, Part["moves"]>();
  for (const row of rows) {
    const place = `${row.listId}/${row.cue}/${row.part}`;
    const own = moves.get(place) ?? {};
    (own[row.channel] ??= {})[row.attribute] = specOf(row);
    moves.set(place, own);
  }
  return moves;
}

function specOf(row: MoveRow): MoveSpec {
  const timing = { fade: row.fade ?? undefined, delay: row.delay ?? undefined, curve: CURVES.find((curve) => curve === row.curve) };
  if (row.value !== null) return makeMove({ value: row.value }, timing);
  return row.palette === null ? makeMove({ release: true }, timing) : makeMove({ palette: row.palette }, timing);
}

function flag(stored: boolean | number | null): boolean | null {
  return stored === null ? null : Boolean(stored);
}

function present<T extends object>(fields: T): Partial<T> {
  const kept = Object.entries(fields).filter(([, value]) => value !== null && value !== undefined);
  return Object.fromEntries(kept) as Partial<T>;
}
