import {
  type Channel,
  type Cue,
  type CueHead,
  type FixtureType,
  type Group,
  type HeldLook,
  type ListHead,
  type MoveSpec,
  type Pace,
  type Palette,
  type PartHead,
  type Show,
  type Tempo,
  cueOrder,
  isRelease,
  moveTiming,
  movesIn,
  paletteOf,
  plainValue,
} from "@zm/core";
import type { EntityManager } from "typeorm";
import {
  ChannelRow,
  CueRow,
  FixtureTypeRow,
  GroupRow,
  EntryRow,
  HeldLookRow,
  ListRow,
  MoveRow,
  PaceRow,
  PaletteRow,
  PaletteValueRow,
  PartRow,
  ShowRow,
  TempoRow,
} from "../database/entities.ts";
import type { ListRunning } from "../database/columnTypes.ts";
import { type Cell, insertRows, loadRows } from "../database/rows.ts";

/** Makes the row of an entry that stands at a place among its like. */
type RowOf<E, R> = (entry: E, position: number) => R;

export function typeRow(showId: number): RowOf<FixtureType, FixtureTypeRow> {
  return ({ id, name, attributes }, position) => ({ showId, id, name, attributes, position });
}

export function channelRow(showId: number): RowOf<Channel, ChannelRow> {
  return ({ number, type, label, patch, place, house }, position) => ({
    showId,
    number,
    type,
    position,
    label: label ?? null,
    patch: patch ?? null,
    place: place ?? null,
    house: house ?? null,
  });
}

export function groupRow(showId: number): RowOf<Group, GroupRow> {
  return ({ id, label, channels }, position) => ({ showId, id, label, channels, position });
}

export function paletteRow(showId: number): RowOf<Palette, PaletteRow> {
  return ({ id, family, label, times = null }, position) => ({ showId, id, family, label, times, position });
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
  return ({ id, label, marks, ...head }, position) => ({ showId, id, label, marks: marks ?? null, running: runningOf(head), position });
}

/** How a list runs, as it is stored; null where it says nothing of it. Named field by field: what else stands in the list has rows of its own. */
function runningOf({ priority, levels, releaseTime, master, fader, startsAt, button, steps, off }: ListRunning): ListRunning | null {
  const given = Object.entries({ priority, levels, releaseTime, master, fader, startsAt, button, steps, off }).filter(
    ([, value]) => value !== undefined,
  );
  return given.length > 0 ? Object.fromEntries(given) : null;
}

export function heldLookRow(showId: number): RowOf<HeldLook, HeldLookRow> {
  return ({ id, label, ...settings }, position) => ({ showId, id, label, settings, position });
}

/** What stands beside the cues and has one table for all its kinds. */
export const OTHER_KINDS = ["pages", "notes", "movements", "colourLists"] as const;
export type OtherKind = (typeof OTHER_KINDS)[number];

export function entryRow(showId: number, kind: OtherKind): RowOf<{ id: string }, EntryRow> {
  return ({ id, ...data }, position) => ({ showId, kind, id, data, position });
}

export function tempoRow(showId: number): RowOf<Tempo, TempoRow> {
  return ({ id, label, perMinute }, position) => ({ showId, id, label, perMinute, position });
}

/** Where a cue stands: its list, and its number in whole thousandths. */
export interface CuePlace {
  readonly showId: number;
  readonly listId: string;
  readonly number: number;
}

/** A cue's own fields as a row; the database gives it its identity. */
export function cueRow({ showId, listId, number }: CuePlace, head: CueHead): Omit<CueRow, "id"> {
  return {
    showId,
    listId,
    number,
    label: head.label ?? null,
    note: head.note ?? null,
    scene: head.scene ?? null,
    block: head.block ?? null,
    restate: head.restate ?? null,
    carries: head.carries ?? null,
    trigger: head.trigger ?? null,
    mark: head.mark ?? null,
    call: head.call ?? null,
    actions: head.actions ?? null,
    waves: head.waves ?? null,
  };
}

/** A part's own fields as a row; the database gives it its identity. */
export function partRow(cueId: number, number: number, head: PartHead): Omit<PartRow, "id"> {
  const { up, down, upDelay, downDelay, ...families } = head.times;
  return {
    cueId,
    number,
    label: head.label ?? null,
    curve: head.curve ?? null,
    up: up ?? null,
    down: down ?? null,
    upDelay: upDelay ?? null,
    downDelay: downDelay ?? null,
    families: Object.keys(families).length > 0 ? families : null,
    waves: head.waves ?? null,
  };
}

/** One move of a part as a row. */
export function moveRow(partId: number, channel: number, attribute: string, spec: MoveSpec): MoveRow {
  const { fade, delay, curve } = moveTiming(spec);
  return {
    partId,
    channel,
    attribute,
    value: plainValue(spec) ?? null,
    palette: paletteOf(spec) ?? null,
    released: isRelease(spec),
    fade: fade ?? null,
    delay: delay ?? null,
    curve: curve ?? null,
  };
}

/** Hears how many of all moves are stored. */
export type Progress = (stored: number, all: number) => void;

/** Stores a whole new show as rows and returns its number. Only within a transaction. */
export async function insertShow(manager: EntityManager, show: Show, progress?: Progress): Promise<number> {
  const { title, script = null, newCue = null, editsAfter = null } = show;
  const { id: showId } = await manager.save(manager.create(ShowRow, { title, revision: 0, script, newCue, editsAfter }));
  await insertRows(manager, FixtureTypeRow, show.fixtureTypes.map(typeRow(showId)));
  await insertRows(manager, ChannelRow, show.channels.map(channelRow(showId)));
  await insertRows(manager, GroupRow, show.groups.map(groupRow(showId)));
  await insertRows(manager, PaletteRow, show.palettes.map(paletteRow(showId)));
  await insertRows(
    manager,
    PaletteValueRow,
    show.palettes.flatMap((palette) => paletteValueRows(showId, palette)),
  );
  await insertRows(manager, PaceRow, show.paces.map(paceRow(showId)));
  await insertRows(manager, HeldLookRow, (show.heldLooks ?? []).map(heldLookRow(showId)));
  await insertRows(manager, TempoRow, (show.tempos ?? []).map(tempoRow(showId)));
  for (const kind of OTHER_KINDS) await insertRows(manager, EntryRow, (show[kind] ?? []).map(entryRow(showId, kind)));
  await insertRows(manager, ListRow, show.lists.map(listRow(showId)));
  const places = await insertCues(manager, showId, show);
  const all = show.lists.reduce(
    (sum, list) => sum + list.cues.reduce((cues, cue) => cues + cue.parts.reduce((own, part) => own + movesIn(part.moves), 0), 0),
    0,
  );
  let stored = 0;
  progress?.(0, all);
  await loadRows(manager, "moves", MOVE_COLUMNS, moveCells(show, places), (rows) => {
    stored += rows;
    progress?.(stored, all);
  });
  return showId;
}

/** The identities of parts, by list, cue number in thousandths, and part number. */
type PartIds = ReadonlyMap<string, number>;

function partPlace(listId: string, number: number, part: number): string {
  return `${listId}/${number}/${part}`;
}

/** The identity that the database gave to what stands at a place. Throws Error where it gave none: a row that refers to nothing is never sent. */
function identity(ids: ReadonlyMap<string, number>, place: string): number {
  const id = ids.get(place);
  if (id === undefined) throw new Error(`The database has given ${place} no identity; nothing is stored`);
  return id;
}

async function insertCues(manager: EntityManager, showId: number, show: Show): Promise<PartIds> {
  await insertRows<Omit<CueRow, "id">>(
    manager,
    CueRow,
    show.lists.flatMap((list) => list.cues.map((cue) => cueRow({ showId, listId: list.id, number: cueOrder(cue.number) }, cue))),
  );
  const cues: { id: number; list_id: string; number: number }[] = await manager.query(
    "SELECT id, list_id, number FROM cues WHERE show_id = ?",
    [showId],
  );
  const ids = new Map(cues.map(({ id, list_id, number }) => [`${list_id}/${number}`, id]));
  const cueId = (list: string, cue: Cue): number => identity(ids, `${list}/${cueOrder(cue.number)}`);
  await insertRows<Omit<PartRow, "id">>(
    manager,
    PartRow,
    show.lists.flatMap((list) => list.cues.flatMap((cue) => cue.parts.map((part) => partRow(cueId(list.id, cue), part.number, part)))),
  );
  const parts: { id: number; list_id: string; number: number; part: number }[] = await manager.query(
    "SELECT p.id, c.list_id, c.number, p.number AS part FROM cues c JOIN parts p ON p.cue_id = c.id WHERE c.show_id = ?",
    [showId],
  );
  return new Map(parts.map(({ id, list_id, number, part }) => [partPlace(list_id, number, part), id]));
}

/** The columns of moves in the order of their cells. */
export const MOVE_COLUMNS = ["part_id", "channel", "attribute", "value", "palette", "released", "fade", "delay", "curve"];

function* moveCells(show: Show, ids: PartIds): Generator<readonly Cell[]> {
  for (const list of show.lists) {
    for (const cue of list.cues) {
      for (const part of cue.parts) {
        const id = identity(ids, partPlace(list.id, cueOrder(cue.number), part.number));
        for (const [channel, attributes] of Object.entries(part.moves)) {
          for (const [attribute, spec] of Object.entries(attributes)) yield cellsOf(moveRow(id, Number(channel), attribute, spec));
        }
      }
    }
  }
}

/** A row of moves as it is loaded in bulk. */
export function cellsOf({ partId, channel, attribute, value, palette, released, fade, delay, curve }: MoveRow): readonly Cell[] {
  return [partId, channel, attribute, value, palette, released, fade, delay, curve];
}
