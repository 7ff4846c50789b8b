// What comes out of a table of layers at the moment that it is looked at (docs/running.md, Sources and Waves).
import { floatAt } from "../show/at.ts";
import { curveByCode } from "./curveCodes.ts";
import { GOING, HELD, type LayerTable, NONE, slotOf } from "./layerTable.ts";
import { contribution } from "./waves.ts";

/**
 * How many layers a key has.
 * 0 for a key that nobody holds: then it stands at its rest.
 */
export function heightAt(table: LayerTable, key: number): number {
  return table.heights[key] ?? 0;
}

/**
 * The source of a key's layer, counted from the lowest.
 * `place` is below `heightAt`.
 */
export function stackedAt(table: LayerTable, key: number, place: number): number {
  return table.stacks[key * table.sources + place] ?? 0;
}

/**
 * A layer's value, before its source's master.
 * In the attribute's own unit, without waves, at the moment that the table is set to.
 */
export function courseAt(table: LayerTable, slot: number, source: number): number {
  const elapsed = (table.times[source] ?? 0) - (table.start[slot] ?? 0);
  const fade = table.fade[slot] ?? 0;
  const to = table.to[slot] ?? 0;
  if (elapsed >= fade) return to;
  const from = table.from[slot] ?? 0;
  return from + (to - from) * curveByCode(table.curve[slot] ?? 0, elapsed / fade);
}

/**
 * How much a layer weighs, 0 to 1.
 * 1 while it holds the key; falling on its way out; for levels of a look that counts by the latest, its fader.
 */
export function weightAt(table: LayerTable, slot: number, source: number, level: boolean): number {
  if (table.states[slot] === HELD) return level ? (table.weights[source] ?? 1) : 1;
  const elapsed = (table.times[source] ?? 0) - (table.goStart[slot] ?? 0);
  const fade = table.goFade[slot] ?? 0;
  return elapsed >= fade ? 0 : (table.left[slot] ?? 0) * (1 - curveByCode(table.goCurve[slot] ?? 0, elapsed / fade));
}

/** What a key rests at while nobody holds it. */
function restAt(table: LayerTable, key: number): number {
  const clock = table.restClock[key] ?? -1;
  const to = table.restTo[key] ?? 0;
  if (clock < 0) return to;
  const elapsed = (table.times[clock] ?? 0) - (table.restStart[key] ?? 0);
  const fade = table.restFade[key] ?? 0;
  if (elapsed >= fade) return to;
  const from = table.restFrom[key] ?? 0;
  return from + (to - from) * curveByCode(table.restCurve[key] ?? 0, elapsed / fade);
}

/**
 * True where a source's layer of a key lies over another's: a higher priority, or levels by the highest among the same.
 * The order of docs/running.md, Sources, but for the moment at which they took hold.
 */
export function isAbove(table: LayerTable, source: number, other: number, level: boolean): boolean {
  const [own, theirs] = [table.priorities[source] ?? 0, table.priorities[other] ?? 0];
  return own > theirs || (own === theirs && level && table.highest[source] === 1 && table.highest[other] === 0);
}

/**
 * What a key puts out without its waves: under everything that stands above source `below` (-1: all of it), and without source `without`
 * (-1: with all).
 * What an instruction starts from is `outOf` below its own source's rank. In the attribute's own unit.
 */
export function outOf(table: LayerTable, key: number, below: number, without = -1): number {
  const level = table.isLevel[key] === 1;
  let out = level ? 0 : restAt(table, key);
  const base = key * table.sources;
  const height = table.heights[key] ?? 0;
  for (let place = 0; place < height; place += 1) {
    const source = table.stacks[base + place] ?? 0;
    if (below >= 0 && isAbove(table, source, below, level)) break;
    const slot = slotOf(table, key, source);
    const weight = source === without ? 0 : weightAt(table, slot, source, level);
    if (weight <= 0) continue;
    const value = level ? courseAt(table, slot, source) * (table.scales[source] ?? 1) : courseAt(table, slot, source);
    if (level && table.highest[source] === 1) {
      if (value * weight > out) out = value * weight;
    } else out += (value - out) * weight;
  }
  return out;
}

/** Values and waves blended side by side, in the same order. */
function swayed(table: LayerTable, key: number): number {
  const level = table.isLevel[key] === 1;
  let out = level ? 0 : restAt(table, key);
  let sway = 0;
  for (let place = 0; place < heightAt(table, key); place += 1) {
    const source = stackedAt(table, key, place);
    const slot = slotOf(table, key, source);
    const weight = weightAt(table, slot, source, level);
    if (weight <= 0) continue;
    const scale = level ? floatAt(table.scales, source) : 1;
    const value = courseAt(table, slot, source) * scale;
    const wave = waveAt(table, key, source) * scale;
    if (level && table.highest[source] === 1) {
      if ((value + wave) * weight > out + sway) [out, sway] = [(value + wave) * weight, 0];
      continue;
    }
    out += (value - out) * weight;
    sway += (wave - sway) * swayWeight(table, slot, source, weight);
  }
  // A source that sways a key whose value it does not hold adds to what is there.
  for (const source of table.waves.get(key)?.keys() ?? [])
    if (table.states[slotOf(table, key, source)] === NONE) sway += waveAt(table, key, source) * (level ? floatAt(table.scales, source) : 1);
  return out + sway;
}

function waveAt(table: LayerTable, key: number, source: number): number {
  let sum = 0;
  for (const wave of table.waves.get(key)?.get(source) ?? [])
    sum += contribution(wave, floatAt(table.times, source), floatAt(table.waveTimes, source) - wave.since, floatAt(table.channels, key));
  return sum * floatAt(table.sizes, source);
}

/**
 * How far a layer's own sway counts over what sways beneath it: never more than the layer weighs.
 * The smaller of weight and u of docs/running.md, Waves: no jump when a list takes a swaying light over.
 */
export function swayWeight(table: LayerTable, slot: number, source: number, weight: number): number {
  const fade = floatAt(table.swayFade, slot);
  const elapsed = floatAt(table.times, source) - floatAt(table.swayStart, slot);
  const from = floatAt(table.swayFrom, slot);
  return Math.min(weight, elapsed >= fade ? 1 : from + (1 - from) * Math.max(0, elapsed / fade));
}

/**
 * What a key puts out with its waves, kept within its range.
 * For one key; `writeAll` gives all of them for less.
 */
export function outAt(table: LayerTable, key: number): number {
  const value = blendedAt(table, key);
  return table.hasRemainder[key] === 1 ? inRange(table, key, value + remainderAt(table, key)) : value;
}

/**
 * What the layers and waves of a key come to, within its range, before the remainder that keeps it from jumping.
 * What an instruction is held against just before and just after it takes hold.
 */
export function blendedAt(table: LayerTable, key: number): number {
  return inRange(table, key, table.hasWaves[key] === 1 ? swayed(table, key) : outOf(table, key, -1));
}

/**
 * What is still added to a key's output so that it did not jump (docs/running.md, Sources); 0 once its fade is over.
 * In the attribute's own unit.
 */
export function remainderAt(table: LayerTable, key: number): number {
  if (table.hasRemainder[key] !== 1) return 0;
  const elapsed = (table.times[table.remainderClock[key] ?? 0] ?? 0) - (table.remainderStart[key] ?? 0);
  const fade = table.remainderFade[key] ?? 0;
  return elapsed >= fade
    ? 0
    : (table.remainders[key] ?? 0) * (1 - curveByCode(table.remainderCurve[key] ?? 0, Math.max(0, elapsed / fade)));
}

function inRange(table: LayerTable, key: number, value: number): number {
  const [low, high] = [table.lowest[key] ?? 0, table.greatest[key] ?? 0];
  return value < low ? low : value > high ? high : value;
}

/**
 * Writes what every key puts out into `into`, by key ordinal. Keys of which nothing moves are computed once.
 * Allocates nothing: it is called for each frame. A key counts as unchanging once nothing of it moves any more.
 */
export function writeAll(table: LayerTable, into: Float64Array): void {
  const { unchanging, unchangingOut, unchangingScales, unchangingWeights, scales, weights, sources } = table;
  for (let source = 0; source < sources; source += 1) {
    if (unchangingScales[source] === scales[source] && unchangingWeights[source] === weights[source]) continue;
    unchanging.fill(0);
    unchangingScales.set(scales);
    unchangingWeights.set(weights);
    break;
  }
  writeMoving(table);
  if (into !== unchangingOut) into.set(unchangingOut);
}

/** True where nothing more will be added to a key's output. */
function isRemainderOver(table: LayerTable, key: number): boolean {
  const time = table.times[table.remainderClock[key] ?? 0] ?? 0;
  return time >= (table.remainderStart[key] ?? 0) + (table.remainderFade[key] ?? 0);
}

/** Four unchanging keys side by side, as `unchangingFours` reads them. */
const ALL_CALM = 0x01010101;

/**
 * Computes the keys that are not unchanging. The same as `outAt`, written out, with what lies beneath a layer that covers it left out: a call and a look-up for
 * each layer would cost several times as much. A property holds the two against one another.
 */
function writeMoving(table: LayerTable): void {
  const {
    unchanging,
    unchangingFours,
    unchangingOut,
    hasWaves,
    hasRemainder,
    isLevel,
    heights,
    stacks,
    states,
    highest,
    weights,
    scales,
    times,
    sources,
  } = table;
  const { from, to, start, fade, curve, left, goStart, goFade, goCurve, lowest, greatest } = table;
  const { restFrom, restTo, restStart, restFade, restCurve, restClock } = table;
  const count = unchanging.length;
  for (let key = 0; key < count; key += 1) {
    if (unchanging[key] === 1) {
      // Most keys are unchanging most of the time: four of them cost as much as one.
      while ((key & 3) === 3 && unchangingFours[(key + 1) >> 2] === ALL_CALM) key += 4;
      continue;
    }
    if (hasWaves[key] === 1 || hasRemainder[key] === 1) {
      unchangingOut[key] = outAt(table, key);
      if (hasRemainder[key] === 1 && isRemainderOver(table, key)) hasRemainder[key] = 0;
      continue;
    }
    const level = isLevel[key] === 1;
    const base = key * sources;
    const height = heights[key] ?? 0;
    let place = height - 1;
    const top = place < 0 ? 0 : (stacks[base + place] ?? 0);
    const topSlot = top * count + key;
    // Most keys are held by the newest source alone: nothing lies over it, and nothing beneath it counts.
    if (place >= 0 && states[topSlot] === HELD && (!level || (highest[top] === 0 && weights[top] === 1))) {
      let value = to[topSlot] ?? 0;
      const elapsed = (times[top] ?? 0) - (start[topSlot] ?? 0);
      const lasts = fade[topSlot] ?? 0;
      if (elapsed < lasts) {
        const first = from[topSlot] ?? 0;
        const code = curve[topSlot] ?? 0;
        const p = elapsed / lasts;
        value = first + (value - first) * (code === 0 ? p : curveByCode(code, p));
      } else unchanging[key] = 1;
      if (level) value *= scales[top] ?? 1;
      const low = lowest[key] ?? 0;
      const high = greatest[key] ?? 0;
      unchangingOut[key] = value < low ? low : value > high ? high : value;
      continue;
    }
    for (; place >= 0; place -= 1) {
      const source = stacks[base + place] ?? 0;
      if (states[source * count + key] === HELD && (!level || (highest[source] === 0 && weights[source] === 1))) break;
    }
    let moves = false;
    let out = 0;
    if (place < 0) {
      place = 0;
      if (!level) {
        out = restTo[key] ?? 0;
        const clock = restClock[key] ?? -1;
        const elapsed = clock < 0 ? 0 : (times[clock] ?? 0) - (restStart[key] ?? 0);
        const lasts = clock < 0 ? 0 : (restFade[key] ?? 0);
        if (elapsed < lasts) {
          const first = restFrom[key] ?? 0;
          out = first + (out - first) * curveByCode(restCurve[key] ?? 0, elapsed / lasts);
          moves = true;
        }
      }
    }
    for (; place < height; place += 1) {
      const source = stacks[base + place] ?? 0;
      const slot = source * count + key;
      const time = times[source] ?? 0;
      let weight = level ? (weights[source] ?? 1) : 1;
      if (states[slot] === GOING) {
        const gone = time - (goStart[slot] ?? 0);
        const going = goFade[slot] ?? 0;
        if (gone >= going) continue;
        weight = (left[slot] ?? 0) * (1 - curveByCode(goCurve[slot] ?? 0, gone / going));
        moves = true;
      }
      let value = to[slot] ?? 0;
      const elapsed = time - (start[slot] ?? 0);
      const lasts = fade[slot] ?? 0;
      if (elapsed < lasts) {
        const first = from[slot] ?? 0;
        const code = curve[slot] ?? 0;
        const p = elapsed / lasts;
        value = first + (value - first) * (code === 0 ? p : curveByCode(code, p));
        moves = true;
      }
      if (!level) out += (value - out) * weight;
      else {
        value *= scales[source] ?? 1;
        if (highest[source] === 0) out += (value - out) * weight;
        else if (value * weight > out) out = value * weight;
      }
    }
    const low = lowest[key] ?? 0;
    const high = greatest[key] ?? 0;
    unchangingOut[key] = out < low ? low : out > high ? high : out;
    if (!moves) unchanging[key] = 1;
  }
}

/**
 * True where nothing of any key moves with time; `writeAll` has been called for the moment.
 * Such a stage needs no frames until something is pressed or falls due.
 */
export function isTableUnchanging({ unchanging }: LayerTable): boolean {
  return !unchanging.includes(0);
}
