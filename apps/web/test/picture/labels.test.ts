import fc from "fast-check";
import { type PlacedLabel, layOutLabels } from "../../src/picture/labels.ts";

const row = (count: number, gap: number, text: string): Parameters<typeof layOutLabels>[0] =>
  Array.from({ length: count }, (_, index) => ({ text, x: 100 + index * gap, y: 100, side: "over" as const }));

/** True when two labels lie over one another; figures are 7.2 wide, a line is 11 high. */
function meet(a: PlacedLabel, b: PlacedLabel): boolean {
  const half = ({ text }: PlacedLabel): number => Math.max(2, text.length) * 3.6;
  return Math.abs(a.middle - b.middle) < half(a) + half(b) - 1e-6 && Math.abs(a.top - b.top) < 11 - 1e-6;
}

function pairs(placed: readonly PlacedLabel[]): [PlacedLabel, PlacedLabel][] {
  return placed.flatMap((a, index) => placed.slice(index + 1).map((b): [PlacedLabel, PlacedLabel] => [a, b]));
}

test("a number stands over its light and a level under it where there is room", () => {
  const [number, level] = layOutLabels([
    { text: "61", x: 50, y: 40, side: "over" },
    { text: "70", x: 50, y: 40, side: "under" },
  ]);
  expect(number).toMatchObject({ middle: 50, top: 23 });
  expect(level).toMatchObject({ middle: 50, top: 46 });
});

test("neighbours that are nearer than their numbers are wide are still read one by one", () => {
  for (const [a, b] of pairs(layOutLabels(row(6, 13, "101")))) expect(meet(a, b)).toBe(false);
});

test("lights that hang as far apart as they do over a stage never have numbers over one another", () => {
  const spots = fc.array(fc.tuple(fc.integer({ min: 0, max: 14 }), fc.integer({ min: 0, max: 12 })), { minLength: 1, maxLength: 60 });
  fc.assert(
    fc.property(spots, (places) => {
      const all = [...new Set(places.map(([x, y]) => `${x}/${y}`))].map((place) => place.split("/").map(Number));
      const labels = all.map(([x = 0, y = 0], index) => ({ text: String(index + 1), x: x * 44, y: y * 44, side: "over" as const }));
      for (const [a, b] of pairs(layOutLabels(labels))) expect(meet(a, b)).toBe(false);
    }),
  );
});
