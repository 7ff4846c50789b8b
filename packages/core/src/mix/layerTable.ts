// The layers of all keys as rows of numbers (docs/running.md, Sources). A source has at most one layer of a key, so a layer has a fixed
// place, its slot: source by source, key by key, so that a frame reads what lies side by side. A frame of thousands of keys reads them and allocates nothing.
import type { Key } from "../sheet/keys.ts";
import type { RunningWave } from "./waves.ts";

/** What a layer does: nothing, holding its key, or on its way out. */
export const NONE = 0;
/**
 * It counts whole, but for a fader's weight.
 */
export const HELD = 1;
/**
 * It keeps the value that it had and loses weight.
 */
export const GOING = 2;

/**
 * What the layers ask of a source: how it stands to others.
 * A list, a held look: whatever holds keys. Priority 0 to 100.
 */
export interface SourceRank {
  readonly priority: number;
  /** Whether its levels count by the highest; everything else always counts by the latest. */
  readonly highest: boolean;
}

/**
 * All layers of all keys, what keys rest at, and what each source's clock, master and fader read at the moment that is looked at.
 * Typed arrays, so that a frame touches plain numbers. A slot is `source * keys + key`.
 * Changed in place by `Layers` alone; everybody else reads.
 */
export interface LayerTable {
  readonly sources: number;
  /** By source: its own time in seconds, what its levels are multiplied by, how much its levels weigh, and the time by which its waves go. */
  readonly times: Float64Array;
  readonly scales: Float64Array;
  readonly weights: Float64Array;
  readonly waveTimes: Float64Array;
  /** By source: what its waves are multiplied by. */
  readonly sizes: Float64Array;
  readonly priorities: Int32Array;
  readonly highest: Uint8Array;
  /** By key: whether it is a level, its light, and the range that it is kept in. */
  readonly isLevel: Uint8Array;
  readonly channels: Float64Array;
  readonly lowest: Float64Array;
  readonly greatest: Float64Array;

  /** By slot: what the layer does, and the course of its value on its source's clock. */
  readonly states: Uint8Array;
  readonly from: Float64Array;
  readonly to: Float64Array;
  readonly start: Float64Array;
  readonly fade: Float64Array;
  readonly curve: Uint8Array;
  /** By slot, of a layer on its way out: the weight it began with, and how it goes. */
  readonly left: Float64Array;
  readonly goStart: Float64Array;
  readonly goFade: Float64Array;
  readonly goCurve: Uint8Array;
  /** By slot, of a layer that came to the top over another's: how far its own sway counted then, from when and in how many seconds it counts whole. */
  readonly swayFrom: Float64Array;
  readonly swayStart: Float64Array;
  readonly swayFade: Float64Array;

  /** By key: its layers from the lowest to the highest, as the numbers of their sources, and how many there are. */
  readonly stacks: Uint16Array;
  readonly heights: Uint16Array;
  /** By key: what it rests at while nobody holds it, still on its way where its last holder's fade goes on; that holder's clock counts (-1: it stands). */
  readonly restFrom: Float64Array;
  readonly restTo: Float64Array;
  readonly restStart: Float64Array;
  readonly restFade: Float64Array;
  readonly restCurve: Uint8Array;
  readonly restClock: Int32Array;
  /** By key: the source that was the last to hold it before nobody did; -1 where nobody ever has. */
  readonly leftBy: Int32Array;

  /** By key: what is added to its output so that it does not jump (a remainder), on its way to 0 on a source's clock, and whether there is any. */
  readonly remainders: Float64Array;
  readonly remainderStart: Float64Array;
  readonly remainderFade: Float64Array;
  readonly remainderCurve: Uint8Array;
  readonly remainderClock: Int32Array;
  readonly hasRemainder: Uint8Array;

  /** By key: the waves of each source that has any, and whether there are some. */
  readonly waves: Map<number, Map<number, RunningWave[]>>;
  readonly hasWaves: Uint8Array;

  /** By key: whether nothing of it moves with time, and what it puts out then. */
  readonly unchanging: Uint8Array;
  /** The same bytes of `unchanging`, four at a time; what is left over at its end is not here. */
  readonly unchangingFours: Uint32Array;
  readonly unchangingOut: Float64Array;
  /** By source: the scale and the weight with which `unchangingOut` was computed. */
  readonly unchangingScales: Float64Array;
  readonly unchangingWeights: Float64Array;
}

/**
 * The place of a source's layer of a key.
 * Slots of one source are neighbours.
 */
export function slotOf({ heights }: LayerTable, key: number, source: number): number {
  return source * heights.length + key;
}

/**
 * A table in which nobody holds anything.
 * All keys rest at home. `ranks` has an entry for each source, by its number.
 */
export function emptyTable(keys: readonly Key[], ranks: readonly SourceRank[]): LayerTable {
  const [count, sources, slots] = [keys.length, ranks.length, keys.length * ranks.length];
  const perSlot = (): Float64Array => new Float64Array(slots);
  const perKey = (): Float64Array => new Float64Array(count);
  const homes = Float64Array.from(keys, ({ attribute }) => attribute.home);
  const unchanging = new Uint8Array(count);
  return {
    sources,
    times: new Float64Array(sources),
    scales: new Float64Array(sources).fill(1),
    weights: new Float64Array(sources).fill(1),
    waveTimes: new Float64Array(sources),
    sizes: new Float64Array(sources).fill(1),
    priorities: Int32Array.from(ranks, ({ priority }) => priority),
    highest: Uint8Array.from(ranks, ({ highest }) => (highest ? 1 : 0)),
    isLevel: Uint8Array.from(keys, ({ attribute }) => (attribute.family === "intensity" ? 1 : 0)),
    channels: Float64Array.from(keys, ({ channel }) => channel),
    lowest: Float64Array.from(keys, ({ attribute }) => attribute.min),
    greatest: Float64Array.from(keys, ({ attribute }) => attribute.max),
    states: new Uint8Array(slots),
    from: perSlot(),
    to: perSlot(),
    start: perSlot(),
    fade: perSlot(),
    curve: new Uint8Array(slots),
    left: perSlot(),
    goStart: perSlot(),
    goFade: perSlot(),
    goCurve: new Uint8Array(slots),
    swayFrom: perSlot(),
    swayStart: perSlot(),
    swayFade: perSlot(),
    stacks: new Uint16Array(slots),
    heights: new Uint16Array(count),
    restFrom: homes.slice(),
    restTo: homes,
    restStart: perKey(),
    restFade: perKey(),
    restCurve: new Uint8Array(count),
    restClock: new Int32Array(count).fill(-1),
    leftBy: new Int32Array(count).fill(-1),
    remainders: perKey(),
    remainderStart: perKey(),
    remainderFade: perKey(),
    remainderCurve: new Uint8Array(count),
    remainderClock: new Int32Array(count),
    hasRemainder: new Uint8Array(count),
    waves: new Map(),
    hasWaves: new Uint8Array(count),
    unchanging,
    unchangingFours: new Uint32Array(unchanging.buffer, 0, count >> 2),
    unchangingOut: perKey(),
    unchangingScales: new Float64Array(sources),
    unchangingWeights: new Float64Array(sources),
  };
}

/**
 * Makes a table what another of the same keys and sources is.
 * Allocates nothing but for waves; for looking ahead without disturbing the run.
 */
export function copyTable(into: LayerTable, from: LayerTable): void {
  for (const [one, other] of pairs(into, from)) one.set(other);
  into.unchanging.fill(0);
  into.waves.clear();
  for (const [key, bySource] of from.waves)
    into.waves.set(key, new Map([...bySource].map(([source, waves]) => [source, waves.map((wave) => ({ ...wave }))])));
}

type Numbers = Float64Array | Uint8Array | Uint16Array | Int32Array;

/** The rows that change while shows run, side by side. */
function pairs(a: LayerTable, b: LayerTable): [Numbers, Numbers][] {
  return [
    [a.times, b.times],
    [a.scales, b.scales],
    [a.weights, b.weights],
    [a.waveTimes, b.waveTimes],
    [a.sizes, b.sizes],
    [a.states, b.states],
    [a.from, b.from],
    [a.to, b.to],
    [a.start, b.start],
    [a.fade, b.fade],
    [a.curve, b.curve],
    [a.left, b.left],
    [a.goStart, b.goStart],
    [a.goFade, b.goFade],
    [a.goCurve, b.goCurve],
    [a.swayFrom, b.swayFrom],
    [a.swayStart, b.swayStart],
    [a.swayFade, b.swayFade],
    [a.stacks, b.stacks],
    [a.heights, b.heights],
    [a.restFrom, b.restFrom],
    [a.restTo, b.restTo],
    [a.restStart, b.restStart],
    [a.restFade, b.restFade],
    [a.restCurve, b.restCurve],
    [a.restClock, b.restClock],
    [a.leftBy, b.leftBy],
    [a.remainders, b.remainders],
    [a.remainderStart, b.remainderStart],
    [a.remainderFade, b.remainderFade],
    [a.remainderCurve, b.remainderCurve],
    [a.remainderClock, b.remainderClock],
    [a.hasRemainder, b.hasRemainder],
    [a.hasWaves, b.hasWaves],
  ];
}
