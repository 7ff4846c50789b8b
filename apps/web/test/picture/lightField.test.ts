import { addBeam, addPool, developField, lightField } from "../../src/picture/lightField.ts";

const white = { red: 1, green: 1, blue: 1 };
const at = (field: ReturnType<typeof lightField>, x: number, y: number): number => field.values[(y * field.width + x) * 3] ?? Number.NaN;

test("a pool is strongest in its middle, ends at its edge, and only its own colour grows", () => {
  const field = lightField(60, 40);
  addPool(field, { x: 30, y: 20 }, 12, 0.5, { red: 1, green: 0, blue: 0.5 }, 0.8);
  expect(at(field, 30, 20)).toBeCloseTo(0.8);
  expect(at(field, 36, 20)).toBeLessThan(at(field, 33, 20));
  expect(at(field, 30, 27)).toBe(0);
  expect(at(field, 43, 20)).toBe(0);
  expect([...field.values].filter((_, index) => index % 3 === 1).every((value) => value === 0)).toBe(true);
});

test("a beam fades along its way and to its sides, and stays inside its shape", () => {
  for (const [from, to] of [
    [
      { x: 50, y: 5 },
      { x: 50, y: 70 },
    ],
    [
      { x: 5, y: 50 },
      { x: 90, y: 50 },
    ],
    [
      { x: 80, y: 80 },
      { x: 20, y: 10 },
    ],
  ] as const) {
    const field = lightField(100, 100);
    addBeam(field, from, to, { from: 2, to: 14 }, white, 1);
    const along = [0.15, 0.5, 0.85].map((share) =>
      at(field, Math.round(from.x + (to.x - from.x) * share), Math.round(from.y + (to.y - from.y) * share)),
    );
    expect(along[0]).toBeGreaterThan(along[1] ?? 0);
    expect(along[1]).toBeGreaterThan(along[2] ?? 0);
    expect(along[2]).toBeGreaterThan(0);
    const outside = field.values.reduce((sum, value, index) => {
      const [x, y] = [Math.floor(index / 3) % 100, Math.floor(index / 300)];
      const near = Math.min(
        ...Array.from({ length: 41 }, (_, step) =>
          Math.hypot(from.x + ((to.x - from.x) * step) / 40 - x, from.y + ((to.y - from.y) * step) / 40 - y),
        ),
      );
      return near > 16 ? sum + value : sum;
    }, 0);
    expect(outside).toBe(0);
  }
});

test("what is drawn past the edges is left out, and much light stays below white", () => {
  const field = lightField(20, 20);
  addPool(field, { x: -5, y: 30 }, 40, 1, white, 0.2);
  addBeam(field, { x: -30, y: -30 }, { x: 60, y: 60 }, { from: 1, to: 9 }, white, 0.1);
  const pixels = new Uint8ClampedArray(20 * 20 * 4);
  developField(field, pixels);
  const once = Math.max(...pixels.filter((_, index) => index % 4 === 0));
  expect(once).toBeGreaterThan(10);
  expect(field.values.every((value) => value === 0)).toBe(true);
  addPool(field, { x: 10, y: 10 }, 15, 1, white, 40);
  developField(field, pixels);
  expect(Math.max(...pixels)).toBe(255);
});
