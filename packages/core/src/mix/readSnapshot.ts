import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { renamedField } from "../show/renamedField.ts";
import { editParts } from "../show/schema.ts";
import { type MixSnapshot, NUMBERS_OF_LAYER, NUMBERS_OF_REMAINDER, NUMBERS_OF_REST } from "./mixSnapshot.ts";

const number = z.number();

/** A shape with a number that orders what is due at one moment; it was called `turn` in what was written before. */
function sequenced<Shape extends z.ZodType>(shape: Shape): z.ZodPreprocess<Shape> {
  return z.preprocess((raw) => renamedField(raw, "turn", "sequence"), shape);
}

const clock = z.object({ at: number, seconds: number, held: z.boolean() });
const ramp = z.object({ from: number, to: number, start: number, fade: number });
const waiting = sequenced(
  z.object({
    due: number,
    sequence: number,
    key: z.string(),
    what: z.enum(["take", "letGo", "rest", "mark", "wave"]),
    wave: editParts.wave.nullable().optional(),
    to: number,
    fade: number,
    curve: number,
  }),
);
const list = z.object({
  clock,
  waveClock: clock,
  rate: number,
  master: ramp,
  size: ramp,
  cue: z.string().nullable(),
  firedAt: number,
  duration: number,
  follow: z.object({ cue: z.string(), at: number }).nullable(),
  step: number,
  actions: z.array(sequenced(z.object({ due: number, sequence: number, action: editParts.action }))),
  onStage: z.record(z.string(), number),
  waiting: z.array(waiting),
  marks: z.array(z.object({ channel: number, key: z.string(), to: number, fade: number })),
});
const wave = z.object({
  shape: number,
  period: number,
  phase: number,
  since: number,
  from: number,
  to: number,
  start: number,
  fade: number,
  curve: number,
});
/** A row that begins with two names, and how many numbers come behind them. */
const named = <Second extends z.ZodType>(second: Second, count: number) =>
  z
    .tuple([z.string(), second])
    .rest(number)
    .refine((row) => row.length === count + 2, `needs ${count} numbers`);

const snapshot = sequenced(
  z.object({
    now: number,
    sequence: number,
    lists: z.record(z.string(), list),
    looks: z.record(z.string(), z.object({ level: ramp, up: z.boolean() })),
    tempos: z.record(z.string(), number),
    standby: z.array(z.object({ list: z.string(), cue: z.string() })),
    grand: z
      .object({
        master: ramp,
        blackout: ramp,
        solo: z.union([z.object({ list: z.string() }), z.object({ look: z.string() })]).optional(),
        identify: z.array(number).optional(),
        parked: z.record(z.string(), number).optional(),
      })
      .optional(),
    owners: z.array(z.object({ aspect: z.enum(["run", "rate", "master", "look", "tempo"]), id: z.string(), owner: z.string() })),
    layers: z.array(
      z
        .tuple([z.string(), z.string(), z.number().int().min(1).max(2)])
        .rest(number)
        .refine((row) => row.length === NUMBERS_OF_LAYER + 3, `needs ${NUMBERS_OF_LAYER} numbers`),
    ),
    rests: z.array(named(z.string().nullable(), NUMBERS_OF_REST)),
    leftBy: z.array(z.tuple([z.string(), z.string()])),
    remainders: z.array(named(z.string(), NUMBERS_OF_REMAINDER)),
    waves: z.array(z.object({ key: z.string(), source: z.string(), waves: z.array(wave) })),
  }),
);

/** What runs of the version before did not tell. */
const NOT_TOLD_BEFORE = { owners: [], leftBy: [], remainders: [] };

/**
 * A run that was written down as JSON, read back field by field. Throws ShowError naming the first fields that are missing or damaged; then nothing of it is to
 * be taken. `older` reads what the version before wrote.
 */
export function readMixSnapshot(raw: unknown, older = false): MixSnapshot {
  const told = older && typeof raw === "object" && raw !== null ? { ...NOT_TOLD_BEFORE, ...raw } : raw;
  const parsed = snapshot.safeParse(told);
  if (parsed.success) return parsed.data;
  throw new ShowError(faultsOf(parsed.error, told).slice(0, 3));
}
