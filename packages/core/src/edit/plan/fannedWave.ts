import { z } from "zod";
import { type Fan, fanAt, fanOf, fanPlace, fanPoints } from "../../fan/fan.ts";
import { ShowError } from "../../show/errors.ts";
import { type Wave, WAVE_SHAPES, type Waves } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import { id, valueFan } from "./fields.ts";
import type { SaidWave } from "./partWaves.ts";
import { thereIsNo } from "../../show/thereIsNo.ts";

/** A wave as it is given to several lights: size, period and phase may be fans over them. */
export const fannedWave = z
  .strictObject({
    shape: z.enum(WAVE_SHAPES),
    size: valueFan,
    period: valueFan.optional(),
    tempo: id.optional(),
    phase: valueFan.optional(),
  })
  .refine(({ period, tempo }) => period !== undefined || tempo !== undefined, "needs a period or a tempo: how fast does it go?");

/**
 * A wave for several lights, or that what sways there stops (docs/running.md, Waves).
 * Size in the attribute's own unit, period in seconds, phase in degrees; each a number or a fan.
 */
export const givenWave = z.union([fannedWave, z.strictObject({ stop: z.literal(true) })]);

/** What chosen lights are told of a wave. `wavesFor` makes the wave of each light of it. */
export type GivenWave = z.infer<typeof givenWave>;

/**
 * The waves that chosen keys get of one that is given with fans; these run over the lights in the order of the keys (docs/running.md, Waves).
 * Throws ShowError for a tempo that the show does not have, naming those it has, and for a period below 0.05 s.
 */
export function wavesFor(keys: readonly Key[], given: GivenWave, tempos: readonly string[]): Map<Key, SaidWave> {
  const order = [...new Set(keys.map(({ channel }) => channel))];
  return new Map(keys.map((key) => [key, waveOf(given, order.indexOf(key.channel), order.length, tempos)]));
}

/** The wave of one light. */
function waveOf(given: GivenWave, place: number, count: number, tempos: readonly string[]): SaidWave {
  if ("stop" in given) return given;
  const { shape, size, period, tempo, phase } = given;
  if (tempo !== undefined) checkTempo(tempo, tempos);
  const seconds = period === undefined ? undefined : fanAt(period, place, count);
  if (seconds !== undefined && seconds < 0.05)
    throw new ShowError(`A wave of ${seconds} s is too short to be seen; give a period of 0.05 s or more`);
  const own: Wave = { shape, size: fanAt(size, place, count) };
  if (seconds !== undefined) own.period = seconds;
  if (tempo !== undefined) own.tempo = tempo;
  if (phase !== undefined) own.phase = phaseAt(phase, place, count);
  return own;
}

/**
 * The phase of one light. A fan over whole rounds runs along the lights as on a ring: the last stands one step before the first, which it would else meet. Degrees.
 */
function phaseAt(phase: Fan, place: number, count: number): number {
  const [from = 0, to = from, ...more] = fanPoints(phase);
  const isRing = more.length === 0 && to !== from && (to - from) % ROUND === 0;
  const own = fanPlace(phase, place, count);
  return isRing ? from + ((to - from) * own.index) / own.count : fanAt(phase, place, count);
}

/** The fan that gives lights these phases: the reverse of `phaseAt`. */
function phaseFanOf(phases: readonly number[]): Fan | undefined {
  const fan = fanOf(phases);
  const [from, to, ...more] = fan === undefined ? [] : fanPoints(fan);
  if (from === undefined || to === undefined || more.length > 0) return fan;
  const round = ((to - from) * phases.length) / (phases.length - 1);
  const isRing = Math.abs(round / ROUND - Math.round(round / ROUND)) < 1e-6 && Math.round(round / ROUND) !== 0;
  return isRing ? `${from}~${from + Math.round(round)}` : fan;
}

/** A whole round of a wave, degrees. */
const ROUND = 360;

/**
 * What was given to lights that have these waves, in their order: the reverse of `wavesFor`, for fields that show it.
 * Undefined where they differ in more than a fan can say, or one has none.
 */
export function waveOver(waves: readonly (SaidWave | undefined)[]): GivenWave | undefined {
  const own = waves.flatMap((wave) => (wave && !("stop" in wave) ? [wave] : []));
  const [first] = own;
  if (waves.length > 0 && waves.every((wave) => wave && "stop" in wave)) return { stop: true };
  if (!first || own.length < waves.length || own.some(({ shape, tempo }) => shape !== first.shape || tempo !== first.tempo))
    return undefined;
  const [size, period] = [fanOf(own.map((wave) => wave.size)), fanOf(own.map((wave) => wave.period))];
  const phase = own.some((wave) => wave.phase !== undefined) ? phaseFanOf(own.map((wave) => wave.phase ?? 0)) : undefined;
  if (size === undefined) return undefined;
  const rate = first.tempo !== undefined ? { tempo: first.tempo } : { period: period ?? 1 };
  return { shape: first.shape, size, ...rate, ...(phase === undefined ? {} : { phase }) };
}

/** Throws ShowError for a tempo that the show does not have. */
export function checkTempo(tempo: string, tempos: readonly string[]): void {
  if (!tempos.includes(tempo)) throw new ShowError(thereIsNo("tempo", tempo, tempos));
}

/**
 * Waves by key as they stand in a part, by channel and attribute.
 * An empty object for no waves.
 */
export function wavesOfKeys(waves: Iterable<readonly [Key, SaidWave]>): Waves {
  const all: Waves = {};
  for (const [key, wave] of waves) (all[key.channel] ??= {})[key.attribute.id] = wave;
  return all;
}

/**
 * A wave in a few words, for the history and for what is read back: "sine 30 every 4 s, spread 0~360".
 * Without the lights and cues that it speaks of.
 */
export function waveWords(given: GivenWave): string {
  if ("stop" in given) return "wave stopped";
  const pace = given.tempo === undefined ? `every ${given.period} s` : `at ${given.tempo}`;
  return `${given.shape} ${given.size} ${pace}${given.phase === undefined ? "" : `, spread ${given.phase}`}`;
}
