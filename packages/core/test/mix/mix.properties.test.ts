import fc from "fast-check";
import { type MixPress, type Show, listOf, playMix, sheetOf } from "../../src/index.ts";
import { type Press, rehearse } from "../support/alone/index.ts";
import { showArbitrary } from "../support/randomShow.ts";

/** Moments that fall together now and then, so that what happens at one moment is met. Seconds. */
const moment = fc.integer({ min: 0, max: 60 }).map((halves) => halves / 2);
/**
 * A list is held between the moments at which anything takes hold: computed by itself it has only its own clock, which cannot tell what took hold as it
 * stopped from what is pressed when it goes on.
 */
const holding = moment.map((time) => time + 0.21);

/** Presses on the one list, out of order and in it. */
function pressArbitrary({ lists }: Show): fc.Arbitrary<Press[]> {
  const cue = fc.constantFrom(...(lists[0]?.cues ?? []).map(({ number }) => number));
  const press = fc.oneof(
    { weight: 6, arbitrary: fc.record({ t: moment, go: fc.constant(true as const) }) },
    { weight: 2, arbitrary: fc.record({ t: moment, goto: cue }) },
    { weight: 1, arbitrary: fc.record({ t: moment, goto: cue, time: fc.constantFrom(0, 2) }) },
    { weight: 1, arbitrary: fc.record({ t: moment, back: fc.constant(true as const) }) },
    { weight: 1, arbitrary: fc.record({ t: holding, hold: fc.boolean() }) },
  );
  return fc.array(press, { minLength: 3, maxLength: 12 });
}

type Values = Record<string, Record<string, number>>;

/** The keys whose values are not the same to a millionth, with both. */
function differences(got: Values, wanted: Values): string[] {
  return Object.entries(wanted).flatMap(([channel, attributes]) =>
    Object.entries(attributes).flatMap(([attribute, value]) => {
      const other = got[channel]?.[attribute] ?? Number.NaN;
      return Math.abs(other - value) <= 1e-6 ? [] : [`${channel}.${attribute} ${other} and not ${value}`];
    }),
  );
}

test("with one list alone everything is as that list computed by itself", () => {
  fc.assert(
    fc.property(
      showArbitrary.chain((show) => fc.tuple(fc.constant({ ...show, lists: show.lists.slice(0, 1) }), pressArbitrary(show))),
      fc.array(fc.integer({ min: 0, max: 400 }), { minLength: 6, maxLength: 12 }),
      ([show, presses], tenths) => {
        const sheet = sheetOf(show);
        const moments = tenths.map((each) => each / 10 + 0.03);
        const alone = rehearse(listOf(sheet), presses, moments);
        const mixed = playMix(sheet, presses as MixPress[], moments);
        expect(mixed.map(({ cue }) => cue)).toEqual(alone.map(({ cue }) => cue));
        expect(mixed.flatMap((sample, index) => differences(sample.values, alone[index]?.values ?? {}))).toEqual([]);
      },
    ),
    { numRuns: 150 },
  );
});
