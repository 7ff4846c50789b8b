import { cueOrder } from "../show/cueNumber.ts";
import { entryAt, sameValue } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { type ListSheet, cueAt, findRow, firstRowFrom } from "../sheet/sheet.ts";
import { type Playback, lookValues, nextRow, trackOf } from "./playback.ts";
import { type Track, destination, retargeted, withoutLater } from "./track.ts";

/** What was at rest and gets another value takes this long to it, seconds: quick, and no jump. */
const SETTLING = 1;

/**
 * Makes a running list stand in a row without firing it: after the cue on stage was updated, or what is in hand was recorded as
 * the next one. A fade that runs goes on and ends in the new look, what waits still waits, and nothing jumps. A follow goes on
 * waiting for as long as its cue is still the next. `row` -1 stands before the first cue.
 */
export function settleInto(playback: Playback, list: ListSheet, row: number, now: number): Playback {
  const tracks: Record<string, Track> = { ...playback.tracks };
  for (const key of list.keys.all) {
    const track = retargetedKey(playback, list, key, row, now);
    if (track) tracks[key.name] = track;
  }
  const cue = row < 0 ? null : cueAt(list, row).number;
  const settled = { ...playback, tracks, onStage: row < 0 ? {} : lookValues(list, row), cue };
  return { ...settled, follow: followStill(settled, list) };
}

/** What a key does from now on, or undefined where it goes on as it was told. */
function retargetedKey(playback: Playback, list: ListSheet, key: Key, row: number, now: number): Track | undefined {
  const before = playback.onStage[key.name] ?? Number.NaN;
  const after = row < 0 ? Number.NaN : entryAt(list, key, row).value;
  if (sameValue(before, after)) return undefined;
  const track = trackOf(playback.tracks, key);
  const isLevel = key.attribute.family === "intensity";
  if (Number.isNaN(after) && !isLevel) return withoutLater(track, now);
  // A dark light that a mark has sent elsewhere stays where it is prepared.
  const isPrepared = !isLevel && !Number.isNaN(before) && !sameValue(destination(track), before);
  if (isPrepared) return undefined;
  return retargeted(track, Number.isNaN(after) ? 0 : after, now, key.attribute.snap ? 0 : SETTLING);
}

/** The follow that is waiting, if the list still has that cue next and it still follows. */
function followStill(playback: Playback, list: ListSheet): Playback["follow"] {
  const next = list.cues[nextRow(playback, list)];
  return playback.follow && next?.number === playback.follow.cue && next.trigger?.type === "follow" ? playback.follow : null;
}

/** The cue in which a list stands, as the list now is: `cue` is the one on stage, or where that is gone, the one before its place. */
export function standingCue(playback: Playback, list: ListSheet): { readonly cue: string | null; readonly gone: boolean } {
  if (playback.cue === null) return { cue: null, gone: false };
  if (findRow(list, playback.cue) >= 0) return { cue: playback.cue, gone: false };
  return { cue: list.cues[firstRowFrom(list, cueOrder(playback.cue)) - 1]?.number ?? null, gone: true };
}
