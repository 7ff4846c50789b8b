import { sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import fc from "fast-check";
import { BACK, hungPlaces, sameLights, stageLights } from "../../src/picture/scene.ts";
import { isInside, stageView } from "../../src/picture/view.ts";

const size = fc.record({ width: fc.integer({ min: 300, max: 2000 }), height: fc.integer({ min: 200, max: 1400 }) });
const metres = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

test("a point on floor or cloth is the place that stands there in the picture", () => {
  const floor = fc.record({ x: metres(-8, 8), y: fc.constant(0), z: metres(-4, BACK - 0.01) });
  const cloth = fc.record({ x: metres(-8, 8), y: metres(0, 6), z: fc.constant(BACK) });
  fc.assert(
    fc.property(size, fc.oneof(floor, cloth), ({ width, height }, place) => {
      const view = stageView("front", width, height);
      const { x, y } = view.project(place);
      const back = view.unproject(x, y);
      for (const axis of ["x", "y", "z"] as const) expect(back[axis]).toBeCloseTo(place[axis], 5);
    }),
  );
  fc.assert(
    fc.property(size, floor, ({ width, height }, place) => {
      const view = stageView("plan", width, height);
      const { x, y } = view.project(place);
      const back = view.unproject(x, y);
      for (const axis of ["x", "y", "z"] as const) expect(back[axis]).toBeCloseTo(place[axis], 5);
    }),
  );
});

test("from the house, what is further is smaller, what is higher stands higher, left stays left", () => {
  const view = stageView("front", 900, 600);
  const near = view.project({ x: -2, y: 1, z: 0 });
  const far = view.project({ x: -2, y: 1, z: 6 });
  expect(far.scale).toBeLessThan(near.scale);
  expect(near.x).toBeLessThan(view.project({ x: 2, y: 1, z: 0 }).x);
  expect(view.project({ x: 0, y: 4, z: 3 }).y).toBeLessThan(view.project({ x: 0, y: 1, z: 3 }).y);
});

test("a spot lies inside a line drawn around it, whichever way round it was drawn", () => {
  const corner = fc.record({ x: fc.integer({ min: -50, max: 0 }), y: fc.integer({ min: -50, max: 0 }) });
  const extent = fc.record({ width: fc.integer({ min: 2, max: 80 }), height: fc.integer({ min: 2, max: 80 }) });
  const spot = fc.record({ x: metres(-60, 90), y: metres(-60, 90) });
  fc.assert(
    fc.property(corner, extent, spot, ({ x, y }, { width, height }, at) => {
      const box = [
        { x, y },
        { x: x + width, y },
        { x: x + width, y: y + height },
        { x, y: y + height },
      ];
      // On the line itself it may count as either.
      fc.pre(![x, x + width].includes(at.x) && ![y, y + height].includes(at.y));
      const isIn = at.x > x && at.x < x + width && at.y > y && at.y < y + height;
      expect([isInside(box, at), isInside([...box].reverse(), at)]).toEqual([isIn, isIn]);
    }),
  );
  // A line like a horseshoe leaves its middle out.
  const horseshoe = [
    [0, 0],
    [9, 0],
    [9, 9],
    [6, 9],
    [6, 3],
    [3, 3],
    [3, 9],
    [0, 9],
  ].map(([x = 0, y = 0]) => ({ x, y }));
  expect([isInside(horseshoe, { x: 1.5, y: 6 }), isInside(horseshoe, { x: 4.5, y: 6 }), isInside(horseshoe, { x: 7.5, y: 6 })]).toEqual([
    true,
    false,
    true,
  ]);
});

test("lights without a place hang where each can be seen, and those with one stay there", () => {
  const show = saltAndParaffin();
  const placed = show.channels.filter(({ place }) => place);
  const loose = { ...show, channels: show.channels.map(({ place: _place, ...channel }) => channel) };
  const spots = [...hungPlaces(loose).values()].map(({ x, y, z }) => `${x.toFixed(3)} ${y} ${z.toFixed(3)}`);
  expect(spots).toHaveLength(show.channels.length);
  expect(new Set(spots).size).toBe(spots.length);
  for (const { number, place } of placed) expect(hungPlaces(show).get(number)).toEqual(place);
});

test("a light in the picture is as bright as its level, and turns only where it has a position", () => {
  const sheet = sheetOf(saltAndParaffin());
  const outputs = new Float64Array(sheet.keys.all.length);
  const dark = stageLights(sheet, outputs);
  expect(dark.every(({ level }) => level === 0)).toBe(true);
  const key = sheet.keys.byChannel.get(61)?.get("intensity");
  outputs[key?.ordinal ?? -1] = 80;
  const lit = stageLights(sheet, outputs);
  expect(lit.filter(({ level }) => level > 0)).toMatchObject([{ channel: 61, level: 0.8, turns: true }]);
  expect(lit.find(({ channel }) => channel === 1)?.turns).toBe(false);
  expect([sameLights(dark, lit), sameLights(lit, stageLights(sheet, outputs))]).toEqual([false, true]);
  // Turned to the left from the house it lands further left.
  const pan = sheet.keys.byChannel.get(61)?.get("pan")?.ordinal ?? -1;
  const landing = (degrees: number): number => {
    outputs[pan] = degrees;
    outputs[sheet.keys.byChannel.get(61)?.get("tilt")?.ordinal ?? -1] = 30;
    return stageLights(sheet, outputs).find(({ channel }) => channel === 61)?.to.x ?? Number.NaN;
  };
  expect(landing(-60)).not.toBeCloseTo(landing(60), 1);
});
