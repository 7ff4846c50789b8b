import { z } from "zod";
import { append } from "../../show/append.ts";
import { at } from "../../show/at.ts";
import { UNSET, carriedAt, entryAt } from "../../sheet/entry.ts";
import { resolve } from "../../sheet/palettes.ts";
import { isWall, trackedIn, trackedOut } from "../../sheet/tracking.ts";
import { wavesOf } from "../../sheet/waves.ts";
import { withWavesKept } from "../plan/keptWaves.ts";
import { ShowError } from "../../show/errors.ts";
import { makeMove, moveTiming, paletteOf, plainValue } from "../../show/move.ts";
import { readMove } from "../../show/readMoves.ts";
import type { Attribute, MarkSettings, MoveSpec } from "../../show/schema.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import { count } from "../../show/words.ts";
import { type Key, keyAt } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import type { MoveStep, PlacedMove, Step } from "../steps/step.ts";
import { headStep } from "../plan/headStep.ts";
import { type Tracked, restoreFrom, sameTracked, storeStep, storedMove, targetOf } from "../plan/moveSteps.ts";
import { type SaidWave, saidSteps, saidWave } from "../plan/partWaves.ts";
import type { Plan } from "../plan/plan.ts";
import { eachRow } from "../plan/rows.ts";
import { channelNumber, list, range } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

/** One light, or several in an order. */
const lights = z.union([channelNumber, z.array(channelNumber).min(1, "names no light")]);

const schema = z.strictObject({
  op: z.literal("recast"),
  list,
  ...range,
  channel: lights,
  /** As many lights as `channel` names: the first does what the first did, and so on, all at once. */
  as: lights,
  how: z.enum(["replace", "copy", "swap"]).default("replace"),
  /** Stored moves alone, or what the lights show: then what had tracked in goes along too, and a light that gives its work away is dark. */
  where: z.enum(["look", "moves"]).default("moves"),
  after: z.enum(["restore", "track"]).default("track"),
  /** What the other light cannot do stays where it is. */
  skipMissing: z.boolean().optional(),
  /** What the other light cannot do is forgotten. */
  dropMissing: z.boolean().optional(),
  /** Attributes that stand for one that the other light lacks: values go from range to range, turned round where that is said. */
  map: z.array(z.strictObject({ from: z.string(), to: z.string(), turned: z.boolean().optional() })).optional(),
});

type RecastEdit = z.infer<typeof schema>;

/** One light that is recast, and the light that does it from then on. */
interface Pair {
  readonly from: number;
  readonly to: number;
}

/** How the moves of one key become another key's. */
interface Handover {
  readonly from: Key;
  /** Undefined where the other light can do nothing of the kind. */
  readonly to: Key | undefined;
  /** Set where the other key is another attribute. */
  readonly mapped: { readonly turned: boolean } | undefined;
}

/**
 * The steps that give what lights do to others, over a range (docs/rules.md, Edits), all at once: 1 and 2 recast as 2 and 3 leaves 2
 * with what 1 did. Times, parts and mark settings go along. What another light cannot do is refused, unless it is mapped, left or dropped.
 */
function planRecast(sheet: ShowSheet, list: ListSheet, edit: RecastEdit): Plan {
  const pairs = pairsOf(sheet, edit);
  const rows = eachRow(list, edit.from, edit.to);
  const handovers = pairs.flatMap((pair) => handoversOf(list, pair, edit));
  const missing = handovers.flatMap((handover) => lacking(list, rows, handover, pairs, edit.where));
  if (missing.length > 0 && !edit.skipMissing && !edit.dropMissing)
    throw new ShowError(
      `${missing.join("; ")}. Choose a light that has it, map it to what it has, leave those moves where they are (leave, at the end of the line), or drop them (drop)`,
    );
  const columns = recastColumns(sheet, list, rows, edit, handovers);
  const steps: Step[] = [
    ...columns.steps,
    ...rows.flatMap((row, index) => [...waveSteps(list, row, edit, handovers, index === 0), ...markSteps(list, row, edit, pairs)]),
  ];
  if (steps.length === 0)
    throw new ShowError(
      `${lightsWords(pairs)} no move in cues ${edit.from} to ${edit.to}${edit.where === "look" ? "" : '; "recast look of" gives on what they show'}`,
    );
  const inRange = rows.map((row) => cueAt(list, row).number);
  return {
    steps: edit.after === "restore" ? withWavesKept(sheet, list, steps, inRange) : steps,
    notes: [...missing, ...gaps(sheet, steps), ...leftLit(list, rows, edit, pairs), ...columns.behind],
  };
}

/** Which lights an edit speaks of, the exchanged ones both ways. Throws ShowError for lights that are unknown, named twice, or not as many on both sides. */
function pairsOf(sheet: ShowSheet, edit: RecastEdit): Pair[] {
  const [from, to] = [[edit.channel].flat(), [edit.as].flat()];
  if (from.length !== to.length)
    throw new ShowError(`${count(from.length, "light")} cannot be recast as ${count(to.length, "light")}; name as many on both sides`);
  for (const side of edit.how === "swap" ? [[...from, ...to]] : [from, to]) {
    const twice = side.find((channel, index) => side.indexOf(channel) < index);
    if (twice !== undefined && !(edit.how === "swap" && from.indexOf(twice) === to.indexOf(twice)))
      throw new ShowError(`Light ${twice} is named twice; each light is given away once and taken over once`);
  }
  const pairs = from.map((channel, index) => ({ from: channel, to: at(to, index) }));
  for (const pair of pairs) {
    if (pair.from === pair.to) throw new ShowError(`Light ${pair.from} is to be recast as itself; name another light`);
    for (const channel of [pair.from, pair.to])
      if (!sheet.keys.byChannel.has(channel)) throw new ShowError(`Light ${channel} is not in the rig`);
  }
  return edit.how === "swap" ? pairs.flatMap((pair) => [pair, { from: pair.to, to: pair.from }]) : pairs;
}

/** What becomes of each key of a light. Throws ShowError for a mapping that the other light has no attribute for, or that two keys would share. */
function handoversOf(list: ListSheet, { from, to }: Pair, { map = [] }: RecastEdit): Handover[] {
  const handovers = keysOf(list, from).map((key): Handover => {
    const same = keyAt(list.keys, to, key.attribute.id);
    if (same) return { from: key, to: same, mapped: undefined };
    const mapping = map.find((each) => each.from === key.attribute.id);
    const other = mapping && keyAt(list.keys, to, mapping.to);
    if (mapping && !other) throw new ShowError(`${mapping.from} is mapped to ${mapping.to}, and light ${to} has no ${mapping.to}`);
    return { from: key, to: other, mapped: mapping && { turned: mapping.turned ?? false } };
  });
  const taken = handovers.flatMap((each) => (each.to ? [each.to] : []));
  const shared = taken.find((key, index) => taken.indexOf(key) < index);
  if (shared) throw new ShowError(`Two attributes of light ${from} would become ${shared.name}; map each to one of its own`);
  return handovers;
}

/** The rows in which a key does something that a light without it cannot take over: its moves, and where looks are given on what it shows but its home. */
function rowsLost(list: ListSheet, rows: readonly number[], key: Key, where: RecastEdit["where"]): number[] {
  const shows = (row: number): boolean => {
    const { value } = entryAt(list, key, row);
    return !Number.isNaN(value) && value !== key.attribute.home;
  };
  return rows.filter((row) => storedMove(list, key, row) !== undefined || (where === "look" && shows(row)));
}

/** A sentence for a key that does what the other light cannot do. */
function lacking(
  list: ListSheet,
  rows: readonly number[],
  { from, to }: Handover,
  pairs: readonly Pair[],
  where: RecastEdit["where"],
): string[] {
  if (to) return [];
  const moves = rows.filter((row) => storedMove(list, from, row)).length;
  const shown = rowsLost(list, rows, from, where).length;
  const other = pairs.find((pair) => pair.from === from.channel)?.to;
  const does = moves > 0 ? `has ${count(moves, "move")}` : `is shown in ${count(shown, "cue")}`;
  return shown === 0 ? [] : [`Light ${other ?? ""} has no ${from.attribute.id}, and ${from.name} ${does}`];
}

/** An attribute that lights do something with and those who take over lack: in how many cues of the range, and what these have in its place. */
export interface LackedAttribute {
  readonly attribute: string;
  readonly cues: number;
  readonly has: readonly string[];
}

/**
 * What the lights that take over cannot do of what the others do over a range of cue numbers, by attribute; as a recast of them would refuse it.
 * Empty where the lights are not as many on both sides.
 */
export function lackedAttributes(
  list: ListSheet,
  {
    from,
    to,
    channels,
    as,
    where,
  }: { from: string; to: string; channels: readonly number[]; as: readonly number[]; where: RecastEdit["where"] },
): LackedAttribute[] {
  if (channels.length !== as.length) return [];
  const [least, most] = [cueOrder(from), cueOrder(to)];
  const rows = list.order.flatMap((order, row) => (order >= least && order <= most ? [row] : []));
  const found = new Map<string, { rows: Set<number>; has: Set<string> }>();
  channels.forEach((channel, place) => {
    const other = list.keys.byChannel.get(as[place] ?? -1);
    if (!other) return;
    for (const key of keysOf(list, channel)) {
      const lost = other.has(key.attribute.id) ? [] : rowsLost(list, rows, key, where);
      if (lost.length === 0) continue;
      const known = found.get(key.attribute.id) ?? { rows: new Set<number>(), has: new Set<string>() };
      for (const row of lost) known.rows.add(row);
      for (const [name, { attribute }] of other) if (attribute.family !== "intensity") known.has.add(name);
      found.set(key.attribute.id, known);
    }
  });
  return [...found].map(([attribute, { rows: inRows, has }]) => ({ attribute, cues: inRows.size, has: [...has] }));
}

/** All keys of a light. */
function keysOf(list: ListSheet, channel: number): Key[] {
  return [...(list.keys.byChannel.get(channel)?.values() ?? [])];
}

/** The moves of all lights that give something away or take something over, over the rows of the range, and what that leaves behind it in words. */
function recastColumns(
  sheet: ShowSheet,
  list: ListSheet,
  rows: readonly number[],
  edit: RecastEdit,
  handovers: readonly Handover[],
): { readonly steps: MoveStep[]; readonly behind: string[] } {
  const incoming = new Map(handovers.flatMap((handover) => (handover.to ? [[handover.to, handover] as const] : [])));
  const givenAway = new Set(handovers.filter((each) => isGivenAway(edit, each)).map(({ from }) => from));
  const touched = new Set([...givenAway, ...incoming.keys()]);
  const [first, last] = [at(rows, 0), at(rows, rows.length - 1)];
  const steps: MoveStep[] = [];
  const changedBehind = new Set<number>();
  for (const key of touched) {
    let carried: Tracked = carriedAt(list, key, first - 1);
    for (const row of rows) {
      const tracking = at(list.tracking, row);
      const base = trackedIn<Tracked>(tracking, carried, UNSET);
      const placed = placedAt(sheet, list, row, edit, key, incoming.get(key), givenAway.has(key), base);
      append(steps, storeStep(list, key, row, placed));
      const shown = placed ? { value: resolve(placed.move, key, list.palettes), spec: placed.move } : base;
      carried = trackedOut(tracking, carried, shown);
    }
    const was = carriedAt(list, key, last);
    if (edit.after === "restore") append(steps, restoreFrom(list, key, last + 1, carried, was));
    else if (last + 1 < list.cues.length && !isWall(list, last + 1) && !storedMove(list, key, last + 1) && !sameTracked(carried, was))
      changedBehind.add(key.channel);
  }
  return { steps, behind: behindWords(list, last, [...changedBehind]) };
}

/** True for a key whose moves leave it: they are not only copied, and the other light can do them or they are forgotten. */
function isGivenAway({ how, dropMissing }: RecastEdit, { to }: Handover): boolean {
  return how !== "copy" && (to !== undefined || dropMissing === true);
}

/** What a key that gives away or takes over stores in a row afterwards, where `base` tracks into it then. All of it is read from the cues as they were. */
function placedAt(
  sheet: ShowSheet,
  list: ListSheet,
  row: number,
  { where }: RecastEdit,
  key: Key,
  incoming: Handover | undefined,
  isAway: boolean,
  base: Tracked,
): PlacedMove | undefined {
  const mine = incoming && storedMove(list, incoming.from, row);
  if (mine && incoming) return { part: mine.part, move: given(sheet, list, row, incoming, key, mine) };
  if (where === "moves") return isAway ? undefined : storedMove(list, key, row);
  const part = storedMove(list, key, row)?.part ?? cueAt(list, row).parts[0]?.number ?? 1;
  if (!incoming) return key.attribute.family === "intensity" && base.value > 0 ? { part, move: makeMove({ value: 0 }, {}) } : undefined;
  const wanted = shownBy(list, row, incoming, key);
  return sameTracked(base, wanted) ? undefined : { part, move: makeMove(targetOf(wanted), {}) };
}

/** What the first light shows in a row, as the other one shows it. */
function shownBy(list: ListSheet, row: number, { from, mapped }: Handover, to: Key): Tracked {
  const shown = entryAt(list, from, row);
  if (mapped) {
    const value = Number.isNaN(shown.value) ? shown.value : mappedValue(shown.value, from.attribute, to.attribute, mapped.turned);
    return { value, spec: undefined };
  }
  const palette = shown.spec === undefined ? undefined : paletteOf(shown.spec);
  if (palette === undefined) return { value: shown.value, spec: undefined };
  return { value: list.palettes.valueFor(palette, to) ?? Number.NaN, spec: { palette } };
}

/** A sentence for each light that gives its stored moves away and stays lit at what tracked in. */
function leftLit(list: ListSheet, rows: readonly number[], { where, how }: RecastEdit, pairs: readonly Pair[]): string[] {
  if (where === "look" || how === "swap") return [];
  const takers = new Set(pairs.map(({ to }) => to));
  const [row] = rows;
  return pairs.flatMap(({ from, to }) => {
    const key = keysOf(list, from).find(({ attribute }) => attribute.family === "intensity");
    if (!key || row === undefined || takers.has(from) || storedMove(list, key, row)) return [];
    const { value } = entryAt(list, key, row);
    if (!(value > 0)) return [];
    const cue = cueAt(list, row).number;
    return how === "copy"
      ? [`Light ${from} is at ${value} already when cue ${cue} begins; light ${to} does not take that over: "recast look of" does`]
      : [`Light ${from} stays lit at ${value}, which tracks into cue ${cue}: "recast look of" gives that on too, and takes it out`];
  });
}

/** A sentence for the lights that stand otherwise behind the range; none where there are none. */
function behindWords(list: ListSheet, last: number, lights: readonly number[]): string[] {
  if (lights.length === 0) return [];
  const who = lights.length === 1 ? `Light ${lights[0] ?? ""} keeps` : `Lights ${sideWords(lights)} keep`;
  return [
    `${who} in cue ${cueAt(list, last + 1).number} what there is in cue ${cueAt(list, last).number}; with "only" all is as before there`,
  ];
}

/** The waves of the lights in one row, given on as their moves are; where looks are given on, the first row says those that tracked into it. */
function waveSteps(list: ListSheet, row: number, edit: RecastEdit, handovers: readonly Handover[], isFirst: boolean): Step[] {
  const cue = cueAt(list, row);
  const becomes = new Map<Key, SaidWave | null>();
  const parts = new Map<Key, number>();
  const tracksIn = (key: Key): { said: SaidWave; part: number } | undefined => {
    const wave = edit.where === "look" && isFirst ? wavesOf(list).get(key)?.[row]?.wave : undefined;
    return wave ? { said: wave, part: cue.parts[0]?.number ?? 1 } : undefined;
  };
  for (const handover of handovers) {
    const { from } = handover;
    if (!isGivenAway(edit, handover)) continue;
    if (saidWave(cue, from)) becomes.set(from, null);
    else if (tracksIn(from)) becomes.set(from, { stop: true });
  }
  for (const { from, to, mapped } of handovers) {
    const mine = saidWave(cue, from) ?? tracksIn(from);
    if (!mine || !to) continue;
    becomes.set(to, mapped ? mappedWave(mine.said, from.attribute, to.attribute, mapped.turned) : mine.said);
    parts.set(to, mine.part);
  }
  return becomes.size === 0 ? [] : saidSteps(list.id, cue, becomes, parts);
}

/** A wave as large in another attribute's range, turned upside down where the values are turned round. */
function mappedWave(said: SaidWave, from: Attribute, to: Attribute, turned: boolean): SaidWave {
  if ("stop" in said) return said;
  const share = from.max === from.min ? 0 : said.size / (from.max - from.min);
  return { ...said, size: Math.round((turned ? -share : share) * (to.max - to.min) * 1e4) / 1e4 };
}

/** A move as the other light makes it. A mapped one says its number, since a palette may know nothing of the other attribute. Throws ShowError where it cannot. */
function given(sheet: ShowSheet, list: ListSheet, row: number, { from, mapped }: Handover, to: Key, { move }: PlacedMove): MoveSpec {
  if (!mapped) return readMove(move, to.attribute, sheet.palettes.byId, place(list, row, to));
  const palette = paletteOf(move);
  const value = palette === undefined ? plainValue(move) : sheet.palettes.valueFor(palette, from);
  const target =
    value === undefined ? { release: true as const } : { value: mappedValue(value, from.attribute, to.attribute, mapped.turned) };
  return makeMove(target, moveTiming(move));
}

/** A value at the same place of another attribute's range, or as far from its other end; to four places. */
function mappedValue(value: number, from: Attribute, to: Attribute, turned: boolean): number {
  const share = from.max === from.min ? 0 : (value - from.min) / (from.max - from.min);
  return Math.round((to.min + (turned ? 1 - share : share) * (to.max - to.min)) * 1e4) / 1e4;
}

/** The cue and the key, as a sentence begins. */
function place(list: ListSheet, row: number, key: Key): string {
  return `Cue ${cueAt(list, row).number}, ${key.name}`;
}

/** The mark settings of lights given to others, in one cue. */
function markSteps(list: ListSheet, row: number, { how }: RecastEdit, pairs: readonly Pair[]): Step[] {
  const cue = cueAt(list, row);
  const channels = cue.mark?.channels;
  if (!channels || !pairs.some(({ from }) => channels[from])) return [];
  const after: NonNullable<MarkSettings["channels"]> = { ...channels };
  if (how !== "copy") for (const { from } of pairs) delete after[from];
  for (const { from, to } of pairs) {
    const own = channels[from];
    if (own) after[to] = own;
  }
  return [headStep(list, cue, { ...headOf(cue), mark: { ...cue.mark, channels: after } })];
}

/** A sentence for each palette that has no value for the light that now refers to it. */
function gaps(sheet: ShowSheet, steps: readonly Step[]): string[] {
  const found = new Set<string>();
  for (const step of steps) {
    const palette = step.at === "move" && step.after ? paletteOf(step.after.move) : undefined;
    const key = step.at === "move" ? keyAt(sheet.keys, step.channel, step.attribute) : undefined;
    if (palette !== undefined && key && sheet.palettes.valueFor(palette, key) === undefined)
      found.add(`Palette "${palette}" has no ${key.attribute.id} for light ${key.channel}`);
  }
  return [...found];
}

/** What is said of the three ways to recast. */
const HOW_WORDS = { replace: " recast as", copy: " also done by", swap: " exchanged with" } as const;

/** Whose moves are spoken of: "Channel 1 has", "Channels 1 and 4 more have". */
function lightsWords(pairs: readonly Pair[]): string {
  const [first] = pairs;
  return pairs.length === 1 ? `Light ${first?.from ?? ""} has` : `Light ${first?.from ?? ""} and ${count(pairs.length - 1, "other")} have`;
}

/** The lights of one side: "1", "1 to 4", or "1, 7, 3". */
function sideWords(side: number | readonly number[]): string {
  const lights = [side].flat();
  const [first, last] = [lights[0] ?? 0, lights.at(-1) ?? 0];
  return lights.length > 2 && lights.every((light, index) => light === first + index) ? `${first} to ${last}` : lights.join(", ");
}

/**
 * Giving what lights do to others (docs/rules.md, Edits).
 * Attributes that the other light lacks refuse the edit unless `skipMissing` is given, and are then named in a note.
 */
export const recast = defineEdit(schema, {
  plan: (sheet, edit) => planRecast(sheet, listFor(sheet, edit), edit),
  words: (edit) =>
    `${rangeWords(edit)}: ${edit.where === "look" ? "what " : ""}${sideWords(edit.channel)}${edit.where === "look" ? " shows" : ""}${HOW_WORDS[edit.how]} ${sideWords(edit.as)}${edit.after === "restore" ? ", restored after" : ""}`,
});
