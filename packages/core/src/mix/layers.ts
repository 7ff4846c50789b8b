// What each key puts out where several sources hold it (section 7 of the running rules). A source has at most one layer of a key, so a layer
// has a fixed slot: key by key, source by source. Everything lies in arrays of numbers, so that a frame of thousands of keys allocates nothing.
import { floatAt } from "../show/at.ts";
import type { Key } from "../sheet/keys.ts";
import { curveByCode } from "./curveCodes.ts";
import { type RunningWave, contribution, sizeAt } from "./waves.ts";

/** What a layer does: nothing, holding its key, or on its way out. */
const NONE = 0;
const HELD = 1;
const GOING = 2;

/** What the layers ask of a source: how it stands to others. */
export interface SourceRank {
  readonly priority: number;
  /** Whether its levels count by the highest; everything else always counts by the latest. */
  readonly highest: boolean;
}

/** A value on its way: where it goes, in how many seconds of its source's own clock, and how (the number of a curve). */
export interface Course {
  readonly to: number;
  readonly fade: number;
  readonly curve: number;
}

/** All layers of all keys. One moment at a time is looked at: `moment` says what each source's clock, master and fader read then. */
export class Layers {
  /** By source: its own time in seconds, what its levels are multiplied by, and how much its levels weigh, all at the moment that is looked at. */
  readonly times: Float64Array;
  readonly scales: Float64Array;
  readonly weights: Float64Array;
  /** By source: the time by which its waves go, in seconds; it runs at the list's rate. */
  readonly waveTimes: Float64Array;
  private readonly sources: number;
  private readonly priorities: Int32Array;
  private readonly highest: Uint8Array;
  private readonly isLevel: Uint8Array;

  private readonly states: Uint8Array;
  private readonly from: Float64Array;
  private readonly to: Float64Array;
  private readonly start: Float64Array;
  private readonly fade: Float64Array;
  private readonly curve: Uint8Array;
  /** Of a layer on its way out: the weight it began with, and how it goes. */
  private readonly left: Float64Array;
  private readonly goStart: Float64Array;
  private readonly goFade: Float64Array;
  private readonly goCurve: Uint8Array;

  /** Of a layer that came to the top over another's: how far its own sway counted then, from when and in how many seconds it counts whole. */
  private readonly swayFrom: Float64Array;
  private readonly swayStart: Float64Array;
  private readonly swayFade: Float64Array;
  /** By key: the waves of each source that has any. */
  private readonly waves = new Map<number, Map<number, RunningWave[]>>();
  private readonly hasWaves: Uint8Array;
  private readonly channels: Float64Array;

  /** By key: its layers from the lowest to the highest, as the numbers of their sources, and how many there are. */
  private readonly stacks: Uint16Array;
  private readonly heights: Uint16Array;
  /** By key: what it rests at while nobody holds it, still on its way where its last holder's fade goes on; that holder's clock counts (-1: it stands). */
  private readonly restFrom: Float64Array;
  private readonly restTo: Float64Array;
  private readonly restStart: Float64Array;
  private readonly restFade: Float64Array;
  private readonly restCurve: Uint8Array;
  private readonly restClock: Int32Array;

  constructor(keys: readonly Key[], ranks: readonly SourceRank[]) {
    const [count, slots] = [keys.length, keys.length * ranks.length];
    this.sources = ranks.length;
    this.times = new Float64Array(ranks.length);
    this.waveTimes = new Float64Array(ranks.length);
    this.swayFrom = new Float64Array(slots);
    this.swayStart = new Float64Array(slots);
    this.swayFade = new Float64Array(slots);
    this.hasWaves = new Uint8Array(count);
    this.channels = Float64Array.from(keys, ({ channel }) => channel);
    this.scales = new Float64Array(ranks.length).fill(1);
    this.weights = new Float64Array(ranks.length).fill(1);
    this.priorities = Int32Array.from(ranks, ({ priority }) => priority);
    this.highest = Uint8Array.from(ranks, ({ highest }) => (highest ? 1 : 0));
    this.isLevel = Uint8Array.from(keys, ({ attribute }) => (attribute.family === "intensity" ? 1 : 0));
    this.states = new Uint8Array(slots);
    [this.from, this.to, this.start, this.fade] = [0, 1, 2, 3].map(() => new Float64Array(slots)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    this.curve = new Uint8Array(slots);
    this.left = new Float64Array(slots);
    this.goStart = new Float64Array(slots);
    this.goFade = new Float64Array(slots);
    this.goCurve = new Uint8Array(slots);
    this.stacks = new Uint16Array(slots);
    this.heights = new Uint16Array(count);
    const homes = Float64Array.from(keys, ({ attribute }) => (attribute.family === "intensity" ? 0 : attribute.home));
    this.restFrom = homes.slice();
    this.restTo = homes;
    this.restStart = new Float64Array(count);
    this.restFade = new Float64Array(count);
    this.restCurve = new Uint8Array(count);
    this.restClock = new Int32Array(count).fill(-1);
  }

  /** True where a source holds a key; one on its way out holds it no more. */
  holds(key: number, source: number): boolean {
    return this.states[key * this.sources + source] === HELD;
  }

  /** True where a source holds a key, or is still letting go of it. */
  has(key: number, source: number): boolean {
    return this.states[key * this.sources + source] !== NONE;
  }

  /** True where a source other than this one holds a key. */
  heldByOthers(key: number, source: number): boolean {
    for (let place = 0; place < intAt32(this.heights, key); place += 1) {
      const other = this.stacked(key, place);
      if (other !== source && this.holds(key, other)) return true;
    }
    return false;
  }

  /** Where a source's layer of a key will be when its fade is over; where it holds none, what the key rests at. */
  destination(key: number, source: number): number {
    return this.holds(key, source) ? floatAt(this.to, key * this.sources + source) : floatAt(this.restTo, key);
  }

  /** A source's own value of a key at the moment looked at, before its master; NaN where it has none. */
  ownValue(key: number, source: number): number {
    const slot = key * this.sources + source;
    if (this.states[slot] === NONE) return Number.NaN;
    return this.courseAt(slot, source);
  }

  /** What a source has of a key at the moment looked at: from where an instruction of it starts that takes hold now, before its master. */
  startFor(key: number, source: number): number {
    if (this.isLevel[key] === 0) return this.outBelow(key, source);
    if (this.highest[source] === 1) {
      const own = this.ownValue(key, source);
      return Number.isNaN(own) ? 0 : own * this.weightAt(key * this.sources + source, source, true);
    }
    const scale = floatAt(this.scales, source);
    return scale === 0 ? 0 : this.outBelow(key, source) / scale;
  }

  /** Lets a source take hold of a key now, from where it is seen, or from a value that is given. */
  takeHold(key: number, source: number, { to, fade, curve }: Course, from = this.startFor(key, source)): void {
    this.prune(key);
    const slot = key * this.sources + source;
    this.from[slot] = from;
    this.to[slot] = to;
    this.start[slot] = floatAt(this.times, source);
    this.fade[slot] = fade;
    this.curve[slot] = curve;
    const height = intAt32(this.heights, key);
    const isNewOnTop = height > 0 && this.stacked(key, height - 1) !== source;
    const isGoing = this.states[slot] === GOING;
    if (isNewOnTop || isGoing || this.states[slot] === NONE) {
      this.swayFrom[slot] =
        isNewOnTop || !isGoing ? 0 : this.swayWeight(slot, source, this.weightAt(slot, source, this.isLevel[key] === 1));
      this.swayStart[slot] = floatAt(this.times, source);
      this.swayFade[slot] = isNewOnTop || isGoing ? fade : 0;
    }
    if (this.states[slot] !== NONE) this.unstack(key, source);
    this.states[slot] = HELD;
    this.stack(key, source);
  }

  /** Starts a wave of a source on a key; those that it had go down to nothing in the same time. Null: they only go. */
  startWave(key: number, source: number, wave: Omit<RunningWave, "since" | "from" | "start"> | null, fade: number, curve: number): void {
    const time = floatAt(this.times, source);
    const bySource = this.waves.get(key) ?? new Map<number, RunningWave[]>();
    const left = (bySource.get(source) ?? []).filter((each) => sizeAt(each, time) !== 0 || each.to !== 0);
    for (const each of left) Object.assign(each, { from: sizeAt(each, time), to: 0, start: time, fade, curve });
    if (wave) left.push({ ...wave, since: floatAt(this.waveTimes, source), from: 0, start: time });
    bySource.set(source, left);
    this.waves.set(key, bySource);
    this.hasWaves[key] = [...bySource.values()].some((each) => each.length > 0) ? 1 : 0;
  }

  /** The keys on which a source has waves. */
  wavingKeys(source: number): number[] {
    return [...this.waves].flatMap(([key, bySource]) => ((bySource.get(source) ?? []).length > 0 ? [key] : []));
  }

  /**
   * Lets a source let go of a key now, in `fade` seconds of its clock. A key that nobody else holds, and that is no level, is not moved: it rests
   * where it is, and the fade that it is in goes on. Letting go once more starts from the weight that is left.
   */
  letGo(key: number, source: number, fade: number, curve: number): void {
    const slot = key * this.sources + source;
    const state = this.states[slot];
    if (state === NONE) return;
    if (state === HELD && this.isLevel[key] === 0 && !this.heldByOthers(key, source)) return this.rest(key, source);
    const weight = this.weightAt(slot, source, this.isLevel[key] === 1);
    if (fade <= 0 || weight <= 0) return this.remove(key, source);
    const value = this.courseAt(slot, source);
    this.from[slot] = value;
    this.to[slot] = value;
    this.fade[slot] = 0;
    this.states[slot] = GOING;
    this.left[slot] = weight;
    this.goStart[slot] = floatAt(this.times, source);
    this.goFade[slot] = fade;
    this.goCurve[slot] = curve;
  }

  /** Takes a layer away at once; nothing is left of it. */
  remove(key: number, source: number): void {
    const slot = key * this.sources + source;
    if (this.states[slot] === NONE) return;
    this.unstack(key, source);
    this.states[slot] = NONE;
  }

  /** What a key puts out at the moment looked at, its waves included. */
  out(key: number): number {
    return this.hasWaves[key] === 1 ? this.swayed(key) : this.outOf(key, -1);
  }

  /** What a key would put out at the moment looked at if a source had nothing of it. */
  outWithout(key: number, source: number): number {
    return this.outOf(key, -1, source);
  }

  /** Writes what every key puts out at the moment looked at, by key ordinal. */
  write(into: Float64Array): void {
    for (let key = 0; key < this.heights.length; key += 1) into[key] = this.out(key);
  }

  /** How many seconds from now until a level is 0 and stays so with what holds it now; Infinity where it ends lit. */
  secondsToDark(key: number): number {
    let longest = 0;
    for (let place = 0; place < intAt32(this.heights, key); place += 1) {
      const source = this.stacked(key, place);
      const slot = key * this.sources + source;
      const now = floatAt(this.times, source);
      if (this.states[slot] === GOING) {
        if (floatAt(this.to, slot) > 0) longest = Math.max(longest, floatAt(this.goStart, slot) + floatAt(this.goFade, slot) - now);
      } else if (floatAt(this.to, slot) > 0) return Number.POSITIVE_INFINITY;
      else longest = Math.max(longest, floatAt(this.start, slot) + floatAt(this.fade, slot) - now);
    }
    return longest;
  }

  /** How a source's own level of a key goes on from where it began, on the source's clock; one that is on its way out goes to 0. Undefined where it has none. */
  ownCourse(key: number, source: number): (Course & { readonly from: number; readonly start: number }) | undefined {
    const slot = key * this.sources + source;
    if (this.states[slot] === NONE) return undefined;
    const isGoing = this.states[slot] === GOING;
    const [from, start] = [floatAt(this.from, slot), floatAt(isGoing ? this.goStart : this.start, slot)];
    if (isGoing)
      return { from: from * floatAt(this.left, slot), to: 0, start, fade: floatAt(this.goFade, slot), curve: this.goCurve[slot] ?? 0 };
    return { from, to: floatAt(this.to, slot), start, fade: floatAt(this.fade, slot), curve: this.curve[slot] ?? 0 };
  }

  /** What a key puts out under everything that stands above a source: from there its instructions start. */
  private outBelow(key: number, source: number): number {
    return this.outOf(key, source);
  }

  private outOf(key: number, below: number, without = -1): number {
    const level = this.isLevel[key] === 1;
    let out = level ? 0 : this.restAt(key);
    const base = key * this.sources;
    const height = this.heights[key] ?? 0;
    for (let place = 0; place < height; place += 1) {
      const source = this.stacks[base + place] ?? 0;
      if (below >= 0 && this.isAbove(source, below, level)) break;
      const slot = base + source;
      const weight = source === without ? 0 : this.weightAt(slot, source, level);
      if (weight <= 0) continue;
      const value = level ? this.courseAt(slot, source) * (this.scales[source] ?? 1) : this.courseAt(slot, source);
      if (level && this.highest[source] === 1) {
        if (value * weight > out) out = value * weight;
      } else out += (value - out) * weight;
    }
    return out;
  }

  /** Values and waves blended side by side, in the same order (section 10 of the running rules). */
  private swayed(key: number): number {
    const level = this.isLevel[key] === 1;
    const base = key * this.sources;
    let out = level ? 0 : this.restAt(key);
    let sway = 0;
    for (let place = 0; place < intAt32(this.heights, key); place += 1) {
      const source = this.stacked(key, place);
      const slot = base + source;
      const weight = this.weightAt(slot, source, level);
      if (weight <= 0) continue;
      const scale = level ? floatAt(this.scales, source) : 1;
      const value = this.courseAt(slot, source) * scale;
      const wave = this.waveAt(key, source) * scale;
      if (level && this.highest[source] === 1) {
        if ((value + wave) * weight > out + sway) [out, sway] = [(value + wave) * weight, 0];
        continue;
      }
      out += (value - out) * weight;
      sway += (wave - sway) * this.swayWeight(slot, source, weight);
    }
    // A source that sways a key whose value it does not hold adds to what is there.
    for (const source of this.waves.get(key)?.keys() ?? [])
      if (this.states[base + source] === NONE) sway += this.waveAt(key, source) * (level ? floatAt(this.scales, source) : 1);
    return out + sway;
  }

  private waveAt(key: number, source: number): number {
    let sum = 0;
    for (const wave of this.waves.get(key)?.get(source) ?? [])
      sum += contribution(wave, floatAt(this.times, source), floatAt(this.waveTimes, source) - wave.since, floatAt(this.channels, key));
    return sum;
  }

  /** How far a layer's own sway counts over what sways beneath it: never more than the layer weighs. */
  private swayWeight(slot: number, source: number, weight: number): number {
    const fade = floatAt(this.swayFade, slot);
    const elapsed = floatAt(this.times, source) - floatAt(this.swayStart, slot);
    const from = floatAt(this.swayFrom, slot);
    return Math.min(weight, elapsed >= fade ? 1 : from + (1 - from) * Math.max(0, elapsed / fade));
  }

  /** True where a source's layer of a key lies over another's: a higher priority, or levels by the highest among the same. */
  private isAbove(source: number, other: number, level: boolean): boolean {
    const [own, theirs] = [this.priorities[source] ?? 0, this.priorities[other] ?? 0];
    return own > theirs || (own === theirs && level && this.highest[source] === 1 && this.highest[other] === 0);
  }

  private courseAt(slot: number, source: number): number {
    const elapsed = (this.times[source] ?? 0) - (this.start[slot] ?? 0);
    const fade = this.fade[slot] ?? 0;
    const to = this.to[slot] ?? 0;
    if (elapsed >= fade) return to;
    const from = this.from[slot] ?? 0;
    return from + (to - from) * curveByCode(this.curve[slot] ?? 0, elapsed / fade);
  }

  private weightAt(slot: number, source: number, level: boolean): number {
    if (this.states[slot] === HELD) return level ? (this.weights[source] ?? 1) : 1;
    const elapsed = (this.times[source] ?? 0) - (this.goStart[slot] ?? 0);
    const fade = this.goFade[slot] ?? 0;
    return elapsed >= fade ? 0 : (this.left[slot] ?? 0) * (1 - curveByCode(this.goCurve[slot] ?? 0, elapsed / fade));
  }

  private restAt(key: number): number {
    const clock = this.restClock[key] ?? -1;
    const to = this.restTo[key] ?? 0;
    if (clock < 0) return to;
    const elapsed = (this.times[clock] ?? 0) - (this.restStart[key] ?? 0);
    const fade = this.restFade[key] ?? 0;
    if (elapsed >= fade) return to;
    const from = this.restFrom[key] ?? 0;
    return from + (to - from) * curveByCode(this.restCurve[key] ?? 0, elapsed / fade);
  }

  /** A layer becomes what its key rests at; what lay beneath it is gone, what is on its way out above it goes on. */
  private rest(key: number, source: number): void {
    const slot = key * this.sources + source;
    this.restFrom[key] = floatAt(this.from, slot);
    this.restTo[key] = floatAt(this.to, slot);
    this.restStart[key] = floatAt(this.start, slot);
    this.restFade[key] = floatAt(this.fade, slot);
    this.restCurve[key] = this.curve[slot] ?? 0;
    this.restClock[key] = source;
    while (this.stacked(key, 0) !== source) this.remove(key, this.stacked(key, 0));
    this.remove(key, source);
  }

  /** Forgets layers that have gone out. */
  private prune(key: number): void {
    const level = this.isLevel[key] === 1;
    for (let place = intAt32(this.heights, key) - 1; place >= 0; place -= 1) {
      const source = this.stacked(key, place);
      const slot = key * this.sources + source;
      if (this.states[slot] === GOING && this.weightAt(slot, source, level) <= 0) this.remove(key, source);
    }
  }

  private stacked(key: number, place: number): number {
    return this.stacks[key * this.sources + place] ?? 0;
  }

  /** Puts a source's layer over all of its priority; levels that count by the highest lie over those that count by the latest. */
  private stack(key: number, source: number): void {
    const base = key * this.sources;
    const level = this.isLevel[key] === 1;
    let place = intAt32(this.heights, key);
    while (place > 0 && this.isAbove(this.stacked(key, place - 1), source, level)) {
      this.stacks[base + place] = this.stacked(key, place - 1);
      place -= 1;
    }
    this.stacks[base + place] = source;
    this.heights[key] = intAt32(this.heights, key) + 1;
  }

  private unstack(key: number, source: number): void {
    const base = key * this.sources;
    const height = intAt32(this.heights, key);
    let place = 0;
    while (place < height && this.stacked(key, place) !== source) place += 1;
    for (; place < height - 1; place += 1) this.stacks[base + place] = this.stacked(key, place + 1);
    this.heights[key] = height - 1;
  }
}

/** How many layers a key has. */
function intAt32(numbers: Uint16Array, place: number): number {
  return numbers[place] ?? 0;
}
