import fc from "fast-check";
import { makeEdits, readEdits, readShow, serializeShow } from "../../src/index.ts";
import { upgradedNames } from "../../src/show/upgrade.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

/** A document as version 1 had it, written out by text alone. */
function older(text: string): string {
  return text
    .replace('"version": 2', '"version": 1')
    .replaceAll('"restate":', '"assert":')
    .replaceAll('"policy": "before"', '"policy": "late"')
    .replaceAll('"policy": "dark"', '"policy": "early"')
    .replaceAll('"policy": "view"', '"policy": "live"')
    .replaceAll('"view": true', '"live": true');
}

test("every document of version 1 is read, and is the same show", () => {
  let changed = 0;
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const text = serializeShow(show);
      if (/"restate"|"policy"|"view"/.test(text)) changed += 1;
      expect(serializeShow(readShow(JSON.parse(older(text))))).toBe(text);
    }),
    { numRuns: 100 },
  );
  expect(changed).toBeGreaterThan(80);
});

test("a document of a version to come, and one that mixes the names, are refused by name", () => {
  const document: object = JSON.parse(serializeShow(smallShow([oneCue("1", {})]).show));
  expect(() => readShow({ ...document, version: 3 })).toThrow("is not a version that can be read; this program reads versions 1 and 2");
  const mixed = { ...document, lists: [{ id: "main", label: "Main", cues: [oneCue("1", {}, {}, { assert: true })] }] };
  expect(() => readShow(mixed)).toThrow("assert");
});

test("edits and steps with older names are made, and nothing that looks like one is renamed", () => {
  const sheet = smallShow([oneCue("1", { "1": { intensity: 50 } }), oneCue("2", {})]);
  const restated = makeEdits(sheet, readEdits([{ op: "assert", from: "2", to: "2" }]));
  expect(restated.sheet.show.lists[0]?.cues[1]?.restate).toBe(true);
  const marked = makeEdits(
    sheet,
    readEdits([{ op: "setCue", from: "2", to: "2", mark: { policy: "early", channels: { "1": { live: true } } } }]),
  );
  expect(marked.sheet.show.lists[0]?.cues[1]?.mark).toEqual({ policy: "dark", channels: { "1": { view: true } } });
  const steps = [{ at: "cue", list: "main", cue: "2", before: {}, after: { assert: true } }];
  expect(makeEdits(sheet, readEdits([{ op: "steps", steps }])).sheet.show.lists[0]?.cues[1]?.restate).toBe(true);
  const moves = { "1": { assert: 5, live: { value: 3 }, policy: 1 }, label: "late", op: 7 };
  expect(upgradedNames(moves)).toEqual(moves);
});
