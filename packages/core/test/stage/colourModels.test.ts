import fc from "fast-check";
import {
  type EditInput,
  type ShowSheet,
  hexOf,
  hueOf,
  lightColour,
  lightOfHex,
  lightOfHue,
  lightOfKelvin,
  listOf,
  makeEdits,
  mixMoves,
  readColours,
  readEdits,
  readLine,
  readShow,
  seenOverTypes,
  sheetOf,
  tintPalettes,
} from "../../src/index.ts";

const colour = (id: string): object => ({ id, family: "colour", min: 0, max: 100, home: 100 });
const level = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const show = (fields: object = {}): ShowSheet =>
  sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "Colours",
      fixtureTypes: [
        { id: "three", name: "Three", attributes: [level, ...["red", "green", "blue"].map(colour)] },
        { id: "four", name: "Four", attributes: [level, ...["red", "green", "blue", "amber"].map(colour)] },
        { id: "lamp", name: "Lamp", attributes: [level] },
      ],
      channels: [
        { number: 1, type: "three" },
        { number: 2, type: "four" },
        { number: 3, type: "lamp" },
      ],
      lists: [{ id: "main", label: "Main", cues: [{ number: "1" }, { number: "2" }] }],
      ...fields,
    }),
  );
const typed = (line: string, sheet = show(), toHand = false) =>
  readLine(line, { sheet, list: listOf(sheet), cues: { from: "1", to: "1" }, toHand });

test("a colour comes back from its hue, and from its hexadecimal digits", () => {
  const part = fc.integer({ min: 0, max: 255 }).map((value) => value / 255);
  fc.assert(
    fc.property(part, part, part, (red, green, blue) => {
      const back = lightOfHue(hueOf({ red, green, blue }));
      expect(back.red).toBeCloseTo(red, 9);
      expect(back.green).toBeCloseTo(green, 9);
      expect(back.blue).toBeCloseTo(blue, 9);
      expect(lightOfHex(hexOf({ red, green, blue }))).toEqual({ red, green, blue });
    }),
  );
  expect(lightOfHex("#12")).toBeUndefined();
});

test("a white by its kelvin is warm below and cool above, and near to a screen's white at 6500", () => {
  const warm = lightOfKelvin(2000);
  const day = lightOfKelvin(6500);
  const cool = lightOfKelvin(12_000);
  expect(warm.red).toBeCloseTo(1, 9);
  expect(warm.green).toBeLessThan(0.6);
  expect(warm.blue).toBeLessThan(0.15);
  for (const part of [day.red, day.green, day.blue]) expect(part).toBeGreaterThan(0.94);
  expect(cool.blue).toBeCloseTo(1, 9);
  expect(cool.red).toBeLessThan(0.85);
  // Blue only ever rises on the way, and red only ever falls.
  const steps = Array.from({ length: 100 }, (_, index) => lightOfKelvin(1700 + index * 100));
  steps.slice(1).forEach((next, index) => {
    expect(next.blue).toBeGreaterThanOrEqual((steps[index]?.blue ?? 0) - 1e-9);
    expect(next.red).toBeLessThanOrEqual((steps[index]?.red ?? 1) + 1e-9);
  });
});

test("colours are typed by kelvin, model and number, to the Hand and blind, whatever mixes them", () => {
  const book = show({ colourLists: [{ id: "book", label: "Book", colours: [{ number: "101", name: "Amber", rgb: "#ff8000" }] }] });
  expect(typed("1..3 = kelvin 3200", show(), true)).toMatchObject({ request: { operation: { kind: "mix", light: lightOfKelvin(3200) } } });
  expect(typed("1 = rgb 100 50 0", show(), true)).toMatchObject({ request: { operation: { light: { red: 1, green: 0.5, blue: 0 } } } });
  expect(typed("1 = cmy 0 50 100", show(), true)).toMatchObject({ request: { operation: { light: { red: 1, green: 0.5, blue: 0 } } } });
  const read = typed("#1: 1, 2 = tint 101", book);
  const edits: EditInput[] = "request" in read && read.request.kind === "edit" ? read.request.edits : [];
  const after = makeEdits(book, readEdits(edits)).sheet;
  const moves = after.show.lists[0]?.cues[0]?.parts[0]?.moves ?? {};
  expect(moves).toEqual(mixMoves(book.keys, [1, 2], { red: 1, green: 128 / 255, blue: 0 }));
});

test.each([
  ["1 = tint 999", "There is no colour 999"],
  ["1 = kelvin 100", "A white is 1500 to 12000 kelvin"],
  ["1 = rgb 200 0 0", "Each part of a colour is 0 to 100 %"],
  ["#1: 3 = hue 20", "None of these lights mixes a colour"],
  ["1 = hue 400", "A hue is 0 to 360 degrees"],
])("%s is refused in words", (line, words) => {
  expect(typed(line)).toMatchObject({ fault: { message: expect.stringContaining(words) as string } });
});

test("a palette of each tint has values for every type that mixes colour, and is made once", () => {
  const sheet = show();
  const made = makeEdits(sheet, readEdits(tintPalettes(sheet.show))).sheet;
  expect(made.show.palettes.length).toBeGreaterThan(20);
  const [first] = made.show.palettes;
  expect(new Set(first?.values.map(({ type }) => type))).toEqual(new Set(["three", "four"]));
  expect(() => tintPalettes(made.show)).toThrow("has its palette already");
});

test("a colour is seen over each type as near as it comes to it", () => {
  const seen = seenOverTypes(show().show, { red: 1, green: 0.62, blue: 0.05 });
  expect(seen.map(({ type }) => type)).toEqual(["three", "four"]);
  for (const { seen: own } of seen) expect(own.red).toBeCloseTo(1, 2);
  expect(lightColour([], () => 0)).toMatchObject({ red: 1 });
});

test("a table of colours is read whole, or told line by line and not at all", () => {
  expect(readColours("Number,Name,RGB\n101,Amber,#FF8000\n102,,0a0b0c\n")).toEqual([
    { number: "101", name: "Amber", rgb: "#ff8000" },
    { number: "102", rgb: "#0a0b0c" },
  ]);
  expect(readColours("no;r;g;b\n7;255;128;0")).toEqual([{ number: "7", rgb: "#ff8000" }]);
  expect(() => readColours("name,rgb\nAmber,#ff8000")).toThrow("needs a column number");
  expect(() => readColours("number,rgb\n1,#ff8000\n1,#000000\n,#000000\n3,red")).toThrow(
    /Line 3: number 1 stands in line 2[\s\S]*Line 4: it has no number[\s\S]*Line 5: "red" is not a colour/,
  );
});

test("the times that a palette carries are laid on what it is given to, spread over the lights; its later changes do not follow", () => {
  const palette = {
    id: "warm",
    family: "colour",
    label: "Warm",
    values: [{ attribute: "red", value: 90 }],
    times: { fade: 4, delay: "0~1" },
  };
  const sheet = show({ palettes: [palette] });
  const edits: EditInput[] = [
    { op: "change", from: "1", to: "1", keys: { channels: [1, 2] }, do: { palette: "warm" }, where: "look", after: "track" },
  ];
  const after = makeEdits(sheet, readEdits(edits)).sheet;
  expect(after.show.lists[0]?.cues[0]?.parts[0]?.moves).toEqual({
    1: { red: { palette: "warm", fade: 4, delay: 0 } },
    2: { red: { palette: "warm", fade: 4, delay: 1 } },
  });
});
