import { cueOrder } from "../../../src/show/cueNumber.ts";
import { type ListSheet, cueAt, firstRowFrom, rowOf } from "../../../src/sheet/sheet.ts";
import { entryAt, sameValue } from "../../../src/sheet/entry.ts";
import { type Mark, markedKeys } from "../../../src/marks/mark.ts";
import { markedInto, marksMadeAt, marksMadeByGoto } from "../../../src/marks/marks.ts";
import { type Key, intensityOf } from "../../../src/sheet/keys.ts";
import { followAfter } from "../../../src/time/chain.ts";
import { timingOf } from "../../../src/time/times.ts";
import { type Run, type Transition, durationOf, firstPart, transitionFrom } from "../../../src/time/transition.ts";
import { restingAt } from "../../../src/sheet/rest.ts";
import { type Track, destination, outFrom, outputAt, withInstruction, withoutLater } from "./track.ts";

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
 * Fires a row in its order, after the one that stands on stage (docs/rules.md, Times to Marks). A key that a mark has prepared
 * is left alone; one whose mark was never made, because the show has changed since, moves with its cue.
 */
export function fireNext(playback: Playback, list: ListSheet, row: number, now: number): Playback {
  const marked = markedInto(list, row);
  const isMarked = (key: Key): boolean => {
    const track = playback.tracks[key.name];
    return sameValue(marked.get(key.ordinal) ?? Number.NaN, track ? destination(track) : key.attribute.home);
  };
  const transition = transitionFrom(list, row, (key) => playback.onStage[key.name] ?? Number.NaN, { everyKey: true, isMarked });
  return fired(playback, list, row, transition, marksMadeAt(list, row), now);
}

/**
 * Goes to a row out of its order: from what is on stage to the row's look. An intensity that the look does not hold goes out, any
 * other key to its resting value, so that the stage stands as it would after running there (docs/rules.md, Playing). `time` gives
 * every key that fade and no delay; left out, the cue's own times hold.
 */
export function fireGoto(playback: Playback, list: ListSheet, row: number, now: number, time?: number): Playback {
  const output = (key: Key): number => keyOutput(playback, key, now);
  const inLook = (key: Key): boolean => !Number.isNaN(entryAt(list, key, row).value);
  const { runs } = transitionFrom(
    list,
    row,
    (key) => (playback.onStage[key.name] !== undefined || inLook(key) ? output(key) : Number.NaN),
    { everyKey: true, isMarked: () => false },
  );
  const running = new Set(runs.map((run) => run.key.ordinal));
  const first = firstPart(cueAt(list, row));
  const resting = list.keys.all.flatMap((key): Run[] => {
    if (running.has(key.ordinal)) return [];
    const to = key.attribute.family === "intensity" && !inLook(key) ? 0 : restingAt(list, key, row);
    if (standsAt(playback.tracks[key.name], key, to, now)) return [];
    const from = output(key);
    return [{ key, from, to, ...timingOf(key.attribute, undefined, first, from, to), cause: "implied", part: first.number }];
  });
  const all = [...runs, ...resting];
  const timed = time === undefined ? all : all.map((run) => ({ ...run, delay: 0, fade: time }));
  return fired(playback, list, row, { runs: timed, letGo: [] }, marksMadeByGoto(list, row), now);
}

/** True for a key that is at a value now and has nothing left to do that would take it elsewhere. */
function standsAt(track: Track | undefined, key: Key, value: number, now: number): boolean {
  if (!track) return sameValue(key.attribute.home, value);
  return (
    track.instructions.every((each) => each.start <= now) && sameValue(destination(track), value) && sameValue(outputAt(track, now), value)
  );
}

/** The playback once a row is fired: what the transition runs, what it lets go, and the marks that are made behind it. */
function fired(playback: Playback, list: ListSheet, row: number, transition: Transition, marks: readonly Mark[], now: number): Playback {
  const tracks: Record<string, Track> = { ...playback.tracks };
  for (const { key, delay } of transition.letGo) {
    const track = tracks[key.name];
    if (track) tracks[key.name] = withoutLater(track, now + delay);
  }
  for (const run of transition.runs) {
    tracks[run.key.name] = withInstruction(
      trackOf(tracks, run.key),
      { start: now + run.delay, fade: run.fade, to: run.to, curve: run.curve },
      now,
    );
  }
  for (const mark of marks) prepare(tracks, list, mark, now);
  const duration = durationOf(transition);
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
  const fadeOut = intensity && tracks[intensity.name];
  const dark = fadeOut ? outFrom(fadeOut) : now;
  // A light that stays lit, because the show has changed since, moves with its cue.
  if (dark === Number.POSITIVE_INFINITY) return;
  const start = Math.max(now, dark) + mark.delay;
  for (const { key, to, fade } of markedKeys(list, mark)) {
    const instruction = { start, fade, to, curve: "ease" as const };
    tracks[key.name] = withInstruction(trackOf(tracks, key), instruction, now);
  }
}

/** What a key has been told; one that was told nothing rests at its home. */
export function trackOf(tracks: Readonly<Record<string, Track>>, key: Key): Track {
  return tracks[key.name] ?? { rest: key.attribute.home, instructions: [] };
}

/** The look of a row by key name: only what is set. */
export function lookValues(list: ListSheet, row: number): Record<string, number> {
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
