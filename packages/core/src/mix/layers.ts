// Who holds a key, and from where to where (docs/running.md, Sources): taking hold and letting go, on a table of layers.
import { floatAt } from "../show/at.ts";
import { GOING, HELD, type LayerTable, NONE, slotOf } from "./layerTable.ts";
import { blendedAt, courseAt, heightAt, isAbove, outOf, remainderAt, stackedAt, swayWeight, weightAt } from "./layerReading.ts";
import { type RunningWave, sizeAt } from "./waves.ts";

/** What an output changes by in its last digits is no jump. */
const SMALLEST_JUMP = 1e-9;

/**
 * A value on its way: where it goes, in how many seconds of its source's own clock, and how (the number of a curve).
 * In the attribute's own unit. A fade of 0 is there at once.
 */
export interface Course {
  readonly to: number;
  readonly fade: number;
  readonly curve: number;
}

/**
 * What sources do to the layers of keys. One moment at a time is looked at: `table` says what each source's clock, master and fader read
 * then.
 * Take hold, let go, and what follows from them (docs/running.md, Sources). Set the table to a moment before anything is done
 * at it.
 */
export class Layers {
  constructor(readonly table: LayerTable) {}

  private get sources(): number {
    return this.table.sources;
  }

  /** True where a source holds a key; one on its way out holds it no more. */
  holds(key: number, source: number): boolean {
    return this.table.states[slotOf(this.table, key, source)] === HELD;
  }

  /** True where a source holds a key, or is still letting go of it. */
  has(key: number, source: number): boolean {
    return this.table.states[slotOf(this.table, key, source)] !== NONE;
  }

  /** True where a source other than this one holds a key. */
  heldByOthers(key: number, source: number): boolean {
    for (let place = 0; place < heightAt(this.table, key); place += 1) {
      const other = stackedAt(this.table, key, place);
      if (other !== source && this.holds(key, other)) return true;
    }
    return false;
  }

  /** True where somebody else has to do with a key: another source holds it, or was the last to hold it while nobody does. */
  isOthers(key: number, source: number): boolean {
    const { [key]: leftBy = -1 } = this.table.leftBy;
    return this.heldByOthers(key, source) || (!this.holds(key, source) && leftBy >= 0 && leftBy !== source);
  }

  /** Where a source's layer of a key will be when its fade is over; where it holds none, what the key rests at. */
  destination(key: number, source: number): number {
    return this.holds(key, source) ? floatAt(this.table.to, slotOf(this.table, key, source)) : floatAt(this.table.restTo, key);
  }

  /** A source's own value of a key at the moment looked at, before its master; NaN where it has none. */
  ownValue(key: number, source: number): number {
    const slot = slotOf(this.table, key, source);
    return this.table.states[slot] === NONE ? Number.NaN : courseAt(this.table, slot, source);
  }

  /** What a source has of a key at the moment looked at: from where an instruction of it starts that takes hold now, before its master. */
  startFor(key: number, source: number): number {
    const { table } = this;
    if (table.isLevel[key] === 0) return outOf(table, key, source);
    if (table.highest[source] === 1) {
      const own = this.ownValue(key, source);
      return Number.isNaN(own) ? 0 : own * weightAt(table, slotOf(this.table, key, source), source, true);
    }
    const scale = floatAt(table.scales, source);
    return scale === 0 ? 0 : outOf(table, key, source) / scale;
  }

  /** Lets a source take hold of a key now, from where it is seen, or from a value that is given. Where its output would jump all the same, the difference goes in the fade. */
  takeHold(key: number, source: number, course: Course, from = this.startFor(key, source)): void {
    this.withoutJump(key, source, course, () => this.hold(key, source, course, from));
  }

  /**
   * Does something to a key; where that makes its output jump though it has a time, what it jumps by is added to the output and goes to 0 in that time
   * ("Nothing jumps that has time", docs/running.md, Sources). With a fade of 0 it jumps.
   */
  private withoutJump(key: number, source: number, { fade, curve }: Pick<Course, "fade" | "curve">, change: () => void): void {
    const { table } = this;
    const before = blendedAt(table, key);
    const left = remainderAt(table, key);
    change();
    const jump = before - blendedAt(table, key);
    if (Math.abs(jump) < SMALLEST_JUMP) return;
    table.unchanging[key] = 0;
    table.hasRemainder[key] = fade > 0 ? 1 : 0;
    table.remainders[key] = jump + left;
    table.remainderStart[key] = floatAt(table.times, source);
    table.remainderFade[key] = fade;
    table.remainderCurve[key] = curve;
    table.remainderClock[key] = source;
  }

  private hold(key: number, source: number, { to, fade, curve }: Course, from: number): void {
    this.prune(key);
    const { table } = this;
    const slot = slotOf(this.table, key, source);
    const now = floatAt(table.times, source);
    table.from[slot] = from;
    table.to[slot] = to;
    table.start[slot] = now;
    table.fade[slot] = fade;
    table.curve[slot] = curve;
    const height = heightAt(table, key);
    const isNewOnTop = height > 0 && stackedAt(table, key, height - 1) !== source;
    const isGoing = table.states[slot] === GOING;
    if (isNewOnTop || isGoing || table.states[slot] === NONE) {
      const weight = weightAt(table, slot, source, table.isLevel[key] === 1);
      table.swayFrom[slot] = isNewOnTop || !isGoing ? 0 : swayWeight(table, slot, source, weight);
      table.swayStart[slot] = now;
      table.swayFade[slot] = isNewOnTop || isGoing ? fade : 0;
    }
    if (table.states[slot] !== NONE) this.unstack(key, source);
    table.states[slot] = HELD;
    this.stack(key, source);
  }

  /** Lets a held layer end elsewhere: what is on its way goes on from where it is in the time that is left to it; what stands takes `fade` seconds. */
  retarget(key: number, source: number, to: number, fade: number, curve: number): void {
    const { table } = this;
    const slot = slotOf(this.table, key, source);
    const now = floatAt(table.times, source);
    const left = floatAt(table.start, slot) + floatAt(table.fade, slot) - now;
    table.from[slot] = courseAt(table, slot, source);
    table.to[slot] = to;
    table.start[slot] = now;
    table.fade[slot] = left > 0 ? left : fade;
    if (left <= 0) table.curve[slot] = curve;
    table.unchanging[key] = 0;
  }

  /** Starts a wave of a source on a key; those that it had go down to nothing in the same time. Null: they only go. */
  startWave(key: number, source: number, wave: Omit<RunningWave, "since" | "from" | "start"> | null, fade: number, curve: number): void {
    const { table } = this;
    const time = floatAt(table.times, source);
    const bySource = table.waves.get(key) ?? new Map<number, RunningWave[]>();
    const left = (bySource.get(source) ?? []).filter((each) => sizeAt(each, time) !== 0 || each.to !== 0);
    for (const each of left) Object.assign(each, { from: sizeAt(each, time), to: 0, start: time, fade, curve });
    if (wave) left.push({ ...wave, since: floatAt(table.waveTimes, source), from: 0, start: time });
    bySource.set(source, left);
    table.waves.set(key, bySource);
    table.hasWaves[key] = [...bySource.values()].some((each) => each.length > 0) ? 1 : 0;
    table.unchanging[key] = 0;
  }

  /** The keys on which a source has waves. */
  wavingKeys(source: number): number[] {
    return [...this.table.waves].flatMap(([key, bySource]) => ((bySource.get(source) ?? []).length > 0 ? [key] : []));
  }

  /**
   * Lets a source let go of a key now, in `fade` seconds of its clock. A key that nobody else holds, and that is no level, is not moved: it rests
   * where it is, and the fade that it is in goes on. Letting go once more starts from the weight that is left.
   */
  letGo(key: number, source: number, fade: number, curve: number): void {
    if (!this.has(key, source)) return;
    this.withoutJump(key, source, { fade, curve }, () => this.leave(key, source, fade, curve));
  }

  private leave(key: number, source: number, fade: number, curve: number): void {
    const { table } = this;
    const slot = slotOf(this.table, key, source);
    const state = table.states[slot];
    if (state === HELD && table.isLevel[key] === 0 && !this.heldByOthers(key, source)) return this.rest(key, source);
    const weight = weightAt(table, slot, source, table.isLevel[key] === 1);
    if (fade <= 0 || weight <= 0) return this.remove(key, source);
    const value = courseAt(table, slot, source);
    table.from[slot] = value;
    table.to[slot] = value;
    table.fade[slot] = 0;
    table.states[slot] = GOING;
    table.left[slot] = weight;
    table.goStart[slot] = floatAt(table.times, source);
    table.goFade[slot] = fade;
    table.goCurve[slot] = curve;
    table.unchanging[key] = 0;
  }

  /** Takes a layer away at once; nothing is left of it. */
  remove(key: number, source: number): void {
    const slot = slotOf(this.table, key, source);
    if (this.table.states[slot] === NONE) return;
    this.unstack(key, source);
    this.table.states[slot] = NONE;
  }

  /** What a level would put out at the moment looked at if a source had nothing of it. */
  outWithout(key: number, source: number): number {
    return outOf(this.table, key, -1, source);
  }

  /** How many seconds from now until a level is 0 and stays so with what holds it now; Infinity where it ends lit. */
  secondsToDark(key: number): number {
    const { table } = this;
    let longest = 0;
    for (let place = 0; place < heightAt(table, key); place += 1) {
      const source = stackedAt(table, key, place);
      const slot = slotOf(this.table, key, source);
      const now = floatAt(table.times, source);
      if (table.states[slot] === GOING) {
        if (floatAt(table.to, slot) > 0) longest = Math.max(longest, floatAt(table.goStart, slot) + floatAt(table.goFade, slot) - now);
      } else if (floatAt(table.to, slot) > 0) return Number.POSITIVE_INFINITY;
      else longest = Math.max(longest, floatAt(table.start, slot) + floatAt(table.fade, slot) - now);
    }
    return longest;
  }

  /** How a source's own level of a key goes on from where it began, on the source's clock; one that is on its way out goes to 0. Undefined where it has none. */
  ownCourse(key: number, source: number): (Course & { readonly from: number; readonly start: number }) | undefined {
    const { table } = this;
    const slot = slotOf(this.table, key, source);
    if (table.states[slot] === NONE) return undefined;
    const isGoing = table.states[slot] === GOING;
    const [from, start] = [floatAt(table.from, slot), floatAt(isGoing ? table.goStart : table.start, slot)];
    if (isGoing)
      return { from: from * floatAt(table.left, slot), to: 0, start, fade: floatAt(table.goFade, slot), curve: table.goCurve[slot] ?? 0 };
    return { from, to: floatAt(table.to, slot), start, fade: floatAt(table.fade, slot), curve: table.curve[slot] ?? 0 };
  }

  /** A layer becomes what its key rests at; what lay beneath it is gone, what is on its way out above it goes on. */
  private rest(key: number, source: number): void {
    const { table } = this;
    const slot = slotOf(this.table, key, source);
    table.restFrom[key] = floatAt(table.from, slot);
    table.restTo[key] = floatAt(table.to, slot);
    table.restStart[key] = floatAt(table.start, slot);
    table.restFade[key] = floatAt(table.fade, slot);
    table.restCurve[key] = table.curve[slot] ?? 0;
    table.restClock[key] = source;
    table.leftBy[key] = source;
    while (stackedAt(table, key, 0) !== source) this.remove(key, stackedAt(table, key, 0));
    this.remove(key, source);
  }

  /** Forgets layers that have gone out. */
  private prune(key: number): void {
    const { table } = this;
    const level = table.isLevel[key] === 1;
    for (let place = heightAt(table, key) - 1; place >= 0; place -= 1) {
      const source = stackedAt(table, key, place);
      const slot = slotOf(this.table, key, source);
      if (table.states[slot] === GOING && weightAt(table, slot, source, level) <= 0) this.remove(key, source);
    }
  }

  /** Puts a source's layer over all of its priority; levels that count by the highest lie over those that count by the latest. */
  private stack(key: number, source: number): void {
    const { table } = this;
    const base = key * this.sources;
    const level = table.isLevel[key] === 1;
    let place = heightAt(table, key);
    while (place > 0 && isAbove(table, stackedAt(table, key, place - 1), source, level)) {
      table.stacks[base + place] = stackedAt(table, key, place - 1);
      place -= 1;
    }
    table.stacks[base + place] = source;
    table.heights[key] = heightAt(table, key) + 1;
    table.unchanging[key] = 0;
  }

  private unstack(key: number, source: number): void {
    const { table } = this;
    const base = key * this.sources;
    const height = heightAt(table, key);
    let place = 0;
    while (place < height && stackedAt(table, key, place) !== source) place += 1;
    for (; place < height - 1; place += 1) table.stacks[base + place] = stackedAt(table, key, place + 1);
    table.heights[key] = height - 1;
    table.unchanging[key] = 0;
  }
}
