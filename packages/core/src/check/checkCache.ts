import { partHeadOf, headOf } from "../edit/index.ts";
import type { Mark } from "../marks/mark.ts";
import { sameData } from "../show/sameData.ts";
import type { Cue, Show } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type ChainClock, chainClock } from "../time/chainClock.ts";
import type { Finding } from "./finding.ts";

/**
 * What was found in the lists of a show when it was looked at last, so that the next look recomputes only what an edit touched. Whoever
 * checks a show after each edit keeps one; it never changes what is found.
 * One for each show that is looked at again and again; throw it away with the show.
 */
export interface CheckCache {
  readonly lists: Map<string, ListCache>;
}

/**
 * What each rule found in one list, by what it found it of.
 * An entry is used again only where `stillHolds` says so.
 */
export interface ListCache {
  readonly list: ListSheet;
  readonly script: Show["script"];
  readonly clock: ChainClock;
  /** By channel. */
  readonly moves: Map<number, readonly Finding[]>;
  /** By the row of the Go that starts the chain. */
  readonly chains: Map<number, readonly Finding[]>;
  /** By channel: its marks, which stay the same as long as nothing of theirs changes, and what is wrong with them. */
  readonly marks: Map<number, { readonly of: readonly Mark[]; readonly found: readonly Finding[] }>;
  /** By channel: the rows in which it is lit. */
  readonly litRows: Map<number, Uint8Array>;
  /** By the row of a wall that keeps its moves to itself: the ordinals of the keys that come back behind it. */
  readonly walls: Map<number, ReadonlySet<number>>;
}

/**
 * What still holds of an earlier look at a list, and what does not.
 * Whatever is not named here is found as it was.
 */
export interface StillHolds {
  readonly cache: ListCache;
  /** The channels of which some key has other moves. */
  readonly channels: ReadonlySet<number>;
  /** The rows between which a chain starts or runs otherwise, both ends included; null where all run as they did. */
  readonly otherClock: { readonly first: number; readonly last: number } | null;
}

/** A cache that knows of nothing yet. */
export function newCheckCache(): CheckCache {
  return { lists: new Map() };
}

/**
 * An empty cache for a list that is looked at now.
 * It has to be filled by every rule before it serves another look.
 */
export function newListCache(list: ListSheet, script: Show["script"]): ListCache {
  return {
    list,
    script,
    clock: chainClock(list),
    moves: new Map(),
    chains: new Map(),
    marks: new Map(),
    litRows: new Map(),
    walls: new Map(),
  };
}

/**
 * What of an earlier look still holds for a list: undefined where rig, script, the order of the cues, their settings or times are others, for then
 * everything is looked at anew; otherwise the channels that have other moves.
 * Rows and channels outside what is named need not be looked at.
 */
export function stillHolds(cache: ListCache | undefined, list: ListSheet, script: Show["script"]): StillHolds | undefined {
  const before = cache?.list;
  if (!cache || !before || before.keys !== list.keys || before.tracking !== list.tracking || before.order !== list.order) return undefined;
  if (cache.script !== script || !sameData(before.list.marks, list.list.marks)) return undefined;
  if (!before.cues.every((cue, row) => sameFrame(cue, list.cues[row]))) return undefined;
  const channels = new Set<number>();
  for (const { ordinal, channel } of list.keys.all) if (before.columns[ordinal] !== list.columns[ordinal]) channels.add(channel);
  return { cache, channels, otherClock: otherClock(cache.clock, chainClock(list)) };
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

/** The rows between which two clocks differ. */
function otherClock(a: ChainClock, b: ChainClock): StillHolds["otherClock"] {
  const differs = (row: number): boolean => a.presses[row] !== b.presses[row] || a.offsets[row] !== b.offsets[row];
  const rows = a.presses.length;
  let [first, last] = [0, rows - 1];
  while (first < rows && !differs(first)) first += 1;
  while (last > first && !differs(last)) last -= 1;
  return first < rows ? { first, last } : null;
}
