import fc from "fast-check";
import type { EditInput } from "../../src/index.ts";
import { NUMBERS, markArbitrary, movesArbitrary } from "./randomShow.ts";

const cue = fc.constantFrom(...NUMBERS, "5", "11.125");
const range = fc.tuple(cue, cue).map(([a, b]) => (Number(a) <= Number(b) ? { from: a, to: b } : { from: b, to: a }));
const keys = fc.record(
  {
    channels: fc.subarray([1, 2, 5], { minLength: 1 }),
    families: fc.subarray(["intensity", "position", "colour"] as const, { minLength: 1 }),
  },
  { requiredKeys: [] },
);
const seconds = fc.integer({ min: 0, max: 40 }).map((quarter) => quarter / 4);

/** Changes over a range, of every kind. */
export const changeArbitrary = fc
  .record({
    op: fc.constant("change" as const),
    range,
    keys,
    do: fc.oneof(
      fc.record({ set: fc.integer({ min: 0, max: 8 }) }),
      fc.record({ add: fc.integer({ min: -60, max: 60 }) }),
      fc.record({ scale: fc.constantFrom(0, 0.5, 1.5) }),
      fc.record({ palette: fc.constantFrom("dusk", "chair") }),
      fc.constant({ release: true as const }),
      fc.constant({ drop: true as const }),
    ),
    where: fc.constantFrom("look" as const, "look" as const, "moves" as const),
    after: fc.constantFrom("restore" as const, "track" as const),
  })
  .map(({ range: { from, to }, ...change }) => ({ ...change, from, to }));

/** Values recorded into a cue. */
export const recordArbitrary = fc.record({
  op: fc.constant("record" as const),
  cue,
  moves: movesArbitrary,
  mode: fc.constantFrom("merge" as const, "replace" as const, "remove" as const),
  scope: fc.constantFrom("track" as const, "cueOnly" as const),
  part: fc.option(fc.constantFrom(1, 2, 3), { nil: undefined }),
  label: fc.option(fc.string({ maxLength: 5 }), { nil: undefined }),
});
const setTimes = range.chain(({ from, to }) =>
  fc.oneof(
    fc.record({ op: fc.constant("setTimes" as const), from: fc.constant(from), to: fc.constant(to), scale: fc.constantFrom(0, 0.5, 1.2) }),
    fc.record({
      op: fc.constant("setTimes" as const),
      from: fc.constant(from),
      to: fc.constant(to),
      set: fc.record(
        { up: fc.option(seconds), down: fc.option(seconds), position: fc.record({ fade: fc.option(seconds) }) },
        { requiredKeys: [] },
      ),
    }),
  ),
);
const setCue = range.chain(({ from, to }) =>
  fc.record({
    op: fc.constant("setCue" as const),
    from: fc.constant(from),
    to: fc.constant(to),
    carries: fc.constantFrom("track" as const, "cueOnly" as const, "isolated" as const, null),
    label: fc.string({ maxLength: 4 }),
  }),
);
const insertCue = fc.record({
  op: fc.constant("insertCue" as const),
  cue,
  block: fc.boolean(),
  parts: movesArbitrary.map((moves) => [{ number: 1, times: { up: 2 }, moves }]),
});
const deleteCue = fc.record({ op: fc.constant("deleteCue" as const), cue, looks: fc.constantFrom("keepLooks" as const, "letGo" as const) });

const cues = fc.tuple(cue, cue);
const light = fc.constantFrom(1, 2, 5);
/** A light given to another, over a range. */
export const recastArbitrary = fc
  .record(
    {
      range,
      channel: light,
      as: light,
      how: fc.constantFrom("replace" as const, "copy" as const, "swap" as const),
      skipMissing: fc.boolean(),
    },
    { requiredKeys: ["range", "channel", "as", "how"] },
  )
  .map(({ range: { from, to }, ...recast }) => ({ op: "recast" as const, from, to, ...recast }));
/** What blind work knows besides: cues that last so long, parts by name, lists copied, lights held, own times multiplied, fans along cues. */
const blindWork = fc.oneof(
  fc.record({ op: fc.constant("stretch" as const), from: cue, to: cue, seconds: fc.constantFrom(1, 7.5, 90) }),
  fc.record({
    op: fc.constant("setPart" as const),
    cue,
    part: fc.constantFrom(1, 2),
    label: fc.constantFrom("Sea", "", null),
    curve: fc.constantFrom("ease" as const, null),
  }),
  fc.record({ op: fc.constant("copyList" as const), as: fc.constantFrom("matinee", "second") }),
  range.map(({ from, to }): EditInput => ({ op: "block", from, to, keys: { channels: [1, 5] } })),
  fc.record({ op: fc.constant("setMoveTimes" as const), from: cue, to: cue, scale: fc.constantFrom(0, 0.5, 2) }),
  range.chain(({ from, to }) =>
    fc.record({
      op: fc.constant("change" as const),
      from: fc.constant(from),
      to: fc.constant(to),
      keys: fc.constant<{ channels: number[]; attributes: string[] }>({ channels: [5], attributes: ["intensity"] }),
      do: fc.constantFrom({ set: "0~80" }, { set: "10~90~10" }),
      along: fc.constant("cues" as const),
      after: fc.constantFrom("restore" as const, "track" as const),
    }),
  ),
  fc.record({
    op: fc.constant("recast" as const),
    from: cue,
    to: cue,
    channel: fc.constant<number[]>([1, 2]),
    as: fc.constantFrom<number[]>([2, 1], [2, 5], [5, 1]),
    how: fc.constantFrom("replace" as const, "copy" as const),
    dropMissing: fc.constant(true),
  }),
);
/** Walls and restating over a range. */
export const flagArbitrary = fc
  .tuple(fc.constantFrom("block" as const, "unblock" as const, "restate" as const, "unrestate" as const), range)
  .map(([op, { from, to }]) => ({ op, from, to }));
/** A part of a cue given to a new one behind it; the numbers leave room for some. */
export const splitArbitrary = fc.record({
  op: fc.constant("split" as const),
  cue,
  to: fc.constantFrom("1.5", "2.25", "3.5", "11", "20"),
  keys,
});
/** Moves given to a part. */
export const partArbitrary = fc.record({
  op: fc.constant("assignPart" as const),
  cue,
  keys,
  part: fc.constantFrom(1, 2, 3),
  times: fc.record({ up: seconds }, { requiredKeys: [] }),
});
/** Copies within the list and into another. */
export const copyArbitrary = fc.record(
  {
    op: fc.constant("copyCue" as const),
    cue,
    to: fc.constantFrom("0.25", "1.5", "2.25", "7", "30"),
    what: fc.constantFrom("moves" as const, "look" as const),
    toList: fc.constant("sea"),
    after: fc.constantFrom("track" as const, "restore" as const),
  },
  { requiredKeys: ["op", "cue", "to", "what"] },
);
/** Cues that take other numbers. */
export const renumberArbitrary = fc.oneof(
  cues.map(([from, to]) => ({ op: "moveCue" as const, cue: from, to })),
  cues.map(([from, to]) => ({ op: "moveCue" as const, cue: from, to, looks: "keepLooks" as const })),
  fc
    .record({ range, start: fc.constantFrom("0.1", "1", "2", "3.5", "20"), step: fc.constantFrom("0.5", "1", "10") })
    .map(({ range: { from, to }, ...rest }) => ({ op: "renumber" as const, from, to, ...rest })),
  cues.map(([from, to]) => ({ op: "renumber" as const, from, to: from, numbers: { [from]: to } })),
);
/** Values put where a cue gets them from. */
export const updateArbitrary = fc.record({
  op: fc.constant("update" as const),
  cue,
  moves: movesArbitrary,
  at: fc.constantFrom("here" as const, "atSource" as const, "inPalette" as const),
});
/** Own times of moves: numbers, fans, clearing, a pace. */
export const moveTimesArbitrary = fc
  .record({
    range,
    keys,
    times: fc.oneof(
      fc.record(
        {
          fade: fc.oneof(seconds, fc.constantFrom("0~5", "2~5~2"), fc.constant(null)),
          delay: fc.oneof(seconds, fc.constant(null)),
          curve: fc.constantFrom("ease" as const, null),
        },
        { requiredKeys: [] },
      ),
      fc.constant({ pace: "slow" }),
    ),
  })
  .map(({ range: { from, to }, keys: chosen, times }) => ({ op: "setMoveTimes" as const, from, to, keys: chosen, ...times }));
const swapPalette = range.map(({ from, to }) => ({ op: "swapPalette" as const, from, to, palette: "dusk", as: "noon", skipMissing: true }));
const setMark = range.chain(({ from, to }) => fc.option(markArbitrary).map((mark) => ({ op: "setCue" as const, from, to, mark })));
const fixed = (edit: EditInput): fc.Arbitrary<EditInput> => fc.constant(edit);
/** Palettes, groups, paces, channels, types and lists that come, change and go. */
export const entryArbitrary: fc.Arbitrary<EditInput> = fc.oneof(
  fc.integer({ min: 0, max: 100 }).map((value) => ({
    op: "setPalette" as const,
    palette: { id: "dusk", family: "colour" as const, label: "Dusk", values: [{ attribute: "red", value, type: "mover" }] },
  })),
  fc
    .constantFrom("refuse" as const, "keepLooks" as const, "drop" as const)
    .map((used) => ({ op: "removePalette" as const, palette: "dusk", used })),
  fixed({ op: "setGroup" as const, group: { id: "all", label: "All", channels: [5, 1] } }),
  fixed({ op: "removeGroup" as const, group: "movers" }),
  fixed({ op: "setPace" as const, pace: { id: "slow", label: "Slower", colour: { fade: 9 } } }),
  fixed({ op: "removePace" as const, pace: "slow" }),
  fc.constantFrom("lamp", "mover").map((type) => ({ op: "setChannel" as const, channel: { number: 4, type, label: "New" } })),
  fc.constantFrom("lamp", "mover").map((type) => ({ op: "setChannel" as const, channel: { number: 2, type } })),
  fc
    .tuple(light, fc.constantFrom("refuse" as const, "drop" as const))
    .map(([channel, used]) => ({ op: "removeChannel" as const, channel, used })),
  fc.tuple(light, fc.constantFrom(3, 7, 2)).map(([channel, to]) => ({ op: "renumberChannel" as const, channel, to })),
  fixed({
    op: "setType" as const,
    type: { id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity" as const, min: 0, max: 60, home: 0 }] },
  }),
  fixed({ op: "removeType" as const, type: "lamp" }),
  fixed({ op: "setList" as const, list: { id: "main", label: "Main", marks: { policy: "dark" as const, fade: 2 } } }),
  fixed({ op: "setList" as const, list: { id: "new", label: "New", cues: [{ number: "3" }] } }),
  fixed({ op: "removeList" as const, list: "sea" }),
);

/** Cues that are switched off. */
const switchCues: fc.Arbitrary<EditInput> = range.map((cues) => ({ op: "switchOff" as const, ...cues }));

/** Edits of every kind; some of them cannot be made on a given show. */
export const editArbitrary: fc.Arbitrary<EditInput> = fc.oneof(
  { weight: 3, arbitrary: changeArbitrary },
  { weight: 2, arbitrary: recordArbitrary },
  setTimes,
  setCue,
  insertCue,
  deleteCue,
  switchCues,
  recastArbitrary,
  flagArbitrary,
  splitArbitrary,
  partArbitrary,
  copyArbitrary,
  renumberArbitrary,
  updateArbitrary,
  moveTimesArbitrary,
  swapPalette,
  setMark,
  { weight: 2, arbitrary: blindWork },
  { weight: 2, arbitrary: entryArbitrary },
);
