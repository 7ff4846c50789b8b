import { saltAndParaffin } from "@zm/demo";
import {
  completeLine,
  listOf,
  readLine,
  readShow,
  readSlots,
  sceneAt,
  scenesOf,
  sheetOf,
  slotName,
  slotValue,
  slotsText,
} from "../../src/index.ts";

const show = saltAndParaffin();
const sheet = sheetOf(show);
const list = listOf(sheet);
const wheel = show.fixtureTypes.flatMap((type) => type.attributes).find(({ id }) => id === "gobo") ?? { slots: [] };

function asked(text: string, toHand = false): unknown {
  const read = readLine(text, { sheet, list, cues: undefined, toHand });
  return "fault" in read ? read.fault.message : read.request;
}

test("a slot of a wheel is found by its value and by its name, whatever the case", () => {
  expect(slotName(wheel, 3)).toBe("Leaves");
  expect(slotName(wheel, 3.5)).toBeUndefined();
  expect(slotValue(wheel, "LEAVES")).toBe(3);
  expect(slotValue(wheel, "ivy")).toBeUndefined();
  expect(slotValue({ slots: [{ value: 2, name: "Broken glass" }] }, "broken-glass")).toBe(2);
});

test("slots are read from one row of text as they are written, and what is none is refused", () => {
  const slots = [
    { value: 0, name: "Open" },
    { value: 3, name: "Broken glass" },
  ];
  expect(readSlots("0 Open,  3 Broken glass ")).toEqual(slots);
  expect(readSlots(slotsText(slots))).toEqual(slots);
  expect(readSlots("  ")).toEqual([]);
  expect(readSlots("Open, 3 Leaves")).toBeUndefined();
});

test("a slot outside the range of its attribute, and one that stands twice, are refused by name", () => {
  const withSlots = (slots: unknown[]): (() => unknown) => {
    const document = structuredClone(show);
    for (const type of document.fixtureTypes) for (const each of type.attributes) if (each.id === "gobo") Object.assign(each, { slots });
    return () => readShow(document);
  };
  expect(withSlots([{ value: 9, name: "Far" }])).toThrow("fixture type profile, attribute gobo, slot Far: 9 is outside 0 to 8");
  expect(
    withSlots([
      { value: 1, name: "A" },
      { value: 1, name: "B" },
    ]),
  ).toThrow(/attribute gobo: slot 1/);
  expect(
    withSlots([
      { value: 8, name: "Last" },
      { value: 0, name: "First" },
    ]),
  ).not.toThrow();
});

test("a slot is typed by name, in a cue and in hand; else a palette is meant", () => {
  expect(asked("#6: 61 gobo = leaves")).toMatchObject({ edits: [{ do: { set: 3 }, keys: { channels: [61], attributes: ["gobo"] } }] });
  expect(asked("61 gobo = leaves", true)).toMatchObject({ operation: { kind: "give", operation: { set: 3 } } });
  expect(asked("#6: 61 position = stairs")).toMatchObject({ edits: [{ do: { palette: "stairs" } }] });
  // Light 71 has no wheel, and no palette is called so.
  expect(asked("#6: 71 gobo = leaves")).toMatch(/no palette "leaves"/);
});

test("the slots are offered behind the name of their wheel", () => {
  const words = completeLine("#6: 61 gobo = le", sheet).words.map(({ word }) => word);
  expect(words).toContain("leaves");
  expect(completeLine("#6: 61 pan = le", sheet).words.map(({ word }) => word)).not.toContain("leaves");
});

test("scenes are runs of cues; a cue that names none belongs to the scene before it", () => {
  expect(scenesOf(list).map(({ scene }) => scene)).toEqual([...new Set(list.cues.map(({ scene }) => scene))]);
  const cues = ["1", "2", "3", "4", "5"].map((number, index) => ({
    number,
    parts: [{ number: 1, moves: {} }],
    ...[{}, { scene: "A" }, {}, { scene: "B" }, { scene: "A" }][index],
  }));
  const runs = listOf(sheetOf(readShow({ ...show, lists: [{ id: "main", label: "", cues }] })));
  expect(scenesOf(runs)).toEqual([
    { scene: "A", first: 1, last: 2 },
    { scene: "B", first: 3, last: 3 },
    { scene: "A", first: 4, last: 4 },
  ]);
  expect(sceneAt(runs, 0)).toBeUndefined();
  expect(sceneAt(runs, 2)?.first).toBe(1);
  expect(sceneAt(runs, 4)?.first).toBe(4);
});
