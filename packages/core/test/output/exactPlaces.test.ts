import fc from "fast-check";
import {
  type Show,
  ShowError,
  addressesOf,
  emptyLevels,
  outputLayout,
  patchedChannels,
  placesOf,
  readLevels,
  patchWords,
  readPatches,
  readRigCsv,
  readShow,
  sheetOf,
  writeLevels,
  writeRigCsv,
} from "../../src/index.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };

/** A light whose values stand at addresses of their own, in two patches. */
function show(attributes: object[], more = [{ universe: 3, address: 20 }]): Show {
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "Places",
    fixtureTypes: [{ id: "mover", name: "Mover", attributes }],
    channels: [
      {
        number: 1,
        type: "mover",
        patch: { universe: 1, address: 10, more },
        place: { x: 1, y: 2, z: 3, turn: { x: -60, y: 0, z: 0 } },
        house: true,
      },
    ],
    lists: [{ id: "main", label: "Main", cues: [] }],
  });
}

const MOVER = [
  { ...intensity, bits: 24, at: [4, 5, 6] },
  { id: "pan", family: "position", min: 0, max: 255, home: 0, bits: 16, at: [1, 3] },
  { id: "tilt", family: "position", min: 0, max: 255, home: 0 },
  { id: "zoom", family: "beam", min: 0, max: 255, home: 0, break: 2, at: [2] },
];

test("values stand at the addresses that their type names, others behind the attribute before them, breaks in patches of their own", () => {
  const own = show(MOVER);
  const type = own.fixtureTypes[0] ?? never();
  expect(placesOf(type).map(({ attribute, offsets }) => [attribute.id, offsets])).toEqual([
    ["intensity", [3, 4, 5]],
    ["pan", [0, 2]],
    ["tilt", [3]],
  ]);
  expect(placesOf(type, 2).map(({ attribute, offsets }) => [attribute.id, offsets])).toEqual([["zoom", [1]]]);
  expect([addressesOf(own, "mover"), addressesOf(own, "mover", 2)]).toEqual([6, 2]);
  expect(patchedChannels(own).map(({ universe, first, last, under }) => [universe, first, last, under])).toEqual([
    [1, 10, 15, 1],
    [3, 20, 21, 2],
  ]);
  const { keys } = sheetOf(own);
  const layout = outputLayout(own, keys);
  const levels = emptyLevels(layout);
  writeLevels(layout, Float64Array.from([100, 255, 0, 7]), levels);
  expect([...(levels[0] ?? never()).subarray(9, 15)]).toEqual([255, 0, 255, 255, 255, 255].map((level, at) => (at === 3 ? 0 : level)));
  expect([...(levels[1] ?? never()).subarray(19, 21)]).toEqual([0, 7]);
});

test("a light that is patched once more sends the same values there, and no more of its level than its patch says", () => {
  const lamp = show([intensity, { id: "red", family: "colour", min: 0, max: 100, home: 0 }], [{ universe: 1, address: 20 }]);
  const [light] = lamp.channels;
  const own = readShow({
    ...lamp,
    channels: [
      {
        ...light,
        patch: {
          universe: 1,
          address: 10,
          level: 50,
          more: [
            { universe: 1, address: 20 },
            { universe: 1, address: 30, level: 0 },
          ],
        },
      },
    ],
  });
  const { keys } = sheetOf(own);
  const layout = outputLayout(own, keys);
  const levels = emptyLevels(layout);
  writeLevels(layout, Float64Array.from([100, 100]), levels);
  const [sent] = levels;
  expect([9, 10, 19, 20, 29, 30].map((address) => sent?.[address])).toEqual([128, 255, 255, 255, 0, 255]);
  const read = new Float64Array(2);
  readLevels(layout, 1, sent ?? never(), read);
  expect([...read]).toEqual([100, 100]);
});

test("levels of 24 bits read back are what was sent, to half a step", () => {
  const own = show([{ ...intensity, bits: 24, at: [3, 1, 2] }]);
  const { keys } = sheetOf(own);
  const layout = outputLayout(own, keys);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (level) => {
      const levels = emptyLevels(layout);
      writeLevels(layout, Float64Array.of(level), levels);
      const read = new Float64Array(1);
      readLevels(layout, 1, levels[0] ?? never(), read);
      expect(Math.abs((read[0] ?? 999) - level)).toBeLessThanOrEqual(100 / (2 * (2 ** 24 - 1)) + 1e-9);
    }),
  );
});

test("a type whose addresses do not fit its bits, or that is found outside its range, is refused with its place", () => {
  const faults = (attribute: object): readonly string[] => {
    try {
      show([{ ...intensity, ...attribute }]);
    } catch (error) {
      if (error instanceof ShowError) return error.faults;
    }
    return [];
  };
  expect(faults({ bits: 16, at: [1] })).toEqual([
    "fixture type mover, attribute intensity: it names 1 of its light's addresses, and 16 bits take 2",
  ]);
  expect(faults({ highlight: 120 })).toEqual(["fixture type mover, attribute intensity: highlight 120 is outside 0 to 100"]);
  expect(faults({ at: [513] })[0]).toContain("is above 512");
});

test("patches at several places are typed with commas", () => {
  expect(readPatches("1.10, 3.20")).toEqual({ universe: 1, address: 10, more: [{ universe: 3, address: 20 }] });
  expect(readPatches("2.7")).toEqual({ universe: 2, address: 7 });
  expect(readPatches("2.7@80, 2.8")).toEqual({ universe: 2, address: 7, level: 80, more: [{ universe: 2, address: 8 }] });
  for (const text of ["1.10, 3.20", "2.7", "2.7@80, 2.8@12.5"]) expect(patchWords(readPatches(text))).toBe(text);
  for (const text of ["1.10,", "1.10, x", "1.10@120", "1.10@", Array(65).fill("1.1").join()]) expect(readPatches(text)).toBeUndefined();
});

test("the table of the rig leaves alone what it does not tell: further patches, how a light hangs, that it stays", () => {
  const own = show(MOVER);
  expect(readRigCsv(writeRigCsv(own), own)).toEqual([]);
  const [edit] = readRigCsv(writeRigCsv(own).replace("mover,,1,10", "mover,,2,11"), own);
  expect(edit).toMatchObject({
    channel: { patch: { universe: 2, address: 11, more: [{ universe: 3, address: 20 }] }, house: true, place: { turn: { x: -60 } } },
  });
});

function never(): never {
  throw new Error("it is not there");
}
