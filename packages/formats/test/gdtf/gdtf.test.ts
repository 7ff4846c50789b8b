import { type Attribute, makeEdits, readEdits, ShowError, type Show, outputLayout, readShow, sheetOf, writeLevels } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { strToU8, zipSync } from "fflate";
import { readGdtf } from "../../src/gdtf/description.ts";
import { typeOfMode } from "../../src/gdtf/typeOfMode.ts";
import { writeGdtf } from "../../src/gdtf/writeGdtf.ts";
import { readFile } from "../../src/index.ts";
import { DESCRIPTION, sampleGdtf } from "../sampleTypes.ts";

const file = readGdtf(sampleGdtf(), "lantern.gdtf");
const basic = typeOfMode(file, file.modes[0] ?? never());
const named = (id: string): Attribute => basic.type.attributes.find((attribute) => attribute.id === id) ?? never();

function never(): never {
  throw new Error("it is not there");
}

describe("a type of light from its maker's file", () => {
  test("has its attributes in our families, with ranges, homes, bits and addresses", () => {
    expect(basic.type.attributes.map(({ id, family, min, max, home, bits, at }) => [id, family, min, max, home, bits ?? 8, at])).toEqual([
      ["pan", "position", -270, 270, 0.004, 16, [1, 3]],
      ["tilt", "position", -120, 120, 0.471, 16, [2, 4]],
      ["intensity", "intensity", 0, 100, 0, 24, [5, 6, 7]],
      ["gobo", "beam", 0, 255, 0, 8, [8]],
      ["shutter", "beam", 0, 255, 20, 8, [9]],
      ["red", "colour", 0, 100, 100, 8, [10]],
      ["red-2", "colour", 0, 100, 100, 8, [11]],
      ["zoom", "beam", 8, 48, 8, 8, [1]],
    ]);
    expect(named("zoom").break).toBe(2);
  });

  test("takes real speeds with the time to get up to them, and says what is seen when it is looked for", () => {
    expect(named("pan").speed).toBe(180);
    expect(named("tilt").speed).toBeUndefined();
    expect([named("pan").highlight, named("shutter").highlight, named("tilt").highlight]).toEqual([0.004, 20, undefined]);
  });

  test("names the places of a wheel with their colours and pictures, and what a channel does by its values", () => {
    expect(named("gobo")).toMatchObject({ snap: true });
    expect(named("gobo").slots).toEqual([
      { value: 9, name: "Open", rgb: "#ffffff" },
      { value: 29, name: "Leaves", picture: expect.stringMatching(/^data:image\/png;base64,iVBORw0KGgo/) },
      { value: 147, name: "Bars", rgb: expect.stringMatching(/^#ff0[0-9a-f]0[0-9a-f]$/) },
    ]);
    expect(named("shutter").modes).toEqual([
      { name: "Open", from: 0, to: 63, low: 1, high: 1 },
      { name: "Strobe", from: 64, to: 255, low: 1, high: 20, unit: "Hz" },
    ]);
  });

  test("tells what it cannot carry", () => {
    const small = typeOfMode(file, file.modes[1] ?? never());
    expect(small.remarks.map(({ words }) => words)).toEqual([
      "Lantern Mover, Small: 1 relations between its channels",
      "Lantern Mover, Small: Dimmer has no address of its own: it is made of others by the light",
      "Lantern Mover, Small: Pan runs from 270 down in the light; its numbers run up here",
    ]);
  });

  test("is sent where the maker says, coarse bytes first, in each of its patches", () => {
    const show = readShow({
      ...showWith(basic.type),
      channels: [{ number: 1, type: basic.type.id, patch: { universe: 1, address: 101, more: [{ universe: 2, address: 7 }] } }],
    });
    const { keys } = sheetOf(show);
    const layout = outputLayout(show, keys);
    const values = Float64Array.from(keys.all, ({ attribute }) => attribute.home);
    const set = (id: string, value: number): void => {
      values[keys.all.findIndex(({ attribute }) => attribute.id === id)] = value;
    };
    set("pan", 270);
    set("intensity", 50);
    set("zoom", 48);
    const [first, second] = [new Uint8Array(512), new Uint8Array(512)];
    writeLevels(layout, values, [first, second]);
    expect([...first.subarray(100, 111)]).toEqual([255, 128, 255, 128, 128, 0, 0, 0, 20, 255, 255]);
    expect(second[6]).toBe(255);
  });

  test("goes into a show in the mode that is wanted, and is brought up to date without touching cues", async () => {
    const source = { name: "lantern.gdtf", bytes: sampleGdtf() };
    const sheet = sheetOf(saltAndParaffin());
    const first = await readFile(source, { sheet, wishes: {} });
    expect(first.made).toEqual(["A new type: Lantern Mover, Basic, 8 attributes"]);
    expect(first.questions[0]?.answers.map(({ words }) => words)).toEqual([
      "Basic, 12 addresses",
      "Small, 1 address",
      "all of them, each a type",
    ]);
    const all = await readFile(source, { sheet, wishes: { "mode Lantern Mover": "all modes" } });
    expect(all.edits?.map((edit) => edit.op === "setType" && edit.type.id)).toEqual(["lantern-mover-basic", "lantern-mover-small"]);
    const again = await readFile(source, { sheet: sheetOf(showWith(basic.type)), wishes: {} });
    expect(again.made).toEqual(["Brings up to date: Lantern Mover, Basic, 8 attributes"]);
  });

  test("of which a newer file comes keeps its cues, and is refused in words where they use what the newer one lacks", async () => {
    const light = { number: 1, type: basic.type.id };
    const moves = { 1: { pan: -90, gobo: 29, intensity: 60 } };
    const cues = [{ number: "1", parts: [{ number: 1, times: {}, moves }] }];
    const sheet = sheetOf(readShow({ ...showWith(basic.type), channels: [light], lists: [{ id: "main", label: "Main", cues }] }));
    const bring = async (description: string) => {
      const { edits = [] } = await readFile({ name: "lantern.gdtf", bytes: sampleGdtf(description) }, { sheet, wishes: {} });
      return makeEdits(sheet, readEdits(edits)).sheet.show;
    };
    const slower = await bring(DESCRIPTION.replace('RealFade="2.5"', 'RealFade="5.5"'));
    expect(slower.lists).toEqual(sheet.show.lists);
    expect(slower.fixtureTypes[0]?.attributes[0]).toMatchObject({ id: "pan", speed: 90 });
    const lacking = DESCRIPTION.replace(/<DMXChannel DMXBreak="1" Offset="8"[\s\S]*?<\/DMXChannel>/, "");
    await expect(bring(lacking)).rejects.toThrow(/gobo/);
  });

  test.each([
    ["no zip", strToU8("hello"), "This is no zip"],
    ["another zip", zipSync({ "a.txt": strToU8("a") }), "lantern.gdtf holds no description.xml"],
    ["broken XML", sampleGdtf(DESCRIPTION.replace("</Wheels>", "")), /lantern.gdtf, description.xml, line \d+:/],
    [
      "entities",
      sampleGdtf(DESCRIPTION.replace("<GDTF", '<!DOCTYPE x [<!ENTITY a "aaaa">]><GDTF')),
      "declares a document type or entities",
    ],
    ["no mode", sampleGdtf(DESCRIPTION.replace(/<DMXModes>[\s\S]*<\/DMXModes>/, "")), "describes no mode"],
    ["a cut zip", sampleGdtf().subarray(0, 600), /damaged|none of the files/],
  ])("says what is wrong with %s", async (_, bytes, fault) => {
    const reading = readFile({ name: "lantern.gdtf", bytes }, { sheet: undefined, wishes: {} });
    await expect(reading).rejects.toThrow(ShowError);
    await expect(reading).rejects.toThrow(fault);
  });

  test("gives the types of the demo back as they were written, all but their modes", () => {
    for (const type of saltAndParaffin().fixtureTypes) {
      const bytes = writeGdtf(type);
      const again = readGdtf(bytes, "own.gdtf");
      const read = typeOfMode(again, again.modes[0] ?? never()).type;
      expect([read.id, read.name]).toEqual([type.id, type.name]);
      for (const [place, { id, family, min, max, home, bits = 8, slots }] of type.attributes.entries()) {
        // A wheel is in the steps of an address, and a home is written in them.
        const range = slots ? {} : { min, max, home: expect.closeTo(home, -Math.log10((max - min) / 128)) };
        expect(read.attributes[place]).toMatchObject({ id, family, ...(bits > 8 ? { bits } : {}), ...range });
      }
      expect(read.attributes).toHaveLength(type.attributes.length);
      expect(writeGdtf(type)).toEqual(bytes);
    }
  });
});

function showWith(type: Show["fixtureTypes"][number]): Show {
  return {
    ...saltAndParaffin(),
    fixtureTypes: [type],
    channels: [],
    groups: [],
    palettes: [],
    heldLooks: undefined,
    notes: undefined,
    pages: undefined,
    lists: [{ id: "main", label: "Main", cues: [] }],
  };
}
