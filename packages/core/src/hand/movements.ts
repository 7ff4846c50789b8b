import { type EditInput, type GivenWave, wavesFor, wavesOfKeys } from "../edit/index.ts";
import { ShowError } from "../show/errors.ts";
import type { Movement, Show, Waves } from "../show/schema.ts";
import type { Keys } from "../sheet/keys.ts";

/** Movements that every show has, by names of our own; one that somebody keeps under the same name stands for it. */
const READY: readonly Movement[] = [
  {
    id: "circle",
    label: "Circle",
    period: 6,
    waves: [
      { attribute: "pan", shape: "sine", size: 18 },
      { attribute: "tilt", shape: "sine", size: 12, phase: 90 },
    ],
  },
  {
    id: "figure",
    label: "Figure",
    period: 8,
    waves: [
      { attribute: "pan", shape: "sine", size: 24 },
      { attribute: "tilt", shape: "sine", size: 9, times: 2 },
    ],
  },
  {
    id: "fly-out",
    label: "Fly out",
    period: 5,
    spread: 180,
    waves: [
      { attribute: "tilt", shape: "rise", size: 30 },
      { attribute: "zoom", shape: "rise", size: 8 },
      { attribute: "intensity", shape: "fall", size: 30 },
    ],
  },
  {
    id: "swell",
    label: "Breathe",
    period: 7,
    spread: 120,
    waves: [
      { attribute: "intensity", shape: "sine", size: 15 },
      { attribute: "zoom", shape: "sine", size: 4 },
    ],
  },
];

/** The movements that can be laid on lights: those that are kept in the show, then those that every show has. */
export function movementsOf({ movements = [] }: Pick<Show, "movements">): readonly Movement[] {
  const own = new Set(movements.map(({ id }) => id));
  return [...movements, ...READY.filter(({ id }) => !own.has(id))];
}

/** One wave of a movement as it is given to lights: spread over them where the movement is. */
function waveOf({ period, spread = 0 }: Movement, { shape, size, phase = 0, times = 1 }: Movement["waves"][number]): GivenWave {
  const swing = { shape, size, period: period / times };
  if (spread !== 0) return { ...swing, phase: `${phase}~${phase + spread}` };
  return phase === 0 ? swing : { ...swing, phase };
}

/** The waves of a movement that lights can make, each with the keys that it sways. Throws ShowError where they have none of its attributes. */
function wavesThatFit(keys: Keys, channels: readonly number[], { label, waves }: Movement) {
  const fitting = waves.flatMap((wave) => {
    const own = channels.flatMap((channel) => keys.byChannel.get(channel)?.get(wave.attribute) ?? []);
    return own.length > 0 ? [{ wave, keys: own }] : [];
  });
  if (fitting.length > 0) return fitting;
  throw new ShowError(`None of these lights has ${waves.map(({ attribute }) => attribute).join(" or ")}, which ${label} moves`);
}

/** The waves that a movement gives lights, of the attributes that they have. Throws ShowError where they have none of them. */
export function movementWaves(keys: Keys, channels: readonly number[], movement: Movement): Waves {
  const given: Waves = {};
  for (const { wave, keys: own } of wavesThatFit(keys, channels, movement))
    for (const [channel, all] of Object.entries(wavesOfKeys(wavesFor(own, waveOf(movement, wave), []))))
      given[channel] = { ...given[channel], ...all };
  return given;
}

/** The edits that lay a movement on lights in a range of cues: one for each attribute that they have. One gesture and one undo. Throws ShowError as `movementWaves`. */
export function movementEdits(
  keys: Keys,
  channels: readonly number[],
  movement: Movement,
  range: { list: string; from: string; to: string; after: "restore" | "track" },
): EditInput[] {
  return wavesThatFit(keys, channels, movement).map(({ wave, keys: own }): EditInput => ({
    op: "setWave",
    ...range,
    keys: { channels: own.map(({ channel }) => channel), attributes: [wave.attribute] },
    wave: waveOf(movement, wave),
  }));
}

/**
 * A movement of the waves that lights have: what the first of them does of each attribute, spread as far as the last is behind it. Throws ShowError
 * where they have none, or waves of different periods that do not fit into one another.
 */
export function movementFrom(waves: Waves, channels: readonly number[], kept: { id: string; label: string }): Movement {
  const swaying = channels.filter((channel) => Object.values(waves[channel] ?? {}).some((wave) => "shape" in wave));
  const own = Object.entries(waves[swaying[0] ?? -1] ?? {}).flatMap(([attribute, wave]) =>
    "shape" in wave && wave.period !== undefined ? [{ attribute, wave, period: wave.period }] : [],
  );
  if (own.length === 0)
    throw new ShowError("None of these lights sways in seconds of its own; give them waves first, each with its period");
  const period = Math.max(...own.map((each) => each.period));
  const [first] = own;
  const last = waves[swaying.at(-1) ?? -1]?.[first?.attribute ?? ""];
  const spread = last && "shape" in last && first ? (last.phase ?? 0) - (first.wave.phase ?? 0) : 0;
  return {
    ...kept,
    period,
    waves: own.map(({ attribute, wave: { shape, size, phase }, period: one }) => ({
      attribute,
      shape,
      size,
      ...(phase ? { phase } : {}),
      ...(one === period ? {} : { times: period / one }),
    })),
    ...(spread === 0 ? {} : { spread }),
  };
}
