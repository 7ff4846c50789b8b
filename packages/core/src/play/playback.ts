import { cueOrder } from "../show/cueNumber.ts";
import { type ListSheet, cueAt, findRow, firstRowFrom, rowOf } from "../sheet/sheet.ts";
import { entryAt, sameValue } from "../sheet/entry.ts";
import { type Mark, markedKeys } from "../marks/mark.ts";
import { markedInto, marksMadeAt, marksMadeByGoto, neverLitBefore } from "../marks/marks.ts";
import { type Key, intensityOf } from "../sheet/keys.ts";
import { followAfter } from "../time/chain.ts";
import { type Run, durationOf, transitionFrom } from "../time/transition.ts";
import { type Track, destination, outFrom, outputAt, withInstruction } from "./track.ts";

/**
 * A cue list being run, as plain data: what every key was told to do, and where the list stands. Times are seconds of the
 * list's own clock. It holds all that is needed to compute the stage at any moment, so an edit of the show never makes a
 * running fade jump.
 */
export interface Playback {
  readonly list: string;
  /** By key name; a key that was never told anything is at home. */
  readonly tracks: Readonly<Record<string, Track>>;
  /** The look that was fired last, by key name: what this list has set on stage. */
  readonly onStage: Readonly<Record<string, number>>;
  /** The cue fired last, or null before the first. */
  readonly cue: string | null;
  readonly firedAt: number;
  readonly duration: number;
  /** The cue that will fire by itself, and when. */
  readonly follow: { readonly cue: string; readonly at: number } | null;
}

/** A list that nobody has started: every key at home. */
export function idlePlayback(list: string): Playback {
  return { list, tracks: {}, onStage: {}, cue: null, firedAt: 0, duration: 0, follow: null };
}

/** The output of a key at a moment; its home when nothing was ever asked of it. */
export function keyOutput(playback: Playback, key: Key, time: number): number {
  const track = playback.tracks[key.name];
  return track ? outputAt(track, time) : key.attribute.home;
}

/**
 * Fires a row in its order, after the one that stands on stage (SEMANTICS sections 3 to 5). A key that a mark has prepared
 * is left alone; one whose mark was never made, because the show has changed since, moves with its cue.
 */
export function fireNext(playback: Playback, list: ListSheet, row: number, now: number): Playback {
  const marked = markedInto(list, row);
  const isMarked = (key: Key): boolean => {
    const track = playback.tracks[key.name];
    return sameValue(marked.get(key.ordinal) ?? Number.NaN, track ? destination(track) : key.attribute.home);
  };
  const runs = transitionFrom(list, row, (key) => playback.onStage[key.name] ?? Number.NaN, { everyKey: true, isMarked });
  return fired(playback, list, row, runs, marksMadeAt(list, row), now);
}

/**
 * Goes to a row out of its order: from what is on stage to the row's look, and whatever this list has set that the look
 * does not hold is let go. `time` gives every key that fade and no delay; left out, the cue's own times hold.
 */
export function fireGoto(playback: Playback, list: ListSheet, row: number, now: number, time?: number): Playback {
  const runs = transitionFrom(
    list,
    row,
    (key) => {
      const concerned = playback.onStage[key.name] !== undefined || !Number.isNaN(entryAt(list, key, row).value);
      return concerned ? keyOutput(playback, key, now) : Number.NaN;
    },
    { everyKey: true, isMarked: () => false },
  );
  const timed = time === undefined ? runs : runs.map((run) => ({ ...run, delay: 0, fade: time }));
  return fired(playback, list, row, timed, marksMadeByGoto(list, row), now);
}

function fired(playback: Playback, list: ListSheet, row: number, runs: readonly Run[], marks: readonly Mark[], now: number): Playback {
  const tracks: Record<string, Track> = { ...playback.tracks };
  for (const run of runs) {
    tracks[run.key.name] = withInstruction(
      trackOf(tracks, run.key),
      { start: now + run.delay, fade: run.fade, to: run.to, curve: run.curve },
      now,
    );
  }
  for (const mark of marks) prepare(tracks, list, mark, now);
  const duration = durationOf(runs);
  const next = list.cues[row + 1];
  const after = followAfter(next, duration);
  return {
    list: playback.list,
    tracks,
    onStage: lookValues(list, row),
    cue: cueAt(list, row).number,
    firedAt: now,
    duration,
    follow: next && after !== undefined ? { cue: next.number, at: now + after } : null,
  };
}

/** Sends a dark light where its mark wants it, from the moment it is dark; nothing else moves those keys after that. */
function prepare(tracks: Record<string, Track>, list: ListSheet, mark: Mark, now: number): void {
  const intensity = intensityOf(list.keys, mark.channel);
  const fadeOut = intensity && !neverLitBefore(mark) ? tracks[intensity.name] : undefined;
  const start = Math.max(now, fadeOut ? outFrom(fadeOut) : now) + mark.delay;
  for (const { key, to, fade } of markedKeys(list, mark)) {
    const instruction = { start, fade, to, curve: "ease" as const };
    tracks[key.name] = withInstruction(trackOf(tracks, key), instruction, now);
  }
}

function trackOf(tracks: Readonly<Record<string, Track>>, key: Key): Track {
  return tracks[key.name] ?? { rest: key.attribute.home, instructions: [] };
}

function lookValues(list: ListSheet, row: number): Record<string, number> {
  const values: Record<string, number> = {};
  for (const key of list.keys.all) {
    const { value } = entryAt(list, key, row);
    if (!Number.isNaN(value)) values[key.name] = value;
  }
  return values;
}

/** The row that Go fires next: the first before anything has run, -1 after the last. A cue that was deleted counts as the place where it stood. */
export function nextRow(playback: Playback, list: ListSheet): number {
  if (playback.cue === null) return list.cues.length > 0 ? 0 : -1;
  const row = firstRowFrom(list, cueOrder(playback.cue) + 1);
  return row < list.cues.length ? row : -1;
}

/** The row that back goes to, or -1 when there is none before. */
export function previousRow(playback: Playback, list: ListSheet): number {
  if (playback.cue === null) return -1;
  return firstRowFrom(list, cueOrder(playback.cue)) - 1;
}

/** Fires every follow that is due by `now`, each at its own moment. A follow whose cue is gone from the list fires nothing. */
export function advance(playback: Playback, list: ListSheet, now: number): Playback {
  let state = playback;
  while (state.follow && state.follow.at <= now) {
    const { cue, at } = state.follow;
    const row = findRow(list, cue);
    state = row < 0 ? { ...state, follow: null } : fireNext(state, list, row, at);
  }
  return state;
}

/** Fires the cue with this number out of order. Throws ShowError for one that the list does not have. */
export function goTo(playback: Playback, list: ListSheet, cue: string, now: number, time?: number): Playback {
  return fireGoto(playback, list, rowOf(list, cue), now, time);
}

/** Back takes this long, seconds: quick, and no jump. */
const BACK_TIME = 1;

/** Goes back to the row before, which never starts a chain. Undefined when there is no cue before. */
export function goBack(playback: Playback, list: ListSheet, now: number): Playback | undefined {
  const row = previousRow(playback, list);
  return row < 0 ? undefined : { ...fireGoto(playback, list, row, now, BACK_TIME), follow: null };
}

/** Puts a row on stage at once and starts nothing: where a list stands after a restart, or after what is on stage was recorded as a cue. */
export function standAt(playback: Playback, list: ListSheet, row: number, now: number): Playback {
  return { ...fireGoto(playback, list, row, now, 0), follow: null };
}
