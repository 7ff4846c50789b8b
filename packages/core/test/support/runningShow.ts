import fc from "fast-check";
import { type MixPress, type ShowSheet, readShow, sheetOf } from "../../src/index.ts";
import { smallShow } from "./smallShow.ts";

/** Nothing in these shows takes less than this, seconds. */
export const SHORTEST = 1;
export const END = 14;

const seconds = fc.constantFrom(SHORTEST, 1.5, 3);
export const optional = <T>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(arbitrary, { nil: undefined });
export const level = fc.constantFrom(0, 20, 60, 100);

/** What is absent is left out, as it is in a document. */
function present(fields: Record<string, unknown>): object {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
}

export const waves = fc.constantFrom(
  { shape: "sine", size: 20, period: 4 },
  { shape: "triangle", size: 8, period: 3, phase: 90 },
  { stop: true },
);
/** A cue with values of its own; its waves where it has some are said apart. */
export const cueWith = (wave: fc.Arbitrary<object | undefined>): fc.Arbitrary<object> =>
  fc
    .record({
      mover: optional(level),
      pan: optional(fc.constantFrom(-40, 0, 30)),
      lamp: optional(fc.oneof(level, fc.constant({ release: true }))),
      sway: wave,
      up: seconds,
      position: seconds,
      block: optional(fc.constant(true)),
    })
    .map(({ mover, pan, lamp, sway, up, position, block }) => ({
      ...present({ block }),
      parts: [
        {
          number: 1,
          times: { up, down: up, position: { fade: position, delay: 0 } },
          moves: { 1: present({ intensity: mover, pan }), 5: present({ intensity: lamp }) },
          ...(sway ? { waves: { 1: { pan: sway } } } : {}),
        },
      ],
    }));
const listOfCues = (cue: fc.Arbitrary<object>) =>
  fc.record({
    cues: fc.array(cue, { minLength: 2, maxLength: 4 }).map((cues) => cues.map((each, index) => ({ number: String(index + 1), ...each }))),
    levels: fc.constantFrom("latest", "highest"),
    priority: fc.constantFrom(40, 50, 60),
  });

/** Three lists and a held look over a mover (1) and a lamp (5), in which everything takes its time; marks are off. */
export const showArbitrary = (cue: fc.Arbitrary<object>): fc.Arbitrary<ShowSheet> => {
  const list = listOfCues(cue);
  return fc.tuple(fc.array(list, { minLength: 3, maxLength: 3 }), fc.constantFrom("latest", "highest")).map(([lists, levels]) => {
    const heldLooks = [
      { id: "warm", label: "Warm", levels, fade: SHORTEST, values: { 1: { intensity: 30, pan: 20 }, 5: { intensity: 80 } } },
    ];
    const own = lists.map((each, index) => ({ id: `l${index}`, label: "", marks: { policy: "view" }, releaseTime: 2, ...each }));
    return sheetOf(readShow({ ...smallShow([]).show, heldLooks, lists: own }));
  });
};

export const moment = fc.integer({ min: 0, max: 2 * END }).map((halves) => halves / 2);
const on = fc.constantFrom("l0", "l1", "l2");
/** Presses of all kinds, masters of 0 among them. */
export const press: fc.Arbitrary<MixPress> = fc.oneof(
  { weight: 6, arbitrary: fc.record({ t: moment, list: on, go: fc.constant(true as const) }) },
  { weight: 2, arbitrary: fc.record({ t: moment, list: on, goto: fc.constantFrom("1", "2"), time: seconds }) },
  { weight: 1, arbitrary: fc.record({ t: moment, list: on, back: fc.constant(true as const) }) },
  { weight: 2, arbitrary: fc.record({ t: moment, list: on, release: fc.constant(true as const), time: seconds }) },
  { weight: 2, arbitrary: fc.record({ t: moment, list: on, master: fc.constantFrom(0, 20, 60, 100), time: seconds }) },
  { weight: 2, arbitrary: fc.record({ t: moment, look: fc.constant("warm"), level, time: seconds }) },
);
export const presses = fc.array(press, { minLength: 6, maxLength: 16 });
