import { at } from "../show/at.ts";
import type { Curve } from "../show/schema.ts";
import type { Key } from "../sheet/keys.ts";
import { sameValue } from "../sheet/entry.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import type { ChainLink } from "./chain.ts";
import { curveAt } from "./curve.ts";
import { type Transition, transitionOf } from "./transition.ts";

/** Two times that differ by less are the same. Seconds. */
const TIME_EPSILON = 1e-6;

/**
 * A fade that a later cue of its chain takes away before its end. `after` counts in seconds from where the fade begins, behind its delay.
 * A key that only stays where it is has no fade that could be cut.
 */
export interface CutFade {
  readonly key: Key;
  /** The row that the fade is of. */
  readonly row: number;
  /** The row that takes the key. */
  readonly by: number;
  readonly after: number;
}

/** A cue takes a key at a moment of the chain's line of time, and brings it to `to` in `fade` seconds; undefined lets it go where it is. */
interface Taking {
  readonly row: number;
  readonly at: number;
  readonly from: number;
  readonly to: number | undefined;
  readonly fade: number;
  readonly curve: Curve;
}

/**
 * The fades of a chain that are cut short, as they run on stage: only where a key really is on its way when another cue of the chain takes it. A cue that restates
 * a value moves nothing, unless the key was still on its way to it. Check, Score and the drawing of times read it from here. A caller that has the `transitions` of the links
 * already passes them along.
 */
export function cutFades(
  list: ListSheet,
  links: readonly ChainLink[],
  transitions: readonly Transition[] = links.map(({ row }) => transitionOf(list, row)),
): CutFade[] {
  const takings = new Map<Key, Taking[]>();
  const add = (key: Key, taking: Taking): void => {
    const own = takings.get(key);
    if (own) own.push(taking);
    else takings.set(key, [taking]);
  };
  for (const [place, { row, start }] of links.entries()) {
    const { runs, letGo } = at(transitions, place);
    for (const { key, from, to, delay, fade, curve } of runs) add(key, { row, at: start + delay, from, to, fade, curve });
    for (const { key, delay } of letGo) add(key, { row, at: start + delay, from: Number.NaN, to: undefined, fade: 0, curve: "linear" });
  }
  return [...takings].flatMap(([key, own]) => (own.length < 2 ? [] : cutOf(key, own)));
}

/** The fades of one key that are cut: it is walked from taking to taking, each from where the key has come by then. */
function cutOf(key: Key, takings: readonly Taking[]): CutFade[] {
  const cut: CutFade[] = [];
  // Where the key rests before the chain: what its first cue moves it from.
  const rest = takings.find(({ from }) => !Number.isNaN(from))?.from ?? Number.NaN;
  let newest = -1;
  let way: { row: number; begins: number; from: number; to: number; fade: number; curve: Curve } | undefined;
  for (const { row, at, to, fade, curve } of takings.toSorted((a, b) => a.at - b.at)) {
    // What a later cue has taken already, an earlier one that still waits does not take back.
    if (row < newest) {
      if (to !== undefined && !sameValue(way ? valueOn(way, at) : rest, to)) cut.push({ key, row, by: newest, after: 0 });
      continue;
    }
    newest = row;
    const now = way ? valueOn(way, at) : rest;
    if (way && way.begins + way.fade > at + TIME_EPSILON && !sameValue(way.from, way.to))
      cut.push({ key, row: way.row, by: row, after: at - way.begins });
    if (!Number.isNaN(now)) way = { row, begins: at, from: now, to: to ?? now, fade, curve };
  }
  return cut;
}

/** Where a key on its way is at a moment. */
function valueOn(
  { begins, from, to, fade, curve }: { begins: number; from: number; to: number; fade: number; curve: Curve },
  at: number,
): number {
  // What is taken in the moment in which it was taken has not moved.
  if (at <= begins) return from;
  if (at >= begins + fade) return to;
  return from + (to - from) * curveAt(curve, (at - begins) / fade);
}
