import fc from "fast-check";
import { type Cue, type MoveSpec, type Moves, type Show, readShow } from "../../src/index.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const fixtureTypes = [
  { id: "lamp", name: "Lamp", attributes: [intensity] },
  {
    id: "mover",
    name: "Mover",
    attributes: [
      intensity,
      { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90 },
      { id: "red", family: "colour", min: 0, max: 100, home: 100 },
      { id: "gobo", family: "beam", min: 0, max: 8, home: 0, snap: true },
    ],
  },
];
const spare = { id: "spare", name: "Spare", attributes: [intensity] };
const channels = [
  { number: 1, type: "mover" },
  { number: 2, type: "mover" },
  { number: 5, type: "lamp" },
];
const palettes = [
  {
    id: "dusk",
    family: "colour",
    label: "Dusk",
    values: [
      { attribute: "red", value: 30 },
      { attribute: "red", value: 40, channel: 2 },
    ],
  },
  { id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 15, channel: 1 }] },
  { id: "noon", family: "colour", label: "Noon", values: [{ attribute: "red", value: 90, type: "mover" }] },
];
const paces = [{ id: "slow", label: "Slow", intensity: { fade: "1~3" }, position: { fade: 6, delay: "0~2~0", curve: "ease" } }];
const groups = [{ id: "movers", label: "Movers", channels: [2, 1] }];
const script = {
  pace: 120,
  lines: [
    { id: "I.1", text: "The lamp is low tonight, and the oil is lower." },
    { id: "I.2", text: "Then burn the chairs.", quiet: true },
    { id: "I.3", text: "No.", seconds: 9 },
  ],
};

/** Every key of the random rig with the range of its values. */
export const KEYS = [
  { channel: 1, attribute: "intensity", min: 0, max: 100, palette: undefined },
  { channel: 1, attribute: "pan", min: -270, max: 270, palette: "chair" },
  { channel: 1, attribute: "red", min: 0, max: 100, palette: "dusk" },
  { channel: 1, attribute: "gobo", min: 0, max: 8, palette: undefined },
  { channel: 2, attribute: "intensity", min: 0, max: 100, palette: undefined },
  { channel: 2, attribute: "pan", min: -270, max: 270, palette: "chair" },
  { channel: 2, attribute: "red", min: 0, max: 100, palette: "dusk" },
  { channel: 5, attribute: "intensity", min: 0, max: 100, palette: undefined },
] as const;

const seconds = fc.integer({ min: 0, max: 40 }).map((quarter) => quarter / 4);
const curve = fc.constantFrom("linear" as const, "ease" as const, "atEnd" as const);

function moveFor(key: (typeof KEYS)[number]): fc.Arbitrary<MoveSpec> {
  const value = fc.integer({ min: key.min, max: key.max });
  const timed = fc.record({ value, fade: seconds, curve }, { requiredKeys: ["value", "fade"] });
  const released: fc.Arbitrary<MoveSpec> = fc.record(
    { release: fc.constant(true as const), delay: seconds },
    { requiredKeys: ["release"] },
  );
  const choices: fc.Arbitrary<MoveSpec>[] = [value, value, timed, released];
  if (key.palette) choices.push(fc.constant({ palette: key.palette }));
  return fc.oneof(...choices);
}

/** Moves for any of the rig's keys, as a part holds them. */
export const movesArbitrary: fc.Arbitrary<Moves> = fc
  .tuple(...KEYS.map((key) => fc.option(moveFor(key), { nil: undefined, freq: 2 })))
  .map((specs) => {
    const moves: Moves = {};
    specs.forEach((spec, index) => {
      const key = KEYS[index];
      if (spec !== undefined && key) (moves[key.channel] ??= {})[key.attribute] = spec;
    });
    return moves;
  });

const times = fc.record(
  {
    up: seconds,
    down: seconds,
    upDelay: seconds,
    position: fc.record({ fade: seconds }),
    colour: fc.record({ delay: seconds }, { requiredKeys: [] }),
  },
  { requiredKeys: [] },
);
const trigger = fc.oneof(
  fc.constant({ type: "go" as const }),
  fc.record({ type: fc.constant("follow" as const), from: fc.constantFrom("go" as const, "complete" as const), after: seconds }),
);

/** The numbers of a random show's cues: 1, 2, 2.5, 3 and so on, so that gaps and points both come up. */
export const NUMBERS = ["0.5", "1", "2", "2.5", "3", "4", "6", "7", "7.125", "10", "10.25", "12", "14", "14.5", "20", "31"];

const number = fc.constantFrom(...NUMBERS);
/** Settings of a cue's marks, of which some name cues that are not there or lie outside the dark window. */
export const markArbitrary = fc.record(
  {
    policy: fc.constantFrom("before" as const, "dark" as const, "view" as const),
    at: number,
    fade: seconds,
    delay: seconds,
    channels: fc.record({ "1": fc.oneof(fc.record({ at: number }), fc.constant({ view: true as const })) }),
  },
  { requiredKeys: [] },
);
const call = fc.record(
  { line: fc.constantFrom("I.1", "I.2", "I.3"), word: fc.constantFrom("oil", "chairs", "lamp"), kind: fc.constantFrom("on", "after") },
  { requiredKeys: ["line"] },
);

const cueBody = fc.record(
  {
    label: fc.string({ maxLength: 8 }),
    block: fc.boolean(),
    restate: fc.boolean(),
    carries: fc.constantFrom("track" as const, "track" as const, "track" as const, "cueOnly" as const, "isolated" as const),
    trigger,
    mark: markArbitrary,
    call,
    first: fc.record({ times, moves: movesArbitrary }),
    second: fc.option(fc.record({ times, moves: movesArbitrary }), { nil: undefined, freq: 1 }),
  },
  { requiredKeys: ["first"] },
);

/** Shows with a small rig and twelve cues or more of every kind: walls, cue only, isolated, parts, follows, palettes with gaps, releases. */
export const showArbitrary: fc.Arbitrary<Show> = fc.subarray(NUMBERS, { minLength: 12 }).chain((numbers) =>
  fc.tuple(fc.tuple(...numbers.map(() => cueBody)), fc.constantFrom("before", "dark", "view", undefined)).map(([bodies, policy]) => {
    const cues: Cue[] = bodies.map(({ first, second, ...head }, index) => ({
      number: numbers[index] ?? "1",
      ...head,
      parts: [{ number: 1, ...first }, ...(second ? [{ number: 2, times: second.times, moves: without(second.moves, first.moves) }] : [])],
    }));
    return readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "Random",
      fixtureTypes: [...fixtureTypes, spare],
      channels,
      groups,
      palettes,
      paces,
      lists: [
        { id: "main", label: "Main", ...(policy ? { marks: { policy } } : {}), cues },
        {
          id: "sea",
          label: "Sea",
          cues: [{ number: "1", parts: [{ number: 1, times: {}, moves: { "2": { red: { palette: "dusk" } } } }] }],
        },
      ],
      script,
    });
  }),
);

function without(moves: Moves, taken: Moves): Moves {
  const left: Moves = {};
  for (const [channel, attributes] of Object.entries(moves)) {
    for (const [attribute, spec] of Object.entries(attributes)) {
      if (taken[channel]?.[attribute] === undefined) (left[channel] ??= {})[attribute] = spec;
    }
  }
  return left;
}
