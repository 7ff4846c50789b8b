import { at } from "../../show/at.ts";
import { runToEnd } from "../../show/runToEnd.ts";
import { sameData } from "../../show/sameData.ts";
import type { Wave } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import { trackingOf } from "../../sheet/tracking.ts";
import { type WaveRows, trackedWaves, wavePart, wavesOf } from "../../sheet/waves.ts";
import { showAfterInSlices } from "../steps/apply.ts";
import type { Step } from "../steps/step.ts";
import { type SaidWave, saidSteps } from "./partWaves.ts";

/**
 * The steps of an edit that keeps looks, with those that keep the waves of every cue behind it too: where another wave would track in, the cue
 * says its own again, or that there is none. A wave that is said again starts anew.
 * For edits such as blocking, deleting and recording, which promise that looks behind them stay.
 * `except` names cues whose own waves are what the steps make them; `named` gives the number that a cue has afterwards. Gives the steps back as they are where no wave is near.
 */
export function withWavesKept(
  sheet: ShowSheet,
  list: ListSheet,
  steps: readonly Step[],
  except: readonly string[] = [],
  named: (cue: string) => string = (cue) => cue,
): Step[] {
  if (wavesOf(list).size === 0 && except.length === 0) return [...steps];
  const after = rowsAfter(sheet, list, steps);
  const before = new Map(list.cues.map((cue, row) => [named(cue.number), row]));
  for (const cue of except) before.delete(cue);
  const saidByRow = new Map<number, Map<Key, SaidWave>>();
  for (const key of new Set([...wavesOf(list).keys(), ...wavesOf(after).keys()])) {
    for (const [row, said] of keptRows(list, after, before, key))
      saidByRow.set(row, (saidByRow.get(row) ?? new Map<Key, SaidWave>()).set(key, said));
  }
  return [...steps, ...[...saidByRow].flatMap(([row, own]) => saidSteps(list.id, at(after.cues, row), own))];
}

/** The rows of the list as the steps leave it. */
function rowsAfter(sheet: ShowSheet, list: ListSheet, steps: readonly Step[]): WaveRows {
  const show = runToEnd(showAfterInSlices(sheet.show, steps));
  const cues = show.lists.find(({ id }) => id === list.id)?.cues ?? [];
  return { cues, tracking: trackingOf(cues).tracking, keys: list.keys };
}

/** By row, what a cue has to say of the wave of a key for it to be there what it was. Cues that are new show whatever tracks into them. */
function keptRows(list: ListSheet, after: WaveRows, before: ReadonlyMap<string, number>, key: Key): Map<number, SaidWave> {
  const said = new Map<number, SaidWave>();
  const shownBefore = wavesOf(list).get(key);
  const shownNow = wavesOf(after).get(key);
  trackedWaves(after, key, (row, base) => {
    const cue = at(after.cues, row);
    const place = before.get(cue.number);
    const holds = wavePart(cue, key);
    const own = holds === undefined ? undefined : { wave: shownNow?.[row]?.wave ?? null, row, part: holds };
    const wave: Wave | null | undefined = place === undefined ? undefined : (shownBefore?.[place]?.wave ?? null);
    if (wave === undefined || sameData((own ?? base)?.wave ?? null, wave)) return own;
    said.set(row, wave ?? { stop: true });
    return { wave, row, part: holds ?? 1 };
  });
  return said;
}
