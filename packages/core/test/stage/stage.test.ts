import fc from "fast-check";
import { TINTS, TUNGSTEN, aimAt, aimNear, directionOf, landing, lightColour, mixFor, turnedBack, turnedBy } from "../../src/index.ts";

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

const axis = { pan: { min: -270, max: 270 }, tilt: { min: -130, max: 130 } };
const degrees = (most: number) => fc.integer({ min: -most, max: most });

test("a light turned to a place looks at it, in its range, by the shortest turn", () => {
  fc.assert(
    fc.property(metre, metre, metre, metre, degrees(270), degrees(130), (x, z, toX, toZ, pan, tilt) => {
      const from = { x, y: 6, z };
      const found = aimNear(from, { x: toX, y: 0, z: toZ }, { pan, tilt }, axis);
      if (!found) throw new Error("a light with these ranges reaches every place on the floor");
      const end = landing(from, directionOf(found.pan, found.tilt), 100, 100);
      expect(end.x).toBeCloseTo(toX, 6);
      expect(end.z).toBeCloseTo(toZ, 6);
      expect(Math.abs(found.pan)).toBeLessThanOrEqual(270);
      const plain = aimAt(from, { x: toX, y: 0, z: toZ });
      const way = (aim: { pan: number; tilt: number }): number => Math.max(Math.abs(aim.pan - pan), Math.abs(aim.tilt - tilt));
      expect(way(found)).toBeLessThanOrEqual(way(plain) + 1e-9);
    }),
  );
  expect(
    aimNear({ x: 0, y: 6, z: 0 }, { x: 0, y: 6, z: 5 }, { pan: 0, tilt: 0 }, { ...axis, tilt: { min: -40, max: 40 } }),
  ).toBeUndefined();
});

test("the levels found for a colour mix to that colour again, with or without white", () => {
  const own = (id: string) => ({ id, family: "colour" as const, min: 0, max: 100, home: 0 });
  const part = fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100);
  const rigs = [
    ["red", "green", "blue"],
    ["red", "green", "blue", "white"],
    ["red", "green", "blue", "amber", "white"],
  ].map((ids) => ids.map(own));
  fc.assert(
    fc.property(part, part, part, fc.constantFrom(...rigs), (red, green, blue, attributes) => {
      const levels = mixFor(attributes, { red, green, blue });
      const mixed = lightColour(attributes, (name) => levels[name] ?? 0);
      expect(mixed.red).toBeCloseTo(red, 2);
      expect(mixed.green).toBeCloseTo(green, 2);
      expect(mixed.blue).toBeCloseTo(blue, 2);
    }),
  );
  expect(mixFor([], { red: 1, green: 0, blue: 0 })).toEqual({});
  expect(new Set(TINTS.map((tint) => tint.name)).size).toBe(TINTS.length);
});

const angle = fc.integer({ min: -170, max: 170 });
const turn = fc.record({ x: angle, y: fc.integer({ min: -80, max: 80 }), z: angle });

test("a light that hangs turned lands where it is aimed, by its own pan and tilt", () => {
  const from = { x: 1, y: 7, z: 2 };
  const wide = { min: -1000, max: 1000 };
  fc.assert(
    fc.property(turn, fc.integer({ min: -5, max: 5 }), fc.integer({ min: 0, max: 8 }), (hung, x, z) => {
      const to = { x, y: 0, z };
      const found = aimNear(from, to, { pan: 0, tilt: 0 }, { pan: wide, tilt: wide }, hung);
      const way = turnedBy(directionOf(found?.pan ?? 0, found?.tilt ?? 0), hung);
      const length = Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z);
      expect([way.x, way.y, way.z]).toEqual(
        [(to.x - from.x) / length, (to.y - from.y) / length, (to.z - from.z) / length].map((each) => expect.closeTo(each, 6)),
      );
    }),
  );
});

test("what is turned and turned back is as it was", () => {
  fc.assert(
    fc.property(turn, fc.record({ x: angle, y: angle, z: angle }), (hung, vector) => {
      const back = turnedBack(turnedBy(vector, hung), hung);
      expect(back).toEqual({ x: expect.closeTo(vector.x, 6), y: expect.closeTo(vector.y, 6), z: expect.closeTo(vector.z, 6) });
    }),
  );
});
