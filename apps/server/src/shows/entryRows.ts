import {
  type ColourList,
  ENTRY_KINDS,
  type EntryKind,
  type Movement,
  type Note,
  type Page,
  type Show,
  type ShowEntry,
  entriesOf,
  entryId,
} from "@zm/core";
import type { EntityManager, EntityTarget, ObjectLiteral } from "typeorm";
import {
  ChannelRow,
  FixtureTypeRow,
  GroupRow,
  EntryRow,
  HeldLookRow,
  ListRow,
  PaceRow,
  PaletteRow,
  PaletteValueRow,
  TempoRow,
} from "../database/entities.ts";
import { insertRows, upsertRows } from "../database/rows.ts";
import {
  OTHER_KINDS,
  channelRow,
  entryRow,
  groupRow,
  heldLookRow,
  listRow,
  paceRow,
  paletteRow,
  paletteValueRows,
  tempoRow,
  typeRow,
} from "./showRows.ts";

const TABLES: Record<EntryKind, EntityTarget<ObjectLiteral>> = {
  fixtureTypes: FixtureTypeRow,
  channels: ChannelRow,
  groups: GroupRow,
  palettes: PaletteRow,
  paces: PaceRow,
  heldLooks: HeldLookRow,
  tempos: TempoRow,
  pages: EntryRow,
  notes: EntryRow,
  movements: EntryRow,
  colourLists: EntryRow,
  lists: ListRow,
};

/** The palettes, groups, paces, channels, types and lists that an edit touches, by kind. */
export type TouchedEntries = ReadonlyMap<EntryKind, ReadonlySet<string>>;

/** Writes what stands of the touched entries after the edit, before anything that may refer to them. */
export async function writeEntries(manager: EntityManager, showId: number, touched: TouchedEntries, show: Show): Promise<void> {
  const at = <T extends ShowEntry, R>(of: EntryKind, entries: readonly T[], row: (entry: T, position: number) => R): R[] =>
    entries.flatMap((entry, position) => (touched.get(of)?.has(entryId(entry)) ? [row(entry, position)] : []));
  await upsertRows(manager, FixtureTypeRow, at("fixtureTypes", show.fixtureTypes, typeRow(showId)));
  await upsertRows(manager, ChannelRow, at("channels", show.channels, channelRow(showId)));
  await upsertRows(manager, GroupRow, at("groups", show.groups, groupRow(showId)));
  await upsertRows(manager, PaletteRow, at("palettes", show.palettes, paletteRow(showId)));
  await upsertRows(manager, PaceRow, at("paces", show.paces, paceRow(showId)));
  await upsertRows(manager, HeldLookRow, at("heldLooks", show.heldLooks ?? [], heldLookRow(showId)));
  await upsertRows(manager, TempoRow, at("tempos", show.tempos ?? [], tempoRow(showId)));
  for (const kind of OTHER_KINDS) {
    const entries: readonly (Page | Note | Movement | ColourList)[] = show[kind] ?? [];
    await upsertRows(manager, EntryRow, at(kind, entries, entryRow(showId, kind)));
  }
  await upsertRows(manager, ListRow, at("lists", show.lists, listRow(showId)));
  for (const palette of show.palettes.filter(({ id }) => touched.get("palettes")?.has(id))) {
    await manager.delete(PaletteValueRow, { showId, paletteId: palette.id });
    await insertRows(manager, PaletteValueRow, paletteValueRows(showId, palette));
  }
}

/** Deletes the touched entries that the edit took away, after everything that referred to them, and puts the others in their order. */
export async function settleEntries(
  manager: EntityManager,
  showId: number,
  touched: TouchedEntries,
  before: Show,
  after: Show,
): Promise<void> {
  for (const of of [...ENTRY_KINDS].reverse()) {
    const ids = touched.get(of);
    if (!ids) continue;
    const name = of === "channels" ? "number" : "id";
    const places = new Map(entriesOf(before, of).map((entry, index) => [entryId(entry), index]));
    const left = entriesOf(after, of).map(entryId);
    const among = OTHER_KINDS.some((kind) => kind === of) ? { showId, kind: of } : { showId };
    for (const id of ids) if (!left.includes(id)) await manager.delete(TABLES[of], { ...among, [name]: id });
    for (const [position, id] of left.entries()) {
      if (!ids.has(id) && places.get(id) !== position) await manager.update(TABLES[of], { ...among, [name]: id }, { position });
    }
  }
}
