import fc from "fast-check";
import { type MixPress, playMix } from "../../src/index.ts";
import { cueWith, END, optional, presses, SHORTEST, showArbitrary, waves } from "../support/runningShow.ts";

test.each([
  { what: "without waves", sway: fc.constant(undefined) },
  { what: "with waves of several sources", sway: optional(waves) },
])("where everything takes its time no output jumps, whatever takes hold, is let go or has its master at 0: $what", ({ sway }) => {
  let moved = 0;
  const runs = 150;
  fc.assert(
    fc.property(showArbitrary(cueWith(sway)), presses, (sheet, pressed) => {
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
