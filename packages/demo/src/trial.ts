import {
  type Attribute,
  type Channel,
  type Cue,
  type FixtureType,
  type MoveSpec,
  type Moves,
  type Palette,
  type Part,
  type Show,
  readShow,
} from "@zm/core";
import { type Random, randomFrom } from "./random.ts";

/** How large a trial show is: its cues, its channels, and about how many lights each cue works on. */
export const TRIAL_SIZES = {
  small: { cues: 60, channels: 40, lights: 8 },
  middle: { cues: 400, channels: 150, lights: 20 },
  large: { cues: 1500, channels: 400, lights: 43 },
} as const;
export type TrialSize = keyof typeof TRIAL_SIZES;

const percent = (id: string, family: Attribute["family"], home = 0): Attribute => ({ id, family, min: 0, max: 100, home });
const pan: Attribute = { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 120 };
const tilt: Attribute = { id: "tilt", family: "position", min: -130, max: 130, home: 0, speed: 90 };
const wheel = (id: string): Attribute => ({ id, family: "beam", min: 0, max: 8, home: 0, snap: true });
const colours = ["red", "green", "blue"].map((id) => percent(id, "colour", 100));
const level = percent("intensity", "intensity");

const TYPES: readonly FixtureType[] = [
  { id: "lamp", name: "Plain lamp", attributes: [level] },
  { id: "wash", name: "Colour wash", attributes: [level, ...colours, percent("amber", "colour")] },
  {
    id: "profile",
    name: "Moving profile",
    attributes: [
      level,
      pan,
      tilt,
      ...colours,
      wheel("gobo"),
      wheel("prism"),
      percent("zoom", "beam", 50),
      percent("focus", "beam", 50),
      percent("iris", "beam", 100),
      percent("frost", "beam"),
    ],
  },
  { id: "mover", name: "Moving wash", attributes: [level, pan, tilt, ...colours, percent("zoom", "beam", 50), percent("white", "colour")] },
];
/** How the types share the rig, in tenths. */
const SHARES = ["lamp", "lamp", "lamp", "wash", "wash", "profile", "profile", "profile", "mover", "mover"];

/**
 * A made-up show of a given size for trials and benches: scenes with walls, blackouts, splits, parts, follows, marks, palettes and a
 * script, made the way such shows are. The same seed gives the same show.
 */
export function trialShow(size: TrialSize, seed = 1): Show {
  const random = randomFrom(seed);
  const { cues, channels: count, lights } = TRIAL_SIZES[size];
  const channels = rig(count);
  const palettes = palettesFor(random, channels);
  const lines = Array.from({ length: cues * 2 }, (_, index) => ({
    id: `L${index + 1}`,
    page: 1 + Math.floor(index / 30),
    who: random.pick(["ADA", "TOM", "KEEPER"]),
    text: Array.from({ length: random.between(3, 25) }, () =>
      random.pick(["lamp", "oil", "the", "sea", "and", "never", "light", "again"]),
    ).join(" "),
    ...(random.chance(0.05) ? { quiet: true } : {}),
  }));
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: `Trial, ${size}, seed ${seed}`,
    fixtureTypes: TYPES,
    channels,
    groups: [{ id: "all", label: "All", channels: channels.map((channel) => channel.number) }],
    palettes,
    paces: [{ id: "slow", label: "Slow", position: { fade: 6, delay: "0~2" } }],
    lists: [{ id: "main", label: "Main", marks: { policy: "before" }, cues: new Writer(random, channels, palettes, lights).cues(cues) }],
    script: { pace: 150, lines },
  });
}

function rig(count: number): Channel[] {
  return Array.from({ length: count }, (_, index) => {
    const type = SHARES[index % SHARES.length] ?? "lamp";
    return {
      number: index + 1,
      type,
      label: `${type} ${index + 1}`,
      patch: { universe: 1 + Math.floor(index / 30), address: 1 + (index % 30) * 16 },
    };
  });
}

function palettesFor(random: Random, channels: readonly Channel[]): Palette[] {
  const tints = Array.from({ length: 12 }, (_, index) => ({
    id: `tint-${index + 1}`,
    family: "colour" as const,
    label: `Tint ${index + 1}`,
    values: ["red", "green", "blue"].map((attribute) => ({ attribute, value: random.between(0, 100) })),
  }));
  const heads = channels.filter(({ type }) => type === "profile" || type === "mover");
  const places = Array.from({ length: 12 }, (_, index) => ({
    id: `place-${index + 1}`,
    family: "position" as const,
    label: `Place ${index + 1}`,
    values: heads.flatMap(({ number }) => [
      { attribute: "pan", value: random.between(-180, 180), channel: number },
      { attribute: "tilt", value: random.between(-90, 90), channel: number },
    ]),
  }));
  return [...tints, ...places];
}

/** Writes cue after cue, knowing which lights are on. */
class Writer {
  private readonly lit = new Set<number>();
  /** The lights that the scene works with. */
  private cast: Channel[] = [];
  private readonly attributes = new Map(TYPES.map((type) => [type.id, type.attributes]));

  constructor(
    private readonly random: Random,
    private readonly channels: readonly Channel[],
    private readonly palettes: readonly Palette[],
    private readonly lights: number,
  ) {}

  cues(count: number): Cue[] {
    return Array.from({ length: count }, (_, row) => this.cue(row));
  }

  private cue(row: number): Cue {
    const { random } = this;
    const opening = row % 20 === 0;
    const blackout = row % 40 === 39;
    if (opening) this.cast = random.some(this.channels, Math.ceil(this.channels.length / 3));
    const moves = blackout ? this.allOut() : this.picture(opening);
    const number = String(row + 1);
    return {
      number,
      label: blackout ? "Blackout" : opening ? `Scene ${1 + row / 20}` : `Cue ${number}`,
      scene: `${1 + Math.floor(row / 20)}`,
      ...(blackout || (opening && row > 0 && random.chance(0.5)) ? { block: true } : {}),
      ...(random.chance(0.02) ? { restate: true } : {}),
      ...(random.chance(0.02) ? { carries: "cueOnly" as const } : {}),
      ...(row > 0 && random.chance(0.15)
        ? { trigger: { type: "follow" as const, from: random.pick(["go", "complete"] as const), after: random.between(0, 6) } }
        : {}),
      ...(random.chance(0.05) ? { mark: { policy: random.pick(["dark", "before", "view"] as const), fade: random.between(0, 8) } } : {}),
      ...(random.chance(0.7) ? { call: { line: `L${row * 2 + 1}` } } : {}),
      parts: this.parts(moves),
    };
  }

  private allOut(): Moves {
    const out = Object.fromEntries([...this.lit].map((channel) => [channel, { intensity: 0 }]));
    this.lit.clear();
    return out;
  }

  private picture(opening: boolean): Moves {
    const moves: Moves = {};
    const left = opening ? [...this.lit].filter((number) => !this.cast.some((channel) => channel.number === number)) : [];
    for (const number of left) {
      moves[number] = { intensity: 0 };
      this.lit.delete(number);
    }
    const count = Math.round(this.lights * (opening ? 2 : this.random.between(50, 150) / 100));
    for (const channel of this.random.some(this.cast, count)) moves[channel.number] = this.movesOf(channel);
    return moves;
  }

  private movesOf(channel: Channel): Record<string, MoveSpec> {
    const { random } = this;
    const wasLit = this.lit.has(channel.number);
    const goesOut = wasLit && random.chance(0.12);
    const own: Record<string, MoveSpec> = { intensity: goesOut ? 0 : this.timed(random.between(10, 100)) };
    if (goesOut) this.lit.delete(channel.number);
    else this.lit.add(channel.number);
    if (goesOut) return own;
    const tint = random.chance(0.3) ? random.pick(this.palettes.slice(0, 12)).id : undefined;
    const place = random.chance(0.4) ? random.pick(this.palettes.slice(12)).id : undefined;
    for (const attribute of this.attributes.get(channel.type) ?? []) {
      if (attribute.family === "intensity" || (wasLit && random.chance(attribute.snap ? 0.95 : 0.3))) continue;
      const palette = attribute.family === "position" ? place : ["red", "green", "blue"].includes(attribute.id) ? tint : undefined;
      own[attribute.id] = palette === undefined ? this.timed(random.between(attribute.min, attribute.max)) : { palette };
    }
    return own;
  }

  private timed(value: number): MoveSpec {
    if (!this.random.chance(0.05)) return value;
    return {
      value,
      fade: this.random.between(0, 12),
      ...(this.random.chance(0.3) ? { delay: this.random.between(0, 4), curve: "ease" as const } : {}),
    };
  }

  private parts(moves: Moves): Part[] {
    const { random } = this;
    const times = {
      up: random.between(0, 8),
      ...(random.chance(0.6) ? { down: random.between(0, 12) } : {}),
      ...(random.chance(0.3) ? { position: { fade: random.between(1, 10) } } : {}),
    };
    const first = { number: 1, times, moves };
    if (!random.chance(0.1)) return [first];
    const second: Moves = {};
    for (const [channel, own] of Object.entries(moves)) if (random.chance(0.3)) second[channel] = own;
    const left = Object.fromEntries(Object.entries(moves).filter(([channel]) => second[channel] === undefined));
    return [
      { ...first, moves: left },
      { number: 2, times: { up: random.between(2, 20), upDelay: random.between(0, 5) }, moves: second },
    ];
  }
}
