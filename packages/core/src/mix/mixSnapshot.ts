// A run as plain data (docs/running.md, Sources to 9): to be written down, so that it stands again after a crash; to be sent to a window that opens; and to be
// carried over when the show is edited. Keys, lists and looks go by name, so that it fits a show whose rig and lists have changed.
import { keyNamed } from "../sheet/keys.ts";
import { type ShowSheet, findRow } from "../sheet/sheet.ts";
import { NONE, type LayerTable, copyTable, slotOf } from "./layerTable.ts";
import { heightAt, stackedAt } from "./layerReading.ts";
import type { ListRun } from "./listRun.ts";
import { Mix } from "./mix.ts";
import { type Grand, WHOLE } from "./grand.ts";
import type { Owned } from "./owners.ts";
import type { Ramp } from "./ramp.ts";
import type { ScheduledChange } from "./scheduledChange.ts";
import { wavesAt } from "./waveChanges.ts";
import type { RunningWave } from "./waves.ts";

/** What of a layer is numbers, in the order in which they are written down. */
const COURSE = [
  "from",
  "to",
  "start",
  "fade",
  "curve",
  "left",
  "goStart",
  "goFade",
  "goCurve",
  "swayFrom",
  "swayStart",
  "swayFade",
] as const;
const REST = ["restFrom", "restTo", "restStart", "restFade", "restCurve"] as const;
const REMAINDER = ["remainders", "remainderStart", "remainderFade", "remainderCurve"] as const;

/** So many numbers stand behind the names of a layer, a rest and a remainder. */
export const NUMBERS_OF_LAYER = COURSE.length;
/** As `NUMBERS_OF_LAYER`, for what keys rest at. */
export const NUMBERS_OF_REST = REST.length;
/** As `NUMBERS_OF_LAYER`, for what is added so that nothing jumps. */
export const NUMBERS_OF_REMAINDER = REMAINDER.length;

/** Something that waits, with its key by name. */
type WaitingSnapshot = Omit<ScheduledChange, "key"> & { readonly key: string };

/**
 * A list that runs, as plain data.
 * Clocks and ramps as they are, cues by number, keys by name.
 */
export type ListSnapshot = Pick<
  ListRun,
  "clock" | "waveClock" | "rate" | "master" | "size" | "cue" | "firedAt" | "duration" | "follow" | "step" | "actions"
> & {
  /** By key name: the look fired last. */
  readonly onStage: Readonly<Record<string, number>>;
  readonly waiting: readonly WaitingSnapshot[];
  readonly marks: readonly { readonly channel: number; readonly key: string; readonly to: number; readonly fade: number }[];
};

/**
 * All that runs, as plain data; `now` is the moment of the run at which it was taken, seconds.
 * Written beside the server often enough that a restart goes on where it was, and sent to windows that open.
 */
export interface MixSnapshot {
  readonly now: number;
  readonly sequence: number;
  readonly lists: Readonly<Record<string, ListSnapshot>>;
  readonly looks: Readonly<Record<string, { readonly level: Ramp; readonly up: boolean }>>;
  readonly tempos: Readonly<Record<string, number>>;
  readonly standby: readonly { readonly list: string; readonly cue: string }[];
  /** Each layer: its key, its source, what it does, and its numbers; a key's lowest first. */
  readonly layers: readonly (readonly [string, string, number, ...number[]])[];
  /** What keys rest at where that is not their home: the key, the source whose clock counts or none, and the numbers. */
  readonly rests: readonly (readonly [string, string | null, ...number[]])[];
  readonly waves: readonly { readonly key: string; readonly source: string; readonly waves: readonly RunningWave[] }[];
  /** What lies over everything; absent in what was written down before there was any. */
  readonly grand?: Grand | undefined;
  /** Whose actions have set what. */
  readonly owners: readonly Owned[];
  /** Which source was the last to hold a key, where any was. */
  readonly leftBy: readonly (readonly [string, string])[];
  /** What is added to outputs so that they do not jump: the key, the source whose clock counts, and the numbers. */
  readonly remainders: readonly (readonly [string, string, ...number[]])[];
}

/**
 * A run as plain data. Times of the run are as they were: seconds of its clock.
 * Nothing of the run is shared with it. What is unchanging and at home is left out, so it is small.
 */
export function snapshotOf(mix: Mix): MixSnapshot {
  const { keys, scheduler } = mix;
  const { table } = scheduler;
  const names = sourceNames(mix);
  const nameOf = (key: number): string => keys.all[key]?.name ?? "";
  const layers: MixSnapshot["layers"][number][] = [];
  const rests: MixSnapshot["rests"][number][] = [];
  const leftBy: MixSnapshot["leftBy"][number][] = [];
  const remainders: MixSnapshot["remainders"][number][] = [];
  for (const { ordinal, name, attribute } of keys.all) {
    for (let place = 0; place < heightAt(table, ordinal); place += 1) {
      const source = stackedAt(table, ordinal, place);
      const slot = slotOf(table, ordinal, source);
      layers.push([name, names[source] ?? "", table.states[slot] ?? NONE, ...COURSE.map((part) => table[part][slot] ?? 0)]);
    }
    const clock = table.restClock[ordinal] ?? -1;
    const isHome = clock < 0 && table.restTo[ordinal] === attribute.home;
    if (!isHome) rests.push([name, clock < 0 ? null : (names[clock] ?? null), ...REST.map((part) => table[part][ordinal] ?? 0)]);
    const last = table.leftBy[ordinal] ?? -1;
    if (last >= 0) leftBy.push([name, names[last] ?? ""]);
    if (table.hasRemainder[ordinal] === 1)
      remainders.push([name, names[table.remainderClock[ordinal] ?? 0] ?? "", ...REMAINDER.map((part) => table[part][ordinal] ?? 0)]);
  }
  return {
    now: mix.now,
    sequence: scheduler.sequence,
    lists: Object.fromEntries([...mix.lists].map(([id, run]) => [id, listSnapshot(run, nameOf)])),
    looks: Object.fromEntries([...mix.looks].map(([id, { level, up }]) => [id, { level, up }])),
    tempos: Object.fromEntries(mix.tempos),
    standby: mix.standby,
    grand: mix.grand,
    owners: scheduler.owners.all,
    layers,
    rests,
    leftBy,
    remainders,
    waves: [...table.waves].flatMap(([key, bySource]) =>
      [...bySource].flatMap(([source, waves]) => (waves.length === 0 ? [] : [{ key: nameOf(key), source: names[source] ?? "", waves }])),
    ),
  };
}

function listSnapshot(run: ListRun, nameOf: (key: number) => string): ListSnapshot {
  const { clock, waveClock, rate, master, size, cue, firedAt, duration, follow, step, actions } = run;
  const onStage: Record<string, number> = {};
  run.onStage.forEach((value, key) => {
    if (!Number.isNaN(value)) onStage[nameOf(key)] = value;
  });
  const waiting = run.waiting.all.map((each) => ({ ...each, key: nameOf(each.key) }));
  const marks = run.marks.map((mark) => ({ ...mark, key: nameOf(mark.key) }));
  return { clock, waveClock, rate, master, size, cue, firedAt, duration, follow, step, actions: [...actions], onStage, waiting, marks };
}

/**
 * The run of a snapshot, over a show as it is now: lists, looks and keys that the show no longer has are left out.
 * Never throws for a show that has been edited since: what does not fit any more is left out.
 */
export function mixFrom(sheet: ShowSheet, snapshot: MixSnapshot): Mix {
  const mix = new Mix(sheet);
  const { keys, scheduler } = mix;
  const { table } = scheduler;
  scheduler.now = snapshot.now;
  scheduler.sequence = snapshot.sequence;
  scheduler.owners.take(snapshot.owners);
  scheduler.grand = snapshot.grand ?? WHOLE;
  scheduler.standby = snapshot.standby.filter(({ list, cue }) => isCue(sheet, list, cue));
  for (const [id, perMinute] of Object.entries(snapshot.tempos)) if (scheduler.tempos.has(id)) scheduler.tempos.set(id, perMinute);
  for (const [id, look] of mix.looks) Object.assign(look, snapshot.looks[id] ?? {});
  for (const [id, run] of mix.lists) {
    const kept = snapshot.lists[id];
    if (kept) restoreList(run, kept, (name) => keyNamed(keys, name)?.ordinal);
  }
  const names = sourceNames(mix);
  const sources = new Map(names.map((name, source) => [name, source]));
  for (const [name, source, state, ...numbers] of snapshot.layers) {
    const [key, own] = [keyNamed(keys, name)?.ordinal, sources.get(source)];
    if (key === undefined || own === undefined) continue;
    const slot = slotOf(table, key, own);
    table.states[slot] = state;
    COURSE.forEach((part, index) => (table[part][slot] = numbers[index] ?? 0));
    const height = heightAt(table, key);
    table.stacks[key * table.sources + height] = own;
    table.heights[key] = height + 1;
  }
  for (const [name, source, ...numbers] of snapshot.rests)
    restoreRest(table, keyNamed(keys, name)?.ordinal, numbers, sources.get(source ?? ""));
  for (const [name, source] of snapshot.leftBy) {
    const [key, own] = [keyNamed(keys, name)?.ordinal, sources.get(source)];
    if (key !== undefined && own !== undefined) table.leftBy[key] = own;
  }
  for (const [name, source, ...numbers] of snapshot.remainders) {
    const [key, own] = [keyNamed(keys, name)?.ordinal, sources.get(source)];
    if (key === undefined || own === undefined) continue;
    REMAINDER.forEach((part, index) => (table[part][key] = numbers[index] ?? 0));
    table.remainderClock[key] = own;
    table.hasRemainder[key] = 1;
  }
  for (const { key: name, source, waves } of snapshot.waves) {
    const [key, own] = [keyNamed(keys, name)?.ordinal, sources.get(source)];
    if (key === undefined || own === undefined) continue;
    const bySource = table.waves.get(key) ?? new Map<number, RunningWave[]>();
    bySource.set(
      own,
      waves.map((wave) => ({ ...wave })),
    );
    table.waves.set(key, bySource);
    table.hasWaves[key] = 1;
  }
  return mix;
}

function restoreList(
  run: ListRun,
  { onStage, waiting, marks, actions, ...rest }: ListSnapshot,
  ordinalOf: (name: string) => number | undefined,
): void {
  Object.assign(run, rest);
  run.actions = [...actions];
  for (const [name, value] of Object.entries(onStage)) {
    const key = ordinalOf(name);
    if (key !== undefined) run.onStage[key] = value;
  }
  run.waiting.clear();
  run.waiting.add(waiting.flatMap((each) => withOrdinal(each, ordinalOf)));
  run.marks = marks.flatMap((mark) => withOrdinal(mark, ordinalOf));
  const row = run.cue === null ? -1 : findRow(run.list, run.cue);
  run.waves = row < 0 ? new Map() : wavesAt(run.list, row);
}

function withOrdinal<T extends { readonly key: string }>(
  each: T,
  ordinalOf: (name: string) => number | undefined,
): (Omit<T, "key"> & { key: number })[] {
  const key = ordinalOf(each.key);
  return key === undefined ? [] : [{ ...each, key }];
}

function restoreRest(table: LayerTable, key: number | undefined, numbers: readonly number[], clock: number | undefined): void {
  if (key === undefined) return;
  REST.forEach((part, index) => (table[part][key] = numbers[index] ?? 0));
  table.restClock[key] = clock ?? -1;
}

/**
 * A snapshot as it is when cues of one list have taken other numbers since it was taken: the list stands in the same cue, waits for the same one, and the same
 * ones are chosen to go. `numbers` gives the new number by the old one.
 */
export function snapshotRenamed(snapshot: MixSnapshot, list: string, numbers: ReadonlyMap<string, string>): MixSnapshot {
  const named = (cue: string): string => numbers.get(cue) ?? cue;
  const own = snapshot.lists[list];
  if (!own) return snapshot;
  const { cue, follow } = own;
  const renamed = { ...own, cue: cue === null ? null : named(cue), follow: follow && { ...follow, cue: named(follow.cue) } };
  const standby = snapshot.standby.map((each) => (each.list === list ? { ...each, cue: named(each.cue) } : each));
  return { ...snapshot, lists: { ...snapshot.lists, [list]: renamed }, standby };
}

/** The names of a run's sources, in the order of their numbers: lists and looks may share an id. */
function sourceNames(mix: Mix): string[] {
  const names: string[] = [];
  for (const [id, { source }] of mix.lists) names[source] = `list ${id}`;
  for (const [id, { source }] of mix.looks) names[source] = `look ${id}`;
  return names;
}

function isCue(sheet: ShowSheet, list: string, cue: string): boolean {
  const own = sheet.lists.get(list);
  return own !== undefined && findRow(own, cue) >= 0;
}

/**
 * The run when its show has been edited at a moment: what runs goes on as it was told, and cues fired from now on are the edited ones. Returns
 * the same run where rig, lists and looks are what they were, and a new one that stands alike where they are not.
 * Nothing of the lists moves by it, but for what a `settle` asks for; held looks that are up become what they are now. `now` is seconds of the run's clock.
 */
export function mixAfterEdit(mix: Mix, sheet: ShowSheet, now: number): Mix {
  mix.advance(now);
  if (mix.replaceSheet(sheet)) return mix;
  const next = mixFrom(sheet, snapshotOf(mix));
  for (const [id, run] of next.lists) {
    const before = mix.lists.get(id);
    // A cue's waves are told apart by identity, which a snapshot does not keep.
    if (before && sheet.keys === mix.keys) run.waves = before.waves;
  }
  next.scheduler.reports = mix.reports;
  next.scheduler.log = mix.log;
  next.renewLooks(mix, now);
  // Who gives a tempo other beats means them now, whatever was tapped before.
  for (const { id, perMinute } of sheet.show.tempos ?? []) {
    const was = mix.scheduler.show.tempos?.find((tempo) => tempo.id === id);
    if (was && was.perMinute !== perMinute) next.tempo(id, perMinute, now);
  }
  return next;
}

/**
 * Makes a run what another of the same show is.
 * Both must stand over the same sheet. Allocates little, so a window may do it for each event.
 */
export function copyMix({ scheduler: into }: Mix, { scheduler: from }: Mix): void {
  copyTable(into.table, from.table);
  into.now = from.now;
  into.sequence = from.sequence;
  into.standby = from.standby;
  into.grand = from.grand;
  into.owners.take(from.owners.all);
  into.tempos.clear();
  for (const [id, perMinute] of from.tempos) into.tempos.set(id, perMinute);
  for (const [id, run] of from.lists) {
    const own = into.lists.get(id);
    if (!own) continue;
    const { waiting, source: _source, actions, marks, ...rest } = run;
    Object.assign(own, rest);
    own.actions = [...actions];
    own.marks = [...marks];
    own.waiting.clear();
    own.waiting.add(waiting.all);
  }
  for (const [id, { level, up }] of from.looks) Object.assign(into.looks.get(id) ?? {}, { level, up });
  into.reports = [];
  into.log = [];
  into.forget();
}

/** A copy of a run that goes on with time by itself. `known` is made into it where it is of the same rig, lists and looks; where none can be made it is the run itself. */
export function renewedCopy(base: Mix, sheet: ShowSheet, known: Mix | undefined): Mix {
  const copy = known && known !== base && isAlike(known, base) ? known : new Mix(sheet);
  if (!isAlike(copy, base)) return base;
  copyMix(copy, base);
  return copy;
}

function isAlike(one: Mix, other: Mix): boolean {
  return one.keys === other.keys && one.scheduler.table.sources === other.scheduler.table.sources;
}

/**
 * A number that two runs share when they have been told the same and stand alike, by which windows are held against the server.
 * Different numbers mean different runs; the same number nearly always the same. A whole number of 32 bits.
 */
export function mixCheck(mix: Mix): number {
  let sum = 0x811c9dc5;
  const add = (number: number): void => {
    // To a ten-thousandth: clocks that are read in other steps differ in the last digits.
    sum = Math.imul(sum ^ Math.round(number * 1e4), 0x01000193);
  };
  const { table } = mix.scheduler;
  for (let slot = 0; slot < table.states.length; slot += 1) {
    if (table.states[slot] === NONE) continue;
    add(slot);
    add(table.states[slot] ?? 0);
    add(table.to[slot] ?? 0);
    add(table.start[slot] ?? 0);
    add(table.fade[slot] ?? 0);
  }
  for (const { firedAt, follow, waiting, actions, rate } of mix.lists.values()) {
    add(firedAt);
    add(follow?.at ?? -1);
    add(waiting.all.length);
    add(actions.length);
    add(rate);
  }
  return sum >>> 0;
}
