import { partHeadOf, headOf } from "../edit/apply.ts";
import type { Mark } from "../marks/mark.ts";
import { sameData } from "../show/sameData.ts";
import type { Cue, Show } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type ChainClock, chainClock } from "../time/chainClock.ts";
import type { Finding } from "./finding.ts";

/**
 * What was found in the lists of a show when it was looked at last, so that the next look works out anew only what an edit touched. Whoever
 * checks a show after each edit keeps one; it never changes what is found.
 */
export interface CheckCache {
  readonly lists: Map<string, ListCache>;
}

/** What each rule found in one list, by what it found it of. */
export interface ListCache {
  readonly list: ListSheet;
  readonly script: Show["script"];
  readonly clock: ChainClock;
  /** By channel. */
  readonly moves: Map<number, readonly Finding[]>;
  /** By the row of the Go that starts the chain. */
  readonly chains: Map<number, readonly Finding[]>;
  readonly marks: Map<Mark, readonly Finding[]>;
  /** By the row of a wall that keeps its moves to itself: the ordinals of the keys that come back behind it. */
  readonly walls: Map<number, ReadonlySet<number>>;
}

/** What still holds of an earlier look at a list, and what does not. */
export interface StillHolds {
  readonly cache: ListCache;
  /** The channels of which some key has other moves. */
  readonly channels: ReadonlySet<number>;
  /** Every chain starts where it did and runs as it did. */
  readonly sameClock: boolean;
}

/** A cache that knows of nothing yet. */
export function newCheckCache(): CheckCache {
  return { lists: new Map() };
}

/** An empty cache for a list that is looked at now. */
export function newListCache(list: ListSheet, script: Show["script"]): ListCache {
  return { list, script, clock: chainClock(list), moves: new Map(), chains: new Map(), marks: new Map(), walls: new Map() };
}

/**
 * What of an earlier look still holds for a list: undefined where rig, script, the order of the cues, their settings or times are others, for then
 * everything is looked at anew; otherwise the channels that have other moves.
 */
export function stillHolds(cache: ListCache | undefined, list: ListSheet, script: Show["script"]): StillHolds | undefined {
  const before = cache?.list;
  if (!cache || !before || before.keys !== list.keys || before.tracking !== list.tracking || before.order !== list.order) return undefined;
  if (cache.script !== script || !sameData(before.list.marks, list.list.marks)) return undefined;
  if (!before.cues.every((cue, row) => sameFrame(cue, list.cues[row]))) return undefined;
  const channels = new Set<number>();
  for (const { ordinal, channel } of list.keys.all) if (before.columns[ordinal] !== list.columns[ordinal]) channels.add(channel);
  return { cache, channels, sameClock: sameClock(cache.clock, chainClock(list)) };
}

/** True for a cue that differs in its moves at most. */
function sameFrame(a: Cue, b: Cue | undefined): boolean {
  if (a === b) return true;
  if (!b || a.parts.length !== b.parts.length || !sameData(headOf(a), headOf(b))) return false;
  return a.parts.every((part, index) => {
    const other = b.parts[index];
    return other !== undefined && sameData(partHeadOf(part), partHeadOf(other));
  });
}

/** True where every row starts in the same chain after the same time, in rows first to last. */
export function sameClock(a: ChainClock, b: ChainClock, first = 0, last = a.presses.length - 1): boolean {
  if (a.presses.length !== b.presses.length) return false;
  for (let row = first; row <= last; row += 1) if (a.presses[row] !== b.presses[row] || a.offsets[row] !== b.offsets[row]) return false;
  return true;
}
