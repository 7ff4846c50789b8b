import fc from "fast-check";
import { TUNGSTEN, aimAt, directionOf, landing, lightColour } from "../src/index.ts";

const metre = fc.double({ min: -8, max: 8, noNaN: true });

test("a light aimed at a place looks at that place", () => {
  fc.assert(
    fc.property(metre, metre, metre, metre, (x, z, toX, toZ) => {
      const from = { x, y: 6, z };
      const { pan, tilt } = aimAt(from, { x: toX, y: 0, z: toZ });
      const end = landing(from, directionOf(pan, tilt), 100, 100);
      expect(end.x).toBeCloseTo(toX, 6);
      expect(end.z).toBeCloseTo(toZ, 6);
      expect(end.y).toBeCloseTo(0, 6);
    }),
  );
});

test("tilt 0 is straight down, and a light that looks up lands on the back wall or nowhere near", () => {
  expect(landing({ x: 1, y: 6, z: 2 }, directionOf(70, 0), 9)).toEqual({ x: 1, y: 0, z: 2 });
  expect(landing({ x: 0, y: 1, z: 2 }, directionOf(0, 120), 9).z).toBeCloseTo(9);
  expect(landing({ x: 0, y: 1, z: 2 }, directionOf(180, 120), 9, 5).y).toBeGreaterThan(1);
});

test("a light mixes its own colours, and one without any is tungsten", () => {
  const colour = (id: string): Parameters<typeof lightColour>[0] extends Iterable<infer A> ? A : never => ({
    id,
    family: "colour",
    min: 0,
    max: 100,
    home: 0,
  });
  expect(lightColour([], () => 0)).toBe(TUNGSTEN);
  expect(lightColour([colour("red"), colour("blue")], (name) => (name === "red" ? 50 : 100))).toEqual({ red: 0.5, green: 0, blue: 1 });
  const full = lightColour([colour("red"), colour("white")], () => 100);
  expect(full.red).toBe(1);
});
