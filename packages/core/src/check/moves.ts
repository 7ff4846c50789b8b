import { append } from "../show/append.ts";
import { restingAt } from "../sheet/rest.ts";
import { at, intAt } from "../show/at.ts";
import type { MoveSpec, Part } from "../show/schema.ts";
import { litRows } from "../marks/calls.ts";
import { paletteOf } from "../show/move.ts";
import { type Column, EMPTY_COLUMN, moveIndexAt } from "../sheet/column.ts";
import { columnOf, sameValue, valueAt } from "../sheet/entry.ts";
import { type Key, intensityOf } from "../sheet/keys.ts";
import { cueAt } from "../sheet/sheet.ts";
import { TrackingWalk, isWall, trackedIn, tracksOn, valueOfMove } from "../sheet/tracking.ts";
import { timingOf } from "../time/times.ts";
import { partNumbered } from "../time/transition.ts";
import type { CheckContext } from "./context.ts";
import { litUnseen } from "./litUnseen.ts";
import { type Code, type Finding, type Severity, findingAt } from "./finding.ts";
import { count, listed } from "../show/words.ts";

/** One stored move with what stands around it. */
interface Met {
  readonly key: Key;
  readonly row: number;
  readonly spec: MoveSpec;
  readonly value: number;
  /** What the cue before shows. */
  readonly before: number;
  /** The last row that shows the move. */
  readonly last: number;
  /** True where another move or a wall ends it, false where the list does. */
  readonly ended: boolean;
}

/** Keys that a rule has found, gathered by cue and light, and by where they end, so that each is told once. */
class Gathered {
  private readonly byPlace = new Map<number, Met[]>();

  add(met: Met, end = 0): void {
    const place = (met.row * 100_000 + met.key.channel) * 1_000_000 + end;
    const own = this.byPlace.get(place);
    if (own) own.push(met);
    else this.byPlace.set(place, [met]);
  }

  findings(tell: (first: Met, all: readonly Met[]) => Finding): Finding[] {
    return [...this.byPlace.values()].flatMap((all) => (all[0] ? [tell(all[0], all)] : []));
  }
}

/**
 * What the stored moves of a list do that is hardly meant: jumps in view, moves that change nothing, values nobody sees, palettes with
 * gaps, lights at home.
 * Pauses after each light. The findings come by the generator's return.
 */
export function* checkMovesInSlices(context: CheckContext): Generator<undefined, Finding[]> {
  const { holds, keep } = context;
  const found: Finding[] = [];
  for (const [channel, keys] of context.list.keys.byChannel) {
    const known = holds && !holds.channels.has(channel) ? holds.cache.moves.get(channel) : undefined;
    const own = known ?? checkLight(context, channel, [...keys.values()]);
    keep.moves.set(channel, own);
    append(found, own);
    if (!known) yield;
  }
  return found;
}

/** What the moves of one light do that is hardly meant; it depends on nothing but them, and on how the cues track and run. */
function checkLight(context: CheckContext, channel: number, keys: readonly Key[]): Finding[] {
  const found: Record<Fault, Gathered> = { jump: new Gathered(), same: new Gathered(), unseen: new Gathered(), gap: new Gathered() };
  const lit = litRows(context.list, channel);
  const light = { lit, litThrough: runningCount(lit) };
  for (const key of keys) readColumn(context, key, light, (fault, met) => found[fault].add(met, fault === "unseen" ? met.last : 0));
  return [
    ...found.jump.findings((first, all) => jump(context, first, all)),
    ...found.same.findings((first, all) => noChange(context, first, all)),
    ...found.unseen.findings((first, all) => neverSeen(context, first, all)),
    ...found.gap.findings((first, all) => gap(context, first, all)),
    ...atHome(context, channel, keys, lit),
    ...litUnseen(context, channel, keys, lit),
  ];
}

/** The rows in which a light is lit: 1 or 0 for each, and how many there are before each. */
interface Light {
  readonly lit: Uint8Array;
  readonly litThrough: Int32Array;
}

/** What can be wrong with a stored move. */
type Fault = "jump" | "same" | "unseen" | "gap";

/** How many rows before each are lit, so that a span is asked in one step. */
function runningCount(lit: Uint8Array): Int32Array {
  const through = new Int32Array(lit.length + 1);
  for (let row = 0; row < lit.length; row += 1) through[row + 1] = intAt(through, row) + (lit[row] ?? 0);
  return through;
}

/** Reads the moves of a key downward, with what tracks in and what the cue before shows, and tells those with a fault. */
function readColumn(context: CheckContext, key: Key, light: Light, tell: (fault: Fault, met: Met) => void): void {
  const { list } = context;
  const column = columnOf(list, key);
  const walk = new TrackingWalk(list, column);
  for (let index = 0; index < column.rows.length;) {
    const { carried, move: above } = walk;
    if (!walk.step()) return;
    const row = walk.from;
    if (row !== column.rows[index]) continue;
    const value = at(column.values, index);
    const before = valueOfMove(column, above);
    const into = trackedIn(at(list.tracking, row), carried, -1);
    const fault = isSaidAlready(list, column, index, before, into) ? "same" : faultOf(context, key, column, index, before, light);
    if (fault) {
      const last = lastRowOf(context, column, index);
      tell(fault, { key, row, spec: at(column.specs, index), value, before, last, ended: last + 1 < list.cues.length });
    }
    index += 1;
  }
}

/** True for a move that says again what tracks in (the move `into`; -1: none) and what the cue before shows, number and palette. */
function isSaidAlready(list: CheckContext["list"], column: Column, index: number, before: number, into: number): boolean {
  const value = at(column.values, index);
  if (!sameValue(value, before) || !sameValue(value, valueOfMove(column, into)) || isWall(list, at(column.rows, index))) return false;
  const palette = paletteOf(at(column.specs, index));
  if (Number.isNaN(value) && palette !== undefined) return false;
  return palette === (into < 0 ? undefined : paletteOf(at(column.specs, into)));
}

/** What is wrong with a move that does say something new, if anything is. */
function faultOf(context: CheckContext, key: Key, column: Column, index: number, before: number, light: Light): Fault | undefined {
  const { attribute } = key;
  const value = at(column.values, index);
  const unset = Number.isNaN(value);
  if (attribute.family === "intensity" && !unset) return undefined;
  const spec = at(column.specs, index);
  const palette = paletteOf(spec);
  if (unset) return palette === undefined ? undefined : "gap";
  const { lit, litThrough } = light;
  const row = at(column.rows, index);
  if (litThrough[lastRowOf(context, column, index) + 1] === litThrough[row]) return "unseen";
  const isWheel = attribute.family === "beam" && attribute.snap === true;
  const watched = attribute.family === "position" || isWheel || palette !== undefined;
  if (!watched || row === 0 || lit[row] !== 1 || lit[row - 1] !== 1) return undefined;
  const from = Number.isNaN(before) ? restingAt(context.list, key, row - 1) : before;
  const part = partNumbered(cueAt(context.list, row), at(column.parts, index));
  return jumps(key, spec, part, from, value) ? "jump" : undefined;
}

/** The last row that shows a move: before the next that takes over what tracks on, or before a wall; its own row where its cue keeps it. */
function lastRowOf({ list, nextWall }: CheckContext, column: Column, index: number): number {
  const row = at(column.rows, index);
  if (!tracksOn(list, row)) return row;
  return Math.min(nextCarrying(list, column, index), nextWall[row] ?? list.cues.length) - 1;
}

/** The row of the next move that tracks on; a cue that keeps its moves only covers what tracks through. */
function nextCarrying(list: CheckContext["list"], column: Column, index: number): number {
  for (let next = index + 1; next < column.rows.length; next += 1) {
    const row = at(column.rows, next);
    if (tracksOn(list, row)) return row;
  }
  return list.cues.length;
}

/** True for a move that is at another value at once. */
function jumps({ attribute }: Key, spec: MoveSpec, part: Part, from: number, to: number): boolean {
  if (sameValue(from, to)) return false;
  const { fade, curve } = timingOf(attribute, spec, part, from, to);
  return fade === 0 || curve === "atStart" || curve === "atEnd";
}

/** The attributes of some moves by name. */
function names(all: readonly Met[]): string {
  return listed(all.map(({ key }) => key.attribute.name ?? key.attribute.id));
}

/** The range and the keys of an edit that speaks of these moves alone. */
function only(
  first: Met,
  all: readonly Met[],
  context: CheckContext,
): { from: string; to: string; keys: { channels: number[]; attributes: string[] } } {
  const cue = cueAt(context.list, first.row).number;
  return { from: cue, to: cue, keys: { channels: [first.key.channel], attributes: all.map(({ key }) => key.attribute.id) } };
}

/** A finding at the cue and the light of a move. */
function tell(context: CheckContext, code: Code, first: Met, message: string, mend?: Finding["mend"], severity?: Severity): Finding {
  return findingAt(context, code, first.row, first.key.channel, message, mend, severity);
}

/** Tells of a move that is seen to jump, or to travel, while its light is lit. */
function jump(context: CheckContext, first: Met, all: readonly Met[]): Finding {
  const travel = Math.max(
    ...all.map(
      ({ key, row, before, value }) =>
        Math.abs(value - (Number.isNaN(before) ? restingAt(context.list, key, row - 1) : before)) / (key.attribute.speed ?? Infinity),
    ),
  );
  const message = `Light ${first.key.channel} is lit and its ${names(all)} jumps in view in cue ${cueAt(context.list, first.row).number}. Give the move a time, or prepare it while the light is dark.`;
  const fade = Math.max(1, Math.ceil(travel * 10) / 10);
  const wheels = all.some(({ key }) => key.attribute.snap === true);
  return tell(
    context,
    "moves-in-view",
    first,
    message,
    wheels ? undefined : [{ op: "setMoveTimes", ...only(first, all, context), fade, curve: null }],
    isFlash(context, first, all) ? "hint" : undefined,
  );
}

/** True for colours that change as the level of their light jumps too: lightning, a lamp that is switched on. Nobody takes that for a slip. */
function isFlash({ list }: CheckContext, { key, row }: Met, all: readonly Met[]): boolean {
  const level = intensityOf(list.keys, key.channel);
  if (!level || all.some((met) => met.key.attribute.family !== "colour")) return false;
  const column = columnOf(list, level);
  const index = moveIndexAt(column, row);
  const spec = column.specs[index];
  if (spec === undefined) return false;
  const before = valueAt(list, column, row - 1);
  return jumps(
    level,
    spec,
    partNumbered(cueAt(list, row), at(column.parts, index)),
    Number.isNaN(before) ? 0 : before,
    at(column.values, index),
  );
}

/** Tells of a move that says what tracks in anyway. */
function noChange(context: CheckContext, first: Met, all: readonly Met[]): Finding {
  const cue = cueAt(context.list, first.row).number;
  const message = `Cue ${cue} moves the ${names(all)} of light ${first.key.channel} to what tracks in anyway: nothing changes on stage, but later edits of earlier cues will stop here. Drop it, or block the cue if that is meant.`;
  return tell(context, "no-change", first, message, [{ op: "change", ...only(first, all, context), do: { drop: true }, where: "moves" }]);
}

/** Tells of a value that is taken away again before its light comes up. */
function neverSeen(context: CheckContext, first: Met, all: readonly Met[]): Finding {
  const cue = cueAt(context.list, first.row).number;
  const until = first.ended ? `until cue ${context.list.cues[first.last + 1]?.number ?? ""} ends it` : "to the end of the list";
  const message = `Cue ${cue} sets the ${names(all)} of light ${first.key.channel}, which stays dark ${until}: nobody ever sees it. Drop it, or bring the light up.`;
  return tell(context, "never-seen", first, message, [{ op: "change", ...only(first, all, context), do: { drop: true }, where: "moves" }]);
}

/** Tells of a move that refers to a palette without a value for its light. */
function gap(context: CheckContext, first: Met, all: readonly Met[]): Finding {
  const palettes = listed([...new Set(all.map(({ spec }) => `"${paletteOf(spec) ?? ""}"`))]);
  const message = `Cue ${cueAt(context.list, first.row).number} sends the ${names(all)} of light ${first.key.channel} to palette ${palettes}, which has no value for it: it counts as not set. Give the palette a value for light ${first.key.channel}, or use another.`;
  return tell(context, "palette-gap", first, message);
}

/** A light that comes up with a position or colour that nothing has ever set: told once, at the first cue. */
function atHome(context: CheckContext, channel: number, keys: readonly Key[], lit: Uint8Array): Finding[] {
  const watched = keys.filter((key) => key.attribute.family === "position" || key.attribute.family === "colour");
  if (watched.length === 0) return [];
  const rises: number[] = [];
  lit.forEach((on, row) => {
    if (on === 1 && (row === 0 || lit[row - 1] === 0)) rises.push(row);
  });
  const bare = rises.filter((row) => watched.some((key) => isUnset(context, key, row)));
  const first = bare[0];
  if (first === undefined) return [];
  const unset = watched.filter((key) => isUnset(context, key, first)).map((key) => key.attribute.name ?? key.attribute.id);
  const more = bare.length > 1 ? `, and so in ${count(bare.length - 1, "more cue")}` : "";
  const message = `Light ${channel} comes up in cue ${cueAt(context.list, first).number}${more} with its ${listed(unset)} never set: it shows whatever it rests at. Set it before, or in that cue.`;
  return [findingAt(context, "at-home-while-lit", first, channel, message)];
}

/** True when nothing is said of a key in a row. */
function isUnset({ list }: CheckContext, key: Key, row: number): boolean {
  const column = columnOf(list, key);
  return column === EMPTY_COLUMN || Number.isNaN(valueAt(list, column, row));
}
