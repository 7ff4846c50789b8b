import { type EditInput, type Show, directionOf, makeEdits, readEdits, readShow, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { readFile, writeFile } from "../../src/index.ts";
import { axesOf, ourLook, ourTurn } from "../../src/mvr/matrix.ts";
import { sampleGdtf } from "../sampleTypes.ts";

const at = (x: number, y: number, z: number, axes = "{1,0,0}{0,1,0}{0,0,1}"): string => `<Matrix>${axes}{${x},${y},${z}}</Matrix>`;
const light = (name: string, place: string, rest: string, inner = ""): string =>
  `<Fixture name="${name}" uuid="${name}">${place}${rest}${inner}</Fixture>`;
const SCENE = `<?xml version="1.0"?>
<GeneralSceneDescription verMajor="1" verMinor="5"><Scene>
  <AUXData><Class uuid="c-1" name="Specials"/></AUXData>
  <Layers>
    <Layer uuid="l-1" name="Bar 1">${at(0, 1000, 0)}
      <ChildList>
        <FocusPoint uuid="f-1" name="Chair">${at(500, -1000, 0)}</FocusPoint>
        <Truss uuid="t-1" name="Truss">${at(0, 0, 6000)}<ChildList>
          ${light("Mover left", at(-2000, 0, -300), "<GDTFSpec>lantern.gdtf</GDTFSpec><GDTFMode>Basic</GDTFMode><Addresses><Address break='1'>520</Address><Address break='0'>101</Address></Addresses><FixtureID>61</FixtureID><Classing>c-1</Classing>")}
          ${light("Turned", at(2000, 0, 0, "{1,0,0}{0,0.5,0.866025}{0,-0.866025,0.5}"), "<GDTFSpec>Old Lamp</GDTFSpec><FixtureID>7</FixtureID><Addresses><Address break='0'>2.12</Address></Addresses>")}
        </ChildList></Truss>
        ${light("Focused", at(0, 0, 4000), "<GDTFSpec>Old Lamp</GDTFSpec><FixtureID>7</FixtureID><Focus>f-1</Focus><Addresses><Address>0</Address></Addresses>")}
        ${light("Nameless", at(0, 0, 4000), "<GDTFSpec>Old Lamp</GDTFSpec><FixtureID>A-3</FixtureID>")}
      </ChildList>
    </Layer>
  </Layers>
</Scene></GeneralSceneDescription>`;

const drawing = (scene = SCENE): { name: string; bytes: Uint8Array } => ({
  name: "rig.mvr",
  bytes: zipSync({ "GeneralSceneDescription.xml": strToU8(scene), "lantern.gdtf": sampleGdtf() }),
});

async function read(scene?: string): Promise<Show> {
  return readShow((await readFile(drawing(scene), { sheet: undefined, wishes: {} })).show);
}

function made(show: Show, edits: readonly EditInput[] = []): Show {
  return readEdits(edits).reduce((before, edit) => makeEdits(before, [edit]).sheet, sheetOf(show)).show;
}

describe("a drawing of a rig", () => {
  test("gives lights with number, type, patch over breaks, and place within layers and trusses", async () => {
    const show = await read();
    expect(show.channels.map(({ number, type, label }) => [number, type, label])).toEqual([
      [7, "old-lamp", "Turned"],
      [61, "lantern-mover-basic", "Mover left"],
      [62, "old-lamp", "Focused"],
      [63, "old-lamp", "Nameless"],
    ]);
    expect(show.channels[1]).toMatchObject({
      patch: { universe: 1, address: 101, more: [{ universe: 2, address: 8 }] },
      place: { x: -2, y: 5.7, z: 1 },
    });
    expect(show.channels[0]?.patch).toEqual({ universe: 2, address: 12 });
    expect(show.channels[2]?.patch).toBeUndefined();
    expect(show.groups).toEqual([
      { id: "bar-1", label: "Bar 1", channels: [7, 61, 62, 63] },
      { id: "specials", label: "Specials", channels: [61] },
    ]);
  });

  test("points fixed lights where they are focused, or where they hang turned to", async () => {
    const { channels } = await read();
    expect(channels[2]?.place?.aim).toEqual({ x: 0.5, y: 0, z: 0 });
    expect(channels[0]?.place?.turn).toEqual({ x: -60, y: 0, z: 0 });
    expect(channels[1]?.place?.turn).toBeUndefined();
  });

  test("tells which numbers it made up, what no file describes, and what is drawn besides", async () => {
    const { remarks } = await readFile(drawing(), { sheet: undefined, wishes: {} });
    expect(remarks.map(({ kind, words }) => `${kind}: ${words}`)).toEqual([
      "left: 1 × Truss: what is drawn beside the lights stays in the drawing",
      "changed: Focused becomes 62: its number “7” is that of another light",
      "changed: Nameless becomes 63: its number “A-3” is none",
      "changed: Old Lamp: no file describes it; it becomes a light with a level",
    ]);
  });

  test("is held against the rig: what came, moved, is patched elsewhere, and is not drawn", async () => {
    const show = made(await read(), [{ op: "setChannel", channel: { number: 90, type: "old-lamp", label: "Not drawn" } }]);
    const newer = SCENE.replace("{-2000,0,-300}", "{-2500,0,-300}")
      .replace("'0'>101<", "'0'>141<")
      .replace("<FixtureID>A-3</FixtureID>", "<FixtureID>5</FixtureID>");
    const reading = await readFile(drawing(newer), { sheet: sheetOf(show), wishes: {} });
    expect(reading.made.slice(1)).toEqual(["new: 5", "patched elsewhere: 61", "moved or turned: 61"]);
    expect(reading.questions[0]?.words).toBe("2 lights of this rig that the drawing does not show: 63, 90");
    const stays = made(show, reading.edits);
    expect(stays.channels.map(({ number }) => number)).toEqual([5, 7, 61, 62, 63, 90]);
    const goes = made(show, (await readFile(drawing(newer), { sheet: sheetOf(show), wishes: { gone: "go" } })).edits);
    expect(goes.channels.map(({ number }) => number)).toEqual([5, 7, 61, 62]);
  });

  test("changes nothing when it is brought a second time", async () => {
    const reading = await readFile(drawing(), { sheet: sheetOf(await read()), wishes: {} });
    expect(reading.edits).toEqual([]);
    expect(reading.made).toEqual(["Nothing: the rig is what the drawing shows"]);
  });

  test("of the demo comes back as it is: lights, places, focus, patch and groups in layers", async () => {
    const demo = saltAndParaffin();
    const { bytes } = await writeFile(sheetOf(demo), "mvr");
    const again = await readFile({ name: "own.mvr", bytes }, { sheet: sheetOf(demo), wishes: {} });
    expect(again.edits?.filter(({ op }) => op !== "setGroup")).toEqual([]);
    const alone = (await readFile({ name: "own.mvr", bytes }, { sheet: undefined, wishes: {} })).show;
    expect(alone?.channels.map(({ number, type, patch, label, place }) => ({ number, type, patch, label, place }))).toEqual(
      demo.channels.map(({ number, type, patch, label, place }) => ({
        number,
        type,
        patch,
        label: label ?? `Light ${number}`,
        place: place ?? { x: 0, y: 0, z: 0 },
      })),
    );
  });

  test.each([
    ["no scene in it", zipSync({ "a.xml": strToU8("<a/>") }), "holds no GeneralSceneDescription.xml"],
    ["another document", zipSync({ "GeneralSceneDescription.xml": strToU8("<Other/>") }), "draws no scene"],
    [
      "a document that breaks off",
      zipSync({ "GeneralSceneDescription.xml": strToU8(SCENE.slice(0, 500)) }),
      /GeneralSceneDescription.xml, line \d+/,
    ],
  ])("says what is wrong with one with %s", async (_, bytes, fault) => {
    await expect(readFile({ name: "rig.mvr", bytes }, { sheet: undefined, wishes: {} })).rejects.toThrow(fault);
  });

  test("keeps every turn through its matrix, and looks where that turns it", () => {
    const angle = fc.integer({ min: -179, max: 179 });
    fc.assert(
      fc.property(angle, fc.integer({ min: -89, max: 89 }), angle, (x, y, z) => {
        const axes = axesOf({ x, y, z });
        expect(ourTurn({ axes, place: [0, 0, 0] }) ?? { x: 0, y: 0, z: 0 }).toEqual({
          x: expect.closeTo(x, 1),
          y: expect.closeTo(y, 1),
          z: expect.closeTo(z, 1),
        });
      }),
      { seed: 28 },
    );
    // A light that is tipped up by its tilt around the axis across the stage looks as one that hangs tipped.
    const tipped = ourLook({ axes: axesOf({ x: -40, y: 0, z: 0 }), place: [0, 0, 0] });
    const tilted = directionOf(0, 40);
    expect([tipped.x, tipped.y, tipped.z]).toEqual([expect.closeTo(tilted.x, 6), expect.closeTo(tilted.y, 6), expect.closeTo(tilted.z, 6)]);
  });
});
