import { z } from "zod";
import type { Key } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { wavePart } from "../../sheet/waves.ts";
import { keys, list, range } from "../plan/fields.ts";
import { givenWave, waveWords, wavesFor } from "../plan/fannedWave.ts";
import { withWavesKept } from "../plan/keptWaves.ts";
import { type SaidWave, saidSteps } from "../plan/partWaves.ts";
import { rowsIn } from "../plan/rows.ts";
import { selectKeys } from "../plan/selectKeys.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { namesWords, rangeWords, whoseWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("setWave"),
  list,
  ...range,
  keys,
  /** The wave, with fans over the chosen lights; a stop; or null, which forgets what the cues of the range say of it. */
  wave: z.union([givenWave, z.null()]),
  after: z.enum(["restore", "track"]).default("track"),
});

type SetWaveEdit = z.infer<typeof schema>;

/**
 * The steps that give chosen keys a wave over a range of cues: it stands in the first, and what the others say of it goes. With `restore` the
 * cue behind the range gets what it needs to sway as before. Throws ShowError for a tempo that there is not, and a period below 0.05 s.
 */
function planSetWave(sheet: ShowSheet, list: ListSheet, edit: SetWaveEdit): Step[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const chosen = selectKeys(list.keys, edit.keys);
  const tempos = (sheet.show.tempos ?? []).map(({ id }) => id);
  const given = edit.wave ? wavesFor(chosen, edit.wave, tempos) : undefined;
  const saidByRow = new Map<number, Map<Key, SaidWave | null>>();
  const say = (row: number, key: Key, said: SaidWave | null): void =>
    void (saidByRow.get(row) ?? saidByRow.set(row, new Map()).get(row))?.set(key, said);
  for (const key of chosen) {
    for (let row = first; row <= last; row += 1) if (wavePart(list.cues[row], key) !== undefined) say(row, key, null);
    if (given) say(first, key, given.get(key) ?? null);
  }
  const steps = [...saidByRow].flatMap(([row, own]) => saidSteps(list.id, cueAt(list, row), own));
  if (edit.after === "track") return steps;
  const inRange = list.cues.slice(first, last + 1).map(({ number }) => number);
  return withWavesKept(sheet, list, steps, inRange);
}

/**
 * Giving lights a wave over a range of cues, stopping it, or forgetting it (docs/running.md, Waves).
 * It stands in the first cue of the range and tracks on. A fan spreads size, period or phase over the lights in their order.
 * No look changes: a wave is added to values and is none itself.
 */
export const setWave = defineEdit(schema, {
  plan: (sheet, edit) => planSetWave(sheet, listFor(sheet, edit), edit),
  words: (edit) =>
    `${rangeWords(edit)}, ${whoseWords(edit.keys)}: ${[namesWords(edit.keys), edit.wave ? waveWords(edit.wave) : "what is said of waves forgotten"].filter(Boolean).join(" ")}${edit.after === "restore" ? ", restored after" : ""}`,
});
