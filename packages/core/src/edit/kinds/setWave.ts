import { z } from "zod";
import { fanAt } from "../../fan/fan.ts";
import { ShowError } from "../../show/errors.ts";
import { type Wave, WAVE_SHAPES } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { type WaveEntry, wavePart, wavesOf } from "../../sheet/waves.ts";
import { id, keys, list, range, valueFan } from "../fields.ts";
import { type SaidWave, saidSteps } from "../plan/partWaves.ts";
import { rowsIn } from "../plan/rows.ts";
import { selectKeys } from "../plan/selectKeys.ts";
import type { Step } from "../step.ts";
import { defineEdit, listFor } from "./kind.ts";
import { namesWords, rangeWords, whoseWords } from "./kindWords.ts";

const wave = z
  .strictObject({
    shape: z.enum(WAVE_SHAPES),
    size: valueFan,
    period: valueFan.optional(),
    tempo: id.optional(),
    phase: valueFan.optional(),
  })
  .refine(({ period, tempo }) => period !== undefined || tempo !== undefined, "needs a period or a tempo: how fast does it go?");
const schema = z.strictObject({
  op: z.literal("setWave"),
  list,
  ...range,
  keys,
  /** The wave, with fans over the chosen lights; a stop; or null, which forgets what the cues of the range say of it. */
  wave: z.union([wave, z.strictObject({ stop: z.literal(true) }), z.null()]),
  after: z.enum(["restore", "track"]).default("track"),
});

type SetWaveEdit = z.infer<typeof schema>;

/**
 * The steps that give chosen keys a wave over a range of cues: it stands in the first, and what the others say of it goes. With `restore` the
 * cue behind the range gets what it needs to sway as before. Throws ShowError for a tempo that there is not, and a period below 0.05 s.
 */
function planSetWave(list: ListSheet, edit: SetWaveEdit, tempos: readonly string[]): Step[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const chosen = selectKeys(list.keys, edit.keys);
  const order = [...new Set(chosen.map(({ channel }) => channel))];
  const told = new Map<number, Map<Key, SaidWave | null>>();
  const say = (row: number, key: Key, said: SaidWave | null): void =>
    void (told.get(row) ?? told.set(row, new Map()).get(row))?.set(key, said);
  for (const key of chosen) {
    for (let row = first; row <= last; row += 1) if (wavePart(list.cues[row], key) !== undefined) say(row, key, null);
    if (edit.wave) say(first, key, saidFor(edit.wave, order.indexOf(key.channel), order.length, tempos));
    if (edit.after === "track" || last + 1 >= list.cues.length || wavePart(list.cues[last + 1], key) !== undefined) continue;
    const behind: WaveEntry | null | undefined = wavesOf(list).get(key)?.[last + 1];
    say(last + 1, key, behind?.wave ?? { stop: true });
  }
  return [...told].flatMap(([row, own]) => saidSteps(list.id, cueAt(list, row), own));
}

/** The wave of one light out of a wave with fans. Throws ShowError. */
function saidFor(given: NonNullable<SetWaveEdit["wave"]>, place: number, count: number, tempos: readonly string[]): SaidWave {
  if ("stop" in given) return given;
  const { shape, size, period, tempo, phase } = given;
  if (tempo !== undefined && !tempos.includes(tempo))
    throw new ShowError(`There is no tempo "${tempo}"; the tempos are ${tempos.join(", ") || "none yet"}`);
  const seconds = period === undefined ? undefined : fanAt(period, place, count);
  if (seconds !== undefined && seconds < 0.05)
    throw new ShowError(`A wave of ${seconds} s is too short to be seen; give a period of 0.05 s or more`);
  const own: Wave = { shape, size: fanAt(size, place, count) };
  if (seconds !== undefined) own.period = seconds;
  if (tempo !== undefined) own.tempo = tempo;
  if (phase !== undefined) own.phase = fanAt(phase, place, count);
  return own;
}

/** A wave in a few words: "sine 30, every 4 s". */
function waveWords(given: SetWaveEdit["wave"]): string {
  if (given === null) return "what is said of waves forgotten";
  if ("stop" in given) return "wave stopped";
  const pace = given.tempo === undefined ? `every ${given.period} s` : `at ${given.tempo}`;
  return `${given.shape} ${given.size}, ${pace}${given.phase === undefined ? "" : `, phase ${given.phase}`}`;
}

/**
 * Giving lights a wave over a range of cues, stopping it, or forgetting it (section 10 of the running rules).
 * It stands in the first cue of the range and tracks on. A fan spreads size, period or phase over the lights in their order.
 * No look changes: a wave is added to values and is none itself.
 */
export const setWave = defineEdit(schema, {
  plan: (sheet, edit) =>
    planSetWave(
      listFor(sheet, edit),
      edit,
      (sheet.show.tempos ?? []).map((tempo) => tempo.id),
    ),
  words: (edit) =>
    `${rangeWords(edit)}, ${whoseWords(edit.keys)}: ${[namesWords(edit.keys), waveWords(edit.wave)].filter(Boolean).join(" ")}${edit.after === "restore" ? ", restored after" : ""}`,
});
