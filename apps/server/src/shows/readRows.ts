import {
  type Cue,
  type Keys,
  type MoveSpec,
  type Moves,
  type Show,
  CURVES,
  cueNumberAt,
  cueSchema,
  groupBy,
  keysOf,
  makeMove,
  entrySchemas,
} from "@zm/core";
import type { EntityManager } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import type {
  ChannelRow,
  CueRow,
  EntryRow,
  FixtureTypeRow,
  GroupRow,
  HeldLookRow,
  ListRow,
  MoveRow,
  PaceRow,
  PaletteRow,
  PaletteValueRow,
  PartRow,
  TempoRow,
} from "../database/entities.ts";
import { ShowRow } from "../database/entities.ts";
import { mapInSlices } from "../shared/slices.ts";
import type { OtherKind } from "./showRows.ts";
import { textWithoutControls } from "./storedText.ts";

/** The moves of so many parts are asked for at once: enough that asking does not count, few enough that reading the answer does not hold the server up. */
const PARTS_AT_ONCE = 8;
/** So many of those questions are under way at once, so that the database works while the answers are read. */
const AHEAD = 3;

type Json = string | null;
/** A row as the database sends it: structured fields are still text. */
type Raw<T, K extends keyof T> = Omit<T, K> & Record<K, Json>;

/**
 * Reads a whole show from its rows, in slices, so that a large one does not hold the server up. Null when there is no such show.
 */
export async function readShowRows(manager: EntityManager, showId: number): Promise<{ show: Show; revision: number } | null> {
  const row = await manager.findOneBy(ShowRow, { id: showId });
  if (!row) return null;
  const frame = await readFrame(manager, row);
  const cues = await readCues(manager, showId, keysOf(frame));
  return { show: { ...frame, lists: frame.lists.map((list) => ({ ...list, cues: cues.get(list.id) ?? [] })) }, revision: row.revision };
}

/** The show without its cues. */
async function readFrame(manager: EntityManager, row: ShowRow): Promise<Show> {
  const read = async <R, E>(
    table: string,
    columns: string,
    schema: { parse: (data: unknown) => E },
    entryOf: (stored: R) => object,
  ): Promise<E[]> => {
    const rows: R[] = await manager.query(`SELECT ${columns} FROM ${table} WHERE show_id = ? ORDER BY position`, [row.id]);
    return mapInSlices(rows, (stored) => schema.parse(withoutNulls(entryOf(stored))));
  };
  type RawType = Raw<FixtureTypeRow, "attributes">;
  type RawChannel = Raw<ChannelRow, "patch" | "place">;
  const { fixtureType, channel, group, palette, pace, list, heldLook, tempo } = entrySchemas;
  const values: PaletteValueRow[] = await manager.query(
    "SELECT palette_id AS paletteId, attribute, value, type, channel FROM palette_values WHERE show_id = ? ORDER BY position",
    [row.id],
  );
  const valuesOf = groupBy(values, ({ paletteId }) => paletteId);
  const entryValues = (id: string): object[] =>
    (valuesOf.get(id) ?? []).map(({ attribute, value, type, channel: number }) =>
      withoutNulls({ attribute, value, type, channel: number }),
    );
  return {
    format: "zealous-mark/show",
    version: 2,
    title: row.title,
    fixtureTypes: await read("fixture_types", "id, name, attributes", fixtureType, (type: RawType) => ({
      ...type,
      attributes: json(type.attributes),
    })),
    channels: await read("channels", "number, type, label, patch, place, house", channel, (one: RawChannel) => ({
      ...one,
      patch: json(one.patch),
      place: json(one.place),
      house: one.house ? true : null,
    })),
    groups: await read("channel_groups", "id, label, channels", group, (one: Raw<GroupRow, "channels">) => ({
      ...one,
      channels: json(one.channels),
    })),
    palettes: await read("palettes", "id, family, label, times", palette, (one: Raw<PaletteRow, "times">) => ({
      ...one,
      times: json(one.times),
      values: entryValues(one.id),
    })),
    paces: await read("paces", "id, label, timing", pace, ({ id, label, timing }: Raw<PaceRow, "timing">) => ({
      id,
      label,
      ...json<object>(timing),
    })),
    ...unlessEmpty(
      "heldLooks",
      await read("held_looks", "id, label, settings", heldLook, ({ id, label, settings }: Raw<HeldLookRow, "settings">) => ({
        id,
        label,
        ...json<object>(settings),
      })),
    ),
    ...(await others(manager, row.id)),
    ...unlessEmpty("tempos", await read("tempos", "id, label, per_minute AS perMinute", tempo, (one: TempoRow) => one)),
    lists: await read(
      "cue_lists",
      "id, label, marks, running",
      list,
      ({ id, label, marks, running }: Raw<ListRow, "marks" | "running">) => ({
        id,
        label,
        marks: json(marks),
        ...json<object>(running),
        cues: [],
      }),
    ),
    ...(row.script === null ? {} : { script: row.script }),
    ...(row.newCue === null ? {} : { newCue: row.newCue }),
    ...(row.editsAfter === null ? {} : { editsAfter: row.editsAfter }),
  };
}

/** What else stands beside the cues. */
async function others(manager: EntityManager, showId: number): Promise<Pick<Show, OtherKind>> {
  const rows: Raw<EntryRow, "data">[] = await manager.query(
    "SELECT kind, id, data FROM show_entries WHERE show_id = ? ORDER BY kind, position",
    [showId],
  );
  const of = <E>(kind: OtherKind, schema: { parse: (data: unknown) => E }): E[] =>
    rows.flatMap((stored) => (stored.kind === kind ? [schema.parse({ id: stored.id, ...json<object>(stored.data) })] : []));
  const { page, note, movement, colourList } = entrySchemas;
  return {
    ...unlessEmpty("pages", of("pages", page)),
    ...unlessEmpty("notes", of("notes", note)),
    ...unlessEmpty("movements", of("movements", movement)),
    ...unlessEmpty("colourLists", of("colourLists", colourList)),
  };
}

type RawCue = Raw<CueRow, "trigger" | "mark" | "call" | "actions">;
type RawPart = Raw<PartRow, "families" | "waves">;

async function readCues(manager: EntityManager, showId: number, keys: Keys): Promise<Map<string, Cue[]>> {
  const cueRows: RawCue[] = await manager.query(
    `SELECT id, list_id AS listId, number, label, note, scene, block, restate, carries, fires_on AS \`trigger\`, mark, called_at AS \`call\`, actions, waves
      FROM cues WHERE show_id = ? ORDER BY list_id, number`,
    [showId],
  );
  const partRows: RawPart[] = await manager.query(
    `SELECT p.id, p.cue_id AS cueId, p.number, p.label, p.curve, p.up_time AS up, p.down_time AS down, p.up_delay AS upDelay, p.down_delay AS downDelay,
      p.family_times AS families, p.waves FROM cues c JOIN parts p ON p.cue_id = c.id WHERE c.show_id = ? ORDER BY p.cue_id, p.number`,
    [showId],
  );
  const moves = await readMoves(
    manager,
    partRows.map(({ id }) => id),
    keys,
  );
  const parts = groupBy(partRows, ({ cueId }) => cueId);
  const cues = await mapInSlices(cueRows, (row) => {
    const own = parts.get(row.id) ?? [];
    return {
      list: row.listId,
      cue: cueOf(
        row,
        own.map((part) => partOf(part, moves.get(part.id) ?? {})),
      ),
    };
  });
  const byList = groupBy(cues, ({ list }) => list);
  return new Map([...byList].map(([list, own]) => [list, own.map(({ cue }) => cue)]));
}

function cueOf({ id: _id, listId: _list, number, block, restate, trigger, mark, call, actions, ...head }: RawCue, parts: object[]): Cue {
  const structured = { trigger: json(trigger), mark: json(mark), call: json(call), actions: json(actions) };
  const flags = { block: flag(block), restate: flag(restate) };
  return cueSchema.parse({ number: cueNumberAt(number), ...withoutNulls({ ...head, ...flags, ...structured }), parts });
}

function partOf({ number, label, curve, up, down, upDelay, downDelay, families, waves }: RawPart, moves: Moves): object {
  const times = { ...withoutNulls({ up, down, upDelay, downDelay }), ...json<object>(families) };
  return { ...withoutNulls({ number, label, curve, waves: json(waves) }), times, moves };
}

async function readMoves(manager: EntityManager, parts: readonly number[], keys: Keys): Promise<Map<number, Moves>> {
  const read = (ids: number[]): Promise<MoveRow[]> => {
    const rows: Promise<MoveRow[]> = manager.query(
      "SELECT part_id AS partId, channel, attribute, value, palette, released, fade, delay, curve FROM moves WHERE part_id IN (?) ORDER BY part_id, channel",
      [ids],
    );
    // One that fails before its turn is told when its turn comes.
    rows.catch(() => undefined);
    return rows;
  };
  const moves = new Map<number, Moves>();
  const chunks = chunksOf(parts, PARTS_AT_ONCE);
  let asked = chunks.slice(0, AHEAD).map(read);
  for (let next = AHEAD; asked.length > 0; next += 1) {
    const [first, ...others] = asked;
    const chunk = chunks[next];
    asked = chunk ? [...others, read(chunk)] : others;
    for (const [part, own] of groupBy((await first) ?? [], ({ partId }) => partId)) moves.set(part, movesOf(own, keys));
  }
  return moves;
}

/** Moves of one part, sorted by channel, as the document keeps them: the attributes of each in the order of the rig. */
function movesOf(rows: readonly MoveRow[], keys: Keys): Moves {
  const moves: Moves = {};
  for (let at = 0; at < rows.length;) {
    const channel = rows[at]?.channel ?? 0;
    const own = new Map<string, MoveRow>();
    for (let row = rows[at]; row?.channel === channel; row = rows[(at += 1)]) own.set(row.attribute, row);
    const specs: Moves[string] = {};
    for (const attribute of keys.byChannel.get(channel)?.keys() ?? own.keys()) {
      const row = own.get(attribute);
      if (row) specs[attribute] = specOf(row);
    }
    moves[channel] = specs;
  }
  return moves;
}

function specOf({ value, palette, fade, delay, curve }: MoveRow): MoveSpec {
  if (value !== null && fade === null && delay === null && curve === null) return value;
  const timing = { fade: fade ?? undefined, delay: delay ?? undefined, curve: CURVES.find((known) => known === curve) };
  if (value !== null) return makeMove({ value }, timing);
  return palette === null ? makeMove({ release: true }, timing) : makeMove({ palette }, timing);
}

function json<T = unknown>(text: Json): T | null {
  return text === null ? null : JSON.parse(text, textWithoutControls);
}

function flag(stored: boolean | number | null): boolean | null {
  return stored === null ? null : Boolean(stored);
}

/** A row of entries under its name in the document, which leaves out an empty one. */
function unlessEmpty<N extends string, T>(name: N, entries: readonly T[]): Partial<Record<N, T[]>> {
  const fields: Partial<Record<N, T[]>> = {};
  if (entries.length > 0) fields[name] = [...entries];
  return fields;
}

/** The fields that hold something, as the document has them. */
function withoutNulls(fields: object): object {
  const present = Object.entries(fields).filter(([, value]) => value !== null && value !== undefined);
  return Object.fromEntries(
    present.map(([name, value]: [string, unknown]) => [name, ONE_LINE.has(name) ? oneLine(value) : textWithoutControls(name, value)]),
  );
}

/** Fields of one line; they were stored with breaks before these were refused. */
const ONE_LINE = new Set(["label", "name"]);

function oneLine(value: unknown): unknown {
  const text = textWithoutControls("", value);
  return typeof text === "string" ? text.replace(/[\t\n\r]+/g, " ") : text;
}
