import fc from "fast-check";
import { type PaletteValue, invertSteps, keysOf, makeEdits, palettesOf, readEdits, applySteps } from "../../src/index.ts";
import { attempt, looksOf, refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const pan = { attribute: "pan", value: 0 };
const palette = (values: PaletteValue[]): object => ({ palettes: [{ id: "chair", family: "position", label: "Chair", values }] });
const pointed = (values: PaletteValue[]): ReturnType<typeof smallShow> =>
  smallShow(
    [oneCue("1", { "1": { intensity: 50, pan: { palette: "chair" } } }), oneCue("2", { "5": { intensity: 5 } })],
    {},
    palette(values),
  );

test("a palette's value for the channel beats that for its type, and that the one for all", () => {
  const values = [
    { ...pan, value: 10 },
    { ...pan, value: 20, type: "mover" },
    { ...pan, value: 30, channel: 1 },
  ];
  const key = keysOf(pointed(values).show).byChannel.get(1)?.get("pan");
  if (!key) throw new Error("the mover has no pan");
  fc.assert(
    fc.property(fc.shuffledSubarray(values), (some) => {
      const found = palettesOf([{ id: "chair", family: "position", label: "", values: some }], () => "mover").valueFor("chair", key);
      expect(found).toBe(some.length === 0 ? undefined : Math.max(...some.map((entry) => entry.value)));
    }),
  );
});

test("a change of the palette reaches every look that refers to it, and no move", () => {
  const sheet = pointed([{ ...pan, value: 10 }]);
  const changed = { id: "chair", family: "position" as const, label: "Chair", values: [{ ...pan, value: -40, channel: 1 }] };
  const outcome = makeEdits(sheet, readEdits({ op: "setPalette", palette: changed }));
  expect(looksOf(outcome.sheet).map((look) => look.get("1.pan"))).toEqual([-40, -40]);
  expect(outcome.impact).toEqual({
    storedCues: [],
    looks: ["1", "2"].map((cue) => ({ cue, key: "1.pan", before: 10, after: -40 })),
  });
});

test("a palette that loses its value leaves the light unset, and a value out of range is refused", () => {
  const sheet = pointed([{ ...pan, value: 10 }]);
  const empty = attempt(sheet, [{ op: "setPalette", palette: { id: "chair", family: "position", label: "", values: [] } }]);
  expect(empty?.impact.looks.map(({ after }) => after)).toEqual([null, null]);
  const wide = { id: "chair", family: "position" as const, label: "", values: [{ ...pan, value: 999 }] };
  expect(refusal(sheet, [{ op: "setPalette", palette: wide }])).toBe("palette chair, pan: 999 is outside -270 to 270");
});

test("a palette that turns to another family is refused while moves of the old one refer to it", () => {
  const other = { id: "chair", family: "intensity" as const, label: "", values: [] };
  expect(refusal(pointed([pan]), [{ op: "setPalette", palette: other }])).toContain(
    'palette "chair" is for intensity, and pan is position',
  );
});

test("a palette of a held look goes with its numbers left or its values, and comes back", () => {
  const palettes = [{ id: "noon", family: "position", label: "Noon", values: [{ attribute: "pan", value: 40 }] }];
  const heldLooks = [{ id: "warm", label: "Warm", values: { 1: { intensity: 30, pan: { palette: "noon" } } } }];
  const show = smallShow([], {}, { palettes, heldLooks });
  const removed = (used: string): ReturnType<typeof makeEdits> =>
    makeEdits(show, readEdits([{ op: "removePalette", palette: "noon", used }]));
  expect(() => removed("refuse")).toThrow(/used by the held look Warm/);
  expect(removed("keepLooks").sheet.show.heldLooks?.[0]?.values).toEqual({ "1": { intensity: 30, pan: 40 } });
  const dropped = removed("drop");
  expect(dropped.sheet.show.heldLooks?.[0]?.values).toEqual({ "1": { intensity: 30 } });
  expect(applySteps(dropped.sheet, invertSteps(dropped.steps)).show).toEqual(show.show);
});
