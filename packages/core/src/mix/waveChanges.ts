import type { Key } from "../sheet/keys.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import { type WaveEntry, storesWave, wavePart, wavesOf } from "../sheet/waves.ts";
import { moveIndexAt } from "../sheet/column.ts";
import { columnOf } from "../sheet/entry.ts";
import { firstPart, partNumbered } from "../time/transition.ts";
import { timingOf } from "../time/times.ts";
import type { Curve, Wave } from "../show/schema.ts";
import { curveCode } from "./curveCodes.ts";
import type { ListRun } from "./listRun.ts";
import type { ScheduledChange } from "./scheduledChange.ts";

/**
 * What waits of the waves that a row begins and ends: at the list's rate, or all at once in the time that is said for all. `due` is the list's own
 * time at the Go.
 * In the times of the key's move where it has one, else of the part that holds the wave (docs/running.md, Waves).
 */
export function waitingWaves(
  run: ListRun,
  row: number,
  { due, time }: { due: number; time: number | undefined },
  nextSequence: () => number,
): ScheduledChange[] {
  return waveChanges(run.list, row, run.waves).map(({ key, wave, delay, fade, curve }) => ({
    due: time === undefined ? due + delay / run.rate : due,
    sequence: nextSequence(),
    key: key.ordinal,
    what: "wave",
    wave,
    to: wave?.size ?? 0,
    fade: time ?? fade / run.rate,
    curve: curveCode(curve),
  }));
}

/** A wave that begins or ends when a cue is fired: when after its Go, and in how long. Seconds. */
interface WaveChange {
  readonly key: Key;
  readonly wave: Wave | null;
  readonly delay: number;
  readonly fade: number;
  readonly curve: Curve;
}

/**
 * The waves in the look of a row, by key ordinal.
 * Stops are left out: they are no waves.
 */
export function wavesAt(list: ListSheet, row: number): Map<number, WaveEntry> {
  const found = new Map<number, WaveEntry>();
  for (const [key, rows] of wavesOf(list)) {
    const entry = rows[row];
    if (entry?.wave) found.set(key.ordinal, entry);
  }
  return found;
}

/**
 * What firing a row does to waves (docs/running.md, Waves): one that the cue states begins anew, one that the look no longer holds
 * ends, one that it says nothing of runs on. Times are those of the key's value move in that cue, else of the part that holds the wave.
 */
function waveChanges(list: ListSheet, row: number, before: ReadonlyMap<number, WaveEntry>): WaveChange[] {
  const cue = cueAt(list, row);
  const after = wavesAt(list, row);
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((ordinal): WaveChange[] => {
    const key = list.keys.all[ordinal];
    const [was, is] = [before.get(ordinal), after.get(ordinal)];
    if (!key || (was?.wave === is?.wave && !storesWave(list, key, row))) return [];
    const column = columnOf(list, key);
    const move = moveIndexAt(column, row);
    const part = move < 0 ? wavePart(list.cues[row], key) : column.parts[move];
    const timed = part === undefined ? firstPart(cue) : partNumbered(cue, part);
    const [from, to] = [Math.abs(was?.wave?.size ?? 0), Math.abs(is?.wave?.size ?? 0)];
    return [{ key, wave: is?.wave ?? null, ...timingOf(key.attribute, column.specs[move], timed, from, to) }];
  });
}
