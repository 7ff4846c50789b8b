import fc from "fast-check";
import { type MixPress, type ShowSheet, playMix, readShow, sheetOf } from "../src/index.ts";
import { smallShow } from "./support/smallShow.ts";

/** Nothing in these shows takes less than this, seconds. */
const SHORTEST = 1;
const END = 14;

const seconds = fc.constantFrom(SHORTEST, 1.5, 3);
const optional = <T>(arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(arbitrary, { nil: undefined });
const level = fc.constantFrom(0, 20, 60, 100);

/** What is absent is left out, as it is in a document. */
function present(fields: Record<string, unknown>): object {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
}

const waves = fc.constantFrom({ shape: "sine", size: 20, period: 4 }, { shape: "triangle", size: 8, period: 3, phase: 90 }, { stop: true });
/** A cue with values of its own; its waves where it has some are said apart. */
const cueWith = (wave: fc.Arbitrary<object | undefined>): fc.Arbitrary<object> =>
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
const showArbitrary = (cue: fc.Arbitrary<object>): fc.Arbitrary<ShowSheet> => {
  const list = listOfCues(cue);
  return fc.tuple(fc.array(list, { minLength: 3, maxLength: 3 }), fc.constantFrom("latest", "highest")).map(([lists, levels]) => {
    const heldLooks = [
      { id: "warm", label: "Warm", levels, fade: SHORTEST, values: { 1: { intensity: 30, pan: 20 }, 5: { intensity: 80 } } },
    ];
    const own = lists.map((each, index) => ({ id: `l${index}`, label: "", marks: { policy: "live" }, releaseTime: 2, ...each }));
    return sheetOf(readShow({ ...smallShow([]).show, heldLooks, lists: own }));
  });
};

const moment = fc.integer({ min: 0, max: 2 * END }).map((halves) => halves / 2);
const on = fc.constantFrom("l0", "l1", "l2");
/** Presses of all kinds; no master goes to 0, for what a list takes hold of then is dark at once by the rule. */
const press: fc.Arbitrary<MixPress> = fc.oneof(
  { weight: 6, arbitrary: fc.record({ t: moment, list: on, go: fc.constant(true as const) }) },
  { weight: 2, arbitrary: fc.record({ t: moment, list: on, goto: fc.constantFrom("1", "2"), time: seconds }) },
  { weight: 1, arbitrary: fc.record({ t: moment, list: on, back: fc.constant(true as const) }) },
  { weight: 2, arbitrary: fc.record({ t: moment, list: on, release: fc.constant(true as const), time: seconds }) },
  { weight: 2, arbitrary: fc.record({ t: moment, list: on, master: fc.constantFrom(20, 60, 100), time: seconds }) },
  { weight: 2, arbitrary: fc.record({ t: moment, look: fc.constant("warm"), level, time: seconds }) },
);
const presses = fc.array(press, { minLength: 6, maxLength: 16 });

test("where everything takes its time and nothing waves no output jumps, whatever takes hold and is let go", () => {
  let moved = 0;
  const runs = 150;
  fc.assert(
    fc.property(showArbitrary(cueWith(fc.constant(undefined))), presses, (sheet, pressed) => {
      // Each press is looked at from just before it to just behind it, and between them a moment here and there.
      const at = [...new Set(pressed.map(({ t }) => t)), ...Array.from({ length: 30 }, (_, index) => (index * END) / 30 + 0.21)];
      const pairs = at.map((t): [number, number] => [Math.max(0, t - 0.0005), t + 0.0005]);
      const samples = new Map(
        playMix(
          sheet,
          pressed,
          pairs.flat().toSorted((a, b) => a - b),
        ).map(({ t, values }) => [t, values]),
      );
      const jumps = pairs.flatMap(([before, after]) =>
        Object.entries({ "1.intensity": 100, "1.pan": 200, "5.intensity": 100 }).flatMap(([key, range]) => {
          const [channel = "", attribute = ""] = key.split(".");
          const [was, is] = [before, after].map((t) => samples.get(t)?.[channel]?.[attribute] ?? 0);
          const step = Math.abs((is ?? 0) - (was ?? 0));
          if (step > 0) moved += 1;
          // Several layers may move at once, none faster than its whole range in the shortest time.
          return step > (range * 6 * 0.001) / SHORTEST ? [`${key} from ${was} to ${is} at ${after}`] : [];
        }),
      );
      expect(jumps).toEqual([]);
    }),
    { numRuns: runs },
  );
  expect(moved).toBeGreaterThan(runs * 20);
});

test("releasing everything ends dark and still", () => {
  let lit = 0;
  const runs = 100;
  fc.assert(
    fc.property(showArbitrary(cueWith(optional(waves))), presses, (sheet, pressed) => {
      const releases: MixPress[] = [
        ...["l0", "l1", "l2"].map((each): MixPress => ({ t: END + 1, list: each, release: true })),
        { t: END + 1, look: "warm", level: 0, time: 1 },
      ];
      const [before, after, later] = playMix(sheet, [...pressed, ...releases], [END + 0.9, END + 9, END + 19.3]);
      if ([1, 5].some((channel) => (before?.values[channel]?.["intensity"] ?? 0) > 0)) lit += 1;
      expect(after?.cues).toEqual({ l0: null, l1: null, l2: null });
      // A light that is let go stays where it points, and sways no more.
      expect(later?.values).toEqual(after?.values);
      for (const channel of [1, 5]) expect(after?.values[channel]?.["intensity"]).toBe(0);
    }),
    { numRuns: runs },
  );
  expect(lit).toBeGreaterThan(runs * 0.6);
});
