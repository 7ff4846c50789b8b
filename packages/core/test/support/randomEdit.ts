import fc from "fast-check";
import type { EditInput } from "../../src/index.ts";
import { NUMBERS, movesArbitrary } from "./randomShow.ts";

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

const record = fc.record({
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

/** Edits of every kind; some of them cannot be made on a given show. */
export const editArbitrary: fc.Arbitrary<EditInput> = fc.oneof(changeArbitrary, record, setTimes, setCue, insertCue, deleteCue);
